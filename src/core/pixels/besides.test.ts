import fc from 'fast-check';

import { hasSheetBeside } from './besides';
import type { Mask } from './pixels';

const SIZE = 160;

/** What lies on the floor where one of these says so, in shares of the picture. */
function maskOf(...inside: ((x: number, y: number) => boolean)[]): Mask {
  const data = new Uint8Array(SIZE * SIZE);
  for (let i = 0; i < data.length; i += 1)
    if (inside.some((is) => is((i % SIZE) / SIZE, Math.floor(i / SIZE) / SIZE))) data[i] = 255;
  return { width: SIZE, height: SIZE, data };
}
const disc = (cx: number, cy: number, r: number) => (x: number, y: number) => Math.hypot(x - cx, y - cy) < r;
/** A rectangle of these sides, turned by so many degrees. */
const sheet = (cx: number, cy: number, w: number, h: number, degrees: number) => {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return (x: number, y: number) =>
    Math.abs((x - cx) * cos + (y - cy) * sin) < w / 2 && Math.abs((y - cy) * cos - (x - cx) * sin) < h / 2;
};
const thing = disc(0.65, 0.5, 0.25);

it('sees a sheet or card beside a thing, however it is turned', () => {
  fc.assert(
    // A4 is 297 by 210 millimetres (ISO 216), a card 85.60 by 53.98 (ISO/IEC 7810, ID-1).
    fc.property(fc.constantFrom(297 / 210, 85.6 / 53.98), fc.integer({ min: 0, max: 179 }), (shape, turn) => {
      expect(hasSheetBeside(maskOf(thing, sheet(0.2, 0.5, 0.17, 0.17 * shape, turn)))).toBe(true);
    }),
  );
});

it.each([
  ['nothing lies beside it', []],
  ['a ball lies beside it', [disc(0.2, 0.5, 0.1)]],
  ['a square tile lies beside it', [sheet(0.2, 0.5, 0.2, 0.2, 0)]],
  ['a ruler lies beside it', [sheet(0.2, 0.5, 0.03, 0.6, 5)]],
  ['only a crumb lies beside it', [sheet(0.2, 0.5, 0.02, 0.03, 0)]],
])('sees none where %s', (_, beside) => expect(hasSheetBeside(maskOf(thing, ...beside))).toBe(false));

it('takes no sheet alone for one beside something', () => {
  expect(hasSheetBeside(maskOf(sheet(0.5, 0.5, 0.3, 0.42, 8)))).toBe(false);
});
