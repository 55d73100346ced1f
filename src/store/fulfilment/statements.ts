import { StatementAnswer } from '@/contract/fulfilment';
import type { Statement } from '@/contract/orders';
import { readStatement, withLines, type StatementRead } from '@/core/payout/statement';
import { change, useAttic } from '@/store/attic/attic';
import { ask, CourierTrouble, useCourier } from '@/store/courier/courierLink';

/**
 * Asks a marketplace for its statement and keeps its lines.
 *
 * @throws CourierTrouble with words for a person; what was known stays
 */
export async function fetchStatement(market: string): Promise<StatementRead> {
  const { statement } = StatementAnswer.parse(await (await ask(`/statements/${market}`)).json());
  return keepStatement(market, statement);
}

/** Keeps the lines of a statement file. @throws CourierTrouble where it is not one of that marketplace */
export function keepStatement(market: string, text: string): StatementRead {
  const sheet = useCourier.getState().sheets.find((s) => s.marketplace === market);
  const read = sheet?.statement ? readStatement(text, sheet.statement, sheet.currency) : null;
  if (!sheet || !read)
    throw new CourierTrouble(
      `That is no statement of ${sheet?.name ?? market}: its columns are missing. What was known is kept.`,
    );
  const known = useAttic.getState().statements[market];
  const record: Statement = {
    id: market,
    readAt: Date.now(),
    lines: withLines(known?.lines ?? [], read.lines),
    seen: known?.seen ?? [],
  };
  change('statement read', [{ collection: 'statements', id: market, record }], { ownUndo: true });
  return read;
}

/** The person has seen that these orders' statements are off. */
export function sawMoney(market: string, orders: readonly string[]): void {
  const known = useAttic.getState().statements[market];
  if (!known) return;
  const record = { ...known, seen: [...new Set([...known.seen, ...orders])] };
  change('seen', [{ collection: 'statements', id: market, record }]);
}
