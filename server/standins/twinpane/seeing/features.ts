import type { Seen } from './look';
import { outlineOf } from './outline';

/** Pixels each way of what gradients are counted in, and of a cell of it. */
const SIDE = 64;
const CELL = 8;
const CELLS = SIDE / CELL;
const ANGLES = 9;
const GRID = 4;
const BLOCK = 16;
/** Room around the thing, in shares of its longer side. */
const MARGIN = 0.06;

/**
 * What a picture of a thing comes to, as numbers: histograms of oriented gradients (Dalal and Triggs, 2005)
 * of the thing alone, its outline, where its colours are, its proportions.
 */
export function featuresOf(picture: Seen, mask = outlineOf(picture)): Float32Array {
  const box = boxOf(mask, picture.width, picture.height);
  const cut = cutOut(picture, mask, box);
  return Float32Array.from([...gradients(cut), ...outline(cut), ...layout(cut), ...proportions(cut, box)]);
}

/** Where in the features the whole thing's colour stands: after them come its proportions. */
const COLOUR_AT = CELLS * CELLS * ANGLES + BLOCK * BLOCK + 3 * GRID * GRID;

/** Mean L*, a*, b* of the thing, out of its features. */
export function colourOf(features: Float32Array): [number, number, number] {
  const at = (k: number) => features[COLOUR_AT + k]! * 60;
  return [at(0), at(2), at(4)];
}

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

function boxOf(mask: Uint8Array, width: number, height: number): Box {
  const [columns, rows] = [new Float64Array(width), new Float64Array(height)];
  for (let p = 0; p < mask.length; p += 1) {
    if (!mask[p]) continue;
    columns[p % width]! += 1;
    rows[Math.floor(p / width)]! += 1;
  }
  const [left, right] = ends(columns);
  const [top, bottom] = ends(rows);
  return { x: left, y: top, width: right - left + 1, height: bottom - top + 1 };
}

/** Where a tally begins and ends; a strand of a pixel or two is no end. */
function ends(tally: Float64Array): [number, number] {
  const least = Math.min(2, Math.max(...tally));
  let [from, to] = [0, tally.length - 1];
  while (from < to && tally[from]! < least) from += 1;
  while (to > from && tally[to]! < least) to -= 1;
  return [from, to];
}

/** The thing in a square of its own: its pixels, and how much of each is its own. */
interface Cut {
  l: Float32Array;
  a: Float32Array;
  b: Float32Array;
  own: Float32Array;
}

function cutOut(picture: Seen, mask: Uint8Array, box: Box): Cut {
  const side = Math.max(box.width, box.height) * (1 + 2 * MARGIN);
  const step = side / SIDE;
  const [x0, y0] = [box.x + box.width / 2 - side / 2, box.y + box.height / 2 - side / 2];
  const cut: Cut = {
    l: new Float32Array(SIDE * SIDE),
    a: new Float32Array(SIDE * SIDE),
    b: new Float32Array(SIDE * SIDE),
    own: new Float32Array(SIDE * SIDE),
  };
  for (let y = 0, p = 0; y < SIDE; y += 1)
    for (let x = 0; x < SIDE; x += 1, p += 1) {
      const px = x0 + (x + 0.5) * step - 0.5;
      const py = y0 + (y + 0.5) * step - 0.5;
      cut.l[p] = valueAt(picture.l, picture, px, py);
      cut.a[p] = valueAt(picture.a, picture, px, py);
      cut.b[p] = valueAt(picture.b, picture, px, py);
      const isIn = px > -1 && py > -1 && px < picture.width && py < picture.height;
      cut.own[p] = isIn ? valueAt(mask, picture, px, py) : 0;
    }
  return cut;
}

/** Between four pixels; beyond the edge it goes on as at the edge. */
function valueAt(
  from: Float32Array | Uint8Array,
  { width, height }: { width: number; height: number },
  x: number,
  y: number,
): number {
  const cx = Math.min(width - 1.001, Math.max(0, x));
  const cy = Math.min(height - 1.001, Math.max(0, y));
  const [i, j] = [Math.floor(cx), Math.floor(cy)];
  const [fx, fy] = [cx - i, cy - j];
  const p = j * width + i;
  const q = j + 1 < height ? p + width : p;
  const right = i + 1 < width ? 1 : 0;
  return (
    (from[p]! * (1 - fx) + from[p + right]! * fx) * (1 - fy) +
    (from[q]! * (1 - fx) + from[q + right]! * fx) * fy
  );
}

function gradients({ l, own }: Cut): Float32Array {
  const near = grown(own);
  const cells = new Float32Array(CELLS * CELLS * ANGLES);
  for (let y = 1; y < SIDE - 1; y += 1)
    for (let x = 1; x < SIDE - 1; x += 1) {
      const p = y * SIDE + x;
      // The floor's own pattern says nothing of the thing.
      if (near[p] === 0) continue;
      const dx = l[p + 1]! - l[p - 1]!;
      const dy = l[p + SIDE]! - l[p - SIDE]!;
      const size = Math.hypot(dx, dy) * near[p]!;
      const turn = ((Math.atan2(dy, dx) + 2 * Math.PI) % Math.PI) * (ANGLES / Math.PI);
      const low = Math.floor(turn) % ANGLES;
      const part = turn - Math.floor(turn);
      spread(cells, x, y, low, size * (1 - part));
      spread(cells, x, y, (low + 1) % ANGLES, size * part);
    }
  return evened(cells);
}

/** Gives a gradient to the four cells around it, the nearer the more. */
function spread(cells: Float32Array, x: number, y: number, angle: number, size: number): void {
  const [cx, cy] = [(x + 0.5) / CELL - 0.5, (y + 0.5) / CELL - 0.5];
  const [i, j] = [Math.floor(cx), Math.floor(cy)];
  const [fx, fy] = [cx - i, cy - j];
  for (const [u, v, w] of [
    [i, j, (1 - fx) * (1 - fy)],
    [i + 1, j, fx * (1 - fy)],
    [i, j + 1, (1 - fx) * fy],
    [i + 1, j + 1, fx * fy],
  ] as const)
    if (u >= 0 && v >= 0 && u < CELLS && v < CELLS) cells[(v * CELLS + u) * ANGLES + angle]! += size * w;
}

/** Each cell beside its neighbours' strength, cut off and evened again ("L2-hys"). */
function evened(cells: Float32Array): Float32Array {
  const out = new Float32Array(cells.length);
  const energy = (u: number, v: number) => {
    if (u < 0 || v < 0 || u >= CELLS || v >= CELLS) return 0;
    let sum = 0;
    for (let k = 0, c = (v * CELLS + u) * ANGLES; k < ANGLES; k += 1) sum += cells[c + k]! ** 2;
    return sum;
  };
  for (let v = 0; v < CELLS; v += 1)
    for (let u = 0; u < CELLS; u += 1) {
      let around = 0;
      for (let j = -1; j <= 1; j += 1) for (let i = -1; i <= 1; i += 1) around += energy(u + i, v + j);
      const by = Math.sqrt(around + 400);
      for (let k = 0, c = (v * CELLS + u) * ANGLES; k < ANGLES; k += 1)
        out[c + k] = Math.min(0.35, cells[c + k]! / by) * 2;
    }
  return out;
}

/** The thing and a pixel or two around it. */
function grown(own: Float32Array): Float32Array {
  const out = new Float32Array(own.length);
  for (let y = 0, p = 0; y < SIDE; y += 1)
    for (let x = 0; x < SIDE; x += 1, p += 1) {
      let most = 0;
      for (let j = Math.max(0, y - 2); j <= Math.min(SIDE - 1, y + 2); j += 1)
        for (let i = Math.max(0, x - 2); i <= Math.min(SIDE - 1, x + 2); i += 1)
          most = Math.max(most, own[j * SIDE + i]!);
      out[p] = most;
    }
  return out;
}

function outline({ own }: Cut): number[] {
  const step = SIDE / BLOCK;
  return means(
    own,
    own.map(() => 1),
    step,
    BLOCK,
  ).map((v) => v * 0.8);
}

/** What is in each block of a grid, by weight; `none` where a block has no weight. */
function means(
  values: Float32Array,
  weights: Float32Array,
  step: number,
  blocks: number,
  none = 0,
): number[] {
  const out: number[] = [];
  for (let v = 0; v < blocks; v += 1)
    for (let u = 0; u < blocks; u += 1) {
      let [sum, weight] = [0, 0];
      for (let y = v * step; y < (v + 1) * step; y += 1)
        for (let x = u * step; x < (u + 1) * step; x += 1) {
          const w = weights[y * SIDE + x]!;
          sum += w * values[y * SIDE + x]!;
          weight += w;
        }
      out.push(weight < step ? none : sum / weight);
    }
  return out;
}

/** Where which colours are, against the whole thing's, and the whole thing's itself. */
function layout({ l, a, b, own }: Cut): number[] {
  const whole = [l, a, b].map((plane) => {
    const [mean = 0] = means(plane, own, SIDE, 1);
    let [off, n] = [0, 1e-6];
    plane.forEach((v, p) => {
      off += own[p]! * (v - mean) ** 2;
      n += own[p]!;
    });
    return { mean, spread: Math.sqrt(off / n) };
  });
  const grids = [l, a, b].flatMap((plane, i) => {
    const { mean } = whole[i] ?? { mean: 0 };
    return means(plane, own, SIDE / GRID, GRID, mean).map((v) => (v - mean) / 40);
  });
  return [...grids, ...whole.flatMap(({ mean, spread: off }) => [mean / 60, off / 20])];
}

function proportions({ own }: Cut, box: Box): number[] {
  const area = own.reduce((sum, v) => sum + v, 0) / (SIDE * SIDE);
  const long = Math.max(box.width, box.height);
  const middle = (along: (p: number) => number) =>
    own.reduce((sum, v, p) => sum + v * along(p), 0) / (area * SIDE * SIDE + 1e-6);
  const [mx, my] = [middle((p) => p % SIDE), middle((p) => Math.floor(p / SIDE))];
  let [xx, yy, xy] = [0, 0, 0];
  own.forEach((v, p) => {
    const [x, y] = [(p % SIDE) - mx, Math.floor(p / SIDE) - my];
    xx += v * x * x;
    yy += v * y * y;
    xy += v * x * y;
  });
  const n = area * SIDE ** 4 + 1e-6;
  return [
    box.width / long,
    box.height / long,
    area * 2,
    (area * long * long) / (box.width * box.height),
    (20 * xx) / n,
    (20 * yy) / n,
    (20 * xy) / n,
  ];
}
