import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { ListingDraft } from '@/contract/courier';
import { emptyCourier, step } from '@/core/courier/step';
import type { CourierEvent, News, Policy } from '@/core/courier/types';

import { tell } from './figure';
import { failed, type Adapter } from '../server/courier/adapter';
import { Courier } from '../server/courier/courier';
import { Ledger, type Entry } from '../server/courier/ledger';

const DRAFT = ListingDraft.parse({
  title: 'Gansey jumper, navy wool, size M',
  description: 'Tightly spun navy wool, darned once at the elbow.',
  price: 4_800,
  currency: 'EUR',
  postage: 420,
  category: 'wear.knit',
  condition: 'sound',
  specifics: { brand: 'K', department: 'Men', size: 'M', colour: 'Blue' },
  answers: {},
  pictures: [],
});
const MARKETS = ['moor', 'wick', 'stile'] as const;
const POLICY: Policy = Object.fromEntries(MARKETS.map((m) => [m, { pollEvery: 3_600_000 }]));

/** A marketplace in memory that answers after a while. */
class Market implements Adapter {
  readonly letters = 'Xx';
  readonly home = '/';
  readonly capabilities = { webhooks: true, review: false, pollEvery: 3_600_000 };
  readonly up = new Set<string>();
  constructor(
    readonly id: string,
    private readonly takes: number,
  ) {}
  readonly name = 'A marketplace';
  ruleSheet = () => Promise.reject(failed('closed', false));
  async publish({ ref }: { ref: string }) {
    this.up.add(ref);
    return { remoteId: ref, url: `/${ref}`, state: 'live' as const };
  }
  revise = async () => 'revised' as const;
  async withdraw(ref: string) {
    await new Promise((done) => setTimeout(done, this.takes));
    return this.up.delete(ref) ? ('withdrawn' as const) : ('absent' as const);
  }
  lookUp = async () => null;
  history = async () => [];
  searchDemand = async () => [];
  eventsSince = async (cursor: string | null) => ({ news: [], cursor: cursor ?? '0' });
}

const fileOf = () => join(mkdtempSync(join(tmpdir(), 'attic-bench-')), 'ledger.db');
const send = (item: string, market: string): CourierEvent => ({
  type: 'command',
  command: { type: 'send', id: `${item}-${market}`, item, market, draft: DRAFT },
});
const published = (item: string, market: string): CourierEvent => ({
  type: 'published',
  market,
  ref: `${item}.${market}.1`,
  remoteId: `${item}${market}`,
  url: `/${item}`,
  state: 'live',
});
const sale = (item: string, market: string, at: number): News => ({
  type: 'sale',
  ref: `${item}.${market}.1`,
  remoteId: item,
  order: `o-${item}`,
  amount: 4_800,
  postage: 420,
  fees: 762,
  at,
});

/** The courier's core and ledger under load: events a second, many sales at once, a long history. */
export async function benchCourier(): Promise<void> {
  decisions();
  await durable();
  await manySales();
  await longHistory();
}

/** Events a second through the decision alone. */
function decisions(): void {
  const state = emptyCourier();
  step(state, { type: 'started', markets: [...MARKETS] }, 1_000, POLICY);
  const events: CourierEvent[] = [];
  for (let i = 0; i < 5_000; i += 1)
    for (const market of MARKETS) events.push(send(`t${i}`, market), published(`t${i}`, market));
  const from = performance.now();
  for (const event of events) step(state, event, 2_000, POLICY);
  tell({
    name: 'courier.decisionsASecond',
    value: (events.length / (performance.now() - from)) * 1_000,
    unit: '1/s',
  });
}

/** Events a second decided one by one and each kept durably before the next. */
async function durable(): Promise<void> {
  const ledger = await Ledger.open(fileOf());
  const courier = await Courier.open(
    ledger,
    MARKETS.map((m) => new Market(m, 0)),
    async () => new Uint8Array(),
  );
  await courier.begin();
  const count = 2_000;
  const from = performance.now();
  for (let i = 0; i < count; i += 1)
    await courier.take({
      type: 'failed',
      market: 'moor',
      ref: `t${i}.moor.1`,
      action: 'withdraw',
      trouble: 'x',
      unclear: false,
      retryAfter: null,
    });
  tell({
    name: 'courier.eventsASecondKept',
    value: (count / (performance.now() - from)) * 1_000,
    unit: '1/s',
  });
  courier.stop();
  ledger.close();
}

/** 5,000 items live on three marketplaces; 500 of them sold within a minute, sped up six times. */
async function manySales(): Promise<void> {
  const items = Array.from({ length: 5_000 }, (_, i) => `t${i}`);
  const ledger = await Ledger.open(fileOf());
  const at = Date.now() - 60_000;
  const entries: Entry[] = [{ event: { type: 'started', markets: [...MARKETS] } }];
  const markets = MARKETS.map((m) => new Market(m, 200));
  for (const item of items)
    for (const market of markets) {
      const ref = `${item}.${market.id}.1`;
      entries.push(
        { event: send(item, market.id), answer: { accepted: true } },
        { event: { type: 'publishDispatched', market: market.id, ref } },
        { event: published(item, market.id) },
      );
      market.up.add(ref);
    }
  for (let i = 0; i < entries.length; i += 5_000) await ledger.append(entries.slice(i, i + 5_000), at);
  const courier = await Courier.open(ledger, markets, async () => new Uint8Array());
  await courier.begin();
  const sold = items.slice(0, 500);
  const pause = 12;
  const waits: Promise<unknown>[] = [];
  for (const item of sold) {
    waits.push(
      courier.take({ type: 'news', market: 'moor', news: [sale(item, 'moor', Date.now())], cursor: null }),
    );
    await new Promise((done) => setTimeout(done, pause));
  }
  await Promise.all(waits);
  const closings = () => courier.views().flatMap(({ view }) => (view.closing ? [view.closing] : []));
  const end = Date.now() + 60_000;
  while (closings().some((c) => c.doneAt === null) && Date.now() < end)
    await new Promise((done) => setTimeout(done, 50));
  const all = closings();
  const took = all.map((c) => (c.doneAt ?? Infinity) - c.startedAt).sort((a, b) => a - b);
  const stillUp = sold.filter((t) =>
    markets.some((m) => m.id !== 'moor' && m.up.has(`${t}.${m.id}.1`)),
  ).length;
  const others = markets.filter((m) => m.id !== 'moor').reduce((n, m) => n + m.up.size, 0);
  tell({ name: 'courier.salesLost', value: sold.length - all.length, unit: 'sales', goal: 0 });
  tell({ name: 'courier.soldAndStillUp', value: stillUp, unit: 'items', goal: 0 });
  tell({
    name: 'courier.withdrawnUnasked',
    value: (items.length - sold.length) * 2 - others,
    unit: 'listings',
    goal: 0,
  });
  tell({
    name: 'courier.closingOfManyP95',
    value: took[Math.floor(took.length * 0.95)] ?? Infinity,
    unit: 'ms',
  });
  courier.stop();
  ledger.close();
}

/** A ledger of a million lines: opened with what was kept of it, and read from the start. */
async function longHistory(): Promise<void> {
  const file = fileOf();
  const LINES = 1_000_000;
  let ledger = await Ledger.open(file);
  const at = Date.now() - 60_000;
  await ledger.append([{ event: { type: 'started', markets: [...MARKETS] } }], at);
  let written = 1;
  for (let i = 0; written < LINES; i += 1) {
    const entries: Entry[] = [];
    for (let n = 0; n < 1_000; n += 1) {
      const item = `t${(i * 1_000 + n) % 5_000}`;
      // There are three.
      const market = MARKETS[n % 3]!;
      const ref = `${item}.${market}.1`;
      if (i < 5)
        entries.push(
          { event: send(item, market), answer: { accepted: true } },
          { event: published(item, market) },
        );
      for (let k = 0; k < 4; k += 1)
        entries.push({
          event: {
            type: 'failed',
            market,
            ref,
            action: 'revise',
            trouble: 'No answer in time.',
            unclear: true,
            retryAfter: null,
          },
        });
    }
    await ledger.append(entries, at);
    written += entries.length;
  }
  const markets = MARKETS.map((m) => new Market(m, 0));
  const open = async () => {
    const from = performance.now();
    const courier = await Courier.open(ledger, markets, async () => new Uint8Array());
    const took = (performance.now() - from) / 1_000;
    courier.stop();
    return took;
  };
  tell({ name: 'courier.millionLinesReadFromTheStart', value: await open(), unit: 's' });
  ledger.close();
  ledger = await Ledger.open(file);
  tell({ name: 'courier.millionLinesOpened', value: await open(), unit: 's', goal: 2 });
  ledger.close();
}
