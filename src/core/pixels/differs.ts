import { backgroundRow, type Background } from './background';
import type { LabPixels } from './lab';
import { boxBlur } from './pixels';

/** Distance from the background, in units of its own spread, at which something is no longer background. */
const THRESHOLD = 4.2;

/**
 * 1 where a pixel, together with its neighbours, differs from the background, shadows included: what else
 * lies around an item.
 */
export function differsFrom(lab: LabPixels, background: Background): Uint8Array {
  const { width, height, data } = lab;
  const distance = new Float32Array(width * height);
  const row = new Float32Array(width * 3);
  const [sl, sa, sb] = background.spread;
  const down = strips(lab, 'down');
  const across = strips(lab, 'across');
  for (let y = 0; y < height; y += 1) {
    backgroundRow(background, y, width, height, row);
    const v = height > 1 ? y / (height - 1) : 0;
    for (let x = 0; x < width; x += 1) {
      const p = y * width + x;
      const at = p * 3;
      const l = data[at]!;
      const a = data[at + 1]!;
      const b = data[at + 2]!;
      const dl = (l - row[x * 3]!) / sl;
      const da = (a - row[x * 3 + 1]!) / sa;
      const db = (b - row[x * 3 + 2]!) / sb;
      let d = dl * dl + da * da + db * db;
      if (down.alike[x] === 1) d = Math.min(d, stripDistance(down, x, v, l, a, b, sl, sa, sb));
      if (across.alike[y] === 1)
        d = Math.min(d, stripDistance(across, y, width > 1 ? x / (width - 1) : 0, l, a, b, sl, sa, sb));
      distance[p] = Math.min(20, Math.sqrt(d));
    }
  }
  // Grain is single pixels: a mean over a few is quiet where there is only background.
  const radius = Math.max(1, Math.round(Math.max(width, height) / 800));
  const quiet = boxBlur({ width, height, data: distance }, radius).data;
  const out = new Uint8Array(width * height);
  for (let p = 0; p < out.length; p += 1) out[p] = quiet[p]! > THRESHOLD ? 1 : 0;
  return out;
}

/** The colours at both ends of every column or row: boards, tiles and stripes run from edge to edge. */
interface Strips {
  first: Float32Array;
  last: Float32Array;
  /** 1 where both ends have much the same colour, so that the strip may be believed in between. */
  alike: Uint8Array;
}

/** How far apart the two ends of a strip may be, ΔE*ab. */
const STRIP = 11;

function strips({ width, height, data }: LabPixels, way: 'down' | 'across'): Strips {
  const count = way === 'down' ? width : height;
  const length = way === 'down' ? height : width;
  const step = way === 'down' ? width : 1;
  const next = way === 'down' ? 1 : width;
  const band = Math.max(2, Math.round(length * 0.04));
  const found: Strips = {
    first: new Float32Array(count * 3),
    last: new Float32Array(count * 3),
    alike: new Uint8Array(count),
  };
  for (let i = 0; i < count; i += 1) {
    let apart = 0;
    for (let k = 0; k < 3; k += 1) {
      let start = 0;
      let end = 0;
      for (let j = 0; j < band; j += 1) {
        start += data[(i * next + j * step) * 3 + k]!;
        end += data[(i * next + (length - 1 - j) * step) * 3 + k]!;
      }
      found.first[i * 3 + k] = start / band;
      found.last[i * 3 + k] = end / band;
      apart += ((start - end) / band) ** 2;
    }
    found.alike[i] = apart < STRIP * STRIP ? 1 : 0;
  }
  return found;
}

function stripDistance(
  { first, last }: Strips,
  i: number,
  share: number,
  l: number,
  a: number,
  b: number,
  sl: number,
  sa: number,
  sb: number,
): number {
  const dl = (l - first[i * 3]! - (last[i * 3]! - first[i * 3]!) * share) / sl;
  const da = (a - first[i * 3 + 1]! - (last[i * 3 + 1]! - first[i * 3 + 1]!) * share) / sa;
  const db = (b - first[i * 3 + 2]! - (last[i * 3 + 2]! - first[i * 3 + 2]!) * share) / sb;
  return dl * dl + da * da + db * db;
}
