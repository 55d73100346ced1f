import { Matrix, solve } from 'ml-matrix';

import { isValid, LEFT, RIGHT, textOf, WIDE, type Pattern } from './ean';

/** Modules of an EAN-13; where those of its twelve drawn digits begin. */
const MODULES = 95;
const BEGINS = Array.from({ length: 12 }, (_, k) => (k < 6 ? 3 + WIDE * k : 50 + WIDE * (k - 6)));
const GUARDS = [0, 2, 46, 48, 92, 94] as const;
const patternsAt = (digit: number) => (digit < 6 ? LEFT : RIGHT);

/** Samples a module; modules of quiet on each side that are looked at; modules a blurred one reaches. */
const FINE = 4;
const QUIET = 4;
const REACH = 3;
const SAMPLES = (MODULES + 2 * QUIET) * FINE;
/** Blurs that are tried, σ in modules. */
const SIGMAS = [0.35, 0.5, 0.65, 0.8] as const;
const ROUNDS = 5;

/** Where a code begins and ends in a row, and how far its middle is off half way: it may lie aslant. */
interface Place {
  start: number;
  end: number;
  bow: number;
}

interface Fit {
  place: Place;
  sigma: number;
  digits: number[];
  /** What is left of what there is to explain, 0 to 1. */
  left: number;
  /** How much more would be left with each pattern in a digit's place, squares of shares of the contrast. */
  more: number[][];
}

/**
 * What is left of a fit that is believed, and by how much any other number must fit worse. On tuning seeds
 * right ones leave up to 0.21 and lie 1.2 apart at least, wrong ones leave from 0.23 and lie 0.6 apart.
 */
const MOST_LEFT = 0.15;
const MARGIN = 0.9;

/**
 * An EAN-13 out of focus: its digits are not read from a row from which the blur was taken back, but
 * blurred as the picture is and held against the row, one after the other until none changes.
 *
 * @param row light across the bars, first to last, with quiet before and after
 * @param width about how wide the bars are in it; they may be a third narrower
 * @returns its digits, the check digit right; null where another number would fit nearly as well
 */
export function blurredDigits(row: Float32Array, width: number): string | null {
  let best: Fit | null = null;
  const blurs = SIGMAS.map(blurOf);
  for (const place of placesIn(row, width))
    for (const blur of blurs) {
      const fit = fitted(row, place, blur);
      if (fit && (best === null || fit.left < best.left)) best = fit;
    }
  return best && surest(refined(row, best));
}

/** Quiet and the guard bars after it, read inwards; the middle guard between a bar on each side. */
const GUARD = { modules: [0, 0, 0, 0, 0, 1, 0, 1, 0], from: -5 } as const;
const CENTRE = { modules: [1, 0, 1, 0, 1, 0, 1], from: 44 } as const;
/** Widths that are tried, shares of the one expected; starts and ends kept for each; places kept. */
const NARROWEST = 0.62;
const WIDEST = 1.06;
const STEP = 0.04;
const KEPT = 4;
const TRIED = 14;
/** Shares by which a module may be wider or narrower than was tried; modules that the middle may be off. */
const STRETCH = 0.05;
const OFF = 1.2;

/** Where quiet, guard bars and the middle look most like themselves. */
function placesIn(row: Float32Array, width: number): Place[] {
  const places: { place: Place; like: number }[] = [];
  for (let share = NARROWEST; share < WIDEST; share += STEP) {
    const module = (share * width) / MODULES;
    const starts = bestOf(row.length, module, (at) => likeness(row, at, module, GUARD));
    const ends = bestOf(row.length, module, (at) => likeness(row, at, -module, GUARD));
    for (const start of starts)
      for (const end of ends) {
        const own = (end.at - start.at) / MODULES;
        if (Math.abs(own / module - 1) > STRETCH) continue;
        const offs = Array.from({ length: 13 }, (_, i) => ((i - 6) / 6) * OFF);
        const middle = offs
          .map((off) => ({ off, like: likeness(row, start.at + off * own, own, CENTRE) }))
          .sort((one, other) => other.like - one.like)[0]!;
        places.push({
          place: { start: start.at, end: end.at, bow: middle.off / MODULES },
          like: start.like + end.like + middle.like,
        });
      }
  }
  return places
    .sort((one, other) => other.like - one.like)
    .slice(0, TRIED)
    .map(({ place }) => place);
}

/** The few best places along a row, a module apart at least. */
function bestOf(
  length: number,
  module: number,
  like: (at: number) => number,
): { at: number; like: number }[] {
  const found: { at: number; like: number }[] = [];
  for (let at = 0; at < length; at += module / FINE) found.push({ at, like: like(at) });
  return found
    .filter(({ like: own }, i) => own >= (found[i - 1]?.like ?? -1) && own >= (found[i + 1]?.like ?? -1))
    .sort((one, other) => other.like - one.like)
    .slice(0, KEPT);
}

/** Correlation of what is dark with some modules, from one of them on; backwards with a negative module. */
function likeness(
  row: Float32Array,
  at: number,
  module: number,
  { modules, from }: { modules: readonly number[]; from: number },
): number {
  const n = modules.length * FINE;
  let [sum, squares, bars, both] = [0, 0, 0, 0];
  for (let i = 0; i < n; i += 1) {
    const dark = -at01(row, at + ((i + 0.5) / FINE + from) * module);
    const bar = modules[Math.floor(i / FINE)]!;
    sum += dark;
    squares += dark * dark;
    bars += bar;
    both += bar * dark;
  }
  const spread = Math.sqrt(Math.max(1, squares / n - (sum / n) ** 2));
  return (both / n - (bars / n) * (sum / n)) / spread;
}

/** The value between two of a row, its border beyond it. */
function at01(row: Float32Array, u: number): number {
  const x = Math.min(row.length - 1.001, Math.max(0, u - 0.5));
  const i = Math.floor(x);
  return row[i]! * (1 - x + i) + row[i + 1]! * (x - i);
}

/** The row by modules, from the quiet before the first to the quiet after the last. */
function sampled(row: Float32Array, { start, end, bow }: Place): Float64Array {
  return Float64Array.from({ length: SAMPLES }, (_, i) => {
    const share = ((i + 0.5) / FINE - QUIET) / MODULES;
    return at01(row, start + (end - start) * (share + 4 * bow * share * (1 - share)));
  });
}

/** What one bar a module wide makes, blurred; from {@link REACH} modules before it to as many after. */
function spreadOf(sigma: number): Float64Array {
  // Normal distribution, within 0.0002: Page, "Approximations to the Cumulative Normal Function" (1977).
  const below = (x: number) => 1 / (1 + Math.exp(-1.5976 * x - 0.070_565 * x ** 3));
  return Float64Array.from({ length: (2 * REACH + 1) * FINE }, (_, i) => {
    const t = (i + 0.5) / FINE - REACH;
    return below(t / sigma) - below((t - 1) / sigma);
  });
}

/** Adds so much of bars, blurred, from a module on. */
function add(to: Float64Array, spread: Float64Array, bars: Pattern, from: number, by: number): void {
  bars.forEach((bar, k) => {
    if (bar === 0) return;
    const at = (from + k + QUIET - REACH) * FINE;
    for (let i = Math.max(0, -at); i < spread.length && at + i < SAMPLES; i += 1)
      to[at + i]! += bar * by * spread[i]!;
  });
}

/** What a blur makes of a bar and of each pattern, {@link LEFT} and {@link RIGHT}. */
interface Blur {
  sigma: number;
  spread: Float64Array;
  shapes: readonly (readonly Float64Array[])[];
}

function blurOf(sigma: number): Blur {
  const spread = spreadOf(sigma);
  const shapes = [LEFT, RIGHT].map((patterns) =>
    patterns.map((pattern) => {
      const shape = new Float64Array(SAMPLES);
      add(shape, spread, pattern, 0, 1);
      return shape.slice((QUIET - REACH) * FINE, (QUIET + WIDE + REACH) * FINE);
    }),
  );
  return { sigma, spread, shapes };
}

/** What is known before any digit is: of a half's patterns, how often each module is a bar. */
const anyOf = (patterns: readonly Pattern[]): Pattern =>
  Array.from({ length: WIDE }, (_, i) => patterns.reduce((sum, p) => sum + p[i]!, 0) / patterns.length);
const ANY_LEFT = anyOf(LEFT);
const ANY_RIGHT = anyOf(RIGHT);

function fitted(row: Float32Array, place: Place, blur: Blur, digits?: readonly number[]): Fit | null {
  const { sigma, spread, shapes } = blur;
  const light = sampled(row, place);
  const dark = new Float64Array(SAMPLES);
  for (const guard of GUARDS) add(dark, spread, [1], guard, 1);
  const now: (number | null)[] = BEGINS.map((_, k) => digits?.[k] ?? null);
  const barsOf = (k: number): Pattern => {
    const digit = now[k];
    return digit === null || digit === undefined ? (k < 6 ? ANY_LEFT : ANY_RIGHT) : patternsAt(k)[digit]!;
  };
  BEGINS.forEach((begin, k) => add(dark, spread, barsOf(k), begin, 1));
  const more: number[][] = [];
  let wanted = leveled(light, dark);
  for (let round = 0; round < ROUNDS; round += 1) {
    if (!wanted) return null;
    const seen = wanted;
    let isSame = true;
    for (const [k, begin] of BEGINS.entries()) {
      add(dark, spread, barsOf(k), begin, -1);
      const costs = shapes[k < 6 ? 0 : 1]!.map((shape) => costOf(seen, dark, shape, begin));
      const least = Math.min(...costs);
      const digit = costs.indexOf(least);
      more[k] = costs.map((cost) => cost - least);
      if (digit !== now[k]) isSame = false;
      now[k] = digit;
      add(dark, spread, barsOf(k), begin, 1);
    }
    wanted = leveled(light, dark);
    if (isSame) break;
  }
  if (!wanted) return null;
  let left = 0;
  for (let i = 0; i < SAMPLES; i += 1) left += (wanted[i]! - dark[i]!) ** 2;
  left /= scatterOf(wanted);
  return { place, sigma, digits: now.map((digit) => digit ?? 0), left, more };
}

/** Sum of squares about the mean. */
function scatterOf(values: Float64Array): number {
  let [sum, squares] = [0, 0];
  for (const value of values) {
    sum += value;
    squares += value * value;
  }
  return squares - (sum * sum) / values.length;
}

function costOf(wanted: Float64Array, dark: Float64Array, shape: Float64Array, begin: number): number {
  const from = (begin + QUIET - REACH) * FINE;
  let cost = 0;
  for (let i = 0; i < shape.length; i += 1) cost += (wanted[from + i]! - dark[from + i]! - shape[i]!) ** 2;
  return cost;
}

/**
 * Light as darkness, paper 0 and bars 1, both changing evenly along the row: by least squares.
 *
 * @returns null where bars are no darker than the paper
 */
function leveled(light: Float64Array, dark: Float64Array): Float64Array | null {
  const normal = new Matrix(4, 4);
  const right = new Matrix(4, 1);
  for (let i = 0; i < SAMPLES; i += 1) {
    const along = (2 * i) / SAMPLES - 1;
    const terms = [1, along, dark[i]!, along * dark[i]!];
    for (let r = 0; r < 4; r += 1) {
      right.set(r, 0, right.get(r, 0) + terms[r]! * light[i]!);
      for (let c = 0; c < 4; c += 1) normal.set(r, c, normal.get(r, c) + terms[r]! * terms[c]!);
    }
  }
  for (let r = 0; r < 4; r += 1) normal.set(r, r, normal.get(r, r) + 1e-9);
  const [p0 = 0, p1 = 0, c0 = 0, c1 = 0] = solve(normal, right).to1DArray();
  if (-c0 - Math.abs(c1) < LEAST_CONTRAST) return null;
  return light.map((value, i) => {
    const along = (2 * i) / SAMPLES - 1;
    return (value - p0 - p1 * along) / (c0 + c1 * along);
  });
}

/** Levels of grey that bars are darker than paper at the least. */
const LEAST_CONTRAST = 6;

/** Start, end, bow and blur moved a little as long as less is left. */
function refined(row: Float32Array, first: Fit): Fit {
  let best = first;
  const module = (first.place.end - first.place.start) / MODULES;
  for (let step = 0.4; step > 0.04; step /= 2)
    for (let again = true, turns = 0; again && turns < 6; turns += 1) {
      again = false;
      for (const [start, end, bow, sigma] of MOVES) {
        const { place } = best;
        const moved = {
          start: place.start + start * step * module,
          end: place.end + end * step * module,
          bow: place.bow + (bow * step) / MODULES,
        };
        const blurred = Math.min(1, Math.max(0.25, best.sigma + sigma * step * 0.3));
        const fit = fitted(row, moved, blurOf(blurred), best.digits);
        if (fit && fit.left < best.left) [best, again] = [fit, true];
      }
    }
  return best;
}

const MOVES = [
  [1, 0, 0, 0],
  [-1, 0, 0, 0],
  [0, 1, 0, 0],
  [0, -1, 0, 0],
  [0, 0, 1, 0],
  [0, 0, -1, 0],
  [0, 0, 0, 1],
  [0, 0, 0, -1],
] as const;

/** The number that fits best of those that can be, where no other fits nearly as well. */
function surest({ digits, left, more }: Fit): string | null {
  if (left > MOST_LEFT) return null;
  let best: readonly number[] | null = null;
  let [least, next] = [Infinity, Infinity];
  for (const [other, extra] of others(digits, more)) {
    if (!isValid(other)) continue;
    if (extra < least) [best, least, next] = [other, extra, least];
    else next = Math.min(next, extra);
  }
  return best && next - least > MARGIN ? textOf(best) : null;
}

/** The digits as they fit best, and with one or two of them otherwise. */
function* others(digits: readonly number[], more: readonly number[][]): Generator<[number[], number]> {
  yield [[...digits], 0];
  for (let k = 0; k < digits.length; k += 1)
    for (const [one, extra] of more[k]!.entries()) {
      if (one === digits[k]) continue;
      const changed = digits.map((digit, i) => (i === k ? one : digit));
      yield [changed, extra];
      for (let l = k + 1; l < digits.length; l += 1)
        for (const [two, further] of more[l]!.entries())
          if (two !== digits[l]) yield [changed.map((digit, i) => (i === l ? two : digit)), extra + further];
    }
}
