import type { MeasureLine, Point } from '@/contract/picture';

import { componentsOf } from '../pixels/components';
import type { Mask } from '../pixels/pixels';

/** A line to be laid: where its ends usually are, as shares of the thing's own box. */
export interface WantedLine {
  measure: string;
  line: readonly [number, number, number, number];
}

/** How far an end may be moved along its line to reach the thing's edge, as a share of its length. */
const MOVED = 0.22;
/** Where a thing is taken to be when that is not known. */
const ANYWHERE = { x: 0.1, y: 0.1, w: 0.8, h: 0.8 };

/**
 * Lines in their usual places on a thing, their ends on its own edges where these are near.
 *
 * @param mask what lies on the floor, the reference too; null when that can't be told
 * @param sheet the reference's corners, shares of the picture: what lies there is not the thing
 * @returns ends in shares of the picture
 */
export function usualLines(
  mask: Mask | null,
  sheet: readonly Point[] | null,
  wanted: readonly WantedLine[],
): MeasureLine[] {
  const thing = mask && thingOf(mask, sheet);
  const box = thing?.box ?? ANYWHERE;
  const place = (x: number, y: number): Point => ({ x: box.x + box.w * x, y: box.y + box.h * y });
  return wanted.map(({ measure, line: [x1, y1, x2, y2] }) => {
    const [a, b] = [place(x1, y1), place(x2, y2)];
    if (!thing) return { measure, a, b };
    return { measure, a: atEdge(thing.mask, b, a), b: atEdge(thing.mask, a, b) };
  });
}

/** The largest piece that is not the reference, and its box in shares of the picture. */
function thingOf(mask: Mask, sheet: readonly Point[] | null) {
  const { width, height } = mask;
  const belongs = new Uint8Array(width * height);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1)
      // One a pixel.
      if (mask.data[p]! > 127 && !(sheet && inside(sheet, (x + 0.5) / width, (y + 0.5) / height)))
        belongs[p] = 1;
  const { of, all } = componentsOf(belongs, width, height);
  const largest = all.reduce((a, b) => (b.area > a.area ? b : a), {
    id: 0,
    area: 0,
    left: 0,
    top: 0,
    right: 0,
    bottom: 0,
  });
  if (largest.area < width * height * 0.005) return null;
  for (let p = 0; p < belongs.length; p += 1) belongs[p] = of[p] === largest.id ? 1 : 0;
  const { left, top, right, bottom } = largest;
  return {
    mask: { width, height, data: belongs },
    box: {
      x: left / width,
      y: top / height,
      w: (right + 1 - left) / width,
      h: (bottom + 1 - top) / height,
    },
  };
}

/** Whether a point lies in a convex shape, or a fiftieth of its size beside it. */
function inside(corners: readonly Point[], x: number, y: number): boolean {
  const middle = {
    x: corners.reduce((sum, c) => sum + c.x, 0) / corners.length,
    y: corners.reduce((sum, c) => sum + c.y, 0) / corners.length,
  };
  const p = { x: middle.x + (x - middle.x) / 1.04, y: middle.y + (y - middle.y) / 1.04 };
  const turns = corners.map((a, i) => {
    // Within the list, by the remainder.
    const b = corners[(i + 1) % corners.length]!;
    return Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
  });
  return Math.abs(turns.reduce((sum, turn) => sum + turn, 0)) === corners.length;
}

/** The place nearest to an end where a line leaves the thing; the end itself where none is near. */
function atEdge({ width, height, data }: Mask, from: Point, end: Point): Point {
  const [dx, dy] = [(end.x - from.x) * width, (end.y - from.y) * height];
  const length = Math.hypot(dx, dy);
  if (length < 4) return end;
  const on = (t: number) => {
    const x = Math.floor(from.x * width + dx * t);
    const y = Math.floor(from.y * height + dy * t);
    return x >= 0 && y >= 0 && x < width && y < height && data[y * width + x] === 1;
  };
  let best: number | null = null;
  const step = 0.5 / length;
  for (let t = 1 - MOVED; t <= 1 + MOVED; t += step)
    if (on(t) && !on(t + step) && (best === null || Math.abs(t - 1) < Math.abs(best - 1))) best = t;
  if (best === null) return end;
  const t = best + step / 2;
  const held = (value: number) => Math.min(1, Math.max(0, value));
  return { x: held(from.x + (end.x - from.x) * t), y: held(from.y + (end.y - from.y) * t) };
}
