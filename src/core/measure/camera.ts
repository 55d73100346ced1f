import { Matrix } from 'ml-matrix';

import type { Point } from '@/contract/picture';

import { applied, homographyFrom, homographyOf, inverted, type Homography } from './homography';
import { solveSquare } from './linear';

/**
 * Focal length over the picture's longer side: phones' main cameras, 24 to 28 mm equivalent (common
 * practice).
 */
const USUAL_FOCAL = 0.75;
/** How far it may be from that: standard deviation of its logarithm. */
const FOCAL_SPREAD = 0.25;
/** Standard deviation of a found corner, pixels. */
const CORNER_SIGMA = 0.2;
const ROUNDS = 25;

export interface CameraFit {
  /** Pixels of the picture to millimetres on the plane. */
  toMm: Homography;
  /** Angle between the camera's axis and the plane's normal, degrees. */
  tilt: number;
  /** Root mean square of what is left between found corners and fitted ones, pixels. */
  residual: number;
  /** What was made small: squared residuals over their variance, the focal length's too. */
  cost: number;
}

/** Rotation vector, position of the plane's origin, and logarithm of the focal length, in pixels. */
type Params = number[];

/**
 * A camera with square pixels that looks at the middle of the picture, so that a sheet of known size lands on
 * the four corners. Against the plain homography that has eight unknowns this has seven, one of them half
 * known: what it says about places away from a small sheet is several times steadier.
 *
 * @param corners pixels, in order around
 * @param sheet millimetres: the side from the first to the second corner, and from the second to the third
 * @returns null when the four points can't be a sheet before such a camera
 */
export function fitCamera(
  corners: readonly Point[],
  sheet: { w: number; h: number },
  width: number,
  height: number,
): CameraFit | null {
  const model = [
    { x: 0, y: 0 },
    { x: sheet.w, y: 0 },
    { x: sheet.w, y: sheet.h },
    { x: 0, y: sheet.h },
  ];
  const centred = corners.map(({ x, y }) => ({ x: x - width / 2, y: y - height / 2 }));
  const usual = Math.log(USUAL_FOCAL * Math.max(width, height));
  const start = startFrom(model, centred, Math.exp(usual));
  if (!start) return null;
  const residuals = (p: Params): number[] => {
    const h = projection(p);
    const out = model.flatMap((m, i) => {
      const at = applied(h, m);
      return [(at.x - centred[i]!.x) / CORNER_SIGMA, (at.y - centred[i]!.y) / CORNER_SIGMA];
    });
    out.push((p[6]! - usual) / FOCAL_SPREAD);
    return out;
  };
  const best = leastSquares([...start, usual], residuals);
  const left = residuals(best);
  const residual = Math.sqrt(left.slice(0, 8).reduce((s, r) => s + (r * CORNER_SIGMA) ** 2, 0) / 4);
  const h = projection(best);
  // From pixels: first to the middle, then back through the camera.
  const [a, b, c, d, e, f, g, i, j] = inverted(h);
  const [mx, my] = [-width / 2, -height / 2];
  const toMm = [a, b, a * mx + b * my + c, d, e, d * mx + e * my + f, g, i, g * mx + i * my + j];
  const tilt = (Math.acos(Math.min(1, Math.abs(rotation(best)[8]!))) * 180) / Math.PI;
  const cost = left.reduce((s, r) => s + r * r, 0);
  return Number.isFinite(cost) ? { toMm: homographyOf(toMm), tilt, residual, cost } : null;
}

/** A first pose from the plain homography, with the usual focal length. */
function startFrom(model: readonly Point[], centred: readonly Point[], focal: number): number[] | null {
  const h = homographyFrom(model, centred);
  if (!h) return null;
  const column = (k: number) => [h[k]! / focal, h[3 + k]! / focal, h[6 + k]!];
  const [c1, c2, c3] = [column(0), column(1), column(2)];
  const scale = 2 / (Math.hypot(...c1) + Math.hypot(...c2));
  // In front of the camera, not behind it.
  const sign = c3[2]! < 0 ? -scale : scale;
  const signed = (c: readonly number[]) => c.map((v) => v * sign);
  const [r1, r2, t] = [signed(c1), signed(c2), signed(c3)];
  // Two unit vectors square to each other, as near as can be to what was found.
  const sum = unit(r1.map((v, k) => v + r2[k]!));
  const difference = unit(r1.map((v, k) => v - r2[k]!));
  const x = unit(sum.map((v, k) => v + difference[k]!));
  const y = unit(sum.map((v, k) => v - difference[k]!));
  const z = [x[1]! * y[2]! - x[2]! * y[1]!, x[2]! * y[0]! - x[0]! * y[2]!, x[0]! * y[1]! - x[1]! * y[0]!];
  const trace = x[0]! + y[1]! + z[2]!;
  const angle = Math.acos(Math.max(-1, Math.min(1, (trace - 1) / 2)));
  const axis = [y[2]! - z[1]!, z[0]! - x[2]!, x[1]! - y[0]!];
  const sine = Math.hypot(...axis);
  // Turned by half a circle the axis can't be read off so: a hair beside it is as good a start.
  const turn = sine < 1e-9 ? [0, 0, angle > 1 ? Math.PI - 1e-3 : 0] : axis.map((v) => (v / sine) * angle);
  return [...turn, ...t];
}

function unit(v: number[]): number[] {
  const length = Math.hypot(...v) || 1;
  return v.map((value) => value / length);
}

/** Rodrigues' formula: rotation vector to matrix, row by row. */
function rotation([a = 0, b = 0, c = 0]: Params): number[] {
  const angle = Math.hypot(a, b, c);
  if (angle < 1e-12) return [1, 0, 0, 0, 1, 0, 0, 0, 1];
  const [x, y, z] = [a / angle, b / angle, c / angle];
  const [s, k] = [Math.sin(angle), 1 - Math.cos(angle)];
  return [
    1 - k * (y * y + z * z),
    k * x * y - s * z,
    k * x * z + s * y,
    k * x * y + s * z,
    1 - k * (x * x + z * z),
    k * y * z - s * x,
    k * x * z - s * y,
    k * y * z + s * x,
    1 - k * (x * x + y * y),
  ];
}

/** Millimetres on the plane to pixels from the picture's middle. */
function projection(p: Params): Homography {
  const r = rotation(p);
  const f = Math.exp(p[6]!);
  const rows = [f * r[0]!, f * r[1]!, f * p[3]!, f * r[3]!, f * r[4]!, f * p[4]!, r[6]!, r[7]!, p[5]!];
  return homographyOf(rows);
}

/** Levenberg and Marquardt's method with differences for derivatives. */
function leastSquares(start: Params, residuals: (p: Params) => number[]): Params {
  let p = start;
  let r = residuals(p);
  let cost = r.reduce((s, v) => s + v * v, 0);
  let damping = 1e-3;
  for (let round = 0; round < ROUNDS; round += 1) {
    const gradients = new Matrix(
      p.map((value, k) => {
        const step = 1e-6 * Math.max(1, Math.abs(value));
        const moved = residuals(p.map((v, i) => (i === k ? v + step : v)));
        return moved.map((v, i) => (v - r[i]!) / step);
      }),
    );
    const normal = gradients.mmul(gradients.transpose());
    const right = gradients.mmul(Matrix.columnVector(r)).neg().to1DArray();
    for (let i = 0; i < p.length; i += 1) normal.set(i, i, normal.get(i, i) * (1 + damping) + 1e-12);
    const step = solveSquare(normal.to2DArray(), right);
    if (!step) break;
    const next = p.map((v, i) => v + step[i]!);
    const left = residuals(next);
    const then = left.reduce((s, v) => s + v * v, 0);
    if (then < cost) {
      const gain = cost - then;
      [p, r, cost] = [next, left, then];
      damping = Math.max(1e-9, damping / 8);
      if (gain < 1e-9 * (1 + cost)) break;
    } else {
      damping *= 8;
      if (damping > 1e9) break;
    }
  }
  return p;
}
