import { createCanvas, type Canvas } from '@napi-rs/canvas';

import { pixelsOf } from './lens';

// sRGB's transfer curve (IEC 61966-2-1).
const LINEAR = Float64Array.from({ length: 256 }, (_, i) => {
  const c = i / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
});
const STEPS = 4_096;
const ENCODED = Uint8ClampedArray.from({ length: STEPS + 1 }, (_, i) => {
  const c = i / STEPS;
  return 255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055);
});

/** How much light comes in. */
export interface Light {
  /** The shutter is open 2^stops times as long. */
  stops: number;
  /** How much less there is at the far side, 0 to 1, and where that is. */
  falloff: number;
  away: number;
  /** What red, green and blue are multiplied by. */
  cast: readonly [number, number, number];
}

/**
 * A picture in that light: what is more than white is white.
 *
 * @returns it, and the share of the thing's pixels of which some colour would be more than a tenth above
 * white
 */
export function exposed(canvas: Canvas, alone: Canvas, light: Light): { lit: Canvas; over: number } {
  const { width, height } = canvas;
  const lit = createCanvas(width, height);
  const g = lit.getContext('2d');
  const image = canvas.getContext('2d').getImageData(0, 0, width, height);
  const { data } = image;
  const thing = pixelsOf(alone).data;
  const gain = 2 ** light.stops;
  const [ax, ay] = [Math.cos(light.away), Math.sin(light.away)];
  let [over, area] = [0, 0];
  for (let y = 0, at = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, at += 4) {
      const along = 0.5 + ((x / width - 0.5) * ax + (y / height - 0.5) * ay) / 1.42;
      const here = gain * (1 - light.falloff * along);
      let most = 0;
      for (let k = 0; k < 3; k += 1) {
        const c = LINEAR[data[at + k]!]! * here * light.cast[k]!;
        most = Math.max(most, c);
        data[at + k] = ENCODED[Math.round(Math.min(1, c) * STEPS)]!;
      }
      if (thing[at + 3]! < 128) continue;
      area += 1;
      if (most > 1.1) over += 1;
    }
  g.putImageData(image, 0, 0);
  return { lit, over: area === 0 ? 0 : over / area };
}

/**
 * What a camera does by itself: half of the way to a middle grey (common practice: 18 %), and never so
 * far that more than a hundredth of the picture is lost in white.
 */
export function meteredStops(canvas: Canvas): number {
  const { data } = pixelsOf(canvas);
  let sum = 0;
  const most: number[] = [];
  for (let at = 0; at < data.length; at += 4 * 37) {
    const [r, g, b] = [LINEAR[data[at]!]!, LINEAR[data[at + 1]!]!, LINEAR[data[at + 2]!]!];
    sum += 0.2126 * r + 0.7152 * g + 0.0722 * b;
    most.push(Math.max(r, g, b));
  }
  most.sort((a, b) => a - b);
  const brightest = most[Math.floor(most.length * 0.99)] ?? 1;
  return Math.min(0.5 * Math.log2(0.18 / (sum / most.length)), Math.log2(0.95 / brightest));
}
