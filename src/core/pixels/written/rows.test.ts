import { rowsOf, stripOf } from './rows';
import type { Plane } from '../pixels';

const PAPER = 250;
const INK = 20;

/** Letters as bars with a foot, in rows that fall by `slope`; the second row has a dot after its last. */
function page(slope: number, letters: readonly number[]): Plane {
  const [width, height] = [600, 60 + 80 * letters.length];
  const data = new Float32Array(width * height).fill(PAPER);
  const ink = (left: number, top: number, w: number, h: number) => {
    for (let y = 0; y < h; y += 1)
      for (let x = 0; x < w; x += 1)
        data[Math.round(top + y + slope * (left + x)) * width + Math.round(left + x)] = INK;
  };
  letters.forEach((count, row) => {
    for (let i = 0; i < count; i += 1) {
      ink(40 + i * 30, 30 + row * 80, 6, 34);
      ink(46 + i * 30, 30 + row * 80 + 28, 10, 6);
    }
    if (row === 1) ink(40 + count * 30, 30 + row * 80 + 30, 5, 5);
  });
  return { width, height, data };
}

it.each([0, 0.04, -0.03])('finds the lines of a block that falls by %d, the uppermost first', (slope) => {
  const { rows } = rowsOf(page(slope, [14, 5, 9]), 34);
  // The dot belongs to the line it stands in.
  expect(rows.map((r) => r.letters.length)).toEqual([14, 6, 9]);
  for (const row of rows) {
    expect(row.slope).toBeCloseTo(slope, 1);
    expect(row.bottom - row.top).toBeGreaterThan(33);
    expect(row.bottom - row.top).toBeLessThan(40);
  }
});

it('keeps words far apart in one line, and no line on plain paper', () => {
  const wide = page(0, [4]);
  const apart = page(0, [4]);
  // The same four letters once more, 150 pixels farther on.
  for (let y = 0; y < apart.height; y += 1)
    for (let x = 0; x < 200; x += 1)
      if (wide.data[y * wide.width + x] === INK) apart.data[y * wide.width + x + 270] = INK;
  expect(rowsOf(apart, 34).rows.map((r) => r.letters.length)).toEqual([8]);
  expect(rowsOf(page(0, []), 34).rows).toEqual([]);
});

it('makes a strip of one line alone: ink 1, paper 0, the height asked for', () => {
  const plane = page(0.03, [10, 10]);
  const { rows, of } = rowsOf(plane, 34);
  const [first] = rows;
  if (!first) throw new Error('no line');
  const strip = stripOf(plane, of, first, 32, 512);
  expect(strip.height).toBe(32);
  // Ten letters of 30 pixels each, at 32 rows for 34 and a margin.
  expect(strip.width).toBeGreaterThan(220);
  expect(strip.width).toBeLessThan(270);
  expect(Math.max(...strip.data)).toBe(1);
  expect(Math.min(...strip.data)).toBe(0);
  const rowSum = (v: number) =>
    strip.data.slice(v * strip.width, (v + 1) * strip.width).reduce((a, b) => a + b, 0);
  // The next line stands below; nothing of it is to be seen, nor of this one in the margins.
  expect(rowSum(0)).toBe(0);
  expect(rowSum(31)).toBe(0);
  expect(rowSum(16)).toBeGreaterThan(30);
  expect(stripOf(plane, of, first, 32, 100).width).toBe(100);
});
