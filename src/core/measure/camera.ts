import { EigenvalueDecomposition, Matrix } from 'ml-matrix';

import type { Point } from '@/contract/picture';

import { applied, homographyFrom, homographyOf, inverted, type Homography } from './homography';
import { solveSquare } from './linear';

/**
 * Focal length over the picture's longer side: phones' main cameras, 24 to 28 mm equivalent (common
 * practice).
 */
const USUAL_FOCAL = 0.75;
/** How far it may be from that: standard deviation of its logarithm. */
const FOCAL_SPREAD = 0.2;
const ROUNDS = 30;

/** How well the corners are known, and where the camera looked. */
export interface Known {
  /** Standard deviation of each corner, pixels. */
  sigmas: readonly number[];
  /**
   * Standard deviation of where the camera's axis meets the picture, from its middle, as a share of the
   * longer
   * side: little for a picture as it was taken (lenses sit off by a percent), much for one that was cut.
   */
  offMiddle: number;
}

export interface CameraFit {
  /** Pixels of the picture to millimetres on the plane. */
  toMm: Homography;
  /**
   * The same with what is uncertain moved by one standard deviation along each of its axes: the differences
   * they make add up as squares.
   */
  moved: Homography[];
  /** Angle between the camera's axis and the plane's normal, degrees. */
  tilt: number;
  /** Root mean square of what is left between given corners and fitted ones, pixels. */
  residual: number;
  /**
   * What was made small: squared residuals over their variance, the assumptions' too. About 2 when all is as
   * assumed (eleven figures, nine unknowns).
   */
  cost: number;
}

/**
 * Rotation vector; the plane's origin across and down; the logarithm of how far it is over the focal
 * length, which
 * is how large things look, and so well known, while each of the two alone is not; the logarithm of the focal
 * length; the axis's x and y.
 */
type Params = number[];

/**
 * A camera with square pixels that looks at about the middle of the picture, so that a sheet of known size
 * lands on the four corners. Against the plain homography, which knows nothing of cameras, what it says about
 * places away from a small sheet is several times steadier.
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
  { sigmas, offMiddle }: Known,
): CameraFit | null {
  const model = [
    { x: 0, y: 0 },
    { x: sheet.w, y: 0 },
    { x: sheet.w, y: sheet.h },
    { x: 0, y: sheet.h },
  ];
  const centred = corners.map(({ x, y }) => ({ x: x - width / 2, y: y - height / 2 }));
  const long = Math.max(width, height);
  const usual = Math.log(USUAL_FOCAL * long);
  const start = startFrom(model, centred, Math.exp(usual));
  if (!start) return null;
  const residuals = (p: Params): number[] => {
    const h = projection(p);
    const out = model.flatMap((m, i) => {
      const at = applied(h, m);
      return [(at.x - centred[i]!.x) / sigmas[i]!, (at.y - centred[i]!.y) / sigmas[i]!];
    });
    out.push((p[6]! - usual) / FOCAL_SPREAD, p[7]! / (offMiddle * long), p[8]! / (offMiddle * long));
    return out;
  };
  const [a = 0, b = 0, c = 0, x = 0, y = 0, z = 0] = start;
  if (!(z > 0)) return null;
  const best = leastSquares([a, b, c, x, y, Math.log(z) - usual, usual, 0, 0], residuals);
  const left = residuals(best);
  const cost = left.reduce((s, r) => s + r * r, 0);
  if (!Number.isFinite(cost)) return null;
  const off = left.slice(0, 8).map((r, i) => r * sigmas[i >> 1]!);
  const toMm = fromPixels(best, width, height);
  return {
    toMm,
    moved: axesOf(best, residuals).map((p) => fromPixels(p, width, height)),
    tilt: (Math.acos(Math.min(1, Math.abs(rotation(best)[8]!))) * 180) / Math.PI,
    residual: Math.sqrt(off.reduce((s, r) => s + r * r, 0) / 4),
    cost,
  };
}

/** From pixels to the plane: first to the middle, then back through the camera. */
function fromPixels(p: Params, width: number, height: number): Homography {
  const [a, b, c, d, e, f, g, i, j] = inverted(projection(p));
  const [mx, my] = [-width / 2, -height / 2];
  return homographyOf([a, b, a * mx + b * my + c, d, e, d * mx + e * my + f, g, i, g * mx + i * my + j]);
}

/**
 * The unknowns moved by one standard deviation along each axis of what their covariance (the inverse of JᵀJ)
 * spreads over.
 */
function axesOf(p: Params, residuals: (p: Params) => number[]): Params[] {
  const gradients = gradientsOf(p, residuals(p), residuals);
  const { eigenvectorMatrix, realEigenvalues } = new EigenvalueDecomposition(
    scaledNormal(gradients, scalesOf(gradients)),
    { assumeSymmetric: true },
  );
  const scales = scalesOf(gradients);
  return realEigenvalues.map((value, k) => {
    const far = 1 / Math.sqrt(Math.max(value, 1e-12));
    return p.map((v, i) => v + (eigenvectorMatrix.get(i, k) * far) / scales[i]!);
  });
}

/** How much each unknown moves the residuals: millimetres and radians made alike. */
function scalesOf(gradients: Matrix): number[] {
  return gradients.to2DArray().map((row) => Math.hypot(...row) || 1);
}

function scaledNormal(gradients: Matrix, scales: readonly number[]): Matrix {
  const normal = gradients.mmul(gradients.transpose());
  return new Matrix(
    normal.to2DArray().map((row, i) => row.map((value, j) => value / (scales[i]! * scales[j]!))),
  );
}

/** A row for each unknown: how the residuals change with it, by differences. */
function gradientsOf(p: Params, r: readonly number[], residuals: (p: Params) => number[]): Matrix {
  return new Matrix(
    p.map((value, k) => {
      const step = 1e-6 * Math.max(1, Math.abs(value));
      const moved = residuals(p.map((v, i) => (i === k ? v + step : v)));
      return moved.map((v, i) => (v - r[i]!) / step);
    }),
  );
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
  const deep = [r[6]!, r[7]!, Math.exp(p[5]! + p[6]!)];
  return homographyOf([
    ...[r[0]!, r[1]!, p[3]!].map((v, k) => f * v + p[7]! * deep[k]!),
    ...[r[3]!, r[4]!, p[4]!].map((v, k) => f * v + p[8]! * deep[k]!),
    ...deep,
  ]);
}

/** Levenberg and Marquardt's method with differences for derivatives. */
function leastSquares(start: Params, residuals: (p: Params) => number[]): Params {
  let p = start;
  let r = residuals(p);
  let cost = r.reduce((s, v) => s + v * v, 0);
  let damping = 1e-3;
  for (let round = 0; round < ROUNDS; round += 1) {
    const gradients = gradientsOf(p, r, residuals);
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
