import { Hono } from 'hono';
import { html } from 'hono/html';

import { Agent, type Ask } from './agent';
import { Buyers, type Done } from './buyer';
import { page } from '../standins/kit/page';

/** How many buyers come by in a minute. */
export const PACES = { off: 0, quiet: 2, lively: 12, rush: 60 } as const;
export type Pace = keyof typeof PACES;

export const isPace = (word: string): word is Pace => Object.hasOwn(PACES, word);

export interface BustleOptions {
  ask: Ask;
  /** Where the outside is mounted. */
  base: string;
  markets: readonly string[];
  pace: Pace;
  seed: number;
  /** Told of what nobody expected. */
  onFault: (error: unknown) => void;
}

/** How many of the newest deeds are shown. */
const SHOWN = 30;

/** Simulated buyers who look, ask, haggle, bid and buy, at a pace that can be chosen and changed. */
export class Bustle {
  private readonly buyers: Buyers;
  private readonly newest: Done[] = [];
  private timer: NodeJS.Timeout | null = null;
  private busy = false;
  private current: Pace;

  constructor(private readonly options: BustleOptions) {
    this.buyers = new Buyers(new Agent(options.ask, options.base), options.markets, options.seed);
    this.current = options.pace;
    this.setPace(options.pace);
  }

  get pace(): Pace {
    return this.current;
  }

  /** What was done, the newest first. */
  get done(): readonly Done[] {
    return this.newest;
  }

  setPace(pace: Pace): void {
    this.stop();
    this.current = pace;
    if (PACES[pace] > 0) this.timer = setInterval(() => void this.come(), 60_000 / PACES[pace]);
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
  }

  /** One buyer at a time: where a marketplace is slow, the next one does not come. */
  async come(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    try {
      const done = await this.buyers.come();
      if (done) this.newest.unshift(done);
      this.newest.length = Math.min(this.newest.length, SHOWN);
    } catch (error) {
      this.options.onFault(error);
    } finally {
      this.busy = false;
    }
  }
}

const WORDS: Readonly<Record<Pace, string>> = {
  off: 'Nobody comes by',
  quiet: 'Two a minute',
  lively: 'Twelve a minute',
  rush: 'One every second',
};

/** The page it is switched on and off at. */
export function bustlePage(bustle: Bustle): Hono {
  const app = new Hono();
  app.get('/', (c) => {
    c.header(
      'Content-Security-Policy',
      "sandbox allow-forms; default-src 'none'; style-src 'unsafe-inline'; form-action 'self'",
    );
    return c.html(
      page(
        'Bustle',
        { ground: '#f4f1ea', ink: '#2b2b2b', accent: '#5a5a5a', face: 'sans-serif' },
        html`<header>Bustle: simulated buyers at all marketplaces</header>
          <main>
            <p>They look, ask, haggle, bid and buy, by what the pages of the marketplaces offer.</p>
            <form method="post">
              ${Object.entries(WORDS).map(
                ([pace, words]) =>
                  html`<p>
                    <button name="pace" value="${pace}">
                      ${words}${pace === bustle.pace ? ' (now)' : ''}
                    </button>
                  </p>`,
              )}
            </form>
            <h1>Lately</h1>
            ${bustle.done.map(({ deed, market, path }) => html`<p>${deed}, ${market}: ${path}</p>`)}
            ${bustle.done.length === 0 ? html`<p>Nobody came by yet.</p>` : ''}
          </main>`,
      ),
    );
  });
  app.post('/', async (c) => {
    const pace = String((await c.req.parseBody()).pace ?? '');
    if (isPace(pace)) bustle.setPace(pace);
    return c.redirect(c.req.path, 303);
  });
  return app;
}
