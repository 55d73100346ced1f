import { besideOf, type Beside, type Going } from '@/core/listing/beside';

import { useCourier } from './courierLink';

let last: { things: unknown; month: number; ahead: unknown; beside: Beside } | null = null;

/** What is on its way to the courier, or was just taken by it and is not told yet. */
let ahead: readonly (Going & { told: unknown; taken: boolean })[] = [];

const toldOf = ({ thing, market }: Going) =>
  useCourier.getState().things[thing]?.listings.find((l) => l.market === market);

/** What else of ours is listed, or just being sent; the same object as long as nothing changes. */
export function besideNow(): Beside {
  const { things } = useCourier.getState();
  const now = new Date();
  const month = Date.UTC(now.getUTCFullYear(), now.getUTCMonth());
  if (ahead.some((g) => g.taken && toldOf(g) !== g.told))
    ahead = ahead.filter((g) => !g.taken || toldOf(g) === g.told);
  if (last?.things !== things || last.month !== month || last.ahead !== ahead)
    last = { things, month, ahead, beside: besideOf(Object.values(things), month, ahead) };
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
