import { converter, differenceCiede2000, modeLab65, modeRgb, useMode as withMode } from 'culori/fn';

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

withMode(modeLab65);
withMode(modeRgb);
const difference = differenceCiede2000();
const differenceOfCloth = differenceCiede2000(2);
const toRgb = converter('rgb');
const colour = ([l, a, b]: Lab) => ({ mode: 'lab65' as const, l, a, b });

/**
 * Colour difference ΔE₀₀ (CIEDE2000, with kL = kC = kH = 1).
 *
 * @see Sharma, Wu & Dalal, "The CIEDE2000 Color-Difference Formula", Color Research and Application 30 (2005)
 */
export function ciede2000(one: Lab, other: Lab): number {
  return difference(colour(one), colour(other)) ?? NaN;
}

/**
 * The same with kL = 2, as for cloth: a difference of lightness counts half.
 *
 * @see CIE 142:2001, "Improvement to Industrial Colour-Difference Evaluation"
 */
export function clothDifference(one: Lab, other: Lab): number {
  return differenceOfCloth(colour(one), colour(other)) ?? NaN;
}

/** L*a*b* as sRGB bytes; what a screen can't show as the nearest that it can, channel by channel. */
export function rgbOf(lab: Lab): [number, number, number] {
  const { r, g, b } = toRgb(colour(lab));
  const byte = (value: number) => Math.round(255 * Math.min(1, Math.max(0, value)));
  return [byte(r), byte(g), byte(b)];
}

/** The same of values between whole ones, as means are. */
export function labOfMean([r, g, b]: readonly [number, number, number]): Lab {
  return labOf(Math.round(r), Math.round(g), Math.round(b));
}
