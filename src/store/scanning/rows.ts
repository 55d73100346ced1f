import type { Item } from '@/contract/records';
import { change, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { letGoOf } from '@/store/derived/useLetGo';
import { withoutItems } from '@/store/items/items';

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
  const label = free.length === 1 ? 'row removed' : `${free.length} rows removed`;
  change(label, withoutItems(free), { destructive: true });
}
