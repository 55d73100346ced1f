import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { splitIntoItems, type Sketch } from '@/core/picture/split';
import { examine, EXAM_SIDE } from '@/core/pixels/examine';
import { greyOf, shrunk, type Mask, type Pixels } from '@/core/pixels/pixels';
import { LineReader } from '@/core/reading/lineReader/lineReader';
import { hasWords } from '@/core/reading/readText';
import { READ_WORDS } from '@/core/reading/sense';

import type { Art } from './art';
import { layOn } from './cut';
import { EVEN, floorOf, PATTERNED } from './floors';
import type { Letters } from './fonts';
import { labelScene } from './labels';
import { handled, handlingOf, pixelsOf } from './lens';
import { closeUp } from './showing';
import { thingOf } from './things';
import { atLeast, type Verdict } from './verdict';
import { Random } from '../sim/random';

/** Twenty pictures or so of some things, one after the other on one floor, and which are of one thing. */
interface Session {
  sketches: Sketch[];
  truth: string[][];
}

const known = new Set(READ_WORDS);
const SIZE = [1_000, 750] as const;

async function session(art: Art, seed: number, letters: Letters, lines: LineReader): Promise<Session> {
  const random = new Random(seed * 3_571 + 11);
  const [width, height] = SIZE;
  const floor = random.one(random.chance(0.75) ? EVEN : PATTERNED);
  const floorSeed = random.between(0, 1e6);
  const perMm = 1.1 + random.next() * 1.2;
  const withCards = random.chance(0.25);
  const sketches: Sketch[] = [];
  const truth: string[][] = [];
  let at = 1_700_000_000_000;
  const add = (picture: Pixels, own: string[]) => {
    const id = `p${sketches.length}`;
    own.push(id);
    const exam = examine(shrunk(picture, EXAM_SIDE));
    const words = hasWords(
      greyOf(picture),
      (strip) => lines.read(strip),
      (word) => known.has(word),
    );
    sketches.push({ id, at, exam, hasWords: words, isCode: false });
    at += (3 + random.next() ** 2 * 20) * 1_000;
  };
  const things = random.between(4, 6);
  for (let n = 0; n < things; n += 1) {
    const own: string[] = [];
    truth.push(own);
    const cloth = random.chance(0.6) ? ({ like: [20, 245], chroma: 80 } as const) : null;
    const { canvas: thing } = thingOf(art, height * (0.6 + random.next() * 0.25), cloth, random);
    const shot = async (turned: boolean) => {
      const canvas = floorOf(floor, { width, height, perMm }, art, new Random(floorSeed));
      const side = turned ? mirrored(thing) : thing;
      const place = layOn(canvas, side, random);
      const alone = createCanvas(width, height);
      place(alone);
      const alpha = pixelsOf(alone).data;
      const mask: Mask = { width, height, data: new Uint8Array(width * height) };
      for (let p = 0; p < mask.data.length; p += 1) mask.data[p] = alpha[p * 4 + 3]!;
      return { picture: await handled(canvas, handlingOf(random), random), mask };
    };
    const front = await shot(false);
    add(front.picture, own);
    if (random.chance(0.7)) add((await shot(true)).picture, own);
    for (let close = random.between(0, 2); close > 0; close -= 1) {
      const part = closeUp(front.picture, front.mask, random);
      if (part) add(part, own);
    }
    if (random.chance(0.5)) add((await labelScene(art, 'label', seed * 10 + n, letters)).picture, own);
    // Put away, and the next one laid down.
    at += (15 + random.next() * 60) * 1_000;
    if (withCards) add(card(random), []);
  }
  return { sketches, truth };
}

function mirrored(thing: Canvas): Canvas {
  const canvas = createCanvas(thing.width, thing.height);
  const g = canvas.getContext('2d');
  g.translate(thing.width, 0);
  g.scale(-1, 1);
  g.drawImage(thing, 0, 0);
  return canvas;
}

/** A plain card that fills the frame. */
function card(random: Random): Pixels {
  const [width, height] = SIZE;
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  const light = 150 + random.next() * 90;
  for (let p = 0; p < width * height; p += 1)
    for (let k = 0; k < 3; k += 1)
      data[p * 4 + k] = light + (random.next() - 0.5) * 5 - (p / width / height) * 14;
  return { width, height, data };
}

/** Of things, how many are proposed whole and alone, with and without the times of their pictures. */
export async function splittingFigures(
  art: Art,
  asked: { from: number; sessions: number; letters: Letters },
): Promise<Verdict[]> {
  const lines = new LineReader(readFileSync(join(__dirname, '../assets/lineReader.bin')));
  const right = { timed: 0, untimed: 0 };
  let all = 0;
  for (let seed = asked.from; seed < asked.from + asked.sessions; seed += 1) {
    const { sketches, truth } = await session(art, seed, asked.letters, lines);
    all += truth.length;
    const wholeOf = (pictures: readonly Sketch[]) => {
      const said = new Set(splitIntoItems(pictures).items.map((ids) => ids.join()));
      return truth.filter((ids) => said.has(ids.join())).length;
    };
    right.timed += wholeOf(sketches);
    right.untimed += wholeOf(sketches.map((one) => ({ ...one, at: null })));
  }
  return [
    atLeast('splitting.timed', right.timed / all, 0.9),
    atLeast('splitting.untimed', right.untimed / all, 0.75),
  ];
}
