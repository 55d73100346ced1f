import type { KnownPlane } from '@/contract/picture';

import { laidLengths } from './laid';
import type { Mask } from '../pixels/pixels';

/** From straight above, one pixel a millimetre: a thing of 400 by 500, and a sheet of A4 beside it. */
const SIZE = { width: 1_000, height: 800 };
const [LEFT, TOP] = [450, 150];
function mask(): Mask {
  const data = new Uint8Array(SIZE.width * SIZE.height);
  const fill = (x: number, y: number, w: number, h: number) => {
    for (let row = y; row < y + h; row += 1) data.fill(255, row * SIZE.width + x, row * SIZE.width + x + w);
  };
  fill(LEFT, TOP, 400, 500);
  fill(50, 100, 210, 297);
  return { ...SIZE, data };
}
const corner = (x: number, y: number) => ({ x: x / SIZE.width, y: y / SIZE.height });
const A4: KnownPlane = {
  reference: 'a4',
  corners: [corner(50, 100), corner(260, 100), corner(260, 397), corner(50, 397)],
  sigmas: [0.3, 0.3, 0.3, 0.3],
};

// A4 is 210 by 297 millimetres: ISO 216.
it('measures along lines on the thing’s own edges, with how far that may be off', () => {
  const [across, down] = laidLengths(mask(), SIZE, A4, [
    { measure: 'width', line: [0, 0.5, 1, 0.5] },
    { measure: 'height', line: [0.5, 0, 0.5, 1] },
  ]);
  expect(Math.abs(across!.mm - 400)).toBeLessThan(6);
  expect(Math.abs(down!.mm - 500)).toBeLessThan(8);
  for (const { plusMinus } of [across!, down!]) {
    expect(plusMinus).toBeGreaterThan(0);
    expect(plusMinus).toBeLessThan(15);
  }
  expect(across!.a.x).toBeCloseTo(LEFT / SIZE.width, 1);
});

it('measures nothing by corners that no such sheet can have', () => {
  const crossed: KnownPlane = {
    ...A4,
    corners: [A4.corners[0], A4.corners[2], A4.corners[1], A4.corners[3]],
  };
  expect(laidLengths(mask(), SIZE, crossed, [{ measure: 'width', line: [0, 0.5, 1, 0.5] }])).toEqual([]);
});
