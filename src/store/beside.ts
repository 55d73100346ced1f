import { besideOf, type Beside } from '@/core/listing/beside';

import { useCourier } from './courierLink';

let last: { things: unknown; month: number; beside: Beside } | null = null;

/** What else of ours is listed just now; the same object as long as nothing changes. */
export function besideNow(): Beside {
  const { things } = useCourier.getState();
  const now = new Date();
  const month = new Date(now.getFullYear(), now.getMonth(), 1).getTime();
  if (last?.things !== things || last.month !== month)
    last = { things, month, beside: besideOf(Object.values(things), month) };
  return last.beside;
}
