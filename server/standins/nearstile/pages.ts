import { html } from 'hono/html';

import type { Ad } from './ads';
import { SHEET } from './sheet';
import { gallery, itemLaidOut, pagesOf, type Pages } from '../kit/page';
import { isOut, type Frame } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = {
  ground: '#f3f6e9',
  ink: '#26301b',
  accent: '#5d6b1b',
  face: 'Verdana, sans-serif',
  // A board by the gate: a wooden rail, and cards pinned to it.
  css: `header { background: #7a5a36; border-bottom: 8px solid #5f4527; letter-spacing: 0; }
    .grid a { background: #fff; padding: 10px 10px 14px; font-size: 15px;
      box-shadow: 0 2px 6px rgb(0 0 0 / .18);
      border-top: 5px solid #b4472e; }
    .said { background: #fff; padding: 18px; box-shadow: 0 2px 6px rgb(0 0 0 / .18);
      border-top: 5px solid #b4472e; }`,
};

/** The neighbours' side. */
export function servePages(frame: Frame): void {
  const { store, base } = frame;
  const pages = pagesOf(LOOK, html`<header><a href="${base}/">nearstile · Saltreach</a></header>`, {
    heading: 'The board is shut just now',
  });
  const forms = serveTalks(frame, {
    pages,
    at: '/board/enquiries',
    about: async (id) => {
      const ad = await store.get<Ad>('ad', id);
      return ad && { ref: ad.id, what: ad.heading, seen: `${base}/ad/${ad.id}`, open: ad.status === 'up' };
    },
    offers: {},
  });
  serveFront(frame, pages);
  serveAd(frame, pages, forms);
}

const price = (ad: Ad) => (ad.euros === 0 ? 'to give away' : `${ad.euros.toFixed(2)} €`);

function serveFront({ app, store, base, switches }: Frame, pages: Pages): void {
  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const isHigher = (ad: Ad) => (ad.higherUntil ?? 0) > Date.now();
    const all = (await store.all<Ad>('ad')).filter((ad) => ad.status === 'up').reverse();
    const up = [...all.filter(isHigher), ...all.filter((ad) => !isHigher(ad))];
    return c.html(
      pages.show(
        'Nearstile',
        html`
          <h1>From your neighbours</h1>
          <div class="grid">
            ${up.map(
              (ad) =>
                html`<a href="${base}/ad/${ad.id}"
                  ><img src="${base}/picture/${ad.photos[0]}" alt="" />${ad.heading}<br /><b
                    >${price(ad)}</b
                  ></a
                >`,
            )}
          </div>
          ${up.length === 0 ? html`<p>The board is empty just now.</p>` : ''}
        `,
      ),
    );
  });
}

function serveAd({ app, store, base, switches }: Frame, pages: Pages, forms: Forms): void {
  app.get('/ad/:id', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const ad = await store.get<Ad>('ad', c.req.param('id'));
    if (!ad || ad.status === 'waiting' || ad.status === 'turned down')
      return c.html(pages.show('Not on the board', html`<h1>Not on the board</h1>`), 404);
    const condition = SHEET.conditions.find((x) => x.code === ad.state);
    return c.html(
      pages.show(
        ad.heading,
        html`${itemLaidOut(
            gallery(base, ad.photos, 'Photo'),
            html`<h1>${ad.heading}</h1>
              <div class="price">${price(ad)}</div>
              ${
                ad.status === 'closed'
                  ? html`<p class="note">
                      ${ad.closedAs === 'sold' ? 'Gone to a neighbour.' : 'Taken off the board.'}
                    </p>`
                  : html`${
                        ad.held
                          ? html`<p class="note">
                              Promised to a neighbour; ask whether it is still to be had.
                            </p>`
                          : ''
                      }
                      <p class="note">Meet the seller: ${ad.place}. Pay in cash or by transfer.</p>
                      ${forms(ad.id)}`
              }
              <dl>
                <dt>State</dt>
                <dd>${condition?.label}</dd>
                ${
                  ad.tags?.length
                    ? html`<dt>Found by</dt>
                        <dd>${ad.tags.join(', ')}</dd>`
                    : ''
                }
                ${
                  ad.boards?.length
                    ? html`<dt>Also on</dt>
                        <dd>${ad.boards.join(', ')}</dd>`
                    : ''
                }
              </dl>`,
          )}
          <div class="words">${ad.body}</div>`,
      ),
    );
  });
}
