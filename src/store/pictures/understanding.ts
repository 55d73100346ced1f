import type { KnownPlane, Picture, Point } from '@/contract/picture';
import type { Item } from '@/contract/records';
import { REFERENCE_SIZES } from '@/core/measure/plane';
import { whatItShows } from '@/core/picture/shows';
import { serialQueue } from '@/core/serialQueue';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

import { colourOfFront } from './colours';
import { readOriginal } from './pictures';
import { readingWorker } from './pictureWorker';
import { barcodeFound, saidBy, type Standing } from './reading';
import { readingsWith, type Found } from './readings';

/** One picture at a time: each is read by workers that are busy with it. */
export const inTurn = serialQueue();

export function pictureAndItem(id: string): [Picture | undefined, Item | undefined] {
  const { pictures, items } = useAttic.getState();
  return [pictures[id], items[pictures[id]?.itemId ?? '']];
}

export interface Understood {
  shows: string;
  found: Found[];
}

/** What a picture shows and says, for an item as it is now. */
export async function understood(item: Item, picture: Picture, code: Standing['code']): Promise<Understood> {
  const { read, exam } = picture;
  const said = read && read.page.length + read.line.length > 0 ? await saidBy(read, item) : [];
  const { pictures } = useAttic.getState();
  const isSaid = picture.showsBy === 'person' && picture.shows !== '';
  const shows = isSaid
    ? picture.shows
    : whatItShows({
        exam,
        code: code?.box ?? null,
        said,
        lines: [...(read?.page ?? []), ...(read?.line ?? [])],
        beside: picture.beside !== null,
        asked: picture.showsBy === 'list' ? picture.shows : '',
        others: item.pictureIds.flatMap((id) => (id === picture.id ? [] : (pictures[id]?.shows ?? []))),
      });
  const found: Found[] = [...(code ? [barcodeFound(code.digits, code.box)] : []), ...said];
  if (exam) {
    // What it said itself before is no reason not to say it again.
    const others = { ...item, readings: item.readings.filter((r) => r.pictureId !== picture.id) };
    found.push(...colourOfFront(others, { ...picture, shows }, await readingWorker().colours(exam)));
  }
  if (picture.beside) found.push(...(await lengthsIn(item, picture.id, picture.beside)));
  return { shows, found };
}

/** What may lie beside an item: paper as it is sold where the person lives, or a card. */
export async function besideIn(id: string, blob: Blob): Promise<KnownPlane | null> {
  const { units } = useAttic.getState().settings;
  const [paper, other] = units === 'imperial' ? (['letter', 'a4'] as const) : (['a4', 'letter'] as const);
  return readingWorker().beside({ key: id, blob }, [paper, 'card', other]);
}

/** How sure a length is that nobody laid a tape for, on the readers' scale. */
const LAID = 60;
/** How much of the picture is shown around a line, at least and on each side. */
const SHOWN = { least: 0.3, around: 0.06 };

/** The kind's lengths by what lies beside the item, each along a line laid by itself. */
async function lengthsIn(item: Item, id: string, plane: KnownPlane): Promise<Found[]> {
  const wanted = kindsNow()
    .measures(item.kind)
    .map(({ id: measure, line }) => ({ measure, line }));
  const blob = wanted.length > 0 ? await readOriginal(id) : null;
  if (!blob) return [];
  const lengths = await readingWorker().lengths({ key: id, blob }, plane, wanted);
  return lengths.map(({ measure, a, b, mm, plusMinus }): Found => ({
    field: `measure:${measure}`,
    value: String(Math.round(mm)),
    words: `beside ${REFERENCE_SIZES[plane.reference].name}`,
    box: boxAround(a, b),
    confidence: LAID,
    doubt: 'laid',
    laid: { a, b, plusMinus },
  }));
}

function boxAround(a: Point, b: Point): Found['box'] {
  const side = (p: number, q: number): [from: number, length: number] => {
    const length = Math.min(1, Math.max(SHOWN.least, Math.abs(p - q) + 2 * SHOWN.around));
    return [Math.max(0, Math.min(1 - length, (p + q - length) / 2)), length];
  };
  const [x, w] = side(a.x, b.x);
  const [y, h] = side(a.y, b.y);
  return [x, y, w, h];
}

/**
 * What was read in an item's pictures is understood anew when it turns out to be of another kind: other
 * measurements and questions are its own then.
 *
 * @returns stops it
 */
export function keepUnderstanding(): () => void {
  return useAttic.subscribe((now, before) => {
    if (now.items === before.items) return;
    for (const id in now.items) {
      const [item, was] = [now.items[id], before.items[id]];
      if (item && was && item !== was && item.kind !== was.kind)
        void inTurn(() => understandAnew(item.id)).catch(unlessExpected('understanding what was read'));
    }
  });
}

async function understandAnew(itemId: string): Promise<void> {
  const ids = useAttic.getState().items[itemId]?.pictureIds ?? [];
  for (const id of ids) {
    const [picture, item] = pictureAndItem(id);
    // One that was never looked at has nothing to be understood.
    if (!picture?.read || !item || picture.awaits) continue;
    const codes = item.readings.filter((r) => r.pictureId === id && r.field === 'fact:barcode');
    const { found } = await understood(item, picture, null);
    const now = useAttic.getState().items[itemId];
    if (!now) return;
    const readings = readingsWith(now, id, [...codes, ...found]);
    if (readings.length !== now.readings.length || readings.some((r, i) => r !== now.readings[i]))
      change('understood anew', [itemWith(now, { readings })], { ownUndo: true });
  }
}
