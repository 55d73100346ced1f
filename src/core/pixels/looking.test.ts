import fc from 'fast-check';

import type { Point } from '@/contract/picture';

import { boxOf, examine } from './examine';
import { cornerLight, fingerprintDistance, fingerprintOf, isFingerprint } from './fingerprint';
import { bulkOf, maskOverlap, segment } from './mask';
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
  it('even where it lies at the rim; boards and tiles that go on are none', () => {
    const corner = drawn(200, 200, (x, y) => (x > 120 && y > 130 && x + y < 370 ? CLOTH : FLOOR));
    expect(examine(corner).cutOff).toEqual(['right', 'bottom']);
    const boards = drawn(200, 200, (x) => (x % 50 < 3 ? TABLE : FLOOR));
    expect(examine(boards).cutOff).toEqual([]);
    const tiles = drawn(200, 200, (x, y) => ((Math.floor(x / 40) + Math.floor(y / 40)) % 2 ? TABLE : FLOOR));
    expect(examine(tiles).cutOff).toEqual([]);
  });
  it('lines between boards and crumbs are not its bulk; of what is thin alone all stays', () => {
    const [width, height] = [640, 480];
    const maskWhere = (inside: (x: number, y: number) => boolean): Mask => ({
      width,
      height,
      data: Uint8Array.from({ length: width * height }, (_, p) =>
        inside(p % width, Math.floor(p / width)) ? 255 : 0,
      ),
    });
    const item = (x: number, y: number) => x >= 200 && x < 300 && y >= 150 && y < 330;
    const line = (x: number) => x % 120 >= 60 && x % 120 < 64;
    const crumb = (x: number, y: number) => x > 560 && x < 590 && y > 30 && y < 60;
    const bulk = bulkOf(maskWhere((x, y) => item(x, y) || line(x) || crumb(x, y)));
    // The line that it lies on sticks out by what an item is rounded by.
    expect(boxOf(bulk).box[0]).toBeCloseTo(200 / 640, 2);
    expect(boxOf(bulk).box[3]).toBeCloseTo(180 / 480, 1);
    expect(boxOf(bulk).area).toBeCloseTo((100 * 180) / (640 * 480), 2);
    expect(boxOf(bulkOf(maskWhere(line))).area).toBeGreaterThan(0.03);
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
  /** Five by seven dots a letter: L, E, A, T, H, E, R. */
  const LETTERS = ['84210842f', 'f4210e842f', '1d18fe31', 'f9084210', '8c63f8c5', 'f4210e842f', 'f463e953'];
  const isInk = (letter: number, u: number, v: number) =>
    ((BigInt(`0x${LETTERS[letter % LETTERS.length]!}`) >> BigInt((v * 5 + u) % 36)) & 1n) === 1n;
  /**
   * So many letters, each where it is wanted, of dots of 2 × 2 pixels; ink of that lightness on the floor.
   */
  const written = (count: number, at: (i: number) => Point, ink = 40) => {
    const places = Array.from({ length: count }, (_, i) => at(i));
    return drawn(size, size, (x, y) => {
      for (const [i, p] of places.entries()) {
        const [u, v] = [Math.floor((x - p.x) / 2), Math.floor((y - p.y) / 2)];
        // A bar on the left joins the dots of a letter.
        if (u >= 0 && u < 5 && v >= 0 && v < 7 && (u === 0 || v === i % 7 || isInk(i, u, v)))
          return [ink, ink, ink];
      }
      return FLOOR;
    });
  };
  const none: Mask = { width: size, height: size, data: new Uint8Array(size * size) };
  const line = (i: number) => ({ x: 40 + i * 15, y: 60 + i });

  it.each([
    ['dark', 40],
    ['light', 250],
  ])('is a row of marks alike in height and stroke: %s ink', (_, ink) =>
    expect(writingBeside(written(11, line, ink), none)).toBeGreaterThanOrEqual(8),
  );
  it('three marks are none, nor are many that are strewn about, nor tiles in rows', () => {
    expect(writingBeside(written(3, line), none)).toBe(0);
    const random = noise(7);
    expect(
      writingBeside(
        written(40, () => ({ x: random() * 380, y: random() * 380 })),
        none,
      ),
    ).toBe(0);
    const tiles = drawn(size, size, (x, y) => (x % 20 < 14 && y % 20 < 14 ? TABLE : FLOOR));
    expect(writingBeside(tiles, none)).toBe(0);
  });
  it('on the item itself is the item’s own business; from it out over the floor it is not', () => {
    const picture = written(11, line);
    const item = (right: number): Mask => ({
      ...none,
      data: none.data.map((_, p) => (p % size < right && p < size * 200 ? 255 : 0)),
    });
    expect(writingBeside(picture, item(300))).toBe(0);
    expect(writingBeside(picture, item(100))).toBeGreaterThanOrEqual(6);
  });
});

describe('two pictures of one item', () => {
  type Shape = Parameters<typeof onFloor>[1];
  const item: Shape = { cx: 0.5, cy: 0.5, rx: 0.28, ry: 0.16, turn: 0.4 };
  const at = (part: Partial<Shape> = {}) => fingerprintOf(onFloor(200, { ...item, ...part }).picture);
  /** Each value times so much, as a longer exposure does before the end of the scale. */
  const lighter = ({ width, height, data }: Pixels, by: number): Pixels => ({
    width,
    height,
    data: data.map((v, i) => (i % 4 === 3 ? v : v * by)),
  });
  const print = at();

  it('look alike, moved, turned, larger, cropped or exposed otherwise', () => {
    fc.assert(
      fc.property(
        fc.record({
          cx: fc.double({ min: 0.46, max: 0.54, noNaN: true }),
          cy: fc.double({ min: 0.46, max: 0.54, noNaN: true }),
          turn: fc.double({ min: 0.33, max: 0.47, noNaN: true }),
          rx: fc.double({ min: 0.27, max: 0.295, noNaN: true }),
        }),
        (part) => expect(fingerprintDistance(print, at(part))).toBeLessThan(1),
      ),
      { numRuns: 12 },
    );
    const { picture } = onFloor(200, item);
    for (const by of [0.75, 1.25])
      expect(fingerprintDistance(print, fingerprintOf(lighter(picture, by)))).toBeLessThan(1);
  });
  it('and differ from those of another shape, of another colour, of another floor', () => {
    expect(fingerprintDistance(print, at({ turn: 1.7 }))).toBeGreaterThan(1);
    const red = onFloor(200, item).picture;
    for (let p = 0; p < red.data.length; p += 4)
      if (red.data[p + 2]! > red.data[p]! + 20) red.data.set([150, 40, 48], p);
    expect(fingerprintDistance(print, fingerprintOf(red))).toBeGreaterThan(1);
    const other = drawn(200, 200, (x, y) => ((x + y) % 80 < 40 ? [180, 60, 40] : [30, 120, 60]));
    expect(fingerprintDistance(print, fingerprintOf(other))).toBeGreaterThan(1);
  });
  it('the distance is the same from either side, and none to what is no fingerprint', () => {
    expect(fingerprintDistance(print, print)).toBe(0);
    const other = at({ cx: 0.46, turn: 1.1 });
    expect(fingerprintDistance(print, other)).toBe(fingerprintDistance(other, print));
    // What was kept before fingerprints had this form.
    expect(fingerprintDistance(print, 'a3'.repeat(80))).toBe(Infinity);
    expect(isFingerprint(print)).toBe(true);
    expect(isFingerprint('')).toBe(false);
    expect(cornerLight('')).toBeNaN();
  });
});

describe('how light it is', () => {
  const on = (floor: number, cloth: number) => {
    const { truth } = onFloor(160, { cx: 0.5, cy: 0.5, rx: 0.3, ry: 0.25, turn: 0 });
    return examine(
      drawn(160, 160, (x, y) => {
        const v = truth.data[Math.floor(y) * 160 + Math.floor(x)]! > 0 ? cloth : floor;
        return [v, v, v];
      }),
    );
  };
  it('goes by the lighter of item and floor', () => {
    expect(on(60, 200).bright).toBeCloseTo(200 / 255, 1);
    expect(on(220, 60).bright).toBeCloseTo(220 / 255, 1);
    expect(on(60, 200).deep).toBeCloseTo(60 / 255, 1);
  });
  it('what is lost is counted on the item, one colour at its end too', () => {
    expect(on(60, 200).blown).toBe(0);
    expect(on(255, 120).blown).toBeLessThan(0.05);
    const { truth } = onFloor(160, { cx: 0.5, cy: 0.5, rx: 0.3, ry: 0.25, turn: 0 });
    const red = drawn(160, 160, (x, y) =>
      truth.data[Math.floor(y) * 160 + Math.floor(x)]! > 0 ? [255, 90, 70] : FLOOR,
    );
    expect(examine(red).blown).toBeGreaterThan(0.9);
  });
});
