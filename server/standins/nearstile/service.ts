import type { Context } from 'hono';
import { html } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { SEED, SHELVES } from './past';
import { review } from './review';
import { SHEET } from './sheet';
import { faultsOf, photoFaults } from './validate';
import { lateWork } from '../kit/faults';
import { page } from '../kit/page';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg } from '../kit/pictures';
import { frame, isOut, portion, sheetToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { serveTalks } from '../kit/talks';
import { Turns } from '../kit/turns';

interface Ad {
  /** The seller's own name for it: putting the same one twice changes nothing twice. */
  id: string;
  heading: string;
  body: string;
  euros: number;
  board: string;
  state: string;
  place: string;
  boards?: string[];
  /** Promised to a neighbour: it stays up, and says so. */
  held?: boolean;
  photos: string[];
  status: 'waiting' | 'up' | 'turned down' | 'closed';
  closedAs: 'sold' | 'withdrawn' | null;
  why: string | null;
  putAt: number;
}

const LOOK = { ground: '#f3f6e9', ink: '#26301b', accent: '#6a7a1f', face: 'Verdana, sans-serif' };
/**
 * Nearstile: a local board. Ads are put under the seller's own name for them and wait for a person to
 * look them over; buyers meet the seller, and only the seller knows when it is sold.
 */
export function nearstile(options: { store: Store; token: string; base: string }): Service {
  const { store, base } = options;
  const { app, switches } = frame({ name: SHEET.name, store, token: options.token, seller: '/board' });
  const turns = new Turns();
  let timer: NodeJS.Timeout | null = null;

  app.get('/board/rules', (c) => c.json(sheetToday(SHEET, switches)));

  const state = (ad: Ad) => ({
    id: ad.id,
    status: ad.status,
    closedAs: ad.closedAs,
    why: ad.why,
    link: `${base}/ad/${encodeURIComponent(ad.id)}`,
  });

  const readPhotos = (list: unknown) =>
    (Array.isArray(list) ? list : []).slice(0, 30).map((p) => {
      const bytes = new Uint8Array(Buffer.from(String(p), 'base64'));
      const size = measureJpeg(bytes);
      return { bytes, longSide: size ? Math.max(size.width, size.height) : 0 };
    });

  app.put('/board/ads/:id', (c) =>
    turns.run(async () => {
      const id = c.req.param('id');
      const old = await store.get<Ad>('ad', id);
      if (old && (old.status === 'closed' || old.status === 'turned down')) return c.json(state(old), 409);
      if (old && c.req.query('new') === 'yes') return c.json(state(old));
      const b = (await c.req.json().catch(() => ({}))) as Record<string, unknown>;
      const photos = readPhotos(b.photos);
      const faults = [
        ...faultsOf(b, switches),
        ...photoFaults(
          photos.map((p) => ({ longSide: p.longSide, bytes: p.bytes.length })),
          switches,
        ),
      ];
      if (faults.length > 0) return c.json({ faults }, 400);
      const names: string[] = [];
      for (const { bytes } of photos) {
        const name = randomBytes(8).toString('hex');
        await store.putPicture(name, bytes);
        names.push(name);
      }
      const ad: Ad = {
        id,
        heading: String(b.heading).trim(),
        body: String(b.body),
        euros: Number(b.euros),
        board: String(b.board),
        state: String(b.state),
        place: String(b.place),
        boards: Array.isArray(b.boards) ? b.boards.map(String) : [],
        photos: names,
        held: b.held === true,
        // Small changes to an ad that is up are not looked over again.
        status: old?.status ?? 'waiting',
        closedAs: null,
        why: null,
        putAt: Date.now(),
      };
      await store.write([{ sort: 'ad', id, body: ad }]);
      return c.json(state(ad), old ? 200 : 202);
    }),
  );

  app.get('/board/mine', async (c) => {
    const mine = (await store.all<Ad>('ad')).filter((ad) => ad.status === 'up' || ad.status === 'waiting');
    const { part, next } = portion(mine, c.req.query('from'), 40);
    return c.json({
      ads: part.map((ad) => ({
        ...state(ad),
        heading: ad.heading,
        body: ad.body,
        euros: ad.euros,
        board: ad.board,
        state: ad.state,
        place: ad.place,
        photos: ad.photos,
        putAt: ad.putAt,
      })),
      next,
    });
  });

  app.get('/board/old', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 0.8, Date.now()),
      c.req.query('board') ?? '',
      c.req.query('words') ?? '',
    );
    const state = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'fix';
    return c.json({
      ads: found.map((p) => ({
        id: p.no,
        heading: p.words,
        board: p.shelf,
        state: state(p.wear),
        dealt: p.went,
        euros: p.cents / 100,
        up: p.from,
        down: p.to,
      })),
    });
  });
  app.get('/board/searches', (c) =>
    c.json({ searches: searched(SEED, SHELVES, c.req.query('board') ?? '').map((s) => [s.word, s.times]) }),
  );

  app.get('/board/ads/:id', async (c) => {
    const ad = await store.get<Ad>('ad', c.req.param('id'));
    return ad ? c.json(state(ad)) : c.json({ faults: ['no such ad'] }, 404);
  });

  app.post('/board/ads/:id/close', (c) =>
    turns.run(async () => {
      const ad = await store.get<Ad>('ad', c.req.param('id'));
      if (!ad) return c.json({ faults: ['no such ad'] }, 404);
      if (ad.status === 'closed') return c.json(state(ad));
      const b = (await c.req.json().catch(() => ({}))) as { as?: string };
      const closed: Ad = { ...ad, status: 'closed', closedAs: b.as === 'sold' ? 'sold' : 'withdrawn' };
      await store.write([{ sort: 'ad', id: ad.id, body: closed }]);
      return c.json(state(closed));
    }),
  );

  app.get('/board/news/:from', async (c) => {
    const from = Number(c.req.param('from')) || 0;
    const rows = await store.happeningsAfter<unknown>(from, 50);
    return c.json({ news: rows.map((r) => r.body), upTo: rows.at(-1)?.n ?? from });
  });

  /** The person who looks ads over. */
  const lookOver = () =>
    turns.run(async () => {
      if (isOut(switches)) return;
      for (const ad of await store.all<Ad>('ad')) {
        if (ad.status !== 'waiting' || ad.putAt + switches.reviewTime > Date.now()) continue;
        const why = review(ad.heading, ad.body);
        const next: Ad = { ...ad, status: why ? 'turned down' : 'up', why };
        await store.write([{ sort: 'ad', id: ad.id, body: next }], [state(next)]);
      }
    });

  // ---- the neighbours' side ---------------------------------------------------------------------

  const head = html`<header><a href="${base}/">nearstile · Saltreach</a></header>`;
  const closed = (c: Context) =>
    c.html(
      page(
        'Shut',
        LOOK,
        html`${head}
          <main><h1>The board is shut just now</h1></main>`,
      ),
      503,
    );
  const talks = serveTalks(app, {
    store,
    switches,
    base,
    look: LOOK,
    head,
    at: '/board/enquiries',
    about: async (id) => {
      const ad = await store.get<Ad>('ad', id);
      return ad && { ref: ad.id, what: ad.heading, seen: `${base}/ad/${ad.id}`, open: ad.status === 'up' };
    },
    offers: {},
  });
  const price = (ad: Ad) => (ad.euros === 0 ? 'to give away' : `${ad.euros.toFixed(2)} €`);

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    const up = (await store.all<Ad>('ad')).filter((ad) => ad.status === 'up').reverse();
    return c.html(
      page(
        'Nearstile',
        LOOK,
        html`${head}
          <main>
            <h1>From your neighbours</h1>
            <div class="grid">
              ${up.map((ad) => html`<a href="${base}/ad/${ad.id}"><img src="${base}/picture/${ad.photos[0]}" alt="" />${ad.heading}<br /><b>${price(ad)}</b></a>`)}
            </div>
            ${up.length === 0 ? html`<p>The board is empty just now.</p>` : ''}
          </main>`,
      ),
    );
  });

  app.get('/ad/:id', async (c) => {
    if (isOut(switches)) return closed(c);
    const ad = await store.get<Ad>('ad', c.req.param('id'));
    if (!ad || ad.status === 'waiting' || ad.status === 'turned down')
      return c.html(
        page(
          'Not on the board',
          LOOK,
          html`${head}
            <main><h1>Not on the board</h1></main>`,
        ),
        404,
      );
    const condition = SHEET.conditions.find((x) => x.code === ad.state);
    return c.html(
      page(
        ad.heading,
        LOOK,
        html`${head}
          <main>
            <div class="strip">
              ${ad.photos.map((p, i) => html`<img src="${base}/picture/${p}" alt="Photo ${i + 1} of ${ad.photos.length}" />`)}
            </div>
            <h1>${ad.heading}</h1>
            <div class="price">${price(ad)}</div>
            ${
              ad.status === 'closed'
                ? html`<p class="note">
                    ${ad.closedAs === 'sold' ? 'Gone to a neighbour.' : 'Taken off the board.'}
                  </p>`
                : html`${ad.held ? html`<p class="note">Promised to a neighbour; ask whether it is still to be had.</p>` : ''}
                    <p class="note">Meet the seller: ${ad.place}. Pay in cash or by transfer.</p>
                    ${talks.forms(ad.id)}`
            }
            <dl>
              <dt>State</dt>
              <dd>${condition?.label}</dd>
              ${
                ad.boards?.length
                  ? html`<dt>Also on</dt>
                      <dd>${ad.boards.join(', ')}</dd>`
                  : ''
              }
            </dl>
            <div class="words">${ad.body}</div>
          </main>`,
      ),
    );
  });

  return {
    id: 'nearstile',
    name: SHEET.name,
    app,
    start: () => {
      timer = setInterval(() => void lookOver().catch(lateWork), 300);
    },
    stop: () => {
      if (timer) clearInterval(timer);
    },
  };
}
