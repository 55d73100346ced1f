import { nanoid } from 'nanoid';

import type { Lesson, NewLesson } from '@/contract/lesson';
import type { ReadLine } from '@/contract/picture';
import type { Item, Picture, Reading } from '@/contract/records';
import { readable } from '@/core/kinds/values';
import { lengthOn } from '@/core/reading/board';
import { lessonOfCorrection, lessonOfLine, valueOf, withLesson } from '@/core/reading/lessons';
import { openLines } from '@/core/reading/openLines';
import { planBulk, type BulkTrouble, type Target, type Ways } from '@/core/stock/bulk';
import { change, setSettings, useAttic } from '@/store/attic/attic';
import { itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

import {
  asStored,
  confirmReading,
  correctReading,
  droppedWith,
  flawFrom,
  isDropped,
  makerOf,
} from './readings';

/** Remembers what a correction teaches. */
function learn(lesson: NewLesson | null): void {
  if (!lesson) return;
  const { lessons } = useAttic.getState().settings;
  setSettings({ lessons: [...withLesson(lessons, lesson, nanoid(10), Date.now())] });
}

/** What was learned is as if it had never been said; what items say stays. */
export function forget(lesson: Lesson): void {
  const { lessons } = useAttic.getState().settings;
  setSettings({ lessons: lessons.filter((l) => l.id !== lesson.id) });
}

/** A person says that a reading is right; what follows from a lesson is so once more. */
export function sayRight(item: Item, reading: Reading): void {
  if (reading.doubt === 'taught')
    learn(lessonOfLine(reading.words, reading.field, reading.value, makerOf(item)));
  confirmReading(item, reading);
}

/**
 * A person typed another value in a reading's place.
 *
 * @returns why it can't be that; then nothing is changed
 */
export function sayOtherwise(drawn: Item, reading: Reading, typed: string, ways: Ways): BulkTrouble | null {
  const item = asStored(drawn);
  const { field, value, pictureId } = reading;
  if (typed.trim() === '') return null;
  if (field === 'flaw') {
    const flaw = flawFrom(typed.trim().slice(0, MOST_TYPED), pictureId);
    correctReading(item, reading, { flaws: [...item.flaws, flaw] });
    return null;
  }
  const id = field.slice(field.indexOf(':') + 1);
  const isFact = field.startsWith('fact:');
  if (isFact && !ways.kinds.get(item.kind)) {
    // Before its kind is known no question says what it takes.
    learn(lessonOfCorrection(field, value, typed));
    correctReading(item, reading, { facts: { ...item.facts, [id]: typed.trim().slice(0, MOST_TYPED) } });
    return null;
  }
  const plan = planBulk([item], targetOf(field), { type: 'set', value: typed }, ways);
  const [refused] = plan.refused;
  if (refused) return refused.why;
  const part = plan.changes[0]?.part ?? {};
  if (isFact) learn(lessonOfCorrection(field, value, readable(part.facts?.[id] ?? typed)));
  correctReading(item, reading, part);
  return null;
}

/** Characters of a fact or a flaw. */
const MOST_TYPED = 300;

/** What a reading is of, as a question of the record. */
export function targetOf(field: string): Target {
  // Readings are of what questions are about, but for flaws and kinds of line.
  return field as Target;
}

/** What no field is known for, of a line that a person says is nothing. */
const LINE = 'line';

/** A legible line of one of an item's pictures that nothing was made of. */
export interface OpenLine {
  picture: Picture;
  line: ReadLine;
}

/** Lines of an item's pictures that were legible and not understood, and that nobody said are nothing. */
export function openLinesOf(item: Item, pictures: readonly Picture[]): OpenLine[] {
  const known = [...Object.values(item.facts).map(readable), ...item.readings.map((r) => r.words)];
  return pictures.flatMap((picture) => {
    if (!picture.read) return [];
    const here = [...item.readings, ...Object.values(item.readFrom)].filter(
      (r) => r.pictureId === picture.id,
    );
    const boxes = here.map((r) => r.box);
    return openLines(picture.read, boxes, [...known, ...here.map((r) => r.words)])
      .filter((line) => !isDropped(item, { field: LINE, value: line.text }))
      .map((line) => ({ picture, line }));
  });
}

/**
 * A person says what a line is that was not understood: it is so of this item, and of the next that has it.
 *
 * @returns false where its words can't be that: then nothing is changed
 */
export function sayWhatLineIs(item: Item, { picture, line }: OpenLine, field: string): boolean {
  const { units } = useAttic.getState().settings;
  const spec = kindsNow()
    .measures(item.kind)
    .find((m) => field === `measure:${m.id}`);
  const mm = spec ? lengthOn(line.text, spec, units) : null;
  if (spec && mm === null) return false;
  const value =
    mm !== null
      ? String(mm)
      : field === 'flaw'
        ? line.text.toLocaleLowerCase('en')
        : valueOf(line.text, field);
  learn(lessonOfLine(line.text, field, value, makerOf(item)));
  confirmReading(item, {
    id: nanoid(10),
    field,
    value,
    from: 'picture',
    words: line.text,
    pictureId: picture.id,
    box: line.box,
    confidence: line.confidence,
    doubt: null,
    laid: null,
  });
  return true;
}

/** A person says that a line is of no use: it is not asked about again. */
export function lineIsNothing(item: Item, { line }: OpenLine): void {
  change('line of no use', [
    itemWith(item, { dropped: droppedWith(asStored(item), { field: LINE, value: line.text }) }),
  ]);
}
