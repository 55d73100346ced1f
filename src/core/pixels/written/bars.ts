import { blurredDigits } from './blurredBars';
import { componentsOf } from '../components';
import { shrunkPlane, valueAt, type Plane } from '../pixels';

/** Where parallel bars stand, in pixels of the picture. */
export interface Bars {
  /** How far they are turned from upright, degrees, -90 to 90. */
  angle: number;
  x: number;
  y: number;
  /** Across the bars, and along them. */
  width: number;
  height: number;
}

/** Longer side of the picture bars are looked for in. */
const SIDE = 900;
/** Side of the squares that are looked at, pixels. */
const TILE = 12;
/** How much of the change of light in a square has one direction, 0 to 1. */
const COHERENT = 0.75;
/** Squares whose bars are turned by less than this stand in one code, degrees. */
const TURNED = 12;
const FEWEST_TILES = 6;

/**
 * The largest places full of parallel bars. Of the change of light in each square the main direction, by
 * its structure tensor; squares side by side with one direction are a code.
 *
 * @see Bigün & Granlund, "Optimal Orientation Detection of Linear Symmetry" (1987)
 */
function barsIn(whole: Plane, most = 2): Bars[] {
  const grey = shrunkPlane(whole, SIDE);
  const factor = Math.max(whole.width, whole.height) / Math.max(grey.width, grey.height);
  const { columns, rows, angles, energies } = directionsOf(grey);
  const sorted = Float32Array.from(energies).sort();
  // Half as strong as the strongest tenth, so that a plain floor is none and a busy one does not hide them.
  const strong = Math.max(0.35 * sorted[Math.floor(sorted.length * 0.97)]!, 25);
  const found: (Bars & { tiles: number })[] = [];
  for (let from = -90; from < 90; from += TURNED) {
    const belongs = new Uint8Array(columns * rows);
    for (let t = 0; t < belongs.length; t += 1)
      if (energies[t]! > strong && turned(angles[t]!, from) < TURNED) belongs[t] = 1;
    const closed = grown(belongs, columns, rows);
    const { of, all } = componentsOf(closed, columns, rows);
    for (const c of all) {
      const own: number[] = [];
      for (let t = 0; t < of.length; t += 1) if (of[t] === c.id && belongs[t]) own.push(t);
      if (own.length >= FEWEST_TILES)
        found.push({ ...placed(own, angles, columns, factor), tiles: own.length });
    }
  }
  const best = found.sort((a, b) => b.tiles - a.tiles);
  return best
    .filter((b, i) => best.findIndex((o) => Math.hypot(o.x - b.x, o.y - b.y) < o.width / 2) === i)
    .slice(0, most)
    .map((bars) => setUpright(whole, bars));
}

/** Differences between pixels lean towards the axes where bars are thin: at most so far, degrees. */
const LEAN = 6;

/** The angle at which bars, seen along themselves, are the most distinct. */
function setUpright(grey: Plane, bars: Bars): Bars {
  let [best, most] = [bars, -1];
  for (let by = -LEAN; by <= LEAN; by += 1) {
    const turned = { ...bars, angle: bars.angle + by };
    const row = meanRow(grey, turned, [-0.5, 0.5], 500);
    let changes = 0;
    for (let k = 1; k < row.length; k += 1) changes += (row[k]! - row[k - 1]!) ** 2;
    if (changes > most) [best, most] = [turned, changes];
  }
  return best;
}

/** How far apart two directions are that go both ways, degrees. */
function turned(a: number, b: number): number {
  const d = Math.abs(a - b) % 180;
  return Math.min(d, 180 - d);
}

/** Of each square the direction its light changes in, NaN where in none. */
function directionsOf({ width, height, data }: Plane) {
  const [columns, rows] = [Math.floor(width / TILE), Math.floor(height / TILE)];
  const angles = new Float32Array(columns * rows).fill(NaN);
  const energies = new Float32Array(columns * rows);
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      let [xx, xy, yy] = [0, 0, 0];
      for (let y = Math.max(1, row * TILE); y < Math.min(height - 1, (row + 1) * TILE); y += 1)
        for (let x = Math.max(1, column * TILE); x < Math.min(width - 1, (column + 1) * TILE); x += 1) {
          const p = y * width + x;
          const gx = data[p + 1]! - data[p - 1]!;
          const gy = data[p + width]! - data[p - width]!;
          xx += gx * gx;
          xy += gx * gy;
          yy += gy * gy;
        }
      const energy = xx + yy;
      const coherent = energy === 0 ? 0 : Math.hypot(xx - yy, 2 * xy) / energy;
      const t = row * columns + column;
      if (coherent < COHERENT) continue;
      energies[t] = energy / (TILE * TILE);
      angles[t] = (0.5 * Math.atan2(2 * xy, xx - yy) * 180) / Math.PI;
    }
  return { columns, rows, angles, energies };
}

function grown(belongs: Uint8Array, columns: number, rows: number): Uint8Array {
  const out = belongs.slice();
  for (let y = 0, t = 0; y < rows; y += 1)
    for (let x = 0; x < columns; x += 1, t += 1)
      if (belongs[t] === 0) {
        const beside = x > 0 && x < columns - 1 && belongs[t - 1] && belongs[t + 1];
        const above = y > 0 && y < rows - 1 && belongs[t - columns] && belongs[t + columns];
        if (beside || above) out[t] = 1;
      }
  return out;
}

function placed(tiles: readonly number[], angles: Float32Array, columns: number, factor: number): Bars {
  // Directions go both ways: their doubles are what has a mean.
  let [c, s] = [0, 0];
  for (const t of tiles) {
    c += Math.cos((angles[t]! * Math.PI) / 90);
    s += Math.sin((angles[t]! * Math.PI) / 90);
  }
  const angle = Math.atan2(s, c) / 2;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const us: number[] = [];
  const vs: number[] = [];
  for (const t of tiles) {
    const [x, y] = [((t % columns) + 0.5) * TILE, (Math.floor(t / columns) + 0.5) * TILE];
    us.push(x * cos + y * sin);
    vs.push(y * cos - x * sin);
  }
  const [u0, u1] = [Math.min(...us) - TILE / 2, Math.max(...us) + TILE / 2];
  const [v0, v1] = [Math.min(...vs) - TILE / 2, Math.max(...vs) + TILE / 2];
  const [u, v] = [(u0 + u1) / 2, (v0 + v1) / 2];
  return {
    angle: (angle * 180) / Math.PI,
    x: (u * cos - v * sin) * factor,
    y: (u * sin + v * cos) * factor,
    width: (u1 - u0) * factor,
    height: (v1 - v0) * factor,
  };
}

/** Quiet before and after the bars, and how much of their height is looked at, shares. */
const QUIET = 0.2;
const MIDDLE = 0.62;
/** Width that a code is drawn at, pixels: some ten for each of the 95 modules of an EAN-13 and its quiet. */
const DRAWN = 1_400;

/** What stands in bars, and where. */
export interface ReadBars {
  digits: string;
  bars: Bars;
}

/**
 * The digits of a barcode that can't be read as it lies: bars found by their direction, set upright, each
 * row the mean along them, so that noise goes. They count where the upper and the lower half say the same,
 * which no accident does: as a reader has them, or fitted to a row that is out of focus.
 *
 * @param read reads a picture of upright bars
 */
export async function barsRead(
  grey: Plane,
  read: (look: Plane) => Promise<string | null>,
): Promise<ReadBars | null> {
  const all = barsIn(grey);
  const rowsOf = (bars: Bars) =>
    [meanRow(grey, bars, [-0.5, 0], DRAWN), meanRow(grey, bars, [0, 0.5], DRAWN)] as const;
  for (const bars of all) {
    const [upper, lower] = rowsOf(bars);
    const digits = await read(asPicture(evened(upper)));
    if (digits !== null && digits === (await read(asPicture(evened(lower))))) return { digits, bars };
  }
  for (const bars of all) {
    const digits = blurred(...rowsOf(bars));
    if (digits !== null) return { digits, bars };
  }
  return null;
}

/** An EAN-13 so far out of focus that its bars run into each other, whichever way up. */
function blurred(upper: Float32Array, lower: Float32Array): string | null {
  const width = DRAWN / (1 + 2 * QUIET);
  for (const isTurned of [false, true]) {
    const read = (row: Float32Array) => blurredDigits(isTurned ? row.slice().reverse() : row, width);
    const digits = read(upper);
    if (digits !== null && digits === read(lower)) return digits;
  }
  return null;
}

const wideOf = (bars: Bars) => bars.width * (1 + 2 * QUIET);

/** Means along the bars, over part of their height, from quiet to quiet. */
function meanRow(
  grey: Plane,
  bars: Bars,
  [from, to]: readonly [number, number],
  width: number,
): Float32Array {
  const perPixel = wideOf(bars) / width;
  const turn = (bars.angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const high = bars.height * MIDDLE;
  const steps = Math.max(4, Math.min(60, Math.round((high * (to - from)) / 1.5)));
  const row = new Float32Array(width);
  for (let i = 0; i < steps; i += 1) {
    const v = (from + ((i + 0.5) / steps) * (to - from)) * high;
    for (let k = 0; k < width; k += 1) {
      const u = (k + 0.5) * perPixel - wideOf(bars) / 2;
      row[k]! += valueAt(grey, bars.x + u * cos - v * sin - 0.5, bars.y + u * sin + v * cos - 0.5);
    }
  }
  return row.map((sum) => sum / steps);
}

/** Black on white, whatever the light: each value between the darkest and the lightest about it. */
function evened(row: Float32Array): Float32Array {
  const reach = Math.round(row.length / 14);
  return row.map((value, i) => {
    let [low, high] = [Infinity, -Infinity];
    for (let k = Math.max(0, i - reach); k < Math.min(row.length, i + reach); k += 1) {
      if (row[k]! < low) low = row[k]!;
      if (row[k]! > high) high = row[k]!;
    }
    return Math.min(255, Math.max(0, ((value - low) / Math.max(12, high - low)) * 255));
  });
}

const TALL = 60;

function asPicture(row: Float32Array): Plane {
  const data = new Float32Array(row.length * TALL);
  for (let y = 0; y < TALL; y += 1) data.set(row, y * row.length);
  return { width: row.length, height: TALL, data };
}
