import type { Group } from '@/contract/groups';

export type Groups = Readonly<Record<string, Group>>;

/**
 * The groups right below one, by name; null: the outermost, and those whose parent is gone or below
 * themselves.
 */
export function groupsBelow(groups: Groups, parent: string | null): Group[] {
  return Object.values(groups)
    .filter((g) => parentOf(groups, g) === parent)
    .sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
}

/** A group with all below it. */
export function withAllBelow(groups: Groups, id: string): Set<string> {
  const found = new Set<string>();
  const waiting = [id];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (found.has(next) || !groups[next]) continue;
    found.add(next);
    waiting.push(...groupsBelow(groups, next).map((g) => g.id));
  }
  return found;
}

/** "Winter › Knitwear" */
export function groupWords(groups: Groups, id: string): string {
  const names: string[] = [];
  for (let group = groups[id]; group;) {
    names.unshift(group.name);
    const parent = parentOf(groups, group);
    group = parent === null ? undefined : groups[parent];
  }
  return names.join(' › ');
}

/** Whether a group may be put below another: not below itself. */
export function mayLieBelow(groups: Groups, id: string, parent: string | null): boolean {
  return parent === null || !withAllBelow(groups, id).has(parent);
}

function parentOf(groups: Groups, group: Group): string | null {
  const seen = new Set<string>();
  for (let at = group; at.parent !== null;) {
    const parent = groups[at.parent];
    if (!parent || seen.has(at.id)) return at === group || seen.has(group.id) ? null : group.parent;
    seen.add(at.id);
    at = parent;
  }
  return group.parent;
}
