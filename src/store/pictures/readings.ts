import { nanoid } from 'nanoid';

import type { Flaw, Item, Reading } from '@/contract/records';
import type { Told } from '@/core/catalogue/record';
import { withKind } from '@/core/kinds/changeKind';
import { isNoNews, isPlain, knownValue, settledWith } from '@/core/reading/proposals';
import { change, useAttic } from '@/store/attic/attic';
import { listeners } from '@/store/base/listeners';
import { itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

/** A reading before it has an id: what may be so, and the words it rests on. */
export type Found = Omit<Reading, 'id' | 'pictureId' | 'from' | 'doubt' | 'laid'> &
  Partial<Pick<Reading, 'from' | 'doubt' | 'laid'>>;

/** What was said outside of an item, by words that need not fit, as readings: of no place in a picture. */
export function saidOutside(
  told: readonly Told[],
  about: Pick<Found, 'confidence' | 'from' | 'doubt'>,
): Found[] {
  return told.map(({ field, value, words }) => ({
    field,
    value: value.slice(0, 400),
    words: words.slice(0, 400),
    box: [0, 0, 1, 1],
    ...about,
  }));
}

const barcodesRead = listeners<[itemId: string, barcode: string]>();

/** Who is told that a barcode was read. @returns no longer */
export const onBarcodeRead = barcodesRead.listen;

/**
 * Puts readings beside what is known. What the item says already, or was read before, is left out.
 *
 * @returns how many are new
 */
export function addReadings(itemId: string, pictureId: string | null, found: readonly Found[]): number {
  const item = useAttic.getState().items[itemId];
  if (!item) return 0;
  const fresh = freshReadings(item, pictureId, found);
  if (fresh.length === 0) return 0;
  change('read by a machine', [itemWith(item, { readings: [...item.readings, ...fresh] })], {
    ownUndo: true,
  });
  tellBarcodes(item, fresh);
  return fresh.length;
}

/**
 * Those of `found` that the item does not say already, that were not read before, and that no person said
 * are not so, with ids of their own.
 */
export function freshReadings(item: Item, pictureId: string | null, found: readonly Found[]): Reading[] {
  return found
    .filter(
      (f) =>
        isNews(f, knownValue(item, f.field)) &&
        !item.readings.some((r) => r.field === f.field && r.value === f.value) &&
        !isDropped(item, f),
    )
    .map((f) => ({ from: 'picture', doubt: null, laid: null, ...f, id: nanoid(10), pictureId }));
}

function isNews({ field, value, laid = null }: Found, known: string | undefined): boolean {
  return known === undefined || !isNoNews({ field, value, laid }, known);
}

/** How what was dropped is known again, whichever picture it is read in. */
function droppedKey({ field, value }: Pick<Reading, 'field' | 'value'>): string {
  return `${field}=${value.toLocaleLowerCase('en')}`.slice(0, 500);
}

/**
 * An item's readings once one of its pictures was looked at, again or for the first time: what the picture
 * does not say any more goes, what it says as before keeps its place, what is new is added.
 */
export function readingsWith(item: Item, pictureId: string, found: readonly Found[]): Reading[] {
  const isSaid = (r: Reading) => found.some((f) => f.field === r.field && f.value === r.value);
  const kept = item.readings.filter((r) => r.pictureId !== pictureId || r.from !== 'picture' || isSaid(r));
  return [...kept, ...freshReadings({ ...item, readings: kept }, pictureId, found)];
}

/** Tells whoever listens of barcodes among readings that an item did not have before. */
export function tellBarcodes(before: Item, readings: readonly Reading[]): void {
  for (const r of readings)
    if (
      r.field === 'fact:barcode' &&
      !before.readings.some((b) => b.value === r.value && b.field === r.field)
    )
      barcodesRead.tell(before.id, r.value);
}

/** Whose an item is, as far as it is known or read. */
export function makerOf(item: Item): string {
  return item.facts.brand ?? item.readings.find((r) => r.field === 'fact:brand')?.value ?? '';
}

/**
 * The item as it is stored now. What a person presses was drawn a moment ago: what was read since must
 * neither be lost nor be taken along unseen.
 */
export function asStored(item: Item): Item {
  return useAttic.getState().items[item.id] ?? item;
}

/** A person says that a reading is right: it becomes the item's own. */
export function confirmReading(item: Item, reading: Reading): void {
  change('reading confirmed', [itemWith(item, confirmed(asStored(item), [reading]))]);
}

/**
 * All at once, but for what would take the place of something that is known, and for what is doubtful: these
 * are asked one by one.
 */
export function confirmAll(item: Item): void {
  change('readings confirmed', [itemWith(item, shownConfirmed(item))]);
}

/** What was plain when it was drawn, as far as it is so still. */
function shownConfirmed(shown: Item): Partial<Item> {
  const now = asStored(shown);
  const seen = new Set(shown.readings.filter((r) => isPlain(shown, r)).map((r) => r.id));
  return confirmed(
    now,
    now.readings.filter((r) => seen.has(r.id) && isPlain(now, r)),
  );
}

/** What an item becomes when all that was read of it, and is not known otherwise, is right. */
export function allConfirmed(item: Item): Partial<Item> {
  const fresh = item.readings.filter((r) => isPlain(item, r));
  return confirmed(item, fresh);
}

/** The same of several items, with one undo. */
export function confirmAllOf(items: readonly Item[]): void {
  change(
    'readings confirmed',
    items.map((item) => itemWith(item, shownConfirmed(item))),
  );
}

/** Several that a person looked at together. */
export function confirmThese(item: Item, readings: readonly Reading[]): void {
  change('readings confirmed', [itemWith(item, confirmed(asStored(item), readings))]);
}

/** Of flaws there may be several; of all else there is one. */
function rest(item: Item, settled: readonly Reading[]): Reading[] {
  const gone = settledWith(item.readings, settled);
  return item.readings.filter((r) => !gone.includes(r));
}

function confirmed(item: Item, readings: readonly Reading[]): Partial<Item> {
  return { ...valuesWith(item, readings), readings: rest(item, readings) };
}

function valuesWith(item: Item, readings: readonly Reading[]): Partial<Item> {
  const kind = readings.find((r) => r.field === 'kind')?.value;
  const title = readings.find((r) => r.field === 'title')?.value ?? item.title;
  // First what it is: then the answers have their questions.
  const known: Item = kind === undefined ? item : { ...item, ...withKind(item, kind, kindsNow()) };
  const facts = { ...known.facts };
  const measurements = { ...known.measurements };
  const measuredBy = { ...known.measuredBy };
  const uncertainty = { ...known.uncertainty };
  const flaws = [...known.flaws];
  let { weightG } = known;
  const readFrom = { ...item.readFrom };
  for (const { field, value, words, pictureId, box, laid } of readings) {
    const [what, id] = split(field);
    if (field === 'weight') weightG = Number(value);
    else if (field === 'flaw') flaws.push(flawFrom(value, pictureId));
    else if (what === 'fact') facts[id] = value;
    else if (what === 'measure') {
      measurements[id] = Number(value);
      measuredBy[id] = laid ? 'picture' : 'label';
      if (laid) uncertainty[id] = Math.max(1, Math.round(laid.plusMinus));
      else delete uncertainty[id];
    }
    const [flaw] = field === 'flaw' ? flaws.slice(-1) : [];
    readFrom[flaw ? `flaw:${flaw.id}` : field] = { value, words, pictureId, box };
  }
  const { parked: aside } = known;
  const said = { facts, measurements, measuredBy, uncertainty, title, flaws, weightG };
  return { kind: known.kind, parked: aside, readFrom, ...said };
}

/** "small hole at the cuff" as what and where; how bad it is the person says. */
export function flawFrom(words: string, pictureId: string | null): Flaw {
  const [, what, where] = /^(.+?)\s+(?:at|on|in|under|near|by)\s+(?:the\s+)?(.+)$/u.exec(words) ?? [];
  return {
    id: nanoid(10),
    type: what ?? words,
    place: where ?? '',
    severity: 'slight',
    sizeMm: null,
    pictureId,
    pin: null,
  };
}

/** So many are remembered of an item. */
const MOST_DROPPED = 200;

export function dropReading(item: Item, reading: Reading): void {
  dropThese(item, [reading]);
}

/** None of these is so. */
export function dropThese(item: Item, readings: readonly Reading[]): void {
  const now = asStored(item);
  const dropped = readings.reduce((all, r) => droppedWith({ ...now, dropped: all }, r), now.dropped);
  const left = now.readings.filter((r) => !readings.some((d) => d.id === r.id));
  change('reading dropped', [itemWith(item, { readings: left, dropped })]);
}

/** A person typed another value in a reading's place: the item with that, and without the reading. */
export function correctReading(item: Item, reading: Reading, part: Partial<Item>): void {
  const now = asStored(item);
  const dropped = droppedWith(now, reading);
  const { [reading.field]: _, ...readFrom } = now.readFrom;
  const readings = rest(now, [reading]);
  change('reading put right', [itemWith(item, { readFrom, ...part, readings, dropped })]);
}

/** What a person said is not so, with one more. */
export function droppedWith(item: Item, what: Pick<Reading, 'field' | 'value'>): string[] {
  return [...item.dropped, droppedKey(what)].slice(-MOST_DROPPED);
}

export function isDropped(item: Item, what: Pick<Reading, 'field' | 'value'>): boolean {
  return item.dropped.includes(droppedKey(what));
}

function split(field: string): [what: string, id: string] {
  const at = field.indexOf(':');
  return [field.slice(0, at), field.slice(at + 1)];
}
