import { COLOURS } from '@/core/kinds/facts';
import { BUILT_IN } from '@/core/kinds/tree';
import { whatItShows, type Evidence } from '@/core/picture/shows';
import { examine, EXAM_SIDE } from '@/core/pixels/examine';
import { shrunk, type Mask, type Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { CUT_CLASSES, cutScene } from './cut';
import type { Letters } from './fonts';
import { labelScene } from './labels';
import { saidBy, startReaders } from './readers';
import { atLeast, type Verdict } from './verdict';
import { Random } from '../sim/random';

/** What is shown, and what it is taken for. */
interface Shown {
  shows: 'front' | 'detail' | 'label' | 'board';
  seed: number;
  as: string;
  evidence: Evidence;
  floor: string;
}

/** Pictures of all of a thing, of a part of it, of labels and of boards: what each is taken for. */
async function showings(
  art: Art,
  asked: { from: number; each: number; letters: Letters },
  tell: (one: Shown) => void,
): Promise<void> {
  const readers = await startReaders();
  const reader = {
    measures: [],
    measureSets: BUILT_IN.measureSets,
    units: 'metric',
    colours: COLOURS,
  } as const;
  const look = async (shows: Shown['shows'], seed: number, picture: Pixels, floor: string) => {
    const exam = examine(shrunk(picture, EXAM_SIDE));
    const { page, line } = await readers.read(picture);
    const said = saidBy({ page, line }, reader);
    const lines = [...page, ...line];
    const evidence = { exam, code: null, said, lines, beside: false, asked: '', others: [] };
    tell({ shows, seed, as: whatItShows(evidence), evidence, floor });
  };
  for (let seed = asked.from; seed < asked.from + asked.each; seed += 1) {
    // By turns of each sort of floor.
    const scene = await cutScene(art, CUT_CLASSES[seed % CUT_CLASSES.length] ?? 'plain', seed);
    await look('front', seed, scene.picture, scene.floor);
    const part = closeUp(scene.picture, scene.truth, new Random(seed * 97 + 5));
    if (part) await look('detail', seed, part, scene.floor);
    for (const sort of ['label', 'board'] as const)
      await look(sort, seed, (await labelScene(art, sort, seed, asked.letters)).picture, '');
  }
  await readers.stop();
}

/** A part of a thing so near that it fills the frame, or all but a corner; null where the thing has none. */
export function closeUp({ width, height, data }: Pixels, truth: Mask, random: Random): Pixels | null {
  for (let tries = 0; tries < 200; tries += 1) {
    const side = Math.round(Math.min(width, height) * (0.2 + random.next() * 0.2));
    const [x, y] = [random.between(0, width - side), random.between(0, height - side)];
    let thing = 0;
    for (let j = 0; j < side; j += 4)
      for (let i = 0; i < side; i += 4) if (truth.data[(y + j) * width + x + i]! > 127) thing += 16;
    if (thing < side * side * 0.86) continue;
    // As large as a camera would have taken it; no sharper than it is.
    const scale = 3;
    const part = new Uint8ClampedArray((side * scale) ** 2 * 4);
    for (let j = 0; j < side * scale; j += 1)
      for (let i = 0; i < side * scale; i += 1) {
        const from = ((y + Math.floor(j / scale)) * width + x + Math.floor(i / scale)) * 4;
        part.set(data.subarray(from, from + 4), (j * side * scale + i) * 4);
      }
    return { width: side * scale, height: side * scale, data: part };
  }
  return null;
}

/** How often what a picture shows is told right, and how often one of a thing is taken for one of words. */
export async function showingFigures(
  art: Art,
  asked: { from: number; each: number; letters: Letters },
): Promise<Verdict[]> {
  const all: Shown[] = [];
  await showings(art, asked, (one) => all.push(one));
  const share = (shows: Shown['shows']) => {
    const of = all.filter((one) => one.shows === shows);
    return of.filter((one) => one.as === shows).length / Math.max(1, of.length);
  };
  return [
    atLeast('showing.front', share('front'), 0.9),
    atLeast('showing.detail', share('detail'), 0.85),
    atLeast('showing.label', share('label'), 0.9),
    atLeast('showing.board', share('board'), 0.9),
  ];
}
