import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

import { SCHEMA_VERSION } from '@/contract/migrations';
import { COLLECTIONS, Item, Plan } from '@/contract/records';
import { recordOf, registersOf } from '@/core/sync/registers';
import { bringBack, openCopy } from '@/store/copies/readCopy';
import { leftIncoming, useIncoming } from '@/store/pictures/incoming';
import { emptyAttic } from '@/testing/world';

import { openAttic, readBlob, saveNow, undo, useAttic } from './attic';
import { findAttics } from './attics';
import { Disk } from './disk';
import { COLLECTION_NAMES } from './records';

/* What code of earlier days stored opens with today's, and nothing of it is lost. */

const FOLDER = join(__dirname, '../../../fixtures/2026-11');
const Bytes = z.object({ type: z.string(), base64: z.string() });
const Kept = z.object({
  left: z.record(z.string(), z.string()),
  stored: z.record(z.string(), z.union([z.string(), Bytes])),
  journal: z.number(),
});
const kept = Kept.parse(JSON.parse(readFileSync(join(FOLDER, 'browser.json'), 'utf8')));
const state = () => useAttic.getState();

/** What was stored under a name, page by page, as it was written. */
function raw(collection: string): Record<string, Record<string, unknown>> {
  const pages = Object.entries(kept.stored).filter(([key]) => key.startsWith(`${collection}:`));
  return Object.assign({}, ...pages.map(([, page]) => JSON.parse(String(page)) as object));
}

let name: string;
beforeEach(async () => {
  name = `earlier-${Math.random()}`;
  const disk = new Disk(name);
  for (const [key, value] of Object.entries(kept.stored))
    await disk.write({
      [key]:
        typeof value === 'string'
          ? value
          : new Blob([Buffer.from(value.base64, 'base64')], { type: value.type }),
    });
  localStorage.clear();
});
/** As if the last change had not been stored any more when the page was left. */
async function leave(): Promise<void> {
  for (const [page, note] of Object.entries(kept.left)) localStorage.setItem(`attic-${name}-${page}`, note);
  const disk = new Disk(name);
  for (const key of (await disk.keys()).filter((k) => k === 'settings' || k.startsWith('things:'))) {
    const text = (await disk.text(key)) ?? '';
    await disk.write({ [key]: text.replace(', left in a hurry', '').replace('"Quay 3"', '""') });
  }
}

describe('an attic that was stored while what is sold was a thing', () => {
  it('is found by its name before it is opened', async () =>
    expect((await findAttics()).find((one) => one.name === name)).toMatchObject({ items: 3 }));

  it('opens with every record and every field', async () => {
    await openAttic(name);
    expect(state().quarantine).toEqual([]);
    for (const collection of COLLECTION_NAMES) {
      const before = raw(collection === 'items' ? 'things' : collection);
      expect([collection, Object.keys(state()[collection]).sort()]).toEqual([
        collection,
        Object.keys(before).sort(),
      ]);
    }
    // And comes back whole from the parts that two devices may change without asking each other.
    for (const collection of COLLECTION_NAMES)
      for (const record of Object.values(state()[collection]))
        expect(COLLECTIONS[collection].parse(recordOf(collection, registersOf(collection, record)))).toEqual(
          record,
        );
    const [id, thing] = Object.entries(raw('things')).find(([, t]) =>
      JSON.stringify(t.aside).includes('frame'),
    )!;
    // Fields that came since are as they begin; none of the old names is left.
    const fresh = Item.parse({ id, code: 'new', author: '', createdAt: 0, updatedAt: 0 });
    expect(state().items[id]).toEqual({
      ...fresh,
      ...without(thing, 'aside'),
      parked: { facts: { frame: 'steel' }, measurements: { wheel: 660 } },
      flaws: [expect.objectContaining({ type: 'moth hole', place: 'left elbow', sizeMm: 3 })],
    });
    for (const [planned, plan] of Object.entries(raw('plans')))
      expect(state().plans[planned]).toEqual({
        ...Plan.parse({ id: planned, itemId: 'new', market: 'new', wanted: false }),
        ...without(plan, 'thingId', 'adoptedPrint'),
        itemId: plan.thingId,
        adoptedHash: plan.adoptedPrint,
      });
    const order = Object.values(state().orders)[0];
    expect(order).toMatchObject({ itemId: id, back: { reason: 'wrongItem' } });
    for (const picture of Object.values(state().pictures))
      expect(state().items[picture.itemId]).toBeDefined();
    const turned = Object.values(state().pictures).filter((picture) => picture.steps.length > 0);
    expect(turned).toEqual([
      expect.objectContaining({
        steps: [
          { type: 'turn', quarters: 1 },
          { type: 'straighten', degrees: 3 },
        ],
        undone: [{ type: 'white', shadow: 'kept' }],
      }),
    ]);
    expect(state().settings).toMatchObject({ author: 'Odile', meetingPlaces: ['Harbour steps'] });
  });

  it('is stored anew by today’s names in one write, and opens again from there', async () => {
    await openAttic(name);
    const opened = { ...state() };
    const disk = new Disk(name);
    await saveNow();
    const keys = await disk.keys();
    expect(keys.filter((key) => key.startsWith('things:'))).toEqual([]);
    expect(JSON.parse((await disk.text('meta')) ?? '')).toMatchObject({ schema: SCHEMA_VERSION });
    const [page = ''] = keys.filter((key) => key.startsWith('items:'));
    expect(await disk.text(page)).toContain('parked');
    await openAttic(name);
    for (const collection of COLLECTION_NAMES) expect(state()[collection]).toEqual(opened[collection]);
    expect(state().journal).toEqual(opened.journal);
  });

  it('can still take back what was done before', async () => {
    await openAttic(name);
    expect(state().journal).toHaveLength(kept.journal);
    const removed = state().journal.find((c) => c.label === 'picture removed')!;
    const picture = removed.edits.find((e) => e.collection === 'pictures')!.id;
    expect(state().pictures[picture]).toBeUndefined();
    undo(removed);
    const again = state().pictures[picture]!;
    expect(state().items[again.itemId]?.pictureIds).toContain(picture);
    expect(await readBlob(`picture:${picture}:thumb`)).not.toBeNull();
    const parked = state().journal.find((c) => c.label === 'condition')!;
    const [{ id } = { id: '' }] = parked.edits;
    undo(parked);
    expect(state().items[id]).toMatchObject({ flaws: [{ type: 'darned' }], parked: { facts: {} } });
  });

  it('takes over what a page had noted down when it was left, and what was not finished', async () => {
    await leave();
    await openAttic(name);
    expect(Object.values(state().items).map((i) => i.title)).toContain('Marrow spoon, left in a hurry');
    expect(state().settings.sender).toBe('Quay 3');
    const [waiting] = await leftIncoming();
    expect(waiting?.about.itemId).toBe(Object.values(state().orders)[0]?.itemId);
    expect(waiting?.file.size).toBeGreaterThan(0);
    useIncoming.setState({ waiting: [], notTaken: [] });
  });

  it.each([
    ['is gone', null],
    ['is no JSON', '{"schema":'],
    ['says nothing', '{"schema":"one"}'],
  ])('loses nothing where what tells its version %s', async (_, meta) => {
    const disk = new Disk(name);
    if (meta === null) await disk.remove(['meta']);
    else await disk.write({ meta });
    await openAttic(name);
    expect(Object.keys(state().items)).toHaveLength(3);
    expect(state().quarantine).toEqual([]);
    await openAttic(name);
    expect(Object.keys(state().items)).toHaveLength(3);
  });

  it('is not opened beside a page of the earlier version, which would write over it', async () => {
    const request = async (_: string, options: LockOptions, work: (lock: object | null) => unknown) =>
      work(options.ifAvailable ? null : {});
    Object.defineProperty(navigator, 'locks', { configurable: true, value: { request } });
    await expect(openAttic(name)).rejects.toThrow('Close it, then reload this one.');
    Object.defineProperty(navigator, 'locks', { configurable: true, value: undefined });
    expect(await new Disk(name).text('meta')).toBe(kept.stored.meta);
    await openAttic(name);
    expect(Object.keys(state().items)).toHaveLength(3);
  });

  it('keeps what a page of the earlier version wrote beside it afterwards', async () => {
    await openAttic(name);
    await saveNow();
    const disk = new Disk(name);
    const [id, thing] = Object.entries(raw('things'))[0]!;
    const later = { ...thing, title: 'Written by the page before', updatedAt: Date.now() + 1_000 };
    await disk.write({ 'things:0': JSON.stringify({ [id]: later }), meta: '{"schema":1,"settingsAt":0}' });
    await openAttic(name);
    expect(state().items[id]?.title).toBe('Written by the page before');
    expect(Object.keys(state().items)).toHaveLength(3);
  });
});

it('a copy that was saved then brings everything back', async () => {
  await emptyAttic();
  const copy = await openCopy(new Blob([readFileSync(join(FOLDER, 'copy.zip'))]));
  expect(copy).toMatchObject({ leftOut: [], differing: 0, counts: { items: 3 }, head: { schema: 1 } });
  await bringBack(copy, false, () => undefined);
  expect(Object.keys(state().items)).toHaveLength(3);
  expect(Object.values(state().plans).filter((plan) => plan.adoptedHash === 'abc123')).toHaveLength(1);
  expect(Object.values(state().items).flatMap((i) => i.flaws.map((f) => f.type))).toContain('moth hole');
  expect(state().settings.author).toBe('Odile');
});

function without(record: Record<string, unknown>, ...names: string[]): Record<string, unknown> {
  return Object.fromEntries(Object.entries(record).filter(([field]) => !names.includes(field)));
}
