import type { Haul, Plan, Settings, Thing } from '@/contract/records';
import { planId, Plan as PlanSchema, Thing as ThingSchema } from '@/contract/records';
import { newCode } from '@/core/identity/code';

import { change, newId, setSettings, useAttic, type Put } from './attic';

/** The thing with some values changed, ready for {@link change}. */
export function thingWith(thing: Thing, part: Partial<Thing>): Put {
  return { collection: 'things', id: thing.id, record: { ...thing, ...part, updatedAt: Date.now() } };
}

/** A new thing with its code, in the haul that is being worked. @returns its id */
export function addThing(): string {
  const { settings } = useAttic.getState();
  const id = newId();
  const now = Date.now();
  const record = ThingSchema.parse({
    id,
    code: newCode(settings.nextNumber),
    haulId: settings.haulId,
    author: settings.author,
    createdAt: now,
    updatedAt: now,
  });
  setSettings({ nextNumber: settings.nextNumber + 1 });
  change('new thing', [{ collection: 'things', id, record }]);
  return id;
}

/** Changes some values of a thing; the label says which, for undo. */
export function editThing(
  id: string,
  label: string,
  part: Partial<Thing> | ((thing: Thing) => Partial<Thing>),
): void {
  const thing = useAttic.getState().things[id];
  if (!thing) return;
  change(label, [thingWith(thing, typeof part === 'function' ? part(thing) : part)]);
}

/** Takes a thing out of the attic with its pictures and plans. Can be undone. */
export function removeThing(id: string): void {
  const { things, plans } = useAttic.getState();
  const thing = things[id];
  if (!thing) return;
  change(
    `${thing.title || thing.code} removed`,
    [
      { collection: 'things', id, record: null },
      ...thing.pictureIds.map((p) => ({ collection: 'pictures' as const, id: p, record: null })),
      ...Object.values(plans)
        .filter((p) => p.thingId === id)
        .map((p) => ({ collection: 'plans' as const, id: p.id, record: null })),
    ],
    { destructive: true },
  );
}

/** Changes some values of what is planned for a thing on one marketplace. */
export function editPlan(thingId: string, market: string, label: string, part: Partial<Plan>): void {
  const id = planId(thingId, market);
  const before = useAttic.getState().plans[id] ?? PlanSchema.parse({ id, thingId, market, wanted: false });
  change(label, [{ collection: 'plans', id, record: { ...before, ...part } }]);
}

/** Remembers an answer to a marketplace's question, so that the next listing is not asked. */
export function rememberAnswer(settings: Settings, market: string, question: string, answer: string): void {
  setSettings({
    remembered: { ...settings.remembered, [market]: { ...settings.remembered[market], [question]: answer } },
  });
}

/** Starts a haul and works in it. */
export function startHaul(name: string, date: string): string {
  const id = newId();
  const haul: Haul = { id, name, source: '', date, cost: null, note: '', createdAt: Date.now() };
  setSettings({ haulId: id });
  change('new haul', [{ collection: 'hauls', id, record: haul }]);
  return id;
}
