import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { RuleSheet } from '@/contract/ruleSheet';

import { failed, Refused } from './adapter';
import { Courier } from './courier';
import { Ledger } from './ledger';
import { saleAt, sendTo, Shop } from './shop.testing';
import { SteadyClock } from './steadyClock';
import { systemTimers, type Timers } from './timers';
import { until } from '../../e2e/serverProcess';
import { handbillAdapter } from '../marketplaces/handbill/adapter';

let courier: Courier;
let ledger: Ledger;
let file: string;
let moor: Shop;
let wick: Shop;

async function open() {
  ledger = await Ledger.open(file);
  courier = await Courier.open(ledger, [moor, wick], async () => new Uint8Array());
  await courier.begin();
}
beforeEach(async () => {
  file = join(mkdtempSync(join(tmpdir(), 'attic-ledger-')), 'ledger.db');
  moor = new Shop('moor');
  wick = new Shop('wick');
  await open();
});
afterEach(() => {
  courier.stop();
  ledger.close();
});

const view = () => courier.views().find((v) => v.view.id === 't')?.view;
const states = () => view()?.listings.map((l) => l.state);
const send = (market: string, id?: string) => courier.command(sendTo(market, id));

it('publishes, hears of a sale, and withdraws from the other', async () => {
  await send('moor');
  await send('wick');
  await until('both are live', () => states()?.join() === 'live,live');
  await courier.take({ type: 'news', market: 'moor', news: [saleAt('moor')], cursor: null });
  await until('it is closed', () => !!view()?.closing?.doneAt);
  expect(states()).toEqual(['sold', 'ended']);
  expect(wick.up.size).toBe(0);
});

it('carries out a command given twice once', async () => {
  expect(await send('moor', 'same')).toEqual({ accepted: true });
  expect(await send('moor', 'same')).toEqual({ accepted: true });
  await until('it is live', () => states()?.[0] === 'live');
  expect(moor.calls).toEqual(['publish t.moor.1']);
});

it('knows all it knew after a restart, and does again what was not answered', async () => {
  await send('moor');
  await until('it is live', () => states()?.[0] === 'live');
  wick.trouble = failed('noAnswer', true);
  await send('wick');
  await until('it was tried', () => wick.calls.length > 0);
  courier.stop();
  ledger.close();
  wick.trouble = null;
  await open();
  expect(states()).toEqual(['live', 'onItsWay']);
  await until('the other is live too', () => states()?.[1] === 'live');
});

it('shows a refusal with its reasons', async () => {
  wick.trouble = new Refused([{ field: 'title', message: 'Too long.' }]);
  await send('wick');
  await until('it is refused', () => states()?.[0] === 'refused');
  expect(view()?.listings[0]?.reasons).toEqual([{ field: 'title', message: 'Too long.' }]);
});

it('does nothing that could not be kept: a failed ledger write changes nothing', async () => {
  const append = jest.spyOn(ledger, 'append').mockRejectedValueOnce(new Error('disk full'));
  await expect(send('moor')).rejects.toThrow('disk full');
  append.mockRestore();
  expect(view()).toBeUndefined();
  expect(moor.calls).toEqual([]);
  expect(await send('moor', 'again')).toEqual({ accepted: true });
});

it('tells whoever listens, with numbers that only go up', async () => {
  const heard: number[] = [];
  const leave = courier.listen(
    ({ seq }) => heard.push(seq ?? 0),
    () => undefined,
  );
  await send('moor');
  await until('it is live', () => states()?.[0] === 'live');
  leave();
  expect(heard.length).toBeGreaterThan(1);
  expect([...heard].sort((a, b) => a - b)).toEqual(heard);
});

it('says which rules are missing and why, and keeps the last ones read', async () => {
  expect(await courier.ruleSheets()).toMatchObject({
    sheets: [],
    missing: [{ market: 'moor', why: { code: 'closed', params: {} } }, {}],
  });
  const sheet = { ...(await handbillAdapter().ruleSheet()), marketplace: 'moor' };
  await ledger.keepSheet('moor', sheet);
  expect((await courier.ruleSheets()).sheets).toEqual([RuleSheet.parse(sheet)]);
  // One that was written by nobody knows whom is as good as none.
  await ledger.keepSheet('moor', { marketplace: 'moor' });
  expect((await courier.ruleSheets()).sheets).toEqual([]);
});

describe('when the machine sleeps, or its clock is set', () => {
  const machine = { wall: Date.now(), steady: 0 };
  const clock = () =>
    new SteadyClock(
      () => machine.wall,
      () => machine.steady,
    );
  const every = new Set<() => void>();
  const timers: Timers = {
    after: systemTimers.after,
    every(_, run) {
      every.add(run);
      return () => every.delete(run);
    },
  };
  const slept = async () => {
    for (const run of every) run();
    await courier.take({ type: 'tick' });
  };

  beforeEach(async () => {
    Object.assign(machine, { wall: Date.now(), steady: 0 });
    every.clear();
    courier.stop();
    courier = await Courier.open(ledger, [moor, wick], async () => new Uint8Array(), {
      clock: clock(),
      timers,
    });
    await courier.begin();
    await send('moor');
    await until('it is live', () => states()?.[0] === 'live');
  });

  it('goes on reading feeds when it is set back', async () => {
    machine.wall -= 7_200_000;
    await slept();
    moor.news = [saleAt('moor')];
    machine.steady += 60_000;
    await courier.take({ type: 'tick' });
    await until('the sale is known', () => view()?.sale !== null);
  });

  it('after a sleep it asks at once, and does again what was out', async () => {
    wick.trouble = failed('noAnswer', true);
    await send('wick');
    await until('it was tried', () => wick.calls.length > 0);
    wick.trouble = null;
    moor.news = [saleAt('moor')];
    machine.wall += 3_600_000;
    await slept();
    await until('the sale is known', () => view()?.sale !== null);
    await until('it is closed', () => !!view()?.closing?.doneAt);
    expect(wick.up.size).toBe(0);
    expect(view()?.sale?.knownAt).toBeGreaterThanOrEqual(machine.wall - 1);
  });
});
