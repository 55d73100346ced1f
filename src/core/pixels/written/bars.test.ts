import fc from 'fast-check';
import JsBarcode from 'jsbarcode';

import { barsRead } from './bars';
import { blurredDigits } from './blurredBars';
import { boxBlur, type Plane } from '../pixels';

/** The modules of an EAN-13, as a reference library draws them. */
function modulesOf(digits: string): string {
  const code: { encodings?: { data: string }[] } = {};
  JsBarcode(code, digits, { format: 'EAN13', flat: true });
  return (code.encodings ?? []).map(({ data }) => data).join('');
}

/** Light along a code, blurred. @param sigma in modules */
function rowOf(digits: string, sigma: number, { start, module }: { start: number; module: number }): Plane {
  const modules = modulesOf(digits);
  const data = Float32Array.from({ length: 1_400 }, (_, u) => {
    const at = Math.floor((u - start) / module);
    // Light falls off a little along it.
    return (modules[at] === '1' ? 70 : 205) - u / 60;
  });
  let plane: Plane = { width: data.length, height: 1, data };
  for (let pass = 0; pass < 3; pass += 1) plane = boxBlur(plane, Math.round(sigma * module));
  return plane;
}

const eanOf = (twelve: readonly number[]) => {
  const sum = twelve.reduce((s, d, i) => s + d * (i % 2 === 0 ? 1 : 3), 0);
  return [...twelve, (10 - (sum % 10)) % 10].join('');
};
const someDigits = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 12, maxLength: 12 }).map(eanOf);

describe('digits fitted to a blurred row', () => {
  it('are those that were drawn, whatever they are', () =>
    fc.assert(
      fc.property(
        someDigits,
        fc.integer({ min: 4, max: 7 }),
        fc.integer({ min: 190, max: 260 }),
        fc.integer({ min: 84, max: 104 }),
        (digits, tenths, start, module) => {
          const { data } = rowOf(digits, tenths / 10, { start, module: module / 10 });
          expect(blurredDigits(data, 1_000)).toBe(digits);
        },
      ),
      { numRuns: 12 },
    ));
  it('are none where the check digit is wrong', () => {
    const modules = modulesOf('5901234123457');
    // The last digit drawn as another, with the patterns of its half.
    const wrong = `${modules.slice(0, 85)}1110010${modules.slice(92)}`;
    const row = Float32Array.from({ length: 1_400 }, (_, u) =>
      wrong[Math.floor((u - 200) / 10)] === '1' ? 70 : 205,
    );
    const { data } = boxBlur({ width: 1_400, height: 1, data: row }, 6);
    expect(blurredDigits(data, 1_000)).toBeNull();
  });
  it('are none in stripes, in noise, on a plain wall', () => {
    let seed = 1;
    const noise = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
    for (const row of [
      Float32Array.from({ length: 1_400 }, (_, u) => 120 + 60 * Math.sin(u / 7)),
      boxBlur({ width: 1_400, height: 1, data: Float32Array.from({ length: 1_400 }, () => 255 * noise()) }, 4)
        .data,
      new Float32Array(1_400).fill(180),
    ])
      expect(blurredDigits(row, 1_000)).toBeNull();
  });
});

describe('bars', () => {
  const DIGITS = '5901234123457';
  /** A code on a wall, turned. */
  const turned = (angle: number): Plane => {
    const [width, height] = [600, 400];
    const data = new Float32Array(width * height).fill(210);
    const turn = (angle * Math.PI) / 180;
    const pattern = modulesOf(DIGITS);
    // Each pixel the mean of nine places, as a lens gives it.
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1)
        for (let k = 0; k < 9; k += 1) {
          const [dx, dy] = [x - 300 + (k % 3) / 3, y - 200 + Math.floor(k / 3) / 3];
          const u = dx * Math.cos(turn) + dy * Math.sin(turn) + 142;
          const v = dy * Math.cos(turn) - dx * Math.sin(turn);
          if (u >= 0 && Math.abs(v) < 55 && pattern[Math.floor(u / 3)] === '1')
            data[y * width + x]! -= 120 / 9;
        }
    return { width, height, data };
  };
  it.each([0, 24, -37, 70])('are found at %d°, set upright and shown to the reader', async (angle) => {
    const changes: number[] = [];
    const found = await barsRead(turned(angle), ({ width, data }) => {
      const row = data.subarray(0, width);
      changes.push(row.reduce((n, v, i) => n + (i > 0 && v < 128 !== row[i - 1]! < 128 ? 1 : 0), 0));
      return Promise.resolve('read');
    });
    if (!found) throw new Error('no bars');
    expect(found.digits).toBe('read');
    expect(Math.abs(((((found.bars.angle - angle + 270) % 180) + 180) % 180) - 90)).toBeLessThan(1.5);
    // 30 bars have 60 edges; a few more or less where the quiet is evened.
    for (const n of changes) {
      expect(n).toBeGreaterThan(48);
      expect(n).toBeLessThan(76);
    }
  });
  it.each([5, -8, 172])('are read at %d° where they are out of focus and no reader can', async (angle) => {
    let plane = turned(angle);
    for (let pass = 0; pass < 3; pass += 1) plane = boxBlur(plane, 2);
    const found = await barsRead(plane, () => Promise.resolve(null));
    expect(found?.digits).toBe(DIGITS);
  });
  it('count only where both halves say the same', async () => {
    let n = 0;
    const found = await barsRead(turned(12), () => Promise.resolve(`${(n += 1)}`));
    // Then they are fitted.
    expect(found?.digits).toBe(DIGITS);
  });
  it('are not seen where there are none', async () => {
    const plain = { width: 300, height: 200, data: new Float32Array(60_000).fill(180) };
    expect(await barsRead(plain, () => Promise.resolve('read'))).toBeNull();
  });
});
