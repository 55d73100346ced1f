import { createCanvas, type Canvas, type SKRSContext2D } from '@napi-rs/canvas';

import type { Art } from './art';
import type { Random } from '../sim/random';

/** What things are laid on. The second list has a pattern that a thing must be told from. */
export const EVEN = ['plain', 'plaster', 'boards', 'carpet', 'terrazzo'] as const;
export const PATTERNED = ['tiles', 'checks', 'stripes', 'rug', 'mat', 'brick'] as const;
export type Floor = (typeof EVEN)[number] | (typeof PATTERNED)[number];

type Rgb = readonly [number, number, number];
export const css = ([r, g, b]: Rgb, alpha = 1) =>
  `rgba(${Math.round(r)}, ${Math.round(g)}, ${Math.round(b)}, ${alpha})`;

/** Any colour of so much lightness and chroma; not exactly that of a colour space, which nobody asks for. */
export function colour(random: Random, [dark, light]: readonly [number, number], chroma: number): Rgb {
  const grey = dark + random.next() * (light - dark);
  const hue = random.next() * 2 * Math.PI;
  const far = chroma * random.next();
  const at = (turn: number) => Math.min(255, Math.max(0, grey + far * Math.cos(hue + turn)));
  return [at(0), at(2.1), at(4.2)];
}

function shifted(c: Rgb, by: number): Rgb {
  return [c[0] + by, c[1] + by, c[2] + by];
}

/**
 * A floor seen from straight above.
 *
 * @param perMm pixels to a millimetre of floor
 */
export function floorOf(
  floor: Floor,
  { width, height, perMm }: { width: number; height: number; perMm: number },
  art: Art,
  random: Random,
): Canvas {
  const canvas = createCanvas(width, height);
  const g = canvas.getContext('2d');
  const base = PAINT_BASE[floor](random);
  g.fillStyle = css(base);
  g.fillRect(0, 0, width, height);
  g.save();
  // Turned about the middle, on a square that covers the corners however it is turned.
  const reach = Math.hypot(width, height) / perMm;
  g.translate(width / 2, height / 2);
  g.rotate((random.next() - 0.5) * (floor === 'boards' ? 0.3 : 1.6));
  g.scale(perMm, perMm);
  g.translate(-reach / 2, -reach / 2);
  PAINT[floor](g, reach, base, random, art);
  g.restore();
  mottle(g, width, height, random);
  return canvas;
}

const light = (random: Random) => colour(random, [150, 245], 14);
const PAINT_BASE: Record<Floor, (random: Random) => Rgb> = {
  plain: (random) => colour(random, random.chance(0.75) ? [165, 246] : [40, 165], 22),
  plaster: light,
  boards: (random) => woody(random),
  carpet: (random) => colour(random, [70, 200], 30),
  terrazzo: light,
  tiles: (random) => colour(random, [90, 235], 30),
  checks: (random) => colour(random, [60, 240], 60),
  stripes: (random) => colour(random, [60, 240], 60),
  rug: (random) => colour(random, [60, 200], 70),
  mat: (random) =>
    random.one<Rgb>([
      [38, 92, 70],
      [46, 70, 112],
      [74, 76, 80],
      [128, 52, 62],
    ]),
  brick: (random) => colour(random, [110, 210], 30),
};

function woody(random: Random): Rgb {
  const k = 0.55 + random.next() * 0.6;
  return [Math.min(245, 196 * k), Math.min(235, 150 * k), Math.min(215, 104 * k)];
}

type Painter = (g: SKRSContext2D, reach: number, base: Rgb, random: Random, art: Art) => void;

const PAINT: Record<Floor, Painter> = {
  plain: () => undefined,
  plaster: (g, reach, base, random) => {
    for (let i = 0; i < 900; i += 1) {
      g.fillStyle = css(shifted(base, (random.next() - 0.5) * 26), 0.16);
      const size = 4 + random.next() * 70;
      g.beginPath();
      g.ellipse(random.next() * reach, random.next() * reach, size, size * 0.6, random.next() * 3, 0, 7);
      g.fill();
    }
  },
  boards: (g, reach, base, random) => {
    const wide = 55 + random.next() * 130;
    for (let x = -wide * random.next(); x < reach; x += wide) {
      let y = -random.next() * 900;
      while (y < reach) {
        const long = 500 + random.next() * 1_200;
        const tone = shifted(base, (random.next() - 0.5) * 44);
        g.fillStyle = css(tone);
        g.fillRect(x, y, wide, long);
        for (let grain = 0; grain < wide / 3; grain += 1) {
          g.strokeStyle = css(shifted(tone, -18 - random.next() * 26), 0.35);
          g.lineWidth = 0.4 + random.next() * 1.6;
          const at = x + random.next() * wide;
          const bend = (random.next() - 0.5) * 16;
          g.beginPath();
          g.moveTo(at, y);
          g.bezierCurveTo(at + bend, y + long / 3, at - bend, y + (2 * long) / 3, at + bend / 2, y + long);
          g.stroke();
        }
        g.strokeStyle = css(shifted(base, -90), 0.8);
        g.lineWidth = 1 + random.next() * 1.5;
        g.strokeRect(x, y, wide, long);
        y += long;
      }
    }
  },
  carpet: (g, reach, base, random, art) => photographed(g, reach, 'grass', 260, random, 0.35, art),
  terrazzo: (g, reach, base, random, art) => photographed(g, reach, 'gravel', 420, random, 0.28, art),
  brick: (g, reach, base, random, art) => photographed(g, reach, 'brick', 620, random, 0.7, art),
  tiles: (g, reach, base, random) => {
    const w = 120 + random.next() * 260;
    const h = random.chance(0.7) ? w : w * (0.5 + random.next());
    const joint = 2 + random.next() * 6;
    const grout = shifted(base, random.chance(0.5) ? -45 : 40);
    g.fillStyle = css(grout);
    g.fillRect(0, 0, reach, reach);
    for (let y = 0, row = 0; y < reach; y += h, row += 1)
      for (let x = row % 2 === 1 && w !== h ? -w / 2 : 0; x < reach; x += w) {
        g.fillStyle = css(shifted(base, (random.next() - 0.5) * 14));
        g.fillRect(x, y, w - joint, h - joint);
      }
  },
  checks: (g, reach, base, random) => {
    const side = 35 + random.next() * 150;
    const other = colour(random, [60, 240], 60);
    g.fillStyle = css(other);
    for (let y = 0, row = 0; y < reach; y += side, row += 1)
      for (let x = row % 2 === 0 ? 0 : side; x < reach; x += side * 2) g.fillRect(x, y, side, side);
  },
  stripes: (g, reach, base, random) => {
    const others = [colour(random, [60, 240], 60), colour(random, [60, 240], 60)];
    const wide = 14 + random.next() * 90;
    for (let x = 0; x < reach; x += wide * (1 + random.next())) {
      const stripe = wide * (0.3 + random.next() * 0.8);
      g.fillStyle = css(random.one(others));
      g.fillRect(x, 0, stripe, reach);
    }
  },
  rug: (g, reach, base, random) => {
    const colours = [0, 1, 2].map(() => colour(random, [40, 230], 80));
    const step = 60 + random.next() * 120;
    for (let y = 0; y < reach; y += step)
      for (let x = 0; x < reach; x += step) {
        g.save();
        g.translate(x + step / 2, y + step / 2);
        g.rotate(Math.PI / 4);
        colours.forEach((c, i) => {
          const side = step * (0.62 - i * 0.19);
          g.fillStyle = css(c);
          g.fillRect(-side / 2, -side / 2, side, side);
        });
        g.restore();
      }
    // The weave.
    for (let y = 0; y < reach; y += 3) {
      g.fillStyle = css([0, 0, 0], 0.04 + random.next() * 0.12);
      g.fillRect(0, y, reach, 1.4);
    }
  },
  mat: (g, reach, base, random) => {
    const ink = shifted(base, random.chance(0.7) ? 95 : 60);
    for (const [step, width] of [
      [10, 0.35],
      [50, 0.9],
    ] as const) {
      g.strokeStyle = css(ink, 0.8);
      g.lineWidth = width;
      for (let at = 0; at < reach; at += step) {
        g.beginPath();
        g.moveTo(at, 0);
        g.lineTo(at, reach);
        g.moveTo(0, at);
        g.lineTo(reach, at);
        g.stroke();
      }
    }
    g.fillStyle = css(ink);
    g.font = '9px sans-serif';
    for (let at = 0; at < reach; at += 50) g.fillText(String(Math.round(at / 10)), at + 2, reach / 2);
    // Set squares' lines.
    g.beginPath();
    g.moveTo(0, 0);
    g.lineTo(reach, reach);
    g.stroke();
  },
};

/** A photographed texture of so many millimetres, laid again and again, tinted by what lies under it. */
function photographed(
  g: SKRSContext2D,
  reach: number,
  name: 'grass' | 'gravel' | 'brick',
  size: number,
  random: Random,
  share: number,
  art: Art,
): void {
  const side = size * (0.7 + random.next() * 0.8);
  g.globalAlpha = share;
  g.globalCompositeOperation = random.chance(0.5) ? 'multiply' : 'overlay';
  for (let y = 0; y < reach; y += side)
    for (let x = 0; x < reach; x += side) g.drawImage(art.textures[name], x, y, side, side);
  g.globalAlpha = 1;
  g.globalCompositeOperation = 'source-over';
}

/** Dirt and wear: a few wide, faint spots. */
function mottle(g: SKRSContext2D, width: number, height: number, random: Random): void {
  for (let i = 0; i < 26; i += 1) {
    const dark = random.chance(0.5);
    g.fillStyle = dark ? 'rgba(0, 0, 0, 0.012)' : 'rgba(255, 255, 255, 0.014)';
    const size = (0.05 + random.next() * 0.25) * width;
    g.beginPath();
    g.ellipse(random.next() * width, random.next() * height, size, size * 0.7, random.next() * 3, 0, 7);
    g.fill();
  }
}
