import { html } from 'hono/html';
import { randomBytes, randomInt } from 'node:crypto';

import { bodyOf } from './body';
import type { Switches } from './faults';
import { page, type ServiceApp } from './page';
import type { Store } from './store';

/** How long a code may be used, milliseconds. */
const CODE_LIFE = 600_000;

/**
 * Who may call: a token, handed out for a code that the seller reads off a page and brings to the program
 * that is to call. A token may run out; then a new code is needed.
 */
export class Access {
  private token: string;
  private code: { words: string; until: number } | null = null;
  readonly ready: Promise<void>;

  constructor(
    private readonly store: Store,
    first: string,
    private readonly switches: Switches,
  ) {
    this.token = first;
    this.ready = store.get<{ token: string }>('access', 'token').then((kept) => {
      if (kept) this.token = kept.token;
    });
  }

  /** Whether a call's `Authorization` header is good. */
  admits(header: string | undefined): boolean {
    return !this.switches.tokenExpired && header === `Bearer ${this.token}`;
  }

  routes(app: ServiceApp, name: string): void {
    const shown = (words: string | null) =>
      page(
        `${name}: let a program in`,
        { ground: '#f4f1ea', ink: '#2b2b2b', accent: '#5a5a5a', face: 'sans-serif' },
        html`<header>${name}: let a program in</header>
          <main>
            ${
              words
                ? html`<p>Type this code in your program within ten minutes. It works once.</p>
                    <h1 id="code">${words}</h1>`
                : html`<p>A program that works for you needs a code.</p>`
            }
            <form method="post"><button>${words ? 'Another code' : 'Show me a code'}</button></form>
          </main>`,
      );
    app.get('/access', (c) => c.html(shown(null)));
    app.post('/access', (c) => {
      this.code = { words: String(randomInt(10_000_000, 99_999_999)), until: Date.now() + CODE_LIFE };
      return c.html(shown(this.code.words));
    });
    app.post('/access/token', async (c) => {
      const { code } = await bodyOf(c);
      const good = this.code && this.code.until > Date.now() && code === this.code.words;
      if (!good) return c.json({ message: 'That code is wrong or too old.' }, 403);
      this.code = null;
      this.token = randomBytes(24).toString('base64url');
      this.switches.tokenExpired = false;
      await this.store.write([
        { sort: 'access', id: 'token', body: { token: this.token } },
        { sort: 'switches', id: 'board', body: this.switches },
      ]);
      return c.json({ token: this.token });
    });
  }
}
