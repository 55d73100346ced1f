import { coloursSeen } from '@/core/colour/seen';
import { findSheet } from '@/core/measure/sheet/findSheet';
import { examine, EXAM_SIDE } from '@/core/pixels/examine';
import { segment } from '@/core/pixels/mask';
import { greyOf, shrunk, type Pixels } from '@/core/pixels/pixels';
import { textBlocks } from '@/core/pixels/written/textBlocks';

import { median, tell } from './figure';
import { timed } from './watch';
import { loadArt } from '../truth/art';
import { cutScene } from '../truth/cut';
import { FONTS, loadFonts } from '../truth/fonts';
import { labelScene } from '../truth/labels';
import { measuredScene } from '../truth/measured';

/** Pictures of each sort that are looked at. */
const EACH = 5;

/** What the workers do with a picture, each alone and warm; on pictures of `truth/`, tuning seeds. */
export async function benchEyes(): Promise<void> {
  const art = await loadArt();
  loadFonts();
  const of = async (make: (seed: number) => Promise<Pixels>) => {
    const all: Pixels[] = [];
    for (let seed = 0; seed < EACH; seed += 1) all.push(await make(seed));
    return all;
  };
  const things = await of(async (seed) => (await cutScene(art, 'plain', seed)).picture);
  const rugs = await of(async (seed) => (await cutScene(art, 'patterned', seed)).picture);
  const sheets = await of(async (seed) => (await measuredScene(art, seed)).picture);
  const labels = await of(async (seed) => (await labelScene(art, 'label', seed, FONTS.tuning)).picture);
  await benched('mask.of1000', [...things, ...rugs], (picture) => segment(shrunk(picture, 1_000)), 400);
  await benched('examined', things, (picture) => examine(shrunk(picture, EXAM_SIDE)));
  const exams = things.map(examine);
  await benched('colourNamed', exams, coloursSeen);
  await benched('sheetFound', sheets, (picture) => findSheet(picture, 'a4'));
  await benched('textFound', labels, (picture) => textBlocks(greyOf(picture)));
}

/** The middle time of several pictures, the first of them seen twice: once to be warm. */
async function benched<T>(
  name: string,
  all: readonly T[],
  look: (one: T) => unknown,
  goal?: number,
): Promise<void> {
  const [first] = all;
  if (first !== undefined) look(first);
  const times: number[] = [];
  for (const one of all) times.push(await timed(() => Promise.resolve(look(one))));
  tell({ name, value: median(times), unit: 'ms', ...(goal === undefined ? {} : { goal }) });
}
