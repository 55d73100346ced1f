import * as culori from 'culori/require';
import fc from 'fast-check';

import { ciede2000, labOf, labPixels, type Lab } from './lab';

describe('colour difference', () => {
  // Sharma, Wu & Dalal (2005), table 1: pairs chosen to find wrong implementations. Copied from memory of
  // that table.
  it.each<[Lab, Lab, number]>([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, 2.8361, -74.02], [50, 0, -82.7485], 3.4412],
    [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1],
    [[50, 0, 0], [50, -1, 2], 2.3669],
    [[50, 2.49, -0.001], [50, -2.49, 0.0009], 7.1792],
    [[50, 2.49, -0.001], [50, -2.49, 0.0011], 7.2195],
    [[50, -0.001, 2.49], [50, 0.0009, -2.49], 4.8045],
    [[50, 2.5, 0], [50, 0, -2.5], 4.3065],
    [[50, 2.5, 0], [73, 25, -18], 27.1492],
    [[50, 2.5, 0], [61, -5, 29], 22.8977],
    [[50, 2.5, 0], [56, -27, -3], 31.903],
    [[50, 2.5, 0], [58, 24, 15], 19.4535],
    [[60.2574, -34.0099, 36.2677], [60.4626, -34.1751, 39.4387], 1.2644],
    [[63.0109, -31.0961, -5.8663], [62.8187, -29.7946, -4.0864], 1.263],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ])('%j and %j are %d apart', (a, b, expected) => {
    expect(ciede2000(a, b)).toBeCloseTo(expected, 4);
    expect(ciede2000(b, a)).toBeCloseTo(expected, 4);
  });
});

it('makes L*a*b* of sRGB as a colour library does, one by one and by the picture', () => {
  const toLab = culori.converter('lab65');
  const byte = fc.integer({ min: 0, max: 255 });
  fc.assert(
    fc.property(byte, byte, byte, (r, g, b) => {
      const expected = toLab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
      const [l, a, bb] = labOf(r, g, b);
      expect(Math.abs(l - expected.l)).toBeLessThan(0.02);
      expect(Math.abs(a - expected.a)).toBeLessThan(0.05);
      expect(Math.abs(bb - expected.b)).toBeLessThan(0.05);
      const [pl, pa, pb] = labPixels({ width: 1, height: 1, data: Uint8ClampedArray.of(r, g, b, 255) }).data;
      expect(Math.hypot(pl! - l, pa! - a, pb! - bb)).toBeLessThan(0.15);
    }),
  );
});
