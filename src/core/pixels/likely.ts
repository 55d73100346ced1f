import { backgroundOfBorder, backgroundRow, type Background } from './background';
import { componentsOf } from './components';
import { enteringAt, type Side } from './entering';
import type { LabPixels } from './lab';

/** Where the item is likelier than the floor. */
export interface Likely {
  belongs: Uint8Array;
  /** What the border says of the floor. */
  border: Background;
  /**
   * Pixels that could as well be the one as the other, over those that belong: more than 1 when nothing
   * does.
   */
  unsure: number;
  /** Sides of the picture that something runs in from. */
  enters: Side[];
}

/** Width of the border that is taken for floor, as a share of the shorter side. */
const RING = 0.05;
const ROUNDS = 4;
/**
 * How far what is likely spreads, as a share of the longer side, and the change of colour that ends it, ΔE.
 */
const REACH = 0.03;
const STOP = 14;
/** The middle is likelier to be item than the rim, before anything is seen: logarithms of the odds. */
const PRIOR = [0, -1] as const;
/** What the first look has to exceed. */
const FIRST = 0.15;

/**
 * Weighs colours: those met along the border are the floor's, with their darker shades where shadows fall;
 * those met within and not there the item's; and again with what was found, until it settles.
 */
export function likelyItem(lab: LabPixels): Likely {
  const { width, height } = lab;
  const background = backgroundOfBorder(lab);
  const flat = flattened(lab, background);
  const bins = binsOf(flat);
  const entering = enteringAt(flat);
  const ring = ringOf(width, height);
  // What runs in from beyond the border is not what it lies on.
  for (let p = 0; p < ring.length; p += 1) if (entering.where[p] === 1) ring[p] = 0;
  const prior = priorOf(width, height);
  let belongs = new Uint8Array(width * height);
  const everything = new Uint8Array(width * height).fill(1);
  const nowhere = new Uint8Array(width * height);
  let unsure = 1;
  const shades = shadesOf(flat, bins);
  let floor = shaded(shades, ring);
  let item = histogramOf(bins, everything, PASSES);
  const passages = passagesOf(lab, REACH * Math.max(width, height), STOP);
  for (let round = 0; round < ROUNDS; round += 1) {
    const smooth = smoothedWithin(likelier(bins, item, floor, prior), passages, width);
    const next = round === 0 ? whereOver(smooth, FIRST, ring) : whereOver(smooth, 0, nowhere);
    belongs = withoutRunners(next, entering.where, width, height);
    unsure = undecided(smooth) / Math.max(1, count(belongs));
    if (round === ROUNDS - 1) break;
    floor = shaded(shades, outsideOf(belongs));
    item = histogramOf(bins, belongs, PASSES);
  }
  return {
    belongs,
    border: background,
    unsure: count(belongs) === 0 ? 1 : unsure,
    enters: entering.sides,
  };
}

/** 1 where a value is over a limit and it is not `except`. */
function whereOver(values: Float32Array, limit: number, except: Uint8Array): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(values.length);
  for (let p = 0; p < out.length; p += 1) if (values[p]! > limit && except[p] === 0) out[p] = 1;
  return out;
}

/** 1 where it was 0. */
function outsideOf(belongs: Uint8Array): Uint8Array {
  const out = new Uint8Array(belongs.length);
  for (let p = 0; p < out.length; p += 1) out[p] = 1 - belongs[p]!;
  return out;
}

function ringOf(width: number, height: number): Uint8Array {
  const wide = Math.max(2, Math.round(RING * Math.min(width, height)));
  const ring = new Uint8Array(width * height);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1)
      if (x < wide || y < wide || x >= width - wide || y >= height - wide) ring[p] = 1;
  return ring;
}

function priorOf(width: number, height: number): Float32Array {
  const prior = new Float32Array(width * height);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      const far = Math.max(Math.abs((2 * x) / width - 1), Math.abs((2 * y) / height - 1));
      prior[p] = PRIOR[0] + (PRIOR[1] - PRIOR[0]) * far * far;
    }
  return prior;
}

/**
 * Boards and stripes that run in from the border go; what reaches the middle of the picture stays, and
 * what is of colours that come in there only.
 */
function withoutRunners(
  belongs: Uint8Array,
  entering: Uint8Array,
  width: number,
  height: number,
): Uint8Array<ArrayBuffer> {
  const { of, all } = componentsOf(belongs, width, height);
  const contact = new Int32Array(all.length + 1);
  const central = new Int32Array(all.length + 1);
  const enters = new Int32Array(all.length + 1);
  const wide = Math.round(RING * Math.min(width, height));
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      const id = of[p]!;
      if (id === 0) continue;
      enters[id]! += entering[p]!;
      if (x <= wide || y <= wide || x >= width - 1 - wide || y >= height - 1 - wide) contact[id]! += 1;
      if (Math.abs((2 * x) / width - 1) < 0.4 && Math.abs((2 * y) / height - 1) < 0.4) central[id]! += 1;
    }
  const middle = 0.16 * width * height;
  const out = new Uint8Array(belongs.length);
  for (let p = 0; p < out.length; p += 1) {
    const id = of[p]!;
    if (id === 0) continue;
    const isCentral = central[id]! > Math.min(all[id - 1]!.area * 0.3, middle * 0.5);
    if (contact[id]! < 4 || isCentral || enters[id]! > contact[id]! * 0.3) out[p] = 1;
  }
  return out;
}

/** Pixels whose odds are less than e to 1 either way. */
function undecided(odds: Float32Array): number {
  let n = 0;
  for (let p = 0; p < odds.length; p += 1) if (Math.abs(odds[p]!) < 1) n += 1;
  return n;
}

export function count(belongs: Uint8Array): number {
  let n = 0;
  for (let p = 0; p < belongs.length; p += 1) n += belongs[p]!;
  return n;
}

/** How often colours are met, smoothed: a histogram over L*, a* and b*. */
interface Histogram {
  counts: Float32Array;
  total: number;
}

/** Width of a bin, ΔE, and how many of them: L*, a*, b*. */
const BIN = 2.5;
const BINS = [46, 40, 40] as const;
const LOW = [-6, -50, -50] as const;
const SIZE = BINS[0] * BINS[1] * BINS[2];

/** L*, a* and b* with the slow change of light over the floor taken out. */
function flattened(lab: LabPixels, background: Background): LabPixels {
  const { width, height, data } = lab;
  const out = new Float32Array(data.length);
  const row = new Float32Array(width * 3);
  const middle = background.trend[0][0]! + 16;
  for (let y = 0, at = 0; y < height; y += 1) {
    backgroundRow(background, y, width, height, row);
    for (let x = 0; x < width; x += 1, at += 3) {
      // Light falls off by a factor: L* + 16, a* and b* all share it.
      const k = middle / Math.max(8, row[x * 3]! + 16);
      out[at] = (data[at]! + 16) * k - 16;
      out[at + 1] = data[at + 1]! * k;
      out[at + 2] = data[at + 2]! * k;
    }
  }
  return { width, height, data: out };
}

function binsOf({ data }: LabPixels): Int32Array {
  const out = new Int32Array(data.length / 3);
  for (let p = 0; p < out.length; p += 1) out[p] = binAt(data[p * 3]!, data[p * 3 + 1]!, data[p * 3 + 2]!);
  return out;
}

function binAt(l: number, a: number, b: number): number {
  return (bin(l, 0) * BINS[1] + bin(a, 1)) * BINS[2] + bin(b, 2);
}

/**
 * What is left of the light in a shadow, as a cube root; and how often it is met against the floor itself.
 */
const SHADES = [0.965, 0.93, 0.89, 0.85, 0.8] as const;
const SHADE = 0.008;
/** L* below which a floor is dark. */
export const DARK = 40;

/** The bin of each pixel's colour, and of every third's own shades; -1 where shadows are not seen. */
interface Shades {
  bins: Int32Array;
  shades: Int32Array;
}

function shadesOf({ data }: LabPixels, bins: Int32Array): Shades {
  const shades = new Int32Array(Math.ceil(bins.length / 3) * SHADES.length).fill(-1);
  for (let p = 0, at = 0; p < bins.length; p += 3, at += SHADES.length) {
    const [l, a, b] = [data[p * 3]!, data[p * 3 + 1]!, data[p * 3 + 2]!];
    // On a dark floor a shadow is not seen, but dark things are.
    if (l < DARK) continue;
    SHADES.forEach((k, i) => (shades[at + i] = binAt((l + 16) * k - 16, a * k, b * k)));
  }
  return { bins, shades };
}

/** The floor's colours, its shades too. */
function shaded({ bins, shades }: Shades, isFloor: Uint8Array): Histogram {
  const counts = new Float32Array(SIZE);
  let total = 0;
  for (let p = 0; p < isFloor.length; p += 1) {
    if (isFloor[p] === 0) continue;
    counts[bins[p]!]! += 1;
    total += 1;
    const at = (p / 3) * SHADES.length;
    if (p % 3 !== 0 || shades[at]! < 0) continue;
    for (let i = 0; i < SHADES.length; i += 1) counts[shades[at + i]!]! += 3 * SHADE;
    total += 3 * SHADE * SHADES.length;
  }
  return { counts: blurred(counts, PASSES), total: Math.max(1, total) };
}

function bin(value: number, axis: 0 | 1 | 2): number {
  return Math.min(BINS[axis] - 2, Math.max(1, Math.floor((value - LOW[axis]) / BIN)));
}

/** How widely counts are smoothed: passes of a quarter, a half, a quarter. */
const PASSES = 2;

function histogramOf(bins: Int32Array, weights: Uint8Array, passes: number): Histogram {
  const counts = new Float32Array(SIZE);
  let total = 0;
  for (let p = 0; p < bins.length; p += 1) {
    counts[bins[p]!]! += weights[p]!;
    total += weights[p]!;
  }
  return { counts: blurred(counts, passes), total: Math.max(1, total) };
}

function blurred(from: Float32Array<ArrayBuffer>, passes: number): Float32Array {
  let counts = from;
  let next = new Float32Array(SIZE);
  const steps = [1, BINS[2], BINS[1] * BINS[2]];
  // Where nothing is met nothing spreads.
  const reach = passes * steps.reduce((sum, step) => sum + step, 0);
  const first = from.findIndex((n) => n > 0) - reach;
  const last = from.findLastIndex((n) => n > 0) + reach;
  for (let pass = 0; pass < passes; pass += 1)
    for (const step of steps) {
      for (let i = Math.max(step, first); i < Math.min(SIZE - step, last + 1); i += 1)
        next[i] = 0.25 * counts[i - step]! + 0.5 * counts[i]! + 0.25 * counts[i + step]!;
      [counts, next] = [next, counts];
    }
  return counts;
}

/** A colour never met before is met this often all the same. */
const UNMET = 2e-5;

/**
 * How much likelier each pixel's colour is in the one than in the other, the logarithm of the ratio, with
 * what was likely before.
 */
function likelier(bins: Int32Array, one: Histogram, other: Histogram, prior: Float32Array): Float32Array {
  const odds = new Float32Array(SIZE).fill(NaN);
  const out = new Float32Array(bins.length);
  for (let p = 0; p < out.length; p += 1) {
    const i = bins[p]!;
    // A colour is met many times: its logarithm is taken once.
    if (Number.isNaN(odds[i]!))
      odds[i] = Math.log((one.counts[i]! / one.total + UNMET) / (other.counts[i]! / other.total + UNMET));
    out[p] = odds[i]! + prior[p]!;
  }
  return out;
}

/** How much of a value goes over to the next pixel, across and down, in one of the rounds. */
interface Passage {
  across: Float32Array;
  down: Float32Array;
}

const SPREADS = 3;

/**
 * How easily values spread within what looks alike, and how little across edges: the recursive form of the
 * domain transform.
 *
 * @param reach how far values spread where nothing stops them, pixels
 * @param stop change of colour that stops them, ΔE
 * @see Gastal & Oliveira, "Domain Transform for Edge-Aware Image and Video Processing", ACM TOG 30 (2011)
 */
function passagesOf({ width, height, data }: LabPixels, reach: number, stop: number): Passage[] {
  const across = new Float32Array(width * height);
  const down = new Float32Array(width * height);
  const ratio = reach / stop;
  const sigma = (reach * Math.sqrt(3) * 2 ** (SPREADS - 1)) / Math.sqrt(4 ** SPREADS - 1);
  const log = -Math.SQRT2 / sigma;
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      if (x > 0) across[p] = Math.exp(log * (1 + ratio * change(data, p * 3, p * 3 - 3)));
      if (y > 0) down[p] = Math.exp(log * (1 + ratio * change(data, p * 3, (p - width) * 3)));
    }
  const all: Passage[] = [{ across, down }];
  const squared = (last: Float32Array) => last.map((value) => value * value);
  // Each round reaches half as far as the one before: what goes over is squared.
  for (let last = all[0]; last && all.length < SPREADS; last = all.at(-1))
    all.push({ across: squared(last.across), down: squared(last.down) });
  return all;
}

function smoothedWithin(values: Float32Array, passages: readonly Passage[], width: number): Float32Array {
  const out = values.slice();
  for (const { across: a, down: d } of passages) {
    for (let row = 0; row < out.length; row += 2 * width) smoothedRows(out, a, row, width);
    for (let p = width; p < out.length; p += 1) out[p]! += d[p]! * (out[p - width]! - out[p]!);
    for (let p = out.length - width - 1; p >= 0; p -= 1)
      out[p]! += d[p + width]! * (out[p + width]! - out[p]!);
  }
  return out;
}

/** Two rows side by side: along one each value waits for the one before it. */
function smoothedRows(out: Float32Array, across: Float32Array, row: number, width: number): void {
  // The last row of an odd number is gone along alone.
  const other = row + width < out.length ? width : 0;
  for (let p = row + 1, q = p + other; p < row + width; p += 1, q += 1) {
    const [one, two] = [out[p]!, out[q]!];
    out[p] = one + across[p]! * (out[p - 1]! - one);
    if (other > 0) out[q] = two + across[q]! * (out[q - 1]! - two);
  }
  for (let p = row + width - 2, q = p + other; p >= row; p -= 1, q -= 1) {
    const [one, two] = [out[p]!, out[q]!];
    out[p] = one + across[p + 1]! * (out[p + 1]! - one);
    if (other > 0) out[q] = two + across[q + 1]! * (out[q + 1]! - two);
  }
}

function change(data: Float32Array, a: number, b: number): number {
  return (
    Math.abs(data[a]! - data[b]!) +
    Math.abs(data[a + 1]! - data[b + 1]!) +
    Math.abs(data[a + 2]! - data[b + 2]!)
  );
}
