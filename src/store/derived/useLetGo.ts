import { isHeard, letGo, type Hearing, type LetGo } from '@/core/courier/known';
import { useAttic, type AtticState } from '@/store/attic/attic';
import { useCourier, type CourierLink } from '@/store/courier/courierLink';

/** Whether an item may be taken out of the attic, by what both stores say. */
export function letGoOf(
  itemId: string,
  plans: AtticState['plans'],
  courier: Hearing & Pick<CourierLink, 'items'>,
): LetGo {
  const isPlanned = Object.values(plans).some((p) => p.itemId === itemId && p.wanted);
  return letGo(courier, courier.items[itemId], isPlanned);
}

/** Whether an item may be taken out of the attic now. */
export function useLetGo(itemId: string): LetGo {
  const plans = useAttic((s) => s.plans);
  return useCourier((s) => letGoOf(itemId, plans, s));
}

/** Whether items may leave for good: what is up anywhere comes down with them, by the courier. */
export function useMayLeave(): boolean {
  return useCourier(isHeard);
}
