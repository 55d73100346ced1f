import type { LedgerLine } from '@/contract/courier';
import type { CourierEvent } from '@/core/courier/types';
import { csvLines } from '@/core/tables/csv';
import { refusalWords } from '@/wording/courier';
import { ledgerWords } from '@/wording/ledger';

import { marketIn, itemIn, type Line } from '../courier/ledger';

/**
 * A ledger line in words a person can read; one that reports of several listings is told in as many.
 *
 * @param currency that its amounts are in, ISO 4217
 */
export function readable(line: Line, currency: string): LedgerLine[] {
  const { seq, at, event } = line;
  const told: CourierEvent[] =
    event.type === 'news' && event.news.length > 1
      ? event.news.map((item) => ({ ...event, news: [item] }))
      : [event];
  return told.map((part) => ({
    seq,
    at,
    type: part.type,
    item: itemIn(part),
    market: marketIn(part),
    words: ledgerWords(part, currency).slice(0, 2_000),
  }));
}

const COLUMNS = ['line', 'time', 'who', 'what', 'item', 'marketplace', 'words', 'answer'] as const;
/** The first row of the ledger as a table (RFC 4180). */
export const TABLE_HEAD = csvLines([COLUMNS]);

/** A ledger line as rows of a table; nothing in it is taken for a formula by whatever opens it. */
export function tableRows(line: Line, currency: string): string[] {
  const { event, answer } = line;
  const who = event.type !== 'command' ? 'courier' : (event.by ?? 'a person');
  const said = answer ? (answer.accepted ? 'taken' : refusalWords(answer)) : '';
  return readable(line, currency).map((l) => {
    const row = [
      l.seq,
      new Date(l.at).toISOString(),
      who,
      l.type,
      l.item ?? '',
      l.market ?? '',
      l.words,
      said,
    ];
    return csvLines([row]);
  });
}
