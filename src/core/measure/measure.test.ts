import fc from 'fast-check';

import type { Point } from '@/contract/picture';

import { drawingOf } from './drawing';
import { applied, homographyFrom, inverted, type Homography } from './homography';
import { lengthOn, mapCorners, planeFrom, REFERENCE_SIZES, type Corners } from './plane';

const square: Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

describe('homography', () => {
  it('takes each point to its partner and back, whatever the map', () => {
    const n = fc.double({ min: -0.25, max: 0.25, noNaN: true });
    fc.assert(
      fc.property(n, n, n, n, n, n, n, n, (a, b, c, d, e, f, g, h) => {
        const true_: Homography = [1 + a, b, c * 100, d, 1 + e, f * 100, g, h, 1];
        const from = [...square, { x: 0.3, y: 0.8 }];
        const to = from.map((p) => applied(true_, p));
        const found = homographyFrom(from.slice(0, 4), to.slice(0, 4));
        if (!found) throw new Error('none');
        // The fifth point was not used to find it.
        expect(
          Math.hypot(applied(found, from[4]!).x - to[4]!.x, applied(found, from[4]!).y - to[4]!.y),
        ).toBeLessThan(1e-6);
        const back = applied(inverted(found), to[4]!);
        expect(Math.hypot(back.x - 0.3, back.y - 0.8)).toBeLessThan(1e-6);
      }),
    );
  });
  it('gives none for three points on a line', () =>
    expect(
      homographyFrom(
        [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 2, y: 0 },
          { x: 0, y: 1 },
        ],
        square,
      ),
    ).toBeNull());
});

describe('the plane of a reference', () => {
  it('has the sizes of the standards', () => {
    // ISO/IEC 7810 ID-1; ISO 216 A4; 8 1/2 by 11 inches of 25.4 mm.
    expect(REFERENCE_SIZES.card).toMatchObject({ long: 85.6, short: 53.98 });
    expect(REFERENCE_SIZES.a4).toMatchObject({ long: 297, short: 210 });
    expect(REFERENCE_SIZES.letter.long).toBeCloseTo(11 * 25.4, 9);
    expect(REFERENCE_SIZES.letter.short).toBeCloseTo(8.5 * 25.4, 9);
  });
  it('does not mind where the corners start or which way round they go', () => {
    const corners: Point[] = [
      { x: 400, y: 300 },
      { x: 697, y: 310 },
      { x: 690, y: 521 },
      { x: 392, y: 510 },
    ];
    const measured = [0, 1, 2, 3].flatMap((turn) =>
      [corners, [...corners].reverse()].map((all) => {
        const given = [...all.slice(turn), ...all.slice(0, turn)] as unknown as Corners;
        return lengthOn(planeFrom('a4', given, 1_200, 900)!, { x: 100, y: 100 }, { x: 1_000, y: 700 }).mm;
      }),
    );
    for (const mm of measured) expect(mm).toBeCloseTo(measured[0]!, 1);
  });
  it.each<[string, [number, number][]]>([
    [
      'crossing sides',
      [
        [0, 0],
        [100, 100],
        [100, 0],
        [0, 100],
      ],
    ],
    [
      'three in a line',
      [
        [0, 0],
        [50, 0],
        [100, 0],
        [50, 80],
      ],
    ],
    [
      'a dent',
      [
        [0, 0],
        [100, 0],
        [30, 30],
        [0, 100],
      ],
    ],
  ])('is not made of %s', (_, points) =>
    expect(planeFrom('a4', points.map(([x, y]) => ({ x, y })) as unknown as Corners, 500, 500)).toBeNull(),
  );
});

describe('what a length may be off by', () => {
  /** A sheet from straight above, two pixels to a millimetre, its corners moved by so many pixels. */
  const exactly: Corners = [
    { x: 500, y: 400 },
    { x: 1_094, y: 400 },
    { x: 1_094, y: 820 },
    { x: 500, y: 820 },
  ];
  const seen = (off: readonly [number, number][]) =>
    mapCorners(exactly, ({ x, y }, i) => ({ x: x + (off[i]?.[0] ?? 0), y: y + (off[i]?.[1] ?? 0) }));
  const across = (corners: Corners, sigmas?: number[]) =>
    lengthOn(planeFrom('a4', corners, 1_600, 1_200, sigmas)!, { x: 300, y: 300 }, { x: 1_300, y: 300 });

  it('grows with how uncertain the corners are, and with how far the line is from them', () => {
    const [exact, rough] = [across(seen([])), across(seen([]), [2, 2, 2, 2])];
    expect(exact.mm).toBeCloseTo(500, 0);
    expect(rough.plusMinus).toBeGreaterThan(2 * exact.plusMinus);
    const plane = planeFrom('a4', seen([]), 1_600, 1_200)!;
    const near = lengthOn(plane, { x: 500, y: 600 }, { x: 1_000, y: 600 });
    const far = lengthOn(plane, { x: 500, y: 100 }, { x: 1_000, y: 100 });
    expect(far.plusMinus).toBeGreaterThan(near.plusMinus);
  });
  it('covers what it is really off by when corners are off by as much as they may be', () => {
    const noise = fc.array(
      fc.tuple(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: -1, max: 1, noNaN: true })),
      { minLength: 4, maxLength: 4 },
    );
    fc.assert(
      fc.property(noise, (off) => {
        const { mm, plusMinus } = across(seen(off), [1, 1, 1, 1]);
        expect(Math.abs(mm - 500)).toBeLessThan(plusMinus);
      }),
    );
  });
  it('other proportions are no sheet, or one whose picture was cut', () => {
    const square: Corners = [
      { x: 500, y: 400 },
      { x: 900, y: 400 },
      { x: 900, y: 800 },
      { x: 500, y: 800 },
    ];
    expect(planeFrom('a4', square, 1_600, 1_200)?.doubt).not.toBeNull();
    // As seen aslant in the whole picture, of which only a corner was kept.
    const aslant = planeFrom(
      'a4',
      [
        { x: 300, y: 260 },
        { x: 640, y: 300 },
        { x: 600, y: 520 },
        { x: 220, y: 470 },
      ],
      2_000,
      1_500,
    );
    expect(aslant === null || aslant.doubt !== undefined).toBe(true);
  });
});

describe('a measurement picture', () => {
  it('keeps every label inside and off the others', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const line = fc.record({ x1: share, y1: share, x2: share, y2: share });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 5 }), (all) => {
        const lines = all.map((l, i) => ({
          measure: `m${i}`,
          a: { x: l.x1, y: l.y1 },
          b: { x: l.x2, y: l.y2 },
        }));
        const texts = Object.fromEntries(lines.map((l) => [l.measure, 'Pit to pit 54.5 cm']));
        const drawing = drawingOf(lines, texts, 1_600, 1_200);
        expect(drawing.lines).toHaveLength(lines.length);
        drawing.lines.forEach(({ label: a }, i) => {
          expect(a.x).toBeGreaterThanOrEqual(0);
          expect(a.y).toBeGreaterThanOrEqual(0);
          expect(a.x + a.w).toBeLessThanOrEqual(1_600.01);
          expect(a.y + a.h).toBeLessThanOrEqual(1_200.01);
          for (const { label: b } of drawing.lines.slice(0, i))
            expect(a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y).toBe(true);
        });
      }),
    );
  });
  it('leaves out lines without a figure', () =>
    expect(
      drawingOf([{ measure: 'chest', a: { x: 0, y: 0 }, b: { x: 1, y: 1 } }], {}, 100, 100).lines,
    ).toEqual([]));
});
