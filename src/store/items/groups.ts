import type { Group, StockFilter } from '@/contract/groups';
import { planBulk } from '@/core/stock/bulk';
import { mayLieBelow } from '@/core/stock/groups';
import { change, newId, useAttic } from '@/store/attic/attic';

import { applyBulk } from './bulk';
import { editItem, itemWith } from './items';
import { waysNow } from './ways';

/** Makes a group of one's own, filled by hand or by a filter. @returns its id */
export function addGroup(name: string, parent: string | null, filter: StockFilter | null = null): string {
  const id = newId();
  change(`group ${name}`, [{ collection: 'groups', id, record: { id, name, parent, filter } }]);
  return id;
}

export function editGroup(id: string, label: string, part: Partial<Group>): void {
  const { groups } = useAttic.getState();
  const group = groups[id];
  if (!group || (part.parent !== undefined && !mayLieBelow(groups, id, part.parent))) return;
  change(label, [{ collection: 'groups', id, record: { ...group, ...part } }]);
}

/** Takes a group away: its items stay, the groups below it move up to where it was. */
export function removeGroup(id: string): void {
  const { groups, items } = useAttic.getState();
  const group = groups[id];
  if (!group) return;
  change(
    `group ${group.name} removed`,
    [
      { collection: 'groups', id, record: null },
      ...Object.values(groups)
        .filter((g) => g.parent === id)
        .map((g) => ({
          collection: 'groups' as const,
          id: g.id,
          record: { ...g, parent: group.parent },
        })),
      ...Object.values(items)
        .filter((t) => t.groupIds.includes(id))
        .map((t) => itemWith(t, { groupIds: t.groupIds.filter((g) => g !== id) })),
    ],
    { destructive: true },
  );
}

/**
 * Puts items into a group by hand, with one undo for all.
 *
 * @returns how many were not in it before
 */
export async function putIntoGroup(itemIds: readonly string[], groupId: string): Promise<number> {
  const { items } = useAttic.getState();
  const list = itemIds.flatMap((id) => items[id] ?? []);
  const plan = planBulk(list, 'group', { type: 'add', value: groupId }, waysNow());
  return applyBulk('group', plan);
}

/** Puts an item into a group by hand, or takes it out again. */
export function toggleGroup(itemId: string, groupId: string): void {
  editItem(itemId, 'groups', (t) => ({
    groupIds: t.groupIds.includes(groupId)
      ? t.groupIds.filter((g) => g !== groupId)
      : [...t.groupIds, groupId],
  }));
}
