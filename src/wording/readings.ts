import type { Lesson } from '@/contract/lesson';
import type { Doubt, Reading } from '@/contract/picture';
import type { KindTree } from '@/core/kinds/tree';
import { readable } from '@/core/kinds/values';
import { formatLength, formatWeight, type Units } from '@/core/measure/units';

import { fieldName } from './kinds';

const WORDS: Readonly<Record<Doubt, string>> = {
  sum: 'Doubtful: as they were read, the shares don’t come to 100.',
  unusual: 'Doubtful: unusual for such a thing.',
  readOtherwise: 'Doubtful: a second look read it otherwise.',
  light: 'Perhaps: the light may have coloured it. Hold it against the thing.',
  outline: 'Doubtful: where the item ends and the floor begins was not clear.',
  illegible: 'Doubtful: not all of it was legible.',
  laid: 'Measured along a line that was laid by itself: does it lie right?',
  taught: 'As you said of another label of this maker: is it so here?',
  alike: 'Said of something else that looks like it: is it so of this one?',
  bareNumber: 'A number without a word: is it this one?',
};

/** Why a reading is doubtful, under its value. */
export const doubtWords = (doubt: Doubt): string => WORDS[doubt];

/** What was read, as a person says it: "54 cm", "54 ± 1 cm" where nobody laid a tape. */
export function readingWords(
  { field, value, laid = null }: Pick<Reading, 'field' | 'value'> & Partial<Pick<Reading, 'laid'>>,
  units: Units,
  kinds: KindTree,
): string {
  if (field.startsWith('measure:')) {
    const length = formatLength(Number(value), units);
    return laid ? `${length} ± ${formatLength(Math.max(1, laid.plusMinus), units)}` : length;
  }
  if (field === 'weight') return formatWeight(Number(value), units);
  return field === 'kind' ? (kinds.get(value)?.name ?? value) : readable(value);
}

const small = (words: string) => words.toLocaleLowerCase('en');

/** What a correction taught. */
export function lessonWords(lesson: Lesson, kinds: KindTree): string {
  switch (lesson.type) {
    case 'spelling':
      return `“${lesson.read}” is ${lesson.said}`;
    case 'layout':
      return `A line like “${lesson.shape.replace(/9/gu, '0')}” is the ${small(fieldName(lesson.field, '', kinds))}`;
    case 'name':
      return `“${lesson.name}” is ${small(fieldName(`measure:${lesson.measure}`, '', kinds))}`;
  }
}

/** Where it holds. */
export function lessonPlace(lesson: Lesson, kinds: KindTree): string {
  switch (lesson.type) {
    case 'spelling':
      return fieldName(lesson.field, '', kinds);
    case 'layout':
      return `on labels of ${lesson.brand}`;
    case 'name':
      return 'on your board';
  }
}
