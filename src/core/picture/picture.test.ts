import fc from 'fast-check';

import { fileType } from './fileType';
import { placementFor, scaledTo } from './rendition';

describe('fitting a picture', () => {
  it('fills up a square at the sides instead of cutting', () =>
    expect(placementFor(1500, 2000, { maxLongSide: 1600, shape: 'square' })).toEqual({
      canvasWidth: 1600,
      canvasHeight: 1600,
      x: 200,
      y: 0,
      width: 1200,
      height: 1600,
    }));
  it('never makes it larger', () => expect(scaledTo(800, 600, 2000)).toEqual({ width: 800, height: 600 }));

  it('keeps the whole picture in its shape, inside the canvas', () => {
    const side = fc.integer({ min: 1, max: 12_000 });
    fc.assert(
      fc.property(
        side,
        side,
        fc.integer({ min: 100, max: 4000 }),
        fc.constantFrom('any' as const, 'square' as const),
        (w, h, max, shape) => {
          const p = placementFor(w, h, { maxLongSide: max, shape });
          expect(Math.max(p.canvasWidth, p.canvasHeight)).toBeLessThanOrEqual(max);
          expect(p.x + p.width).toBeLessThanOrEqual(p.canvasWidth);
          expect(p.y + p.height).toBeLessThanOrEqual(p.canvasHeight);
          if (shape === 'square') expect(p.canvasWidth).toBe(p.canvasHeight);
          // Same shape to within the rounding of a pixel.
          const scale = Math.min(1, max / Math.max(w, h));
          expect(Math.abs(p.width - w * scale)).toBeLessThanOrEqual(1);
          expect(Math.abs(p.height - h * scale)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
});

describe('what a file is', () => {
  // First bytes as the formats' standards give them: JFIF/ISO 10918, PNG (ISO 15948), RIFF/WebP, ISO 14496-12
  // `ftyp`.
  it.each<[string, number[] | string]>([
    ['jpeg', [0xff, 0xd8, 0xff, 0xe0]],
    ['png', [0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]],
    ['webp', 'RIFF\0\0\0\0WEBP'],
    ['heic', '\0\0\0\x18ftypheic'],
    ['heic', '\0\0\0\x18ftypmif1'],
    ['unknown', '\0\0\0\x18ftypqt  '],
    ['unknown', 'hello there, text'],
    ['empty', []],
  ])('%s', (kind, bytes) =>
    expect(
      fileType(
        typeof bytes === 'string' ? Uint8Array.from(bytes, (ch) => ch.charCodeAt(0)) : Uint8Array.from(bytes),
      ),
    ).toBe(kind),
  );
  it('never throws', () => {
    fc.assert(fc.property(fc.uint8Array({ maxLength: 16 }), (bytes) => typeof fileType(bytes) === 'string'));
  });
});
