import { z } from 'zod';

import { COLLECTIONS, Settings, type Item } from '@/contract/records';
import {
  change,
  isEmptyAttic,
  pictureKey,
  putBlob,
  saveNow,
  setSettings,
  type Put,
} from '@/store/attic/attic';

const World = z.object({
  settings: Settings,
  hauls: z.array(COLLECTIONS.hauls),
  owners: z.array(COLLECTIONS.owners),
  spots: z.array(COLLECTIONS.spots),
  items: z.array(COLLECTIONS.items),
  pictures: z.array(COLLECTIONS.pictures),
  plans: z.array(COLLECTIONS.plans),
  at: z.number().int().optional(),
});
const BROUGHT = ['hauls', 'owners', 'spots', 'items', 'pictures', 'plans'] as const;

/** Brings the demo world into an attic that is still empty. Its pictures come with their bytes. */
export async function bringDemoWorld(): Promise<void> {
  if (!isEmptyAttic()) return;
  const response = await fetch('/demo/world.json');
  if (!response.ok) return;
  const drawn = World.parse(await response.json());
  const later = drawn.at === undefined ? 0 : Date.now() - drawn.at;
  const world = { ...drawn, items: drawn.items.map((t) => moved(t, later)) };
  await Promise.all(
    world.pictures.flatMap(({ id }) =>
      (['full', 'thumb'] as const).map(async (size) => {
        const picture = await fetch(`/demo/pictures/${id}-${size}.jpg`);
        if (picture.ok) putBlob(pictureKey(id, size), await picture.blob());
      }),
    ),
  );
  setSettings({ ...world.settings, givenAt: Date.now() });
  // Each from the list of its own collection.
  const puts = BROUGHT.flatMap((collection) =>
    world[collection].map((record) => ({ collection, id: record.id, record })),
  ) as Put[];
  change('demo world', puts, { ownUndo: true });
  // Nobody waits for it to be stored: a browser that can't store must still show what there is.
  void saveNow();
}

/** Its days are told from the day it is opened, so that what is due in three days is due in three days. */
function moved(item: Item, later: number): Item {
  function on(at: number): number;
  function on(at: number | null): number | null;
  function on(at: number | null) {
    return at === null ? null : at + later;
  }
  return {
    ...item,
    createdAt: on(item.createdAt),
    updatedAt: on(item.updatedAt),
    holds: item.holds.map((h) => ({
      ...h,
      from: on(h.from),
      to: on(h.to),
      meet: h.meet && { ...h.meet, at: on(h.meet.at) },
    })),
  };
}
