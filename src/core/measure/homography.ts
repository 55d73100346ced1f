import { inverse, Matrix } from 'ml-matrix';

import type { Point } from '@/contract/picture';

import { solveSquare } from './linear';

/** A projective map of the plane, row by row; the last element is 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

/** Nine numbers, row by row. @throws RangeError for any other count */
export function homographyOf(rows: readonly number[]): Homography {
  if (rows.length !== 9) throw new RangeError(`a homography of ${rows.length} numbers`);
  // Nine, as was just counted.
  return rows as unknown as Homography;
}

/**
 * The projective map that takes each of four points to its partner, by the normalised direct linear
 * transform.
 *
 * @returns null when three of the points lie on a line
 * @see Hartley & Zisserman, Multiple View Geometry in Computer Vision (2nd ed.), algorithm 4.2
 */
export function homographyFrom(from: readonly Point[], to: readonly Point[]): Homography | null {
  if (threeInLine(from) || threeInLine(to)) return null;
  const a = normalising(from);
  const b = normalising(to);
  if (!a || !b) return null;
  // With four points and h33 = 1 the system is square; h33 is never near 0 once the points are normalised.
  const rows: number[][] = [];
  for (let i = 0; i < 4; i += 1) {
    const { x, y } = applied(a, from[i]!);
    const { x: u, y: v } = applied(b, to[i]!);
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  const h = solveSquare(
    rows.map((row) => row.slice(0, 8)),
    rows.map((row) => row[8]!),
  );
  if (!h) return null;
  const normal = homographyOf([...h, 1]);
  const full = times(inverted(b), times(normal, a));
  return homographyOf(full.map((value) => value / full[8]));
}

/** Whether three of four points lie on a line, to within a millionth of their extent squared. */
function threeInLine(points: readonly Point[]): boolean {
  const [a, b, c, d] = points;
  if (!a || !b || !c || !d) return true;
  const doubled = (p: Point, q: Point, r: Point) =>
    Math.abs((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x));
  const areas = [doubled(a, b, c), doubled(b, c, d), doubled(c, d, a), doubled(d, a, b)];
  return !(Math.min(...areas) > 1e-6 * Math.max(...areas));
}

/** Moves the points' middle to the origin and their mean distance from it to √2. */
function normalising(points: readonly Point[]): Homography | null {
  const n = points.length;
  const mx = points.reduce((s, p) => s + p.x, 0) / n;
  const my = points.reduce((s, p) => s + p.y, 0) / n;
  const mean = points.reduce((s, p) => s + Math.hypot(p.x - mx, p.y - my), 0) / n;
  if (!(mean > 0)) return null;
  const k = Math.SQRT2 / mean;
  return [k, 0, -k * mx, 0, k, -k * my, 0, 0, 1];
}

/** Where a point goes. Far behind the horizon the result is not finite. */
export function applied(h: Homography, { x, y }: Point): Point {
  const w = h[6] * x + h[7] * y + h[8];
  return { x: (h[0] * x + h[1] * y + h[2]) / w, y: (h[3] * x + h[4] * y + h[5]) / w };
}

export function inverted(m: Homography): Homography {
  return fromMatrix(inverse(toMatrix(m)));
}

function toMatrix(m: Homography): Matrix {
  return Matrix.from1DArray(3, 3, [...m]);
}

function fromMatrix(m: Matrix): Homography {
  return homographyOf(m.to1DArray());
}

function times(m: Homography, n: Homography): Homography {
  return fromMatrix(toMatrix(m).mmul(toMatrix(n)));
}
