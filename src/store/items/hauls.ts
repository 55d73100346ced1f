import { Haul, type Owner, type Spot } from '@/contract/records';
import { haulSplit } from '@/core/hauls/haul';
import { plural } from '@/core/language/plural';
import { weightOf } from '@/core/listing/effective';
import { change, newId, newIds, setSettings, useAttic, type Put } from '@/store/attic/attic';

import { itemWith } from './items';
import { kindsNow } from './kinds';

/** Starts a haul and works in it. */
export function startHaul(name: string, date: string): string {
  const id = newId();
  const record = Haul.parse({ id, name, date, createdAt: Date.now() });
  workIn(id);
  change('new haul', [{ collection: 'hauls', id, record }]);
  return id;
}

/** A haul of what was bought by a list, and works in it. @returns its id */
export function haulOf(haul: {
  name: string;
  date: string;
  cost: number | null;
  lines: readonly { what: string; count: number; each: number | null }[];
}): string {
  const [id, ...lineIds] = newIds(haul.lines.length + 1);
  const lines = haul.lines.map((line, i) => ({ ...line, id: lineIds[i] }));
  const record = Haul.parse({ ...haul, id, lines, createdAt: Date.now() });
  workIn(record.id);
  change(`haul ${record.name}`, [{ collection: 'hauls', id: record.id, record }], { destructive: true });
  return record.id;
}

/** Puts a haul away, or takes it out again; no new items go to one that is put away. */
export function putHaulAway(id: string, away: boolean): void {
  editHaul(id, away ? 'haul put away' : 'haul taken out again', { putAwayAt: away ? Date.now() : null });
  if (away && useAttic.getState().settings.haulId === id) setSettings({ haulId: null, lineId: null });
}

/** Which haul, and which of its lines, new items are of. */
export function workIn(haulId: string | null, lineId: string | null = null): void {
  setSettings({ haulId, lineId });
}

export function editHaul(id: string, label: string, part: Partial<Haul>): void {
  const haul = useAttic.getState().hauls[id];
  if (haul) change(label, [{ collection: 'hauls', id, record: { ...haul, ...part } }]);
}

/**
 * Writes each item's part of what the haul cost into its record.
 *
 * @param over also where another cost stands, which somebody may have typed
 * @returns how many were changed
 */
export function spreadCost(id: string, over = false): number {
  const { hauls, items } = useAttic.getState();
  const haul = hauls[id];
  if (!haul) return 0;
  const kinds = kindsNow();
  const split = haulSplit(haul, Object.values(items), (t) => weightOf(t, kinds));
  const puts: Put[] = [...(split?.costs ?? [])].flatMap(([item, cost]) => {
    const t = items[item];
    return !t || cost === t.cost || (t.cost !== null && !over) ? [] : [itemWith(t, { cost })];
  });
  if (puts.length > 0) change(`cost of ${haul.name} spread`, puts, { destructive: true });
  return puts.length;
}

/** Keeps a spot, new or changed. @returns its id */
export function keepSpot(spot: Omit<Spot, 'id'> & { id?: string }): string {
  const id = spot.id ?? newId();
  change(`spot ${spot.name}`, [{ collection: 'spots', id, record: { ...spot, id } }]);
  return id;
}

export function removeSpot(id: string): void {
  const name = useAttic.getState().spots[id]?.name ?? '';
  change(`spot ${name} removed`, [{ collection: 'spots', id, record: null }], { destructive: true });
}

/** Puts items into a spot, with one undo. */
export function moveTo(spot: string, ids: readonly string[]): void {
  const { items } = useAttic.getState();
  const moving = ids.flatMap((id) => items[id] ?? []).filter((t) => t.spot !== spot);
  if (moving.length === 0) return;
  change(
    plural(
      moving.length,
      `moved to ${spot || 'no spot'}`,
      `${moving.length} items moved to ${spot || 'no spot'}`,
    ),
    moving.map((t) => itemWith(t, { spot })),
    { destructive: true },
  );
}

/** Keeps somebody whose items are sold for them, new or changed. @returns the id */
export function keepOwner(owner: Omit<Owner, 'id'> & { id?: string }): string {
  const id = owner.id ?? newId();
  change(`agreement with ${owner.name}`, [{ collection: 'owners', id, record: { ...owner, id } }]);
  return id;
}
