import { backgroundWhere, type Background } from './background';
import { componentsOf } from './components';
import { differsFrom } from './differs';
import { edgeRefined } from './edge';
import type { Side } from './entering';
import { labPixels, type LabPixels } from './lab';
import { count, DARK, likelyItem } from './likely';
import { boxBlur, shrunk, type Mask, type Pixels } from './pixels';
import { peelShadow } from './shadow';

export interface Segmented {
  mask: Mask;
  background: Background;
  /** The mask can be relied on; otherwise a person has to draw round the item. */
  isSure: boolean;
  /** Sides of the picture that something runs in from. */
  enters: Side[];
  /** What was looked at, made small, and what its border alone says of the floor. */
  seen: LabPixels;
  border: Background;
}

/** Longer side of the picture in which colours are weighed. */
const SIDE = 400;
/** A group smaller than this share of the largest is a crumb. */
const CRUMB = 0.02;
/** A gap in the item through which the background is seen: at least this share of the picture. */
const GAP = 0.0004;
/** Share of what was found that may be shadow. */
const MOST_SHADOW = 0.25;
/**
 * Pixels that could as well be the other, over those of the item: above it the mask is not to be relied on.
 * Tuned on the tuning seeds of `truth/`: masks with less cover the item to 0.80 or more, but for one in
 * forty.
 */
const UNSURE = 0.2;
/** Above it not even the rough mask is. */
const UNSETTLED = 1;
/** Less of the picture than this is the floor's own unevenness, where nothing else is found. */
const LEAST = 0.02;
/** Scatter of an even floor, ΔE. */
const EVEN = 2.2;

/**
 * Tells the item from what it lies on: which colours are met along the border and which only within, with the
 * light's slow change taken out; soft shadows peeled off from outside; the edge then drawn where the colours
 * on its two sides are met half and half.
 *
 * @param picture at most about 1 600 pixels on the longer side; cost grows with its area
 */
export function segment(picture: Pixels): Segmented {
  const small = labPixels(shrunk(picture, SIDE));
  const likely = likelyItem(small);
  const differs = differsFrom(small, likely.border);
  const isEven = isEvenFloor(likely.border);
  const found = likely.unsure > UNSETTLED ? clearOnly(differs) : likely.belongs;
  // The floor around the item too, not only at the border.
  const floor = backgroundWhere(small, (p) => found[p] === 0);
  const belongs = withoutShadow(small, found, floor).slice();
  if (isEven) {
    // What differs from an even floor is item, though its colour is met on the floor as well.
    const clear = withoutShadow(small, likely.unsure > UNSETTLED ? found : differs, floor);
    for (let p = 0; p < belongs.length; p += 1) belongs[p]! |= clear[p]!;
  }
  const tidy = tidied(belongs, isEven ? differs : found, small.width, small.height);
  return {
    mask: edgeRefined(picture, small, tidy),
    background: { ...floor, share: likely.border.share },
    isSure: likely.unsure <= UNSURE,
    enters: likely.enters,
    seen: small,
    border: likely.border,
  };
}

/** Where colours don't settle it, only what clearly differs is item: on an empty floor nothing. */
function clearOnly(differs: Uint8Array): Uint8Array {
  return count(differs) < LEAST * differs.length ? new Uint8Array(differs.length) : differs;
}

/** Whether a floor is of one colour, but for how light falls on it. */
function isEvenFloor({ spread, share }: Background): boolean {
  return Math.hypot(...spread) < EVEN && share > 0.95;
}

/** Softly darker rims go; but what would take much of the item away was no shadow. */
function withoutShadow(small: LabPixels, belongs: Uint8Array, floor: Background): Uint8Array {
  if (floor.trend[0][0]! < DARK) return belongs;
  const peeled = belongs.slice();
  peelShadow(small, floor, peeled);
  return count(peeled) < (1 - MOST_SHADOW) * count(belongs) ? belongs : peeled;
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

/** What is thinner than this share of the longer side is no bulk. */
const THIN = 1 / 110;
/** Nor what is smaller than this share of the largest. */
const PART = 0.25;

/**
 * The bulk of a mask that is not to be relied on: without the lines between boards and lesser groups.
 *
 * @returns the mask itself where nothing would be left of it
 */
export function bulkOf(mask: Mask): Mask {
  const { width, height } = mask;
  const radius = Math.max(1, Math.round((Math.max(width, height) * THIN) / 2));
  const belongs = new Uint8Array(mask.data.length);
  for (let p = 0; p < belongs.length; p += 1) if (mask.data[p]! > 127) belongs[p] = 1;
  const { of, all } = componentsOf(morph(belongs, width, height, radius, 'shrink'), width, height);
  if (all.length === 0) return mask;
  const least = PART * all.reduce((most, c) => Math.max(most, c.area), 0);
  const kept = new Uint8Array(of.length);
  for (let p = 0; p < of.length; p += 1) {
    const id = of[p]!;
    if (id > 0 && all[id - 1]!.area >= least) kept[p] = 1;
  }
  const grown = morph(kept, width, height, radius, 'grow');
  const data = mask.data.slice();
  for (let p = 0; p < data.length; p += 1) if (grown[p] === 0) data[p] = 0;
  return { width, height, data };
}

/** Grows or shrinks what is 1 by a square of the radius. */
function morph(
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
