import { html } from 'hono/html';

import {
  askedFor,
  inAuction,
  outrightFor,
  seenAt,
  settle,
  type Bid,
  type Hollow,
  type Standing,
} from './pieces';
import { SHEET } from './sheet';
import type { Dealings, Piece } from './validate';
import { gallery, itemLaidOut, pagesOf, type Pages } from '../kit/page';
import { euros, isOut } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = {
  ground: '#f5f0e6',
  ink: '#33271c',
  accent: '#5b4632',
  face: '"Palatino Linotype", Palatino, serif',
  // A house full of frames.
  css: `body { --round: 0; }
    header { background: none; color: #33271c; text-align: center; font-size: 30px; letter-spacing: .16em;
      text-transform: uppercase; border-bottom: 4px double #5b4632; }
    .grid img, .strip a:first-child img { border: 8px solid #cdb98f; outline: 1px solid #8a744b; }
    h1, h2 { font-weight: normal; }`,
};

/** The buyers' side. */
export function serveRooms(hollow: Hollow): void {
  const { store, base } = hollow;
  const pages = pagesOf(LOOK, html`<header><a href="${base}/">Oldhollow</a></header>`, {
    heading: 'The door is shut',
    words: 'Please knock again later.',
  });
  const forms = serveTalks(hollow, {
    pages,
    at: '/hollow/questions',
    about: async (id) => {
      const s = await store.get<Standing>('piece', id);
      return s && { ref: s.ref, what: s.piece.name, seen: seenAt(base, s.ref), open: s.status === 'shown' };
    },
  });
  serveEntrance(hollow, pages);
  servePiece(hollow, pages, forms);
  serveBuying(hollow, pages);
}

function serveEntrance({ app, store, base, switches }: Hollow, pages: Pages): void {
  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const all = (await store.all<Standing>('piece')).filter((s) => s.status === 'shown').reverse();
    return c.html(
      pages.show(
        'Oldhollow',
        html`
          ${SHEET.categories.map((room) => {
            const here = all.filter((s) => s.piece.room === room.id);
            return here.length === 0
              ? ''
              : html`<h1>${room.name}</h1>
                  <div class="grid">
                    ${here.map(
                      (s) =>
                        html` <a href="${seenAt(base, s.ref)}"
                          ><img src="${base}/picture/${s.piece.images[0]}" alt="" />${s.piece.name}<br />
                          <b>${inAuction(s) ? 'bids from ' : ''}${euros(askedFor(s))}</b></a
                        >`,
                    )}
                  </div>`;
          })}
          ${all.length === 0 ? html`<p>The rooms are empty just now.</p>` : ''}
        `,
      ),
    );
  });
}

function servePiece({ app, store, base, switches }: Hollow, pages: Pages, forms: Forms): void {
  app.get('/piece/:ref', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const s = await store.get<Standing>('piece', c.req.param('ref'));
    if (!s) return c.html(pages.note('Nothing of that name', 'It may never have stood here.'), 404);
    const { piece } = s;
    return c.html(
      pages.show(
        piece.name,
        html`${itemLaidOut(
            gallery(base, piece.images, 'Image'),
            html`<h1>${piece.name}</h1>
              <p><span class="price">${euros(askedFor(s))}</span> and ${euros(piece.postCents)} to send it</p>
              ${(piece.dealings ? dealingLines(piece.dealings) : []).map((line) => html`<p>${line}</p>`)}
              ${
                s.status !== 'shown'
                  ? html`<p class="note">
                      ${s.status === 'sold' ? 'It found its home.' : 'It no longer stands here.'}
                    </p>`
                  : ''
              }
              ${s.status === 'shown' ? waysToGet(s, seenAt(base, s.ref)) : ''}
              ${s.status === 'shown' ? forms(encodeURIComponent(s.ref)) : ''} ${about(piece)}`,
          )}
          <div class="words">${piece.account}</div>`,
      ),
    );
  });
}

/** Bidding, or taking it at once. */
function waysToGet(s: Standing, at: string) {
  const outright = outrightFor(s);
  return html`
    ${
      inAuction(s)
        ? html`<p>
              ${s.bids.length === 0 ? 'Nobody has bid' : `${s.bids.length} have bid`}; the auction ends
              ${new Date(s.until).toUTCString()}.
            </p>
            <form method="post" action="${at}/bid">
              <label>Your name <input name="who" required maxlength="40" /></label>
              <label>Your bid in euros <input type="number" step="0.01" name="euros" required /></label
              ><button>Bid</button>
            </form>`
        : ''
    }
    ${
      outright !== null
        ? html`<form method="post" action="${at}/buy">
            ${inAuction(s) ? html`<p class="soft">At once, for ${euros(outright)}</p>` : ''}<button>
              Buy
            </button>
          </form>`
        : ''
    }
  `;
}

function about(piece: Piece) {
  const state = SHEET.conditions.find((x) => x.code === piece.state);
  return html`<dl>
    <dt>State</dt>
    <dd>${state?.label}</dd>
    <dt>Made in the</dt>
    <dd>${piece.decade}</dd>
    ${
      piece.maker
        ? html`<dt>Maker</dt>
            <dd>${piece.maker}</dd>`
        : ''
    }${
      piece.madeOf
        ? html`<dt>Of</dt>
            <dd>${piece.madeOf.split('|').join(' · ')}</dd>`
        : ''
    }
    ${
      piece.tags.length > 0
        ? html`<dt>Found by</dt>
            <dd>${piece.tags.join(' · ')}</dd>`
        : ''
    }
  </dl>`;
}

function serveBuying(hollow: Hollow, pages: Pages): void {
  const { app, store, base, switches, turns } = hollow;
  app.post('/piece/:ref/bid', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const s = await store.get<Standing>('piece', c.req.param('ref'));
      if (!s) return c.notFound();
      const form = await c.req.parseBody();
      const cents = Math.round(Number(form.euros) * 100);
      const least = (s.bids.at(-1)?.cents ?? s.piece.auction?.openCents ?? 0) + (s.bids.length > 0 ? 50 : 0);
      if (s.status === 'shown' && inAuction(s) && s.until > Date.now() && cents >= least) {
        const bid: Bid = { who: String(form.who ?? '').slice(0, 40), cents, at: Date.now() };
        await store.write([{ sort: 'piece', id: s.ref, body: { ...s, bids: [...s.bids, bid] } }]);
      }
      return c.redirect(seenAt(base, s.ref), 303);
    }),
  );

  app.post('/piece/:ref/buy', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const s = await store.get<Standing>('piece', c.req.param('ref'));
      if (!s) return c.notFound();
      const price = outrightFor(s);
      if (s.status === 'shown' && price !== null) await settle(hollow, s, { cents: price, at: Date.now() });
      return c.redirect(seenAt(base, s.ref), 303);
    }),
  );
}

const WORLD: Record<string, string> = { near: 'neighbouring countries', far: 'further away' };
const WAYS: Record<string, string> = {
  marketplace: 'through Oldhollow',
  transfer: 'by transfer',
  cash: 'in cash',
};

/** How the seller deals, as visitors read it. */
function dealingLines(d: Dealings): string[] {
  return [
    d.sendsWithin === null ? '' : `Sent within ${d.sendsWithin} days.`,
    ...d.overseas.map((o) => `${euros(o.cents)} to send it ${WORLD[o.to] ?? ''}.`),
    d.takesBackWithin > 0
      ? `Taken back within ${d.takesBackWithin} days, at the ${d.backAtCostOf}’s cost.`
      : 'Not taken back.',
    d.paidBy.length > 0 ? `Paid ${d.paidBy.map((way) => WAYS[way] ?? '').join(' or ')}.` : '',
    d.taxPermille > 0 ? `With ${d.taxPermille / 10} % tax.` : '',
    d.mayFetch ? 'May be fetched.' : '',
  ].filter(Boolean);
}
