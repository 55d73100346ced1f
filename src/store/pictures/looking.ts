import { create } from 'zustand';

import { MOST_READ, type Picture, type ReadLine } from '@/contract/picture';
import type { Item } from '@/contract/records';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { itemWith } from '@/store/items/items';

import { readOriginal } from './pictures';
import { standingIn, type Standing } from './reading';
import { readingsWith, tellBarcodes } from './readings';
import { besideIn, inTurn, pictureAndItem, understood, type Understood } from './understanding';

/** Why pictures can't be looked at just now. Which are still to go, they say themselves. */
export const useLooking = create<{ trouble: string | null }>(() => ({ trouble: null }));

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
  const { code, read } = await standingIn({ key: id, blob }, item).then(bounded);
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

function noLongerWaiting(picture: Picture): void {
  const put = { collection: 'pictures', id: picture.id, record: { ...picture, awaits: false } } as const;
  change('nothing to look at', [put], { ownUndo: true });
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
