import type { Command } from '@/contract/courier';
import { isOver } from '@/core/courier/refs';
import type { CourierState } from '@/core/courier/types';

import { isUp, type Marketplace } from './marketplace';
import type { Random } from './random';

/** What the person is given, and can do, at a board that nobody can call. */
interface Board {
  market: Marketplace;
  state: CourierState;
  random: Random;
  now: number;
  id: () => string;
  command: (command: Command) => void;
  send: (item: string) => void;
}

/** The person puts up and takes down what waits there, and says so. Some of it is left for the next time. */
export function workByHand({ market, state, random, now, id, command }: Board): void {
  for (const item of [...state.items.values()]) {
    const listing = item.listings[market.name];
    if (!listing?.job || random.chance(0.3)) continue;
    const about = { id: id(), item: item.id, market: market.name };
    if (listing.job.action === 'withdraw') {
      // The person sees the board: whatever hangs there of the item goes.
      for (const l of market.listings) if (isUp(l) && l.ref.startsWith(`${item.id}.`)) market.withdraw(l.ref);
      command({ type: 'handDown', ...about });
      continue;
    }
    // A notice written anew has nothing to do with an old one, whatever the courier calls it.
    for (const old of market.listings)
      if (old.ref === listing.ref && !isUp(old)) old.ref = `${old.ref}~`;
      // The person sees the board: what hangs there of the same item is taken down first.
      else if (old.ref !== listing.ref && old.ref.startsWith(`${item.id}.`) && isUp(old)) old.state = 'ended';
    market.publish(listing.ref, now);
    command({ type: 'handUp', ...about, url: `/${listing.ref}` });
  }
}

/**
 * What hangs there and the courier forgot, the person tells it of again; sold meanwhile, it is taken down.
 */
export function remindByHand({ market, state, send }: Board): void {
  for (const l of market.listings.filter(isUp)) {
    const id = l.ref.split('.')[0] ?? '';
    const item = state.items.get(id);
    const listing = item?.listings[market.name];
    if (listing && !isOver(listing)) continue;
    // Taken down, and written anew where it may still be sold.
    Object.assign(l, { state: 'ended', ref: `${l.ref}~` });
    if (!item?.sale) send(id);
  }
}
