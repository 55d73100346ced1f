import type { Exam } from '@/contract/records';

import { backgroundRow, type Background } from './background';
import { differsFrom } from './differs';
import { fingerprintOf } from './fingerprint';
import { labPixels } from './lab';
import { segment } from './mask';
import { shrunk, type Mask, type Pixels } from './pixels';
import { sharpnessOf } from './sharpness';
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
  const { mask, background } = segment(small);
  const box = boxOf(mask);
  const light = lightOf(small, mask);
  return {
    blur: round(Number.isFinite(blur) ? blur : 0),
    laplacian: round(laplacian),
    ...light,
    ...backgroundNumbers(background, mask),
    ...box,
    cutOff: sidesTouched(mask),
    writing: writingBeside(differsFrom(labPixels(small)), mask),
    outline: outlineOf(mask),
    print: fingerprintOf(small),
  };
}

function round(value: number): number {
  return Math.round(value * 1_000) / 1_000;
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

function lightOf(
  { width, height, data }: Pixels,
  mask: Mask,
): Pick<Exam, 'light' | 'bright' | 'blown' | 'black'> {
  const lumas = new Uint32Array(256);
  let blown = 0;
  let black = 0;
  let sum = 0;
  let ground = 0;
  for (let p = 0, at = 0; p < width * height; p += 1, at += 4) {
    const r = data[at]!;
    const g = data[at + 1]!;
    const b = data[at + 2]!;
    if (r > 252 && g > 252 && b > 252 && mask.data[p]! > 127) blown += 1;
    if (r < 14 && g < 14 && b < 14) black += 1;
    const luma = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    lumas[Math.round(luma)]! += 1;
    if (mask.data[p]! < 128) {
      sum += luma;
      ground += 1;
    }
  }
  const n = width * height;
  let bright = 255;
  for (let above = lumas[255]!; bright > 0 && above < n / 20; above += lumas[bright]!) bright -= 1;
  return {
    bright: round(bright / 255),
    light: round(ground > n * 0.02 ? sum / ground / 255 : 0),
    blown: round(blown / n),
    black: round(black / n),
  };
}

function backgroundNumbers(background: Background, mask: Mask): Pick<Exam, 'grounds' | 'falloff' | 'sure'> {
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
  return { grounds: round(Math.hypot(l, a, b)), falloff: round(high - low), sure: round(background.share) };
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
