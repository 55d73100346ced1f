import fc from 'fast-check';

import { Reading } from '@/contract/picture';

import { isPlain, proposalsOf, settledWith } from './proposals';
import { anItem } from '../../../e2e/anItem';

const reading = (field: string, value: string, part: Partial<Reading> = {}): Reading =>
  Reading.parse({
    id: `${field}${value}`.replace(/[^a-z0-9]/giu, ''),
    field,
    value,
    words: value,
    pictureId: 'p1',
    box: [0, 0, 1, 1],
    confidence: 90,
    ...part,
  });
const laid = (measure: string, mm: number, pictureId = 'p2') =>
  reading(`measure:${measure}`, String(mm), {
    pictureId,
    doubt: 'laid',
    laid: { a: { x: 0, y: 0 }, b: { x: 1, y: 1 }, plusMinus: 6 },
  });
const fieldsOf = (readings: readonly Reading[]) => readings.map((r) => r.field);

describe('what waits to be confirmed', () => {
  it('is sure where nothing speaks against it, and asked where something does', () => {
    const readings = [
      reading('fact:size', 'M'),
      reading('fact:colour', 'Navy', { doubt: 'light' }),
      reading('weight', '740'),
      reading('weight', '470'),
    ];
    const { sure, asked } = proposalsOf(anItem({ readings }));
    expect(fieldsOf(sure)).toEqual(['fact:size']);
    expect(asked.map((a) => [a.field, a.readings.length])).toEqual([
      ['fact:colour', 1],
      ['weight', 2],
    ]);
    // What the item says already is never replaced unasked.
    const known = proposalsOf(anItem({ readings, facts: { size: 'L' } }));
    expect(known.sure).toEqual([]);
  });

  it('needs one look for all lines in a picture, and none for one that a written figure bears out', () => {
    const readings = [
      laid('length', 685),
      laid('sleeve', 600),
      laid('chest', 548),
      reading('measure:chest', '540'),
    ];
    const { sure, laid: lines, asked } = proposalsOf(anItem({ kind: 'jumper', readings }));
    expect(fieldsOf(sure)).toEqual(['measure:chest']);
    expect(lines.map((l) => fieldsOf(l.readings))).toEqual([['measure:length', 'measure:sleeve']]);
    expect(asked).toEqual([]);
    // One that says otherwise is asked about.
    const other = anItem({ readings: [laid('chest', 600), reading('measure:chest', '540')] });
    expect(proposalsOf(other).asked.map((a) => a.readings.length)).toEqual([2]);
  });

  it('takes part of a maker’s name for the whole of it', () => {
    const readings = [reading('fact:brand', 'Kittiwake Mills'), reading('fact:brand', 'Kittiwake')];
    const { sure, asked } = proposalsOf(anItem({ readings }));
    expect([sure.map((r) => r.value), asked]).toEqual([['Kittiwake Mills'], []]);
    const apart = [reading('fact:brand', 'Kittiwake Mills'), reading('fact:brand', 'Mill')];
    expect(proposalsOf(anItem({ readings: apart })).asked).toHaveLength(1);
  });

  const some = fc.array(
    fc.oneof(
      fc.constantFrom('fact:brand', 'fact:size', 'flaw', 'weight').chain((field) =>
        fc
          .record({
            value: fc.constantFrom('M', 'L', '540', 'Kittiwake', 'Kittiwake Mills'),
            no: fc.nat(999),
          })
          .map(({ value, no }) => reading(field, value, { id: `r${no}` })),
      ),
      fc.record({ mm: fc.integer({ min: 500, max: 560 }), no: fc.nat(999) }).map(({ mm, no }) => ({
        ...laid('chest', mm),
        id: `l${no}`,
      })),
    ),
    { maxLength: 12 },
  );

  it('asks nothing twice, loses nothing that differs, and what is sure is plain', () => {
    fc.assert(
      fc.property(some, (all) => {
        const readings = all.filter((r, i) => all.findIndex((o) => o.id === r.id) === i);
        const item = anItem({ readings });
        const { sure, laid: lines, asked } = proposalsOf(item);
        const shown = [...sure, ...lines.flatMap((l) => l.readings), ...asked.flatMap((a) => a.readings)];
        expect(new Set(shown.map((r) => r.id)).size).toBe(shown.length);
        expect(sure.every((r) => isPlain(item, r))).toBe(true);
        // Every field that something was read of is shown or asked.
        expect(new Set(fieldsOf(shown))).toEqual(new Set(fieldsOf(readings)));
        // Confirming all that is shown settles all that was read.
        expect(settledWith(readings, shown)).toHaveLength(readings.length);
      }),
    );
  });
});
