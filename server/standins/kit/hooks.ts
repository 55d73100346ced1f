import { createHmac } from 'node:crypto';

import { lateWork, type Switches } from './faults';
import type { Store } from './store';

interface Waiting {
  id: string;
  body: string;
  tries: number;
  due: number;
  done: boolean;
}

/** Sends signed messages to the seller's address, again and again until they are taken. */
export class Hooks {
  private timer: NodeJS.Timeout | null = null;
  private heldBack: Waiting | null = null;

  constructor(
    private readonly store: Store,
    private readonly target: { url: string; secret: string },
    private readonly header: string,
    private readonly switches: Switches,
  ) {}

  /** Call inside the same write as the happening: what is to be sent survives a crash. */
  entry(id: string, happening: unknown): { sort: string; id: string; body: Waiting } {
    return { sort: 'hook', id, body: { id, body: JSON.stringify(happening), tries: 0, due: 0, done: false } };
  }

  start(): void {
    this.timer = setInterval(() => void this.sendDue().catch(lateWork), 250);
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
  }

  async sendDue(): Promise<void> {
    const now = Date.now();
    if (this.switches.outageUntil > now) return;
    for (const hook of await this.store.all<Waiting>('hook')) {
      if (hook.done || hook.due > now) continue;
      // Claim it before sending, so that the next round does not send it as well.
      hook.due = now + 15_000;
      hook.tries += 1;
      if (this.switches.hooksLost) hook.done = true;
      await this.store.write([{ sort: 'hook', id: hook.id, body: hook }]);
      if (hook.done) continue;
      if (this.switches.hooksReordered && !this.heldBack) {
        this.heldBack = hook;
        continue;
      }
      await this.deliver(hook);
      if (this.switches.hooksTwice) await this.deliver(hook);
      if (this.heldBack) {
        await this.deliver(this.heldBack);
        this.heldBack = null;
      }
    }
  }

  private async deliver(hook: Waiting): Promise<void> {
    const at = String(Date.now());
    const signature = createHmac('sha256', this.target.secret).update(`${at}.${hook.body}`).digest('hex');
    try {
      const answer = await fetch(this.target.url, {
        method: 'POST',
        headers: { 'content-type': 'application/json', [this.header]: `${at}:${signature}` },
        body: hook.body,
        signal: AbortSignal.timeout(5_000),
      });
      hook.done = answer.ok || hook.tries >= 20;
    } catch {
      // Nobody there: it is sent again.
      hook.done = false;
    }
    if (!hook.done) hook.due = Date.now() + Math.min(60_000, 1_000 * 2 ** hook.tries);
    await this.store.write([{ sort: 'hook', id: hook.id, body: hook }]);
  }
}
