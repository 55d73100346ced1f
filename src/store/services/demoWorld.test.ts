import { sinceCopy } from '@/core/copy/since';
import { dropBlob, pictureKey, saveNow, storedBytes, useAttic } from '@/store/attic/attic';
import { fakeServer } from '@/testing/courier';
import { waitFor } from '@/testing/patience';
import { emptyAttic, manyItems } from '@/testing/world';

import { bringDemoWorld } from './demoWorld';
import { pastBefore } from '../../../demo/past/past';

const state = () => useAttic.getState();

/** What a server of the demo hands out. */
function serverWith(world: unknown, past: unknown) {
  const asked: string[] = [];
  const picture = new Blob([new Uint8Array([0xff, 0xd8, 0xff, 0xe0])], { type: 'image/jpeg' });
  globalThis.fetch = (input) => {
    const path = String(input);
    asked.push(path);
    const body =
      path === '/demo/world.json'
        ? JSON.stringify(world)
        : path === '/demo/past.json'
          ? past && JSON.stringify(past)
          : picture;
    return Promise.resolve(
      body
        ? ({
            ok: true,
            json: () => Promise.resolve(JSON.parse(String(body))),
            blob: () => Promise.resolve(picture),
          } as Response)
        : new Response('', { status: 404 }),
    );
  };
  return asked;
}

async function drawn() {
  const many = await manyItems();
  const { settings, hauls, owners, spots, items, pictures, plans } = state();
  const world = {
    settings: { ...settings, copiedAt: null },
    ...Object.fromEntries(
      Object.entries({ hauls, owners, spots, items, pictures, plans }).map(([name, all]) => [
        name,
        Object.values(all),
      ]),
    ),
    at: Date.now(),
    past: true,
  };
  const past = pastBefore(Date.now(), settings.codePattern).records;
  await emptyAttic();
  fakeServer({});
  return { many, world, past };
}

it('brings the world and the year before it, whose days and diaries stay as they were', async () => {
  const { many, world, past } = await drawn();
  const asked = serverWith(world, past);
  await bringDemoWorld();
  expect(Object.keys(state().items)).toHaveLength(16 + past.items.length);
  expect(Object.keys(state().orders)).toHaveLength(past.orders.length);
  expect(Object.keys(state().statements).sort()).toEqual(past.statements.map((s) => s.id).sort());
  for (const { id, lines } of past.diary) expect(state().diary[id]?.lines).toEqual(lines);
  const [sold] = past.items;
  expect(state().items[sold!.id]).toEqual(sold);
  expect(state().items[many.id('Silk')]).toBeDefined();
  // What can be had again is nothing that would be lost.
  const { items, diary, journal, settings } = state();
  expect(sinceCopy({ items, diary }, journal, settings.givenAt).first).toBeNull();
  // A drawing that several items share is asked for by its own name.
  const [drawing] = Object.values(past.files);
  await waitFor(() => expect(asked).toContain(`/demo/pictures/${drawing}-thumb.jpg`));
});

it('a world without a past is brought all the same, and one that is there is not brought twice', async () => {
  const { world } = await drawn();
  const first = serverWith({ ...world, past: false }, null);
  await bringDemoWorld();
  expect(first).not.toContain('/demo/past.json');
  expect(Object.keys(state().items)).toHaveLength(16);
  const before = state().items;
  const asked = serverWith({ ...world, items: [] }, null);
  await bringDemoWorld();
  expect(state().items).toBe(before);
  expect(asked).not.toContain('/demo/world.json');
});

it('what a page left too early had not brought comes at the next start, and nothing else', async () => {
  const { world, past } = await drawn();
  serverWith(world, past);
  await bringDemoWorld();
  const [late = ''] = Object.keys(past.files);
  await waitFor(async () => expect(await storedBytes()).toContain(pictureKey(late, 'full')));
  dropBlob(pictureKey(late, 'full'));
  await saveNow();
  const asked = serverWith(world, past);
  await bringDemoWorld();
  await waitFor(async () => expect(await storedBytes()).toContain(pictureKey(late, 'full')));
  expect(asked).toEqual(['/demo/past.json', `/demo/pictures/${past.files[late]}-full.jpg`]);
});
