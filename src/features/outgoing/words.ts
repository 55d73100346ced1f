import type { RuleSheet } from '@/contract/ruleSheet';
import type { CellTotals } from '@/core/listing/cells';
import { formatMoney } from '@/core/money/money';
import { outTotals, type OutLine } from '@/core/outgoing/lines';

/** How many go to one marketplace, and what they cost there together. */
export function headWords(going: readonly OutLine[], sheet: RuleSheet): string {
  const here = going.filter((l) => l.market === sheet.marketplace);
  if (here.length === 0) return 'none';
  const { fees } = outTotals(here);
  return `${here.length}${fees > 0 ? ` · ${formatMoney(fees, sheet.currency)}` : ''}`;
}

/** What it costs and leaves, as if each item sold once. */
export function moneyWords(
  { ready, fees, takeHomeLeast, takeHomeMost }: CellTotals,
  currency: string,
): string {
  if (ready === 0) return '';
  const say = (amount: number) => formatMoney(amount, currency);
  const left = `${say(takeHomeLeast)}${takeHomeMost > takeHomeLeast ? ` to ${say(takeHomeMost)}` : ''}`;
  return `Fees up to ${say(fees)} in all, leaves ${left}.`;
}
