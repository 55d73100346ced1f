import { convolved, halfAsHigh, sum, type Convolution, type Maps } from './net';
import { productsHere } from './products';
import type { Plane } from '../../pixels/pixels';

/** What was read in a strip of paper 0 and ink 1. */
export interface LineRead {
  text: string;
  /** How sure each sign of it is, 0 to 1. */
  sure: number[];
}

/** Height of the strips it reads, and the most columns of one. */
export const STRIP = { height: 32, longest: 512 } as const;
/** Columns of paper on either side. */
const BESIDE = 4;
/** Whether rows are halved after each of the first steps. */
const HALVED = [false, false, true, true, false] as const;

/**
 * Reads one line of letters, printed or by hand: convolutions over the strip give each column's odds for each
 * sign, and what repeats or is none is left out (connectionist temporal classification, Graves et al. 2006;
 * best path).
 *
 * @example
 *   const reader = new LineReader(weights);
 *   reader.read(strip).text; // 'Pit to pit 54,5'
 */
export class LineReader {
  private readonly signs: string;
  private readonly steps: readonly Convolution[];
  private readonly products = productsHere();

  /** @param file as `training/lines/export.py` writes it. @throws RangeError `lineReader` where it is not */
  constructor(file: Uint8Array) {
    const { signs, steps } = parsed(file);
    this.signs = signs;
    this.steps = steps;
  }

  read({ width, height, data }: Plane): LineRead {
    const wide = width + 2 * BESIDE;
    const padded = new Float32Array(wide * height);
    for (let y = 0; y < height; y += 1)
      padded.set(data.subarray(y * width, (y + 1) * width), y * wide + BESIDE);
    let maps: Maps = { channels: 1, height, width: wide, data: padded };
    const last = this.steps.length - 1;
    this.steps.forEach((step, i) => {
      const next = convolved(maps, step, this.products, i === last);
      // The last but one see along the line and add to what is there.
      maps = i < HALVED.length ? (HALVED[i] ? halfAsHigh(next) : next) : i < last ? sum(maps, next) : next;
    });
    return this.spelled(maps);
  }

  private spelled({ width, data }: Maps): LineRead {
    const count = this.signs.length + 1;
    let [text, last] = ['', 0];
    const sure: number[] = [];
    for (let x = 0; x < width; x += 1) {
      let [best, top, total] = [0, -Infinity, 0];
      for (let c = 0; c < count; c += 1)
        if (data[c * width + x]! > top) [best, top] = [c, data[c * width + x]!];
      for (let c = 0; c < count; c += 1) total += Math.exp(data[c * width + x]! - top);
      if (best !== 0 && best === last) sure[sure.length - 1] = Math.max(sure.at(-1) ?? 0, 1 / total);
      else if (best !== 0) {
        text += this.signs[best - 1]!;
        sure.push(1 / total);
      }
      last = best;
    }
    return { text, sure };
  }
}

/** Of each step: channels in and out, height, width, stride, rows and columns of padding. */
const NUMBERS = 7;

/**
 * The signs' count and themselves (a byte each), the steps' count, seven bytes for each, then for each its
 * scale by channel and bias (32-bit floats, little-endian) and its weights (signed bytes).
 */
function parsed(file: Uint8Array): { signs: string; steps: Convolution[] } {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const count = view.getUint8(0);
  const signs = String.fromCharCode(...file.subarray(1, 1 + count));
  const shapes = 2 + count;
  const many = view.getUint8(1 + count);
  let at = shapes + many * NUMBERS;
  const floats = (n: number) => Float32Array.from({ length: n }, () => view.getFloat32((at += 4) - 4, true));
  const steps = Array.from({ length: many }, (_, i): Convolution => {
    const number = (n: number) => view.getUint8(shapes + i * NUMBERS + n);
    const [from, to, size] = [number(0), number(1), [number(2), number(3)] as const];
    const each = from * size[0] * size[1];
    const [scale, bias] = [floats(to), floats(to)];
    const weights = Float32Array.from(
      { length: to * each },
      (__, k) => view.getInt8(at + k) * scale[Math.floor(k / each)]!,
    );
    at += weights.length;
    return { from, to, size, stride: number(4), padding: [number(5), number(6)], weights, bias };
  });
  if (at !== file.length) throw new RangeError('lineReader');
  return { signs, steps };
}
