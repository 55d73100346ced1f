import { html, raw } from 'hono/html';

import { left, leftAlike, sell, type Listing, type Moor } from './listings';
import { OTHERS, pictureOf } from './others';
import { CATEGORIES, SHEET } from './sheet';
import type { Entry } from './validate';
import { gallery, pieceShown, itemLaidOut, pagesOf, type Pages } from '../kit/page';
import { euros, isOut } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = {
  ground: '#eef1ec',
  ink: '#1f2a24',
  accent: '#2c5f63',
  face: 'Georgia, serif',
  // A ridge of moor under the head.
  css: `header { padding-bottom: 26px; font-size: 26px;
      background: linear-gradient(172deg, var(--accent) 72%, #a86a2b 73%, #a86a2b 80%, transparent 81%); }
    .said { background: #fff; border: 1px solid var(--line); border-radius: 10px; padding: 18px; }
    .price { color: var(--accent); font-weight: bold; }`,
};

/** The buyers' side. */
export function servePages(moor: Moor): void {
  const { store, base, turns } = moor;
  const pages = pagesOf(LOOK, html`<header><a href="${base}/">Brackenmoor</a></header>`, {
    heading: 'Closed for repairs',
    words: 'Please come back later.',
  });
  const forms = serveTalks(moor, {
    pages,
    at: '/v1/letters',
    about: async (id) => {
      const l = await store.get<Listing>('listing', id);
      return (
        l && {
          ref: l.entry.reference,
          what: l.entry.headline,
          seen: `${base}/item/${l.id}`,
          open: l.state === 'live',
        }
      );
    },
    offers: {
      pay: (ref, cents) =>
        turns.run(async () => {
          const l = (await store.all<Listing>('listing')).find((x) => x.entry.reference === ref);
          return l !== undefined && !l.entry.choices && sell(moor, l, { agreed: cents });
        }),
    },
  });
  serveFront(moor, pages);
  serveItem(moor, pages, forms);
  serveOthers(moor, pages);
  serveBuying(moor, pages);
}

function serveFront({ app, store, base, switches }: Moor, pages: Pages): void {
  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const words = c.req.query('words') ?? '';
    const live = (await store.all<Listing>('listing'))
      .filter((l) => l.state === 'live' && isMeant(l.entry, words))
      .reverse();
    return c.html(
      pages.show(
        'Brackenmoor',
        html`
          <h1>${words === '' ? 'New on the moor' : `Found for “${words}”`}</h1>
          <form action="${base}/">
            <input name="words" aria-label="Search the moor" value="${words}" maxlength="80" />
            <button>Search</button>
          </form>
          <div class="grid">
            ${words === '' ? '' : othersFound(base, words)}
            ${live.map(
              (l) =>
                html`<a href="${base}/item/${l.id}">
                  <img src="${base}/picture/${l.entry.pictures[0]}" alt="" />${l.entry.headline}<br /><b
                    >${euros(l.entry.askingCents)}</b
                  ></a
                >`,
            )}
          </div>
          ${live.length === 0 ? html`<p>Nothing is offered just now.</p>` : ''}
        `,
      ),
    );
  });
}

/** What others offer: found by words only, so that the front shows what is new. */
function othersFound(base: string, words: string) {
  return OTHERS.filter(({ offer }) => isMeant(offer, words)).map(
    ({ no, offer }) =>
      html`<a href="${base}/other/${no}">
        <img src="${base}/other/${no}/picture" alt="" />${offer.headline}<br /><b
          >${euros(offer.askingCents)}</b
        ></a
      >`,
  );
}

function serveOthers({ app, base, switches }: Moor, pages: Pages): void {
  const byNo = (no: string) => OTHERS.find((o) => o.no === no);
  app.get('/other/:no/picture', (c) => {
    const other = byNo(c.req.param('no'));
    if (!other) return c.notFound();
    const headers = { 'Content-Type': 'image/png', 'Cross-Origin-Resource-Policy': 'cross-origin' };
    return c.body(pictureOf(other), 200, headers);
  });
  app.get('/other/:no', (c) => {
    if (isOut(switches)) return pages.closed(c);
    const other = byNo(c.req.param('no'));
    if (!other) return c.html(pages.note('Not here'), 404);
    const { offer, seller, no } = other;
    return c.html(
      pages.show(
        offer.headline,
        html`${itemLaidOut(
            html`<img src="${base}/other/${no}/picture" alt="Picture 1" width="320" />`,
            html`<h1>${offer.headline}</h1>
              <div class="price">${euros(offer.askingCents)}</div>
              <p class="soft">offered by ${seller}</p>
              ${about(offer)}`,
          )}
          <div class="words">${offer.text}</div>`,
      ),
    );
  });
}

/** Whether all words that are looked for stand in its headline, its fields, or what it is to be found by. */
export function isMeant(e: Pick<Entry, 'headline' | 'attributes' | 'findWords'>, words: string): boolean {
  const told = [e.headline, ...Object.values(e.attributes), ...(e.findWords ?? [])].join(' ').toLowerCase();
  const wanted = words.toLowerCase().split(/\s+/).slice(0, 12);
  return wanted.every((word) => told.includes(word));
}

function serveItem({ app, store, base, switches }: Moor, pages: Pages, forms: Forms): void {
  app.get('/clip/:id', async (c) => {
    const clip = await store.get<{ type: string }>('clip', c.req.param('id'));
    const bytes = clip && (await store.picture(c.req.param('id')));
    if (!bytes) return c.notFound();
    return c.body(bytes, 200, { 'Content-Type': clip.type, 'Cross-Origin-Resource-Policy': 'cross-origin' });
  });

  // Links from before its pages were called items.
  app.get('/thing/:id', (c) => c.redirect(`${base}/item/${c.req.param('id')}`, 301));
  app.get('/item/:id', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const l = await store.get<Listing>('listing', c.req.param('id'));
    if (!l) return c.html(pages.note('Not here'), 404);
    const e = l.entry;
    return c.html(
      pages.show(
        e.headline,
        html`${itemLaidOut(
            html`${gallery(base, e.pictures, 'Picture')}
            ${e.clip ? html`<video src="${base}/clip/${e.clip}" controls muted width="320"></video>` : ''}`,
            html`<h1>${e.headline}</h1>
              ${e.secondLine ? html`<p>${e.secondLine}</p>` : ''}
              <div class="price">${euros(e.askingCents)}</div>
              <p class="soft">and ${euros(e.postageCents)} postage</p>
              <ul>
                ${termLines(e).map((line) => html`<li>${line}</li>`)}
              </ul>

              ${
                l.state === 'live'
                  ? html`${buyForm(l, base)} ${forms(l.id)}`
                  : html`<p class="note">
                      ${l.state === 'sold' ? 'This has been bought.' : 'This is no longer offered.'}
                    </p>`
              }
              ${about(e)}`,
          )}
          <div class="words">${e.text.includes('<') ? raw(e.text) : e.text}</div>`,
      ),
    );
  });
}

/** Buys it; of several pieces, the one chosen. */
function buyForm(l: Listing, base: string) {
  const { choices } = l.entry;
  return html`<form method="post" action="${base}/item/${l.id}/buy">
    ${
      choices
        ? html`<p>${choices.names.join(', ')}</p>
            ${choices.pieces.map(
              (p) =>
                html`<label
                  ><input
                    type="radio"
                    name="piece"
                    value="${p.code}"
                    required
                    ${left(l, p.code) === 0 ? raw('disabled') : ''}
                  />
                  ${pieceShown(base, l.entry.pictures, p.shownIn)} ${p.values.join(', ')}, ${euros(p.cents)}
                  (${left(l, p.code) === 0 ? 'gone' : `${left(l, p.code)} left`})</label
                >`,
            )}`
        : leftAlike(l) > 1
          ? html`<p class="soft">${leftAlike(l)} of it left</p>`
          : ''
    }<button>Buy</button>
  </form>`;
}

function about(e: Pick<Entry, 'category' | 'condition' | 'attributes'>) {
  const category = CATEGORIES.find((x) => x.id === e.category);
  const condition = SHEET.conditions.find((x) => x.code === e.condition);
  return html`<dl>
    <dt>Condition</dt>
    <dd>${condition?.label}</dd>
    <dt>Shelved under</dt>
    <dd>${category?.name}</dd>
    ${(category?.specifics ?? [])
      .filter((s) => e.attributes[s.id])
      .map(
        (s) =>
          html`<dt>${s.label}</dt>
            <dd>${(e.attributes[s.id] ?? '').split('|').join(', ')}</dd>`,
      )}
  </dl>`;
}

function serveBuying(moor: Moor, pages: Pages): void {
  const { app, store, base, switches, turns } = moor;
  app.post('/item/:id/buy', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const l = await store.get<Listing>('listing', c.req.param('id'));
      if (!l) return c.notFound();
      await sell(moor, l, {
        code: l.entry.choices ? String((await c.req.parseBody()).piece ?? '') : undefined,
      });
      return c.redirect(`${base}/item/${l.id}`, 303);
    }),
  );
}

const WHERE: Record<string, string> = { near: 'the neighbours', far: 'the rest of the world' };

/** The seller's terms as buyers read them. */
function termLines(e: Entry): string[] {
  return [
    e.furtherCents ? `Each further piece in the same parcel: ${euros(e.furtherCents)}` : '',
    ...(e.abroad ?? []).map(({ zone, cents }) => `To ${WHERE[zone] ?? zone}: ${euros(cents)} postage`),
    e.sentWithin === undefined ? '' : `Sent within ${e.sentWithin} days`,
    e.backWithin
      ? `May come back within ${e.backWithin} days; the ${e.backPaidBy ?? 'buyer'} pays for sending back`
      : '',
    e.taxPercent ? `${e.taxPercent} % tax is in the price` : '',
    e.fetch ? 'May be fetched in person' : '',
  ].filter(Boolean);
}
