import type { Talk } from '@/contract/fulfilment';
import type { Item } from '@/contract/records';

import type { TalkOf } from './talks';

/** What a buyer did here before, beside what is talked of now. */
export interface BuyerPast {
  /** Items they bought. */
  bought: number;
  /** Items they offered less for than was asked. */
  haggled: number;
  /** Meetings they did not come to. */
  missed: number;
  /** When they were here last, milliseconds since 1970; null: never before. */
  lastAt: number | null;
}

/**
 * A buyer's own past: whoever goes by the same name at the same marketplace.
 *
 * @param about the item that is talked of now; what was bought of it before counts all the same
 */
export function buyerPast(
  { who, market }: Pick<Talk, 'who' | 'market'>,
  about: string | null,
  talks: readonly TalkOf[],
  items: Iterable<Pick<Item, 'id' | 'holds'>>,
): BuyerPast {
  const bought = new Set<string>();
  const haggled = new Set<string>();
  const times: number[] = [];
  let missed = 0;
  for (const talk of talks) {
    if (talk.who !== who || talk.market !== market || talk.item === about) continue;
    const key = talk.item ?? talk.ref;
    if (talk.offers.some((o) => o.state === 'paid')) bought.add(key);
    if (talk.offers.length > 0) haggled.add(key);
    times.push(talk.changedAt);
  }
  for (const item of items)
    for (const { who: to, market: where, meet } of item.holds) {
      if (to !== who || where !== market || !meet) continue;
      if (meet.handedAt !== null) bought.add(item.id);
      if (meet.missedAt !== null) missed += 1;
      times.push(...[meet.handedAt, meet.missedAt].flatMap((at) => at ?? []));
    }
  return {
    ...{ bought: bought.size, haggled: haggled.size, missed },
    lastAt: times.length > 0 ? Math.max(...times) : null,
  };
}
