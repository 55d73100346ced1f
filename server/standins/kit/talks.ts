import type { Context } from 'hono';
import { html } from 'hono/html';
import type { HtmlEscapedString } from 'hono/utils/html';

import { bodyOf } from './body';
import {
  answerOffer,
  keepConversation,
  newConversation,
  withLastOffer,
  withLine,
  withOffer,
  type BuyerOffer,
  type Conversation,
  type TalkedAbout,
} from './conversation';
import type { Pages } from './page';
import { euros, isOut, type Frame } from './service';
import { Turns } from './turns';

interface TalksOptions {
  pages: Pages;
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

/** The form by which a buyer asks or offers, for the page of a listing. */
export type Forms = (id: string) => HtmlEscapedString | Promise<HtmlEscapedString>;

/** Questions and offers: a form for buyers, a page for each conversation, and the seller's calls. */
export function serveTalks(frame: Frame, options: TalksOptions): Forms {
  // Paying takes a turn of the service's own, so conversations have theirs.
  const turns = new Turns();
  serveBeginning(frame, options, turns);
  serveConversation(frame, options);
  serveBuyersWords(frame, options, turns);
  serveSellersWords(frame, options, turns);
  return (id) =>
    html`<form class="ask" method="post" action="${frame.base}/talk-about/${id}">
      <label>Your name <input name="who" required maxlength="40" /></label>
      <label>Ask the seller <input name="words" maxlength="500" /></label>
      ${
        options.offers
          ? html`<label
              >Or offer, in euros <input type="number" step="0.01" min="0.01" name="euros"
            /></label>`
          : ''
      }<button>Send</button>
    </form>`;
}

const shut = (c: Context, pages: Pages) => c.html(pages.show('Closed', html`<h1>Closed just now</h1>`), 503);

function serveBeginning(
  { app, store, base, switches }: Frame,
  { pages, about, offers }: TalksOptions,
  turns: Turns,
): void {
  app.post('/talk-about/:id', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return shut(c, pages);
      const form = await c.req.parseBody();
      const words = String(form.words ?? '').trim();
      const who = String(form.who ?? '');
      const cents = offers ? Math.round(Number(String(form.euros ?? '').replace(',', '.')) * 100) : NaN;
      const offering = Number.isFinite(cents) && cents > 0;
      const item = words !== '' || offering ? await about(c.req.param('id')) : null;
      if (!item || !item.open || who.trim() === '')
        return c.html(
          pages.show('Not like this', html`<h1>Say who you are, and what you would like to know</h1>`),
          422,
        );
      const empty = newConversation(item, who);
      const asked = words === '' ? empty : withLine(empty, 'buyer', words);
      const t = offering ? withOffer(asked, cents) : asked;
      await keepConversation(store, t);
      return c.redirect(`${base}/talk/${t.id}?key=${t.key}`, 303);
    }),
  );
}

function serveConversation({ app, store, base, switches }: Frame, { pages, offers }: TalksOptions): void {
  app.get('/talk/:id', async (c) => {
    if (isOut(switches)) return shut(c, pages);
    const t = await store.get<Conversation>('talk', c.req.param('id'));
    if (!t || t.key !== c.req.query('key')) return c.html(pages.note('Nothing here'), 404);
    const way = `${base}/talk/${t.id}`;
    const last = t.offers.at(-1);
    const button = (path: string, words: string) =>
      html`<form method="post" action="${way}/${path}?key=${t.key}"><button>${words}</button></form>`;
    return c.html(
      pages.show(
        t.what,
        html`<h1><a href="${t.seen}">${t.what}</a></h1>
          ${t.lines.map(
            (l) => html`<p class="note"><b>${l.by === 'buyer' ? t.who : 'The seller'}</b>: ${l.words}</p>`,
          )}
          ${last ? html`<p>You offered ${euros(last.cents)}: ${standingOf(last)}.</p>` : ''}
          ${last?.state === 'accepted' && offers?.pay ? button('pay', `Pay ${euros(last.cents)}`) : ''}
          ${last?.state === 'countered' ? button('agree', `Agree to ${euros(last.counterCents ?? 0)}`) : ''}
          <form method="post" action="${way}/say?key=${t.key}">
            <label>More <input name="words" required maxlength="500" /></label><button>Say it</button>
          </form>`,
      ),
    );
  });
}

function standingOf({ state, counterCents }: BuyerOffer): string {
  const words: Record<BuyerOffer['state'], string> = {
    open: 'not answered yet',
    accepted: 'taken',
    refused: 'not taken',
    countered: `the seller would take ${euros(counterCents ?? 0)}`,
    paid: 'paid',
    over: 'over',
  };
  return words[state];
}

function serveBuyersWords(
  { app, store, base, switches }: Frame,
  { pages, offers }: TalksOptions,
  turns: Turns,
): void {
  const asBuyer = (
    path: string,
    act: (t: Conversation, form: Record<string, unknown>) => Promise<Conversation>,
  ) =>
    app.post(`/talk/:id/${path}`, (c) =>
      turns.run(async () => {
        if (isOut(switches)) return shut(c, pages);
        const t = await store.get<Conversation>('talk', c.req.param('id') ?? '');
        if (!t || t.key !== c.req.query('key')) return c.notFound();
        const next = await act(t, await c.req.parseBody());
        if (next !== t) await keepConversation(store, next);
        return c.redirect(`${base}/talk/${t.id}?key=${t.key}`, 303);
      }),
    );
  asBuyer('say', async (t, form) =>
    String(form.words ?? '').trim() === '' ? t : withLine(t, 'buyer', String(form.words)),
  );
  asBuyer('agree', async (t) => {
    const last = t.offers.at(-1);
    return last?.state === 'countered' && last.counterCents !== null
      ? withLastOffer(t, { state: 'accepted', cents: last.counterCents })
      : t;
  });
  asBuyer('pay', async (t) => {
    const last = t.offers.at(-1);
    if (last?.state !== 'accepted' || !offers?.pay) return t;
    return withLastOffer(t, { state: (await offers.pay(t.ref, last.cents)) ? 'paid' : 'over' });
  });
}

/** What the seller is told: all but the buyer's own way in. */
function toSeller({ key: _, ...t }: Conversation) {
  return t;
}

function serveSellersWords({ app, store }: Frame, { at, offers }: TalksOptions, turns: Turns): void {
  app.get(at, async (c) => {
    const since = Number(c.req.query('since') ?? 0) || 0;
    const all = (await store.all<Conversation>('talk')).filter((t) => t.changedAt > since);
    return c.json({ talks: all.slice(-200).map(toSeller) });
  });
  const change = (c: Context, act: (t: Conversation, b: Record<string, unknown>) => Conversation | string) =>
    turns.run(async () => {
      const t = await store.get<Conversation>('talk', c.req.param('id') ?? '');
      if (!t) return c.json({ message: 'No such conversation.' }, 404);
      const b = await bodyOf(c);
      const next = act(t, b);
      if (typeof next === 'string') return c.json({ message: next }, 409);
      if (next !== t) await keepConversation(store, next);
      return c.json(toSeller(next));
    });
  // The same words once more right after are the same answer, sent again.
  app.post(`${at}/:id/lines`, (c) =>
    change(c, (t, b) => {
      const words = String(b.words ?? '').trim();
      const last = t.lines.at(-1);
      if (words === '' || words.length > 2_000) return 'An answer has 1 to 2,000 characters.';
      return last?.by === 'seller' && last.words === words ? t : withLine(t, 'seller', words);
    }),
  );
  app.post(`${at}/:id/offers/:offer`, (c) =>
    change(c, (t, b) =>
      offers ? answerOffer(t, b, c.req.param('offer')) : 'There is a newer offer, or none.',
    ),
  );
}
