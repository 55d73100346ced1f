import { Exam } from '@/contract/picture';

import { outlinesOf } from './outlines';
import { EXAM } from '../../testing/exam';

const SQUARE = { width: 1_000, height: 1_000 };
/** A thing in the middle of a square picture: how much of its box it fills, and its bands. */
function seen(part: {
  box?: Exam['box'];
  full: number;
  rows: number[];
  columns: number[];
  pieces?: number[];
}) {
  const { box = [0.2, 0.2, 0.6, 0.6], full, rows, columns, pieces = [1, 1, 1, 1, 1, 1, 1, 1] } = part;
  return Exam.parse({
    ...EXAM,
    box,
    area: box[2] * box[3] * full,
    outline: { rows, columns, rowPieces: pieces, columnPieces: pieces },
  });
}
const EVEN = [1, 1, 1, 1, 1, 1, 1, 1];
// What share of eight bands a shape fills follows from its geometry: a circle's half chord is √(1 − y²).
const CIRCLE = [-7, -5, -3, -1, 1, 3, 5, 7].map((eighth) => Math.sqrt(1 - (eighth / 8) ** 2));

describe('what an outline looks like', () => {
  it('is a disc where it is round all over, four straight sides where it fills its box', () => {
    expect(outlinesOf(seen({ full: Math.PI / 4, rows: CIRCLE, columns: CIRCLE }), SQUARE)).toContain('disc');
    expect(outlinesOf(seen({ full: 1, rows: EVEN, columns: EVEN }), SQUARE)).toEqual(['block']);
    // The same bands in a picture twice as wide are no circle.
    const oval = seen({ full: Math.PI / 4, rows: CIRCLE, columns: CIRCLE });
    expect(outlinesOf(oval, { width: 2_000, height: 1_000 })).not.toContain('disc');
  });
  it('has legs where two pieces stand beside each other further down', () => {
    const trousers = seen({
      box: [0.3, 0.1, 0.4, 0.8],
      full: 0.75,
      rows: [0.9, 0.9, 0.95, 0.8, 0.7, 0.65, 0.6, 0.6],
      columns: [0.6, 0.9, 0.9, 0.5, 0.5, 0.9, 0.9, 0.6],
      pieces: [1, 1, 1, 2, 2, 2, 2, 2],
    });
    expect(outlinesOf(trousers, SQUARE)).toContain('legs');
  });
  it('is nothing in particular where it is cut off or not relied on', () => {
    const disc = seen({ full: Math.PI / 4, rows: CIRCLE, columns: CIRCLE });
    expect(outlinesOf({ ...disc, cutOff: ['top'] }, SQUARE)).toEqual([]);
    expect(outlinesOf({ ...disc, outlined: false }, SQUARE)).toEqual([]);
    expect(outlinesOf({ ...disc, box: [0, 0, 0, 0] }, SQUARE)).toEqual([]);
  });
});
