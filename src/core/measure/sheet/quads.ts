import { polygonHull } from 'd3-polygon';

import type { Point } from '@/contract/picture';

import { regionsOf, type Region } from './regions';
import { labPixels } from '../../pixels/lab';
import { boxBlur, type Pixels } from '../../pixels/pixels';

export type Quad = readonly [Point, Point, Point, Point];

/** A sheet's outline fills at least this share of the four-sided shape around it. */
const FULL = 0.84;
/** Sides may look longer or shorter than they are, by the tilt: by this factor at most. */
const SKEW = 1.6;
/** Least and most area, as shares of the picture. */
const AREA = [0.0008, 0.6] as const;
/** Levels a channel is cut at, and how far apart they are at least: L*, then a* and b*. */
const LEVELS = [16, 9, 9] as const;
const STEP = [3, 2.5, 2.5] as const;
/** Change of colour between neighbours that ends a smooth region, ΔE. */
const BARRIERS = [5, 9, 15] as const;

/**
 * All four-sided regions that could be a sheet of these proportions: what is lighter, darker or of another
 * colour than its surroundings at some level, and what is smooth within an edge all around. The floor
 * needs no
 * model for that: a sheet on a check or a rug is found as one on a table is.
 *
 * @param picture about 700 pixels on its longer side
 * @param ratio longer over shorter side of what is looked for
 */
export function roughQuads(picture: Pixels, ratio: number): { quad: Quad; fill: number }[] {
  const { width, height } = picture;
  const lab = labPixels(picture);
  const found: { quad: Quad; fill: number }[] = [];
  const take = (belongs: Uint8Array) => {
    for (const one of quadsOf(belongs, width, height, ratio)) {
      const twin = found.findIndex((other) => apart(other.quad, one.quad) < 3);
      if (twin < 0) found.push(one);
      else if (found[twin]!.fill < one.fill) found[twin] = one;
    }
  };
  const planes = [0, 1, 2].map((k) => {
    const data = new Float32Array(width * height);
    for (let p = 0; p < data.length; p += 1) data[p] = lab.data[p * 3 + k]!;
    return boxBlur({ width, height, data }, 1).data;
  });
  const mask = new Uint8Array(width * height);
  planes.forEach((plane, k) => {
    for (const level of levelsOf(plane, LEVELS[k]!, STEP[k]!))
      for (const above of [true, false]) {
        for (let p = 0; p < mask.length; p += 1) mask[p] = plane[p]! > level === above ? 1 : 0;
        take(mask);
      }
  });
  const change = changeOf(planes, width, height);
  for (const barrier of BARRIERS) {
    for (let p = 0; p < mask.length; p += 1) mask[p] = change[p]! < barrier ? 1 : 0;
    take(mask);
  }
  return found;
}

/** Levels between the darkest and the lightest hundredth. */
function levelsOf(plane: Float32Array, most: number, step: number): number[] {
  const some: number[] = [];
  for (let p = 0; p < plane.length; p += 37) some.push(plane[p]!);
  some.sort((a, b) => a - b);
  const low = some[Math.floor(some.length * 0.01)] ?? 0;
  const high = some[Math.floor(some.length * 0.99)] ?? 0;
  const count = Math.min(most, Math.floor((high - low) / step));
  return Array.from({ length: count }, (_, i) => low + ((i + 0.5) * (high - low)) / count);
}

function changeOf(planes: readonly Float32Array[], width: number, height: number): Float32Array {
  const out = new Float32Array(width * height);
  for (const plane of planes)
    for (let y = 1; y < height - 1; y += 1)
      for (let x = 1; x < width - 1; x += 1) {
        const p = y * width + x;
        const dx = plane[p + 1]! - plane[p - 1]!;
        const dy = plane[p + width]! - plane[p - width]!;
        out[p]! += dx * dx + dy * dy;
      }
  for (let p = 0; p < out.length; p += 1) out[p] = Math.sqrt(out[p]!);
  return out;
}

function quadsOf(
  belongs: Uint8Array,
  width: number,
  height: number,
  ratio: number,
): { quad: Quad; fill: number }[] {
  return regionsOf(belongs, width, height, width * height * AREA[0]).flatMap((region) => {
    const { area, left, top, right, bottom } = region;
    if (area > width * height * AREA[1]) return [];
    if (left <= 1 || top <= 1 || right >= width - 2 || bottom >= height - 2) return [];
    if (area < 0.3 * (right + 1 - left) * (bottom + 1 - top)) return [];
    const { hull, filled } = outlineOf(region);
    const quad = quadAround(hull);
    if (!quad) return [];
    const fill = filled / quadArea(quad);
    const seen = longOverShort(quad);
    return fill < FULL || Math.max(seen / ratio, ratio / seen) > SKEW ? [] : [{ quad, fill }];
  });
}

/**
 * The region's convex hull, of each row's ends, and its area with its holes: print on a card is part of it.
 */
function outlineOf({ top, ends }: Region): { hull: readonly [number, number][]; filled: number } {
  const points: [number, number][] = [];
  let filled = 0;
  for (let i = 0; i < ends.length; i += 2) {
    const [y, first, last] = [top + i / 2, ends[i]!, ends[i + 1]!];
    points.push([first, y], [last + 1, y], [first, y + 1], [last + 1, y + 1]);
    filled += last - first + 1;
  }
  return { hull: polygonHull(points) ?? [], filled };
}

function cross(o: Point, a: Point, b: Point): number {
  return (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);
}

/**
 * Takes edges out of a hull, always the one whose neighbours meet with the least area added, until four are
 * left.
 */
function quadAround(hull: readonly [number, number][]): Quad | null {
  const points = hull.map(([x, y]) => ({ x, y }));
  while (points.length > 4) {
    let least = Infinity;
    let at = -1;
    let corner: Point | null = null;
    const n = points.length;
    for (let i = 0; i < n; i += 1) {
      const [a, b, c, d] = [points[(i + n - 1) % n]!, points[i]!, points[(i + 1) % n]!, points[(i + 2) % n]!];
      const meet = crossing(a, b, d, c);
      if (!meet) continue;
      const added = Math.abs(cross(b, meet, c)) / 2;
      if (added < least) [least, at, corner] = [added, i, meet];
    }
    if (!corner) return null;
    points[at] = corner;
    points.splice((at + 1) % n, 1);
  }
  const [a, b, c, d] = points;
  return a && b && c && d ? [a, b, c, d] : null;
}

/** Where the ray from a through b meets the ray from d through c, beyond b and c; null when it does not. */
function crossing(a: Point, b: Point, d: Point, c: Point): Point | null {
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - d.x, c.y - d.y];
  const det = ux * vy - uy * vx;
  if (Math.abs(det) < 1e-9) return null;
  const t = ((d.x - a.x) * vy - (d.y - a.y) * vx) / det;
  const s = ((d.x - a.x) * uy - (d.y - a.y) * ux) / det;
  return t >= 1 && s >= 1 ? { x: a.x + t * ux, y: a.y + t * uy } : null;
}

export function quadArea(quad: Quad): number {
  return Math.abs(cross(quad[0], quad[1], quad[2]) + cross(quad[0], quad[2], quad[3])) / 2;
}

/** How far the corners of two lie from each other at most, whichever of them comes first. */
export function apart(one: Quad, other: Quad): number {
  return Math.max(...one.map((p) => Math.min(...other.map((q) => Math.hypot(p.x - q.x, p.y - q.y)))));
}

/** Mean of the longer two sides over that of the shorter two. */
function longOverShort(quad: Quad): number {
  const side = (i: number) =>
    Math.hypot(quad[i]!.x - quad[(i + 1) % 4]!.x, quad[i]!.y - quad[(i + 1) % 4]!.y);
  const [a, b] = [side(0) + side(2), side(1) + side(3)];
  return Math.max(a, b) / Math.max(1, Math.min(a, b));
}
