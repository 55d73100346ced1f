import { componentsOf, type Component } from './components';
import type { LabPixels } from './lab';
import { boxBlur, type Mask } from './pixels';

/** A mark's height, pixels. */
const TALL = [6, 44] as const;
/** Half the side of the square whose mean a stroke is held against. */
const AROUND = 12;
/** The least that a stroke differs from its surroundings: L*, and chroma. */
const LEAST_LIGHT = 7;
const LEAST_COLOUR = 12;

/** A group of pixels that may be a letter. */
export interface Mark {
  x: number;
  y: number;
  /** Larger side of its box, and the smaller one. */
  tall: number;
  thin: number;
  area: number;
  /** Mean width of its strokes, over its height. */
  stroke: number;
  colour: readonly [number, number, number];
  /** By how much it differs from its surroundings, L* or chroma. */
  off: number;
  /** It lies on the item. */
  onItem: boolean;
}

/** Pixels that may belong to strokes, and by how much each differs from its surroundings. */
export interface Strokes {
  inColour: boolean;
  set: Uint8Array;
  by: Float32Array;
}

/** What is darker, lighter or of another colour than its surroundings, as strokes are. */
export function strokes({ width, height, data }: LabPixels): Strokes[] {
  const n = width * height;
  const planeOf = (k: 0 | 1 | 2) => {
    const values = new Float32Array(n);
    for (let p = 0; p < n; p += 1) values[p] = data[p * 3 + k]!;
    const mean = boxBlur({ width, height, data: values }, AROUND).data;
    const away = new Float32Array(n);
    for (let p = 0; p < n; p += 1) away[p] = (values[p]! - mean[p]!) ** 2;
    const squares = boxBlur({ width, height, data: away }, AROUND).data;
    const wide = k === 0 ? mean : boxBlur({ width, height, data: values }, 3 * AROUND).data;
    return { values, mean, wide, squares };
  };
  const [light, a, b] = [planeOf(0), planeOf(1), planeOf(2)];
  const [off, far] = [new Float32Array(n), new Float32Array(n)];
  const out = {
    dark: { inColour: false, set: new Uint8Array(n), by: off },
    light: { inColour: false, set: new Uint8Array(n), by: off },
    coloured: { inColour: true, set: new Uint8Array(n), by: far },
  };
  for (let p = 0; p < n; p += 1) {
    off[p] = light.values[p]! - light.mean[p]!;
    const enough = Math.max(LEAST_LIGHT, 0.7 * Math.sqrt(light.squares[p]!));
    if (off[p]! < -enough) out.dark.set[p] = 1;
    else if (off[p]! > enough) out.light.set[p] = 1;
    far[p] = apart(a.values[p]! - a.mean[p]!, b.values[p]! - b.mean[p]!);
    // Between letters the floor differs as much from a mean that they are part of: from farther around it
    // does not.
    const isStroke = apart(a.values[p]! - a.wide[p]!, b.values[p]! - b.wide[p]!) > 0.7 * far[p]!;
    if (isStroke && far[p]! > Math.max(LEAST_COLOUR, 0.9 * Math.sqrt(a.squares[p]! + b.squares[p]!)))
      out.coloured.set[p] = 1;
  }
  return Object.values(out);
}

/** Many times as fast as Math.hypot, which minds numbers that a colour never has. */
function apart(da: number, db: number): number {
  return Math.sqrt(da * da + db * db);
}

export function marksIn({ set, by }: Strokes, { width, height, data }: LabPixels, item: Mask): Mark[] {
  const { of, all } = componentsOf(set, width, height);
  const marks: Mark[] = [];
  for (const c of all) {
    const [w, h] = [c.right - c.left + 1, c.bottom - c.top + 1];
    const [tall, thin] = [Math.max(w, h), Math.min(w, h)];
    if (tall < TALL[0] || tall > TALL[1] || c.area < 10 || w > 3 * h) continue;
    if (c.left === 0 || c.top === 0 || c.right === width - 1 || c.bottom === height - 1) continue;
    const fill = c.area / (w * h);
    if (fill < 0.14) continue;
    const mark = measured(c, of, width, data, by);
    if (mark.stroke > 0.42 && thin > 0.5 * tall) continue;
    const [x, y] = [(c.left + c.right) / 2, (c.top + c.bottom) / 2];
    marks.push({ ...mark, x, y, tall, thin, area: c.area, onItem: isItem(item, x / width, y / height) });
  }
  return marks;
}

/** A mark's mean colour and the width of its strokes: twice its area over its outline. */
function measured(
  c: Component,
  of: Int32Array,
  width: number,
  data: Float32Array,
  by: Float32Array,
): Pick<Mark, 'stroke' | 'colour' | 'off'> {
  let [outline, off] = [0, 0];
  const sums: [number, number, number] = [0, 0, 0];
  for (let y = c.top; y <= c.bottom; y += 1)
    for (let x = c.left; x <= c.right; x += 1) {
      const p = y * width + x;
      if (of[p] !== c.id) continue;
      for (let k = 0; k < 3; k += 1) sums[k]! += data[p * 3 + k]!;
      off += Math.abs(by[p]!);
      if (of[p - 1] !== c.id) outline += 1;
      if (of[p + 1] !== c.id) outline += 1;
      if (of[p - width] !== c.id) outline += 1;
      if (of[p + width] !== c.id) outline += 1;
    }
  const tall = Math.max(c.right - c.left, c.bottom - c.top) + 1;
  return {
    stroke: (2 * c.area) / outline / tall,
    off: off / c.area,
    colour: [sums[0] / c.area, sums[1] / c.area, sums[2] / c.area],
  };
}

/** Whether there is item at a place, shares of the picture. */
export function isItem({ width, height, data }: Mask, x: number, y: number): boolean {
  if (x < 0 || y < 0 || x >= 1 || y >= 1) return false;
  return data[Math.floor(y * height) * width + Math.floor(x * width)]! > 0;
}
