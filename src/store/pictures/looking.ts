import { create } from 'zustand';

import { MOST_READ, type KnownPlane, type Picture, type Point, type ReadLine } from '@/contract/picture';
import type { Item } from '@/contract/records';
import { REFERENCE_SIZES } from '@/core/measure/plane';
import { whatItShows } from '@/core/picture/shows';
import { serialQueue } from '@/core/serialQueue';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

import { colourOfFront } from './colours';
import { readOriginal } from './pictures';
import { pictureWorker } from './pictureWorker';
import { barcodeFound, saidBy, standingIn, type Standing } from './reading';
import { readingsWith, tellBarcodes, type Found } from './readings';

/** Why pictures can't be looked at just now. Which are still to go, they say themselves. */
export const useLooking = create<{ trouble: string | null }>(() => ({ trouble: null }));

/** One picture at a time: each is read by workers that are busy with it. */
const inTurn = serialQueue();

/** How long a picture that can't be looked at rests before it is tried again, milliseconds. */
const REST = [2_000, 8_000, 20_000, 60_000] as const;
const TRIES = REST.length + 1;

/**
 * Looks at a picture: what it shows, and what stands in it. What was found waits at its item for a person
 * to confirm.
 *
 * @returns how many readings are new
 */
export function lookAt(id: string): Promise<number> {
  return inTurn(async () => (await look(id, false)) ?? 0);
}

/** Pictures of an item that wait are left as they are; each can still be read by hand. */
export function stopLooking(item: Item): void {
  const { pictures } = useAttic.getState();
  const waiting = item.pictureIds.flatMap((id) => pictures[id] ?? []).filter((p) => p.awaits);
  change(
    'pictures not looked at',
    waiting.map((p) => ({ collection: 'pictures', id: p.id, record: { ...p, awaits: false } })),
    { ownUndo: true },
  );
}

/**
 * Looks at pictures that wait for it, the oldest first, for as long as there are any.
 *
 * @returns stops it
 */
export function keepLooking(): () => void {
  const tries = new Map<string, number>();
  const resting = new Map<string, ReturnType<typeof setTimeout> | undefined>();
  let [busy, stopped] = [false, false];
  const lookAll = async () => {
    for (let id = nextWaiting(resting); id !== null && !stopped; id = nextWaiting(resting)) {
      const one = id;
      try {
        const found = await inTurn(() => look(one, true));
        useLooking.setState({ trouble: null });
        if (found === null) rest(one);
      } catch (error) {
        useLooking.setState({ trouble: wordsFor(error, 'looking at a picture') });
        rest(one);
      }
    }
  };
  /** What it lacks may be there later; given up, it waits for the next time the attic is opened. */
  const rest = (id: string) => {
    const times = (tries.get(id) ?? 0) + 1;
    tries.set(id, times);
    const again = () => {
      resting.delete(id);
      start();
    };
    resting.set(id, times < TRIES ? setTimeout(again, REST[times - 1]) : undefined);
  };
  const start = () => {
    if (busy || stopped) return;
    busy = true;
    void lookAll()
      .finally(() => {
        busy = false;
        // One may have come while the last was being put away.
        if (nextWaiting(resting) !== null) start();
      })
      .catch(unlessExpected('looking at pictures'));
  };
  const unsubscribe = useAttic.subscribe((now, before) => {
    if (now.pictures !== before.pictures) start();
  });
  start();
  return () => {
    stopped = true;
    unsubscribe();
    for (const timer of resting.values()) clearTimeout(timer);
  };
}

/** The one that came first of those that wait and do not rest. */
function nextWaiting(resting: ReadonlyMap<string, unknown>): string | null {
  const { pictures } = useAttic.getState();
  let first: Picture | null = null;
  for (const id in pictures) {
    const one = pictures[id];
    if (one?.awaits && !resting.has(id) && (!first || one.addedAt < first.addedAt)) first = one;
  }
  return first?.id ?? null;
}

/**
 * @param asIs a picture that does not wait any more is left as it is
 * @returns how many readings are new; null where its bytes are not here: another page may still store them
 */
async function look(id: string, asIs: boolean): Promise<number | null> {
  const [picture, item] = pictureAndItem(id);
  if (!item || !picture || picture.made || picture.clip) {
    if (picture?.awaits) noLongerWaiting(picture);
    return 0;
  }
  const blob = await readOriginal(id);
  if (!blob) return null;
  const { code, read } = await standingIn(blob, item).then(bounded);
  const beside = picture.exam?.sheet ? await besideIn(id, blob) : null;
  let about = item;
  let found = await understood(about, { ...picture, read, beside }, code);
  // It may have turned out to be another meanwhile.
  for (;;) {
    const [now, owner] = pictureAndItem(id);
    if (!now || !owner || (asIs && !now.awaits)) return 0;
    if (owner.kind === about.kind) return settle(owner, { ...now, read, beside }, found);
    about = owner;
    found = await understood(about, { ...now, read, beside }, code);
  }
}

/** No more than a record takes: a wall of marks may be read as very many lines. */
function bounded({ code, read }: Standing): Standing {
  const few = (lines: readonly ReadLine[]) =>
    lines.slice(0, MOST_READ.lines).map((line) => ({ ...line, text: line.text.slice(0, MOST_READ.letters) }));
  return { code, read: { page: few(read.page), line: few(read.line) } };
}

function pictureAndItem(id: string): [Picture | undefined, Item | undefined] {
  const { pictures, items } = useAttic.getState();
  return [pictures[id], items[pictures[id]?.itemId ?? '']];
}

function noLongerWaiting(picture: Picture): void {
  const put = { collection: 'pictures', id: picture.id, record: { ...picture, awaits: false } } as const;
  change('nothing to look at', [put], { ownUndo: true });
}

interface Understood {
  shows: string;
  found: Found[];
}

/** What a picture shows and says, for an item as it is now. */
async function understood(item: Item, picture: Picture, code: Standing['code']): Promise<Understood> {
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
    found.push(...colourOfFront(others, { ...picture, shows }, await pictureWorker().colours(exam)));
  }
  if (picture.beside) found.push(...(await lengthsIn(item, picture.id, picture.beside)));
  return { shows, found };
}

/** What may lie beside an item: paper as it is sold where the person lives, or a card. */
async function besideIn(id: string, blob: Blob): Promise<KnownPlane | null> {
  const { units } = useAttic.getState().settings;
  const [paper, other] = units === 'imperial' ? (['letter', 'a4'] as const) : (['a4', 'letter'] as const);
  return pictureWorker().beside({ key: id, blob }, [paper, 'card', other]);
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
  const lengths = await pictureWorker().lengths({ key: id, blob }, plane, wanted);
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

/** @returns how many readings are new */
function settle(item: Item, picture: Picture, { shows, found }: Understood): number {
  const readings = readingsWith(item, picture.id, found);
  const fresh = readings.filter((r) => !item.readings.includes(r));
  const isNew = shows !== picture.shows;
  const record = { ...picture, awaits: false, shows, ...(isNew ? { showsBy: 'sight' as const } : {}) };
  change(
    'looked at by itself',
    [{ collection: 'pictures', id: picture.id, record }, itemWith(item, { readings })],
    { ownUndo: true },
  );
  tellBarcodes(item, fresh);
  return fresh.length;
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
