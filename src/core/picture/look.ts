import type { Point, EditStep, Stroke } from '@/contract/picture';

import type { Gains } from '../pixels/light';
import type { Affine } from '../pixels/pixels';

export interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
}

/**
 * What all steps together come to. Rendering starts from the original and this, never from a rendered
 * picture.
 */
export interface Look {
  /** Quarters of a turn, clockwise. */
  quarters: 0 | 1 | 2 | 3;
  degrees: number;
  /** Shares of the turned picture; null is all of it. */
  crop: Rect | null;
  gains: Gains | null;
  white: 'kept' | 'dropped' | null;
  strokes: readonly Stroke[];
}

const PLAIN: Look = { quarters: 0, degrees: 0, crop: null, gains: null, white: null, strokes: [] };

/** Replays steps. A crop turns along with the picture. */
export function lookOf(steps: readonly EditStep[]): Look {
  return steps.reduce(withStep, PLAIN);
}

function withStep(look: Look, step: EditStep): Look {
  switch (step.type) {
    case 'turn': {
      // A remainder of four: 0 to 3.
      const quarters = ((look.quarters + step.quarters) % 4) as Look['quarters'];
      let { crop } = look;
      for (let i = 0; i < step.quarters; i += 1)
        crop = crop && { x: 1 - crop.y - crop.h, y: crop.x, w: crop.h, h: crop.w };
      return { ...look, quarters, crop };
    }
    case 'straighten':
      return { ...look, degrees: step.degrees };
    case 'crop':
      return { ...look, crop: step.to };
    case 'light':
      return { ...look, gains: step.gains };
    case 'white':
      return { ...look, white: step.shadow };
    case 'stroke':
      return { ...look, strokes: [...look.strokes, step.stroke] };
  }
}

/** Whether the picture is as it was taken. */
export function isPlain(look: Look): boolean {
  return !look.quarters && !look.degrees && !look.crop && !look.gains && !look.white;
}

export interface WorkArea {
  width: number;
  height: number;
  /** Pixels of the original to pixels of the result. */
  map: Affine;
}

/**
 * Size of the result and where the original goes on it.
 *
 * @param width  pixels of the original
 * @param height pixels of the original
 * @param maxSide the result's longer side is at most this; it is never enlarged
 */
export function workAreaOf(look: Look, width: number, height: number, maxSide: number): WorkArea {
  const { frame, turn } = turnOf(look, width, height);
  const crop = look.crop ?? { x: 0, y: 0, w: 1, h: 1 };
  const w = Math.max(1, crop.w * frame.w);
  const h = Math.max(1, crop.h * frame.h);
  const scale = Math.min(1, maxSide / Math.max(w, h));
  const [a, b, c, d, e, f] = turn;
  return {
    width: Math.max(1, Math.round(w * scale)),
    height: Math.max(1, Math.round(h * scale)),
    map: [
      a * scale,
      b * scale,
      c * scale,
      d * scale,
      (e - crop.x * frame.w) * scale,
      (f - crop.y * frame.h) * scale,
    ],
  };
}

/** The turned and straightened frame, and the way from the original's pixels into it. */
function turnOf(
  { quarters, degrees }: Look,
  width: number,
  height: number,
): { frame: { w: number; h: number }; turn: Affine } {
  const frame = quarters % 2 === 1 ? { w: height, h: width } : { w: width, h: height };
  const angle = (quarters * Math.PI) / 2 + (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const e = frame.w / 2 - (cos * width) / 2 + (sin * height) / 2;
  const f = frame.h / 2 - (sin * width) / 2 - (cos * height) / 2;
  return { frame, turn: [cos, sin, -sin, cos, e, f] };
}

export function through([a, b, c, d, e, f]: Affine, { x, y }: Point): Point {
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

export function inverse([a, b, c, d, e, f]: Affine): Affine {
  const det = a * d - b * c;
  return [d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det];
}

/** A point of the result, in shares, as a point of the original, in shares. */
export function toOriginal(look: Look, width: number, height: number, point: Point): Point {
  const stage = workAreaOf(look, width, height, Infinity);
  const at = through(inverse(stage.map), { x: point.x * stage.width, y: point.y * stage.height });
  return { x: at.x / width, y: at.y / height };
}

/** Longer side of the item as a share of a square crop: common practice. */
export const USUAL_FILL = 0.8;

/**
 * A square around the item, which fills {@link USUAL_FILL} of it.
 *
 * @param outline points of the item's edge, in shares of the original
 * @returns null when there is no item
 */
export function squareAround(
  outline: readonly Point[],
  look: Look,
  width: number,
  height: number,
): Rect | null {
  if (outline.length === 0) return null;
  const { frame, turn } = turnOf(look, width, height);
  const box = boxAround(outline, turn, width, height);
  const side = Math.max(box.w, box.h) / USUAL_FILL;
  return {
    x: (box.x + box.w / 2 - side / 2) / frame.w,
    y: (box.y + box.h / 2 - side / 2) / frame.h,
    w: side / frame.w,
    h: side / frame.h,
  };
}

/** How far a picture is straightened by itself at most, degrees, and in what steps. */
const MOST = 12;
const STEP = 0.5;
/**
 * How much smaller the box around the item must become for it, and how much of it the item must fill then.
 */
const WORTH = 0.985;
const BOXY = 0.86;

/**
 * The turn, in degrees clockwise, after which something boxy (a book, a folded blanket, a scarf) fits the
 * smallest upright box. Of other shapes the outline does not say what is straight.
 *
 * @param area of the item, share of the picture
 * @returns 0 where no turn helps
 */
export function straightening(
  outline: readonly Point[],
  area: number,
  quarters: Look['quarters'],
  width: number,
  height: number,
): number {
  const boxAt = (degrees: number) => {
    const { turn } = turnOf({ ...PLAIN, quarters, degrees }, width, height);
    const { w, h } = boxAround(outline, turn, width, height);
    return w * h;
  };
  if (outline.length === 0) return 0;
  const now = boxAt(0);
  let best = 0;
  let least = now;
  for (let degrees = -MOST; degrees <= MOST; degrees += STEP) {
    const box = boxAt(degrees);
    if (box < least) [best, least] = [degrees, box];
  }
  return least < now * WORTH && area * width * height > least * BOXY ? best : 0;
}

function boxAround(outline: readonly Point[], turn: Affine, width: number, height: number): Rect {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const point of outline) {
    const { x, y } = through(turn, { x: point.x * width, y: point.y * height });
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return { x: left, y: top, w: right - left, h: bottom - top };
}
