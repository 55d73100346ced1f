import type { Context } from 'hono';
import { html, raw } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { cardCost } from './fees';
import { SEED, SHELVES } from './past';
import { SHEET } from './sheet';
import { hitches, readGood, type Good } from './validate';
import { serveOrders, paidOrder } from '../kit/orders';
import { page } from '../kit/page';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg, type Measured } from '../kit/pictures';
import { euros, frame, isOut, portion, sheetToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { serveTalks } from '../kit/talks';
import { Turns } from '../kit/turns';

interface Shelved {
  ref: string;
  good: Good;
  left: number;
  removed: boolean;
  at: number;
}

interface Basket {
  id: string;
  refs: string[];
  coupon: string;
}

interface Coupon {
  code: string;
  percentOff: number;
}

const LOOK = { ground: '#faf6ec', ink: '#2a2018', accent: '#7a4b1e', face: 'Cambria, Georgia, serif' };

/**
 * Lanternyard: hosts the seller's own shop. Goods are put under the keeper's own name for them and are in the
 * shop at once; stock is counted, and what is sold can't be bought. Baskets, checkout and coupons.
 */
export function lanternyard(options: { store: Store; token: string; base: string }): Service {
  const { store, base } = options;
  const { app, switches } = frame({ name: SHEET.name, store, token: options.token, seller: '/admin' });
  const turns = new Turns();

  app.get('/admin/rules', (c) => c.json(sheetToday(SHEET, switches)));

  app.post('/admin/photos', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const size = measureJpeg(bytes);
    if (!size) return c.json({ hitches: { photos: 'That is no JPEG.' } }, 422);
    const id = randomBytes(8).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'photo', id, body: { ...size, bytes: bytes.length } }]);
    return c.json({ photo: id }, 201);
  });

  const told = (s: Shelved) => ({
    ref: s.ref,
    left: s.left,
    removed: s.removed,
    seen: `${base}/g/${encodeURIComponent(s.ref)}`,
  });
  const offered = (s: Shelved) => !s.removed && s.left > 0;

  app.put('/admin/goods/:ref', (c) =>
    turns.run(async () => {
      const ref = c.req.param('ref');
      const old = await store.get<Shelved>('good', ref);
      if (old && !offered(old)) return c.json(told(old), 409);
      const good = readGood(await c.req.json().catch(() => null));
      if (!good) return c.json({ message: 'We can’t read that.' }, 400);
      const sizes = await Promise.all(
        good.photos.map((id) => store.get<Measured & { bytes: number }>('photo', id)),
      );
      const found = hitches(
        good,
        sizes.flatMap((s) => s ?? []),
        switches,
      );
      if (Object.keys(found).length > 0) return c.json({ hitches: found }, 422);
      const s: Shelved = { ref, good, left: good.stock, removed: false, at: old?.at ?? Date.now() };
      await store.write([{ sort: 'good', id: ref, body: s }]);
      return c.json(told(s), old ? 200 : 201);
    }),
  );

  app.get('/admin/goods', async (c) => {
    const { part, next } = portion(
      (await store.all<Shelved>('good')).filter(offered),
      c.req.query('from'),
      80,
    );
    return c.json({ goods: part.map((s) => ({ ...told(s), good: s.good, at: s.at })), next });
  });

  app.get('/admin/goods/:ref', async (c) => {
    const s = await store.get<Shelved>('good', c.req.param('ref'));
    return s ? c.json(told(s)) : c.json({ message: 'Not in the shop.' }, 404);
  });

  app.delete('/admin/goods/:ref', (c) =>
    turns.run(async () => {
      const s = await store.get<Shelved>('good', c.req.param('ref'));
      if (!s) return c.json({ message: 'Not in the shop.' }, 404);
      if (s.left === 0) return c.json(told(s), 409);
      await store.write([{ sort: 'good', id: s.ref, body: { ...s, removed: true } satisfies Shelved }]);
      return c.json(told({ ...s, removed: true }));
    }),
  );

  app.put('/admin/coupons/:code', async (c) => {
    const { percentOff } = (await c.req.json().catch(() => ({}))) as { percentOff?: unknown };
    const code = c.req.param('code').toUpperCase();
    if (
      !/^[A-Z0-9]{3,20}$/.test(code) ||
      !Number.isInteger(percentOff) ||
      Number(percentOff) < 1 ||
      Number(percentOff) > 90
    )
      return c.json({ message: 'A coupon has 3 to 20 letters and figures and takes off 1 to 90 %.' }, 422);
    await store.write([
      { sort: 'coupon', id: code, body: { code, percentOff: Number(percentOff) } satisfies Coupon },
    ]);
    return c.body(null, 204);
  });
  app.delete('/admin/coupons/:code', async (c) => {
    await store.drop('coupon', c.req.param('code').toUpperCase());
    return c.body(null, 204);
  });
  app.get('/admin/coupons', async (c) => c.json({ coupons: await store.all<Coupon>('coupon') }));

  serveOrders(app, { store, switches, at: '/admin/sales', style: SHEET.statement });

  app.get('/admin/orders', async (c) => {
    const after = Number(c.req.query('after') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(after, 100);
    return c.json({ orders: rows.map((r) => r.body), upTo: String(rows.at(-1)?.n ?? after) });
  });

  app.get('/admin/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1.05, Date.now()),
      c.req.query('section') ?? '',
      c.req.query('words') ?? '',
    );
    const condition = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'worn';
    return c.json({
      goods: found.map((p) => ({
        no: p.no,
        title: p.words,
        maker: p.house,
        section: p.shelf,
        condition: condition(p.wear),
        sold: p.went,
        cents: p.cents,
        from: p.from,
        to: p.to,
      })),
    });
  });
  app.get('/admin/sought', (c) =>
    c.json({ words: searched(SEED, SHELVES, c.req.query('section') ?? '').map((s) => [s.word, s.times]) }),
  );

  // ---- the shop ---------------------------------------------------------------------------------

  const head = html`<header><a href="${base}/">The shop at Lanternyard</a></header>`;
  const talks = serveTalks(app, {
    store,
    switches,
    base,
    look: LOOK,
    head,
    at: '/admin/questions',
    about: async (id) => {
      const s = await store.get<Shelved>('good', id);
      return (
        s && {
          ref: s.ref,
          what: s.good.title,
          seen: `${base}/g/${encodeURIComponent(s.ref)}`,
          open: offered(s),
        }
      );
    },
  });
  const note = (words: string) =>
    page(
      words,
      LOOK,
      html`${head}
        <main><h1>${words}</h1></main>`,
    );
  const closed = (c: Context) => c.html(note('The lamp is out: closed for now'), 503);
  const goods = async () => (await store.all<Shelved>('good')).reverse();
  const tile = (s: Shelved) =>
    html`<a href="${base}/g/${encodeURIComponent(s.ref)}">
      <img src="${base}/picture/${s.good.photos[0]}" alt="" />${s.good.title}<br /><b
        >${euros(s.good.cents)}</b
      ></a
    >`;
  const shelf = (title: string, list: Shelved[]) =>
    page(
      title,
      LOOK,
      html`${head}
        <main>
          <p>${SHEET.categories.map((x) => html`<a href="${base}/section/${x.id}">${x.name}</a> `)}</p>
          <h1>${title}</h1>
          <div class="grid">${list.map(tile)}</div>
          ${list.length === 0 ? html`<p>The shelves are empty just now.</p>` : ''}
        </main>`,
    );

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    return c.html(shelf('Come in', (await goods()).filter(offered)));
  });
  app.get('/section/:id', async (c) => {
    if (isOut(switches)) return closed(c);
    const section = SHEET.categories.find((x) => x.id === c.req.param('id'));
    if (!section) return c.html(note('There is no such section'), 404);
    return c.html(
      shelf(
        section.name,
        (await goods()).filter((s) => offered(s) && s.good.section === section.id),
      ),
    );
  });

  app.get('/g/:ref', async (c) => {
    if (isOut(switches)) return closed(c);
    const s = await store.get<Shelved>('good', c.req.param('ref'));
    if (!s) return c.html(note('Not in the shop'), 404);
    const { good } = s;
    const related = (await goods())
      .filter((x) => offered(x) && x.ref !== s.ref && x.good.section === good.section)
      .slice(0, 4);
    const condition = SHEET.conditions.find((x) => x.code === good.condition);
    const basket = c.req.query('basket') ?? '';
    return c.html(
      page(
        good.search.title || good.title,
        LOOK,
        html`${head}
          <main>
            <h1>${good.title}</h1>
            <div class="strip">
              ${good.photos.map((p, i) => html`<img src="${base}/picture/${p}" alt="Photo ${i + 1} of ${good.photos.length}" />`)}
            </div>
            <p>
              <span class="price">${euros(good.cents)}</span> and ${euros(good.postCents)} postage ·
              ${condition?.label}
            </p>
            ${good.furtherCents === undefined ? '' : html`<p>Each further piece in the same parcel: ${euros(good.furtherCents)}</p>`}
            ${good.sentInDays === undefined ? '' : html`<p>Sent within ${good.sentInDays} days${good.backInDays ? `; may come back within ${good.backInDays} days` : ''}</p>`}
            ${
              offered(s)
                ? html`<form method="post" action="${base}/g/${encodeURIComponent(s.ref)}/basket">
                      <input type="hidden" name="basket" value="${basket}" /><button>
                        Put it in the basket
                      </button>
                    </form>
                    ${talks.forms(encodeURIComponent(s.ref))}`
                : html`<p class="note">${s.left === 0 ? 'Sold.' : 'No longer in the shop.'}</p>`
            }
            <div class="words">${raw(good.text)}</div>
            ${
              related.length > 0
                ? html`<h1>OtherListings it</h1>
                    <div class="grid">${related.map(tile)}</div>`
                : ''
            }
          </main>`,
      ),
    );
  });

  app.post('/g/:ref/basket', async (c) => {
    const form = await c.req.parseBody();
    const kept = await store.get<Basket>('basket', String(form.basket ?? ''));
    const basket = kept ?? { id: randomBytes(8).toString('hex'), refs: [], coupon: '' };
    const refs = [...new Set([...basket.refs, c.req.param('ref')])];
    await store.write([{ sort: 'basket', id: basket.id, body: { ...basket, refs } }]);
    return c.redirect(`${base}/basket/${basket.id}`, 303);
  });

  const inBasket = async (basket: Basket) => {
    const all = await Promise.all(basket.refs.map((ref) => store.get<Shelved>('good', ref)));
    return all.flatMap((s) => (s ? [s] : []));
  };
  const off = (cents: number, coupon: Coupon | null) =>
    coupon ? cents - Math.floor((cents * coupon.percentOff) / 100) : cents;

  app.get('/basket/:id', async (c) => {
    if (isOut(switches)) return closed(c);
    const basket = await store.get<Basket>('basket', c.req.param('id'));
    if (!basket) return c.html(note('There is no such basket'), 404);
    const items = await inBasket(basket);
    const coupon = await store.get<Coupon>('coupon', basket.coupon);
    const bought = items.filter(offered);
    const total = bought.reduce((sum, s) => sum + off(s.good.cents, coupon) + postIn(bought, s), 0);
    return c.html(
      page(
        'Your basket',
        LOOK,
        html`${head}
          <main>
            <h1>Your basket</h1>
            ${items.map((s) => html`<p>${s.good.title}: ${offered(s) ? euros(off(s.good.cents, coupon)) : 'just sold, left out'}</p>`)}
            <form method="post" action="${base}/basket/${basket.id}/coupon">
              <label>Coupon <input name="code" value="${basket.coupon}" /></label><button>Use it</button>
            </form>
            ${basket.coupon && !coupon ? html`<p class="note">We know no such coupon.</p>` : ''}
            <p class="price">${euros(total)}</p>
            <form method="post" action="${base}/basket/${basket.id}/checkout"><button>Pay</button></form>
          </main>`,
      ),
    );
  });

  app.post('/basket/:id/coupon', async (c) => {
    const basket = await store.get<Basket>('basket', c.req.param('id'));
    if (!basket) return c.notFound();
    const form = await c.req.parseBody();
    const coupon = String(form.code ?? '')
      .toUpperCase()
      .slice(0, 20);
    await store.write([{ sort: 'basket', id: basket.id, body: { ...basket, coupon } }]);
    return c.redirect(`${base}/basket/${basket.id}`, 303);
  });

  app.post('/basket/:id/checkout', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const basket = await store.get<Basket>('basket', c.req.param('id'));
      if (!basket) return c.notFound();
      const coupon = await store.get<Coupon>('coupon', basket.coupon);
      const bought = (await inBasket(basket)).filter(offered);
      const number = `LY-${randomBytes(4).toString('hex')}`;
      const lines = bought.map((s, i) => {
        const cents = off(s.good.cents, coupon);
        const postCents = postIn(bought, s);
        return {
          kind: 'sold',
          number: `${number}-${i + 1}`,
          ref: s.ref,
          cents,
          postCents,
          cardCents: cardCost(cents + postCents),
          at: Date.now(),
        };
      });
      await store.write(
        [
          ...bought.map((s) => ({
            sort: 'good',
            id: s.ref,
            body: { ...s, left: s.left - 1 } satisfies Shelved,
          })),
          { sort: 'basket', id: basket.id, body: { ...basket, refs: [] } },
          ...lines.map((l, i) =>
            paidOrder({
              no: l.number,
              ref: l.ref,
              what: bought[i]?.good.title ?? '',
              cents: l.cents,
              postCents: l.postCents,
              feeCents: l.cardCents,
              at: l.at,
            }),
          ),
        ],
        lines,
      );
      return c.html(note(bought.length > 0 ? `Thank you: order ${number}` : 'Nothing of it was left'));
    }),
  );

  return { id: 'lanternyard', name: SHEET.name, app, start: () => undefined, stop: () => undefined };
}

/** Postage of one of several in a parcel: the dearest pays its own, every other what a further one costs. */
function postIn(parcel: readonly Shelved[], one: Shelved): number {
  const most = Math.max(...parcel.map((s) => s.good.postCents));
  const { postCents, furtherCents = postCents } = one.good;
  const isFirst = one === parcel.find((s) => s.good.postCents === most);
  return isFirst ? postCents : Math.min(postCents, furtherCents);
}
