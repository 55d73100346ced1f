import { html } from 'hono/html';
import type { HtmlEscapedString } from 'hono/utils/html';
import { randomBytes } from 'node:crypto';

import type { Switches } from './faults';
import { page, type Look, type ServiceApp } from './page';
import { euros, isOut } from './service';
import type { Store } from './store';
import { Turns } from './turns';

interface BuyerOffer {
  id: string;
  cents: number;
  at: number;
  state: 'open' | 'accepted' | 'refused' | 'countered' | 'paid' | 'over';
  /** What the seller would take instead. */
  counterCents: number | null;
}

/** A conversation between one buyer and the seller about one listing. */
export interface Conversation {
  id: string;
  /** The buyer's own way in. */
  key: string;
  /** Our name for the listing, and the path of its page. */
  ref: string;
  seen: string;
  what: string;
  who: string;
  lines: { by: 'buyer' | 'seller'; words: string; at: number }[];
  offers: BuyerOffer[];
  changedAt: number;
}

/** What is talked about: whether it is still to be had, and how it is called. */
export interface TalkedAbout {
  ref: string;
  what: string;
  seen: string;
  open: boolean;
}

export interface TalksOptions {
  store: Store;
  switches: Switches;
  base: string;
  look: Look;
  head: HtmlEscapedString | Promise<HtmlEscapedString>;
  /** Path under which the seller asks, `/v1/letters`. */
  at: string;
  /** What a listing is called in a form: the listing with this id; null where there is none. */
  about: (id: string) => Promise<TalkedAbout | null>;
  /** Takes a lower price from a buyer; absent where only the price asked is taken. */
  offers?: {
    /**
     * Sells it for what was agreed; false when it is gone. Absent: the two meet, and no money passes here.
     */
    pay?: (ref: string, cents: number) => Promise<boolean>;
  };
}

/** Questions and offers: a form for buyers, a page for each conversation, and the seller's calls. */
export function serveTalks(
  app: ServiceApp,
  options: TalksOptions,
): { forms: (id: string) => HtmlEscapedString | Promise<HtmlEscapedString> } {
  const { store, switches, base, look, head, at, about, offers } = options;
  const turns = new Turns();
  const put = (t: Conversation) =>
    store.write([{ sort: 'talk', id: t.id, body: { ...t, changedAt: Date.now() } }]);
  const shut = () =>
    html`${head}
      <main><h1>Closed just now</h1></main>`;

  const begin = async (id: string, who: string, add: (t: Conversation) => Conversation) => {
    const item = await about(id);
    if (!item || !item.open || who.trim() === '') return null;
    const t: Conversation = {
      id: randomBytes(6).toString('hex'),
      key: randomBytes(8).toString('hex'),
      ref: item.ref,
      seen: item.seen,
      what: item.what,
      who: who.trim().slice(0, 60),
      lines: [],
      offers: [],
      changedAt: 0,
    };
    const next = add(t);
    await put(next);
    return next;
  };
  const line = (t: Conversation, by: 'buyer' | 'seller', words: string): Conversation => ({
    ...t,
    lines: [...t.lines, { by, words: words.slice(0, 2_000), at: Date.now() }],
  });
  const offered = (t: Conversation, cents: number): Conversation => ({
    ...t,
    offers: [
      ...t.offers.map((o) =>
        o.state === 'open' || o.state === 'countered' ? { ...o, state: 'over' as const } : o,
      ),
      { id: randomBytes(4).toString('hex'), cents, at: Date.now(), state: 'open', counterCents: null },
    ],
  });
  const centsOf = (value: unknown) => Math.round(Number(String(value ?? '').replace(',', '.')) * 100);

  // ---- buyers -----------------------------------------------------------------------------------

  app.post('/talk-about/:id', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return c.html(page('Closed', look, shut()), 503);
      const form = await c.req.parseBody();
      const words = String(form.words ?? '').trim();
      const cents = offers ? centsOf(form.euros) : NaN;
      const valid = words !== '' || (Number.isFinite(cents) && cents > 0);
      const t = valid
        ? await begin(c.req.param('id'), String(form.who ?? ''), (x) => {
            const said = words === '' ? x : line(x, 'buyer', words);
            return Number.isFinite(cents) && cents > 0 ? offered(said, cents) : said;
          })
        : null;
      return t
        ? c.redirect(`${base}/talk/${t.id}?key=${t.key}`, 303)
        : c.html(
            page(
              'Not like this',
              look,
              html`${head}
                <main><h1>Say who you are, and what you would like to know</h1></main>`,
            ),
            422,
          );
    }),
  );

  app.get('/talk/:id', async (c) => {
    if (isOut(switches)) return c.html(page('Closed', look, shut()), 503);
    const t = await store.get<Conversation>('talk', c.req.param('id'));
    if (!t || t.key !== c.req.query('key'))
      return c.html(
        page(
          'Nothing here',
          look,
          html`${head}
            <main><h1>Nothing here</h1></main>`,
        ),
        404,
      );
    const way = `${base}/talk/${t.id}`;
    const last = t.offers.at(-1);
    const button = (path: string, words: string) =>
      html`<form method="post" action="${way}/${path}?key=${t.key}"><button>${words}</button></form>`;
    return c.html(
      page(
        t.what,
        look,
        html`${head}
          <main>
            <h1><a href="${t.seen}">${t.what}</a></h1>
            ${t.lines.map((l) => html`<p class="note"><b>${l.by === 'buyer' ? t.who : 'The seller'}</b>: ${l.words}</p>`)}
            ${last ? html`<p>You offered ${euros(last.cents)}: ${{ open: 'not answered yet', accepted: 'taken', refused: 'not taken', countered: `the seller would take ${euros(last.counterCents ?? 0)}`, paid: 'paid', over: 'over' }[last.state]}.</p>` : ''}
            ${last?.state === 'accepted' && offers?.pay ? button('pay', `Pay ${euros(last.cents)}`) : ''}
            ${last?.state === 'countered' ? button('agree', `Agree to ${euros(last.counterCents ?? 0)}`) : ''}
            <form method="post" action="${way}/say?key=${t.key}">
              <label>More <input name="words" required maxlength="500" /></label><button>Say it</button>
            </form>
          </main>`,
      ),
    );
  });

  const asBuyer = (
    path: string,
    act: (t: Conversation, form: Record<string, unknown>) => Promise<Conversation>,
  ) =>
    app.post(`/talk/:id/${path}`, (c) =>
      turns.run(async () => {
        if (isOut(switches)) return c.html(page('Closed', look, shut()), 503);
        const t = await store.get<Conversation>('talk', c.req.param('id') ?? '');
        if (!t || t.key !== c.req.query('key')) return c.notFound();
        const next = await act(t, await c.req.parseBody());
        if (next !== t) await put(next);
        return c.redirect(`${base}/talk/${t.id}?key=${t.key}`, 303);
      }),
    );
  const lastOffer = (t: Conversation, part: Partial<BuyerOffer>): Conversation => ({
    ...t,
    offers: t.offers.map((o, i) => (i === t.offers.length - 1 ? { ...o, ...part } : o)),
  });
  asBuyer('say', async (t, form) =>
    String(form.words ?? '').trim() === '' ? t : line(t, 'buyer', String(form.words)),
  );
  asBuyer('agree', async (t) => {
    const last = t.offers.at(-1);
    return last?.state === 'countered' && last.counterCents !== null
      ? lastOffer(t, { state: 'accepted', cents: last.counterCents })
      : t;
  });
  asBuyer('pay', async (t) => {
    const last = t.offers.at(-1);
    if (last?.state !== 'accepted' || !offers?.pay) return t;
    return lastOffer(t, { state: (await offers.pay(t.ref, last.cents)) ? 'paid' : 'over' });
  });

  // ---- the seller -------------------------------------------------------------------------------

  app.get(at, async (c) => {
    const since = Number(c.req.query('since') ?? 0) || 0;
    const all = (await store.all<Conversation>('talk')).filter((t) => t.changedAt > since);
    return c.json({ talks: all.slice(-200).map(({ key: _, ...t }) => t) });
  });
  const asSeller = (
    path: string,
    act: (t: Conversation, b: Record<string, unknown>, offer: string) => Conversation | string,
  ) =>
    app.post(`${at}/:id/${path}`, (c) =>
      turns.run(async () => {
        const t = await store.get<Conversation>('talk', c.req.param('id') ?? '');
        if (!t) return c.json({ message: 'No such conversation.' }, 404);
        const b = (await c.req.json().catch(() => ({}))) as Record<string, unknown>;
        const next = act(t, b, c.req.param('offer' as never) ?? '');
        if (typeof next === 'string') return c.json({ message: next }, 409);
        if (next !== t) await put(next);
        const { key: _, ...told } = next;
        return c.json(told);
      }),
    );
  // The same words once more right after are the same answer, sent again.
  asSeller('lines', (t, b) => {
    const words = String(b.words ?? '').trim();
    const last = t.lines.at(-1);
    if (words === '' || words.length > 2_000) return 'An answer has 1 to 2,000 characters.';
    return last?.by === 'seller' && last.words === words ? t : line(t, 'seller', words);
  });
  asSeller('offers/:offer', (t, b, id) => {
    const last = t.offers.at(-1);
    if (!offers || last?.id !== id) return 'There is a newer offer, or none.';
    const want = { accept: 'accepted', refuse: 'refused', counter: 'countered' }[String(b.answer)];
    if (!want) return 'Accept, refuse or counter.';
    if (last.state === want) return t;
    if (last.state !== 'open') return 'It was answered already.';
    if (want === 'countered') {
      const cents = Number(b.cents);
      if (!Number.isInteger(cents) || cents <= last.cents) return 'A counter is more than was offered.';
      return lastOffer(t, { state: 'countered', counterCents: cents });
    }
    return lastOffer(t, { state: want as 'accepted' | 'refused' });
  });

  return {
    forms: (id) =>
      html`<form method="post" action="${base}/talk-about/${id}">
        <label>Your name <input name="who" required maxlength="40" /></label>
        <label>Ask the seller <input name="words" maxlength="500" /></label>
        ${offers ? html`<label>Or offer, in euros <input type="number" step="0.01" min="0.01" name="euros" /></label>` : ''}<button>
          Send
        </button>
      </form>`,
  };
}
