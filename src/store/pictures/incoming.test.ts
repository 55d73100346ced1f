import { act, renderHook } from '@testing-library/react';
import { z } from 'zod';

import { Incoming } from '@/contract/incoming';
import { newId, openAttic, openDisk, saveNow, useAttic } from '@/store/attic/attic';
import { storeDrafts, useDraft } from '@/store/attic/drafts';
import { removeItem } from '@/store/items/items';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { emptyAttic } from '@/testing/world';

import { goOnTaking } from './goingOn';
import { keepIncoming, leftIncoming, useIncoming } from './incoming';
import { keepPictures, readOriginal, takeKept } from './pictures';

furnishCanvas();

const item = (id: string) => useAttic.getState().items[id];
const plain = (name: string) =>
  pictureFile(name, 300, 200, (pen) => {
    pen.fillStyle = '#2f4a86';
    pen.fillRect(60, 40, 180, 120);
  });
const FROM = { begins: true, origin: 'file', shows: 'front', showsBy: 'list', look: true } as const;

/** The page is gone: another one opens the same attic, and knows of nothing but what is on the disk. */
async function anotherPage(name: string) {
  useIncoming.setState({ waiting: [], notTaken: [] });
  await openAttic(name);
  // As if the one before had been another page.
  const disk = openDisk()!;
  for (const key of (await disk.keys()).filter((k) => /^incoming:[^:]+$/u.test(k))) {
    const about = Incoming.parse(JSON.parse((await disk.text(key))!));
    await disk.write({ [key]: JSON.stringify({ ...about, page: 'gone' }) });
  }
}

const settled = async (done: () => boolean | Promise<boolean>) => {
  for (let i = 0; i < 400 && !(await done()); i += 1) await new Promise((go) => setTimeout(go, 10));
};

describe('pictures that were chosen', () => {
  let name = '';
  beforeEach(async () => {
    await emptyAttic();
    name = `left-${Math.random()}`;
    await openAttic(name);
  });

  it('are kept before work on the first begins, are pictures after a reload, in order, once', async () => {
    const id = newId();
    const kept = await keepPictures(id, [await plain('a.jpg'), await plain('b.jpg'), await plain('c.jpg')], {
      origin: 'file',
      shows: 'front',
    });
    expect(item(id)).toBeUndefined();
    // One was done when the page went, and its mark could not be taken away any more.
    const disk = openDisk()!;
    const mark = await disk.text(`incoming:${kept[0]!.about.id}`);
    const bytes = (await disk.blob(`incoming:${kept[0]!.about.id}:bytes`))!;
    await takeKept(kept.slice(0, 1));
    await disk.write({
      [`incoming:${kept[0]!.about.id}`]: mark!,
      [`incoming:${kept[0]!.about.id}:bytes`]: bytes,
    });
    await anotherPage(name);
    goOnTaking();
    await settled(() => item(id)?.pictureIds.length === 3);
    expect(item(id)?.pictureIds).toEqual(kept.map((w) => w.about.id));
    expect(item(id)?.pictureIds.map((p) => useAttic.getState().pictures[p]?.shows)).toEqual([
      'front',
      '',
      '',
    ]);
    await settled(() => useIncoming.getState().waiting.length === 0);
    expect((await disk.keys()).filter((k) => k.startsWith('incoming:'))).toEqual([]);
  });

  it('are worked up again where a reload left a record whose bytes were not stored', async () => {
    const id = newId();
    const kept = await keepPictures(id, [await plain('a.jpg')], { origin: 'file' });
    const disk = openDisk()!;
    const picture = kept[0]!.about.id;
    const mark = (await disk.text(`incoming:${picture}`))!;
    const bytes = (await disk.blob(`incoming:${picture}:bytes`))!;
    await takeKept(kept);
    // The page was left in between: its record was noted down, the write with the bytes never came.
    await disk.write({ [`incoming:${picture}`]: mark, [`incoming:${picture}:bytes`]: bytes });
    await disk.remove([`picture:${picture}:original`, `picture:${picture}:thumb`]);
    await anotherPage(name);
    goOnTaking();
    const left = async () => (await disk.keys()).filter((k) => k.includes(picture)).sort();
    await settled(async () => !(await left())[0]?.startsWith('incoming:'));
    expect(await left()).toEqual([`picture:${picture}:original`, `picture:${picture}:thumb`]);
    expect(item(id)?.pictureIds).toEqual([picture]);
  });

  it('stay as chosen until their bytes are stored, also where there is no room at first', async () => {
    const disk = openDisk()!;
    const kept = await keepPictures(newId(), [await plain('a.jpg')], { origin: 'file' });
    const picture = kept[0]!.about.id;
    const write = disk.write.bind(disk);
    const full = jest.spyOn(disk, 'write').mockImplementation(async (entries) => {
      if (Object.keys(entries).some((k) => k.startsWith('picture:'))) throw new Error('no room');
      await write(entries);
    });
    await takeKept(kept);
    const left = async () => (await disk.keys()).filter((k) => k.startsWith('incoming:'));
    expect(await left()).toHaveLength(2);
    expect(useAttic.getState().saveTrouble).toMatch(/new pictures are kept/u);
    full.mockRestore();
    await saveNow();
    await settled(async () => (await left()).length === 0);
    expect(await left()).toEqual([]);
    expect(await readOriginal(picture)).not.toBeNull();
  });

  it('are left alone while the page that works on them is there', async () => {
    await keepIncoming(newId(), [await plain('a.jpg')], FROM);
    expect(await leftIncoming()).toEqual([]);
  });

  it('are given up and named when the page closed each time', async () => {
    const id = newId();
    await keepIncoming(id, [await plain('huge.jpg')], FROM);
    for (let i = 0; i < 4; i += 1) {
      await anotherPage(name);
      await leftIncoming();
    }
    expect(useIncoming.getState().notTaken).toMatchObject([
      { name: 'huge.jpg', why: expect.stringContaining('closed each time') },
    ]);
    await anotherPage(name);
    expect(await leftIncoming()).toEqual([]);
  });

  it('that can’t be read are named after a reload as well; what is no record of ours goes', async () => {
    await keepIncoming(newId(), [new File([new Uint8Array([1, 2, 3])], 'notes.jpg')], FROM);
    await anotherPage(name);
    await openDisk()!.write({ 'incoming:x': 'nonsense' });
    goOnTaking();
    await settled(() => useIncoming.getState().notTaken.length > 0);
    expect(useIncoming.getState().notTaken.map((n) => n.name)).toEqual(['notes.jpg']);
    expect((await openDisk()!.keys()).filter((k) => k.startsWith('incoming:'))).toEqual([]);
  });

  it('go with their item when it is removed meanwhile', async () => {
    const kept = await keepPictures(null, [await plain('a.jpg'), await plain('b.jpg')], { origin: 'file' });
    const { itemId } = await takeKept(kept.slice(0, 1));
    removeItem(itemId!);
    expect(await takeKept(kept.slice(1))).toEqual({ itemId: null, notTaken: [] });
    expect(item(itemId!)).toBeUndefined();
  });
});

describe('what is typed and not finished', () => {
  const schema = z.object({ text: z.string() });
  const form = (key: string) => renderHook(() => useDraft(key, schema, { text: '' })).result;

  it('outlives leaving the screen and reloading, until it is cleared', async () => {
    await emptyAttic();
    const name = `drafts-${Math.random()}`;
    await openAttic(name);
    const typed = form('address:1');
    await act(async () => typed.current[1]({ text: 'Quay' }));
    await act(async () => typed.current[1]((now) => ({ text: `${now.text} 4` })));
    expect(form('address:1').current[0]).toEqual({ text: 'Quay 4' });
    expect(form('address:2').current[0]).toEqual({ text: '' });
    await openAttic(`${name}-other`);
    expect(form('address:1').current[0]).toEqual({ text: '' });
    await openAttic(name);
    expect(form('address:1').current[0]).toEqual({ text: 'Quay 4' });
    const filled = form('address:1');
    await act(async () => filled.current[2]());
    await storeDrafts();
    await openAttic(name);
    expect(form('address:1').current[0]).toEqual({ text: '' });
  });

  it('is as if it was not where what is on the disk does not fit', async () => {
    await emptyAttic();
    const name = `drafts-${Math.random()}`;
    await openAttic(name);
    await openDisk()!.write({ 'draft:a': '{"text":7}', 'draft:b': '{{' });
    await openAttic(name);
    expect(form('a').current[0]).toEqual({ text: '' });
    expect(form('b').current[0]).toEqual({ text: '' });
  });
});
