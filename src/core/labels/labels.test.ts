import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';

import { code128Widths } from './code128';
import { barsAcross, placesFor, printable, QUIET, STOCKS } from './layout';

describe.each(STOCKS.map((s) => [s.name, s] as const))('%s', (_, stock) => {
  const each = stock.columns * stock.rows;
  it('puts every label on its page, none over another', () => {
    const places = placesFor(stock, each * 2 + 1);
    expect(places.at(-1)?.page).toBe(2);
    for (const { x, y } of places) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(y).toBeGreaterThanOrEqual(0);
      expect(x + stock.label.width).toBeLessThanOrEqual(stock.page.width + 0.01);
      expect(y + stock.label.height).toBeLessThanOrEqual(stock.page.height + 0.01);
    }
    for (const a of places)
      for (const b of places)
        if (a !== b && a.page === b.page)
          expect(
            Math.abs(a.x - b.x) >= stock.label.width - 0.01 ||
              Math.abs(a.y - b.y) >= stock.label.height - 0.01,
          ).toBe(true);
  });
  it('leaves out what is used up already', () => {
    fc.assert(
      fc.property(fc.nat(each - 1), fc.integer({ min: 1, max: 50 }), (used, count) => {
        expect(placesFor(stock, count, used)).toEqual(placesFor(stock, count + used).slice(used));
      }),
    );
  });
});

describe('the barcode on a label', () => {
  beforeAll(() => {
    const wasm = readFileSync('node_modules/zxing-wasm/dist/reader/zxing_reader.wasm');
    prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer } });
  });
  /** The bars as pixels, four to a module, read again by a published barcode library. */
  const read = async (text: string) => {
    const widths = code128Widths(text)!;
    const width = (widths.reduce((a, b) => a + b, 0) + 2 * QUIET) * 4;
    const height = 80;
    const data = new Uint8ClampedArray(width * height * 4).fill(255);
    for (const bar of barsAcross(widths, width))
      for (let x = Math.round(bar.left); x < Math.round(bar.left + bar.width); x += 1)
        for (let y = 0; y < height; y += 1) data.fill(0, (y * width + x) * 4, (y * width + x) * 4 + 3);
    const found = await readBarcodes({ data, width, height, colorSpace: 'srgb' } as ImageData, {
      formats: ['Code128'],
    });
    return found[0]?.text;
  };
  it.each(['YA-0001', 'JUM-KMG-0007-GNX-A3-12', 'Box 4', 'X_X.0042'])('says %p to a reader', async (text) =>
    expect(await read(text)).toBe(text),
  );
});

it('holds no more than plain ASCII', () =>
  expect([code128Widths('Café'), code128Widths('')]).toEqual([null, null]));

it('shows what a plain font can’t as a question mark', () =>
  expect(printable('Café 🧶 שלום €')).toBe('Café ? ???? ?'));
