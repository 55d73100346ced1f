import { otherListingsOf, type OtherListings, type Going } from '@/core/listing/otherListings';

import { useCourier } from './courierLink';

let last: { items: unknown; month: number; ahead: unknown; beside: OtherListings } | null = null;

/** What is on its way to the courier, or was just taken by it and is not told yet. */
let ahead: readonly (Going & { told: unknown; taken: boolean })[] = [];

const toldOf = ({ item, market }: Going) =>
  useCourier.getState().items[item]?.listings.find((l) => l.market === market);

/** What else of ours is listed, or just being sent; the same object as long as nothing changes. */
export function otherListingsNow(): OtherListings {
  const { items } = useCourier.getState();
  const now = new Date();
  const month = Date.UTC(now.getUTCFullYear(), now.getUTCMonth());
  if (ahead.some((g) => g.taken && toldOf(g) !== g.told))
    ahead = ahead.filter((g) => !g.taken || toldOf(g) === g.told);
  if (last?.items !== items || last.month !== month || last.ahead !== ahead)
    last = { items, month, ahead, beside: otherListingsOf(Object.values(items), month, ahead) };
  return last.beside;
}

/**
 * Counts something as up from now on: two of a kind that are sent at the same time are not both new.
 *
 * @returns what became of it: taken counts until the courier tells of it, not taken no longer
 */
export function goingOut(going: Going): (taken: boolean) => void {
  const one = { ...going, told: toldOf(going), taken: false };
  ahead = [...ahead, one];
  return (taken) => {
    ahead = ahead.flatMap((g) => (g !== one ? [g] : taken ? [{ ...one, taken }] : []));
  };
}
