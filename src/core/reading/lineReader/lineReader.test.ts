import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { LineReader } from './lineReader';
import { convolved, halfAsHigh, sum } from './net';
import { plainProducts } from './products';
import reference from './reference.json';

const file = readFileSync(join(__dirname, '../../../../assets/lineReader.bin'));

it('adds up neighbourhoods, as worked out by hand', () => {
  const input = { channels: 1, height: 2, width: 3, data: Float32Array.of(1, 2, 3, 4, 5, 6) };
  const step = {
    from: 1,
    to: 1,
    size: [1, 3],
    stride: 1,
    padding: [0, 1],
    weights: Float32Array.of(1, 0, -1),
    bias: Float32Array.of(0.5),
  } as const;
  // Left neighbour less right one, and a half: -1.5, -1.5, 2.5 and -4.5, -1.5, 5.5.
  expect([...convolved(input, step, plainProducts, true).data]).toEqual([-1.5, -1.5, 2.5, -4.5, -1.5, 5.5]);
  expect([...convolved(input, step, plainProducts).data]).toEqual([0, 0, 2.5, 0, 0, 5.5]);
  const twice = { ...step, size: [1, 1], stride: 2, padding: [0, 0], weights: Float32Array.of(2) } as const;
  expect([...convolved(input, twice, plainProducts).data]).toEqual([2.5, 6.5]);
  expect([...halfAsHigh(input).data]).toEqual([4, 5, 6]);
  expect([...sum(input, input).data]).toEqual([2, 4, 6, 8, 10, 12]);
});

// What PyTorch 1.13 makes of the same strips with the same weights: training/lines/export.py.
it.each(reference.lines.map((line) => [line.said, line] as const))('reads %j as PyTorch does', (_, line) => {
  const ink = Buffer.from(line.ink, 'base64');
  const data = Float32Array.from(ink, (v) => v / 255);
  const { text, sure } = new LineReader(file).read({ width: line.width, height: 32, data });
  expect(text.replace(/\s+/gu, ' ').trim()).toBe(line.read);
  // Each sign is as sure as the surest of its columns.
  for (const one of sure) expect(line.surest.some((theirs) => Math.abs(theirs - one) < 0.002)).toBe(true);
});

it('is not made of what is no such file', () => {
  expect(() => new LineReader(file.subarray(0, file.length - 3))).toThrow(RangeError);
  expect(() => new LineReader(new Uint8Array([3, 65, 66, 67, 0, 9]))).toThrow(RangeError);
});
