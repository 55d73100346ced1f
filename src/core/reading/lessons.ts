import { distance } from 'fastest-levenshtein';

import { MOST_LESSONS, type Lesson, type NewLesson } from '@/contract/lesson';
import type { ReadLine } from '@/contract/picture';

import { boardName } from './board';
import { nearest, titled, type Suggestion } from './lines';
import type { MeasureSpec } from '../kinds/spec';

/** Facts that are each item's own: what was wrong in one of them says nothing of the next. */
const OWN = new Set(['fact:barcode', 'fact:styleCode', 'fact:serial', 'fact:model']);
/** Facts that a person may call by quite another word than the label. */
const FREE = new Set(['fact:colour', 'fact:country']);
/** Two words are one, wrongly read, where no more of their letters differ than this share. */
const ALIKE = 0.4;
/** Said so often, it is no longer asked. */
const SURE_FROM = 2;
/** A line without a figure is told by its shape only where it is as short as this, letters. */
const SHORT = 3;

const plain = (text: string) => text.toLocaleLowerCase('en').replace(/\s+/gu, ' ').trim();

/**
 * What follows from a person putting a reading right.
 *
 * @param read the value as it was read
 * @param said the value as the person has it
 * @returns null where it was about this one item alone
 */
export function lessonOfCorrection(field: string, read: string, said: string): NewLesson | null {
  const [was, is] = [plain(read), plain(said)];
  if (!field.startsWith('fact:') || OWN.has(field) || was === is || was.length < 3 || is === '') return null;
  if (/\d/u.test(was + is) || was.length > 120) return null;
  const isSlip = distance(was, is) <= ALIKE * Math.max(was.length, is.length);
  return isSlip || FREE.has(field) ? { type: 'spelling', field, read: was, said: said.trim() } : null;
}

/**
 * What follows from a person saying what a line is that nobody understood: the name of a measurement, words
 * that stand for something, or what a line of this shape is on this maker's labels.
 *
 * @param text the line as it was read
 * @param brand of the item; empty where it is not known
 * @returns null where the line has nothing by which another could be known
 */
export function lessonOfLine(text: string, field: string, said: string, brand: string): NewLesson | null {
  if (field.startsWith('measure:')) {
    const name = boardName(text);
    return name === '' ? null : { type: 'name', name: name.slice(0, 60), measure: field.slice(8) };
  }
  if (!field.startsWith('fact:') || OWN.has(field)) return null;
  const words = plain(text);
  if (/\d/u.test(words) || words.length <= SHORT)
    return brand === '' || words === ''
      ? null
      : { type: 'layout', brand: plain(brand).slice(0, 120), shape: shapeOf(text), field };
  return words.length > 120 ? null : { type: 'spelling', field, read: words, said: said.trim() };
}

/** "T 44/46" as "a 99/99": lines of labels of one sort have the same. */
export function shapeOf(text: string): string {
  return plain(text)
    .replace(/\p{L}+/gu, (word) => (word.length > SHORT ? 'aaaa' : 'a'))
    .replace(/\d/gu, '9')
    .slice(0, 40);
}

/** The lessons with one more: the same once more counts, another answer takes its place. */
export function withLesson(
  lessons: readonly Lesson[],
  lesson: NewLesson,
  id: string,
  at: number,
): readonly Lesson[] {
  const before = lessons.find((l) => keyOf(l) === keyOf(lesson));
  const isSame = before !== undefined && answerOf(before) === answerOf(lesson);
  const now: Lesson = { ...lesson, id, at, times: isSame ? before.times + 1 : 1 };
  return [now, ...lessons.filter((l) => l !== before)].slice(0, MOST_LESSONS);
}

/** What a lesson is known by. */
function keyOf(lesson: NewLesson): string {
  switch (lesson.type) {
    case 'spelling':
      return `spelling ${lesson.field} ${lesson.read}`;
    case 'layout':
      return `layout ${lesson.shape} ${lesson.brand}`;
    case 'name':
      return `name ${lesson.name}`;
  }
}

function answerOf(lesson: NewLesson): string {
  return lesson.type === 'spelling' ? lesson.said : lesson.type === 'layout' ? lesson.field : lesson.measure;
}

/** The measurements with what the person calls them. */
export function namesTaught(
  measures: readonly MeasureSpec[],
  lessons: readonly Lesson[],
): readonly MeasureSpec[] {
  const names = lessons.flatMap((l) => (l.type === 'name' ? l : []));
  if (names.length === 0) return measures;
  return measures.map((m) => {
    const own = names.filter((l) => l.measure === m.id).map((l) => l.name);
    // Another's, where the person calls it so, is no name of this one.
    const others = names.filter((l) => l.measure !== m.id).map((l) => l.name);
    const usual = (m.alsoCalled ?? []).filter((name) => !others.includes(boardName(name)));
    return own.length + others.length === 0 ? m : { ...m, alsoCalled: [...own, ...usual] };
  });
}

/**
 * What was read, with what the person taught: words put right, and lines understood that were not.
 *
 * @param lines all that was read, the sure and the unsure
 * @param maker whose the item is, where that is known already
 */
export function asTaught(
  found: readonly Suggestion[],
  lines: readonly ReadLine[],
  lessons: readonly Lesson[],
  maker = '',
): Suggestion[] {
  if (lessons.length === 0) return [...found];
  let all = found.map((one) => spelt(one, lessons));
  const isFree = (line: ReadLine, field: string) =>
    !all.some((s) => s.field === field || (s.words === line.text.trim() && s.doubt !== 'bareNumber'));
  for (const line of lines) {
    const lesson = lessons.find(
      (l) =>
        l.type === 'spelling' && isFree(line, l.field) && nearest(plain(line.text), [l.read], 6) !== null,
    );
    if (lesson?.type === 'spelling') all.push({ ...base(line), field: lesson.field, value: lesson.said });
  }
  const brand = plain(all.find((s) => s.field === 'fact:brand')?.value ?? maker);
  for (const lesson of lessons) {
    if (lesson.type !== 'layout' || lesson.brand !== brand) continue;
    const alike = lines.filter((line) => isFree(line, lesson.field) && shapeOf(line.text) === lesson.shape);
    const [line] = alike;
    if (!line) continue;
    // What was no more than a guess at bare numbers is known better now.
    all = all.filter((s) => s.doubt !== 'bareNumber');
    const isSure = lesson.times >= SURE_FROM && alike.length === 1;
    const doubt = isSure ? {} : { doubt: 'taught' as const };
    all.push({ ...base(line), field: lesson.field, value: valueOf(line.text, lesson.field), ...doubt });
  }
  return all;
}

function spelt(one: Suggestion, lessons: readonly Lesson[]): Suggestion {
  const said = lessons.find(
    (l) => l.type === 'spelling' && l.field === one.field && l.read === plain(one.value),
  );
  return said?.type === 'spelling' ? { ...one, value: said.said } : one;
}

/** What a line says of a fact: sizes and codes as they are written, names with capitals. */
export function valueOf(text: string, field: string): string {
  const words = text.trim().replace(/\s+/gu, ' ');
  return field === 'fact:size' || /\d/u.test(words) ? words.toLocaleUpperCase('en') : titled(words);
}

function base(line: ReadLine): Pick<Suggestion, 'words' | 'box' | 'confidence' | 'weakest'> {
  const { box, confidence, weakest } = line;
  return { words: line.text.trim(), box, confidence, ...(weakest === undefined ? {} : { weakest }) };
}
