import type { CourierItemView } from '@/contract/courier';
import type { Talk } from '@/contract/fulfilment';
import type { Item } from '@/contract/records';

import { agreedOffer, type TalkOf } from './talks';
import { isAway } from '../depot/depot';
import { isTheirs, openHold } from '../holds/holds';

/** Whether an item can be had, for one who asks; what every answer, offer and saved answer goes by. */
export type Standing =
  | { is: 'free' }
  /**
   * Promised to somebody else. `who` may be empty: nobody said. `until`: when they meet; null: nothing is
   * arranged.
   */
  | { is: 'held'; who: string; market: string | null; until: number | null }
  | { is: 'sold'; market: string }
  /**
   * Given away or thrown out; or at a depot that posts nothing for this marketplace, so that it has to come
   * back first.
   */
  | { is: 'away'; why: 'left' | 'depot' };

/** Who asks, and where. */
export type Asker = Pick<Talk, 'who' | 'market'> & { id?: string };

/**
 * How an item stands towards one who asks for it.
 *
 * @param view what the courier tells of it; undefined: it was never listed
 * @param talks all conversations: one in which an offer was taken is a promise
 */
export function standingFor(
  asker: Asker,
  item: Pick<Item, 'id' | 'holds' | 'left' | 'depot' | 'choices'>,
  view: Pick<CourierItemView, 'sale' | 'hold'> | undefined,
  talks: readonly TalkOf[] = [],
): Standing {
  if (view?.sale) return { is: 'sold', market: view.sale.market };
  if (item.left) return { is: 'away', why: 'left' };
  // Of several pieces one may be promised and the others had.
  if (!item.choices) {
    const hold = openHold(item);
    if (hold && !isTheirs(hold, asker))
      return { is: 'held', who: hold.who, market: hold.market, until: hold.meet?.at ?? null };
    const agreed = talks.find(
      (t) =>
        t.item === item.id &&
        agreedOffer(t) !== null &&
        (asker.id === undefined ? !isTheirs(t, asker) : t.id !== asker.id || t.market !== asker.market),
    );
    if (agreed) return { is: 'held', who: agreed.who, market: agreed.market, until: null };
    if (!hold && view?.hold && view.hold.market !== asker.market)
      return { is: 'held', who: '', market: view.hold.market, until: null };
  }
  const { depot } = item;
  if (isAway(item) && !(depot?.state === 'there' && depot.market === asker.market))
    return { is: 'away', why: 'depot' };
  return { is: 'free' };
}

/**
 * Whether an offer may be taken, or another price asked, by one who knows how it stands. What is at a depot
 * can be had, later.
 */
export function mayPromise(standing: Standing): boolean {
  return standing.is === 'free' || (standing.is === 'away' && standing.why === 'depot');
}

/** Words that say, or mean, that it can be had. A price is asked only for what can be. */
const CLAIMS =
  /\{\{\s*price\s*\}\}|\bstill\s+(?:here|there|available|for\s+sale|got\s+it|have\s+it)\b|\b(?:is|it['’]s)\s+(?:available|free|for\s+sale)\b/iu;
/** The same words, where they are denied. */
const DENIED = /\b(?:not|no\s+longer|isn['’]t|sorry)\b/iu;

/** Whether a text says that the item can be had: such a text is not for one that is sold or promised. */
export function claimsFree(text: string): boolean {
  return text.split(/(?<=[.!?\n])/u).some((sentence) => CLAIMS.test(sentence) && !DENIED.test(sentence));
}
