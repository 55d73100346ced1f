import type { Context } from 'hono';
import { html, raw } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { SEED, SHELVES } from './past';
import { CATEGORIES, SHEET } from './sheet';
import { areTwins, feesFor, problemsOf, readEntry, type Entry } from './validate';
import { Hooks } from '../kit/hooks';
import { serveOrders, paidOrder } from '../kit/orders';
import { page } from '../kit/page';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg, type Measured } from '../kit/pictures';
import { euros, frame, isOut, portion, sheetToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { serveTalks } from '../kit/talks';
import { Turns } from '../kit/turns';

interface Listing {
  id: string;
  entry: Entry;
  state: 'live' | 'ended' | 'sold';
  listedAt: number;
  order: Order | null;
  /** Of a listing with choices: how many of each piece went. */
  sold?: Record<string, number>;
}

interface Order {
  order: string;
  listing: string;
  reference: string;
  paidCents: number;
  postageCents: number;
  feesCents: number;
  soldAt: number;
  piece?: string;
}

/** How many of a piece are left. */
function left(l: Listing, code: string): number {
  const piece = l.entry.choices?.pieces.find((p) => p.code === code);
  return Math.max(0, (piece?.stock ?? 0) - (l.sold?.[code] ?? 0));
}

const anyLeft = (l: Listing) => (l.entry.choices?.pieces ?? []).some((p) => left(l, p.code) > 0);

const LOOK = { ground: '#eef1ec', ink: '#1f2a24', accent: '#2c5f63', face: 'Georgia, serif' };

/**
 * Brackenmoor: the big general marketplace. JSON, immediate answers, idempotency keys, signed
 * webhooks, and a feed of happenings with a cursor.
 */
export function brackenmoor(options: {
  store: Store;
  token: string;
  hook: { url: string; secret: string };
  /** Path the pages are served under. */
  base: string;
}): Service {
  const { store, base } = options;
  const { app, switches } = frame({ name: SHEET.name, store, token: options.token, seller: '/v1' });
  const hooks = new Hooks(store, options.hook, 'x-brackenmoor-signature', switches);
  const turns = new Turns();

  app.get('/v1/rules', (c) => c.json(sheetToday(SHEET, switches)));

  app.post('/v1/pictures', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const measured = measureJpeg(bytes);
    if (!measured)
      return c.json({ problems: [{ code: 'PH-0', field: 'pictures', message: 'That is no JPEG.' }] }, 422);
    const id = randomBytes(9).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'picture', id, body: { ...measured, bytes: bytes.length } }]);
    return c.json({ picture: id }, 201);
  });

  app.post('/v1/clips', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const seconds = Number(c.req.query('seconds'));
    const no = (code: string, message: string) =>
      c.json({ problems: [{ code, field: 'clip', message }] }, 422);
    const type = filmType(bytes);
    if (!type) return no('CL-1', 'That is no film we can show.');
    if (bytes.length > 30_000_000) return no('CL-2', 'Films go up to 30 MB.');
    if (!(seconds > 0 && seconds <= 60)) return no('CL-3', 'Films go up to a minute.');
    const id = randomBytes(9).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'clip', id, body: { type } }]);
    return c.json({ clip: id }, 201);
  });

  app.get('/clip/:id', async (c) => {
    const clip = await store.get<{ type: string }>('clip', c.req.param('id'));
    const bytes = clip && (await store.picture(c.req.param('id')));
    if (!bytes) return c.notFound();
    return c.body(bytes, 200, { 'Content-Type': clip.type, 'Cross-Origin-Resource-Policy': 'cross-origin' });
  });

  const measure = async (entry: Entry) => {
    const sizes = await Promise.all(
      entry.pictures.map((id) => store.get<Measured & { bytes: number }>('picture', id)),
    );
    return sizes.every((s) => s !== null) ? sizes : null;
  };

  const judge = async (entry: Entry, own: Listing | null) => {
    const pictures = await measure(entry);
    if (!pictures) return [{ code: 'PH-9', field: 'pictures', message: 'A picture is not here.' }];
    if (entry.clip && !(await store.get('clip', entry.clip)))
      return [{ code: 'CL-9', field: 'clip', message: 'The film is not here.' }];
    const problems = problemsOf(entry, pictures, switches);
    const others = (await store.all<Listing>('listing')).filter((l) => l.id !== own?.id);
    if (others.some((l) => l.state === 'live' && areTwins(l.entry, entry)))
      problems.push({ code: 'TW-1', field: 'headline', message: 'You list the same item already.' });
    const month = new Date().toISOString().slice(0, 7);
    const used = others.filter((l) => new Date(l.listedAt).toISOString().startsWith(month)).length;
    if (!own && used >= SHEET.monthlyAllowance)
      problems.push({ code: 'AL-1', field: '', message: 'This month’s listings are used up.' });
    return problems;
  };

  const shown = (l: Listing) => ({
    listing: l.id,
    reference: l.entry.reference,
    state: l.state,
    page: `${base}/item/${l.id}`,
    order: l.order,
  });

  app.post('/v1/listings', (c) =>
    turns.run(async () => {
      const key = c.req.header('idempotency-key') ?? '';
      if (!/^[\w.:-]{8,120}$/.test(key)) return c.json({ message: 'An idempotency key is needed.' }, 400);
      const before = await store.get<{ listing: string }>('key', key);
      const earlier = before && (await store.get<Listing>('listing', before.listing));
      if (earlier) return c.json(shown(earlier), 200);
      const entry = readEntry(await c.req.json().catch(() => null));
      if (!entry) return c.json({ message: 'Not a listing.' }, 400);
      const problems = await judge(entry, null);
      if (problems.length > 0) return c.json({ problems }, 422);
      const id = randomBytes(6).toString('hex');
      const listing: Listing = { id, entry, state: 'live', listedAt: Date.now(), order: null };
      await store.write([
        { sort: 'listing', id, body: listing },
        { sort: 'key', id: key, body: { listing: id } },
      ]);
      return c.json(shown(listing), 201);
    }),
  );

  app.put('/v1/listings/:id', (c) =>
    turns.run(async () => {
      const listing = await store.get<Listing>('listing', c.req.param('id'));
      if (!listing) return c.json({ message: 'No such listing.' }, 404);
      if (listing.state !== 'live') return c.json(shown(listing), 409);
      const entry = readEntry(await c.req.json().catch(() => null));
      if (!entry) return c.json({ message: 'Not a listing.' }, 400);
      const problems = await judge(entry, listing);
      if (problems.length > 0) return c.json({ problems }, 422);
      const next = { ...listing, entry };
      await store.write([{ sort: 'listing', id: listing.id, body: next }]);
      return c.json(shown(next));
    }),
  );

  app.post('/v1/listings/:id/end', (c) =>
    turns.run(async () => {
      const listing = await store.get<Listing>('listing', c.req.param('id'));
      if (!listing) return c.json({ message: 'No such listing.' }, 404);
      if (listing.state === 'sold') return c.json(shown(listing), 409);
      const next: Listing = { ...listing, state: 'ended' };
      await store.write([{ sort: 'listing', id: listing.id, body: next }]);
      return c.json(shown(next));
    }),
  );

  app.get('/v1/listings', async (c) => {
    const reference = c.req.query('reference');
    const all = await store.all<Listing>('listing');
    return c.json({ listings: all.filter((l) => l.entry.reference === reference).map(shown) });
  });

  app.get('/v1/stall', async (c) => {
    const live = (await store.all<Listing>('listing')).filter((l) => l.state === 'live');
    const { part, next } = portion(live, c.req.query('from'), 60);
    return c.json({ stall: part.map((l) => ({ ...shown(l), ...l.entry, listedAt: l.listedAt })), next });
  });

  app.get('/v1/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1, Date.now()),
      c.req.query('category') ?? '',
      c.req.query('words') ?? '',
    );
    const worn = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'rough';
    return c.json({
      past: found.map((p) => ({
        number: p.no,
        headline: p.words,
        maker: p.house,
        category: p.shelf,
        condition: worn(p.wear),
        outcome: p.went ? 'sold' : 'unsold',
        cents: p.cents,
        listedAt: p.from,
        endedAt: p.to,
      })),
    });
  });
  app.get('/v1/sought', (c) => c.json({ words: searched(SEED, SHELVES, c.req.query('category') ?? '') }));

  app.get('/v1/happenings', async (c) => {
    const after = Number(c.req.query('after') ?? 0);
    const rows = await store.happeningsAfter<Order>(Number.isInteger(after) && after >= 0 ? after : 0, 100);
    return c.json({
      happenings: rows.map((r) => ({ kind: 'sold', ...r.body })),
      cursor: String(rows.at(-1)?.n ?? after),
    });
  });

  serveOrders(app, { store, switches, at: '/v1/orders', style: SHEET.statement });

  // ---- the buyers' side -------------------------------------------------------------------------

  const head = html`<header><a href="${base}/">Brackenmoor</a></header>`;
  const closed = (c: Context) =>
    c.html(
      page(
        'Closed',
        LOOK,
        html`${head}
          <main>
            <h1>Closed for repairs</h1>
            <p>Please come back later.</p>
          </main>`,
      ),
      503,
    );

  /** Sells it, or a piece of it, at the price asked or agreed; false when it is gone. */
  const sell = async (l: Listing, { code, agreed }: { code?: string; agreed?: number }): Promise<boolean> => {
    const piece = l.entry.choices?.pieces.find((p) => p.code === code);
    if (l.state !== 'live' || (code !== undefined && left(l, code) <= 0)) return false;
    const { postageCents, category, reference } = l.entry;
    const askingCents = agreed ?? piece?.cents ?? l.entry.askingCents;
    const order: Order = {
      order: `BM${randomBytes(5).toString('hex').toUpperCase()}`,
      listing: l.id,
      reference,
      paidCents: askingCents,
      postageCents,
      feesCents: feesFor(category, askingCents, postageCents, {
        promotionPercent: l.entry.promotionPercent,
        secondLine: l.entry.secondLine !== undefined,
        secondCategory: l.entry.secondCategory !== undefined,
      }),
      soldAt: Date.now(),
      ...(code === undefined ? {} : { piece: code }),
    };
    const counted: Listing =
      code === undefined ? l : { ...l, sold: { ...l.sold, [code]: (l.sold?.[code] ?? 0) + 1 } };
    const sold: Listing = {
      ...counted,
      state: code !== undefined && anyLeft(counted) ? 'live' : 'sold',
      order,
    };
    await store.write(
      [
        { sort: 'listing', id: l.id, body: sold },
        paidOrder({
          no: order.order,
          ref: reference,
          what: l.entry.headline,
          cents: askingCents,
          postCents: postageCents,
          feeCents: order.feesCents,
          at: order.soldAt,
        }),
        hooks.entry(order.order, { kind: 'sold', ...order }),
      ],
      [order],
    );
    return true;
  };

  const talks = serveTalks(app, {
    store,
    switches,
    base,
    look: LOOK,
    head,
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
          return l !== undefined && !l.entry.choices && sell(l, { agreed: cents });
        }),
    },
  });

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    const live = (await store.all<Listing>('listing')).filter((l) => l.state === 'live').reverse();
    return c.html(
      page(
        'Brackenmoor',
        LOOK,
        html`${head}
          <main>
            <h1>New on the moor</h1>
            <div class="grid">
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
          </main>`,
      ),
    );
  });

  // Links from before its pages were called items.
  app.get('/thing/:id', (c) => c.redirect(`${base}/item/${c.req.param('id')}`, 301));
  app.get('/item/:id', async (c) => {
    if (isOut(switches)) return closed(c);
    const l = await store.get<Listing>('listing', c.req.param('id'));
    if (!l)
      return c.html(
        page(
          'Not here',
          LOOK,
          html`${head}
            <main><h1>Not here</h1></main>`,
        ),
        404,
      );
    const e = l.entry;
    const category = CATEGORIES.find((x) => x.id === e.category);
    const condition = SHEET.conditions.find((x) => x.code === e.condition);
    return c.html(
      page(
        e.headline,
        LOOK,
        html`${head}
          <main>
            <div class="strip">
              ${e.pictures.map((p, i) => html`<img src="${base}/picture/${p}" alt="Picture ${i + 1} of ${e.pictures.length}" />`)}
            </div>
            ${e.clip ? html`<video src="${base}/clip/${e.clip}" controls muted width="320"></video>` : ''}
            <h1>${e.headline}</h1>
            ${e.secondLine ? html`<p>${e.secondLine}</p>` : ''}
            <div class="price">${euros(e.askingCents)}</div>
            <p>and ${euros(e.postageCents)} postage</p>
            <ul>
              ${termLines(e).map((line) => html`<li>${line}</li>`)}
            </ul>
            ${
              l.state === 'live'
                ? html`<form method="post" action="${base}/item/${l.id}/buy">
                      ${
                        e.choices
                          ? html`<p>${e.choices.names.join(', ')}</p>
                              ${e.choices.pieces.map(
                                (p) =>
                                  html`<label
                                    ><input
                                      type="radio"
                                      name="piece"
                                      value="${p.code}"
                                      required
                                      ${left(l, p.code) === 0 ? raw('disabled') : ''}
                                    />
                                    ${p.values.join(', ')}, ${euros(p.cents)}
                                    (${left(l, p.code) === 0 ? 'gone' : `${left(l, p.code)} left`})</label
                                  >`,
                              )}`
                          : ''
                      }<button>Buy it now</button>
                    </form>
                    ${talks.forms(l.id)}`
                : l.state === 'sold'
                  ? html`<p class="note">This has been bought.</p>`
                  : html`<p class="note">This is no longer offered.</p>`
            }
            <dl>
              <dt>Condition</dt>
              <dd>${condition?.label}</dd>
              <dt>Shelved under</dt>
              <dd>${category?.name}</dd>
              ${(category?.specifics ?? [])
                .filter((s) => e.attributes[s.id])
                .map(
                  (s) =>
                    html`<dt>${s.label}</dt>
                      <dd>${e.attributes[s.id]}</dd>`,
                )}
            </dl>
            <div class="words">${e.text.includes('<') ? raw(e.text) : e.text}</div>
          </main>`,
      ),
    );
  });

  app.post('/item/:id/buy', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const l = await store.get<Listing>('listing', c.req.param('id'));
      if (!l) return c.notFound();
      await sell(l, { code: l.entry.choices ? String((await c.req.parseBody()).piece ?? '') : undefined });
      return c.redirect(`${base}/item/${l.id}`, 303);
    }),
  );

  return { id: 'brackenmoor', name: SHEET.name, app, start: () => hooks.start(), stop: () => hooks.stop() };
}

/** What a film's first bytes say it is; null for anything else. */
function filmType(bytes: Uint8Array): string | null {
  if (bytes[0] === 0x1a && bytes[1] === 0x45 && bytes[2] === 0xdf && bytes[3] === 0xa3) return 'video/webm';
  return String.fromCharCode(...bytes.subarray(4, 8)) === 'ftyp' ? 'video/mp4' : null;
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
