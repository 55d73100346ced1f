import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import loadWabt from 'wabt';

import { KERNEL, plainProducts, productsHere } from './products';

const source = readFileSync(join(__dirname, 'products.wat'), 'utf8');

it('carries what its source comes to, as the WebAssembly Binary Toolkit makes it', async () => {
  const wabt = await loadWabt();
  const { buffer } = wabt.parseWat('products.wat', source, { simd: true }).toBinary({});
  expect(KERNEL).toBe(Buffer.from(buffer).toString('base64'));
});

const small = fc.integer({ min: 1, max: 11 });

it('adds up the same four numbers at a time as one after the other, whatever the sizes', () => {
  const products = productsHere();
  // Otherwise the same would be held against itself.
  expect(products).not.toBe(plainProducts);
  fc.assert(
    fc.property(small, small, fc.integer({ min: 1, max: 40 }), fc.integer(), (rows, places, each, seed) => {
      const numbers = (n: number, k: number) =>
        Float32Array.from({ length: n }, (_, i) => ((i * 7919 + k + (seed % 1000)) % 256) - 128);
      const [around, weights] = [numbers(places * each, 1), numbers(rows * each, 5)];
      // Whole numbers that are small add up exactly, in whatever order.
      expect([...products(around, weights, places, rows)]).toEqual([
        ...plainProducts(around, weights, places, rows),
      ]);
    }),
  );
});

it('makes room for more than it has', () => {
  const [places, rows, each] = [600, 90, 100];
  const around = new Float32Array(places * each).fill(1);
  const weights = Float32Array.from({ length: rows * each }, (_, i) => Math.floor(i / each));
  const out = productsHere()(around, weights, places, rows);
  expect(out.length).toBe(places * rows);
  expect(out.every((sum, i) => sum === each * Math.floor(i / places))).toBe(true);
});

it('does without where the machine knows no such instructions', () => {
  const validate = jest.spyOn(WebAssembly, 'validate').mockReturnValue(false);
  expect(productsHere()).toBe(plainProducts);
  validate.mockRestore();
});
