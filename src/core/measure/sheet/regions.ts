/** Touching pixels, with the first and last column of each of its rows. */
export interface Region {
  area: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** From its top: two numbers a row. */
  ends: number[];
}

/**
 * Regions of touching pixels (sideways and up and down), once what hangs together by a thread (four pixels or
 * less) has come apart. Thirty-two pixels at a time, and then whole runs: dozens of masks are looked through.
 *
 * @param belongs not 0 where a pixel belongs
 * @param least smaller ones are left out, pixels
 */
export function regionsOf(belongs: Uint8Array, width: number, height: number, least: number): Region[] {
  return joined(runsOf(opened(packed(belongs, width, height), height), width, height), least);
}

interface Bits {
  words: Uint32Array;
  /** Words a row. */
  across: number;
}

function packed(belongs: Uint8Array, width: number, height: number): Bits {
  const across = Math.ceil(width / 32);
  const words = new Uint32Array(across * height);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1)
      if (belongs[p] !== 0) words[y * across + (x >>> 5)]! |= 1 << (x & 31);
  return { words, across };
}

/** Two pixels less on all sides, then two more. Outside the picture nothing belongs. */
function opened(bits: Bits, height: number): Bits {
  let now = bits;
  for (let round = 0; round < 2; round += 1) now = stepped(now, height, true);
  for (let round = 0; round < 2; round += 1) now = stepped(now, height, false);
  return now;
}

/** One pixel less (`all` neighbours must belong) or more (any does), sideways and up and down. */
function stepped({ words, across }: Bits, height: number, all: boolean): Bits {
  const join = (a: number, b: number, c: number) => (all ? a & b & c : a | b | c);
  const rows = new Uint32Array(words.length);
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < across; x += 1, i += 1) {
      const w = words[i]!;
      const before = x > 0 ? words[i - 1]! >>> 31 : 0;
      const after = x < across - 1 ? (words[i + 1]! & 1) << 31 : 0;
      rows[i] = join(w, (w << 1) | before, (w >>> 1) | after);
    }
  const out = all ? new Uint32Array(words.length) : rows.slice();
  for (let i = across; i < words.length - across; i += 1)
    out[i] = join(rows[i]!, rows[i - across]!, rows[i + across]!);
  return { words: out, across };
}

/** Runs of a row: first and last column, three numbers each with the row. */
function runsOf({ words, across }: Bits, width: number, height: number): Int32Array {
  const runs: number[] = [];
  for (let y = 0; y < height; y += 1) {
    let from = -1;
    for (let x = 0; x < width; x += 1) {
      const word = words[y * across + (x >>> 5)]!;
      // Whole words that do not change anything are stepped over.
      if ((x & 31) === 0 && (from < 0 ? word === 0 : word === 0xffffffff)) {
        x += 31;
        continue;
      }
      const on = (word >>> (x & 31)) & 1;
      if (on === 1 && from < 0) from = x;
      else if (on === 0 && from >= 0) {
        runs.push(y, from, x - 1);
        from = -1;
      }
    }
    if (from >= 0) runs.push(y, from, width - 1);
  }
  return Int32Array.from(runs);
}

function joined(runs: Int32Array, least: number): Region[] {
  const count = runs.length / 3;
  const parent = Int32Array.from({ length: count }, (_, i) => i);
  const root = (i: number) => {
    let at = i;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  // Each run with those of the row above that it touches; both lists go from left to right.
  for (let i = 0, above = 0; i < count; i += 1) {
    const [y, from, to] = [runs[i * 3]!, runs[i * 3 + 1]!, runs[i * 3 + 2]!];
    while (
      above < i &&
      (runs[above * 3]! < y - 1 || (runs[above * 3] === y - 1 && runs[above * 3 + 2]! < from))
    )
      above += 1;
    for (let j = above; j < i && runs[j * 3] === y - 1 && runs[j * 3 + 1]! <= to; j += 1)
      parent[root(j)] = root(i);
  }
  const regions = new Map<number, Region>();
  const areas = new Int32Array(count);
  for (let i = 0; i < count; i += 1) areas[root(i)]! += runs[i * 3 + 2]! - runs[i * 3 + 1]! + 1;
  for (let i = 0; i < count; i += 1) {
    const id = root(i);
    if (areas[id]! < least) continue;
    const [y, from, to] = [runs[i * 3]!, runs[i * 3 + 1]!, runs[i * 3 + 2]!];
    let region = regions.get(id);
    if (!region) {
      region = { area: areas[id]!, left: from, top: y, right: to, bottom: y, ends: [] };
      regions.set(id, region);
    }
    region.left = Math.min(region.left, from);
    region.right = Math.max(region.right, to);
    region.bottom = y;
    const row = (y - region.top) * 2;
    if (region.ends.length === row) region.ends.push(from, to);
    else region.ends[row + 1] = to;
  }
  return [...regions.values()];
}
