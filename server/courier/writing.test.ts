import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { Courier } from './courier';
import { Ledger } from './ledger';
import { CannotWrite } from './ledgerWriter';
import { saleAt, sendTo, Shop } from './shop.testing';
import { until } from '../../e2e/serverProcess';
import type { Log } from '../faults/log';

/** What the embedded database says when the disk is full. */
const FULL = Object.assign(new Error('SQLITE_FULL: database or disk is full'), { code: 'SQLITE_FULL' });

class CountingLog implements Log {
  faults: unknown[] = [];
  notes: string[] = [];
  fault(_: string, error: unknown) {
    this.faults.push(error);
  }
  note(what: string) {
    this.notes.push(what);
  }
  close() {}
}

let courier: Courier;
let ledger: Ledger;
let file: string;
let log: CountingLog;
let moor: Shop;
let wick: Shop;
let full: { append: jest.SpyInstance; try: jest.SpyInstance } | null;

async function open() {
  ledger = await Ledger.open(file);
  courier = await Courier.open(ledger, [moor, wick], async () => new Uint8Array(), { log });
  await courier.begin();
}
function fillDisk() {
  full = {
    append: jest.spyOn(ledger, 'append').mockRejectedValue(FULL),
    try: jest.spyOn(ledger, 'tryWriting').mockRejectedValue(FULL),
  };
}
function makeRoom() {
  full?.append.mockRestore();
  full?.try.mockRestore();
}
beforeEach(async () => {
  file = join(mkdtempSync(join(tmpdir(), 'attic-full-')), 'ledger.db');
  moor = new Shop('moor');
  wick = new Shop('wick');
  log = new CountingLog();
  await open();
  for (const shop of [moor, wick]) await courier.command(sendTo(shop.id));
  await until('both are live', () => states()?.join() === 'live,live');
});
afterEach(() => {
  courier.stop();
  ledger.close();
});
const view = () => courier.views().find((v) => v.view.id === 't')?.view;
const states = () => view()?.listings.map((l) => l.state);

it('a sale is closed though nothing can be written, and written down once there is room', async () => {
  const told: (string | null)[] = [];
  const leave = courier.listen(
    () => undefined,
    () => undefined,
    () => told.push(courier.health().cannotWrite),
  );
  fillDisk();
  await courier.take({ type: 'news', market: 'moor', news: [saleAt('moor')], cursor: null });
  await until('the other is gone', () => wick.up.size === 0);
  expect(courier.health()).toMatchObject({ cannotWrite: 'full' });
  expect(states()).toEqual(['sold', 'ended']);
  makeRoom();
  await until('it can write again', () => courier.health().cannotWrite === null);
  leave();
  expect(told).toEqual(['full', null]);
  expect(log.notes).toEqual(['the ledger can be written again']);
  courier.stop();
  ledger.close();
  await open();
  expect(states()).toEqual(['sold', 'ended']);
  expect(view()?.closing?.doneAt).not.toBeNull();
});

it('takes on nothing new meanwhile: a command is refused with why, and nothing is published', async () => {
  await courier.command({ type: 'withdraw', id: 'down', item: 't', market: 'wick' });
  await until('it is down', () => states()?.[1] === 'ended');
  wick.calls = [];
  fillDisk();
  const refused = await courier.command(sendTo('wick', 'again')).catch((error: unknown) => error);
  expect(refused).toBeInstanceOf(CannotWrite);
  expect((refused as CannotWrite).why).toBe('full');
  await expect(courier.command({ type: 'withdraw', id: 'down2', item: 't', market: 'moor' })).rejects.toThrow(
    CannotWrite,
  );
  expect(states()).toEqual(['live', 'ended']);
  expect(wick.calls).toEqual([]);
  makeRoom();
  await until('it can write again', () => courier.health().cannotWrite === null);
  expect(await courier.command(sendTo('wick', 'again'))).toEqual({ accepted: true });
  await until('it is live again', () => states()?.[1] === 'live');
});

it('a listing that was about to go waits, and goes once that can be written down', async () => {
  fillDisk();
  await courier.take({ type: 'tick' });
  makeRoom();
  // The command is taken, but letting it out is not written.
  const append = jest.spyOn(ledger, 'append').mockImplementation(async (entries, now) => {
    if (entries.some((e) => e.event.type === 'publishDispatched')) throw FULL;
    append.mockRestore();
    const seq = await ledger.append(entries, now);
    fillDisk();
    return seq;
  });
  await courier.command({ ...sendTo('wick', 'new'), item: 'u' });
  await until('it says so', () => courier.health().cannotWrite !== null);
  expect(wick.calls).not.toContain('publish u.wick.1');
  makeRoom();
  await until('it is live', () => wick.up.has('u.wick.1'));
});

it('backs off: a long time without room is a few tries and one line in the log, not thousands', async () => {
  fillDisk();
  await courier.take({ type: 'news', market: 'moor', news: [saleAt('moor')], cursor: null });
  await until('the other is gone', () => wick.up.size === 0);
  await new Promise((done) => setTimeout(done, 1_500));
  expect(full?.append.mock.calls.length).toBeLessThan(6);
  expect(log.faults).toHaveLength(1);
});

it('forgets in a crash meanwhile only what will be told again', async () => {
  moor.news = [saleAt('moor')];
  fillDisk();
  await courier.take({ type: 'news', market: 'moor', news: [saleAt('moor')], cursor: '1' });
  await until('the other is gone', () => wick.up.size === 0);
  courier.stop();
  makeRoom();
  ledger.close();
  await open();
  // The marketplace tells it again, for the ledger never heard how far it was read.
  await until('the sale is known', () => states()?.[0] === 'sold');
  await until(
    'it is taken down once more',
    () => wick.calls.filter((c) => c.startsWith('withdraw')).length === 2,
  );
});

it('a page that comes meanwhile is told all of it, again with its line once that is written', async () => {
  fillDisk();
  await courier.take({ type: 'news', market: 'moor', news: [saleAt('moor')], cursor: null });
  expect(courier.views().find((v) => v.view.id === 't')?.seq).toBeNull();
  const heard: (number | null)[] = [];
  const leave = courier.listen(
    ({ seq }) => heard.push(seq),
    () => undefined,
  );
  makeRoom();
  await until('it can write again', () => courier.health().cannotWrite === null);
  leave();
  expect(heard.at(-1)).toBeGreaterThan(0);
});

it('a fault of ours is logged with its stack, told in general words, and not tried for ever', async () => {
  const { calls } = wick;
  wick.trouble = new TypeError('Cannot read properties of undefined (reading "x")');
  await courier.command({ ...sendTo('wick', 'fault'), item: 'u' });
  const shown = () => courier.views().find((v) => v.view.id === 'u')?.view.listings[0];
  await until('it was tried', () => (shown()?.tries ?? 0) > 0 && shown()?.trouble !== null);
  expect(shown()?.trouble).toEqual({ code: 'ourFault', params: {} });
  expect(log.faults[0]).toBe(wick.trouble);
  expect((log.faults[0] as Error).stack).toContain('writing.test');
  expect(calls.filter((c) => c === 'publish u.wick.1')).toHaveLength(1);
});
