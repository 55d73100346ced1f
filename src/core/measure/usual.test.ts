import fc from 'fast-check';

import { usualLines } from './usual';
import type { Mask } from '../pixels/pixels';

/** A thing from 30 to 70 across and 20 to 80 down, and a sheet at the left. */
function scene(): Mask {
  const data = new Uint8Array(100 * 100);
  for (let y = 0; y < 100; y += 1)
    for (let x = 0; x < 100; x += 1)
      if ((x >= 30 && x < 70 && y >= 20 && y < 80) || (x >= 1 && x < 28 && y >= 2 && y < 98))
        data[y * 100 + x] = 255;
  return { width: 100, height: 100, data };
}
const SHEET = [
  { x: 0.01, y: 0.02 },
  { x: 0.28, y: 0.02 },
  { x: 0.28, y: 0.98 },
  { x: 0.01, y: 0.98 },
];

describe('lines laid by themselves', () => {
  it('end on the thing’s own edges, wherever near them their usual place is', () => {
    const share = fc.double({ min: 0.02, max: 0.15, noNaN: true });
    fc.assert(
      fc.property(share, share, fc.double({ min: 0.2, max: 0.8, noNaN: true }), (left, right, down) => {
        const [line] = usualLines(scene(), SHEET, [
          { measure: 'chest', line: [left, down, 1 - right, down] },
        ]);
        expect(line!.a.x).toBeCloseTo(0.3, 1);
        expect(line!.b.x).toBeCloseTo(0.7, 1);
        expect(line!.a.y).toBeCloseTo(0.2 + 0.6 * down, 2);
      }),
    );
  });
  it('are laid on the thing and not on the reference, though that is larger', () => {
    const wanted = [{ measure: 'length', line: [0.5, 0, 0.5, 1] as const }];
    const bounds = (sheet: typeof SHEET | null) => usualLines(scene(), sheet, wanted)[0]!.a.x;
    expect(bounds(SHEET)).toBeCloseTo(0.5, 1);
    expect(bounds(null)).toBeLessThan(0.3);
  });
  it('keep their usual place where the thing is not known, or its edge is far', () => {
    const wanted = [{ measure: 'neck', line: [0.4, 0.5, 0.6, 0.5] as const }];
    expect(usualLines(null, SHEET, wanted)[0]).toEqual({
      measure: 'neck',
      a: { x: 0.1 + 0.8 * 0.4, y: 0.5 },
      b: { x: 0.1 + 0.8 * 0.6, y: 0.5 },
    });
    const inside = usualLines(scene(), SHEET, wanted)[0]!;
    expect(inside.a.x).toBeCloseTo(0.46, 2);
    expect(inside.b.x).toBeCloseTo(0.54, 2);
  });
});
