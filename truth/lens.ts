import { createCanvas, loadImage, type Canvas } from '@napi-rs/canvas';

import type { Point } from '@/contract/picture';
import type { Pixels } from '@/core/pixels/pixels';

import type { Random } from '../sim/random';

/** How a plane is photographed. Angles in degrees. */
export interface Shot {
  width: number;
  height: number;
  /** Between the camera's axis and the plane's normal, and which way it leans. */
  tilt: number;
  lean: number;
  turn: number;
  /** Focal length over the picture's longer side. */
  focal: number;
  /** Where the axis meets the sensor, off its middle, and how much the lens bends lines at the corner. */
  off: Point;
  bend: number;
  /** The plane's width that is to be seen, millimetres. */
  seen: number;
}

export function shotOf(random: Random, width: number, height: number, seen: number): Shot {
  const long = Math.max(width, height);
  const steep = random.next();
  return {
    width,
    height,
    tilt: steep < 0.3 ? 4 * random.next() : 30 * random.next(),
    lean: 360 * random.next(),
    turn: 20 * (random.next() - 0.5),
    focal: 0.66 + 0.2 * random.next(),
    off: { x: (random.next() - 0.5) * 0.016 * long, y: (random.next() - 0.5) * 0.016 * long },
    bend: (random.next() - 0.5) * 0.008,
    seen,
  };
}

/** From millimetres on the plane, its middle at 0, to pixels; and back. */
export interface Lens {
  toPixel(mm: Point): Point;
  toPlane(pixel: Point): Point;
}

export function lensOf(shot: Shot): Lens {
  const { width, height, off, bend } = shot;
  const f = shot.focal * Math.max(width, height);
  const radians = (degrees: number) => (degrees * Math.PI) / 180;
  const [a, b, c] = [radians(shot.lean), radians(shot.tilt), radians(shot.turn)];
  // Rz(lean) Rx(tilt) Rz(turn - lean): tilted about an axis in the plane, then turned about the camera's.
  const r = product(product(aboutZ(a), aboutX(b)), aboutZ(c - a));
  const far = (f * shot.seen) / width;
  const [cx, cy] = [width / 2 + off.x, height / 2 + off.y];
  const corner = Math.hypot(width, height) / 2;
  const back = inverse([
    [f * r[0]![0]!, f * r[0]![1]!, 0],
    [f * r[1]![0]!, f * r[1]![1]!, 0],
    [r[2]![0]!, r[2]![1]!, far],
  ]);
  const straight = ({ x, y }: Point): Point => {
    const z = r[2]![0]! * x + r[2]![1]! * y + far;
    return {
      x: (f * (r[0]![0]! * x + r[0]![1]! * y)) / z,
      y: (f * (r[1]![0]! * x + r[1]![1]! * y)) / z,
    };
  };
  return {
    toPixel(mm) {
      const u = straight(mm);
      // What was bent, unbent, is what would have been straight: found by going back and forth.
      let d = u;
      for (let i = 0; i < 8; i += 1) {
        const k = 1 + (bend * (d.x * d.x + d.y * d.y)) / corner ** 2;
        d = { x: u.x / k, y: u.y / k };
      }
      return { x: d.x + cx, y: d.y + cy };
    },
    toPlane({ x, y }) {
      const [dx, dy] = [x - cx, y - cy];
      const k = 1 + (bend * (dx * dx + dy * dy)) / corner ** 2;
      const [u, v] = [dx * k, dy * k];
      const w = back[2]![0]! * u + back[2]![1]! * v + back[2]![2]!;
      return {
        x: (back[0]![0]! * u + back[0]![1]! * v + back[0]![2]!) / w,
        y: (back[1]![0]! * u + back[1]![1]! * v + back[1]![2]!) / w,
      };
    },
  };
}

type Matrix = number[][];
const aboutZ = (t: number): Matrix => [
  [Math.cos(t), -Math.sin(t), 0],
  [Math.sin(t), Math.cos(t), 0],
  [0, 0, 1],
];
const aboutX = (t: number): Matrix => [
  [1, 0, 0],
  [0, Math.cos(t), -Math.sin(t)],
  [0, Math.sin(t), Math.cos(t)],
];
function product(m: Matrix, n: Matrix): Matrix {
  return m.map((row) => [0, 1, 2].map((j) => row.reduce((s, v, k) => s + v * n[k]![j]!, 0)));
}
function inverse(m: Matrix): Matrix {
  const [a = 0, b = 0, c = 0] = m[0] ?? [];
  const [d = 0, e = 0, f = 0] = m[1] ?? [];
  const [g = 0, h = 0, i = 0] = m[2] ?? [];
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  return [
    [(e * i - f * h) / det, (c * h - b * i) / det, (b * f - c * e) / det],
    [(f * g - d * i) / det, (a * i - c * g) / det, (c * d - a * f) / det],
    [(d * h - e * g) / det, (b * g - a * h) / det, (a * e - b * d) / det],
  ];
}

/** What is on the plane as the camera sees it: each pixel the mean of four places. */
export function photographed(plane: Canvas, perMm: number, shot: Shot): Canvas {
  const lens = lensOf(shot);
  const { width, height } = shot;
  const from = plane.getContext('2d').getImageData(0, 0, plane.width, plane.height).data;
  const canvas = createCanvas(width, height);
  const g = canvas.getContext('2d');
  const image = g.createImageData(width, height);
  const [pw, ph] = [plane.width, plane.height];
  for (let y = 0, at = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, at += 4) {
      let [red, green, blue] = [0, 0, 0];
      for (let s = 0; s < 4; s += 1) {
        const mm = lens.toPlane({ x: x + (s % 2 === 0 ? 0.25 : 0.75), y: y + (s < 2 ? 0.25 : 0.75) });
        const px = Math.min(pw - 1.01, Math.max(0, mm.x * perMm + pw / 2 - 0.5));
        const py = Math.min(ph - 1.01, Math.max(0, mm.y * perMm + ph / 2 - 0.5));
        const [left, top] = [px | 0, py | 0];
        const [fx, fy] = [px - left, py - top];
        const p = (top * pw + left) * 4;
        const q = p + pw * 4;
        const [w00, w01, w10, w11] = [(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy];
        red += from[p]! * w00 + from[p + 4]! * w01 + from[q]! * w10 + from[q + 4]! * w11;
        green += from[p + 1]! * w00 + from[p + 5]! * w01 + from[q + 1]! * w10 + from[q + 5]! * w11;
        blue += from[p + 2]! * w00 + from[p + 6]! * w01 + from[q + 2]! * w10 + from[q + 6]! * w11;
      }
      image.data[at] = red / 4;
      image.data[at + 1] = green / 4;
      image.data[at + 2] = blue / 4;
      image.data[at + 3] = 255;
    }
  g.putImageData(image, 0, 0);
  return canvas;
}

/** What light, lens, sensor and file do to a picture. */
export interface Handling {
  /** Gaussian blur, pixels. */
  blur: number;
  /** Standard deviation of the noise, 0 to 255. */
  noise: number;
  /** How much less light there is at the far side, 0 to 1, and where that is. */
  falloff: number;
  away: number;
  /** What red, green and blue are multiplied by. */
  cast: readonly [number, number, number];
  /** JPEG quality, 1 to 100. */
  quality: number;
}

export function handlingOf(random: Random): Handling {
  const warm = (random.next() - 0.5) * 0.16;
  const bright = 0.82 + random.next() * 0.22;
  return {
    blur: random.chance(0.5) ? 0.4 + random.next() * 0.4 : 0.4 + random.next() * 1.1,
    noise: 1 + random.next() * 4,
    falloff: random.next() * 0.28,
    away: random.next() * 2 * Math.PI,
    cast: [bright * (1 + warm), bright, bright * (1 - warm)],
    quality: 68 + random.next() * 26,
  };
}

export async function handled(picture: Canvas, how: Handling, random: Random): Promise<Pixels> {
  const { width, height } = picture;
  const canvas = createCanvas(width, height);
  const g = canvas.getContext('2d');
  g.filter = how.blur > 0.05 ? `blur(${how.blur}px)` : 'none';
  g.drawImage(picture, 0, 0);
  g.filter = 'none';
  const image = g.getImageData(0, 0, width, height);
  const { data } = image;
  const [ax, ay] = [Math.cos(how.away), Math.sin(how.away)];
  for (let y = 0, at = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, at += 4) {
      const along = 0.5 + ((x / width - 0.5) * ax + (y / height - 0.5) * ay) / 1.42;
      const lit = 1 - how.falloff * along;
      // Four uniform numbers make a bell, near enough.
      const grain = (random.next() + random.next() + random.next() + random.next() - 2) * 1.73 * how.noise;
      for (let k = 0; k < 3; k += 1) data[at + k] = data[at + k]! * lit * how.cast[k]! + grain;
      data[at + 3] = 255;
    }
  g.putImageData(image, 0, 0);
  const file = await loadImage(canvas.toBuffer('image/jpeg', Math.round(how.quality)));
  g.drawImage(file, 0, 0);
  return pixelsOf(canvas);
}

export function pixelsOf(canvas: Canvas): Pixels {
  const { width, height } = canvas;
  const { data } = canvas.getContext('2d').getImageData(0, 0, width, height);
  return { width, height, data: new Uint8ClampedArray(data) };
}
