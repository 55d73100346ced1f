import { polygonHull } from 'd3-polygon';

import type { Point } from '@/contract/picture';

import { componentsOf, type Component } from './components';
import { morph, segment } from './mask';
import { greyOf, shrunk, type Pixels, type Plane } from './pixels';
import { REFERENCE_SIZES, type Corners, type Reference } from '../measure/plane';

/** Longer side of the picture a sheet is looked for in; its corners are then made exact in the full one. */
const SIDE = 1_000;
/** A sheet's outline fills at least this share of the four-sided shape around it. */
const FULL = 0.94;
/** Sides may look longer or shorter than they are, by the tilt: by this factor at most. */
const SKEW = 1.5;

/**
 * Finds a card or sheet of paper lying apart from the item, and its four corners to a fraction of a pixel.
 *
 * @returns corners in pixels, in order around; null when nothing looks like it: then a person drags them
 */
export function findSheet(picture: Pixels, reference: Reference): Corners | null {
  const small = shrunk(picture, SIDE);
  const { apart } = segment(small);
  const { width, height } = small;
  const opened = morph(morph(apart, width, height, 2, 'shrink'), width, height, 2, 'grow');
  const groups = componentsOf(opened, width, height);
  const { long, short } = REFERENCE_SIZES[reference];
  let best: { quad: Point[]; score: number } | null = null;
  for (const group of groups.all) {
    if (group.area < width * height * 0.001 || group.area > width * height * 0.6) continue;
    if (group.left === 0 || group.top === 0 || group.right === width - 1 || group.bottom === height - 1)
      continue;
    const quad = quadAround(hullOf(groups.of, group, width));
    if (!quad) continue;
    const area = quadArea(quad);
    const fill = filledArea(groups.of, group, width) / area;
    const ratio = longOverShort(quad);
    const skew = Math.max(ratio / (long / short), long / short / ratio);
    if (fill < FULL || skew > SKEW) continue;
    const score = fill - (skew - 1) * 0.4;
    if (!best || score > best.score) best = { quad, score };
  }
  if (!best) return null;
  const scale = picture.width / width;
  const rough = best.quad.map(({ x, y }) => ({ x: (x + 0.5) * scale, y: (y + 0.5) * scale }));
  const grey = greyOf(picture);
  const coarse = refined(grey, rough, Math.ceil(6 * scale) + 4);
  return coarse && refined(grey, coarse, Math.ceil(scale) + 4);
}

/** The group's convex hull, of each row's ends. */
function hullOf(of: Int32Array, group: Component, width: number): Point[] {
  const ends: [number, number][] = [];
  for (let y = group.top; y <= group.bottom; y += 1) {
    let first = -1;
    let last = -1;
    for (let x = group.left; x <= group.right; x += 1)
      if (of[y * width + x] === group.id) {
        if (first < 0) first = x;
        last = x;
      }
    if (first >= 0) ends.push([first, y], [last, y]);
  }
  return (polygonHull(ends) ?? []).map(([x, y]) => ({ x, y }));
}

function cross(o: Point, a: Point, b: Point): number {
  return (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);
}

/**
 * Takes edges out of a hull, always the one whose neighbours meet with the least area added, until four are
 * left.
 */
function quadAround(hull: readonly Point[]): Point[] | null {
  const points = [...hull];
  while (points.length > 4) {
    let least = Infinity;
    let at = -1;
    let corner: Point | null = null;
    for (let i = 0; i < points.length; i += 1) {
      const n = points.length;
      const [a, b, c, d] = [points[(i + n - 1) % n]!, points[i]!, points[(i + 1) % n]!, points[(i + 2) % n]!];
      const meet = crossing(a, b, d, c);
      if (!meet) continue;
      const added = Math.abs(cross(b, meet, c)) / 2;
      if (added < least) [least, at, corner] = [added, i, meet];
    }
    if (!corner) return null;
    const n = points.length;
    points[at] = corner;
    points.splice((at + 1) % n, 1);
  }
  return points.length === 4 ? points : null;
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

function quadArea(quad: readonly Point[]): number {
  return Math.abs(cross(quad[0]!, quad[1]!, quad[2]!) + cross(quad[0]!, quad[2]!, quad[3]!)) / 2;
}

/** The group's area with its holes: print on a card is part of the card. */
function filledArea(of: Int32Array, group: Component, width: number): number {
  let area = 0;
  for (let y = group.top; y <= group.bottom; y += 1) {
    let first = -1;
    let last = -1;
    for (let x = group.left; x <= group.right; x += 1)
      if (of[y * width + x] === group.id) {
        if (first < 0) first = x;
        last = x;
      }
    if (first >= 0) area += last - first + 1;
  }
  return area;
}

function longOverShort(quad: readonly Point[]): number {
  const side = (i: number) =>
    Math.hypot(quad[i]!.x - quad[(i + 1) % 4]!.x, quad[i]!.y - quad[(i + 1) % 4]!.y);
  const [a, b] = [side(0) + side(2), side(1) + side(3)];
  return Math.max(a, b) / Math.max(1, Math.min(a, b));
}

interface Line {
  /** A point on it and its direction, of length 1. */
  at: Point;
  along: Point;
}

/**
 * Corners as crossings of lines fitted to the steepest change across each side. Rounded corners do no harm:
 * only the middle of each side is looked at.
 *
 * @param reach how far across the side to look, pixels each way
 */
function refined(grey: Plane, rough: readonly Point[], reach: number): Corners | null {
  const lines = rough.map((from, i) => sideLine(grey, from, rough[(i + 1) % 4]!, reach));
  const corners = rough.map((corner, i) => {
    const [before, after] = [lines[(i + 3) % 4], lines[i]];
    const exact = before && after ? meeting(before, after) : null;
    // A side that can't be made out leaves the corner where the outline had it.
    return exact && Math.hypot(exact.x - corner.x, exact.y - corner.y) < reach * 4 ? exact : corner;
  });
  const [a, b, c, d] = corners;
  return a && b && c && d ? [a, b, c, d] : null;
}

function sideLine(grey: Plane, from: Point, to: Point, reach: number): Line | null {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 12) return null;
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const across = { x: -along.y, y: along.x };
  const samples = Math.min(240, Math.max(16, Math.round(length / 2)));
  const found: Point[] = [];
  for (let i = 0; i < samples; i += 1) {
    const t = (0.14 + (0.72 * i) / (samples - 1)) * length;
    const middle = { x: from.x + along.x * t, y: from.y + along.y * t };
    const s = steepest(grey, middle, across, reach);
    if (s !== null) found.push({ x: middle.x + across.x * s, y: middle.y + across.y * s });
  }
  let kept = found;
  let line = fitted(kept);
  for (let round = 0; line && round < 4; round += 1) {
    const from = line;
    const off = kept.map((p) => Math.abs(offset(from, p)));
    const limit = Math.max(0.6, 2.5 * [...off].sort((a, b) => a - b)[off.length >> 1]!);
    const closer = found.filter((p) => Math.abs(offset(from, p)) < limit);
    if (closer.length < samples * 0.3) break;
    kept = closer;
    line = fitted(kept);
  }
  return kept.length < samples * 0.3 ? null : line;
}

/** Where brightness changes most along a short line across the edge, in pixels from its middle. */
function steepest(grey: Plane, middle: Point, across: Point, reach: number): number | null {
  const STEP = 0.5;
  const n = Math.round(reach / STEP);
  const values: number[] = [];
  for (let k = -n - 2; k <= n + 2; k += 1)
    values.push(sampled(grey, middle.x + across.x * k * STEP, middle.y + across.y * k * STEP));
  let best = 0;
  let at = -1;
  const slope = (i: number) => Math.abs(values[i + 2]! + values[i + 1]! - values[i - 1]! - values[i - 2]!);
  for (let i = 2; i < values.length - 2; i += 1) {
    const s = slope(i);
    if (s > best) [best, at] = [s, i];
  }
  if (best < 14 || at < 3 || at > values.length - 4) return null;
  const [l, m, r] = [slope(at - 1), best, slope(at + 1)];
  const bend = l - 2 * m + r;
  const shift = bend < 0 ? (0.5 * (l - r)) / bend : 0;
  return (at - n - 2 + Math.max(-0.5, Math.min(0.5, shift))) * STEP;
}

function sampled({ width, height, data }: Plane, x: number, y: number): number {
  // A pixel's value stands for its middle.
  const u = Math.min(width - 1.001, Math.max(0, x - 0.5));
  const v = Math.min(height - 1.001, Math.max(0, y - 0.5));
  const left = Math.floor(u);
  const top = Math.floor(v);
  const fx = u - left;
  const fy = v - top;
  const at = top * width + left;
  return (
    (data[at]! * (1 - fx) + data[at + 1]! * fx) * (1 - fy) +
    (data[at + width]! * (1 - fx) + data[at + width + 1]! * fx) * fy
  );
}

/** Total least squares. */
function fitted(points: readonly Point[]): Line | null {
  const n = points.length;
  if (n < 4) return null;
  const mx = points.reduce((s, p) => s + p.x, 0) / n;
  const my = points.reduce((s, p) => s + p.y, 0) / n;
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    xx += (p.x - mx) ** 2;
    xy += (p.x - mx) * (p.y - my);
    yy += (p.y - my) ** 2;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  return { at: { x: mx, y: my }, along: { x: Math.cos(angle), y: Math.sin(angle) } };
}

function offset({ at, along }: Line, p: Point): number {
  return (p.x - at.x) * along.y - (p.y - at.y) * along.x;
}

function meeting(a: Line, b: Line): Point | null {
  const det = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(det) < 0.05) return null;
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / det;
  return { x: a.at.x + t * a.along.x, y: a.at.y + t * a.along.y };
}
