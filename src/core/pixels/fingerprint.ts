import { ciede2000, labOf } from './lab';
import { greyOf, shrunk, type Pixels } from './pixels';

const GRID = 16;
const PATCHES = 4;

/**
 * A short description of what a picture looks like, for finding near-duplicates: 256 bits that say where it
 * gets lighter from left to right, and the colours of 4 × 4 patches. Hexadecimal, 160 characters.
 */
export function fingerprintOf(picture: Pixels): string {
  const grey = greyOf(resized(picture, GRID + 1, GRID)).data;
  let bits = '';
  for (let y = 0; y < GRID; y += 1)
    for (let x = 0; x < GRID; x += 4) {
      let digit = 0;
      for (let k = 0; k < 4; k += 1) {
        const p = y * (GRID + 1) + x + k;
        // A small step is noise: it counts as none.
        digit = digit * 2 + (grey[p + 1]! > grey[p]! + 4 ? 1 : 0);
      }
      bits += digit.toString(16);
    }
  const patches = resized(picture, PATCHES, PATCHES).data;
  let colours = '';
  for (let at = 0; at < patches.length; at += 4)
    for (const [k, value] of labOf(patches[at]!, patches[at + 1]!, patches[at + 2]!).entries())
      colours += Math.max(0, Math.min(255, Math.round(k === 0 ? value * 2.55 : value + 128)))
        .toString(16)
        .padStart(2, '0');
  return bits + colours;
}

/**
 * How alike two pictures look: 0 the same, above about 1 different.
 *
 * @returns the larger of the share of differing bits over a quarter and the mean colour difference over 10
 */
export function fingerprintDistance(a: string, b: string): number {
  const half = (GRID * GRID) / 4;
  if (a.length !== b.length || a.length < half) return Infinity;
  let differing = 0;
  for (let i = 0; i < half; i += 1) {
    let x = parseInt(a[i]!, 16) ^ parseInt(b[i]!, 16);
    while (x) {
      differing += x & 1;
      x >>= 1;
    }
  }
  let colour = 0;
  for (let i = half; i < a.length; i += 6) {
    const value = (text: string, k: number) => parseInt(text.slice(i + k * 2, i + k * 2 + 2), 16);
    const lab = (text: string) =>
      [value(text, 0) / 2.55, value(text, 1) - 128, value(text, 2) - 128] as const;
    colour += ciede2000(lab(a), lab(b));
  }
  return Math.max(differing / (GRID * GRID) / 0.25, colour / PATCHES ** 2 / 10);
}

/** Exactly so many pixels, each the mean of what it stands for. */
function resized(picture: Pixels, width: number, height: number): Pixels {
  const small = shrunk(picture, 320);
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const sums = [0, 0, 0];
      let n = 0;
      const [top, bottom] = span(y, height, small.height);
      const [left, right] = span(x, width, small.width);
      for (let v = top; v < bottom; v += 1)
        for (let u = left; u < right; u += 1) {
          for (let k = 0; k < 3; k += 1) sums[k]! += small.data[(v * small.width + u) * 4 + k]!;
          n += 1;
        }
      for (let k = 0; k < 3; k += 1) data[(y * width + x) * 4 + k] = sums[k]! / n;
      data[(y * width + x) * 4 + 3] = 255;
    }
  return { width, height, data };
}

function span(i: number, parts: number, length: number): [number, number] {
  const from = Math.min(length - 1, Math.floor((i * length) / parts));
  return [from, Math.max(from + 1, Math.floor(((i + 1) * length) / parts))];
}
