import type { Pixels } from './pixels';

/** CIE 1976 L*a*b* for each pixel, D65, three values a pixel. */
export interface LabPixels {
  width: number;
  height: number;
  data: Float32Array;
}

export type Lab = readonly [number, number, number];

// sRGB's transfer curve (IEC 61966-2-1) for each of the 256 values.
const LINEAR = Float64Array.from({ length: 256 }, (_, i) => {
  const c = i / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
});
// D65 white of sRGB.
const XN = 0.95047;
const ZN = 1.08883;

// The cube root is looked up: 4 096 steps are finer than a byte of colour can tell.
const STEPS = 4_096;
const ROOT = Float64Array.from({ length: STEPS + 2 }, (_, i) => labF(i / STEPS));

function labF(t: number): number {
  return t > 216 / 24_389 ? Math.cbrt(t) : (24_389 / 27 / 116) * t + 16 / 116;
}

/** sRGB bytes to L*a*b*, exactly. */
export function labOf(r: number, g: number, b: number): Lab {
  const [lr, lg, lb] = [LINEAR[r]!, LINEAR[g]!, LINEAR[b]!];
  const x = labF((0.4124564 * lr + 0.3575761 * lg + 0.1804375 * lb) / XN);
  const y = labF(0.2126729 * lr + 0.7151522 * lg + 0.072175 * lb);
  const z = labF((0.0193339 * lr + 0.119192 * lg + 0.9503041 * lb) / ZN);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** L*a*b* of a whole picture; within 0.1 of the exact values. */
export function labPixels({ width, height, data }: Pixels): LabPixels {
  const out = new Float32Array(width * height * 3);
  for (let i = 0, at = 0; at < data.length; i += 3, at += 4) {
    const lr = LINEAR[data[at]!]!;
    const lg = LINEAR[data[at + 1]!]!;
    const lb = LINEAR[data[at + 2]!]!;
    const x = root((0.4124564 * lr + 0.3575761 * lg + 0.1804375 * lb) / XN);
    const y = root(0.2126729 * lr + 0.7151522 * lg + 0.072175 * lb);
    const z = root((0.0193339 * lr + 0.119192 * lg + 0.9503041 * lb) / ZN);
    out[i] = 116 * y - 16;
    out[i + 1] = 500 * (x - y);
    out[i + 2] = 200 * (y - z);
  }
  return { width, height, data: out };
}

function root(t: number): number {
  const at = t * STEPS;
  const low = Math.min(STEPS, at | 0);
  // The curve bends most near black, where a step is no longer fine enough.
  if (low < 24) return labF(t);
  return ROOT[low]! + (ROOT[low + 1]! - ROOT[low]!) * (at - low);
}

const RAD = Math.PI / 180;

/**
 * Colour difference ΔE₀₀ (CIEDE2000, with kL = kC = kH = 1).
 *
 * @see Sharma, Wu & Dalal, "The CIEDE2000 Color-Difference Formula", Color Research and Application 30 (2005)
 */
export function ciede2000([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number {
  const cMean = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const c7 = cMean ** 7;
  const g = 0.5 * (1 - Math.sqrt(c7 / (c7 + 25 ** 7)));
  const [ap1, ap2] = [(1 + g) * a1, (1 + g) * a2];
  const [cp1, cp2] = [Math.hypot(ap1, b1), Math.hypot(ap2, b2)];
  const hue = (b: number, a: number) => (a === 0 && b === 0 ? 0 : (Math.atan2(b, a) / RAD + 360) % 360);
  const [h1, h2] = [hue(b1, ap1), hue(b2, ap2)];
  const colourless = cp1 * cp2 === 0;
  let dh = colourless ? 0 : h2 - h1;
  if (dh > 180) dh -= 360;
  if (dh < -180) dh += 360;
  const dL = l2 - l1;
  const dC = cp2 - cp1;
  const dH = 2 * Math.sqrt(cp1 * cp2) * Math.sin((dh / 2) * RAD);
  const lMean = (l1 + l2) / 2;
  const cpMean = (cp1 + cp2) / 2;
  let hMean = h1 + h2;
  if (!colourless) {
    if (Math.abs(h1 - h2) <= 180) hMean /= 2;
    else hMean = hMean < 360 ? (hMean + 360) / 2 : (hMean - 360) / 2;
  }
  const t =
    1 -
    0.17 * Math.cos((hMean - 30) * RAD) +
    0.24 * Math.cos(2 * hMean * RAD) +
    0.32 * Math.cos((3 * hMean + 6) * RAD) -
    0.2 * Math.cos((4 * hMean - 63) * RAD);
  const sL = 1 + (0.015 * (lMean - 50) ** 2) / Math.sqrt(20 + (lMean - 50) ** 2);
  const sC = 1 + 0.045 * cpMean;
  const sH = 1 + 0.015 * cpMean * t;
  const turn = 30 * Math.exp(-(((hMean - 275) / 25) ** 2));
  const cp7 = cpMean ** 7;
  const rT = -2 * Math.sqrt(cp7 / (cp7 + 25 ** 7)) * Math.sin(2 * turn * RAD);
  return Math.sqrt((dL / sL) ** 2 + (dC / sC) ** 2 + (dH / sH) ** 2 + rT * (dC / sC) * (dH / sH));
}
