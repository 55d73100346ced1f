import type { Exam } from '@/contract/records';

import { backgroundRow } from './background';
import { hasSheetBeside } from './besides';
import { SIDES, type Side } from './entering';
import { fingerprintOf } from './fingerprint';
import { ciede2000, labOfMean } from './lab';
import { groundOf } from './light';
import { bulkOf, segment, type Segmented } from './mask';
import { quantile, shrunk, type Mask, type Pixels } from './pixels';
import { sharpnessOf } from './sharpness';
import { tonesOf } from './tones';
import { writingBeside } from './writing';

/** Longer side of the picture that sharpness is measured on, and of the one the item is looked for in. */
export const EXAM_SIDE = 1_280;
const MASK_SIDE = 640;
/** Bands the item's outline is measured in, from top to bottom and from left to right. */
const BANDS = 8;

/**
 * Everything about a picture that can be put in a number. What the numbers mean is for `judge` to say.
 *
 * @param picture upright, {@link EXAM_SIDE} on its longer side (smaller when the picture is)
 */
export function examine(picture: Pixels): Exam {
  const { blur, laplacian } = sharpnessOf(picture);
  const small = shrunk(picture, MASK_SIDE);
  const segmented = segment(small);
  const { mask, isSure, enters } = segmented;
  const writing = writingBeside(small, mask);
  const bulk = isSure ? mask : bulkOf(mask);
  const ground = groundOf(small, mask);
  const light = lightOf(small, mask);
  return {
    blur: round(Number.isFinite(blur) ? blur : 0),
    laplacian: round(laplacian),
    ...light,
    ...backgroundNumbers(segmented, writing > 0),
    ...boxOf(mask),
    box: boxOf(bulk).box,
    // A mask that is not to be relied on touches the border only where something runs in, all the same.
    cutOff: union(sidesTouched(mask), enters),
    writing,
    outline: outlineOf(mask),
    tones: isSure ? tonesOf(small, mask) : withoutFloor(tonesOf(small, bulk), ground),
    outlined: isSure,
    sheet: hasSheetBeside(mask),
    ground,
    print: fingerprintOf(small),
  };
}

function round(value: number): number {
  return Math.round(value * 1_000) / 1_000;
}

/** This near to the floor's colour, ΔE₀₀, what was taken for item may as well be floor. */
const FLOOR = 12;

/** The colours of what may be part floor: those that are not the floor's, unless there is no other. */
function withoutFloor(tones: Exam['tones'], ground: Exam['ground']): Exam['tones'] {
  const others = tones.filter(({ rgb }) => !ground || ciede2000(labOfMean(rgb), labOfMean(ground)) > FLOOR);
  const sum = others.reduce((all, { share }) => all + share, 0);
  return sum === 0 ? tones : others.map(({ rgb, share }) => ({ rgb, share: round(share / sum) }));
}

/** Where the item is, as shares of the picture; all 0 when nothing was found. */
export function boxOf({ width, height, data }: Mask): Pick<Exam, 'box' | 'area'> {
  let [left, top, right, bottom, area] = [width, height, -1, -1, 0];
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1)
      if (data[p]! > 127) {
        area += 1;
        if (x < left) left = x;
        if (x > right) right = x;
        if (y < top) top = y;
        if (y > bottom) bottom = y;
      }
  if (area === 0) return { box: [0, 0, 0, 0], area: 0 };
  return {
    box: [
      round(left / width),
      round(top / height),
      round((right + 1 - left) / width),
      round((bottom + 1 - top) / height),
    ],
    area: round(area / (width * height)),
  };
}

/**
 * A value of red, green or blue from which on there is nothing to be told any more: the end, less its
 * noise.
 */
const LOST = 250;
/** Less of the picture than this says nothing about how light it is. */
const LEAST_PART = 0.002;

/** The value that such a share of counted values does not exceed. */
function valueAt(counts: Uint32Array, share: number): number {
  const total = counts.reduce((sum, count) => sum + count, 0);
  let [value, below] = [0, counts[0]!];
  while (value < counts.length - 1 && below < share * total) below += counts[++value]!;
  return value;
}

function lightOf(
  { width, height, data }: Pixels,
  mask: Mask,
): Pick<Exam, 'light' | 'bright' | 'deep' | 'blown' | 'black'> {
  const [onItem, beside] = [new Uint32Array(256), new Uint32Array(256)];
  let blown = 0;
  let black = 0;
  let sum = 0;
  let ground = 0;
  for (let p = 0, at = 0; p < width * height; p += 1, at += 4) {
    const r = data[at]!;
    const g = data[at + 1]!;
    const b = data[at + 2]!;
    if (r < 14 && g < 14 && b < 14) black += 1;
    const luma = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    if (mask.data[p]! < 128) {
      beside[Math.round(luma)]! += 1;
      sum += luma;
      ground += 1;
    } else {
      onItem[Math.round(luma)]! += 1;
      // One colour at its end is lost as well: a red without its folds.
      if (r >= LOST || g >= LOST || b >= LOST) blown += 1;
    }
  }
  const n = width * height;
  const item = n - ground;
  const all = onItem.map((count, luma) => count + beside[luma]!);
  const bright = Math.max(
    item > n * LEAST_PART ? valueAt(onItem, 0.9) : 0,
    ground > n * LEAST_PART ? valueAt(beside, 0.9) : 0,
  );
  return {
    bright: round(bright / 255),
    deep: round(valueAt(all, 0.02) / 255),
    light: round(ground > n * 0.02 ? sum / ground / 255 : 0),
    blown: round(item > 0 ? blown / item : 0),
    black: round(black / n),
  };
}

/** A tenth of what scatters normally in three directions exceeds so many of its standard deviations. */
const TENTH = 1.44;
/** Width of the border that is looked at for what is seldom, as a share of the shorter side. */
const RIM = 0.05;

/**
 * ΔE that a tenth of the background along the border exceeds, over {@link TENTH}: the fine lines of a mat
 * are too few to be seen in a robust scatter.
 */
function seldomScatter({ seen, border, mask }: Segmented): number {
  const { width, height, data } = seen;
  const wide = Math.round(RIM * Math.min(width, height));
  const row = new Float32Array(width * 3);
  const away = new Float32Array(width * height);
  let count = 0;
  for (let y = 0; y < height; y += 1) {
    backgroundRow(border, y, width, height, row);
    const line = Math.floor((y * mask.height) / height) * mask.width;
    for (let x = 0; x < width; x += 1) {
      const isRim = x < wide || y < wide || x >= width - wide || y >= height - wide;
      if (!isRim || mask.data[line + Math.floor((x * mask.width) / width)]! > 0) continue;
      const p = y * width + x;
      const l = data[p * 3]! - row[x * 3]!;
      const a = data[p * 3 + 1]! - row[x * 3 + 1]!;
      const b = data[p * 3 + 2]! - row[x * 3 + 2]!;
      away[count] = Math.sqrt(l * l + a * a + b * b);
      count += 1;
    }
  }
  return count === 0 ? 0 : quantile(away.subarray(0, count), 0.9) / TENTH;
}

function backgroundNumbers(
  segmented: Segmented,
  isWritten: boolean,
): Pick<Exam, 'grounds' | 'falloff' | 'sure'> {
  const { mask, background } = segmented;
  const { width, height } = mask;
  let low = Infinity;
  let high = -Infinity;
  const row = new Float32Array(width * 3);
  for (let y = 0; y < height; y += 16) {
    backgroundRow(background, y, width, height, row);
    for (let x = 0; x < width; x += 16) {
      low = Math.min(low, row[x * 3]!);
      high = Math.max(high, row[x * 3]!);
    }
  }
  const [l, a, b] = background.spread;
  const grounds = Math.max(Math.hypot(l, a, b), isWritten ? 0 : seldomScatter(segmented));
  return { grounds: round(grounds), falloff: round(high - low), sure: round(background.share) };
}

function union(...lists: readonly (readonly Side[])[]): Side[] {
  return SIDES.filter((side) => lists.some((list) => list.includes(side)));
}

/** The sides of the picture that the item runs into, along more than a fortieth of that side. */
function sidesTouched({ width, height, data }: Mask): Exam['cutOff'] {
  const touched = (count: number, at: (i: number) => number) => {
    let n = 0;
    for (let i = 0; i < count; i += 1) if (data[at(i)]! > 60) n += 1;
    return n > count / 40;
  };
  const sides: Exam['cutOff'] = [];
  if (touched(width, (i) => width + i)) sides.push('top');
  if (touched(width, (i) => (height - 2) * width + i)) sides.push('bottom');
  if (touched(height, (i) => i * width + 1)) sides.push('left');
  if (touched(height, (i) => i * width + width - 2)) sides.push('right');
  return sides;
}

/**
 * The outline in a few numbers: how much of each band across the item's own box it fills, and into how
 * many pieces the band's middle line falls. Rows from the top, then columns from the left.
 */
function outlineOf(mask: Mask): Exam['outline'] {
  const { width, height, data } = mask;
  const { box, area } = boxOf(mask);
  if (area === 0) return { rows: [], columns: [], rowPieces: [], columnPieces: [] };
  const [x0, y0] = [Math.round(box[0] * width), Math.round(box[1] * height)];
  const [w, h] = [Math.max(1, Math.round(box[2] * width)), Math.max(1, Math.round(box[3] * height))];
  const inside = (x: number, y: number) =>
    x0 + x < width && y0 + y < height && data[(y0 + y) * width + x0 + x]! > 127;
  const bands = (length: number, across: number, at: (along: number, i: number) => boolean) => {
    const fill: number[] = [];
    const pieces: number[] = [];
    for (let band = 0; band < BANDS; band += 1) {
      const from = Math.floor((band * length) / BANDS);
      const to = Math.max(from + 1, Math.floor(((band + 1) * length) / BANDS));
      let n = 0;
      for (let i = from; i < to; i += 1) for (let j = 0; j < across; j += 1) if (at(i, j)) n += 1;
      fill.push(round(n / ((to - from) * across)));
      const middle = (from + to) >> 1;
      let runs = 0;
      for (let j = 0, before = false; j < across; j += 1) {
        const now = at(middle, j);
        if (now && !before) runs += 1;
        before = now;
      }
      pieces.push(Math.min(20, runs));
    }
    return { fill, pieces };
  };
  const rows = bands(h, w, (y, x) => inside(x, y));
  const columns = bands(w, h, (x, y) => inside(x, y));
  return { rows: rows.fill, columns: columns.fill, rowPieces: rows.pieces, columnPieces: columns.pieces };
}
