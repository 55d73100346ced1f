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
  const { from, to, stride, weights, bias } = step;
  const [kh, kw] = step.size;
  const around = padded(input, step.padding);
  const height = Math.floor((around.height - kh) / stride) + 1;
  const width = Math.floor((around.width - kw) / stride) + 1;
  const plane = height * width;
  const data = new Float32Array(to * plane);
  for (let o = 0; o < to; o += 1) {
    const out = data.subarray(o * plane, (o + 1) * plane);
    out.fill(bias[o]!);
    for (let i = 0; i < from; i += 1)
      for (let ky = 0; ky < kh; ky += 1) {
        const first = ((o * from + i) * kh + ky) * kw;
        const taps = weights.subarray(first, first + kw);
        for (let y = 0; y < height; y += 1) {
          const row = (i * around.height + y * stride + ky) * around.width;
          if (stride === 1 && kw === 3) addThree(out, y * width, width, around.data, row, taps);
          else addTaps(out, y * width, width, around.data, row, taps, stride);
        }
      }
    if (!linear) for (let p = 0; p < plane; p += 1) if (out[p]! < 0) out[p] = 0;
  }
  return { channels: to, height, width, data };
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

/** Most of the work: three neighbours at once take half the time of one after the other. */
function addThree(
  out: Float32Array,
  to: number,
  width: number,
  data: Float32Array,
  row: number,
  taps: Float32Array,
): void {
  const [a, b, c] = [taps[0]!, taps[1]!, taps[2]!];
  for (let x = 0; x < width; x += 1)
    out[to + x]! += a * data[row + x]! + b * data[row + x + 1]! + c * data[row + x + 2]!;
}

function addTaps(
  out: Float32Array,
  to: number,
  width: number,
  data: Float32Array,
  row: number,
  taps: Float32Array,
  stride: number,
): void {
  for (let k = 0; k < taps.length; k += 1) {
    const w = taps[k]!;
    for (let x = 0, from = row + k; x < width; x += 1, from += stride) out[to + x]! += w * data[from]!;
  }
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
