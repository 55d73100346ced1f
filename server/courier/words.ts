import type { LedgerLine } from '@/contract/courier';
import type { CourierEvent, News } from '@/core/courier/types';
import { formatAmount } from '@/core/money/money';
import { csvLines } from '@/core/tables/csv';

import { marketIn, itemIn, type Line } from './ledger';

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
    words: wordsFor(part, currency).slice(0, 2_000),
  }));
}

const COLUMNS = ['line', 'time', 'who', 'what', 'item', 'marketplace', 'words', 'answer'] as const;
/** The first row of the ledger as a table (RFC 4180). */
export const TABLE_HEAD = csvLines([COLUMNS]);

/** A ledger line as rows of a table; nothing in it is taken for a formula by whatever opens it. */
export function tableRows(line: Line, currency: string): string[] {
  const { event, answer } = line;
  const who = event.type !== 'command' ? 'courier' : (event.by ?? 'a person');
  const said = answer ? (answer.accepted ? 'taken' : (answer.why ?? 'not taken')) : '';
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

function wordsFor(event: CourierEvent, currency: string): string {
  switch (event.type) {
    case 'command':
      return {
        send: 'asked to send it',
        withdraw: 'asked to withdraw it',
        adopt: 'looked after from now on',
        sold: 'said it was sold',
        settle: 'second sale dealt with',
        handUp: 'put up by hand',
        handDown: 'taken down by hand',
        hold: 'promised to somebody',
        release: 'no longer promised',
        undo: 'sale came to nothing',
      }[event.command.type];
    case 'publishDispatched':
      return 'sending it now';
    case 'published':
      return event.state === 'live' ? 'live' : 'received, waiting for review';
    case 'revised':
      return 'changed there';
    case 'withdrawn':
      return 'withdrawn';
    case 'absent':
      return 'nothing there to withdraw';
    case 'refused':
      return `refused: ${event.reasons.map((r) => r.message).join(' ')}`;
    case 'failed':
      return `${event.action} not answered: ${event.trouble}`;
    case 'news':
      return event.news.map((one) => newsWords(one, currency)).join('; ');
    case 'strays':
      return [
        ...event.gone.map((ref) => `${ref} is no longer shown there`),
        ...event.stale.map(({ ref }) => `${ref} was still shown, taken down again`),
        ...event.edited.map(({ ref, as }) =>
          as ? `${ref} was changed there` : `${ref} is shown as it was sent again`,
        ),
        ...(event.found ?? []).map(({ ref }) => `${ref} is there, and looked after again`),
        ...(event.duplicates ?? []).map(({ ref }) => `${ref} was there as well, taken down`),
      ].join('; ');
    case 'firstSyncDone':
      return 'looked what is there';
    case 'connection':
      return { connected: 'connected', paused: 'paused', off: 'disconnected' }[event.link];
    case 'started':
      return 'the courier started';
    default:
      return event.type;
  }
}

function newsWords(news: News, currency: string): string {
  switch (news.type) {
    case 'sale':
      return `sold for ${formatAmount(news.amount, currency)}, order ${news.order}`;
    case 'approved':
      return 'review passed, live';
    case 'turnedDown':
      return `turned down: ${news.reasons.map((r) => r.message).join(' ')}`;
    case 'ended':
      return news.why ? `ended there: ${news.why}` : 'over there';
  }
}
