import { isHeard, letGo, type Hearing, type LetGo } from '@/core/courier/known';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';

function useHearing(): Hearing {
  const connected = useCourier((s) => s.connected);
  const caughtUp = useCourier((s) => s.caughtUp);
  const heardAt = useCourier((s) => s.heardAt);
  return { connected, caughtUp, heardAt };
}

/** Whether an item may be taken out of the attic now. */
export function useLetGo(itemId: string): LetGo {
  const hearing = useHearing();
  const view = useCourier((s) => s.items[itemId]);
  const isPlanned = useAttic((s) => Object.values(s.plans).some((p) => p.itemId === itemId && p.wanted));
  return letGo(hearing, view, isPlanned);
}

/** Whether items may leave for good: what is up anywhere comes down with them, by the courier. */
export function useMayLeave(): boolean {
  return isHeard(useHearing());
}
