import type { HttpBindings } from '@hono/node-server';
import type { Context } from 'hono';
import { streamSSE, type SSEStreamingApi } from 'hono/streaming';

import type { Courier, ItemNews } from '../courier/courier';

/**
 * Pages that listen at a time; of more the one that came first is let go, and comes again if it is still
 * there.
 */
const MOST_LISTENERS = 32;
/** A page that takes nothing for so long is let go, milliseconds. */
const PATIENCE = 30_000;
/**
 * How often something is said when nothing happens, so that both sides notice when the other is gone;
 * milliseconds.
 */
const STILL = 15_000;

type Message = Parameters<SSEStreamingApi['writeSSE']>[0];

/**
 * What is still to be told one page: of each item the newest only, so that a slow page costs no more than it
 * shows.
 */
class Outbox {
  private readonly items = new Map<string, ItemNews>();
  private readonly words = new Map<string, () => unknown>();
  private caughtUp = false;
  private ring: () => void = () => undefined;

  item(news: ItemNews): void {
    this.items.delete(news.view.id);
    this.items.set(news.view.id, news);
    this.ring();
  }

  /** @param now what is to be said when its turn comes */
  say(event: string, now: () => unknown): void {
    this.words.set(event, now);
    this.ring();
  }

  /** After all that waits now the page knows everything. */
  catchUp(): void {
    this.caughtUp = true;
    this.ring();
  }

  next(): Message | null {
    for (const [event, now] of this.words) {
      this.words.delete(event);
      return { event, data: JSON.stringify(now()) };
    }
    for (const [id, { seq, view }] of this.items) {
      this.items.delete(id);
      return { ...(seq === null ? {} : { id: String(seq) }), event: 'item', data: JSON.stringify(view) };
    }
    if (!this.caughtUp) return null;
    this.caughtUp = false;
    return { event: 'caughtUp', data: '{}' };
  }

  /** Waits until there is something, or a time has gone by. */
  async wait(ms: number): Promise<'rung' | 'still'> {
    let timer: NodeJS.Timeout | undefined;
    const still = new Promise<'still'>((done) => (timer = setTimeout(() => done('still'), ms)));
    const rung = new Promise<'rung'>((done) => (this.ring = () => done('rung')));
    const came = await Promise.race([rung, still]);
    clearTimeout(timer);
    this.ring = () => undefined;
    return came;
  }

  wake(): void {
    this.ring();
  }
}

/** Tells pages what changed since the line each saw last, then everything as it happens. */
export class EventStream {
  private readonly open = new Set<() => void>();

  constructor(
    private readonly courier: Courier,
    private readonly patience = PATIENCE,
  ) {}

  get listeners(): number {
    return this.open.size;
  }

  answer(c: Context<{ Bindings: HttpBindings }>): Response {
    const since = Number(c.req.header('last-event-id') ?? 0) || 0;
    return streamSSE(c, async (stream) => {
      const outbox = new Outbox();
      const markets = () => outbox.say('marketplaces', () => this.courier.markets());
      const health = () => outbox.say('health', () => this.courier.health());
      const leave = this.courier.listen((news) => outbox.item(news), markets, health);
      let here = true;
      const end = () => {
        here = false;
        leave();
        this.open.delete(end);
        outbox.wake();
        // What waits in the connection for a page that takes nothing would wait for ever.
        c.env.outgoing?.destroy();
      };
      stream.onAbort(end);
      this.open.add(end);
      for (const oldest of this.open) {
        if (this.open.size <= MOST_LISTENERS) break;
        oldest();
      }
      health();
      markets();
      const views = this.courier.views().sort((a, b) => (a.seq ?? Infinity) - (b.seq ?? Infinity));
      for (const news of views) if (news.seq === null || news.seq > since) outbox.item(news);
      outbox.catchUp();
      try {
        while (here) {
          const message = outbox.next();
          if (message) await this.inTime(stream.writeSSE(message), end);
          else if ((await outbox.wait(STILL)) === 'still' && here)
            await this.inTime(stream.writeSSE({ event: 'still', data: '{}' }), end);
        }
      } finally {
        end();
      }
    });
  }

  stop(): void {
    for (const end of [...this.open]) end();
  }

  private async inTime(written: Promise<void>, end: () => void): Promise<void> {
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<void>((done) => {
      timer = setTimeout(() => {
        end();
        done();
      }, this.patience);
    });
    await Promise.race([written, late]);
    clearTimeout(timer);
  }
}
