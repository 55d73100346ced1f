import type { Point } from '@/contract/picture';

import type { Quad } from './quads';
import { sampleInto } from './sample';
import { labOf, type Lab } from '../../pixels/lab';
import type { Pixels } from '../../pixels/pixels';
import { sideLengths } from '../plane';

/** What a sheet looks like within its sides. */
export interface Inside {
  /** Median colour of the middle. */
  colour: Lab;
  /** Median difference from that colour within the middle, ΔE*ab. */
  scatter: number;
  /**
   * How far each side's own rim is from the colour further in, ΔE*ab: much where a shadow's end was taken
   * for it.
   */
  rims: readonly number[];
  /** Share of the places around it that have its colour: much for one tile, brick or check among others. */
  repeated: number;
}

/** Places looked at in each direction. */
const GRID = 18;
/** Below this two places have the same colour, ΔE*ab. */
const SAME = 7;

/**
 * A place within four corners: u along the first side, v along the second, 0 to 1 (bilinear: near enough).
 */
function within([a, b, c, d]: Quad, u: number, v: number): Point {
  const mix = (p: Point, q: Point, t: number) => ({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t });
  return mix(mix(a, b, u), mix(d, c, u), v);
}

export function insideOf(picture: Pixels, quad: Quad): Inside {
  const rgb = new Float32Array(3);
  const labAt = (u: number, v: number): Lab => {
    const { x, y } = within(quad, u, v);
    sampleInto(rgb, 0, picture, x, y);
    return labOf(Math.round(rgb[0]!), Math.round(rgb[1]!), Math.round(rgb[2]!));
  };
  const middle: Lab[] = [];
  for (let i = 0; i < GRID; i += 1)
    for (let j = 0; j < GRID; j += 1)
      middle.push(labAt(0.15 + (0.7 * i) / (GRID - 1), 0.15 + (0.7 * j) / (GRID - 1)));
  const colour = medianLab(middle);
  const [along, beside] = sideLengths(quad);
  // Sides 0 and 2 lie along u, so the way in is along v, whose length is that of sides 1 and 3.
  const deep = [beside, along, beside, along];
  const rims = deep.map((depth, side) => {
    const at = (way: number, share: number): Lab => {
      if (side === 0) return labAt(way, share);
      if (side === 1) return labAt(1 - share, way);
      return side === 2 ? labAt(way, 1 - share) : labAt(share, way);
    };
    const near = Math.min(0.12, 3.5 / depth);
    const rows = (share: number) =>
      medianLab(Array.from({ length: GRID }, (_, i) => at(0.12 + (0.76 * i) / (GRID - 1), share)));
    return distance(rows(near), rows(Math.max(0.12, near * 2)));
  });
  const off = middle.map((lab) => distance(lab, colour)).sort((x, y) => x - y);
  // A ring around it, a tenth to a third of it wide.
  let [same, all] = [0, 0];
  for (let i = 0; i < GRID; i += 1)
    for (const far of [0.12, 0.2, 0.3])
      for (const [u, v] of [
        [i / (GRID - 1), -far],
        [i / (GRID - 1), 1 + far],
        [-far, i / (GRID - 1)],
        [1 + far, i / (GRID - 1)],
      ] as const) {
        all += 1;
        if (distance(labAt(u, v), colour) < SAME) same += 1;
      }
  return { colour, scatter: off[off.length >> 1] ?? 0, rims, repeated: same / all };
}

function medianLab(all: readonly Lab[]): Lab {
  const of = (k: 0 | 1 | 2) => {
    const sorted = all.map((lab) => lab[k]).sort((a, b) => a - b);
    return sorted[sorted.length >> 1] ?? 0;
  };
  return [of(0), of(1), of(2)];
}

function distance(a: Lab, b: Lab): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}
