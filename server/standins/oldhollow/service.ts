import type { Context } from 'hono';
import { html } from 'hono/html';
import { randomBytes, randomInt } from 'node:crypto';

import { keeps } from './fees';
import { SEED, SHELVES } from './past';
import { SHEET } from './sheet';
import { complaintsOf, readPiece, type Dealings, type Piece } from './validate';
import { lateWork } from '../kit/faults';
import { Hooks } from '../kit/hooks';
import { serveOrders, paidOrder } from '../kit/orders';
import { page } from '../kit/page';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg, type Measured } from '../kit/pictures';
import { euros, frame, isOut, portion, sheetToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { serveTalks } from '../kit/talks';
import { Turns } from '../kit/turns';

interface Bid {
  who: string;
  cents: number;
  at: number;
}

interface Standing {
  ref: string;
  piece: Piece;
  status: 'shown' | 'sold' | 'taken away' | 'lapsed';
  since: number;
  /** When the auction round or the paid place ends. */
  until: number;
  /** An auction that is over: it costs this now. */
  fixedCents: number | null;
  round: number;
  bids: Bid[];
  sale: { number: string; cents: number; kept: number; at: number } | null;
}

const LOOK = {
  ground: '#f5f0e6',
  ink: '#33271c',
  accent: '#5b4632',
  face: '"Palatino Linotype", Palatino, serif',
};
const PLACE_DAYS = 90;
/** Before an auction's end, hours, in which a piece with bids can't be taken away. */
const LAST_HOURS = 8;

/**
 * Oldhollow: old items, at a fixed price or in an auction. Pieces are put under the seller's own name for
 * them; tidings are sent, as a rule twice, and can be read again.
 */
export function oldhollow(options: {
  store: Store;
  token: string;
  hook: { url: string; secret: string };
  base: string;
}): Service {
  const { store, base } = options;
  const { app, switches } = frame({
    name: SHEET.name,
    store,
    token: options.token,
    seller: '/hollow',
    usual: { hooksTwice: true },
  });
  const hooks = new Hooks(store, options.hook, 'x-oldhollow-seal', switches);
  const turns = new Turns();
  let timer: NodeJS.Timeout | null = null;
  const day = () => switches.dayLasts;

  app.get('/hollow/rulebook', (c) => c.json(sheetToday(SHEET, switches)));

  app.post('/hollow/images', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const size = measureJpeg(bytes);
    if (!size) return c.json({ complaints: [{ about: 'images', words: 'That is no JPEG.' }] }, 422);
    const id = randomBytes(8).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'image', id, body: { ...size, bytes: bytes.length } }]);
    return c.json({ image: id }, 201);
  });

  const shown = (s: Standing) => ({
    ref: s.ref,
    status: s.status,
    seen: `${base}/piece/${encodeURIComponent(s.ref)}`,
    bids: s.bids.length,
    sale: s.sale,
  });
  const happening = (s: Standing, kind: 'sold' | 'lapsed') => ({
    kind,
    ref: s.ref,
    post: s.piece.postCents,
    sale: s.sale,
  });

  const settle = async (s: Standing, bid: { cents: number; at: number }) => {
    const daysUp = Math.max(1, Math.ceil((bid.at - s.since) / day()));
    const sale = {
      number: `OH-${randomInt(1e6, 9e6)}`,
      cents: bid.cents,
      kept: keeps(bid.cents, s.piece.postCents, daysUp),
      at: bid.at,
    };
    const sold: Standing = { ...s, status: 'sold', sale };
    const told = happening(sold, 'sold');
    await store.write(
      [
        { sort: 'piece', id: s.ref, body: sold },
        paidOrder({
          no: sale.number,
          ref: s.ref,
          what: s.piece.name,
          cents: bid.cents,
          postCents: s.piece.postCents,
          feeCents: sale.kept,
          at: bid.at,
        }),
        hooks.entry(sale.number, told),
      ],
      [told],
    );
    return sold;
  };

  app.put('/hollow/pieces/:ref', (c) =>
    turns.run(async () => {
      const ref = c.req.param('ref');
      const old = await store.get<Standing>('piece', ref);
      if (old && old.status !== 'shown') return c.json(shown(old), 409);
      if (old && c.req.query('first') === 'yes') return c.json(shown(old));
      const piece = readPiece(await c.req.json().catch(() => null));
      if (!piece) return c.json({ message: 'We can’t read that.' }, 400);
      const sizes = await Promise.all(
        piece.images.map((id) => store.get<Measured & { bytes: number }>('image', id)),
      );
      const complaints = complaintsOf(
        piece,
        sizes.flatMap((s) => s ?? []),
        switches,
      );
      if (sizes.some((s) => s === null)) complaints.push({ about: 'images', words: 'An image is not here.' });
      if (old && old.bids.length > 0)
        complaints.push({ about: 'auction.open', words: 'There are bids: nothing can be changed now.' });
      if (complaints.length > 0) return c.json({ complaints }, 422);
      const now = Date.now();
      const s: Standing = {
        ref,
        piece,
        status: 'shown',
        since: old?.since ?? now,
        until:
          old && old.piece.auction?.days === piece.auction?.days
            ? old.until
            : now + (piece.auction?.days ?? PLACE_DAYS) * day(),
        fixedCents: null,
        round: old?.round ?? 1,
        bids: [],
        sale: null,
      };
      await store.write([{ sort: 'piece', id: ref, body: s }]);
      return c.json(shown(s), old ? 200 : 201);
    }),
  );

  app.get('/hollow/pieces/:ref', async (c) => {
    const s = await store.get<Standing>('piece', c.req.param('ref'));
    return s ? c.json(shown(s)) : c.json({ message: 'We know no such piece.' }, 404);
  });

  app.delete('/hollow/pieces/:ref', (c) =>
    turns.run(async () => {
      const s = await store.get<Standing>('piece', c.req.param('ref'));
      if (!s) return c.json({ message: 'We know no such piece.' }, 404);
      if (s.status === 'sold') return c.json(shown(s), 409);
      const late = s.until - Date.now() < (LAST_HOURS / 24) * day();
      if (s.status === 'shown' && inAuction(s) && s.bids.length > 0 && late)
        return c.json({ message: `There are bids, and it ends within ${LAST_HOURS} hours: it stays.` }, 423);
      const away: Standing = { ...s, status: 'taken away' };
      await store.write([{ sort: 'piece', id: s.ref, body: away }]);
      return c.json(shown(away));
    }),
  );

  app.get('/hollow/shelf', async (c) => {
    const here = (await store.all<Standing>('piece')).filter((s) => s.status === 'shown');
    const { part, next } = portion(here, c.req.query('from'), 50);
    return c.json({ shelf: part.map((s) => ({ ...shown(s), piece: s.piece, since: s.since })), next });
  });

  app.get('/hollow/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1.1, Date.now()),
      c.req.query('room') ?? '',
      c.req.query('words') ?? '',
    );
    const state = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'wreck';
    return c.json({
      pieces: found.map((p) => ({
        number: p.no,
        name: p.words,
        maker: p.house,
        room: p.shelf,
        state: state(p.wear),
        sold: p.went,
        cents: p.cents,
        from: p.from,
        to: p.to,
      })),
    });
  });
  app.get('/hollow/sought', (c) =>
    c.json({
      sought: searched(SEED, SHELVES, c.req.query('room') ?? '').map((s) => ({
        word: s.word,
        often: s.times,
      })),
    }),
  );

  app.get('/hollow/tidings', async (c) => {
    const after = Number(c.req.query('after') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(after, 60);
    return c.json({ tidings: rows.map((r) => r.body), upTo: String(rows.at(-1)?.n ?? after) });
  });

  /** Auctions end, and places that were paid for run out. */
  const look = () =>
    turns.run(async () => {
      const now = Date.now();
      for (const s of await store.all<Standing>('piece')) {
        if (s.status !== 'shown' || s.until > now) continue;
        if (!inAuction(s)) {
          const lapsed: Standing = { ...s, status: 'lapsed' };
          await store.write([{ sort: 'piece', id: s.ref, body: lapsed }], [happening(lapsed, 'lapsed')]);
          continue;
        }
        const best = s.bids.at(-1);
        const { again, days, becomesCents } = s.piece.auction!;
        if (best) await settle(s, { cents: best.cents, at: s.until });
        else if (s.round <= again)
          await store.write([
            { sort: 'piece', id: s.ref, body: { ...s, round: s.round + 1, until: now + days * day() } },
          ]);
        else if (becomesCents !== null)
          await store.write([
            {
              sort: 'piece',
              id: s.ref,
              body: { ...s, fixedCents: becomesCents, until: now + PLACE_DAYS * day() },
            },
          ]);
        else {
          const lapsed: Standing = { ...s, status: 'lapsed' };
          await store.write([{ sort: 'piece', id: s.ref, body: lapsed }], [happening(lapsed, 'lapsed')]);
        }
      }
    });

  serveOrders(app, { store, switches, at: '/hollow/sales', style: SHEET.statement });

  // ---- the buyers' side -------------------------------------------------------------------------

  const head = html`<header><a href="${base}/">Oldhollow</a></header>`;
  const talks = serveTalks(app, {
    store,
    switches,
    base,
    look: LOOK,
    head,
    at: '/hollow/questions',
    about: async (id) => {
      const s = await store.get<Standing>('piece', id);
      return (
        s && {
          ref: s.ref,
          what: s.piece.name,
          seen: `${base}/piece/${encodeURIComponent(s.ref)}`,
          open: s.status === 'shown',
        }
      );
    },
  });
  const note = (title: string, words: string) =>
    page(
      title,
      LOOK,
      html`${head}
        <main>
          <h1>${title}</h1>
          <p>${words}</p>
        </main>`,
    );
  const closed = (c: Context) => c.html(note('The door is shut', 'Please knock again later.'), 503);
  const asked = (s: Standing) =>
    s.fixedCents ?? (s.piece.auction ? (s.bids.at(-1)?.cents ?? s.piece.auction.openCents) : s.piece.cents);

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    const all = (await store.all<Standing>('piece')).filter((s) => s.status === 'shown').reverse();
    return c.html(
      page(
        'Oldhollow',
        LOOK,
        html`${head}
          <main>
            ${SHEET.categories.map((room) => {
              const here = all.filter((s) => s.piece.room === room.id);
              return here.length === 0
                ? ''
                : html`<h1>${room.name}</h1>
                    <div class="grid">
                      ${here.map(
                        (s) =>
                          html` <a href="${base}/piece/${encodeURIComponent(s.ref)}"
                            ><img src="${base}/picture/${s.piece.images[0]}" alt="" />${s.piece.name}<br />
                            <b>${inAuction(s) ? 'bids from ' : ''}${euros(asked(s))}</b></a
                          >`,
                      )}
                    </div>`;
            })}
            ${all.length === 0 ? html`<p>The rooms are empty just now.</p>` : ''}
          </main>`,
      ),
    );
  });

  app.get('/piece/:ref', async (c) => {
    if (isOut(switches)) return closed(c);
    const s = await store.get<Standing>('piece', c.req.param('ref'));
    if (!s) return c.html(note('Nothing of that name', 'It may never have stood here.'), 404);
    const { piece } = s;
    const at = `${base}/piece/${encodeURIComponent(s.ref)}`;
    const outright = inAuction(s) ? (s.bids.length === 0 ? piece.auction!.outrightCents : null) : asked(s);
    const state = SHEET.conditions.find((x) => x.code === piece.state);
    return c.html(
      page(
        piece.name,
        LOOK,
        html`${head}
          <main>
            <h1>${piece.name}</h1>
            <div class="strip">
              ${piece.images.map((p, i) => html`<img src="${base}/picture/${p}" alt="Image ${i + 1} of ${piece.images.length}" />`)}
            </div>
            <p><span class="price">${euros(asked(s))}</span> and ${euros(piece.postCents)} to send it</p>
            ${(piece.dealings ? dealingLines(piece.dealings) : []).map((line) => html`<p>${line}</p>`)}
            ${s.status !== 'shown' ? html`<p class="note">${s.status === 'sold' ? 'It found its home.' : 'It no longer stands here.'}</p>` : ''}
            ${
              s.status === 'shown' && inAuction(s)
                ? html`<p>
                      ${s.bids.length === 0 ? 'Nobody has bid' : `${s.bids.length} have bid`}; the auction
                      ends ${new Date(s.until).toUTCString()}.
                    </p>
                    <form method="post" action="${at}/bid">
                      <label>Your name <input name="who" required maxlength="40" /></label>
                      <label
                        >Your bid in euros <input type="number" step="0.01" name="euros" required /></label
                      ><button>Bid</button>
                    </form>`
                : ''
            }
            ${
              s.status === 'shown' && outright !== null
                ? html`<form method="post" action="${at}/buy">
                    <button>Take it for ${euros(outright)}</button>
                  </form>`
                : ''
            }
            ${s.status === 'shown' ? talks.forms(encodeURIComponent(s.ref)) : ''}
            <dl>
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
                      <dd>${piece.madeOf}</dd>`
                  : ''
              }
              ${
                piece.tags.length > 0
                  ? html`<dt>Found by</dt>
                      <dd>${piece.tags.join(' · ')}</dd>`
                  : ''
              }
            </dl>
            <div class="words">${piece.account}</div>
          </main>`,
      ),
    );
  });

  app.post('/piece/:ref/bid', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const s = await store.get<Standing>('piece', c.req.param('ref'));
      if (!s) return c.notFound();
      const form = await c.req.parseBody();
      const cents = Math.round(Number(form.euros) * 100);
      const least = (s.bids.at(-1)?.cents ?? s.piece.auction?.openCents ?? 0) + (s.bids.length > 0 ? 50 : 0);
      if (s.status === 'shown' && inAuction(s) && s.until > Date.now() && cents >= least) {
        const bid: Bid = { who: String(form.who ?? '').slice(0, 40), cents, at: Date.now() };
        await store.write([{ sort: 'piece', id: s.ref, body: { ...s, bids: [...s.bids, bid] } }]);
      }
      return c.redirect(`${base}/piece/${encodeURIComponent(s.ref)}`, 303);
    }),
  );

  app.post('/piece/:ref/buy', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const s = await store.get<Standing>('piece', c.req.param('ref'));
      if (!s) return c.notFound();
      const price = inAuction(s) ? (s.bids.length === 0 ? s.piece.auction!.outrightCents : null) : asked(s);
      if (s.status === 'shown' && price !== null) await settle(s, { cents: price, at: Date.now() });
      return c.redirect(`${base}/piece/${encodeURIComponent(s.ref)}`, 303);
    }),
  );

  return {
    id: 'oldhollow',
    name: SHEET.name,
    app,
    start: () => {
      hooks.start();
      timer = setInterval(() => void look().catch(lateWork), 500);
    },
    stop: () => {
      hooks.stop();
      if (timer) clearInterval(timer);
    },
  };
}

function inAuction(s: Standing): boolean {
  return s.piece.auction !== null && s.fixedCents === null;
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
