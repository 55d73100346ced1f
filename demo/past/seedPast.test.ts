import { createCanvas } from '@napi-rs/canvas';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { ListingDraft } from '@/contract/courier';
import { Settings } from '@/contract/records';

import { PAST_ITEMS, pastBefore } from './past';
import { seedPast } from './seedPast';
import { freePort, until } from '../../e2e/serverProcess';
import { start, type Running } from '../../server/start';

const running: Running[] = [];
afterEach(async () => {
  for (const one of running.splice(0)) await one.stop();
});

const settings = Settings.parse({ id: 'settings' });
const folder = (name: string) => mkdtempSync(join(tmpdir(), `attic-${name}-`));

/** A world with nothing in it but what the past needs. */
function world(): string {
  const at = folder('world');
  mkdirSync(join(at, 'pictures'));
  writeFileSync(join(at, 'world.json'), JSON.stringify({ settings, past: true }));
  const { files } = pastBefore(Date.now(), settings.codePattern).records;
  for (const file of new Set(Object.values(files)))
    writeFileSync(join(at, 'pictures', `${file}-full.jpg`), 'picture');
  return at;
}

async function begin(demo: string, data: string): Promise<Running> {
  const one = await start({
    port: await freePort(),
    data,
    dist: demo,
    demo,
    before: (ledger) => seedPast(ledger, demo, data),
  });
  running.push(one);
  return one;
}

it('a courier that begins with a past has nothing to do about it, and tells of all its sales', async () => {
  const [demo, data] = [world(), folder('past')];
  const { courier, address } = await begin(demo, data);
  const views = courier.views().map(({ view }) => view);
  expect(views).toHaveLength(PAST_ITEMS);
  expect(views.flatMap((v) => v.listings).filter((l) => l.doing !== null)).toEqual([]);
  const records = (await (await fetch(`${address}/demo/past.json`)).json()) as {
    items: { id: string }[];
    pictures: { bytes: number }[];
  };
  expect(new Set(records.items.map((i) => i.id))).toEqual(new Set(views.map((v) => v.id)));
  expect(records.pictures[0]?.bytes).toBe('picture'.length);
  // Started again, it is the same past: nothing is written twice, and nothing looked at as strange.
  for (const one of running.splice(0)) await one.stop();
  const again = await begin(demo, data);
  expect(again.courier.views()).toHaveLength(PAST_ITEMS);
  expect(readdirSync(join(data, 'demo'))).toEqual(['past.json']);
  expect(readFileSync(join(data, 'demo', 'past.json'), 'utf8')).toBe(JSON.stringify(records));
});

it('simulated buyers buy what is listed, by the marketplace’s own pages', async () => {
  const demo = world();
  const { courier, shelf, bustle } = await begin(demo, folder('bustle'));
  const bytes = await createCanvas(800, 800).encode('jpeg', 80);
  const hash = createHash('sha256').update(bytes).digest('hex');
  await shelf.put(hash, bytes);
  const draft = ListingDraft.parse({
    title: 'Two candlesticks',
    description: 'A pair of turned candlesticks, sound.',
    price: 2_400,
    currency: 'EUR',
    postage: 420,
    category: 'shop',
    condition: 'good',
    specifics: {},
    answers: {},
    pictures: [hash],
  });
  const sent = await courier.command({
    type: 'send',
    id: 'c1',
    item: 'candles',
    market: 'lanternyard',
    draft,
  });
  expect(sent.accepted).toBe(true);
  const listing = () => courier.views().find((v) => v.view.id === 'candles')?.view;
  await until('it is listed, or refused', () => {
    const state = listing()?.listings[0]?.state;
    return state === 'live' || state === 'refused';
  });
  expect(listing()?.listings[0]).toMatchObject({ state: 'live' });
  for (let n = 0; n < 3_000 && !bustle.done.some((d) => d.deed === 'buy'); n += 1) await bustle.come();
  await until('the courier hears of it', () => listing()?.sale?.market === 'lanternyard');
});
