import { createCanvas } from '@napi-rs/canvas';
import { createHash } from 'node:crypto';
import { z } from 'zod';

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

const MARKETS = Object.keys(DRAFTS);

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
    const evening = await Evening.begin(server);
    await benchAllTogether(evening);
    await benchOneSlow(evening);
  } finally {
    await server.kill();
  }
}

async function benchAllTogether(evening: Evening): Promise<void> {
  const ratios: number[] = [];
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const item = await evening.putUp(round);
    await evening.latencies(() => LATENCY);
    const slowest = Math.max(...(await Promise.all(MARKETS.map((m) => evening.answerTime(m)))));
    await evening.buy(item);
    const closing = await evening.closed(item);
    const took = (closing.doneAt ?? 0) - closing.startedAt;
    times.push(took);
    ratios.push(took / slowest);
  }
  tell({ name: 'closing.saleKnownToAllWithdrawn', value: median(times), unit: 'ms' });
  tell({ name: 'closing.overSlowestAnswer', value: median(ratios), unit: 'ratio', goal: 1.2 });
}

/** One marketplace is thirty times as slow: the others do not wait for it. */
async function benchOneSlow(evening: Evening): Promise<void> {
  const others: number[] = [];
  for (let round = ROUNDS; round < ROUNDS + 3; round += 1) {
    const item = await evening.putUp(round);
    await evening.latencies((market) => (market === 'threadwick' ? SLOW : CALM));
    const answer = CALM + (await evening.answerTime('nearstile')) - LATENCY;
    await evening.buy(item);
    await until('gone from the quick one', async () => (await evening.goneAt(item, 'nearstile')) !== null);
    const gone = (await evening.goneAt(item, 'nearstile')) ?? 0;
    const { startedAt } = await evening.closed(item);
    others.push((gone - startedAt) / answer);
  }
  tell({
    name: 'closing.othersWhileOneIsThirtyTimesSlower',
    value: median(others),
    unit: 'ratio',
    goal: 1.2,
  });
}

/** An attic at its server, that puts items up and whose items are bought. */
class Evening {
  private constructor(
    private readonly server: ServerProcess,
    private readonly headers: Record<string, string>,
    private readonly pictures: readonly string[],
  ) {}

  static async begin(server: ServerProcess): Promise<Evening> {
    const { token } = z
      .object({ token: z.string() })
      .parse(await (await fetch(`${server.address}/api/session`)).json());
    const headers = { 'x-attic-session': token, 'content-type': 'application/json' };
    const pictures: string[] = [];
    for (let i = 0; i < 4; i += 1) {
      const bytes = await createCanvas(800 + i, 800 + i).encode('jpeg', 80);
      const hash = createHash('sha256').update(bytes).digest('hex');
      const body = new Uint8Array(bytes);
      await fetch(`${server.address}/api/pictures/${hash}`, { method: 'PUT', headers, body });
      pictures.push(hash);
    }
    return new Evening(server, headers, pictures);
  }

  viewOf(id: string): Promise<View | null> {
    return lastView(this.server.address, this.headers, id);
  }

  /** Puts an item up everywhere, and waits until it is live. */
  async putUp(round: number): Promise<string> {
    const item = `bench-${round}`;
    for (const [market, draft] of Object.entries(DRAFTS)) {
      await this.server.switchboard(market, { latency: 0, reviewTime: 0 });
      const command = {
        type: 'send',
        id: `${item}-${market}`,
        item,
        market,
        draft: { ...draft, title: `Jumper ${round}`, pictures: this.pictures },
      };
      await fetch(`${this.server.address}/api/commands`, {
        method: 'POST',
        headers: this.headers,
        body: JSON.stringify(command),
      });
    }
    await until('live everywhere', async () => {
      const view = await this.viewOf(item);
      return view?.listings.length === 3 && view.listings.every((l) => l.state === 'live');
    });
    return item;
  }

  async latencies(of: (market: string) => number): Promise<void> {
    for (const market of MARKETS) await this.server.switchboard(market, { latency: of(market) });
  }

  async buy(item: string): Promise<void> {
    const url = (await this.viewOf(item))?.listings.find((l) => l.market === 'brackenmoor')?.url ?? '';
    await fetch(`${this.server.address}${url}/buy`, { method: 'POST', redirect: 'manual' });
  }

  /** When it was withdrawn from a marketplace; null as long as it is not. */
  async goneAt(item: string, market: string): Promise<number | null> {
    const entries = (await this.viewOf(item))?.closing?.entries ?? [];
    return entries.find((e) => e.market === market && e.outcome === 'withdrawn')?.at ?? null;
  }

  /** The closing, once it is done. */
  async closed(item: string): Promise<NonNullable<View['closing']>> {
    await until('closed', async () => !!(await this.viewOf(item))?.closing?.doneAt);
    const closing = (await this.viewOf(item))?.closing;
    if (!closing) throw new Error(`${item} has no closing record any more.`);
    return closing;
  }

  /**
   * How long a marketplace takes to answer: the delay it is set to, and a round trip to it as measured
   * now (its public page, which is not delayed).
   */
  async answerTime(market: string): Promise<number> {
    const before = performance.now();
    await (await fetch(`${this.server.address}/outside/${market}/`)).text();
    return LATENCY + performance.now() - before;
  }
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
  // Our own server's, whose events are tried elsewhere.
  return line ? (JSON.parse(line.slice(6)) as View) : null;
}
