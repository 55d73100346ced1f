import { createCanvas, type Canvas } from '@napi-rs/canvas';

import type { Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { exposed, meteredStops, type Light } from './exposure';
import { css, EVEN, floorOf, PATTERNED, type Floor } from './floors';
import { handled, pixelsOf } from './lens';
import { TRUE_SHADES, type TrueShade } from './shadeNames';
import { threads } from './things';
import { Random } from '../sim/random';

/**
 * Things of one cloth drawn plainly; laid on floors in the light of a room; of two cloths; in light that
 * colours everything, or much too little or too much of it.
 */
export const COLOUR_CLASSES = ['drawn', 'composited', 'two', 'odd'] as const;
export type ColourClass = (typeof COLOUR_CLASSES)[number];

export interface ColourScene {
  seed: number;
  sort: ColourClass;
  floor: Floor;
  shades: readonly TrueShade[];
  picture: Pixels;
}

const SIZES = [
  [720, 720],
  [720, 540],
  [540, 720],
] as const;

export async function colourScene(art: Art, sort: ColourClass, seed: number): Promise<ColourScene> {
  const random = new Random(seed * 5_741 + COLOUR_CLASSES.indexOf(sort) * 389 + 17);
  const [width, height] = random.one(SIZES);
  const floor = sort === 'drawn' ? 'plain' : random.one<Floor>([...EVEN, ...EVEN, random.one(PATTERNED)]);
  const canvas = groundFor(sort, floor, { width, height }, art, random);
  const shades = shadesFor(sort, random);
  const thing = clothed(art, Math.min(width, height) * (0.6 + random.next() * 0.25), shades, random);
  const alone = createCanvas(width, height);
  const angle = (random.next() - 0.5) * 0.6;
  const place = (on: Canvas) => {
    const g = on.getContext('2d');
    g.save();
    g.translate(width / 2, height / 2);
    g.rotate(angle);
    g.drawImage(thing, -thing.width / 2, -thing.height / 2);
    g.restore();
  };
  const g = canvas.getContext('2d');
  if (sort !== 'drawn') {
    g.shadowColor = 'rgba(0, 0, 0, 0.35)';
    g.shadowBlur = 6 + random.next() * 14;
    g.shadowOffsetY = 2 + random.next() * 6;
  }
  place(canvas);
  g.shadowColor = 'transparent';
  place(alone);
  const { lit } = exposed(canvas, alone, lightFor(sort, canvas, random));
  const picture = await handled(
    lit,
    {
      blur: 0.5,
      noise: 1 + random.next() * 3,
      falloff: 0,
      away: 0,
      cast: [1, 1, 1],
      quality: 76 + random.next() * 18,
    },
    random,
  );
  return { seed, sort, floor, shades, picture };
}

/** The floor: what is drawn plainly lies on paper. */
function groundFor(
  sort: ColourClass,
  floor: Floor,
  size: { width: number; height: number },
  art: Art,
  random: Random,
): Canvas {
  if (sort !== 'drawn') return floorOf(floor, { ...size, perMm: 0.8 + random.next() * 0.9 }, art, random);
  const canvas = createCanvas(size.width, size.height);
  const g = canvas.getContext('2d');
  const paper = 214 + random.next() * 30;
  g.fillStyle = css([paper, paper, paper]);
  g.fillRect(0, 0, size.width, size.height);
  return canvas;
}

/** One, or two that nobody would call by one name. */
function shadesFor(sort: ColourClass, random: Random): TrueShade[] {
  const first = random.one(TRUE_SHADES);
  if (sort !== 'two') return [first];
  for (;;) {
    const second = random.one(TRUE_SHADES);
    const far = Math.hypot(...second.rgb.map((v, k) => v - first.rgb[k]!));
    if (far > 90 && !second.names.some((name) => first.names.includes(name))) return [first, second];
  }
}

/** A cut-out made of cloth: of two in stripes, in checks, or in two parts of 30 to 50 %. */
function clothed(art: Art, long: number, shades: readonly TrueShade[], random: Random): Canvas {
  const { image } = random.one(art.things);
  const k = long / Math.max(image.width, image.height);
  const canvas = createCanvas(Math.ceil(image.width * k), Math.ceil(image.height * k));
  const g = canvas.getContext('2d');
  const { width, height } = canvas;
  g.drawImage(image, 0, 0, width, height);
  const data = g.getImageData(0, 0, width, height);
  // Glass and drawn shadows: it belongs to the thing or it does not.
  for (let at = 3; at < data.data.length; at += 4) data.data[at] = data.data[at]! > 127 ? 255 : 0;
  g.putImageData(data, 0, 0);
  g.globalCompositeOperation = 'source-atop';
  const [first, second] = shades.map((shade) => css(shade.rgb));
  g.fillStyle = first ?? '';
  g.fillRect(0, 0, width, height);
  if (second) {
    g.fillStyle = second;
    const wide = 14 + random.next() * 40;
    const sort = random.one(['stripes', 'checks', 'parts'] as const);
    if (sort === 'parts') partFilled(canvas, 0.35 + random.next() * 0.15);
    else
      for (let i = 0; i * wide < height; i += 1)
        if (sort === 'stripes') {
          if (i % 2 === 0) g.fillRect(0, i * wide, width, wide);
        } else for (let j = i % 2; j * wide < width; j += 2) g.fillRect(j * wide, i * wide, wide, wide);
  }
  threads(canvas, random);
  return canvas;
}

/** Fills from the top as many rows as hold such a share of the thing. */
function partFilled(canvas: Canvas, share: number): void {
  const { width, height } = canvas;
  const { data } = pixelsOf(canvas);
  const rows = Array.from({ length: height }, (_, y) => {
    let n = 0;
    for (let x = 0; x < width; x += 1) if (data[(y * width + x) * 4 + 3]! > 127) n += 1;
    return n;
  });
  const all = rows.reduce((sum, n) => sum + n, 0);
  let [y, filled] = [0, 0];
  while (y < height && filled < all * share) filled += rows[y++]!;
  canvas.getContext('2d').fillRect(0, 0, width, y);
}

/** A camera's own metering and a slight cast; in odd light a lamp's colour, or two stops beside. */
function lightFor(sort: ColourClass, canvas: Canvas, random: Random): Light {
  if (sort === 'drawn') return { stops: 0, falloff: 0, away: 0, cast: [1, 1, 1] };
  const warm = (random.next() - 0.5) * 0.1;
  const light: Light = {
    stops: meteredStops(canvas) * (random.chance(0.7) ? 1 : 0),
    falloff: random.next() * 0.25,
    away: random.next() * 7,
    cast: [1 + warm, 1, 1 - warm],
  };
  if (sort !== 'odd') return light;
  const lamp = 0.22 + random.next() * 0.2;
  return random.chance(0.6)
    ? { ...light, cast: random.chance(0.7) ? [1 + lamp, 1, 1 - lamp] : [1 - lamp, 1, 1 + lamp] }
    : { ...light, stops: light.stops + (random.chance(0.6) ? -2.2 : 1.6) };
}
