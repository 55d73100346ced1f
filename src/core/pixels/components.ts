/** A group of touching pixels. */
export interface Component {
  id: number;
  area: number;
  left: number;
  top: number;
  /** The last column and row that belong to it. */
  right: number;
  bottom: number;
}

/**
 * Groups of touching pixels (sideways and up and down) for which `belongs` is not 0. Row by row: each run of
 * pixels joins those that it touches in the row above.
 *
 * @returns each pixel's group, 0 for none, and the groups, the uppermost first; a group's id is its place in
 *   the list plus one
 */
export function componentsOf(
  belongs: Uint8Array,
  width: number,
  height: number,
): { of: Int32Array; all: Component[] } {
  const runs = runsIn(belongs, width, height);
  const { starts, ends, rowAt } = runs;
  const root = joined(runs, width);
  const of = new Int32Array(width * height);
  const all: Component[] = [];
  const ids = new Int32Array(starts.length);
  for (let y = 0; y < height; y += 1)
    for (let r = rowAt[y]!; r < rowAt[y + 1]!; r += 1) {
      const [start, end] = [starts[r]!, ends[r]!];
      const first = rootOf(root, r);
      // A group's root is its first run, which is met before all others.
      if (first === r) ids[r] = all.push(begun(all.length + 1, width, y));
      const id = ids[first]!;
      const c = all[id - 1]!;
      const left = start - y * width;
      const right = end - 1 - y * width;
      c.area += end - start;
      if (left < c.left) c.left = left;
      if (right > c.right) c.right = right;
      c.bottom = y;
      of.fill(id, start, end);
    }
  return { of, all };
}

const begun = (id: number, width: number, top: number): Component => ({
  id,
  area: 0,
  left: width,
  top,
  right: 0,
  bottom: top,
});

/** Where runs of pixels that belong begin and where each is over, row by row. */
interface Runs {
  starts: Int32Array;
  ends: Int32Array;
  /** The first run of each row, and one more. */
  rowAt: Int32Array;
}

function runsIn(belongs: Uint8Array, width: number, height: number): Runs {
  let starts = new Int32Array(1_024);
  let ends = new Int32Array(1_024);
  const rowAt = new Int32Array(height + 1);
  let n = 0;
  for (let y = 0; y < height; y += 1) {
    rowAt[y] = n;
    const over = (y + 1) * width;
    for (let p = y * width; p < over; p += 1) {
      if (belongs[p] === 0) continue;
      if (n === starts.length) [starts, ends] = [twiceAsLong(starts), twiceAsLong(ends)];
      starts[n] = p;
      while (p < over && belongs[p] !== 0) p += 1;
      ends[n] = p;
      n += 1;
    }
  }
  rowAt[height] = n;
  return { starts: starts.subarray(0, n), ends: ends.subarray(0, n), rowAt };
}

function twiceAsLong(from: Int32Array<ArrayBuffer>): Int32Array<ArrayBuffer> {
  const to = new Int32Array(2 * from.length);
  to.set(from);
  return to;
}

/** For each run one of its group that is met no later; the group's first has itself. */
function joined({ starts, ends, rowAt }: Runs, width: number): Int32Array {
  const root = new Int32Array(starts.length);
  for (let r = 0; r < root.length; r += 1) root[r] = r;
  for (let y = 1; y + 1 < rowAt.length; y += 1) {
    let above = rowAt[y - 1]!;
    for (let r = rowAt[y]!; r < rowAt[y + 1]!; r += 1) {
      const [from, to] = [starts[r]! - width, ends[r]! - width];
      while (above < rowAt[y]! && ends[above]! <= from) above += 1;
      for (let a = above; a < rowAt[y]! && starts[a]! < to; a += 1) join(root, a, r);
    }
  }
  return root;
}

function rootOf(root: Int32Array, run: number): number {
  let at = run;
  while (root[at]! !== at) at = root[at] = root[root[at]!]!;
  return at;
}

function join(root: Int32Array, one: number, other: number): void {
  const [a, b] = [rootOf(root, one), rootOf(root, other)];
  if (a < b) root[b] = a;
  else root[a] = b;
}
