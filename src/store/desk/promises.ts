import type { Thing } from '@/contract/records';
import { openHold, type Hold } from '@/core/holds/holds';

import { useAttic } from '../attic';
import { commanded } from '../sending';
import { editThing } from '../things';
import { saveOrder } from './orderRecords';

export type Meeting = NonNullable<Hold['meet']>;

const withOpen = (thing: Thing, change: (hold: Hold) => Hold): Partial<Thing> => ({
  holds: thing.holds.map((h) => (h.to === null ? change(h) : h)),
});

/**
 * Promises a thing to somebody: its price stands still from now on, and elsewhere it is taken down or left up.
 *
 * @param at where that somebody is; null: nowhere the courier knows, so only the price is held
 * @throws CourierTrouble where the courier does not take it; then nothing is promised
 */
export async function promise(
  thing: Thing,
  who: string,
  meet: Meeting | null,
  at: string | null,
): Promise<void> {
  if (openHold(thing)) return;
  if (at !== null) {
    const { whenPromised } = useAttic.getState().settings;
    await commanded({ type: 'hold', thing: thing.id, market: at, elsewhere: whenPromised });
  }
  editThing(thing.id, 'promised', (t) =>
    openHold(t)
      ? null
      : { holds: [...t.holds, { from: Date.now(), to: null, who: who.slice(0, 120), market: at, meet }] },
  );
}

/** Arranges where the two meet. */
export function arrange(thing: Thing, meet: Meeting, market: string): void {
  editThing(thing.id, 'meeting', (t) => withOpen(t, (h) => ({ ...h, market, meet })));
}

/**
 * The promise came to nothing, or nobody came: what was taken down goes up again.
 *
 * @throws CourierTrouble where the courier can't be told; then it is still promised
 */
export async function letGo(thing: Thing, missed = false): Promise<void> {
  await release(thing.id);
  const now = Date.now();
  editThing(thing.id, missed ? 'nobody came' : 'no longer promised', (t) =>
    withOpen(t, (h) => ({ ...h, to: now, meet: h.meet && missed ? { ...h.meet, missedAt: now } : h.meet })),
  );
}

/** The courier may know of no promise (only the price was held), or of none any more (it was sold). */
async function release(thing: string): Promise<void> {
  await commanded({ type: 'release', thing }, ['It is not promised.']);
}

/** The money is here: only now it may be handed over. */
export function moneyReceived(thing: Thing): void {
  editThing(thing.id, 'money received', (t) =>
    withOpen(t, (h) => ({ ...h, meet: h.meet && { ...h.meet, receivedAt: Date.now() } })),
  );
}

/**
 * It is in the buyer's hands: now it is sold, and comes down everywhere.
 *
 * @throws CourierTrouble where the courier can't be told; then it is still promised
 */
export async function handedOver(thing: Thing): Promise<void> {
  const hold = openHold(thing);
  if (!hold?.market || !hold.meet || hold.meet.receivedAt === null) return;
  const { market, meet } = hold;
  const { amount } = meet;
  const id = await commanded({ type: 'sold', thing: thing.id, market, amount });
  const now = Date.now();
  editThing(thing.id, 'handed over', (t) =>
    withOpen(t, (h) => ({ ...h, to: now, meet: h.meet && { ...h.meet, handedAt: now } })),
  );
  saveOrder('handed over', thing.id, market, `deal-${id}`, { fetchedAt: now, packedAt: now, closedAt: now });
}
