import { componentsOf, type Component } from '../components';
import { quantile, redrawn, type Plane } from '../pixels';

/** Letters that stand in one line, in pixels of the plane they were found in. */
export interface Row {
  letters: readonly Component[];
  left: number;
  right: number;
  /** Its upper and lower edge at column 0, and how far both fall from one column to the next. */
  top: number;
  bottom: number;
  slope: number;
}

/** What is darker is ink; paper is 250, ink 20. */
const INK = 170;
/** Letters against the usual ones: smaller ones are dots and commas, taller ones none. */
const LETTER = [0.35, 3] as const;
/** The widest gap within a line, over the height of letters. */
const GAP = 7;
/** Lines fall by no more than this. */
const STEEPEST = 0.1;
/** Fewer letters tell nothing of how a line falls. */
const ENOUGH = 4;

/**
 * The lines of a block that stands upright, its letters dark and about so tall: the uppermost first.
 *
 * @param tall of usual letters, pixels
 */
export function rowsOf({ width, height, data }: Plane, tall: number): { rows: Row[]; of: Int32Array } {
  const ink = new Uint8Array(data.length);
  for (let p = 0; p < ink.length; p += 1) if (data[p]! < INK) ink[p] = 1;
  const { of, all } = componentsOf(ink, width, height);
  const isLetter = (c: Component) =>
    high(c) > LETTER[0] * tall && high(c) < LETTER[1] * tall && c.right - c.left < GAP * 2 * tall;
  const rows: Component[][] = [];
  for (const letter of all.filter(isLetter).sort((a, b) => a.left - b.left)) {
    const row = nearestRow(rows, letter, tall);
    if (row) row.push(letter);
    else rows.push([letter]);
  }
  const whole = joined(rows, tall);
  for (const dot of all)
    if (!isLetter(dot) && dot.area >= 4 && dot.bottom - dot.top < LETTER[1] * tall) {
      const at = whole.findIndex((row) => isPartOf(row, dot, tall));
      const row = whole[at];
      if (row) whole[at] = rowFrom([...row.letters, dot], tall);
    }
  return {
    rows: whole.sort((a, b) => a.top + a.slope * a.left - (b.top + b.slope * b.left)),
    of,
  };
}

const middle = (c: Component) => (c.top + c.bottom) / 2;
const high = (c: Component) => c.bottom - c.top + 1;

/** The line whose last letters a letter goes on, the closest in height. */
function nearestRow(rows: readonly Component[][], letter: Component, tall: number): Component[] | null {
  let near: Component[] | null = null;
  let least = Infinity;
  for (const row of rows) {
    const last = row.slice(-4);
    const end = Math.max(...last.map((c) => c.right));
    if (letter.left - end > GAP * tall) continue;
    const top = Math.min(...last.map((c) => c.top));
    const bottom = Math.max(...last.map((c) => c.bottom));
    const shared = Math.min(bottom, letter.bottom) - Math.max(top, letter.top) + 1;
    const off = Math.abs(middle(letter) - last.reduce((sum, c) => sum + middle(c), 0) / last.length);
    if (shared > 0.45 * Math.min(high(letter), bottom - top + 1) && off < least) [near, least] = [row, off];
  }
  return near;
}

/** Parts of one line that were begun apart: one after the other, at one height. */
function joined(rows: readonly Component[][], tall: number): Row[] {
  const out: Row[] = [];
  for (const letters of [...rows].sort((a, b) => b.length - a.length)) {
    const row = rowFrom(letters, tall);
    const { top, bottom, slope, left, right } = row;
    const at = out.findIndex((o) => {
      const x = (left + right) / 2;
      const shared =
        Math.min(bottom + slope * x, o.bottom + o.slope * x) - Math.max(top + slope * x, o.top + o.slope * x);
      const apart = Math.max(o.left - right, left - o.right);
      return apart < GAP * tall && shared > 0.6 * Math.min(bottom - top, o.bottom - o.top);
    });
    const other = out[at];
    if (other) out[at] = rowFrom([...other.letters, ...letters], tall);
    else out.push(row);
  }
  return out;
}

/** Whether a dot stands in a line, above or below it, or beside its letters. */
function isPartOf({ top, bottom, slope, left, right }: Row, dot: Component, tall: number): boolean {
  const x = (dot.left + dot.right) / 2;
  const y = middle(dot) - slope * x;
  return x > left - tall && x < right + tall && y > top - 0.35 * tall && y < bottom + 0.3 * tall;
}

function rowFrom(letters: readonly Component[], tall: number): Row {
  const body = letters.filter((c) => high(c) > LETTER[0] * tall);
  const slope = slopeOf(body.length > 0 ? body : letters);
  const tops = letters.map((c) => c.top - slope * ((c.left + c.right) / 2));
  const bottoms = letters.map((c) => c.bottom + 1 - slope * ((c.left + c.right) / 2));
  return {
    letters,
    slope,
    top: Math.min(...tops),
    bottom: Math.max(...bottoms),
    left: Math.min(...letters.map((c) => c.left)),
    right: Math.max(...letters.map((c) => c.right)) + 1,
  };
}

/** How the middles of letters fall, least squares. */
function slopeOf(letters: readonly Component[]): number {
  if (letters.length < ENOUGH) return 0;
  const x = letters.map((c) => (c.left + c.right) / 2);
  const [mx, my] = [mean(x), mean(letters.map(middle))];
  let [xy, xx] = [0, 0];
  letters.forEach((c, i) => {
    xy += (x[i]! - mx) * (middle(c) - my);
    xx += (x[i]! - mx) ** 2;
  });
  return xx === 0 ? 0 : Math.min(STEEPEST, Math.max(-STEEPEST, xy / xx));
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

/** A part of the plane in which there is nothing but one line's letters, and where it begins. */
function alone(
  plane: Plane,
  of: Int32Array,
  row: Row,
  box: { left: number; right: number; top: number; bottom: number },
): { cut: Plane; x0: number; y0: number } {
  const own = new Set(row.letters.map((c) => c.id));
  const within = (value: number, side: number) => Math.min(side - 1, Math.max(0, value));
  const [x0, y0] = [
    within(Math.floor(box.left) - 2, plane.width),
    within(Math.floor(box.top) - 2, plane.height),
  ];
  const width = within(Math.ceil(box.right) + 2, plane.width) - x0 + 1;
  const height = within(Math.ceil(box.bottom) + 2, plane.height) - y0 + 1;
  const data = new Float32Array(width * height);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0, from = (y0 + y) * plane.width + x0; x < width; x += 1, p += 1, from += 1)
      data[p] = of[from] === 0 || own.has(of[from]!) ? plane.data[from]! : 255;
  return { cut: { width, height, data }, x0, y0 };
}

/** How much is left about a line's letters, over its height. */
const MARGIN = 0.1;

/**
 * A line as a strip of a fixed height: paper 0, ink 1. What belongs to other lines is paper in it.
 *
 * @param of which component each pixel of the plane belongs to
 * @param longest columns; a longer line is drawn closer together
 */
export function stripOf(plane: Plane, of: Int32Array, row: Row, rowHeight: number, longest: number): Plane {
  const tall = row.bottom - row.top;
  const scale = (tall * (1 + 2 * MARGIN)) / rowHeight;
  const left = row.left - tall * MARGIN * 1.5;
  const long = row.right + tall * MARGIN * 1.5 - left;
  const columns = Math.min(longest, Math.max(8, Math.round(long / scale)));
  const step = long / columns;
  const fine = Math.max(1, Math.min(3, Math.round(scale)));
  const falls = [row.slope * left, row.slope * (left + long)];
  const { cut, x0, y0 } = alone(plane, of, row, {
    left,
    right: left + long,
    top: row.top - tall * MARGIN + Math.min(...falls),
    bottom: row.bottom + tall * MARGIN + Math.max(...falls),
  });
  const { data } = redrawn(cut, { width: columns, height: rowHeight, fine }, [
    step,
    row.slope * step,
    0,
    scale,
    left - x0,
    row.top - tall * MARGIN + row.slope * left - y0,
  ]);
  const [paper, ink] = [quantile(data, 0.5), quantile(data, 0.03)];
  const gain = 1 / Math.max(28, paper - ink);
  return {
    width: columns,
    height: rowHeight,
    data: data.map((v) => Math.min(1, Math.max(0, (paper - v) * gain))),
  };
}
