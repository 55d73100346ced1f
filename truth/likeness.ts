import type { Canvas } from '@napi-rs/canvas';
import { join } from 'node:path';

import { BUILT_IN } from '@/core/kinds/tree';
import { kindsFound } from '@/core/likeness/finds';

import type { Art } from './art';
import { drawings } from './desk/designs';
import { soughtFor, strange } from './desk/scenes';
import { atLeast, type Verdict } from './verdict';
import { findsOf } from '../server/lookup/likenessDesk';
import { openShelves, read, type Shelves } from '../server/standins/twinpane/shelves';

const HOLDINGS = join(__dirname, '../assets/twinpane.bin');
/** Any day will do. */
const NOW = 1_800_000_000_000;
/** As a page sends it. */
const QUALITY = 80;

/**
 * How often what looks like a picture is of the right kind, and how often nothing is where nothing is.
 *
 * @param asked of `every` so many drawings `each` so many pictures
 */
export async function likenessFigures(
  art: Art,
  asked: { from: number; every: number; each: number; strangers: number },
): Promise<Verdict[]> {
  const shelves = openShelves(HOLDINGS);
  let [first, five, all, nothing] = [0, 0, 0, 0];
  for (const drawing of drawings().filter(({ no }) => no % asked.every === 0))
    for (let k = 0; k < asked.each; k += 1) {
      const { picture } = await soughtFor(drawing, art, asked.from + drawing.no * 101 + k);
      const kinds = kindsIn(shelves, picture);
      all += 1;
      if (kinds[0] === drawing.kind) first += 1;
      if (kinds.slice(0, 5).includes(drawing.kind)) five += 1;
    }
  for (let k = 0; k < asked.strangers; k += 1) {
    const { picture } = await strange(art, asked.from + k, asked.from + k);
    if (kindsIn(shelves, picture).length === 0) nothing += 1;
  }
  return [
    atLeast('likeness.first', first / all, 0.85),
    atLeast('likeness.five', five / all, 0.95),
    atLeast('likeness.nothing', nothing / asked.strangers, 0.9),
  ];
}

/** What the desk's answer comes to in the attic. */
function kindsIn(shelves: Shelves, picture: Canvas): string[] {
  const sent = read(picture.toBuffer('image/jpeg', QUALITY));
  if (typeof sent === 'string') throw new Error(sent);
  return kindsFound(findsOf({ alike: shelves.like(sent, NOW) }), BUILT_IN).map(({ kind }) => kind);
}
