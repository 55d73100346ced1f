import memoizeOne from 'memoize-one';
import { create } from 'zustand';

import type { CourierItemView } from '@/contract/courier';
import { otherListingsOf, type OtherListings, type Going } from '@/core/listing/otherListings';

import { useCourier } from './courierLink';

/** What is on its way to the courier, or was just taken by it and is not told yet. */
type GoingOut = Going & { told: unknown; taken: boolean };
const useGoing = create<{ all: readonly GoingOut[] }>(() => ({ all: [] }));

const toldOf = ({ item, market }: Going) =>
  useCourier.getState().items[item]?.listings.find((l) => l.market === market);
const isTold = (going: GoingOut) => going.taken && toldOf(going) !== going.told;

const laidTogether = memoizeOne(
  (items: Record<string, CourierItemView>, month: number, going: readonly GoingOut[]) =>
    otherListingsOf(Object.values(items), month, going),
);

/** What else of ours is listed, or just being sent; the same object as long as nothing changes. */
export function otherListingsNow(): OtherListings {
  const now = new Date();
  const month = Date.UTC(now.getUTCFullYear(), now.getUTCMonth());
  if (useGoing.getState().all.some(isTold))
    useGoing.setState(({ all }) => ({ all: all.filter((going) => !isTold(going)) }));
  return laidTogether(useCourier.getState().items, month, useGoing.getState().all);
}

/**
 * Counts something as up from now on: two of a kind that are sent at the same time are not both new.
 *
 * @returns what became of it: taken counts until the courier tells of it, not taken no longer
 */
export function goingOut(going: Going): (taken: boolean) => void {
  const one = { ...going, told: toldOf(going), taken: false };
  useGoing.setState(({ all }) => ({ all: [...all, one] }));
  return (taken) =>
    useGoing.setState(({ all }) => ({
      all: all.flatMap((g) => (g !== one ? [g] : taken ? [{ ...one, taken }] : [])),
    }));
}
