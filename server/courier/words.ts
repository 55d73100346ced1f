import type { LedgerLine } from '@/contract/courier';
import type { CourierEvent, News } from '@/core/courier/types';

import { marketIn, thingIn, type Line } from './ledger';

/** A ledger line in words a person can read; one that reports of several listings is told in as many. */
export function readable(line: Line): LedgerLine[] {
  const { seq, at, event } = line;
  const told: CourierEvent[] =
    event.type === 'news' && event.news.length > 1
      ? event.news.map((item) => ({ ...event, news: [item] }))
      : [event];
  return told.map((part) => ({
    seq,
    at,
    type: part.type,
    thing: thingIn(part),
    market: marketIn(part),
    words: wordsFor(part).slice(0, 2_000),
  }));
}

function wordsFor(event: CourierEvent): string {
  switch (event.type) {
    case 'command':
      return {
        send: 'asked to send it',
        withdraw: 'asked to withdraw it',
        sold: 'said it was sold',
        settle: 'second sale dealt with',
        handUp: 'put up by hand',
        handDown: 'taken down by hand',
      }[event.command.type];
    case 'letOut':
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
      return event.news.map(newsWords).join('; ');
    case 'connection':
      return { connected: 'connected', paused: 'paused', off: 'disconnected' }[event.link];
    case 'started':
      return 'the courier started';
    default:
      return event.type;
  }
}

function newsWords(news: News): string {
  switch (news.kind) {
    case 'sale':
      return `sold for ${(news.amount / 100).toFixed(2)}, order ${news.order}`;
    case 'approved':
      return 'review passed, live';
    case 'turnedDown':
      return `turned down: ${news.reasons.map((r) => r.message).join(' ')}`;
    case 'ended':
      return news.why ? `ended there: ${news.why}` : 'over there';
  }
}
