import fc from 'fast-check';

import { regionsOf } from './regions';
import { componentsOf } from '../../pixels/components';

const [W, H] = [70, 40];
const box = fc.record({
  x: fc.integer({ min: 3, max: 55 }),
  y: fc.integer({ min: 3, max: 28 }),
  w: fc.integer({ min: 6, max: 30 }),
  h: fc.integer({ min: 6, max: 20 }),
});

describe('regions by whole runs', () => {
  it('are those that one finds pixel by pixel', () => {
    fc.assert(
      fc.property(fc.array(box, { minLength: 1, maxLength: 6 }), (boxes) => {
        const belongs = new Uint8Array(W * H);
        for (const { x, y, w, h } of boxes)
          for (let v = y; v < Math.min(H - 3, y + h); v += 1)
            for (let u = x; u < Math.min(W - 3, x + w); u += 1) belongs[v * W + u] = 1;
        const found = regionsOf(belongs, W, H, 1).reduce((sum, r) => sum + r.area, 0);
        const all = componentsOf(belongs, W, H).all;
        expect(found).toBeLessThanOrEqual(all.reduce((sum, c) => sum + c.area, 0));
        // Boxes of six and more come through the opening whole; only crevices between them may change.
        if (boxes.length === 1) {
          expect(regionsOf(belongs, W, H, 1)).toMatchObject(
            all.map(({ area, left, top, right, bottom }) => ({ area, left, top, right, bottom })),
          );
        }
      }),
    );
  });
  it('come apart where they hang together by a thread', () => {
    const belongs = new Uint8Array(W * H);
    for (let y = 5; y < 30; y += 1) for (let x = 5; x < 60; x += 1) belongs[y * W + x] = 1;
    for (let y = 5; y < 30; y += 1)
      for (let x = 28; x < 34; x += 1) if (y < 15 || y > 17) belongs[y * W + x] = 0;
    expect(componentsOf(belongs, W, H).all).toHaveLength(1);
    expect(regionsOf(belongs, W, H, 20)).toHaveLength(2);
  });
});
