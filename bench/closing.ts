import { createCanvas } from '@napi-rs/canvas';
import { createHash } from 'node:crypto';

import type { ListingDraft } from '@/contract/courier';

import { median, tell } from './figure';
import { ServerProcess, until } from '../e2e/serverProcess';

/** Each marketplace takes this long to answer, so that our own share can be told from theirs. */
const LATENCY = 400;
const ROUNDS = 5;
/** The slow one takes thirty times as long as the others, and still answers before a call counts as lost. */
const CALM = 200;
const SLOW = 30 * CALM;

const common = {
  postage: 420,
  currency: 'EUR',
  answers: {},
  clip: null,
  tags: [],
  auction: null,
  search: null,
  terms: null,
  paid: { promotionBp: 0, extras: {} },
};
const DRAFTS: Record<string, Omit<ListingDraft, 'pictures' | 'title'>> = {
  brackenmoor: {
    ...common,
    description: 'Tightly spun navy wool, darned once.',
    price: 4800,
    category: 'wear.knit',
    condition: 'sound',
    specifics: { brand: 'K', department: 'Men', size: 'M', colour: 'Blue' },
  },
  threadwick: {
    ...common,
    description: 'Tightly spun navy wool.',
    price: 4800,
    category: 'knits',
    condition: '3',
    specifics: { department: 'Men', size: 'M', colour: 'Blue' },
  },
  nearstile: {
    ...common,
    description: '',
    price: 4000,
    postage: 0,
    category: 'clothing',
    condition: 'used',
    specifics: {},
    answers: { place: 'Harbour steps' },
  },
};

interface View {
  listings: { market: string; state: string; url: string | null }[];
  closing: {
    startedAt: number;
    doneAt: number | null;
    entries: { market: string; outcome: string; at: number | null }[];
  } | null;
}

/** From "the sale is known" to "withdrawn everywhere", over the slowest marketplace's own answer time. */
export async function benchClosing(): Promise<void> {
  const server = await ServerProcess.start();
  try {
    const { token } = (await (await fetch(`${server.address}/api/session`)).json()) as { token: string };
    const headers = { 'x-attic-session': token, 'content-type': 'application/json' };
    const pictures: string[] = [];
    for (let i = 0; i < 4; i += 1) {
      const bytes = await createCanvas(800 + i, 800 + i).encode('jpeg', 80);
      const hash = createHash('sha256').update(bytes).digest('hex');
      await fetch(`${server.address}/api/pictures/${hash}`, {
        method: 'PUT',
        headers,
        body: new Uint8Array(bytes),
      });
      pictures.push(hash);
    }
    const viewOf = (id: string) => lastView(server.address, headers, id);
    /** Puts an item up everywhere, and waits until it is live. */
    const putUp = async (round: number): Promise<string> => {
      const item = `bench-${round}`;
      for (const [market, draft] of Object.entries(DRAFTS)) {
        await server.switchboard(market, { latency: 0, reviewTime: 0 });
        const command = {
          type: 'send',
          id: `${item}-${market}`,
          item,
          market,
          draft: { ...draft, title: `Jumper ${round}`, pictures },
        };
        await fetch(`${server.address}/api/commands`, {
          method: 'POST',
          headers,
          body: JSON.stringify(command),
        });
      }
      await until('live everywhere', async () => {
        const view = await viewOf(item);
        return view?.listings.length === 3 && view.listings.every((l) => l.state === 'live');
      });
      return item;
    };
    const goneAt = async (item: string, market: string) =>
      (await viewOf(item))?.closing?.entries.find((e) => e.market === market && e.outcome === 'withdrawn')
        ?.at ?? null;
    const latencies = async (of: (market: string) => number) => {
      for (const market of Object.keys(DRAFTS)) await server.switchboard(market, { latency: of(market) });
    };
    const buy = async (item: string) => {
      const url = (await viewOf(item))?.listings.find((l) => l.market === 'brackenmoor')?.url ?? '';
      await fetch(`${server.address}${url}/buy`, { method: 'POST', redirect: 'manual' });
    };
    const ratios: number[] = [];
    const times: number[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
      const item = await putUp(round);
      await latencies(() => LATENCY);
      const slowest = Math.max(
        ...(await Promise.all(Object.keys(DRAFTS).map((m) => answerTime(server.address, m)))),
      );
      await buy(item);
      await until('closed', async () => !!(await viewOf(item))?.closing?.doneAt);
      const closing = (await viewOf(item))?.closing;
      const took = (closing?.doneAt ?? 0) - (closing?.startedAt ?? 0);
      times.push(took);
      ratios.push(took / slowest);
    }
    tell({ name: 'closing.saleKnownToAllWithdrawn', value: median(times), unit: 'ms' });
    tell({ name: 'closing.overSlowestAnswer', value: median(ratios), unit: 'ratio', goal: 1.2 });

    // One marketplace is thirty times as slow: the others do not wait for it.
    const others: number[] = [];
    for (let round = ROUNDS; round < ROUNDS + 3; round += 1) {
      const item = await putUp(round);
      await latencies((market) => (market === 'threadwick' ? SLOW : CALM));
      const answer = CALM + (await answerTime(server.address, 'nearstile')) - LATENCY;
      await buy(item);
      await until('gone from the quick one', async () => (await goneAt(item, 'nearstile')) !== null);
      const closing = (await viewOf(item))?.closing;
      others.push((((await goneAt(item, 'nearstile')) ?? 0) - (closing?.startedAt ?? 0)) / answer);
      await until('closed', async () => !!(await viewOf(item))?.closing?.doneAt);
    }
    tell({
      name: 'closing.othersWhileOneIsThirtyTimesSlower',
      value: median(others),
      unit: 'ratio',
      goal: 1.2,
    });
  } finally {
    await server.kill();
  }
}

/**
 * How long a marketplace takes to answer: the delay it is set to, and a round trip to it as measured
 * now (its public page, which is not delayed).
 */
async function answerTime(address: string, market: string): Promise<number> {
  const before = performance.now();
  await (await fetch(`${address}/outside/${market}/`)).text();
  return LATENCY + performance.now() - before;
}

/** The item's view, from a fresh look at the event stream. */
async function lastView(address: string, headers: Record<string, string>, id: string): Promise<View | null> {
  const stop = new AbortController();
  const response = await fetch(`${address}/api/events`, { headers, signal: stop.signal });
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  while (reader && !text.includes('event: caughtUp')) {
    const { done, value } = await reader.read();
    if (done) break;
    text += value;
  }
  stop.abort();
  const line = text
    .split('\n')
    .filter((l) => l.startsWith('data: {"id":') && l.includes(`"${id}"`))
    .at(-1);
  return line ? (JSON.parse(line.slice(6)) as View) : null;
}
