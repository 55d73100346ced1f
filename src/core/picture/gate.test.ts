import { createCanvas } from '@napi-rs/canvas';
import fc from 'fast-check';
import { deflateSync } from 'node:zlib';

import { MOST_PICTURE_BYTES, pictureGate } from './gate';

// The frames of files, by their standards: PNG ISO/IEC 15948 (5.6, 11.2.2), JPEG ISO/IEC 10918-1 (B.2), WebP
// RFC 9649 (2.7), animated PNG: W3C PNG third edition, 11.3.6.1.
const u32 = (n: number) => [(n >>> 24) & 255, (n >>> 16) & 255, (n >>> 8) & 255, n & 255];
const ascii = (text: string) => [...text].map((ch) => ch.charCodeAt(0));
const chunk = (type: string, data: number[]) => [...u32(data.length), ...ascii(type), ...data, 0, 0, 0, 0];
const png = (width: number, height: number, more: number[] = []) =>
  new Uint8Array([
    0x89,
    ...ascii('PNG\r\n'),
    0x1a,
    0x0a,
    ...chunk('IHDR', [...u32(width), ...u32(height), 8, 6, 0, 0, 0]),
    ...more,
    ...chunk('IDAT', [...deflateSync(Buffer.alloc(100))]),
    ...chunk('IEND', []),
  ]);
const u16 = (n: number) => [(n >> 8) & 255, n & 255];
const jpeg = (width: number, height: number, { sof = 0xc0, scans = 1 } = {}) =>
  new Uint8Array([
    0xff,
    0xd8,
    0xff,
    0xe0,
    ...u16(4),
    0,
    0,
    0xff,
    sof,
    ...u16(11),
    8,
    ...u16(height),
    ...u16(width),
    1,
    1,
    0x11,
    0,
    ...Array.from({ length: scans }, () => [
      0xff,
      0xda,
      ...u16(8),
      1,
      1,
      0,
      0,
      63,
      0,
      0x12,
      0xff,
      0x00,
      0x34,
    ]).flat(),
    0xff,
    0xd9,
  ]);
const u24le = (n: number) => [n & 255, (n >> 8) & 255, (n >> 16) & 255];
const u32le = (n: number) => [...u24le(n), (n >>> 24) & 255];
/** An extended WebP with its canvas; animated where told. */
const webp = (width: number, height: number, animated = false) => {
  const vp8x = [
    ...ascii('VP8X'),
    ...u32le(10),
    animated ? 0x02 : 0,
    0,
    0,
    0,
    ...u24le(width - 1),
    ...u24le(height - 1),
  ];
  const anim = animated ? [...ascii('ANIM'), ...u32le(6), 0, 0, 0, 0, 0, 0] : [];
  const body = [...ascii('WEBP'), ...vp8x, ...anim];
  return new Uint8Array([...ascii('RIFF'), ...u32le(body.length), ...body]);
};

describe('the gate for pictures', () => {
  it('lets through what cameras and shops make, whatever it is in', () => {
    expect(pictureGate(png(4_000, 3_000))).toEqual({ ok: true, kind: 'png', width: 4_000, height: 3_000 });
    expect(pictureGate(jpeg(4_000, 3_000))).toMatchObject({ ok: true, kind: 'jpeg' });
    // Drawn in passes, as pages like it.
    expect(pictureGate(jpeg(1_600, 1_600, { sof: 0xc2, scans: 10 }))).toMatchObject({ ok: true });
    expect(pictureGate(webp(2_000, 2_000))).toMatchObject({ ok: true, kind: 'webp', width: 2_000 });
    // Animated: the first picture is what counts.
    expect(pictureGate(webp(500, 400, true))).toMatchObject({ ok: true, kind: 'webp' });
    expect(pictureGate(png(500, 400, chunk('acTL', [...u32(90), ...u32(0)])))).toMatchObject({ ok: true });
  });
  it('takes pictures as an encoder outside this project makes them', () => {
    const canvas = createCanvas(320, 200);
    for (const [type, kind] of [
      ['image/jpeg', 'jpeg'],
      ['image/png', 'png'],
      ['image/webp', 'webp'],
    ] as const)
      expect(pictureGate(canvas.toBuffer(type as 'image/png'))).toEqual({
        ok: true,
        kind,
        width: 320,
        height: 200,
      });
  });
  it.each([
    ['a PNG of 30,000 × 30,000', png(30_000, 30_000), 'tooManyPixels'],
    [
      'an animated PNG of 20,000 × 20,000',
      png(20_000, 20_000, chunk('acTL', [...u32(9_999), ...u32(0)])),
      'tooManyPixels',
    ],
    ['a JPEG of 65,000 × 65,000', jpeg(65_000, 65_000), 'tooLong'],
    ['an animated WebP of 16,000 × 16,000', webp(16_000, 16_000, true), 'tooManyPixels'],
    ['a JPEG in 5,000 passes', jpeg(4_000, 3_000, { sof: 0xc2, scans: 5_000 }), 'tooManyPasses'],
    ['a JPEG one pixel high and 60,000 long', jpeg(60_000, 1), 'tooLong'],
    ['a JPEG without a size', jpeg(0, 0), 'damaged'],
    ['a head without a body', new Uint8Array([0xff, 0xd8, 0xff]), 'damaged'],
    ['a page', new Uint8Array(ascii('<!doctype html><script>')), 'notPicture'],
    [
      'a drawing that runs scripts',
      new Uint8Array(ascii('<svg xmlns="http://www.w3.org/2000/svg">')),
      'notPicture',
    ],
    ['nothing', new Uint8Array(), 'empty'],
  ])('turns away %s, and says why', (_, bytes, code) => {
    expect(pictureGate(bytes)).toMatchObject({ ok: false, why: { code } });
  });
  it('turns away a file that is larger than any camera’s, from its size alone', () => {
    expect(pictureGate(jpeg(100, 100), MOST_PICTURE_BYTES + 1)).toMatchObject({
      why: { code: 'fileTooLarge' },
    });
  });
  it('says something of any bytes at all, and never lets through more pixels than it says', () => {
    const start = fc.constantFrom(
      [0xff, 0xd8, 0xff],
      [0x89, ...ascii('PNG\r\n'), 0x1a, 0x0a],
      ascii('RIFF....WEBP'),
      [],
    );
    fc.assert(
      fc.property(start, fc.uint8Array({ maxLength: 300 }), (begin, rest) => {
        const gate = pictureGate(new Uint8Array([...begin, ...rest]));
        if (gate.ok) expect(gate.width * gate.height).toBeLessThanOrEqual(64_000_000);
        else expect(gate.why.code).not.toBe('');
      }),
    );
  });
});
