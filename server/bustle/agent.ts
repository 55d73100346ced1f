/** Asks the simulated outside for a page, as a browser would. */
export type Ask = (path: string, init?: RequestInit) => Response | Promise<Response>;

/** What a buyer sees of a page. */
export interface Seen {
  /** Where it leads to: listings, on a marketplace's front page. */
  links: string[];
  /** Where its forms go. */
  forms: string[];
  /** The first price on it; null: it has none. */
  cents: number | null;
}

/** A buyer's browser: opens pages of the simulated outside, and sends their forms. */
export class Agent {
  /** @param base where the outside is mounted: paths are given without it */
  constructor(
    private readonly ask: Ask,
    private readonly base: string,
  ) {}

  /** @returns null where there is no such page, or it is shut */
  async open(path: string): Promise<Seen | null> {
    const response = await this.ask(this.within(path));
    return response.ok ? seen(await response.text()) : null;
  }

  /** Sends a form; where that leads to a checkout, pays there. @returns whether it was taken */
  async send(action: string, fields: Readonly<Record<string, string>>): Promise<boolean> {
    const response = await this.ask(this.within(action), {
      method: 'POST',
      body: new URLSearchParams(fields),
    });
    if (response.status < 300 || response.status >= 400) return response.ok;
    const next = response.headers.get('location');
    const page = next === null ? null : await this.open(next);
    const checkout = page?.forms.find((form) => form.endsWith('/checkout'));
    if (checkout !== undefined) await this.ask(this.within(checkout), { method: 'POST' });
    return true;
  }

  private within(path: string): string {
    return path.startsWith(this.base) ? path : `${this.base}${path}`;
  }
}

/** What is no listing. */
const ELSEWHERE = /\/(?:section|put-up|switchboard|access|picture)(?:\/|$)|\/$/u;

/** Pages of our own stand-ins, read by what they are known to say. */
function seen(page: string): Seen {
  const main = page.slice(Math.max(0, page.indexOf('<main>')));
  const all = (pattern: RegExp) => [...main.matchAll(pattern)].flatMap(([, found]) => found ?? []);
  const price = /class="price">[^<\d]*(\d+)(?:[.,](\d\d))?/u.exec(main);
  return {
    links: all(/<a href="(\/[^"]+)"/gu).filter((path) => !ELSEWHERE.test(path)),
    forms: all(/<form method="post" action="([^"]+)"/gu),
    cents: price ? Number(price[1]) * 100 + Number(price[2] ?? 0) : null,
  };
}
