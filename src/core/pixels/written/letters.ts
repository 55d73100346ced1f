import { componentsOf } from '../components';
import { boxBlur, type Plane } from '../pixels';

/**
 * A group of pixels that may be a letter, or several that touch. Pixels of the picture it was looked for in.
 */
export interface Letter {
  x: number;
  y: number;
  width: number;
  height: number;
  /** The larger of the two. */
  tall: number;
  grey: number;
  /** What lies around it, grey value. */
  paper: number;
}

/** Letters looked for are so tall, pixels. */
const LETTER = [7, 46] as const;
/** Half the side of the square whose mean a stroke is held against. */
const AROUND = 14;
/** The least that a stroke differs from its surroundings, grey values, and over how much they vary. */
const LEAST = 9;
const STRONG = 0.55;
/** More than these are a carpet. */
const MOST = 2_500;

/**
 * What is darker than its surroundings, as strokes are, and what is lighter.
 *
 * @returns none where there are so many that they are a texture
 */
export function lettersIn(grey: Plane): Record<'dark' | 'light', Letter[]> {
  const { width, height, data } = grey;
  const off = boxBlur(grey, AROUND).data;
  const away = new Float32Array(data.length);
  for (let p = 0; p < data.length; p += 1) {
    off[p] = data[p]! - off[p]!;
    away[p] = off[p]! * off[p]!;
  }
  const squares = boxBlur({ width, height, data: away }, AROUND).data;
  const dark = new Uint8Array(data.length);
  const light = new Uint8Array(data.length);
  for (let p = 0; p < data.length; p += 1) {
    const by = off[p]!;
    const square = by * by;
    if (square <= LEAST * LEAST || square <= STRONG * STRONG * squares[p]!) continue;
    if (by < 0) dark[p] = 1;
    else light[p] = 1;
  }
  return { dark: lettersOf(grey, dark), light: lettersOf(grey, light) };
}

function lettersOf({ width, height, data }: Plane, belongs: Uint8Array): Letter[] {
  const { of, all } = componentsOf(belongs, width, height);
  const letters: Letter[] = [];
  for (const c of all) {
    const [w, h] = [c.right - c.left + 1, c.bottom - c.top + 1];
    const tall = Math.max(w, h);
    if (tall < LETTER[0] || tall > LETTER[1] * 2 || Math.min(w, h) > LETTER[1] || c.area < 12) continue;
    if (c.area / (w * h) < 0.12) continue;
    if (c.left === 0 || c.top === 0 || c.right === width - 1 || c.bottom === height - 1) continue;
    let [sum, around, n] = [0, 0, 0];
    for (let y = c.top; y <= c.bottom; y += 1)
      for (let x = c.left, p = y * width + c.left; x <= c.right; x += 1, p += 1)
        if (of[p] === c.id) sum += data[p]!;
        else if (belongs[p] === 0) {
          around += data[p]!;
          n += 1;
        }
    letters.push({
      x: (c.left + c.right) / 2,
      y: (c.top + c.bottom) / 2,
      width: w,
      height: h,
      tall,
      grey: sum / c.area,
      paper: n === 0 ? sum / c.area : around / n,
    });
    if (letters.length > MOST) return [];
  }
  return letters;
}
