import type { Item } from '@/contract/records';
import { openHold, type Hold } from '@/core/holds/holds';
import { useAttic } from '@/store/attic/attic';
import { commanded } from '@/store/courier/sending';
import { editItem } from '@/store/items/items';

import { saveOrder } from './orderRecords';

export type Meeting = NonNullable<Hold['meet']>;

/** A meeting as it is agreed: nothing of it is done yet. */
export function newMeeting(agreed: Pick<Meeting, 'place' | 'at' | 'pay' | 'amount'>): Meeting {
  const nothing = { receivedAt: null, toldAt: null, remindedAt: null, handedAt: null, missedAt: null };
  return { ...agreed, ...nothing };
}

const withOpen = (item: Item, change: (hold: Hold) => Hold): Partial<Item> => ({
  holds: item.holds.map((h) => (h.to === null ? change(h) : h)),
});

/**
 * Promises an item to somebody: its price stands still from now on, and elsewhere it is taken down or left
 * up.
 *
 * @param at where that somebody is; null: nowhere the courier knows, so only the price is held
 * @throws CourierTrouble where the courier does not take it; then nothing is promised
 */
export async function holdFor(
  item: Item,
  who: string,
  meet: Meeting | null,
  at: string | null,
): Promise<void> {
  if (openHold(item)) return;
  if (at !== null) {
    const { whenPromised } = useAttic.getState().settings;
    await commanded({ type: 'hold', item: item.id, market: at, elsewhere: whenPromised });
  }
  editItem(item.id, 'promised', (t) =>
    openHold(t)
      ? null
      : { holds: [...t.holds, { from: Date.now(), to: null, who: who.slice(0, 120), market: at, meet }] },
  );
}

/** Arranges where the two meet. */
export function arrangeMeeting(item: Item, meet: Meeting, market: string): void {
  editItem(item.id, 'meeting', (t) => withOpen(t, (h) => ({ ...h, market, meet })));
}

/**
 * The promise came to nothing, or nobody came: what was taken down goes up again.
 *
 * @throws CourierTrouble where the courier can't be told; then it is still promised
 */
export async function releaseHold(item: Item, missed = false): Promise<void> {
  await release(item.id);
  const now = Date.now();
  editItem(item.id, missed ? 'nobody came' : 'no longer promised', (t) =>
    withOpen(t, (h) => ({ ...h, to: now, meet: h.meet && missed ? { ...h.meet, missedAt: now } : h.meet })),
  );
}

/** The courier may know of no promise (only the price was held), or of none any more (it was sold). */
async function release(item: string): Promise<void> {
  await commanded({ type: 'release', item }, ['notPromised']);
}

/** The money is here: only now it may be handed over. */
export function markReceived(item: Item): void {
  markMeeting(item.id, 'money received', { receivedAt: Date.now() });
}

/** What became of the meeting that is arranged for an item. */
export function markMeeting(id: string, label: string, part: Partial<Meeting>): void {
  editItem(id, label, (t) => withOpen(t, (h) => ({ ...h, meet: h.meet && { ...h.meet, ...part } })));
}

/**
 * It is in the buyer's hands: now it is sold, and comes down everywhere.
 *
 * @throws CourierTrouble where the courier can't be told; then it is still promised
 */
export async function markHandedOver(item: Item): Promise<void> {
  const hold = openHold(item);
  if (!hold?.market || !hold.meet || hold.meet.receivedAt === null) return;
  const { market, meet } = hold;
  const { amount } = meet;
  const id = await commanded({ type: 'sold', item: item.id, market, amount });
  const now = Date.now();
  editItem(item.id, 'handed over', (t) =>
    withOpen(t, (h) => ({ ...h, to: now, meet: h.meet && { ...h.meet, handedAt: now } })),
  );
  saveOrder('handed over', item.id, market, `deal-${id}`, { fetchedAt: now, packedAt: now, closedAt: now });
}
