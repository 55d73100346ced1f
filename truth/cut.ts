import { createCanvas, type Canvas } from '@napi-rs/canvas';

import type { Mask, Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { floorOf, PATTERNED, type Floor } from './floors';
import { handled, handlingOf, pixelsOf } from './lens';
import { thingOf, type Cloth } from './things';
import { Random } from '../sim/random';

/** How hard a thing is to be told from what it lies on. */
export const CUT_CLASSES = ['plain', 'boards', 'hard', 'patterned'] as const;
export type CutClass = (typeof CUT_CLASSES)[number];

/** A thing on a floor, seen from above, and which pixels are its own. */
export interface CutScene {
  seed: number;
  sort: CutClass;
  floor: Floor;
  thing: string;
  picture: Pixels;
  truth: Mask;
}

const SIZES = [
  [1_000, 1_000],
  [1_000, 750],
  [750, 1_000],
] as const;

export async function cutScene(art: Art, sort: CutClass, seed: number): Promise<CutScene> {
  const random = new Random(seed * 6_151 + CUT_CLASSES.indexOf(sort) * 977 + 5);
  const [width, height] = random.one(SIZES);
  const isDark = random.chance(0.5);
  const floor = floorFor(sort, isDark, random);
  // So many pixels to a millimetre as with a thing of half a metre.
  const perMm = 1.1 + random.next() * 1.2;
  const canvas =
    sort === 'hard' ? createCanvas(width, height) : floorOf(floor, { width, height, perMm }, art, random);
  const g = canvas.getContext('2d');
  if (sort === 'hard') {
    // Cream, or charcoal; the thing white, or black.
    const cream = isDark ? [52, 50, 50] : [232, 224, 206];
    const by = (random.next() - 0.5) * 12;
    g.fillStyle = `rgb(${cream.map((v) => Math.round(v + by)).join(', ')})`;
    g.fillRect(0, 0, width, height);
  }
  const { name, canvas: thing } = thingOf(
    art,
    Math.min(width, height) * (0.6 + random.next() * 0.28),
    clothFor(sort, isDark, random),
    random,
  );
  const place = layOn(canvas, thing, random);
  const alone = createCanvas(width, height);
  place(alone);
  const alpha = pixelsOf(alone).data;
  const data = new Uint8Array(width * height);
  for (let p = 0; p < data.length; p += 1) data[p] = alpha[p * 4 + 3]!;
  const picture = await handled(canvas, handlingOf(random), random);
  return { seed, sort, floor, thing: name, picture, truth: { width, height, data } };
}

/** Lays a thing about the middle of a floor, turned a little, with its shadow. @returns draws it alone */
export function layOn(canvas: Canvas, thing: Canvas, random: Random): (on: Canvas) => void {
  const { width, height } = canvas;
  const g = canvas.getContext('2d');
  const angle = (random.next() - 0.5) * 0.7;
  const [x, y] = [width * (0.47 + random.next() * 0.06), height * (0.47 + random.next() * 0.06)];
  const place = (on: Canvas) => {
    const q = on.getContext('2d');
    q.save();
    q.translate(x, y);
    q.rotate(angle);
    q.drawImage(thing, -thing.width / 2, -thing.height / 2);
    q.restore();
  };
  const thick = 4 + random.next() * 22;
  g.shadowColor = `rgba(0, 0, 0, ${0.2 + random.next() * 0.3})`;
  g.shadowBlur = thick * 1.4;
  g.shadowOffsetX = (random.next() - 0.5) * thick;
  g.shadowOffsetY = thick * 0.6;
  place(canvas);
  g.shadowColor = 'transparent';
  return place;
}

function floorFor(sort: CutClass, isDark: boolean, random: Random): Floor {
  if (sort === 'boards') return 'boards';
  if (sort === 'patterned') return random.one(PATTERNED);
  return random.one<Floor>(isDark ? ['plain', 'carpet'] : ['plain', 'plaster', 'terrazzo']);
}

/** As it was drawn, or of a cloth; on cream a white one, on charcoal a black one. */
function clothFor(sort: CutClass, isDark: boolean, random: Random): Cloth {
  if (sort === 'hard') return isDark ? { like: [22, 34], chroma: 8 } : { like: [246, 254], chroma: 4 };
  return random.chance(0.55) ? { like: [20, 245], chroma: 80 } : null;
}
