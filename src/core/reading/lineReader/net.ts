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
export function convolved(input: Maps, step: Convolution, linear = false): Maps {
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

/**
 * What each row of `weights` and each neighbourhood come to, multiplied and added up: by row, then by place.
 * Four rows and two places at a time, so that each number is fetched once for several products: nearly all of
 * the reader's time is spent here.
 */
function products(around: Float32Array, weights: Float32Array, places: number, rows: number): Float32Array {
  const each = weights.length / rows;
  const out = new Float32Array(rows * places);
  for (let n = 0; n < places; n += 2) {
    // Past the end the last one is worked out again.
    const next = Math.min(n + 1, places - 1);
    const [p, q] = [n * each, next * each];
    for (let o = 0; o < rows; o += 4) {
      const [o1, o2, o3] = [Math.min(o + 1, rows - 1), Math.min(o + 2, rows - 1), Math.min(o + 3, rows - 1)];
      const [w0, w1, w2, w3] = [o * each, o1 * each, o2 * each, o3 * each];
      let [a, a2, b, b2, c, c2, d, d2] = [0, 0, 0, 0, 0, 0, 0, 0];
      for (let k = 0; k < each; k += 1) {
        const x = around[p + k]!;
        const y = around[q + k]!;
        a += weights[w0 + k]! * x;
        a2 += weights[w0 + k]! * y;
        b += weights[w1 + k]! * x;
        b2 += weights[w1 + k]! * y;
        c += weights[w2 + k]! * x;
        c2 += weights[w2 + k]! * y;
        d += weights[w3 + k]! * x;
        d2 += weights[w3 + k]! * y;
      }
      out[o * places + n] = a;
      out[o * places + next] = a2;
      out[o1 * places + n] = b;
      out[o1 * places + next] = b2;
      out[o2 * places + n] = c;
      out[o2 * places + next] = c2;
      out[o3 * places + n] = d;
      out[o3 * places + next] = d2;
    }
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
