import type { CourierEvent, News } from '@/core/courier/types';
import { formatAmount } from '@/core/money/money';

import { reasonsWords, reasonWords, troubleWords } from './courier';

/** What happened, as a person reads it in the ledger. @param currency of its amounts, ISO 4217 */
export function ledgerWords(event: CourierEvent, currency: string): string {
  switch (event.type) {
    case 'command':
      return {
        send: 'asked to send it',
        withdraw: 'asked to withdraw it',
        retime: 'goes at another time',
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
      return `refused: ${reasonsWords(event.reasons)}`;
    case 'failed':
      return `${event.action} not answered: ${troubleWords(event.trouble)}`;
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
      return `turned down: ${reasonsWords(news.reasons)}`;
    case 'ended':
      if (news.code) return `ended there: ${reasonWords({ field: '', message: '', code: news.code })}`;
      return news.why ? `ended there: ${news.why}` : 'over there';
  }
}
