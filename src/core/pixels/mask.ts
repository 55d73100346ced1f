import { backgroundOfBorder, backgroundRow, backgroundWhere, type Background } from './background';
import { componentsOf } from './components';
import { labPixels, type LabPixels } from './lab';
import { boxBlur, type Mask, type Pixels, type Plane } from './pixels';

export interface Segmented {
  mask: Mask;
  background: Background;
  /** 1 where something differs from the background, shadows included: what else lies around. */
  differs: Uint8Array;
  /** The same without soft shadows, not yet tidied. */
  apart: Uint8Array;
}

/** Distance from the background, in units of its own spread, at which something is no longer background. */
const THRESHOLD = 4.2;
/** A group smaller than this share of the largest is a crumb. */
const CRUMB = 0.02;
/** A gap in the item through which the background is seen: at least this share of the picture. */
const GAP = 0.0004;

/**
 * Tells the item from what it lies on: the background's colour is fitted to the picture's border,
 * everything that differs is item, soft shadows are peeled off from outside, crumbs go.
 *
 * @param picture at most about 1 600 pixels on the longer side; cost grows with its area
 */
export function segment(picture: Pixels): Segmented {
  const { width, height } = picture;
  const lab = labPixels(picture);
  let background = backgroundOfBorder(lab);
  let differs = differing(lab, background);
  // Once more with the background around the item, not only at the border.
  const { share } = background;
  background = { ...backgroundWhere(lab, (p) => differs[p] === 0), share };
  differs = differing(lab, background);
  const raw = differs.slice();
  peelShadow(lab, background, differs);
  const tidy = tidied(differs, raw, width, height);
  return { mask: softened(tidy, width, height), background, differs: raw, apart: differs };
}

/** 1 where a pixel, together with its neighbours, differs from the background. */
function differing(lab: LabPixels, background: Background): Uint8Array {
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

/** How dark a shadow may be, as a share of the background's light, and how sharp its edge. */
const DARKEST = 0.2;
/** L* a pixel, in a picture of 800 pixels. */
const SHARPEST = 3.4;
/** How far a shadow's tint may be from the background's, in units of a* and b*. */
const TINT = 7;
/** A shadow only gets darker on the way in; how much lighter it may be again, as a share of the cube root. */
const REBOUND = 0.012;

/**
 * Takes soft shadows out, from outside in: a shadow is darker than the background, has its tint, and
 * fades softly; the first sharp edge is the item's own. Light scales X, Y and Z alike, so L* + 16, a* and
 * b* all scale with its cube root: that is what "its tint" means.
 */
function peelShadow(lab: LabPixels, background: Background, differs: Uint8Array): void {
  const { width, height, data } = lab;
  const light: Plane = { width, height, data: new Float32Array(width * height) };
  for (let p = 0; p < light.data.length; p += 1) light.data[p] = data[p * 3]!;
  const scale = Math.max(width, height) / 800;
  const radius = Math.max(1, Math.round(1.2 * scale));
  const smooth = boxBlur(light, radius).data;
  const sharpest = SHARPEST / scale;
  const row = new Float32Array(width * 3);
  // Share of the background's light that is left, as a cube root; 0 where it can be no shadow.
  const left = new Float32Array(width * height);
  const tint = TINT + 2 * (background.spread[1] + background.spread[2]);
  for (let y = 1; y < height - 1; y += 1) {
    backgroundRow(background, y, width, height, row);
    for (let x = 1; x < width - 1; x += 1) {
      const p = y * width + x;
      if (differs[p] === 0) continue;
      const k = (smooth[p]! + 16) / (row[x * 3]! + 16);
      if (k > 1.01 || k < Math.cbrt(DARKEST)) continue;
      const gx = (smooth[p + 1]! - smooth[p - 1]!) / 2;
      const gy = (smooth[p + width]! - smooth[p - width]!) / 2;
      if (gx * gx + gy * gy > sharpest * sharpest) continue;
      const da = data[p * 3 + 1]! - row[x * 3 + 1]! * k;
      const db = data[p * 3 + 2]! - row[x * 3 + 2]! * k;
      if (da * da + db * db > tint * tint) continue;
      left[p] = k;
    }
  }
  // Breadth first, so that each pixel is reached by about its shortest way in.
  const queue = new Int32Array(width * height);
  const darkest = new Float32Array(width * height);
  let head = 0;
  let tail = 0;
  for (let p = 0; p < differs.length; p += 1)
    if (differs[p] === 0) {
      queue[tail++] = p;
      darkest[p] = 1;
    }
  const peel = (q: number, from: number) => {
    const k = left[q]!;
    if (k === 0 || k > from + REBOUND) return;
    left[q] = 0;
    differs[q] = 0;
    darkest[q] = Math.min(from, k);
    queue[tail++] = q;
  };
  while (head < tail) {
    const p = queue[head++]!;
    const x = p % width;
    const from = darkest[p]!;
    if (x > 0) peel(p - 1, from);
    if (x < width - 1) peel(p + 1, from);
    if (p >= width) peel(p - width, from);
    if (p + width < differs.length) peel(p + width, from);
  }
}

/** Crumbs out, holes filled, gaps through which the background is seen kept open. */
function tidied(differs: Uint8Array, raw: Uint8Array, width: number, height: number): Uint8Array {
  const radius = Math.max(1, Math.round(Math.max(width, height) / 500));
  const opened = morph(morph(differs, width, height, radius, 'shrink'), width, height, radius, 'grow');
  const groups = componentsOf(opened, width, height);
  const largest = groups.all.reduce((most, c) => Math.max(most, c.area), 0);
  const out = new Uint8Array(width * height);
  for (let p = 0; p < out.length; p += 1) {
    const id = groups.of[p]!;
    if (id !== 0 && groups.all[id - 1]!.area >= largest * CRUMB) out[p] = 1;
  }
  // What is enclosed: a hole in the finding is filled, a real gap (a handle, a strap) stays open.
  const empty = new Uint8Array(out.length);
  for (let p = 0; p < out.length; p += 1) empty[p] = out[p] === 0 ? 1 : 0;
  const holes = componentsOf(empty, width, height);
  const asBackground = new Int32Array(holes.all.length + 1);
  for (let p = 0; p < out.length; p += 1) if (raw[p] === 0) asBackground[holes.of[p]!]! += 1;
  for (let p = 0; p < out.length; p += 1) {
    const id = holes.of[p]!;
    if (id === 0) continue;
    const hole = holes.all[id - 1]!;
    const open = hole.left === 0 || hole.top === 0 || hole.right === width - 1 || hole.bottom === height - 1;
    if (open) continue;
    const gap = hole.area >= width * height * GAP && asBackground[id]! >= hole.area * 0.5;
    if (!gap) out[p] = 1;
  }
  return out;
}

/** Grows or shrinks what is 1 by a square of the radius. */
export function morph(
  from: Uint8Array,
  width: number,
  height: number,
  radius: number,
  how: 'grow' | 'shrink',
): Uint8Array {
  const sums = boxBlur({ width, height, data: new Float32Array(from) }, radius).data;
  const out = new Uint8Array(from.length);
  for (let p = 0; p < out.length; p += 1)
    out[p] = how === 'grow' ? (sums[p]! > 1e-4 ? 1 : 0) : sums[p]! > 1 - 1e-4 ? 1 : 0;
  return out;
}

/** An edge about three pixels wide, so that the cut-out does not look cut out. */
function softened(belongs: Uint8Array, width: number, height: number): Mask {
  const radius = Math.max(1, Math.round(Math.max(width, height) / 1_000));
  const blurred = boxBlur({ width, height, data: new Float32Array(belongs) }, radius).data;
  const data = new Uint8Array(belongs.length);
  for (let p = 0; p < data.length; p += 1) data[p] = Math.round(255 * blurred[p]!);
  return { width, height, data };
}

/** Intersection over union of two masks, each cut at one half; 1 when both are empty. */
export function maskOverlap(a: Mask, b: Mask): number {
  let both = 0;
  let either = 0;
  for (let p = 0; p < a.data.length; p += 1) {
    const inA = a.data[p]! > 127;
    const inB = b.data[p]! > 127;
    if (inA && inB) both += 1;
    if (inA || inB) either += 1;
  }
  return either === 0 ? 1 : both / either;
}
