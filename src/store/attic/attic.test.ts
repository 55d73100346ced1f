import fc from 'fast-check';

import { Picture, planId } from '@/contract/records';
import { addItem, editPlan, editItem, removeItem } from '@/store/items/items';

import {
  change,
  openAttic,
  OFFER_TIME,
  pictureKey,
  putBlob,
  saveNow,
  setSettings,
  undo,
  unsavedBlobs,
  useAttic,
} from './attic';
import { Disk } from './disk';
import { toPeers } from './merging';
import { takenOver, type PageMessage } from './peers';
import { pageKey } from './records';

const aPicture = (id: string, itemId: string) =>
  Picture.parse({ id, itemId, origin: 'file', author: 'me', addedAt: 1, width: 4, height: 3, bytes: 5 });
let n = 0;
const fresh = () => `test-${(n += 1)}`;
const item = (id: string) => useAttic.getState().items[id];

it('keeps an item, its plan and its picture’s record through a reload', async () => {
  const name = fresh();
  await openAttic(name);
  const id = addItem();
  editItem(id, 'title', { title: 'Gansey 🧶 نص' });
  editPlan(id, 'threadwick', 'price', { wanted: true, price: 1800 });
  change('picture added', [{ collection: 'pictures', id: 'p1', record: aPicture('p1', id) }]);
  await saveNow();
  useAttic.setState({ items: {}, plans: {}, pictures: {} });
  await openAttic(name);
  expect(item(id)).toMatchObject({ title: 'Gansey 🧶 نص', code: 'YA-0001' });
  expect(useAttic.getState().plans[planId(id, 'threadwick')]).toMatchObject({ price: 1800 });
  expect(useAttic.getState().pictures.p1).toMatchObject({ width: 4 });
});

it('gives codes that never come back, also after an item was removed', async () => {
  await openAttic(fresh());
  const first = addItem();
  removeItem(first);
  expect(item(addItem())?.code).toBe('YA-0002');
});

it('writes only the pages that were touched', async () => {
  await openAttic(fresh());
  setSettings({ nextRecord: 195 });
  const ids = Array.from({ length: 10 }, () => addItem());
  await saveNow();
  expect(new Set(ids.map((id) => pageKey('items', id)))).toEqual(new Set(['items:0', 'items:1']));
  const write = jest.spyOn(Disk.prototype, 'write');
  editItem(ids[0] ?? '', 'spot', { spot: 'A1' });
  await saveNow();
  const pages = Object.keys(write.mock.calls[0]?.[0] ?? {}).filter((k) => k.startsWith('items:'));
  expect(pages).toEqual(['items:0']);
  write.mockRestore();
});

it('sets aside a record that can’t be read, reports it, and opens the rest', async () => {
  const name = fresh();
  await openAttic(name);
  const good = addItem();
  const bad = addItem();
  await saveNow();
  const disk = new Disk(name);
  const page = JSON.parse((await disk.text('items:0')) ?? '{}') as Record<string, Record<string, unknown>>;
  page[bad] = { ...page[bad], price: 'a lot' };
  await disk.write({ 'items:0': JSON.stringify(page), 'pictures:7': '{not json' });
  await openAttic(name);
  expect(item(good)).toBeDefined();
  expect(item(bad)).toBeUndefined();
  expect(
    useAttic
      .getState()
      .quarantine.map((a) => a.why)
      .join(),
  ).toMatch(/the page could not be read.*price|price.*the page could not be read/);
  expect(await disk.text(`quarantine:items:${bad}`)).toContain('a lot');
  // And it is still reported, and still there, the next day.
  editItem(good, 'title', { title: 'later' });
  await saveNow();
  await openAttic(name);
  expect(useAttic.getState().quarantine.length).toBeGreaterThan(0);
  expect(await disk.text(`quarantine:items:${bad}`)).toContain('a lot');
});

it('goes on after the highest code in use when the settings are damaged', async () => {
  const name = fresh();
  await openAttic(name);
  addItem();
  addItem();
  await saveNow();
  await new Disk(name).write({ settings: '{"id":"settings","nextNumber":"many"}' });
  await openAttic(name);
  expect(item(addItem())?.code).toBe('YA-0003');
});

it('takes over what another page changed, and never gives a code twice', async () => {
  await openAttic(fresh());
  const id = addItem();
  const here = useAttic.getState();
  const record = { ...(item(id) as NonNullable<ReturnType<typeof item>>), title: 'From the phone' };
  const told = (message: PageMessage) => takenOver(here, message, () => null, 'here');
  const after = told({
    edits: [{ collection: 'items', id, after: record, was: { title: '' } }],
    settings: { nextNumber: 9, author: 'Bas' },
  });
  expect(after.items?.[id]?.title).toBe('From the phone');
  expect(after.settings).toMatchObject({ nextNumber: 9, author: 'Bas' });
  expect(told({ settings: { nextNumber: 1 } }).settings?.nextNumber).toBe(here.settings.nextNumber);
});

describe('undo', () => {
  it('takes back typing as one change, and leaves later changes to other fields alone', async () => {
    await openAttic(fresh());
    const id = addItem();
    for (const title of ['G', 'Ga', 'Gan']) editItem(id, 'title', { title });
    editItem(id, 'spot', { spot: 'A3' });
    const title = useAttic.getState().journal.at(-2);
    expect(title?.label).toBe('title');
    undo(title);
    expect(item(id)).toMatchObject({ title: '', spot: 'A3' });
  });

  it('is offered for what went away, also after a reload, and brings everything back', async () => {
    const name = fresh();
    await openAttic(name);
    const id = addItem();
    editPlan(id, 'brackenmoor', 'wanted', { wanted: true });
    removeItem(id);
    await saveNow();
    await openAttic(name);
    expect(item(id)).toBeUndefined();
    const { offer } = useAttic.getState();
    expect(offer?.label).toMatch(/removed/);
    if (offer) undo(offer);
    expect(item(id)).toBeDefined();
    expect(useAttic.getState().plans[planId(id, 'brackenmoor')]?.wanted).toBe(true);
    expect(useAttic.getState().offer).toBeNull();
    expect(OFFER_TIME).toBeGreaterThanOrEqual(10_000);
  });
});

it('keeps everything on the screen and says so when writing fails, and tries again', async () => {
  await openAttic(fresh());
  const write = jest.spyOn(Disk.prototype, 'write').mockRejectedValue(new Error('broken'));
  const id = addItem();
  await saveNow();
  expect(useAttic.getState().saveTrouble).toMatch(/Everything is kept only while this page stays open/);
  expect(item(id)).toBeDefined();
  write.mockRestore();
  await saveNow();
  expect(useAttic.getState().saveTrouble).toBeNull();
});

it('stores what was typed when only a picture does not fit, and the picture once it does', async () => {
  const name = fresh();
  await openAttic(name);
  const real = Disk.prototype.write;
  const write = jest.spyOn(Disk.prototype, 'write').mockImplementation(function (this: Disk, entries) {
    return Object.keys(entries).some((key) => key.startsWith('picture:'))
      ? Promise.reject(new Error(''))
      : real.call(this, entries);
  });
  const id = addItem();
  putBlob(pictureKey('p9', 'original'), new Blob(['pixels']));
  await saveNow();
  expect(useAttic.getState().saveTrouble).toMatch(/no room left.*What you typed is stored/u);
  expect(Object.keys(unsavedBlobs())).toEqual([pictureKey('p9', 'original')]);
  write.mockRestore();
  await saveNow();
  expect(useAttic.getState().saveTrouble).toBeNull();
  expect(unsavedBlobs()).toEqual({});
  await openAttic(name);
  expect(item(id)).toBeDefined();
});

it('loses nothing when the page is left before it was stored', async () => {
  const name = fresh();
  await openAttic(name);
  const id = addItem();
  const gone = addItem();
  await saveNow();
  // The browser drops a write that is on its way when a page goes.
  const write = jest.spyOn(Disk.prototype, 'write').mockImplementation(() => new Promise(() => undefined));
  editItem(id, 'title', { title: 'Typed at the last moment' });
  removeItem(gone);
  const late = addItem();
  window.dispatchEvent(new Event('pagehide'));
  write.mockRestore();
  jest.resetModules();
  const again = jest.requireActual<typeof import('./attic')>('./attic');
  await again.openAttic(name);
  const { items, settings } = again.useAttic.getState();
  expect(items[id]?.title).toBe('Typed at the last moment');
  expect(items[gone]).toBeUndefined();
  expect(items[late]?.code).toBe('YA-0003');
  expect(settings.nextNumber).toBe(4);
  await again.saveNow();
  // It is stored now, and a third opening needs no note.
  expect(Object.keys(localStorage).filter((key) => key.startsWith(`attic-${name}-left-`))).toEqual([]);
});

it('loses no setting either, and takes none from a note that is older than what is stored', async () => {
  const name = fresh();
  await openAttic(name);
  setSettings({ patienceDays: 90 });
  await saveNow();
  const write = jest.spyOn(Disk.prototype, 'write').mockImplementation(() => new Promise(() => undefined));
  setSettings({ rulesSeen: { threadwick: 2 }, author: 'Wren' });
  window.dispatchEvent(new Event('pagehide'));
  write.mockRestore();
  jest.resetModules();
  const again = jest.requireActual<typeof import('./attic')>('./attic');
  await again.openAttic(name);
  expect(again.useAttic.getState().settings).toMatchObject({
    rulesSeen: { threadwick: 2 },
    author: 'Wren',
    patienceDays: 90,
  });
  const left = () => Object.keys(localStorage).filter((key) => key.startsWith(`attic-${name}-left-`));
  expect(left()).toEqual([]);
  // One from long ago, and one that is not valid.
  const note = (at: number, part: object) =>
    JSON.stringify({ schema: 1, changes: [], settings: { at, part } });
  localStorage.setItem(`attic-${name}-left-x`, note(1, { author: 'Somebody' }));
  localStorage.setItem(
    `attic-${name}-left-y`,
    note(Date.now() + 1_000, { patienceDays: 'many', nextNumber: 1, __proto__: 1, nothing: 2, tone: 'told' }),
  );
  await openAttic(name);
  const { settings } = useAttic.getState();
  expect(settings).toMatchObject({ author: 'Wren', patienceDays: 90, tone: 'told' });
  expect(settings).not.toHaveProperty('nothing');
  await saveNow();
  expect(left()).toEqual([]);
});

it('leaves alone what another page stored later than a page that was left', async () => {
  const name = fresh();
  await openAttic(name);
  const id = addItem();
  const old = item(id)!;
  editItem(id, 'title', { title: 'Newer' });
  await saveNow();
  localStorage.setItem(
    `attic-${name}-left-x`,
    JSON.stringify({
      schema: 1,
      changes: [
        { collection: 'items', id, record: { ...old, title: 'Older', updatedAt: old.updatedAt - 1 } },
        { collection: 'items', id: 'bad', record: { title: 4 } },
        { collection: 'nothing', id: 'x', record: {} },
      ],
    }),
  );
  localStorage.setItem(`attic-${name}-left-y`, 'not JSON');
  await openAttic(name);
  expect(item(id)?.title).toBe('Newer');
  expect(item('bad')).toBeUndefined();
});

describe('two pages that change the same item in the same moment', () => {
  type Fields = Record<string, unknown>;
  /** A page with an item it has seen, what it does to it, and when. */
  const page = (name: string, seen: Fields, after: Fields | null, at: number) => {
    const edit = toPeers({ collection: 'items', id: 't', before: seen, after });
    const set = new Map(['*', ...Object.keys(edit.was ?? {})].map((field) => [`items t ${field}`, at]));
    const state = {
      ...useAttic.getState(),
      conflicts: [],
      items: (after === null ? {} : { t: after }) as never,
    };
    return { name, edit, state, stamp: { at, page: name }, setAt: (key: string) => set.get(key) ?? null };
  };
  const hears = (one: ReturnType<typeof page>, other: ReturnType<typeof page>) => ({
    ...one.state,
    ...takenOver(one.state, { edits: [other.edit], stamp: other.stamp }, one.setAt, one.name),
  });

  it('come to the same, whatever they did and whichever was first', () => {
    const fields = fc.record({ title: fc.constantFrom('a', 'b', 'c'), price: fc.nat(3) });
    const deed = fc.oneof({ weight: 4, arbitrary: fields }, fc.constant(null));
    fc.assert(
      fc.property(fields, deed, deed, fc.nat(2), fc.nat(2), (seen, x, y, atX, atY) => {
        const [one, other] = [page('one', seen, x, atX), page('other', seen, y, atY)];
        expect(hears(one, other).items).toEqual(hears(other, one).items);
      }),
    );
  });
  it('or the same setting, come to the same', () => {
    const state = useAttic.getState();
    const setBy = (name: string, at: number, author: string) => ({
      name,
      stamp: { at, page: name },
      state: { ...state, settings: { ...state.settings, author } },
      settings: { author },
    });
    const hears = (one: ReturnType<typeof setBy>, other: ReturnType<typeof setBy>) =>
      takenOver(one.state, other, () => one.stamp.at, one.name).settings?.author;
    for (const [a, b] of [
      [5, 5],
      [5, 6],
      [6, 5],
    ] as const) {
      const [one, other] = [setBy('one', a, 'Wren'), setBy('other', b, 'Tolliver')];
      expect(hears(one, other)).toBe(hears(other, one));
    }
  });
  it('are both told whose stands', () => {
    const [one, other] = [
      page('one', { price: 1 }, { price: 2 }, 5),
      page('other', { price: 1 }, { price: 3 }, 5),
    ];
    expect(hears(one, other)).toMatchObject({
      items: { t: { price: 3 } },
      conflicts: [{ kept: 'theirs', mine: 2, theirs: 3 }],
    });
    expect(hears(other, one)).toMatchObject({
      items: { t: { price: 3 } },
      conflicts: [{ kept: 'mine', mine: 3, theirs: 2 }],
    });
  });
});

describe('storing', () => {
  it('goes on after something was thrown unexpectedly, says so meanwhile, loses nothing', async () => {
    const name = fresh();
    await openAttic(name);
    const id = addItem();
    await saveNow();
    const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    // Before anything is written: a record that can't be put into text.
    editItem(id, 'title', { title: 'typed meanwhile' });
    const good = item(id)!;
    const poison = {
      ...good,
      toJSON: () => {
        throw new Error('not to be written');
      },
    };
    useAttic.setState({ items: { [id]: poison } });
    await saveNow();
    expect(useAttic.getState().saveTrouble).toMatch(
      /could not be stored.*kept only while this page stays open/u,
    );
    expect(complained).toHaveBeenCalled();
    complained.mockRestore();
    useAttic.setState({ items: { [id]: good } });
    await saveNow();
    expect(useAttic.getState().saveTrouble).toBeNull();
    await openAttic(name);
    expect(item(id)?.title).toBe('typed meanwhile');
  });
  it('keeps what could be taken back apart where it can’t be read, and opens the rest', async () => {
    const name = fresh();
    await openAttic(name);
    const id = addItem();
    editItem(id, 'title', { title: 'Gansey' });
    await saveNow();
    const disk = new Disk(name);
    const [first] = JSON.parse((await disk.text('journal'))!) as { edits: { after: Fields }[] }[];
    type Fields = Record<string, unknown>;
    const bad = [
      { ...first, edits: [{ collection: 'items', id, before: { price: 1 }, after: { price: 'a lot' } }] },
      { ...first, edits: [{ collection: 'nowhere', id, before: null, after: {} }] },
      { label: 7 },
    ];
    await disk.write({ journal: JSON.stringify([first, ...bad]) });
    await openAttic(name);
    expect(useAttic.getState().journal).toHaveLength(1);
    expect(useAttic.getState().quarantine.map((a) => a.collection)).toEqual(['journal']);
    expect(await disk.text('quarantine:journal')).toContain('a lot');
    await disk.write({ journal: '{"not": "a journal"' });
    await openAttic(name);
    expect(useAttic.getState().journal).toEqual([]);
    expect(item(id)?.title).toBe('Gansey');
  });
});
