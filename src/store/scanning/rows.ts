import type { Item } from '@/contract/records';
import { change, useAttic, type Put } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { letGoOf } from '@/store/derived/useLetGo';

import { useScanning } from './scan';

/**
 * Takes rows out of the attic with all that belongs to them, with one undo. What is listed, or may be, stays:
 * how many did is told.
 */
export function removeRows(items: readonly Item[]): void {
  const { plans } = useAttic.getState();
  const courier = useCourier.getState();
  const free = items.filter(({ id }) => letGoOf(id, plans, courier) === 'free');
  useScanning.setState({ held: items.length - free.length });
  if (free.length === 0) return;
  const ids = new Set(free.map(({ id }) => id));
  const puts: Put[] = free.flatMap((item) => [
    { collection: 'items', id: item.id, record: null } as const,
    ...item.pictureIds.map((p) => ({ collection: 'pictures', id: p, record: null }) as const),
  ]);
  for (const plan of Object.values(plans))
    if (ids.has(plan.itemId)) puts.push({ collection: 'plans', id: plan.id, record: null });
  change(free.length === 1 ? 'row removed' : `${free.length} rows removed`, puts, { destructive: true });
}
