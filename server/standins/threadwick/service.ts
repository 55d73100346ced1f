import type { Context } from 'hono';
import { html } from 'hono/html';
import { randomInt, randomBytes } from 'node:crypto';

import { SEED, SHELVES } from './past';
import { SHEET } from './sheet';
import { cents, objections, part, readPiece, type Piece } from './validate';
import { serveOrders, paidOrder } from '../kit/orders';
import { page } from '../kit/page';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg } from '../kit/pictures';
import { euros, frame, isOut, portion, sheetToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { serveTalks } from '../kit/talks';
import { Turns } from '../kit/turns';

interface Shown {
  no: string;
  piece: Piece;
  photos: string[];
  status: 'hanging' | 'taken down' | 'sold';
  sale: { sale: string; amount: number; part: number; when: string } | null;
}

const LOOK = { ground: '#fbf3f1', ink: '#3a2530', accent: '#8a3b5c', face: '"Trebuchet MS", sans-serif' };
const POSTAGE = 390;
/** Calls in ten seconds before "slow down". */
const PACE = 40;

/**
 * Threadwick: clothes, shoes and bags. A form with the photos in one call, a journal to be read again
 * and again (it calls nobody), and a strict pace. One hanging piece a reference: a second call with
 * the same one is told where the first hangs.
 */
export function threadwick(options: { store: Store; token: string; base: string }): Service {
  const { store, base } = options;
  const { app, switches } = frame({ name: SHEET.name, store, token: options.token, seller: '/rail' });
  const turns = new Turns();
  let calls: number[] = [];

  app.use('/rail/*', async (c, next) => {
    const now = Date.now();
    calls = calls.filter((t) => t > now - 10_000);
    if (calls.length >= PACE) {
      const wait = Math.ceil(((calls[0] ?? now) + 10_000 - now) / 1_000);
      return c.text('Gently, please.', 429, { 'Retry-After': String(Math.max(1, wait)) });
    }
    calls.push(now);
    return next();
  });

  app.get('/rail/rules', (c) => c.json(sheetToday(SHEET, switches)));

  const where = (s: Shown) => ({
    no: s.no,
    ref: s.piece.ref,
    status: s.status,
    seen: `${base}/p/${s.no}`,
    sale: s.sale,
  });
  const byRef = async (ref: string) => (await store.all<Shown>('piece')).filter((s) => s.piece.ref === ref);

  const readForm = async (c: Context) => {
    const form = await c.req.formData().catch(() => null);
    const piece = readPiece(form?.get('piece'));
    const files = (form?.getAll('photo') ?? []).filter((f): f is File => f instanceof File);
    if (!piece || files.length > 20) return null;
    const photos = await Promise.all(
      files.map(async (file) => {
        const bytes = new Uint8Array(await file.arrayBuffer());
        return { bytes, size: measureJpeg(bytes) };
      }),
    );
    return { piece, photos };
  };

  const hang = async (c: Context, old: Shown | null) => {
    const form = await readForm(c);
    if (!form) return c.json({ words: 'We could not read that.' }, 400);
    const measured = form.photos.flatMap((p) => (p.size ? [{ ...p.size, bytes: p.bytes.length }] : []));
    const no = objections(form.piece, measured, switches);
    if (measured.length < form.photos.length) no.push(['photos', 'One of the photos is no JPEG.']);
    if (no.length > 0) return c.json({ objections: no }, 406);
    const photos: string[] = [];
    for (const p of form.photos) {
      const id = randomBytes(8).toString('base64url');
      await store.putPicture(id, p.bytes);
      photos.push(id);
    }
    const shown: Shown = {
      no: old?.no ?? String(randomInt(10_000_000, 99_999_999)),
      piece: form.piece,
      photos,
      status: 'hanging',
      sale: null,
    };
    await store.write([{ sort: 'piece', id: shown.no, body: shown }]);
    return c.json(where(shown), old ? 200 : 201);
  };

  app.post('/rail/pieces', (c) =>
    turns.run(async () => {
      const ref = c.req.query('ref') ?? '';
      const twin = (await byRef(ref))[0];
      return twin ? c.json(where(twin), 303) : hang(c, null);
    }),
  );

  app.post('/rail/pieces/:no', (c) =>
    turns.run(async () => {
      const shown = await store.get<Shown>('piece', c.req.param('no'));
      if (!shown) return c.json({ words: 'We know no such piece.' }, 404);
      if (shown.status !== 'hanging') return c.json(where(shown), 410);
      return hang(c, shown);
    }),
  );

  app.get('/rail/pieces', async (c) => c.json((await byRef(c.req.query('ref') ?? '')).map(where)));

  app.delete('/rail/pieces/:no', (c) =>
    turns.run(async () => {
      const shown = await store.get<Shown>('piece', c.req.param('no'));
      if (!shown) return c.json({ words: 'We know no such piece.' }, 404);
      if (shown.status === 'sold') return c.json(where(shown), 410);
      const down: Shown = { ...shown, status: 'taken down' };
      await store.write([{ sort: 'piece', id: shown.no, body: down }]);
      return c.json(where(down));
    }),
  );

  app.get('/rail/mine', async (c) => {
    const hanging = (await store.all<Shown>('piece')).filter((s) => s.status === 'hanging');
    const { part, next } = portion(hanging, c.req.query('from'), 100);
    return c.json({ pieces: part.map((s) => ({ ...where(s), piece: s.piece, photos: s.photos })), next });
  });

  app.get('/rail/gone', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 0.95, Date.now()),
      c.req.query('shelf') ?? '',
      c.req.query('words') ?? '',
    );
    const worn = (wear: number) => SHEET.conditions.find((w) => w.wear >= wear)?.code ?? '4';
    return c.json(
      found.map((p) => ({
        no: p.no,
        name: p.words,
        label: p.house,
        shelf: p.shelf,
        worn: worn(p.wear),
        gone: p.went,
        price: (p.cents / 100).toFixed(2),
        hung: new Date(p.from).toISOString(),
        down: new Date(p.to).toISOString(),
      })),
    );
  });
  app.get('/rail/asked', (c) =>
    c.json(
      Object.fromEntries(searched(SEED, SHELVES, c.req.query('shelf') ?? '').map((s) => [s.word, s.times])),
    ),
  );

  app.get('/rail/journal', async (c) => {
    const since = Number(c.req.query('since') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(since, 50);
    return c.json({ lines: rows.map((r) => r.body), next: String(rows.at(-1)?.n ?? since) });
  });

  serveOrders(app, { store, switches, at: '/rail/sales', style: SHEET.statement });

  // ---- the buyers' side -------------------------------------------------------------------------

  const head = html`<header><a href="${base}/">threadwick</a></header>`;
  const closed = (c: Context) =>
    c.html(
      page(
        'Mending',
        LOOK,
        html`${head}
          <main>
            <h1>We are mending</h1>
            <p>Please look in later.</p>
          </main>`,
      ),
      503,
    );

  /** Sold at a price; false when it is gone. */
  const takeHome = async (s: Shown, amount: number): Promise<boolean> => {
    if (s.status !== 'hanging') return false;
    const when = new Date();
    const sale = { sale: `tw-${randomInt(1e9, 9e9)}`, amount, part: part(amount), when: when.toISOString() };
    await store.write(
      [
        { sort: 'piece', id: s.no, body: { ...s, status: 'sold', sale } satisfies Shown },
        paidOrder({
          no: sale.sale,
          ref: s.piece.ref,
          what: s.piece.name,
          cents: amount,
          postCents: POSTAGE,
          feeCents: sale.part,
          at: when.getTime(),
        }),
      ],
      [{ line: 'sold', no: s.no, ref: s.piece.ref, post: POSTAGE, ...sale }],
    );
    return true;
  };

  const talks = serveTalks(app, {
    store,
    switches,
    base,
    look: LOOK,
    head,
    at: '/rail/notes',
    about: async (id) => {
      const s = await store.get<Shown>('piece', id);
      return (
        s && { ref: s.piece.ref, what: s.piece.name, seen: `${base}/p/${s.no}`, open: s.status === 'hanging' }
      );
    },
    offers: {
      pay: (ref, amount) =>
        turns.run(async () => {
          const s = (await byRef(ref)).find((x) => x.status === 'hanging');
          return s !== undefined && takeHome(s, amount);
        }),
    },
  });

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    const hanging = (await store.all<Shown>('piece')).filter((s) => s.status === 'hanging').reverse();
    return c.html(
      page(
        'Threadwick',
        LOOK,
        html`${head}
          <main>
            <h1>On the rail</h1>
            <div class="grid">
              ${hanging.map(
                (s) =>
                  html`<a href="${base}/p/${s.no}"
                    ><img src="${base}/picture/${s.photos[0]}" alt="" /> <b>${s.piece.price} €</b> ·
                    ${s.piece.size}<br />${s.piece.name}</a
                  >`,
              )}
            </div>
            ${hanging.length === 0 ? html`<p>The rail is empty just now.</p>` : ''}
          </main>`,
      ),
    );
  });

  app.get('/p/:no', async (c) => {
    if (isOut(switches)) return closed(c);
    const s = await store.get<Shown>('piece', c.req.param('no'));
    if (!s)
      return c.html(
        page(
          'Nothing here',
          LOOK,
          html`${head}
            <main><h1>Nothing here</h1></main>`,
        ),
        404,
      );
    const worn = SHEET.conditions.find((w) => w.code === s.piece.worn);
    return c.html(
      page(
        s.piece.name,
        LOOK,
        html`${head}
          <main>
            <h1>${s.piece.name}</h1>
            <div class="strip">
              ${s.photos.map((p, i) => html`<img src="${base}/picture/${p}" alt="Photo ${i + 1} of ${s.photos.length}" />`)}
            </div>
            <p><span class="price">${s.piece.price} €</span> and ${euros(POSTAGE)} for the post</p>
            ${
              s.status === 'hanging'
                ? html`<form method="post" action="${base}/p/${s.no}/take">
                      <button>Take it home</button>
                    </form>
                    ${talks.forms(s.no)}`
                : html`<p class="note">
                    ${s.status === 'sold' ? 'Somebody took it home.' : 'It was taken down.'}
                  </p>`
            }
            <dl>
              <dt>Worn</dt>
              <dd>${worn?.label}</dd>
              <dt>Size</dt>
              <dd>${s.piece.size}</dd>
              <dt>Colour</dt>
              <dd>${s.piece.colour}</dd>
              <dt>Department</dt>
              <dd>${s.piece.department}</dd>
              ${
                s.piece.label
                  ? html`<dt>Label</dt>
                      <dd>${s.piece.label}</dd>`
                  : ''
              }${
                s.piece.cloth
                  ? html`<dt>Cloth</dt>
                      <dd>${s.piece.cloth}</dd>`
                  : ''
              }
            </dl>
            <div class="words">${s.piece.story}</div>
          </main>`,
      ),
    );
  });

  app.post('/p/:no/take', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const s = await store.get<Shown>('piece', c.req.param('no'));
      if (!s) return c.notFound();
      await takeHome(s, cents(s.piece.price));
      return c.redirect(`${base}/p/${s.no}`, 303);
    }),
  );

  return { id: 'threadwick', name: SHEET.name, app, start: () => undefined, stop: () => undefined };
}
