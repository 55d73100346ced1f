import type { MarkdownSteps, Plan, Settings, Thing } from '@/contract/records';
import { planId, Plan as PlanSchema, Thing as ThingSchema } from '@/contract/records';
import { lineFor } from '@/core/hauls/haul';
import { codeFor, numberOf } from '@/core/identity/code';
import { withKind } from '@/core/kinds/changeKind';
import type { FactSpec } from '@/core/kinds/spec';
import { factsWith } from '@/core/kinds/values';

import { nameOf } from './names';
import { change, newId, setSettings, useAttic, type Put } from './attic';
import { kindsNow } from './kinds';

/**
 * The thing with some values changed, ready for {@link change}. All others are as they are stored now, whatever the
 * caller still holds: a reading may have come in since the sheet was drawn.
 */
export function thingWith(thing: Thing, part: Partial<Thing>): Put {
  const now = useAttic.getState().things[thing.id] ?? thing;
  return { collection: 'things', id: thing.id, record: { ...now, ...part, updatedAt: Date.now() } };
}

/**
 * A new thing with its code, in the haul that is being worked, with what that haul's things begin with. It has its
 * numbers for ever, but is not in the attic yet.
 */
export function newThing(part: Partial<Thing> = {}): Thing {
  const { settings, hauls } = useAttic.getState();
  const id = newId();
  const now = Date.now();
  const haul = settings.haulId ? hauls[settings.haulId] : undefined;
  const fresh = ThingSchema.parse({
    id,
    code: 'new',
    number: settings.nextNumber,
    haulId: haul?.id ?? null,
    lineId: haul ? lineFor(haul, settings.lineId) : null,
    spot: haul?.defaults.spot ?? '',
    ownerId: haul?.defaults.ownerId ?? null,
    author: settings.author,
    createdAt: now,
    updatedAt: now,
    ...part,
  });
  const kind = part.kind ?? haul?.defaults.kind ?? '';
  const thing = { ...fresh, ...withKind(fresh, kind, kindsNow()) };
  setSettings({ nextNumber: settings.nextNumber + 1 });
  return { ...thing, code: codeNow(thing) };
}

/** Brings a new thing into the attic. @returns its id */
export function addThing(part: Partial<Thing> = {}): string {
  const record = newThing(part);
  change('new thing', [{ collection: 'things', id: record.id, record }]);
  return record.id;
}

/** The code a thing would get now, by the pattern and what is known of it. */
export function codeNow(thing: Thing): string {
  const { settings, hauls } = useAttic.getState();
  const kinds = kindsNow();
  return codeFor(settings.codePattern, {
    number: numberOf(thing) ?? settings.nextNumber,
    haul: thing.haulId ? hauls[thing.haulId]?.name : '',
    kind: kinds.get(thing.kind)?.name,
    describing: [thing.facts.brand, thing.facts.model].filter(Boolean).join(' '),
    cost: thing.cost,
    spot: thing.spot,
  });
}

/**
 * Gives a thing the code that its parts make now. Its running number stays, so that no code comes twice; where another
 * thing has the same code all the same, it gets a number of its own.
 */
export function giveNewCode(id: string): void {
  const { things, settings } = useAttic.getState();
  const thing = things[id];
  if (!thing) return;
  const known = sharesCode(things, thing) ? null : numberOf(thing);
  const number = known ?? settings.nextNumber;
  if (known === null) setSettings({ nextNumber: settings.nextNumber + 1 });
  editThing(id, 'code', { code: codeNow({ ...thing, number }), number });
}

/** Whether another thing has this one's code: so it may be when things were brought back from a copy. */
export function sharesCode(things: Readonly<Record<string, Thing>>, { id, code }: Thing): boolean {
  for (const other in things) if (other !== id && things[other]?.code === code) return true;
  return false;
}

/**
 * Another of the same: the facts, words and measurements, but no pictures, flaws, code, spot or condition of its
 * own. @returns its id
 */
export function anotherLike(id: string): string | null {
  const { things } = useAttic.getState();
  const like = things[id];
  if (!like) return null;
  return addThing({
    haulId: like.haulId, lineId: like.lineId, ownerId: like.ownerId, kind: like.kind, facts: withoutOwn(like.facts), measurements: like.measurements,
    title: like.title, description: '', cost: like.cost, price: like.price, weightG: like.weightG, spot: '',
  }); // prettier-ignore
}

/** Facts of the kind of thing, not of the one piece. */
function withoutOwn({ serial: _, ...facts }: Thing['facts']): Thing['facts'] {
  return facts;
}

/** Changes some values of a thing; the label says which, for undo. Null changes nothing. */
export function editThing(
  id: string,
  label: string,
  part: Partial<Thing> | ((thing: Thing) => Partial<Thing> | null),
): void {
  const thing = useAttic.getState().things[id];
  if (!thing) return;
  const values = typeof part === 'function' ? part(thing) : part;
  if (values) change(label, [thingWith(thing, values)]);
}

/** Says what kind it is; what the new kind does not ask for is set aside, what it does comes back. */
export function changeKind(id: string, kind: string): void {
  editThing(id, 'kind', (t) => withKind(t, kind, kindsNow()));
}

/** Stores the answer to a question; empty takes it away. What the question does not take is left as it was. */
export function setFact(id: string, spec: FactSpec, typed: string): void {
  editThing(id, spec.label.toLocaleLowerCase('en'), (t) => {
    const done = factsWith(t.facts, spec, typed);
    return done.ok ? { facts: done.facts } : null;
  });
}

/** Takes a thing out of the attic with its pictures and plans. Can be undone. */
export function removeThing(id: string): void {
  const { things, plans } = useAttic.getState();
  const thing = things[id];
  if (!thing) return;
  change(
    `${nameOf(thing)} removed`,
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

/** Own prices on several marketplaces in one change; the dearest stands as the shared one where there is none yet. */
export function priceEverywhere(thingId: string, prices: Readonly<Record<string, number>>): void {
  const { plans, things } = useAttic.getState();
  const thing = things[thingId];
  if (!thing || Object.keys(prices).length === 0) return;
  const shared = thing.price ?? Math.max(...Object.values(prices));
  change('prices', [
    thingWith(thing, { price: shared }),
    ...Object.entries(prices).map(([market, price]) => {
      const id = planId(thingId, market);
      const before = plans[id] ?? PlanSchema.parse({ id, thingId, market, wanted: false });
      return {
        collection: 'plans' as const,
        id,
        record: { ...before, price: price === shared ? null : price },
      };
    }),
  ]);
}

/** How a thing's price comes down from now on; one that comes down already goes on counting from its first day. */
export function comeDown(thingId: string, steps: MarkdownSteps | null): void {
  editThing(thingId, 'coming down', (t) => ({
    markdown: steps && { steps, from: t.markdown?.from ?? Date.now() },
  }));
}

/** A thing of which only the kind is known, lightly used; it is not in the attic. */
export function blankThing(kind: string): Thing {
  return ThingSchema.parse({
    id: 'blank', code: 'blank', author: '', createdAt: 0, updatedAt: 0, kind, use: 'light',
  }); // prettier-ignore
}
