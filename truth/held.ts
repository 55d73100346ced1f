import { createCanvas, type Canvas } from '@napi-rs/canvas';

import type { Point } from '@/contract/picture';

import type { Random } from '../sim/random';

/** How something flat with writing on it lies in a picture. */
export interface Held {
  /** The larger of its share of the frame's width and of its height. */
  fill: number;
  /** Clockwise, degrees; a half turn and quarter turns come on top. */
  tilt: number;
  quarters: 0 | 1 | 2 | 3;
  /** How far each corner is off a rectangle's, as a share of the longer side. */
  warp: number;
  /** How far its lines are bent, as a share of its height. */
  bend: number;
}

/** Lays it on the ground and photographs it, each pixel the mean of four places. */
export function heldUp(ground: Canvas, flat: Canvas, held: Held, random: Random): Canvas {
  const { width, height } = ground;
  const quad = cornersOf(ground, flat, held, random);
  const back = toUnit(quad);
  const from = flat.getContext('2d').getImageData(0, 0, flat.width, flat.height).data;
  const out = createCanvas(width, height);
  const g = out.getContext('2d');
  shadowed(out, ground, quad);
  const image = g.getImageData(0, 0, width, height);
  const [fw, fh] = [flat.width, flat.height];
  for (let y = 0, at = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, at += 4) {
      const sum = [0, 0, 0];
      let met = 0;
      for (let s = 0; s < 4; s += 1) {
        const unit = back({ x: x + (s % 2 === 0 ? 0.25 : 0.75), y: y + (s < 2 ? 0.25 : 0.75) });
        const v = unit.y - held.bend * (4 * unit.x * (1 - unit.x) - 0.5);
        if (unit.x < 0 || unit.x > 1 || v < 0 || v > 1) continue;
        met += 1;
        const px = Math.min(fw - 1.01, unit.x * fw);
        const py = Math.min(fh - 1.01, v * fh);
        const [left, top] = [px | 0, py | 0];
        const [fx, fy] = [px - left, py - top];
        const p = (top * fw + left) * 4;
        const q = p + fw * 4;
        for (let k = 0; k < 3; k += 1)
          sum[k]! +=
            (from[p + k]! * (1 - fx) + from[p + 4 + k]! * fx) * (1 - fy) +
            (from[q + k]! * (1 - fx) + from[q + 4 + k]! * fx) * fy;
      }
      if (met === 0) continue;
      for (let k = 0; k < 3; k += 1) image.data[at + k] = (image.data[at + k]! * (4 - met) + sum[k]!) / 4;
    }
  g.putImageData(image, 0, 0);
  return out;
}

/** Its corners in the picture, clockwise from its own upper left. */
function cornersOf(ground: Canvas, flat: Canvas, held: Held, random: Random): Point[] {
  const { width, height } = ground;
  const isAcross = held.quarters % 2 === 0;
  const [w, h] = isAcross ? [flat.width, flat.height] : [flat.height, flat.width];
  const turn = ((held.tilt + 90 * held.quarters) * Math.PI) / 180;
  const [c, s] = [Math.abs(Math.cos(turn)), Math.abs(Math.sin(turn))];
  // However it is turned, all of it stays in the frame.
  const most =
    0.96 / Math.max((flat.width * c + flat.height * s) / width, (flat.width * s + flat.height * c) / height);
  const scale = Math.min(most, held.fill * Math.min(width / w, height / h));
  const [hw, hh] = [(flat.width * scale) / 2, (flat.height * scale) / 2];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const long = Math.max(hw, hh) * 2;
  const jitter = () => (random.next() - 0.5) * 2 * held.warp * long;
  const corners = [
    [-hw, -hh],
    [hw, -hh],
    [hw, hh],
    [-hw, hh],
  ].map(([x = 0, y = 0]) => ({ x: x * cos - y * sin + jitter(), y: x * sin + y * cos + jitter() }));
  // Somewhere in the frame, all of it in sight.
  const room = (low: number, high: number, side: number) =>
    -low + Math.max(0, side - (high - low)) * (0.25 + random.next() * 0.5);
  const [xs, ys] = [corners.map((c) => c.x), corners.map((c) => c.y)];
  const x = room(Math.min(...xs), Math.max(...xs), width);
  const y = room(Math.min(...ys), Math.max(...ys), height);
  return corners.map((c) => ({ x: c.x + x, y: c.y + y }));
}

function shadowed(out: Canvas, ground: Canvas, quad: readonly Point[]): void {
  const g = out.getContext('2d');
  g.drawImage(ground, 0, 0);
  g.shadowColor = 'rgba(0, 0, 0, 0.45)';
  g.shadowBlur = 10;
  g.shadowOffsetX = 3;
  g.shadowOffsetY = 4;
  g.fillStyle = '#888';
  g.beginPath();
  for (const { x, y } of quad) g.lineTo(x, y);
  g.closePath();
  g.fill();
  g.shadowColor = 'transparent';
}

/** From the picture to the unit square whose corners are the quad's: the projective map and back. */
function toUnit([a, b, c, d]: readonly Point[]): (p: Point) => Point {
  if (!a || !b || !c || !d) throw new Error('Four corners make a quad.');
  // Heckbert, "Fundamentals of Texture Mapping and Image Warping" (1989), section 2.2.3.
  const sx = a.x - b.x + c.x - d.x;
  const sy = a.y - b.y + c.y - d.y;
  const [dx1, dy1, dx2, dy2] = [b.x - c.x, b.y - c.y, d.x - c.x, d.y - c.y];
  const det = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - sy * dx2) / det;
  const h = (dx1 * sy - dy1 * sx) / det;
  const m = [
    [b.x - a.x + g * b.x, d.x - a.x + h * d.x, a.x],
    [b.y - a.y + g * b.y, d.y - a.y + h * d.y, a.y],
    [g, h, 1],
  ];
  const [[m0 = 0, m1 = 0, m2 = 0] = [], [m3 = 0, m4 = 0, m5 = 0] = []] = m;
  return ({ x, y }) => {
    // Two lines of unknowns u, v: (m0 - g x) u + (m1 - h x) v = x - m2, and the same for y.
    const [p, q, r] = [m0 - g * x, m1 - h * x, x - m2];
    const [s, t, w] = [m3 - g * y, m4 - h * y, y - m5];
    const n = p * t - q * s;
    return { x: (r * t - q * w) / n, y: (p * w - r * s) / n };
  };
}
