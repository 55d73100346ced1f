import { undo, useAttic, type AtticState } from '@/store/attic/attic';
import type { Change } from '@/store/attic/journal';
import { useCourier, type CourierLink } from '@/store/courier/courierLink';

import { letGoOf } from './useLetGo';

/**
 * What of a change may be taken back. To take back that an item is new takes it out of the attic: one that is
 * listed, or may be, stays, with all that belongs to it.
 *
 * @returns null where nothing is left of it
 */
export function takeable(change: Change, attic: AtticState, courier: CourierLink): Change | null {
  const held = new Set<string>();
  for (const { collection, id, before } of change.edits) {
    if (collection !== 'items' || before !== null || !attic.items[id]) continue;
    if (letGoOf(id, attic.plans, courier) !== 'free') held.add(id);
  }
  if (held.size === 0) return change;
  const edits = change.edits.filter(({ collection, id }) => {
    if (collection === 'items') return !held.has(id);
    if (collection !== 'pictures' && collection !== 'plans') return true;
    return !held.has(attic[collection][id]?.itemId ?? '');
  });
  return edits.length > 0 ? { ...change, edits } : null;
}

/** Takes a change back, but for items that may not go. */
export function takeBack(change: Change): void {
  const part = takeable(change, useAttic.getState(), useCourier.getState());
  if (part) undo(part);
}

/** Whether any of it may be taken back. */
export function useIsTakeable(change: Change | null | undefined): boolean {
  // Whatever changes in the attic changes what there is to be taken back, and so is asked anew.
  return useCourier((now) => change != null && takeable(change, useAttic.getState(), now) !== null);
}
