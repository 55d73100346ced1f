import { labOfMean } from './lab';
import { quantile, type Mask, type Pixels } from './pixels';

/**
 * sRGB value a light background is brought to; the value a picture's brightest parts are brought to without
 * one.
 */
const PAPER = 240;
const BRIGHTEST = 225;
/** The least and most that any channel is multiplied by. */
const LEAST = 0.5;
const MOST = 3.2;
/** A background from this luma up is taken for light; with less chroma than this, for colourless. */
const LIGHT = 190;
const COLOURLESS = 14;

/** sRGB bytes, 0 to 255, to linear light, 0 to 1 (IEC 61966-2-1), and back. */
export function linear(value: number): number {
  const c = value / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
}

export function encoded(value: number): number {
  const c = value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055;
  return 255 * c;
}

/**
 * The middle colour of what the item lies on.
 *
 * @returns sRGB 0 to 255; null where less than a twentieth of the picture is floor
 */
export function groundOf({ width, height, data }: Pixels, mask: Mask): [number, number, number] | null {
  const channels: [number[], number[], number[]] = [[], [], []];
  const step = stepFor(width, height);
  let seen = 0;
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) {
      const p = y * width + x;
      seen += 1;
      if (mask.data[p]! < 20) channels.forEach((values, k) => values.push(data[p * 4 + k]!));
    }
  if (channels[0].length < seen * 0.05) return null;
  const middle = (values: number[]) => quantile(values, 0.5);
  return [middle(channels[0]), middle(channels[1]), middle(channels[2])];
}

/** About twenty thousand pixels tell as much as all of them. */
function stepFor(width: number, height: number): number {
  return Math.max(1, Math.round(Math.sqrt((width * height) / 20_000)));
}

/** Chroma of a colour, ΔE; its luma by ITU-R BT.709, 0 to 255. */
function lookOf(rgb: readonly [number, number, number]): { chroma: number; luma: number } {
  const [r, g, b] = rgb;
  const [, labA, labB] = labOfMean(rgb);
  return { chroma: Math.hypot(labA, labB), luma: 0.2126 * r + 0.7152 * g + 0.0722 * b };
}

/**
 * White balance and exposure from the background: a light one is brought to the same light grey in all three
 * channels; a darker one only loses its cast; a coloured one (boards, a rug) says nothing about the light's
 * colour, and the brightest parts set the exposure.
 *
 * @returns factors on red, green and blue in linear light
 */
export function gainsFor(picture: Pixels, mask: Mask): Gains {
  const held = (gain: number) => Math.min(MOST, Math.max(LEAST, gain));
  const ground = groundOf(picture, mask);
  if (ground) {
    const { chroma, luma } = lookOf(ground);
    if (chroma < COLOURLESS || luma >= LIGHT + 20) {
      const to = linear(luma >= LIGHT ? PAPER : luma);
      const [r, g, b] = ground;
      return [held(to / linear(r)), held(to / linear(g)), held(to / linear(b))];
    }
  }
  const gain = held(linear(BRIGHTEST) / linear(Math.max(1, brightestOf(picture))));
  return [gain, gain, gain];
}

/** Luma that a fiftieth of the picture exceeds. */
function brightestOf({ width, height, data }: Pixels): number {
  const lumas: number[] = [];
  const step = stepFor(width, height);
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) {
      const at = (y * width + x) * 4;
      lumas.push(0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]!);
    }
  return quantile(lumas, 0.98);
}

/** Factors on red, green and blue in linear light. */
export type Gains = readonly [number, number, number];

/** For each of the 256 values of red, green and blue, what it becomes. */
export type Curves = readonly Uint8ClampedArray[];

/** The factors as curves. What would go over white is bent, not cut, so that light cloth keeps its folds. */
export function curvesFor(gains: Gains): Curves {
  return gains.map((gain) =>
    Uint8ClampedArray.from({ length: 256 }, (_, value) => encoded(shoulder(linear(value) * gain))),
  );
}

/** Applies curves in place. */
export function relight({ data }: Pixels, curves: Curves): void {
  for (let at = 0; at < data.length; at += 4)
    for (let k = 0; k < 3; k += 1) data[at + k] = curves[k]![data[at + k]!]!;
}

const KNEE = 0.82;

function shoulder(value: number): number {
  return value <= KNEE ? value : KNEE + (1 - KNEE) * (1 - Math.exp(-(value - KNEE) / (1 - KNEE)));
}
