import fc from 'fast-check';

import type { EditStep } from '@/contract/picture';

import { done, doneAgain, takenBack } from './history';
import {
  inverse,
  isPlain,
  lookOf,
  squareAround,
  workAreaOf,
  straightening,
  through,
  toOriginal,
  USUAL_FILL,
} from './look';

const turn = (quarters: 1 | 2 | 3): EditStep => ({ type: 'turn', quarters });
const size = fc.integer({ min: 40, max: 4_000 });
const quarters = fc.constantFrom<1 | 2 | 3>(1, 2, 3);

describe('cleaning up', () => {
  it('comes back to the start after four quarters, crop and all', () => {
    const crop: EditStep = { type: 'crop', to: { x: 0.1, y: 0.2, w: 0.5, h: 0.4 } };
    const look = lookOf([crop, turn(1), turn(2), turn(1)]);
    expect(look.quarters).toBe(0);
    expect(look.crop).toMatchObject({ w: 0.5, h: 0.4 });
    expect(look.crop?.x).toBeCloseTo(0.1);
    expect(look.crop?.y).toBeCloseTo(0.2);
  });
  it('cuts the same part out, however the picture is turned afterwards', () => {
    fc.assert(
      fc.property(size, size, quarters, (w, h, q) => {
        const crop: EditStep = { type: 'crop', to: { x: 0.1, y: 0.3, w: 0.6, h: 0.5 } };
        const middle = toOriginal(lookOf([crop]), w, h, { x: 0.5, y: 0.5 });
        const turned = toOriginal(lookOf([crop, turn(q)]), w, h, { x: 0.5, y: 0.5 });
        // The result is whole pixels, so its middle is true to about one.
        expect(Math.abs(turned.x - middle.x) * w).toBeLessThan(1.01);
        expect(Math.abs(turned.y - middle.y) * h).toBeLessThan(1.01);
      }),
    );
  });
  it('finds the way back from every place of the result', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        size,
        size,
        quarters,
        fc.double({ min: -20, max: 20, noNaN: true }),
        share,
        share,
        (w, h, q, degrees, x, y) => {
          const { map } = workAreaOf(lookOf([turn(q), { type: 'straighten', degrees }]), w, h, 2_000);
          const there = through(map, { x: x * w, y: y * h });
          const back = through(inverse(map), there);
          expect(Math.hypot(back.x - x * w, back.y - y * h)).toBeLessThan(1e-6 * Math.max(w, h));
        },
      ),
    );
  });
  it('never enlarges', () =>
    expect(workAreaOf(lookOf([]), 300, 200, 2_000)).toMatchObject({ width: 300, height: 200 }));
  it('says when nothing is left of it', () => {
    expect(isPlain(lookOf([]))).toBe(true);
    expect(isPlain(lookOf([turn(1), turn(3)]))).toBe(true);
    expect(
      isPlain(
        lookOf([
          { type: 'white', shadow: 'kept' },
          { type: 'white', shadow: null },
        ]),
      ),
    ).toBe(true);
    expect(isPlain(lookOf([{ type: 'light', gains: [1.1, 1, 1] }]))).toBe(false);
  });
});

describe('the square around an item', () => {
  it('is square, holds the item in its middle, and is filled to four fifths', () => {
    const share = fc.double({ min: 0.02, max: 0.45, noNaN: true });
    fc.assert(
      fc.property(size, size, share, share, (w, h, x, y) => {
        const outline = [
          { x, y },
          { x: 1 - y, y: 1 - x },
        ];
        const crop = squareAround(outline, lookOf([]), w, h);
        if (!crop) throw new Error('none');
        expect(crop.w * w).toBeCloseTo(crop.h * h, 5);
        const longer = Math.max((1 - y - x) * w, (1 - x - y) * h);
        expect(longer / (crop.w * w)).toBeCloseTo(USUAL_FILL, 5);
        expect(crop.x + crop.w / 2).toBeCloseTo((x + 1 - y) / 2, 5);
      }),
    );
  });
  it('is none without an item', () => expect(squareAround([], lookOf([]), 10, 10)).toBeNull());
});

describe('straightening by itself', () => {
  const tilted = (degrees: number) => {
    const a = (degrees * Math.PI) / 180;
    return [
      [-300, -200],
      [300, -200],
      [300, 200],
      [-300, 200],
    ].map(([x = 0, y = 0]) => ({
      x: (500 + x * Math.cos(a) - y * Math.sin(a)) / 1_000,
      y: (500 + x * Math.sin(a) + y * Math.cos(a)) / 1_000,
    }));
  };
  it.each([-8, 3, 10])('turns a book that lies %d° askew upright', (degrees) =>
    expect(straightening(tilted(degrees), 0.24, 0, 1_000, 1_000)).toBeCloseTo(-degrees, 0),
  );
  it('leaves alone what is no box, and what is straight', () => {
    expect(straightening(tilted(8), 0.1, 0, 1_000, 1_000)).toBe(0);
    expect(straightening(tilted(0), 0.24, 0, 1_000, 1_000)).toBe(0);
  });
});

it('takes steps back and does them again in order, until a new one is made', () => {
  const step: fc.Arbitrary<EditStep> = fc.oneof(
    quarters.map(turn),
    fc.integer({ min: -15, max: 15 }).map((degrees): EditStep => ({ type: 'straighten', degrees })),
  );
  fc.assert(
    fc.property(
      fc.array(step, { minLength: 1, maxLength: 12 }),
      fc.nat(12),
      step,
      (steps, backs, another) => {
        let history = steps.reduce((h, s) => done(h, s), {
          steps: [] as EditStep[],
          undone: [] as EditStep[],
        });
        const n = Math.min(backs, steps.length);
        for (let i = 0; i < n; i += 1) history = takenBack(history);
        expect(history.steps).toEqual(steps.slice(0, steps.length - n));
        const forked = done(history, another);
        expect(doneAgain(forked)).toEqual({ steps: forked.steps, undone: [] });
        for (let i = 0; i < n; i += 1) history = doneAgain(history);
        expect(history).toEqual({ steps, undone: [] });
      },
    ),
  );
  expect(takenBack({ steps: [], undone: [] })).toEqual({ steps: [], undone: [] });
});
