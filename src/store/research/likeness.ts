import { create } from 'zustand';

import { LikenessAnswer, type Find } from '@/contract/likeness';
import type { Item } from '@/contract/records';
import { toldByFind } from '@/core/likeness/finds';
import { useAttic } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { ask, CourierTrouble } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';
import { readShown } from '@/store/pictures/pictures';
import { pictureWorker } from '@/store/pictures/pictureWorker';
import { addReadings, saidOutside } from '@/store/pictures/readings';
import { pictureAndItem } from '@/store/pictures/understanding';

import { patiently } from './patiently';

/** How a picture's search stands. */
export type LikenessState =
  | { asking: true; picture: Blob | null }
  | { trouble: string; picture: Blob | null }
  | { finds: Find[]; at: number; picture: Blob };

/** By the item's id, or the field's; absent where nothing was asked. Ends with the page. */
export const useLikeness = create<Record<string, LikenessState>>(() => ({}));

function say(key: string, state: LikenessState | null): void {
  useLikeness.setState(
    (all) =>
      state ? { ...all, [key]: state } : Object.fromEntries(Object.entries(all).filter(([id]) => id !== key)),
    true,
  );
}

/** What was found is no longer of interest. */
export const forgetLikeness = (key: string): void => say(key, null);

/**
 * Asks what looks like a picture. What goes out is drawn anew, a few hundred pixels wide: nothing that the
 * camera wrote along goes with it. How it ends stands in {@link useLikeness}.
 */
export async function findAlike(key: string, read: () => Promise<Blob | null>): Promise<void> {
  if (isAsking(key)) return;
  let picture: Blob | null = null;
  say(key, { asking: true, picture });
  try {
    const blob = await read();
    picture = (blob && (await pictureWorker().glance(blob))?.small) ?? null;
    if (!picture) throw new CourierTrouble('That is no picture that can be read: nothing was looked for.');
    const small = picture;
    say(key, { asking: true, picture: small });
    const finds = await patiently(() => asked(small));
    say(key, { finds, at: Date.now(), picture: small });
  } catch (error) {
    say(key, { trouble: wordsFor(error, 'looking for what looks like it'), picture });
  }
}

/** The same of a picture of the attic, as it is to be seen. */
export function findAlikeOf(item: Pick<Item, 'id'>, pictureId: string): Promise<void> {
  return findAlike(item.id, () => readShown(pictureId));
}

function isAsking(key: string): boolean {
  const state = useLikeness.getState()[key];
  return state !== undefined && 'asking' in state;
}

async function asked(picture: Blob): Promise<Find[]> {
  const response = await ask('/likeness', {
    method: 'POST',
    headers: { 'content-type': 'image/jpeg' },
    body: picture,
  });
  const answer = LikenessAnswer.safeParse(await response.json());
  if (!answer.success) throw new CourierTrouble('The likeness desk’s answer could not be read.');
  return answer.data.finds;
}

/**
 * What a find says of an item waits at the item to be confirmed, like all that was read.
 *
 * @returns how much of it is new
 */
export function takeFind(itemId: string, find: Find): number {
  const item = useAttic.getState().items[itemId];
  if (!item) return 0;
  const told = toldByFind(find, item.kind, kindsNow());
  // It is another thing: each word of it is asked about.
  const found = saidOutside(told, { confidence: find.score, from: 'likeness', doubt: 'alike' });
  return addReadings(itemId, null, found);
}

/** The picture of an item that is looked for: all of it from the front, or the first there is. */
export function soughtOf(item: Pick<Item, 'pictureIds'>): string | undefined {
  const { pictures } = useAttic.getState();
  const own = item.pictureIds.flatMap((id) => pictures[id] ?? []).filter((p) => !p.clip && !p.made);
  return (own.find((p) => p.shows === 'front') ?? own[0])?.id;
}

/**
 * From now on the front of each new item is looked for once it was looked at, where that is switched on.
 *
 * @returns stops
 */
export function findAlikeAsSeen(): () => void {
  return useAttic.subscribe((now, before) => {
    if (!now.settings.findAlike || now.pictures === before.pictures) return;
    for (const id in now.pictures) {
      const [is, was] = [now.pictures[id], before.pictures[id]];
      if (is === was || is?.shows !== 'front' || is.awaits || !was?.awaits) continue;
      const [, item] = pictureAndItem(id);
      if (item && item.kind === '' && !useLikeness.getState()[item.id]) void findAlikeOf(item, id);
    }
  });
}
