import fc from 'fast-check';

import type { Point } from '@/contract/picture';

import { boxOf, examine } from './examine';
import { fingerprintDistance, fingerprintOf } from './fingerprint';
import { maskOverlap, segment } from './mask';
import type { Mask, Pixels } from './pixels';
import { sharpnessOf } from './sharpness';
import { outlinePoints } from './whiten';
import { writingBeside } from './writing';
import { REFERENCE_SIZES } from '../measure/plane';
import { findSheet } from '../measure/sheet/findSheet';

/** Noise that is the same every time: a linear congruential generator (Park & Miller 1988). */
function noise(seed: number): () => number {
  let state = (seed % 2_147_483_646) + 1;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

type Paint = (x: number, y: number) => readonly [number, number, number];

/**
 * A picture of what is painted at each point, each pixel at an edge the mean of 3 × 3 points, with a camera's
 * noise.
 */
function drawn(width: number, height: number, paint: Paint, grain = 3): Pixels {
  const random = noise(width * 31 + height);
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const first = paint(x, y);
      const plain = first === paint(x + 1, y) && first === paint(x, y + 1) && first === paint(x + 1, y + 1);
      const [red, green, blue] = plain ? first : mean(paint, x, y);
      const grey = (random() - 0.5) * grain;
      const at = (y * width + x) * 4;
      data[at] = red! + grey;
      data[at + 1] = green! + grey;
      data[at + 2] = blue! + grey;
      data[at + 3] = 255;
    }
  return { width, height, data };
}

function mean(paint: Paint, x: number, y: number): number[] {
  const sum = [0, 0, 0];
  for (const dy of [1 / 6, 0.5, 5 / 6])
    for (const dx of [1 / 6, 0.5, 5 / 6]) paint(x + dx, y + dy).forEach((v, i) => (sum[i]! += v / 9));
  return sum;
}

const FLOOR: readonly [number, number, number] = [196, 188, 176];
const PAPER: readonly [number, number, number] = [246, 246, 244];
const TABLE: readonly [number, number, number] = [140, 112, 88];
const CLOTH: readonly [number, number, number] = [52, 66, 110];

/** An item shaped like an ellipse on a floor, and the mask that is true of it. */
function onFloor(size: number, { cx, cy, rx, ry, turn }: Record<'cx' | 'cy' | 'rx' | 'ry' | 'turn', number>) {
  const inside = (x: number, y: number) => {
    const [dx, dy] = [x - cx * size, y - cy * size];
    const [u, v] = [dx * Math.cos(turn) + dy * Math.sin(turn), dy * Math.cos(turn) - dx * Math.sin(turn)];
    return (u / (rx * size)) ** 2 + (v / (ry * size)) ** 2 <= 1;
  };
  const truth: Mask = { width: size, height: size, data: new Uint8Array(size * size) };
  for (let p = 0; p < truth.data.length; p += 1)
    if (inside((p % size) + 0.5, Math.floor(p / size) + 0.5)) truth.data[p] = 255;
  return { picture: drawn(size, size, (x, y) => (inside(x, y) ? CLOTH : FLOOR)), truth };
}

describe('the item is told from what it lies on', () => {
  const shape = fc.record({
    cx: fc.double({ min: 0.42, max: 0.58, noNaN: true }),
    cy: fc.double({ min: 0.42, max: 0.58, noNaN: true }),
    rx: fc.double({ min: 0.2, max: 0.32, noNaN: true }),
    ry: fc.double({ min: 0.2, max: 0.32, noNaN: true }),
    turn: fc.double({ min: 0, max: Math.PI, noNaN: true }),
  });
  it('wherever it lies, however it is turned: nearly all of it and nearly nothing else', () => {
    fc.assert(
      fc.property(shape, (one) => {
        const { picture, truth } = onFloor(140, one);
        expect(maskOverlap(segment(picture).mask, truth)).toBeGreaterThan(0.94);
      }),
      { numRuns: 8 },
    );
  });
  it('and is measured as the share of the picture that an ellipse has: π·a·b', () => {
    const { picture } = onFloor(260, { cx: 0.5, cy: 0.5, rx: 0.3, ry: 0.2, turn: 0 });
    const exam = examine(picture);
    expect(exam.area).toBeCloseTo(Math.PI * 0.3 * 0.2, 1);
    const { box } = boxOf(segment(picture).mask);
    expect(Object.values(box).map((v) => Math.round(Number(v) * 20) / 20)).toEqual(
      expect.arrayContaining([0.2, 0.3]),
    );
    expect(exam.cutOff).toEqual([]);
    expect(exam.writing).toBe(0);
  });
  it('an item that runs out of the picture is told of, side by side', () => {
    const left = drawn(200, 200, (x, y) => (x < 110 && y > 60 && y < 150 ? CLOTH : FLOOR));
    expect(examine(left).cutOff).toEqual(['left']);
  });
  it('an empty floor has none', () => {
    expect(examine(drawn(160, 160, () => FLOOR)).area).toBeLessThan(0.01);
    const none: Mask = { width: 4, height: 4, data: new Uint8Array(16) };
    expect(maskOverlap(none, none)).toBe(1);
    expect(boxOf(none).area).toBe(0);
    expect(outlinePoints(none)).toEqual([]);
  });
  it('its outline is drawn where its edge is', () => {
    const { truth } = onFloor(160, { cx: 0.5, cy: 0.5, rx: 0.25, ry: 0.25, turn: 0 });
    const off = outlinePoints(truth).map(({ x, y }) => Math.abs(Math.hypot(x - 0.5, y - 0.5) - 0.25));
    expect(off.length).toBeGreaterThan(60);
    expect(Math.max(...off)).toBeLessThan(0.02);
  });
});

describe('sharpness', () => {
  /** Bars whose edges are spread like a Gaussian of so many pixels, at 1 280 on the longer side. */
  const bars = (sigma: number) => {
    const erf = (t: number) => {
      // Abramowitz & Stegun 7.1.26, off by at most 1.5e-7.
      const k = 1 / (1 + 0.3275911 * Math.abs(t));
      const p =
        ((((1.061405429 * k - 1.453152027) * k + 1.421413741) * k - 0.284496736) * k + 0.254829592) * k;
      return Math.sign(t) * (1 - p * Math.exp(-t * t));
    };
    const wave = (x: number) => {
      const at = ((x + 80) % 160) - 80;
      return 130 + 70 * erf((40 - Math.abs(at)) / (sigma * Math.SQRT2));
    };
    const row = Array.from({ length: 2 * 1_281 }, (_, i) => wave(i / 2)).map((v) => [v, v, v] as const);
    return drawn(1_280, 40, (x) => row[Math.floor(x * 2)]!, 0);
  };
  // ∫I′² : ∫I″² = 2σ² for a Gaussian edge; a pixel and the operators add a little of their own.
  it.each([2, 4])('an edge blurred by a Gaussian of %f pixels is told so', (sigma) => {
    const { blur } = sharpnessOf(bars(sigma));
    expect(Math.abs(blur - sigma) / sigma).toBeLessThan(0.2);
  });
  it('of a picture too small to tell is not invented', () => {
    expect(sharpnessOf(drawn(20, 20, () => FLOOR)).blur).toBeNaN();
    expect(examine(drawn(20, 20, () => FLOOR)).blur).toBe(0);
  });
});

describe('a card or sheet beside the item', () => {
  /** A sheet of these sides, turned about its middle, with the item far from it. */
  const withSheet = (middle: Point, long: number, short: number, turn: number) => {
    const inSheet = (x: number, y: number) => {
      const [dx, dy] = [x - middle.x, y - middle.y];
      const u = dx * Math.cos(turn) + dy * Math.sin(turn);
      const v = dy * Math.cos(turn) - dx * Math.sin(turn);
      return Math.abs(u) <= long / 2 && Math.abs(v) <= short / 2;
    };
    const corners = [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([a, b]) => ({
      x: middle.x + ((a! * long) / 2) * Math.cos(turn) - ((b! * short) / 2) * Math.sin(turn),
      y: middle.y + ((a! * long) / 2) * Math.sin(turn) + ((b! * short) / 2) * Math.cos(turn),
    }));
    const inItem = (x: number, y: number) => Math.hypot(x - 330, (y - 150) * 1.3) < 90;
    const picture = drawn(480, 320, (x, y) => (inSheet(x, y) ? PAPER : inItem(x, y) ? CLOTH : TABLE));
    return { picture, corners };
  };
  const { long, short } = REFERENCE_SIZES.card;

  it.each([0.2, 1.3])('turned by %f: its corners are found to within a pixel', (turn) => {
    const { picture, corners } = withSheet({ x: 120, y: 170 }, long * 1.6, short * 1.6, turn);
    const found = findSheet(picture, 'card');
    expect(found).not.toBeNull();
    expect(found!.doubts).toEqual([]);
    for (const corner of corners)
      expect(Math.min(...found!.corners.map((f) => Math.hypot(f.x - corner.x, f.y - corner.y)))).toBeLessThan(
        1,
      );
  });
  it('what has other sides, or runs out of the picture, is none', () => {
    expect(findSheet(withSheet({ x: 120, y: 160 }, 200, 30, 0.1).picture, 'card')).toBeNull();
    expect(findSheet(withSheet({ x: 20, y: 160 }, long * 1.6, short * 1.6, 0.1).picture, 'card')).toBeNull();
  });
});

describe('writing beside the item', () => {
  const size = 400;
  /** Marks of a letter's size, so many in a line, or strewn about. */
  const marks = (count: number, at: (i: number) => Point) => {
    const differs = new Uint8Array(size * size);
    for (let i = 0; i < count; i += 1) {
      const { x, y } = at(i);
      for (let dy = 0; dy < 12; dy += 1)
        for (let dx = 0; dx < 8; dx += 1) differs[(y + dy) * size + x + dx] = 1;
    }
    return writingBeside(differs, { width: size, height: size, data: new Uint8Array(size * size) });
  };
  it('is a line of marks alike in height; three are none, a heap is none', () => {
    expect(marks(9, (i) => ({ x: 40 + i * 14, y: 60 + i }))).toBe(9);
    expect(marks(3, (i) => ({ x: 40 + i * 14, y: 60 }))).toBe(0);
    expect(marks(9, (i) => ({ x: 40 + (i % 3) * 14, y: 60 + Math.floor(i / 3) * 18 }))).toBe(0);
    expect(marks(700, (i) => ({ x: (i % 30) * 13, y: Math.floor(i / 30) * 16 }))).toBe(0);
  });
  it('on the item itself is the item’s own business', () => {
    const differs = new Uint8Array(size * size).fill(1);
    expect(
      writingBeside(differs, { width: size, height: size, data: new Uint8Array(size * size).fill(255) }),
    ).toBe(0);
  });
});

describe('two pictures of one item', () => {
  const at = (cx: number, turn = 0.4) => onFloor(200, { cx, cy: 0.5, rx: 0.28, ry: 0.16, turn }).picture;
  it('look alike; those of others do not', () => {
    const print = fingerprintOf(at(0.5));
    expect(print).toMatch(/^[0-9a-f]{160}$/u);
    expect(fingerprintDistance(print, print)).toBe(0);
    expect(fingerprintDistance(print, fingerprintOf(at(0.505)))).toBeLessThan(0.6);
    const other = drawn(200, 200, (x, y) => ((x + y) % 80 < 40 ? [180, 60, 40] : [30, 120, 60]));
    expect(fingerprintDistance(print, fingerprintOf(other))).toBeGreaterThan(1);
  });
  it('the distance is the same from either side', () => {
    const [a, b] = [fingerprintOf(at(0.5)), fingerprintOf(at(0.46, 1.1))];
    expect(fingerprintDistance(a, b)).toBe(fingerprintDistance(b, a));
  });
});
