import { nanoid } from 'nanoid';

import type { Reading, Thing } from '@/contract/records';
import { withKind } from '@/core/kinds/changeKind';

import { change, useAttic } from './attic';
import { kindsNow } from './kinds';
import { thingWith } from './things';

/** A reading before it has an id: what may be so, and the words it rests on. */
export type Found = Omit<Reading, 'id' | 'pictureId' | 'from'> & Partial<Pick<Reading, 'from'>>;

type Listener = (thingId: string, barcode: string) => void;
let barcodeListener: Listener = () => undefined;

/** Who is told that a barcode was read. */
export function onBarcodeRead(listener: Listener): () => void {
  barcodeListener = listener;
  return () => (barcodeListener = () => undefined);
}

/**
 * Puts readings beside what is known. What the thing says already, or was read before, is left out.
 *
 * @returns how many are new
 */
export function addReadings(thingId: string, pictureId: string | null, found: readonly Found[]): number {
  const thing = useAttic.getState().things[thingId];
  if (!thing) return 0;
  const fresh = freshReadings(thing, pictureId, found);
  if (fresh.length === 0) return 0;
  change('read by a machine', [thingWith(thing, { readings: [...thing.readings, ...fresh] })], {
    ownUndo: true,
  });
  for (const { field, value } of fresh) if (field === 'fact:barcode') barcodeListener(thingId, value);
  return fresh.length;
}

/** Those of `found` that the thing does not say already, and that were not read before, with ids of their own. */
export function freshReadings(thing: Thing, pictureId: string | null, found: readonly Found[]): Reading[] {
  return found
    .filter(
      (f) =>
        knownValue(thing, f.field)?.toLocaleLowerCase('en') !== f.value.toLocaleLowerCase('en') &&
        !thing.readings.some((r) => r.field === f.field && r.value === f.value),
    )
    .map((f) => ({ from: 'picture', ...f, id: nanoid(10), pictureId }));
}

/** What the thing says itself where a reading would stand. */
export function knownValue(thing: Thing, field: string): string | undefined {
  if (field === 'kind' || field === 'title') return thing[field] || undefined;
  const [what, id] = split(field);
  if (what === 'fact') return thing.facts[id];
  const mm = thing.measurements[id];
  return mm === undefined ? undefined : String(mm);
}

/** A person says that a reading is right: it becomes the thing's own. */
export function confirmReading(thing: Thing, reading: Reading): void {
  const readings = thing.readings.filter((r) => r.field !== reading.field);
  change('reading confirmed', [thingWith(thing, { ...valuesWith(thing, [reading]), readings })]);
}

/** All at once, but for what would take the place of something that is known: that is asked one by one. */
export function confirmAll(thing: Thing): void {
  change('readings confirmed', [thingWith(thing, allConfirmed(thing))]);
}

/** What a thing becomes when all that was read of it, and is not known otherwise, is right. */
export function allConfirmed(thing: Thing): Partial<Thing> {
  const fresh = thing.readings.filter((r) => knownValue(thing, r.field) === undefined);
  return { ...valuesWith(thing, fresh), readings: thing.readings.filter((r) => !fresh.includes(r)) };
}

function valuesWith(thing: Thing, readings: readonly Reading[]): Partial<Thing> {
  const kind = readings.find((r) => r.field === 'kind')?.value;
  const title = readings.find((r) => r.field === 'title')?.value ?? thing.title;
  // First what it is: then the answers have their questions.
  const known: Thing = kind === undefined ? thing : { ...thing, ...withKind(thing, kind, kindsNow()) };
  const facts = { ...known.facts };
  const measurements = { ...known.measurements };
  const measuredBy = { ...known.measuredBy };
  for (const { field, value } of readings) {
    const [what, id] = split(field);
    if (what === 'fact') facts[id] = value;
    else if (what === 'measure') {
      measurements[id] = Number(value);
      measuredBy[id] = 'label';
    }
  }
  const { aside } = known;
  return { kind: known.kind, aside, facts, measurements, measuredBy, title };
}

export function dropReading(thing: Thing, reading: Reading): void {
  change('reading dropped', [
    thingWith(thing, { readings: thing.readings.filter((r) => r.id !== reading.id) }),
  ]);
}

function split(field: string): [what: string, id: string] {
  const at = field.indexOf(':');
  return [field.slice(0, at), field.slice(at + 1)];
}
