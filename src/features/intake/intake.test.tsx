import { act } from '@testing-library/react';

import { openAttic, openDisk, setSettings, useAttic } from '@/store/attic/attic';
import { editHaul } from '@/store/items/hauls';
import { fillInMany, useMany } from '@/store/items/many';
import { useShared } from '@/store/pictures/shared';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { fakeServer } from '@/testing/courier';
import { canPress, choose, fill, leave, open, press, said, sees } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { emptyAttic, manyItems } from '@/testing/world';

import { Intake } from './Intake';

// What stands in a picture is read by others, which need a browser.
jest.mock('@/store/pictures/reading', () => ({
  ...jest.requireActual('@/store/pictures/reading'),
  standingIn: async () => ({ code: null, read: { page: [], line: [] } }),
}));
furnishCanvas();
const items = () => Object.values(useAttic.getState().items);
const shot = (name = 'front.jpg') =>
  pictureFile(name, 300, 240, (pen) => {
    pen.fillStyle = '#c9c2b4';
    pen.fillRect(0, 0, 300, 240);
    pen.fillStyle = '#2f4a86';
    pen.fillRect(90, 50, 120, 140);
  });

it('the first picture begins the item; the next one goes into it, and then another begins', async () => {
  await emptyAttic();
  await open(Intake);
  await sees('A new item');
  await choose(await shot());
  await sees('Saved, 1 picture');
  await choose(await shot('back.jpg'), await shot('label.jpg'));
  await sees('Saved, 3 pictures');
  expect(items()).toHaveLength(1);
  await press('Next item');
  await choose(await shot());
  await sees('Saved, 1 picture');
  expect(items()).toHaveLength(2);
  await press('Fill in its sheet');
  expect(went.at(-1)).toBe(`/item/${items().at(-1)?.id}`);
});

it('leads to several of one kind, also while others were being filled in', async () => {
  const many = await manyItems();
  fillInMany([many.id('Ostler')]);
  await open(Intake);
  await press('Begin several of one kind');
  expect(went.at(-1)).toBe('/many');
  expect(useMany.getState().ids).toEqual([]);
});

it('where the person wants it so, no item is left without its spot', async () => {
  await emptyAttic();
  setSettings({ spotAsked: true });
  await open(Intake);
  await choose(await shot());
  await sees('Saved, 1 picture');
  expect(canPress('Next item')).toBe(false);
  await fill('Its spot', 'A3-12');
  await press('Next item');
  await sees('A new item');
  expect(items()[0]?.spot).toBe('A3-12');
});

it('says that a picture is saved once its bytes are stored, and not before', async () => {
  await emptyAttic();
  await openAttic(`slow-${Math.random()}`);
  const disk = openDisk()!;
  const write = disk.write.bind(disk);
  let go = () => {};
  const free = new Promise<void>((done) => (go = done));
  const slow = jest.spyOn(disk, 'write').mockImplementation(async (entries) => {
    if (Object.keys(entries).some((k) => k.startsWith('picture:'))) await free;
    await write(entries);
  });
  await open(Intake);
  await choose(await shot());
  await sees('Saving 1 picture…');
  expect(said()).not.toMatch(/Saved/u);
  go();
  await sees('Saved, 1 picture');
  slow.mockRestore();
});

it('a file that is no picture is named with its reason, and the others are kept', async () => {
  await emptyAttic();
  await open(Intake);
  await choose(await shot(), new File(['not a picture'], 'notes.txt'));
  await sees(/notes\.txt: .+/u);
  await sees('The other one was kept.');
  await sees('Saved, 1 picture');
});

it('a picture comes from an address, which is kept with whose it is', async () => {
  await emptyAttic();
  const bytes = await (await shot()).arrayBuffer();
  await open(Intake);
  const asked = fakeServer({
    '/picture-at': ({ body }) =>
      String(body.address).includes('inside')
        ? { refused: 'inside.example is inside a house: nothing is fetched from there.', status: 422 }
        : bytes,
  });
  await press('From an address');
  expect(canPress('Fetch it')).toBe(false);
  await fill('Address of the picture', 'http://inside.example/a.jpg');
  await press('Fetch it');
  await sees('nothing is fetched from there');
  expect(items()).toEqual([]);
  await press('A stock picture');
  const address = 'https://pictures.example/jumper.jpg';
  await fill('Address of the picture', ` ${address} `);
  await press('Fetch it');
  await sees('Saved, 1 picture');
  expect(asked.map(({ body }) => body.address)).toEqual(['http://inside.example/a.jpg', address]);
  const [picture] = Object.values(useAttic.getState().pictures);
  expect(picture).toMatchObject({ address, origin: 'stock', sendAnyway: false, width: 300 });
});

it('where none was kept, nothing says that others were', async () => {
  await emptyAttic();
  await open(Intake);
  await choose(...['a', 'b', 'c', 'd', 'e', 'f'].map((n) => new File(['not a picture'], `${n}.txt`)));
  await sees(/f\.txt: .+/u);
  expect(said()).not.toMatch(/kept/u);
});

it('goes on with the item at hand after leaving, and begins another once its sheet was opened', async () => {
  await emptyAttic();
  await open(Intake);
  await choose(await shot());
  await sees('Saved, 1 picture');
  leave();
  await open(Intake);
  await sees('Saved, 1 picture');
  await choose(await shot());
  await sees('Saved, 2 pictures');
  await press('Fill in its sheet');
  leave();
  await open(Intake);
  await sees('A new item');
  expect(items()).toHaveLength(1);
});

it('without the courier pictures are taken in all the same', async () => {
  await emptyAttic();
  await open(Intake, { offline: true });
  await choose(await shot());
  await sees('Saved, 1 picture');
});

it('what is taken in belongs to the haul that is worked in', async () => {
  const many = await manyItems();
  await open(Intake);
  await press('Change');
  await press('Haul quayside');
  expect(useAttic.getState().settings.haulId).toBe(many.haul);
  const before = items().length;
  await choose(await shot());
  await sees('Saved, 1 picture');
  expect(items()).toHaveLength(before + 1);
  expect(items().filter((t) => t.haulId === many.haul && t.title === '')).toHaveLength(1);
  // Which of its lines, said once for all that comes.
  act(() =>
    editHaul(many.haul, 'lines', {
      lines: [
        { id: 'l1', what: 'knitwear', count: 12, each: null },
        { id: 'l2', what: 'lamps', count: 2, each: null },
      ],
    }),
  );
  await press(/^lamps/u);
  await press('Next item');
  await choose(await shot());
  await sees('Saved, 1 picture');
  expect(items().filter((t) => t.lineId === 'l2')).toHaveLength(1);
  await sees('lamps, 1 waiting');
  await fill('A new haul', 'Church sale');
  await press(/^Start/u);
  expect(Object.values(useAttic.getState().hauls).map((h) => h.name)).toContain('Church sale');
});

describe('pictures that another app handed over', () => {
  const shared = async (...names: string[]) => {
    const files = await Promise.all(
      names.map(async (name) => ({ key: `/shared/${name}`, file: await shot(name) })),
    );
    useShared.setState({ files });
  };
  const deleted: string[] = [];
  beforeEach(() => {
    deleted.length = 0;
    const cache = { delete: async (key: string) => deleted.push(key) > 0 };
    Object.assign(globalThis, { caches: { open: async () => cache, has: async () => true } });
  });
  afterEach(() => {
    useShared.setState({ files: [] });
    delete (globalThis as { caches?: unknown }).caches;
  });
  it('wait for the person’s word, and are let go once they are stored', async () => {
    await emptyAttic();
    await shared('a.jpg', 'b.jpg');
    await open(Intake);
    await sees('2 pictures shared with the attic');
    expect(items()).toHaveLength(0);
    await press('Take as a new item');
    await sees('Saved, 2 pictures');
    expect(items()).toHaveLength(1);
    await waitFor(() => expect(deleted).toEqual(['/shared/a.jpg', '/shared/b.jpg']));
    expect(said()).not.toContain('shared with the attic');
    // Into the item that is at hand, from now on.
    await act(() => shared('c.jpg'));
    await press(/^Take into /u);
    await sees('Saved, 3 pictures');
    expect(items()).toHaveLength(1);
  });
  it('can be left, and leave nothing behind', async () => {
    await emptyAttic();
    await shared('a.jpg');
    await open(Intake);
    await press('Leave them out');
    await waitFor(() => expect(deleted).toEqual(['/shared/a.jpg']));
    expect(items()).toHaveLength(0);
    expect(said()).not.toContain('shared with the attic');
  });
  it('that did not arrive are told of', async () => {
    await emptyAttic();
    await open(Intake, { params: { shared: '0' } });
    await sees('The shared pictures did not arrive.');
  });
});
