import fc from 'fast-check';

import { backgroundOfBorder } from './background';
import { componentsOf } from './components';
import { graymapOf } from './graymap';
import { labPixels } from './lab';
import { curvesFor, gainsFor, relight } from './light';
import { boxBlur, type Mask, type Pixels, quantile, redrawn, shrunk } from './pixels';
import { maskScaled, whiten, withStrokes } from './whiten';

const flat = (width: number, height: number, [r, g, b]: number[]): Pixels => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let at = 0; at < data.length; at += 4) data.set([r!, g!, b!, 255], at);
  return { width, height, data };
};
/** A dark square in the middle of a floor. */
const scene = (floor: number[], size = 60) => {
  const picture = flat(size, size, floor);
  const mask: Mask = { width: size, height: size, data: new Uint8Array(size * size) };
  for (let y = 20; y < 40; y += 1)
    for (let x = 20; x < 40; x += 1) {
      picture.data.set([70, 60, 120, 255], (y * size + x) * 4);
      mask.data[y * size + x] = 255;
    }
  return { picture, mask };
};
const at = ({ width, data }: Pixels, x: number, y: number) => [
  ...data.slice((y * width + x) * 4, (y * width + x) * 4 + 3),
];

it('blurs to the mean of the neighbourhood, edges shortened', () => {
  const data = Float32Array.from([0, 0, 9, 0, 0]);
  expect([...boxBlur({ width: 5, height: 1, data }, 1).data]).toEqual([0, 3, 3, 3, 0]);
  expect([...boxBlur({ width: 5, height: 1, data }, 9).data].map((v) => Math.round(v * 10))).toEqual([
    18, 18, 18, 18, 18,
  ]);
});

it('shrinks to means', () => {
  const picture = flat(4, 2, [0, 0, 0]);
  picture.data.set([200, 100, 40, 255], 0);
  expect(at(shrunk(picture, 2), 0, 0)).toEqual([50, 25, 10]);
  expect(shrunk(picture, 99)).toBe(picture);
});

it('takes quantiles as a statistics handbook does', () => {
  // Linear between order statistics (Hyndman & Fan 1996, definition 7).
  expect(quantile([15, 20, 35, 40, 50], 0.4)).toBeCloseTo(29);
  expect(quantile([3], 0.9)).toBe(3);
  expect(quantile([], 0.5)).toBeNaN();
});

it('groups touching pixels, each in exactly one group', () => {
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 36, maxLength: 36, max: 1 }), (belongs) => {
      const { of, all } = componentsOf(belongs, 6, 6);
      expect(all.reduce((s, c) => s + c.area, 0)).toBe(belongs.reduce((s, b) => s + b, 0));
      for (let p = 0; p < 36; p += 1) {
        expect(of[p] !== 0).toBe(belongs[p] === 1);
        if (p % 6 < 5 && belongs[p] && belongs[p + 1]) expect(of[p]).toBe(of[p + 1]);
        if (p < 30 && belongs[p] && belongs[p + 6]) expect(of[p]).toBe(of[p + 6]);
      }
    }),
  );
});

/** Whoever can be walked to from a pixel: the plain way. */
function walkedTo(belongs: Uint8Array, width: number, from: number): Set<number> {
  const met = new Set([from]);
  for (const p of met)
    for (const [step, isEdge] of [
      [-1, p % width === 0],
      [1, p % width === width - 1],
      [-width, false],
      [width, false],
    ] as const)
      if (!isEdge && belongs[p + step]) met.add(p + step);
  return met;
}

it('groups what can be walked to and no more, the uppermost first, however a shape winds', () => {
  const shapes = fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })).chain(([w, h]) =>
    fc.record({
      width: fc.constant(w),
      height: fc.constant(h),
      belongs: fc.uint8Array({ minLength: w * h, maxLength: w * h, max: 1 }),
    }),
  );
  fc.assert(
    fc.property(shapes, ({ width, height, belongs }) => {
      const { of, all } = componentsOf(belongs, width, height);
      const met = new Set<number>();
      let id = 0;
      for (let p = 0; p < belongs.length; p += 1) {
        if (!belongs[p] || met.has(p)) continue;
        id += 1;
        const group = [...walkedTo(belongs, width, p)];
        for (const q of group) {
          met.add(q);
          expect(of[q]).toBe(id);
        }
        const xs = group.map((q) => q % width);
        const ys = group.map((q) => Math.floor(q / width));
        expect(all[id - 1]).toEqual({
          id,
          area: group.length,
          left: Math.min(...xs),
          right: Math.max(...xs),
          top: Math.min(...ys),
          bottom: Math.max(...ys),
        });
      }
      expect(all).toHaveLength(id);
    }),
  );
});

it('draws a plane anew by a map, and takes means where it is made smaller', () => {
  const plane = { width: 4, height: 2, data: Float32Array.of(0, 4, 8, 12, 100, 104, 108, 112) };
  const same = redrawn(plane, { width: 4, height: 2, fine: 1 }, [1, 0, 0, 1, 0, 0]);
  // The last column and row are held a thousandth of a pixel inside.
  same.data.forEach((value, p) => expect(value).toBeCloseTo(plane.data[p]!, 0));
  const half = redrawn(plane, { width: 2, height: 1, fine: 2 }, [2, 0, 0, 2, 0, 0]);
  expect([...half.data].map(Math.round)).toEqual([52, 60]);
  // A quarter of a turn, about the corner, and back into sight: across what was down.
  const turned = redrawn(plane, { width: 2, height: 4, fine: 1 }, [0, 1, 1, 0, 0, 0]);
  expect([...turned.data].map(Math.round)).toEqual([0, 100, 4, 104, 8, 108, 12, 112]);
});

it('writes grey values as a portable graymap', () => {
  // By the Netpbm format: magic number, width, height, largest value, then a byte each.
  const file = graymapOf({ width: 3, height: 1, data: Float32Array.of(-4, 127.4, 300) });
  expect(Buffer.from(file)).toEqual(Buffer.concat([Buffer.from('P5\n3 1\n255\n'), Buffer.of(0, 127, 255)]));
});

it('follows light that falls off across the floor, an item in the way or not', () => {
  const size = 80;
  const picture = flat(size, size, [0, 0, 0]);
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      const v = 150 + x * 0.9;
      picture.data.set(
        x > 30 && x < 60 && y > 20 ? [40, 30, 90, 255] : [v, v, v * 0.95, 255],
        (y * size + x) * 4,
      );
    }
  const { share, spread } = backgroundOfBorder(labPixels(picture));
  expect(share).toBeGreaterThan(0.85);
  expect(share).toBeLessThan(0.95);
  expect(Math.max(...spread)).toBeLessThan(1.5);
});

describe('light', () => {
  it.each([[[230, 220, 205]], [[205, 215, 232]]])('makes a floor of %j neutral and light', (floor) => {
    const { picture, mask } = scene(floor);
    relight(picture, curvesFor(gainsFor(picture, mask)));
    const [r, g, b] = at(picture, 2, 2) as [number, number, number];
    expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(2);
    expect(g).toBeGreaterThan(225);
  });
  it('never darkens what it lightens elsewhere: curves only rise', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 3.2, noNaN: true }), (gain) => {
        const [curve] = curvesFor([gain, 1, 1]);
        for (let i = 1; i < 256; i += 1) expect(curve![i]).toBeGreaterThanOrEqual(curve![i - 1]!);
      }),
    );
  });
  it('takes a coloured floor for no witness of the light’s colour', () => {
    const { picture, mask } = scene([180, 120, 60]);
    const [r, g, b] = gainsFor(picture, mask);
    expect([r, b]).toEqual([g, g]);
  });
});

describe('white background', () => {
  it.each(['kept', 'dropped'] as const)(
    'is white all around, and leaves the item as it is; shadow %s',
    (shadow) => {
      const { picture, mask } = scene([226, 220, 210]);
      whiten(picture, mask, backgroundOfBorder(labPixels(picture)), shadow);
      expect(at(picture, 2, 2).every((v) => v >= 254)).toBe(true);
      expect(at(picture, 30, 30)).toEqual([70, 60, 120]);
    },
  );
  it('keeps a shadow beside the item as grey, and drops it when asked', () => {
    const shaded = () => {
      const made = scene([226, 220, 210]);
      for (let y = 20; y < 40; y += 1)
        for (let x = 40; x < 43; x += 1) made.picture.data.set([150, 146, 139, 255], (y * 60 + x) * 4);
      return made;
    };
    const kept = shaded();
    const ground = backgroundOfBorder(labPixels(kept.picture));
    whiten(kept.picture, kept.mask, ground, 'kept');
    const [r, g, b] = at(kept.picture, 41, 30) as [number, number, number];
    expect(r).toBeLessThan(240);
    expect([g, b]).toEqual([r, r]);
    const dropped = shaded();
    whiten(dropped.picture, dropped.mask, ground, 'dropped');
    expect(at(dropped.picture, 41, 30)).toEqual([255, 255, 255]);
  });
  it('takes a person’s strokes, the last one on top, and leaves the mask it was given', () => {
    const { mask } = scene([226, 220, 210]);
    const stroke = (mode: 'add' | 'remove') => ({
      mode,
      radius: 0.05,
      points: [
        { x: 0.1, y: 0.1 },
        { x: 0.1, y: 0.4 },
      ],
    });
    const added = withStrokes(mask, [stroke('add')]);
    expect(added.data[15 * 60 + 6]).toBe(255);
    expect(withStrokes(mask, [stroke('add'), stroke('remove')]).data[15 * 60 + 6]).toBe(0);
    expect(mask.data[15 * 60 + 6]).toBe(0);
  });
  it('scales a mask without moving its edge', () => {
    const { mask } = scene([226, 220, 210]);
    const large = maskScaled(mask, 240, 240);
    expect(large.data[120 * 240 + 120]).toBe(255);
    const row = large.data.subarray(120 * 240, 121 * 240);
    const first = row.findIndex((v) => v > 127);
    expect(Math.abs(first - 80)).toBeLessThanOrEqual(1);
  });
});
