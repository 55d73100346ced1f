import { componentsOf } from './components';
import { labPixels, type LabPixels } from './lab';
import { isItem, marksIn, strokes, type Mark } from './marks';
import { shrunk, type Mask, type Pixels } from './pixels';

/** Large letters are looked for in the picture made so much smaller. */
const SMALLER = 3;
/** More marks than this are a carpet, not writing. */
const MOST_MARKS = 700;

/**
 * The fewest marks that make a row; and how tall they are, over the picture's longer side, when they are
 * large.
 */
const FEWEST = 4;
const LARGE = 0.075;

/** Marks in a row, from one end to the other. */
interface Line {
  marks: readonly Mark[];
  /** How many of them lie beside the item. */
  beside: number;
  /** Other marks of their size close by that are not in the row, for each of its own; it takes long. */
  crowd: () => number;
  /** Told from what it lies on by its colour, not by its lightness. */
  inColour: boolean;
  /** The longer side of the picture it was found in, pixels. */
  side: number;
}

/**
 * Marks that stand in a line like letters, beside the item or from it out over the background; writing
 * wholly on the item is the item's own business.
 *
 * @param item what the item is, of the picture's size
 * @returns how many letter-like marks stand in the longest line; 0 when there is none
 */
export function writingBeside(picture: Pixels, item: Mask): number {
  const main = mainPart(item);
  let longest = 0;
  for (const factor of [1, SMALLER]) {
    const small = shrunk(picture, Math.round(Math.max(picture.width, picture.height) / factor));
    const lab = labPixels(small);
    for (const way of strokes(lab)) {
      const marks = marksIn(way, lab, main);
      if (marks.length > MOST_MARKS) continue;
      for (const row of rowsOf(marks)) {
        if (row.length <= longest) continue;
        const own = row.map((k) => marks[k]!);
        const beside = besideItem(own, main, lab);
        const line: Line = {
          marks: own,
          beside: beside.filter((is) => is).length,
          crowd: () => crowdAround(marks, row, beside),
          inColour: way.inColour,
          side: Math.max(lab.width, lab.height),
        };
        if (isWriting(line)) longest = row.length;
      }
    }
  }
  return longest;
}

/**
 * Of the item's pieces the largest, and what is nearly as large: letters and banners are pieces of their
 * own.
 */
function mainPart(item: Mask): Mask {
  const { width, height, data: small } = quartered(item);
  const { of, all } = componentsOf(small, width, height);
  const largest = Math.max(0, ...all.map((c) => c.area));
  const data = new Uint8Array(of.length);
  for (let p = 0; p < data.length; p += 1) {
    const id = of[p]!;
    // Ids are places in the list plus one.
    if (id > 0 && all[id - 1]!.area > largest * 0.3) data[p] = 255;
  }
  return { width, height, data };
}

/** 1 where it is item, of every fourth value of every fourth row. */
function quartered({ width, height, data }: Mask): Mask {
  const [w, h] = [Math.ceil(width / 4), Math.ceil(height / 4)];
  const out = new Uint8Array(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) if (data[y * 4 * width + x * 4]! > 127) out[y * w + x] = 1;
  return { width: w, height: h, data: out };
}

/** Rows of marks that are alike and close together, by their places in the list. */
function rowsOf(marks: readonly Mark[]): number[][] {
  const near = neighbours(marks);
  const rows = new Map<string, number[]>();
  for (const [i, others] of near.entries())
    for (const j of others) {
      if (j < i) continue;
      const row = rowAlong(marks, near, i, j);
      if (row.length >= FEWEST) rows.set([...row].sort((a, b) => a - b).join(), row);
    }
  return [...rows.values()];
}

/** How many times as tall as the other one of a row may be; how far off, over the taller one's height. */
const TALLER = 2.3;
const CLOSE = 3;

/** Of each mark those like it close by, nearest first. */
function neighbours(marks: readonly Mark[]): number[][] {
  // From left to right, so that only those within reach are looked at.
  const order = marks.map((_, i) => i).sort((i, j) => marks[i]!.x - marks[j]!.x);
  const close: { j: number; far: number }[][] = marks.map(() => []);
  for (let a = 0; a < order.length; a += 1) {
    const i = order[a]!;
    const m = marks[i]!;
    const reach = CLOSE * TALLER * m.tall;
    for (let b = a + 1; b < order.length; b += 1) {
      const j = order[b]!;
      const o = marks[j]!;
      const dx = o.x - m.x;
      if (dx >= reach) break;
      const tall = m.tall > o.tall ? m.tall : o.tall;
      const dy = o.y - m.y;
      if (dx * dx + dy * dy >= (CLOSE * tall) ** 2 || Math.min(m.tall, o.tall) * TALLER <= tall) continue;
      if (!alike(m, o)) continue;
      const far = Math.hypot(dx, dy);
      close[i]!.push({ j, far });
      close[j]!.push({ j: i, far });
    }
  }
  return close.map((all) =>
    all
      .sort((p, q) => p.far - q.far || p.j - q.j)
      .slice(0, 12)
      .map(({ j }) => j),
  );
}

function alike(m: Mark, o: Mark): boolean {
  const [l, a, b] = m.colour;
  const isOneColour = Math.abs(l - o.colour[0]) < 16 && Math.hypot(a - o.colour[1], b - o.colour[2]) < 16;
  if (isOneColour) return true;
  // What is half clear takes the colour of what it lies on: then size and stroke have to agree.
  const [tall, stroke] = [m.tall / o.tall, (m.stroke * m.tall) / (o.stroke * o.tall)];
  return Math.abs(Math.log(tall)) < 0.4 && Math.abs(Math.log(stroke)) < 0.3;
}

/** The row that goes on from two marks to both sides. */
function rowAlong(marks: readonly Mark[], near: readonly number[][], i: number, j: number): number[] {
  const [p, q] = [marks[i]!, marks[j]!];
  const far = Math.hypot(q.x - p.x, q.y - p.y);
  if (far < 1) return [];
  let [ux, uy] = [(q.x - p.x) / far, (q.y - p.y) / far];
  const grow = (row: number[], forward: number) => {
    for (;;) {
      // A row has two to begin with.
      const end = row.at(-1)!;
      const last = marks[end]!;
      let [best, least] = [-1, Infinity];
      for (const k of near[end]!) {
        if (row.includes(k)) continue;
        const m = marks[k]!;
        const along = ((m.x - last.x) * ux + (m.y - last.y) * uy) * forward;
        const aside = Math.abs((m.x - last.x) * uy - (m.y - last.y) * ux);
        if (along < 0.15 * last.tall || aside > 0.38 * Math.max(m.tall, last.tall)) continue;
        if (along + 2 * aside < least) [best, least] = [k, along + 2 * aside];
      }
      if (best < 0) return row;
      row.push(best);
      // The direction gets surer the longer the row is.
      const [a, z] = [marks[row[0]!]!, marks[best]!];
      const d = Math.hypot(z.x - a.x, z.y - a.y);
      if (row.length > 2) [ux, uy] = [((z.x - a.x) / d) * forward, ((z.y - a.y) / d) * forward];
    }
  };
  const ahead = grow([i, j], 1);
  return grow(ahead.reverse(), -1);
}

/**
 * Of each mark in a row whether it lies beside the item: whether there is none above and below the row
 * there. At the mark itself the mask may have taken the writing for item.
 */
function besideItem(row: readonly Mark[], item: Mask, { width, height }: LabPixels): boolean[] {
  // A row has at least two.
  const [a, z] = [row[0]!, row.at(-1)!];
  const far = Math.max(1, Math.hypot(z.x - a.x, z.y - a.y));
  const off = 1.15 * median(row.map((m) => m.tall));
  const [dx, dy] = [(-(z.y - a.y) / far) * off, ((z.x - a.x) / far) * off];
  return row.map(
    ({ x, y }) =>
      !isItem(item, (x + dx) / width, (y + dy) / height) &&
      !isItem(item, (x - dx) / width, (y - dy) / height),
  );
}

/**
 * How many other marks of their size lie close to a row's, for each of its own; beside the item only,
 * which may have any pattern. Infinity where all of the row is on the item.
 */
function crowdAround(marks: readonly Mark[], row: readonly number[], beside: readonly boolean[]): number {
  const own = new Set(row);
  const members = row.filter((_, i) => beside[i]).map((k) => marks[k]!);
  const tall = median(members.map((m) => m.tall));
  const others = marks.filter(
    (o, k) =>
      !own.has(k) &&
      !o.onItem &&
      o.tall > tall * 0.5 &&
      o.tall < tall * 2 &&
      members.some((m) => Math.hypot(m.x - o.x, m.y - o.y) < 2.2 * tall),
  );
  return members.length === 0 ? Infinity : others.length / members.length;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

function spread(values: readonly number[]): number {
  const middle = mean(values);
  return Math.sqrt(mean(values.map((v) => (v - middle) ** 2)));
}

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;
}

/**
 * Whether a row is one of letters: many, or clearly apart from what they lie on, of one height and width
 * of stroke, unlike each other, on a straight line, and few others about. Tuned on `truth/judged.ts`.
 */
function isWriting(line: Line): boolean {
  const { marks, beside } = line;
  // From the item out over what it lies on.
  const crosses = marks.length >= 6 && beside >= 2 && marks.length - beside >= 2;
  const tall = mean(marks.map((m) => m.tall));
  // Letters as large as these are few.
  const isLarge = tall > LARGE * line.side && beside >= 3;
  if (!crosses && !isLarge && (marks.length < 5 || beside < 4)) return false;
  const uneven = spread(marks.map((m) => m.tall)) / tall;
  const unlike = spread(marks.map((m) => m.thin / m.tall));
  const stroke = mean(marks.map((m) => m.stroke));
  const strokes = spread(marks.map((m) => m.stroke));
  const off = median(marks.map((m) => m.off));
  const isFew = marks.length < 8;
  return (
    off >= (line.inColour ? 16 : isLarge || !isFew ? 10 : crosses ? 12 : 15) &&
    uneven <= (isFew && !isLarge ? 0.3 : 0.35) &&
    unlike >= (isFew ? 0.035 : 0) &&
    unlike <= 0.25 &&
    stroke >= 0.06 &&
    stroke <= 0.24 &&
    strokes <= (off < 16 ? 0.036 : 0.055) &&
    asideOf(marks) / tall <= 0.22 &&
    line.crowd() <= (isLarge ? 0.25 : crosses ? 0.7 : isFew || off < 14 ? 0.3 : 0.5)
  );
}

/** How far marks lie from the line from the first to the last: standard deviation, pixels. */
function asideOf(marks: readonly Mark[]): number {
  // A row has at least two.
  const [a, z] = [marks[0]!, marks.at(-1)!];
  const far = Math.max(1, Math.hypot(z.x - a.x, z.y - a.y));
  return spread(marks.map((m) => ((m.x - a.x) * (z.y - a.y) - (m.y - a.y) * (z.x - a.x)) / far));
}
