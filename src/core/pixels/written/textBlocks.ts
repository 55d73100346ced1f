import { shrunkPlane, type Plane } from '../pixels';
import { lettersIn, type Letter } from './letters';

/** Lines of text that belong together, in pixels of the picture. */
export interface TextBlock {
  /** Of the lines, degrees clockwise, -90 to 90: which end is up can't be told from the letters' places. */
  angle: number;
  /** Its middle; its size along the lines and across them. */
  x: number;
  y: number;
  width: number;
  height: number;
  /** Of its usual letters. */
  tall: number;
  ink: 'dark' | 'light';
  /** Grey value of what they stand on. */
  paper: number;
  /** How much there is to read: letters that stand in rows, weighed by their contrast. */
  weight: number;
}

/** Longer side of the picture that small letters are looked for in; large ones in it made smaller. */
const SIDE = 1_600;
const SMALLER = [1, 2.6, 6.5] as const;
/** So many letters make a block. */
const FEWEST = 3;
const MOST_BLOCKS = 3;
/** More letters don't make it likelier that they are some. */
const ENOUGH = 60;
/** Ink differs from paper by more than this, grey values. */
const FAINTEST = 12;
/** How far paper beside paper, and ink beside ink, may differ, grey values. */
const PAPER = 20;
const INK = 60;
/** A block of less weight than this share of the first is not read. */
const NEGLIGIBLE = 0.12;

/** Where a label, a board, a box or a spine has something to read: the most promising first. */
export function textBlocks(grey: Plane): TextBlock[] {
  const side = Math.max(grey.width, grey.height);
  const found: TextBlock[] = [];
  for (const smaller of SMALLER) {
    const small = shrunkPlane(grey, Math.round(Math.min(side, SIDE) / smaller));
    const factor = side / Math.max(small.width, small.height);
    const letters = lettersIn(small);
    for (const ink of ['dark', 'light'] as const)
      for (const group of clusters(letters[ink])) {
        const block = blockOf(group, ink);
        if (block) found.push(scaled(block, factor));
      }
  }
  const blocks = merged(found.sort((a, b) => b.weight - a.weight));
  const least = NEGLIGIBLE * (blocks[0]?.weight ?? 0);
  return blocks.filter((b) => b.weight > least).slice(0, MOST_BLOCKS);
}

function scaled(block: TextBlock, by: number): TextBlock {
  return {
    ...block,
    x: block.x * by,
    y: block.y * by,
    width: block.width * by,
    height: block.height * by,
    tall: block.tall * by,
  };
}

/** Letters of about one size and one paper that are close together. */
function clusters(letters: readonly Letter[]): Letter[][] {
  const root = letters.map((_, i) => i);
  const find = (i: number): number => {
    let at = i;
    while (root[at] !== at) at = root[at] = root[root[at]!]!;
    return at;
  };
  const byX = letters.map((_, i) => i).sort((a, b) => letters[a]!.x - letters[b]!.x);
  const reach = 3 * Math.max(0, ...letters.map((l) => l.tall));
  for (let a = 0; a < byX.length; a += 1)
    for (let b = a + 1; b < byX.length; b += 1) {
      const [p, q] = [letters[byX[a]!]!, letters[byX[b]!]!];
      const dx = q.x - p.x;
      if (dx > reach) break;
      const tall = Math.max(p.tall, q.tall);
      const low = Math.min(p.tall, q.tall);
      if (low * 3.2 < tall || !isOfOne(p, q)) continue;
      // A large letter reaches as far as it is tall; beside a small one it is another line.
      const far = Math.min(2.7 * tall, 3.6 * low);
      if (dx * dx + (q.y - p.y) ** 2 < far * far) root[find(byX[a]!)] = find(byX[b]!);
    }
  const groups = new Map<number, Letter[]>();
  letters.forEach((letter, i) => {
    const key = find(i);
    const group = groups.get(key);
    if (group) group.push(letter);
    else groups.set(key, [letter]);
  });
  return [...groups.values()].filter((group) => group.length >= FEWEST);
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/** Whether two may stand on one paper: thin ink looks paler than bold, but paper beside paper is alike. */
function isOfOne(p: Letter, q: Letter): boolean {
  return Math.abs(p.paper - q.paper) < PAPER && Math.abs(p.grey - q.grey) < INK;
}

/** A cluster as lines at the angle at which its letters stand in the fewest rows; null when in none. */
function blockOf(letters: readonly Letter[], ink: TextBlock['ink']): TextBlock | null {
  const talls = letters.map((l) => l.tall).sort((a, b) => a - b);
  const usual = talls[Math.floor(talls.length * 0.6)]!;
  const body = letters.filter((l) => l.tall > usual * 0.55 && l.tall < usual * 1.9);
  if (body.length < FEWEST) return null;
  const ways = waysOn(body);
  const coarse = best(
    range(-90, 87, 3),
    (angle) => alongRows(body, angle, usual) * (0.4 + goingOn(ways, angle)),
  );
  const angle = best(range(coarse - 3, coarse + 3, 0.5), (a) => alongRows(body, a, usual));
  const [cos, sin] = [Math.cos(radians(angle)), Math.sin(radians(angle))];
  let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const l of letters) {
    const [u, v] = [l.x * cos + l.y * sin, l.y * cos - l.x * sin];
    const half = l.tall / 2;
    u0 = Math.min(u0, u - half);
    u1 = Math.max(u1, u + half);
    v0 = Math.min(v0, v - half);
    v1 = Math.max(v1, v + half);
  }
  const [u, v] = [(u0 + u1) / 2, (v0 + v1) / 2];
  const contrast = mean(body.map((l) => Math.abs(l.grey - l.paper)));
  if (contrast < FAINTEST) return null;
  const ink0 = mean(body.map((l) => l.grey));
  // One ink on one paper; what a floor is made of varies as much as it stands out.
  const uneven = Math.sqrt(mean(body.map((l) => (l.grey - ink0) ** 2)));
  return {
    angle: normal(angle),
    x: u * cos - v * sin,
    y: u * sin + v * cos,
    width: u1 - u0,
    height: v1 - v0,
    tall: acrossHeight(body, angle),
    ink,
    paper: mean(body.map((l) => l.paper)),
    weight:
      (inRows(body, angle, usual) * Math.min(body.length, ENOUGH) * contrast ** 2) / (contrast + uneven),
  };
}

/** From each letter to the nearest one, degrees: in a word it is the next. */
function waysOn(letters: readonly Letter[]): number[] {
  return letters.map((l) => {
    let [way, least] = [0, Infinity];
    for (const o of letters) {
      const far = (o.x - l.x) ** 2 + (o.y - l.y) ** 2;
      if (o !== l && far < least) [way, least] = [(Math.atan2(o.y - l.y, o.x - l.x) * 180) / Math.PI, far];
    }
    return way;
  });
}

/** Share of the ways that go along an angle. */
function goingOn(ways: readonly number[], angle: number): number {
  let n = 0;
  for (const way of ways) {
    const d = Math.abs(way - angle) % 180;
    if (Math.min(d, 180 - d) < 15) n += 1;
  }
  return n / ways.length;
}

/** Of letters' boxes, which are not turned with the lines, what they are tall across them. */
function acrossHeight(letters: readonly Letter[], angle: number): number {
  const [c, s] = [Math.abs(Math.cos(radians(angle))), Math.abs(Math.sin(radians(angle)))];
  // A box of w by h turned: W = w c + h s, H = w s + h c; solved for h where that is possible.
  const d = c * c - s * s;
  const heights = letters
    .map(({ width, height }) => {
      const h = Math.abs(d) > 0.35 ? (height * c - width * s) / d : 0.8 * Math.max(width, height);
      return Math.min(Math.max(h, 0.4 * Math.max(width, height)), Math.max(width, height));
    })
    .sort((a, b) => a - b);
  return heights[Math.floor(heights.length * 0.6)]!;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

function normal(angle: number): number {
  return angle > 90 ? angle - 180 : angle <= -90 ? angle + 180 : angle;
}

function range(from: number, to: number, step: number): number[] {
  return Array.from({ length: Math.floor((to - from) / step + 1.001) }, (_, i) => from + i * step);
}

function best(angles: readonly number[], worth: (angle: number) => number): number {
  let [chosen, most] = [0, -Infinity];
  for (const angle of angles) {
    const is = worth(angle);
    if (is > most) [chosen, most] = [angle, is];
  }
  return chosen;
}

/** Rows across an angle: how many letters there are in each half height. */
function rowsAcross(letters: readonly Letter[], angle: number, tall: number): Map<number, number> {
  const [cos, sin] = [Math.cos(radians(angle)), Math.sin(radians(angle))];
  const bins = new Map<number, number>();
  const step = tall / 2.5;
  for (const { x, y } of letters) {
    const at = (y * cos - x * sin) / step;
    const low = Math.floor(at);
    // Shared between two, so that it does not matter where they begin.
    bins.set(low, (bins.get(low) ?? 0) + 1 - (at - low));
    bins.set(low + 1, (bins.get(low + 1) ?? 0) + at - low);
  }
  return bins;
}

/** The more, the fewer rows letters stand in; and the closer together they stand along them. */
function alongRows(letters: readonly Letter[], angle: number, tall: number): number {
  let sum = 0;
  for (const n of rowsAcross(letters, angle, tall).values()) sum += n * n;
  return sum / letters.length;
}

/** Share of letters that stand with two more of their row at least. */
function inRows(letters: readonly Letter[], angle: number, tall: number): number {
  const bins = rowsAcross(letters, angle, tall);
  let n = 0;
  for (const [at, count] of bins) {
    const row = count + Math.max(bins.get(at - 1) ?? 0, bins.get(at + 1) ?? 0);
    if (row >= 2.5) n += count;
  }
  return n / letters.length;
}

/** Blocks found at several sizes, or that go on in one another, are one. */
function merged(blocks: readonly TextBlock[]): TextBlock[] {
  const out: TextBlock[] = [];
  for (const block of blocks) {
    const at = out.findIndex((o) => belongs(o, block));
    const one = out[at];
    if (one) out[at] = isCounters(one, block) ? block : united(one, block);
    else out.push(block);
  }
  return out;
}

/** Whether one is only what letters enclose and leave between them: the letters themselves are taller. */
function isCounters(one: TextBlock, block: TextBlock): boolean {
  return one.ink !== block.ink && block.tall > 1.6 * one.tall && block.weight > 0.5 * one.weight;
}

function belongs(one: TextBlock, other: TextBlock): boolean {
  const { u, v } = inFrame(one, other);
  const gap = 1.2 * Math.max(one.tall, other.tall);
  const du = Math.abs(u) - (one.width + other.width) / 2;
  const dv = Math.abs(v) - (one.height + other.height) / 2;
  if (du > gap || dv > gap) return false;
  const isAlike = areAlike(one, other);
  // Inside it is the same again, whatever was made of it there; but for a label on a floor of such marks.
  const isWithin =
    du < -0.6 * Math.min(one.width, other.width) && dv < -0.6 * Math.min(one.height, other.height);
  if (isWithin && isMuchSmaller(one, other)) return isAlike && Math.abs(one.paper - other.paper) < PAPER;
  return isWithin || isAlike;
}

/** Whether they go on in one another: one ink, one way, one paper, in one light or another. */
function areAlike(one: TextBlock, other: TextBlock): boolean {
  return (
    one.ink === other.ink &&
    Math.abs(normal(one.angle - other.angle)) < TURN &&
    Math.abs(one.paper - other.paper) < 1.5 * PAPER
  );
}
const TURN = 8;

/** Whether one of two covers less than so much of what the other does. */
function isMuchSmaller(one: TextBlock, other: TextBlock): boolean {
  const [a, b] = [one.width * one.height, other.width * other.height];
  return Math.min(a, b) < SMALL * Math.max(a, b);
}
const SMALL = 0.08;

function inFrame(frame: TextBlock, { x, y }: { x: number; y: number }): { u: number; v: number } {
  const [cos, sin] = [Math.cos(radians(frame.angle)), Math.sin(radians(frame.angle))];
  const [dx, dy] = [x - frame.x, y - frame.y];
  return { u: dx * cos + dy * sin, v: dy * cos - dx * sin };
}

/** One that holds both where they go on in one another, at the angle of the weightier. */
function united(one: TextBlock, other: TextBlock): TextBlock {
  // What lies around a board is no part of it.
  if (!areAlike(one, other)) return one;
  const { u, v } = inFrame(one, other);
  const u0 = Math.min(-one.width / 2, u - other.width / 2);
  const u1 = Math.max(one.width / 2, u + other.width / 2);
  const v0 = Math.min(-one.height / 2, v - other.height / 2);
  const v1 = Math.max(one.height / 2, v + other.height / 2);
  const [cos, sin] = [Math.cos(radians(one.angle)), Math.sin(radians(one.angle))];
  const [cu, cv] = [(u0 + u1) / 2, (v0 + v1) / 2];
  return {
    ...one,
    x: one.x + cu * cos - cv * sin,
    y: one.y + cu * sin + cv * cos,
    width: u1 - u0,
    height: v1 - v0,
    weight: one.weight + 0.5 * other.weight,
  };
}
