import { z } from 'zod';

import { COLLECTIONS, Settings } from '@/contract/records';

import { change, isEmptyAttic, pictureKey, putBlob, saveNow, setSettings, type Put } from './attic';

const World = z.object({
  settings: Settings,
  hauls: z.array(COLLECTIONS.hauls),
  owners: z.array(COLLECTIONS.owners),
  spots: z.array(COLLECTIONS.spots),
  things: z.array(COLLECTIONS.things),
  pictures: z.array(COLLECTIONS.pictures),
  plans: z.array(COLLECTIONS.plans),
});
const BROUGHT = ['hauls', 'owners', 'spots', 'things', 'pictures', 'plans'] as const;

/** Brings the demo world into an attic that is still empty. Its pictures come with their bytes. */
export async function bringDemoWorld(): Promise<void> {
  if (!isEmptyAttic()) return;
  const response = await fetch('/demo/world.json');
  if (!response.ok) return;
  const world = World.parse(await response.json());
  await Promise.all(
    world.pictures.flatMap(({ id }) =>
      (['full', 'thumb'] as const).map(async (size) => {
        const picture = await fetch(`/demo/pictures/${id}-${size}.jpg`);
        if (picture.ok) putBlob(pictureKey(id, size), await picture.blob());
      }),
    ),
  );
  setSettings(world.settings);
  const puts = BROUGHT.flatMap((collection) =>
    world[collection].map((record) => ({ collection, id: record.id, record })),
  ) as Put[];
  change('demo world', puts, { ownUndo: true });
  await saveNow();
}
