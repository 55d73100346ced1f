import fc from 'fast-check';

import type { Lesson, NewLesson } from '@/contract/lesson';
import type { ReadLine } from '@/contract/picture';

import { suggestionsFrom, type Reader } from './labelText';
import { lessonOfCorrection, lessonOfLine, namesTaught, shapeOf, withLesson } from './lessons';
import { BUILT_IN } from '../kinds/tree';

const lines = (...texts: string[]): ReadLine[] =>
  texts.map((text, i) => ({ text, confidence: 92, box: [0.1, i / 10, 0.5, i === 0 ? 0.09 : 0.05] }));
const taughtBy = (...lessons: (NewLesson | null)[]): Lesson[] =>
  lessons.reduce<readonly Lesson[]>(
    (all, lesson, i) => (lesson ? withLesson(all, lesson, `l${i}`, i) : all),
    [],
  ) as Lesson[];
const readWith = (taught: readonly Lesson[], maker: string, ...texts: string[]) => {
  const reader: Reader = {
    measures: namesTaught(BUILT_IN.measures('jumper'), taught),
    units: 'metric',
    asked: BUILT_IN.facts('jumper').map(({ id }) => id),
    taught,
    maker,
  };
  return Object.fromEntries(suggestionsFrom(lines(...texts), reader).map((s) => [s.field, s]));
};

describe('what a correction teaches', () => {
  it('puts a brand right that is read wrongly, from then on', () => {
    const lesson = lessonOfCorrection('fact:brand', 'Kittiwoke Mllls', 'Kittiwake Mills');
    const texts = ['KITTIWOKE MLLLS', 'SIZE M', '100% WOOL'];
    expect(readWith([], '', ...texts)['fact:brand']?.value).toBe('Kittiwoke Mllls');
    expect(readWith(taughtBy(lesson), '', ...texts)['fact:brand']?.value).toBe('Kittiwake Mills');
  });

  it('is nothing where another line was meant, or where it is about one item alone', () => {
    expect(lessonOfCorrection('fact:brand', 'Dry Clean', 'Kittiwake Mills')).toBeNull();
    expect(lessonOfCorrection('fact:styleCode', '4471-B', '4471-8')).toBeNull();
    expect(lessonOfCorrection('fact:material', '80 % wool', '90 % wool')).toBeNull();
    expect(lessonOfCorrection('measure:chest', '540', '550')).toBeNull();
    // A colour may be called by quite another word.
    expect(lessonOfCorrection('fact:colour', 'Teal', 'Petrol')).toMatchObject({
      read: 'teal',
      said: 'Petrol',
    });
  });

  it('is what a measurement is called on one’s own board', () => {
    const taught = taughtBy(lessonOfLine('Brust 54', 'measure:chest', '540', ''));
    expect(readWith([], '', 'Brust 56')['measure:chest']).toBeUndefined();
    expect(readWith(taught, '', 'Brust 56')['measure:chest']?.value).toBe('560');
    // Once "length" is said to be the sleeve, it is no other.
    const other = taughtBy(lessonOfLine('Length 61', 'measure:sleeve', '610', ''));
    const said = readWith(other, '', 'Length 62');
    expect(said['measure:sleeve']?.value ?? said['measure:length']?.value).toBe('620');
  });

  it('is what a line of this shape is on one maker’s labels, asked once more before it is sure', () => {
    const lesson = lessonOfLine('44/46', 'fact:size', '44/46', 'Fern & Lantern');
    const once = readWith(taughtBy(lesson), 'Fern & Lantern', '48/50', '100% COTTON')['fact:size'];
    expect(once).toMatchObject({ value: '48/50', doubt: 'taught' });
    const twice = readWith(taughtBy(lesson, lesson), 'fern & lantern', '48/50', '100% COTTON')['fact:size'];
    expect(twice?.doubt).toBeUndefined();
    expect(readWith(taughtBy(lesson), 'Another Maker', '48/50')['fact:size']).toBeUndefined();
    // Two lines of that shape: which it is, nobody said.
    const two = readWith(taughtBy(lesson, lesson), 'Fern & Lantern', '48/50', '12/14')['fact:size'];
    expect(two?.doubt).toBe('taught');
  });

  it('is what a word stands for that nobody else would know', () => {
    const taught = taughtBy(lessonOfLine('LAMBSWORTH', 'fact:material', 'Lambswool', ''));
    expect(readWith(taught, '', 'LAMBSWORTH')['fact:material']?.value).toBe('Lambswool');
  });

  it('counts what is said again, and takes what is said otherwise', () => {
    const one = { type: 'name', name: 'brust', measure: 'chest' } as const;
    const other = { ...one, measure: 'waist' };
    expect(taughtBy(one, one).map((l) => l.times)).toEqual([2]);
    expect(taughtBy(one, one, other)).toMatchObject([{ measure: 'waist', times: 1 }]);
  });

  it('keeps no more than it may, whatever is taught', () => {
    const many = fc.array(fc.string({ minLength: 1, maxLength: 20 }), { maxLength: 400 });
    fc.assert(
      fc.property(many, (names) => {
        const all = taughtBy(...names.map((name) => ({ type: 'name', name, measure: 'chest' }) as const));
        expect(all.length).toBe(Math.min(300, new Set(names).size));
      }),
      { numRuns: 20 },
    );
  });
});

it.each([
  ['T 44/46', 'a 99/99'],
  ['xl', 'a'],
  ['COTTON 2', 'aaaa 9'],
])('“%s” has the shape “%s”', (text, shape) => expect(shapeOf(text)).toBe(shape));
