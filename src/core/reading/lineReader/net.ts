import type { Products } from './products';

/** A grid of numbers for each of some channels. */
export interface Maps {
  channels: number;
  height: number;
  width: number;
  data: Float32Array;
}

/** One step: what a neighbourhood of each place adds up to, what is negative taken for nothing. */
export interface Convolution {
  from: number;
  to: number;
  /** Height and width of the neighbourhood. */
  size: readonly [number, number];
  /** How many places it goes on by. */
  stride: number;
  /** How many rows and columns of nothing are put around. */
  padding: readonly [number, number];
  /** By channel made, channel taken, row, column. */
  weights: Float32Array;
  bias: Float32Array;
}

/** @returns sums, of which negative ones are nothing unless `linear` */
export function convolved(input: Maps, step: Convolution, products: Products, linear = false): Maps {
  const { to, stride, weights, bias } = step;
  const [kh, kw] = step.size;
  const around = padded(input, step.padding);
  const height = Math.floor((around.height - kh) / stride) + 1;
  const width = Math.floor((around.width - kw) / stride) + 1;
  const data = products(neighbourhoods(around, step, height, width), weights, height * width, to);
  for (let o = 0, at = 0; o < to; o += 1)
    for (const end = at + height * width; at < end; at += 1) {
      const value = data[at]! + bias[o]!;
      data[at] = linear || value > 0 ? value : 0;
    }
  return { channels: to, height, width, data };
}

/** Of each place what its neighbourhood holds, one after the other, as weights are ordered. */
function neighbourhoods(
  { channels, height: tall, width: wide, data }: Maps,
  { size: [kh, kw], stride }: Convolution,
  height: number,
  width: number,
): Float32Array {
  const out = new Float32Array(height * width * channels * kh * kw);
  for (let y = 0, at = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1)
      for (let c = 0; c < channels; c += 1)
        for (let ky = 0; ky < kh; ky += 1) {
          const from = (c * tall + y * stride + ky) * wide + x * stride;
          for (let kx = 0; kx < kw; kx += 1, at += 1) out[at] = data[from + kx]!;
        }
  return out;
}

/** With rows and columns of nothing around. */
function padded(input: Maps, [py, px]: readonly [number, number]): Maps {
  if (py === 0 && px === 0) return input;
  const { channels } = input;
  const [height, width] = [input.height + 2 * py, input.width + 2 * px];
  const data = new Float32Array(channels * height * width);
  for (let c = 0; c < channels; c += 1)
    for (let y = 0; y < input.height; y += 1) {
      const from = (c * input.height + y) * input.width;
      data.set(input.data.subarray(from, from + input.width), (c * height + y + py) * width + px);
    }
  return { channels, height, width, data };
}

/** Of each two rows the larger. */
export function halfAsHigh({ channels, height, width, data }: Maps): Maps {
  const half = height >> 1;
  const out = new Float32Array(channels * half * width);
  for (let c = 0; c < channels; c += 1)
    for (let y = 0; y < half; y += 1)
      for (let x = 0; x < width; x += 1) {
        const at = (c * height + 2 * y) * width + x;
        out[(c * half + y) * width + x] = Math.max(data[at]!, data[at + width]!);
      }
  return { channels, height: half, width, data: out };
}

export function sum(a: Maps, b: Maps): Maps {
  return { ...a, data: a.data.map((v, i) => v + b.data[i]!) };
}
