import { createCanvas, type Canvas } from '@napi-rs/canvas';

import type { Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { exposed, meteredStops } from './exposure';
import { floorOf, PATTERNED, type Floor } from './floors';
import type { Letters } from './fonts';
import { handled, type Handling } from './lens';
import { thingOf, type Cloth, type Thing } from './things';
import { writeBeside, WRITINGS } from './writing';
import { Random } from '../sim/random';

/** What a picture can be said to have. */
export const ASPECTS = [
  'sharpness',
  'dark',
  'tooBright',
  'cutOff',
  'fill',
  'background',
  'writing',
  'duplicate',
] as const;
export type Aspect = (typeof ASPECTS)[number];

/** Of each aspect whether it is so; where it is neither clearly so nor clearly not, it is left out. */
export type JudgedTruth = { [A in Aspect]?: boolean | undefined };

export interface JudgedCase {
  name: string;
  picture: Pixels;
  truth: JudgedTruth;
  /** The picture it is held against: a duplicate of it, or not. */
  beside?: Pixels;
}

/** No larger than the cut-outs are: enlarged they would not be sharp. */
const SIZES = [
  [720, 720],
  [720, 540],
  [540, 720],
] as const;

/** A floor and a thing, before they are photographed. */
interface Set {
  seed: number;
  size: readonly [number, number];
  floor: Floor;
  ground: Canvas;
  thing: Thing;
  /** Its longer side as it was made; how much it is enlarged to fill the picture as wanted. */
  long: number;
  fit: number;
  angle: number;
  thick: number;
  isMetered: boolean;
}

/** How a set is photographed: where the thing lies, shares of the picture; how large; how light, in stops. */
interface Take {
  at: readonly [number, number];
  scale: number;
  turn: number;
  stops: number;
  /** σ in pixels of the picture. */
  blur: number;
  over?: (canvas: Canvas, random: Random) => void;
  /** What part of the picture is kept, shares: left, top, width, height. */
  crop?: readonly [number, number, number, number];
}

const STRAIGHT: Take = { at: [0.5, 0.5], scale: 1, turn: 0, stops: 0, blur: 0.45 };

/** All cases of one floor and thing. */
export async function judgedCases(art: Art, seed: number, letters: Letters): Promise<JudgedCase[]> {
  const random = new Random(seed * 7_919 + 31);
  const set = setOf(art, seed, random);
  const cases: JudgedCase[] = [];
  const add = async (name: string, take: Partial<Take>, truth: JudgedTruth) => {
    const shot = await photograph(set, { ...STRAIGHT, ...take }, new Random(seed * 131 + cases.length));
    cases.push({ name, picture: shot.picture, truth: { ...shot.truth, ...truth } });
    return shot.picture;
  };
  const isUneven = set.floor === 'boards' || PATTERNED.some((floor) => floor === set.floor);
  const isEven = set.floor === 'plain' || set.floor === 'plaster';
  const fine: JudgedTruth = {
    sharpness: false,
    dark: false,
    cutOff: false,
    fill: false,
    writing: false,
    ...(isUneven ? { background: true } : isEven ? { background: false } : {}),
  };
  const good = await add('good', { at: [0.49 + random.next() * 0.02, 0.5] }, fine);
  // What a floor's pattern is can't be asked of a picture that does not show it.
  const hidden: JudgedTruth = { ...fine, background: undefined };
  await add('blurred', { blur: 1.7 + random.next() * 2.5 }, { ...hidden, sharpness: true });
  await add('dark', { stops: -1.6 - random.next() * 1.2 }, { ...hidden, dark: true, tooBright: false });
  await add('too bright', { stops: 1 + random.next() * 1.3 }, fine);
  const side = random.between(0, 3);
  // A tenth to a quarter of it lies beyond the side.
  const beyond = 0.1 + random.next() * 0.15;
  await add('cut off', { at: pushedOut(set, side, beyond) }, { ...fine, cutOff: true });
  const scale = (0.2 + random.next() * 0.22) / (set.fit * reachOf(set));
  await add(
    'small',
    { scale, at: [0.4 + random.next() * 0.2, 0.42 + random.next() * 0.16] },
    { ...fine, fill: true },
  );
  const sort = WRITINGS[seed % WRITINGS.length] ?? 'address';
  const over = (canvas: Canvas, own: Random) => writeBeside(canvas, sort, letters, own);
  await add(`written: ${sort}`, { over }, { ...fine, writing: true });
  cases.push(...(await besides(art, set, good, random)));
  return cases;
}

/** The same once more in other ways, and other things in the same place. */
async function besides(art: Art, set: Set, good: Pixels, random: Random): Promise<JudgedCase[]> {
  const cut = 0.03 + random.next() * 0.03;
  const crop = [cut * random.next(), cut * random.next(), 1 - cut, 1 - cut] as const;
  const near = () => (random.next() - 0.5) * 0.07;
  const again: [string, Partial<Take>, boolean, Set][] = [
    ['cropped', { crop }, true, set],
    ['exposed otherwise', { stops: (random.chance(0.5) ? 1 : -1) * (0.3 + random.next() * 0.5) }, true, set],
    [
      'a second shot',
      {
        at: [0.5 + near(), 0.5 + near()],
        scale: 1 + near(),
        turn: (random.next() - 0.5) * 0.14,
        stops: near() * 5,
      },
      true,
      set,
    ],
    ['another thing', {}, false, { ...set, thing: anotherOf(art, set, random) }],
    ['of another colour', {}, false, { ...set, thing: recoloured(set.thing, random) }],
  ];
  const cases: JudgedCase[] = [];
  for (const [name, take, isTwin, of] of again) {
    const { picture } = await photograph(
      of,
      { ...STRAIGHT, ...take },
      new Random(set.seed * 17 + cases.length),
    );
    cases.push({ name, picture, truth: { duplicate: isTwin }, beside: good });
  }
  return cases;
}

function setOf(art: Art, seed: number, random: Random): Set {
  const size = random.one(SIZES);
  const [width, height] = size;
  const floor = random.one<Floor>([
    'plain',
    'plain',
    'plaster',
    'plaster',
    'carpet',
    'terrazzo',
    'boards',
    ...(random.chance(0.7) ? [random.one(PATTERNED)] : []),
  ]);
  // Larger than the picture, so that it can be moved about on.
  const ground = floorOf(floor, { width, height, perMm: 0.8 + random.next() * 0.9 }, art, random);
  const long = Math.min(width, height) * 0.8;
  const thing = thingOf(art, long, clothOf(random), random);
  const angle = (random.next() - 0.5) * 0.5;
  return {
    seed,
    size,
    floor,
    ground,
    thing,
    long,
    angle,
    fit: (0.64 + random.next() * 0.2) / reachOf({ thing, angle, size }),
    thick: 3 + random.next() * 13,
    isMetered: random.chance(0.75),
  };
}

const clothOf = (random: Random): Cloth => (random.chance(0.55) ? { like: [20, 240], chroma: 80 } : null);

function anotherOf(art: Art, set: Set, random: Random): Thing {
  for (;;) {
    const other = thingOf(art, set.long, clothOf(random), random);
    if (other.name.split(' ')[0] !== set.thing.name.split(' ')[0]) return other;
  }
}

/** The same cut in another colour: its hue turned, or much lighter or darker where it has none. */
function recoloured({ name, canvas }: Thing, random: Random): Thing {
  const other = createCanvas(canvas.width, canvas.height);
  const g = other.getContext('2d');
  g.filter = `hue-rotate(${Math.round(90 + random.next() * 180)}deg)`;
  g.drawImage(canvas, 0, 0);
  g.filter = 'none';
  g.globalCompositeOperation = 'source-atop';
  const [r, gr, b] = random.one([
    [190, 40, 50],
    [30, 70, 150],
    [30, 120, 60],
    [225, 190, 60],
    [240, 238, 232],
    [30, 30, 34],
  ] as const);
  g.fillStyle = `rgba(${r}, ${gr}, ${b}, 0.55)`;
  g.fillRect(0, 0, other.width, other.height);
  return { name: `${name}, other colour`, canvas: other };
}

/** Half of the turned thing's width and height, shares of the picture. */
function halfOf({ thing, angle, size }: Pick<Set, 'thing' | 'angle' | 'size'>): [number, number] {
  const [c, s] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  const { width, height } = thing.canvas;
  return [(width * c + height * s) / 2 / size[0], (width * s + height * c) / 2 / size[1]];
}

/** The larger of the thing's shares of the picture's width and height. */
function reachOf(set: Pick<Set, 'thing' | 'angle' | 'size'>): number {
  return 2 * Math.max(...halfOf(set));
}

/** Where it lies when so much of it is beyond that side of the picture. */
function pushedOut(set: Set, side: number, beyond: number): [number, number] {
  const out = halfOf(set).map((half) => half * set.fit * (1 - 2 * beyond));
  const [x = 0, y = 0] = out;
  if (side === 0) return [x, 0.5];
  if (side === 1) return [1 - x, 0.5];
  return side === 2 ? [0.5, y] : [0.5, 1 - y];
}

async function photograph(
  set: Set,
  take: Take,
  random: Random,
): Promise<{ picture: Pixels; truth: JudgedTruth }> {
  const [width, height] = set.size;
  const canvas = createCanvas(width, height);
  const g = canvas.getContext('2d');
  g.drawImage(set.ground, 0, 0);
  const place = (on: Canvas) => {
    const q = on.getContext('2d');
    q.save();
    q.translate(take.at[0] * width, take.at[1] * height);
    q.rotate(set.angle + take.turn);
    q.scale(set.fit * take.scale, set.fit * take.scale);
    q.drawImage(set.thing.canvas, -set.thing.canvas.width / 2, -set.thing.canvas.height / 2);
    q.restore();
  };
  g.shadowColor = 'rgba(0, 0, 0, 0.4)';
  g.shadowBlur = set.thick * 1.4;
  g.shadowOffsetY = set.thick * 0.6;
  place(canvas);
  g.shadowColor = 'transparent';
  const alone = createCanvas(width, height);
  place(alone);
  const warm = (random.next() - 0.5) * 0.2;
  const { lit, over } = exposed(canvas, alone, {
    stops: take.stops + (set.isMetered ? meteredStops(canvas) : 0),
    falloff: random.next() * 0.3,
    away: random.next() * 7,
    cast: [1 + warm, 1, 1 - warm],
  });
  let shown = lit;
  const how: Handling = {
    blur: take.blur,
    noise: 1 + random.next() * 3.5,
    falloff: 0,
    away: 0,
    cast: [1, 1, 1],
    quality: 70 + random.next() * 24,
  };
  if (take.crop) shown = cropped(shown, take.crop);
  if (take.over) take.over(shown, random);
  const picture = await handled(shown, how, random);
  return { picture, truth: over > 0.2 ? { tooBright: true } : over < 0.03 ? { tooBright: false } : {} };
}

function cropped(canvas: Canvas, [left, top, w, h]: readonly [number, number, number, number]): Canvas {
  const { width, height } = canvas;
  const part = createCanvas(Math.round(width * w), Math.round(height * h));
  part.getContext('2d').drawImage(canvas, -Math.round(left * width), -Math.round(top * height));
  return part;
}
