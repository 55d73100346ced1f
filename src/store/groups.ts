import type { Group, StockFilter } from '@/contract/groups';
import { mayLieBelow } from '@/core/stock/groups';

import { change, newId, useAttic } from './attic';
import { editThing, thingWith } from './things';

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

/** Takes a group away: its things stay, the groups below it move up to where it was. */
export function removeGroup(id: string): void {
  const { groups, things } = useAttic.getState();
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
      ...Object.values(things)
        .filter((t) => t.groupIds.includes(id))
        .map((t) => thingWith(t, { groupIds: t.groupIds.filter((g) => g !== id) })),
    ],
    { destructive: true },
  );
}

/** Puts a thing into a group by hand, or takes it out again. */
export function toggleGroup(thingId: string, groupId: string): void {
  editThing(thingId, 'groups', (t) => ({
    groupIds: t.groupIds.includes(groupId)
      ? t.groupIds.filter((g) => g !== groupId)
      : [...t.groupIds, groupId],
  }));
}
