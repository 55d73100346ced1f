import { z } from 'zod';

import { Haul, Picture, Plan, Settings, Thing } from '@/contract/records';

import { change, isEmptyAttic, pictureKey, putBlob, saveNow, setSettings, useAttic } from './attic';

const World = z.object({
  settings: Settings,
  things: z.array(Thing),
  pictures: z.array(Picture),
  hauls: z.array(Haul),
  plans: z.array(Plan),
});

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
  change('demo world', [
    ...world.hauls.map((record) => ({ collection: 'hauls' as const, id: record.id, record })),
    ...world.things.map((record) => ({ collection: 'things' as const, id: record.id, record })),
    ...world.pictures.map((record) => ({ collection: 'pictures' as const, id: record.id, record })),
    ...world.plans.map((record) => ({ collection: 'plans' as const, id: record.id, record })),
  ]);
  // Nothing a person did, so nothing to take back.
  useAttic.setState({ journal: [] });
  await saveNow();
}
