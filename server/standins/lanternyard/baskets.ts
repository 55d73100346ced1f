import type { Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { html, raw } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { COUNTRIES, countryOf, type Country } from './countries';
import { cardCost } from './fees';
import { isOffered, leftOf, soldOne, type Coupon, type Shelved } from './goods';
import { orderMail, type OrderMail } from './orderMail';
import { PAY_WAYS, type PayWay, type Variant } from './validate';
import { buyerOf, paidOrder, type PaidOrder } from '../kit/orders';
import type { Html, Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';

interface Line {
  ref: string;
  piece?: string;
}

interface Basket {
  id: string;
  /** Goods; of one in variants, which of them. */
  lines: Line[];
  coupon: string;
  /** Where it is sent to, and how it is paid. */
  country?: string;
  way?: PayWay;
}

/** A line of a basket with what is in the shop under it. */
interface Gathered {
  s: Shelved;
  piece: Variant | undefined;
  /** Its place in the basket. */
  line: number;
}

/** What buyers gather, coupons they know, and the checkout. */
export function serveBaskets(frame: Frame, pages: Pages): void {
  serveFilling(frame);
  serveBasket(frame, pages);
  serveCheckout(frame, pages);
}

/** Where a visitor's browser keeps which basket is theirs. */
const COOKIE = 'lanternyard-basket';

/** The basket of whoever asks: the one named, or the one their browser kept. */
async function basketOf({ store }: Frame, c: Context, named = ''): Promise<Basket | null> {
  const id = named === '' ? (getCookie(c, COOKIE) ?? '') : named;
  return id === '' ? null : store.get<Basket>('basket', id);
}

/** How many things lie in a visitor's basket, and the way to it. */
export async function basketLink(frame: Frame, c: Context): Promise<Html | ''> {
  const basket = await basketOf(frame, c);
  return basket && basket.lines.length > 0
    ? html`<a href="${frame.base}/basket/${basket.id}">Your basket (${basket.lines.length})</a>`
    : '';
}

function serveFilling(frame: Frame): void {
  const { app, store, base } = frame;
  const keep = (basket: Basket) => store.write([{ sort: 'basket', id: basket.id, body: basket }]);
  const same = (a: Line, b: Line) => a.ref === b.ref && a.piece === b.piece;

  app.post('/g/:ref/basket', async (c) => {
    const form = await c.req.parseBody();
    const kept = await basketOf(frame, c, String(form.basket ?? ''));
    const basket = kept ?? { id: randomBytes(8).toString('hex'), lines: [], coupon: '' };
    const ref = c.req.param('ref');
    const piece = typeof form.piece === 'string' ? form.piece : undefined;
    const line: Line = { ref, ...(piece === undefined ? {} : { piece }) };
    const isIn = basket.lines.some((l) => same(l, line));
    await keep({ ...basket, lines: isIn ? basket.lines : [...basket.lines, line] });
    setCookie(c, COOKIE, basket.id, { path: base, httpOnly: true, sameSite: 'Lax', maxAge: 86_400 });
    return c.redirect(`${base}/basket/${basket.id}`, 303);
  });

  const changing = (path: string, change: (basket: Basket, form: Record<string, unknown>) => Basket) =>
    app.post(`/basket/:id/${path}`, async (c) => {
      const basket = await store.get<Basket>('basket', c.req.param('id') ?? '');
      if (!basket) return c.notFound();
      await keep(change(basket, await c.req.parseBody()));
      return c.redirect(`${base}/basket/${basket.id}`, 303);
    });
  changing('coupon', (basket, form) => ({
    ...basket,
    coupon: String(form.code ?? '')
      .toUpperCase()
      .slice(0, 20),
  }));
  changing('take-out', (basket, form) => ({
    ...basket,
    lines: basket.lines.filter((_, i) => i !== Number(form.line)),
  }));
  changing('how', (basket, form) => {
    const way = PAY_WAYS.find((w) => w === form.way);
    return { ...basket, country: countryOf(String(form.country)).id, ...(way ? { way } : {}) };
  });
}

const inBasket = async ({ store }: Frame, basket: Basket): Promise<Gathered[]> => {
  const all = await Promise.all(
    basket.lines.map(async (of, line) => ({ of, line, s: await store.get<Shelved>('good', of.ref) })),
  );
  return all.flatMap(({ of, line, s }) =>
    s ? [{ s, line, piece: s.good.variants?.pieces.find((p) => p.code === of.piece) }] : [],
  );
};

/** Why it can't be bought just now; null: it can. Of a good in variants, the one chosen counts. */
function whyNot({ s, piece }: Gathered, zone: Country['zone']): string | null {
  if (!isOffered(s) || (s.good.variants && !(piece && leftOf(s, piece.code) > 0)))
    return 'just sold, left out';
  return postTo(s, zone) === null ? 'not sent there, left out' : null;
}

/** Postage of a good by itself; null: it is not sent there. */
function postTo({ good }: Shelved, zone: Country['zone']): number | null {
  if (zone === 'inland') return good.postCents;
  return good.abroadCents?.find((a) => a.zone === zone)?.cents ?? null;
}

/** How all that is bought may be paid: what every good of it takes. */
function waysOf(bought: readonly Gathered[]): PayWay[] {
  const ways = PAY_WAYS.filter((way) => bought.every(({ s }) => (s.good.paidBy ?? ['card']).includes(way)));
  return ways.length > 0 ? ways : ['card'];
}

const priceOf = ({ s, piece }: Gathered) => piece?.cents ?? s.good.cents;
const nameOf = ({ s, piece }: Gathered) =>
  piece ? `${s.good.title}, ${piece.values.join(', ')}` : s.good.title;

const off = (cents: number, coupon: Coupon | null) =>
  coupon ? cents - Math.floor((cents * coupon.percentOff) / 100) : cents;

/** A basket as it would be paid now. */
interface Reckoned {
  lines: { of: Gathered; cents: number; why: string | null }[];
  bought: Gathered[];
  coupon: Coupon | null;
  country: Country;
  ways: PayWay[];
  way: PayWay;
  postCents: number;
  totalCents: number;
}

async function reckoned(frame: Frame, basket: Basket): Promise<Reckoned> {
  const items = await inBasket(frame, basket);
  const coupon = await frame.store.get<Coupon>('coupon', basket.coupon);
  const country = countryOf(basket.country);
  const lines = items.map((of) => ({
    of,
    cents: off(priceOf(of), coupon),
    why: whyNot(of, country.zone),
  }));
  const bought = lines.filter((l) => l.why === null).map((l) => l.of);
  const ways = waysOf(bought);
  const postCents = bought.reduce((sum, g) => sum + postIn(bought, g, country.zone), 0);
  const goods = lines.reduce((sum, l) => sum + (l.why === null ? l.cents : 0), 0);
  const way = ways.find((w) => w === basket.way) ?? ways[0] ?? 'card';
  return { lines, bought, coupon, country, ways, way, postCents, totalCents: goods + postCents };
}

const WAY_NAMES: Record<PayWay, string> = {
  card: 'Card, at once',
  transfer: 'Bank transfer, before it is sent',
  cash: 'In cash, when it is fetched',
};

function serveBasket(frame: Frame, pages: Pages): void {
  const { app, store, base, switches } = frame;
  app.get('/basket/:id', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const basket = await store.get<Basket>('basket', c.req.param('id'));
    if (!basket) return c.html(pages.note('There is no such basket'), 404);
    const now = await reckoned(frame, basket);
    const at = `${base}/basket/${basket.id}`;
    return c.html(
      pages.show(
        'Your basket',
        html`
          <h1>Your basket</h1>
          ${now.lines.map(
            ({ of, cents, why }) =>
              html`<form method="post" action="${at}/take-out">
                <input type="hidden" name="line" value="${of.line}" />
                ${nameOf(of)}: ${why ?? euros(cents)} <button>Take it out</button>
              </form>`,
          )}
          <p><a href="${base}/">Go on looking</a></p>
          ${how(at, now)}
          <form method="post" action="${at}/coupon">
            <label>Coupon <input name="code" value="${basket.coupon}" /></label><button>Use it</button>
          </form>
          ${basket.coupon && !now.coupon ? html`<p class="note">We know no such coupon.</p>` : ''}
          <p>Postage to ${now.country.name}: ${euros(now.postCents)}</p>
          <p class="price">${euros(now.totalCents)}</p>
          ${
            now.bought.length > 0
              ? html`<form method="post" action="${at}/checkout">
                  <label>Name <input name="name" autocomplete="name" /></label>
                  <label>Street <input name="street" autocomplete="street-address" /></label>
                  <label>Town <input name="town" autocomplete="address-level2" /></label>
                  <button>Pay</button>
                </form>`
              : ''
          }
        `,
      ),
    );
  });
}

/** Where it goes, and how it is paid. */
function how(at: string, { country, ways, way }: Reckoned): Html {
  const picked = (is: boolean) => (is ? raw('selected') : '');
  return html`<form method="post" action="${at}/how">
    <label
      >Sent to
      <select name="country">
        ${COUNTRIES.map(
          (x) => html`<option value="${x.id}" ${picked(x.id === country.id)}>${x.name}</option>`,
        )}
      </select></label
    >
    <label
      >Paid by
      <select name="way">
        ${ways.map((w) => html`<option value="${w}" ${picked(w === way)}>${WAY_NAMES[w]}</option>`)}
      </select></label
    >
    <button>Reckon again</button>
  </form>`;
}

function serveCheckout(frame: Frame, pages: Pages): void {
  const { app, store, base, switches, turns } = frame;
  app.post('/basket/:id/checkout', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const basket = await store.get<Basket>('basket', c.req.param('id'));
      if (!basket) return c.notFound();
      const now = await reckoned(frame, basket);
      const { bought, coupon, country, way } = now;
      const number = `LY-${randomBytes(4).toString('hex')}`;
      const at = Date.now();
      const lines = bought.map((g, i) => {
        const cents = off(priceOf(g), coupon);
        const postCents = postIn(bought, g, country.zone);
        return {
          kind: 'sold',
          number: `${number}-${i + 1}`,
          ref: g.s.ref,
          ...(g.piece ? { piece: g.piece.code } : {}),
          cents,
          postCents,
          cardCents: way === 'card' ? cardCost(cents + postCents) : 0,
          at,
        };
      });
      const buyer = buyerIn(await c.req.parseBody(), number, country);
      const what = bought.map((g, i) => ({ name: nameOf(g), cents: lines[i]?.cents ?? 0 }));
      const mail: OrderMail = { number, at, buyer, lines: what, postCents: now.postCents, way };
      await store.write(
        [
          ...afterwards(bought).map((s) => ({ sort: 'good', id: s.ref, body: s })),
          { sort: 'basket', id: basket.id, body: { ...basket, lines: [] } satisfies Basket },
          { sort: 'mail', id: number, body: mail },
          ...lines.map((l, i) =>
            paidOrder(
              {
                no: l.number,
                ref: l.ref,
                what: bought[i] ? nameOf(bought[i]) : '',
                cents: l.cents,
                postCents: l.postCents,
                feeCents: l.cardCents,
                at,
              },
              buyer,
            ),
          ),
        ],
        lines,
      );
      if (bought.length === 0) return c.html(pages.note('Nothing of it was left'));
      return c.html(
        pages.show(
          'Thank you',
          html`<h1>Thank you: order ${number}</h1>
            <p>${WAY_NAMES[way]}: ${euros(now.totalCents)}</p>
            <p><a href="${base}/order/${number}.eml">Your order as a mail</a></p>`,
        ),
      );
    }),
  );

  app.get('/order/:file{LY-[0-9a-f]+\\.eml}', async (c) => {
    const number = c.req.param('file').replace(/\.eml$/u, '');
    const mail = await store.get<OrderMail>('mail', number);
    if (!mail) return c.notFound();
    c.header('content-disposition', `attachment; filename="${number}.eml"`);
    return c.body(await orderMail(mail), 200, { 'content-type': 'message/rfc822' });
  });
}

/** Who buys: as they wrote it; nobody wrote anything: somebody made up, who lives there. */
function buyerIn(form: Record<string, unknown>, number: string, country: Country): PaidOrder['buyer'] {
  const text = (key: string) => (typeof form[key] === 'string' ? form[key].trim().slice(0, 120) : '');
  const made = buyerOf(`${number}-1`);
  if (text('name') === '') return { ...made, zone: country.id === 'home' ? made.zone : country.zone };
  const lines = [text('street'), text('town'), country.id === 'home' ? '' : country.name].filter(Boolean);
  return { name: text('name'), lines, zone: country.zone };
}

/** The goods of a basket once it is bought; two variants of one good are one good less two. */
function afterwards(bought: readonly Gathered[]): Shelved[] {
  const goods = new Map<string, Shelved>();
  for (const { s, piece } of bought) goods.set(s.ref, soldOne(goods.get(s.ref) ?? s, piece?.code));
  return [...goods.values()];
}

/** Postage of one of several in a parcel: the dearest pays its own, every other what a further one costs. */
function postIn(parcel: readonly Gathered[], one: Gathered, zone: Country['zone']): number {
  const own = ({ s }: Gathered) => postTo(s, zone) ?? 0;
  const most = Math.max(...parcel.map(own));
  const isFirst = one === parcel.find((g) => own(g) === most);
  return isFirst ? own(one) : Math.min(own(one), one.s.good.furtherCents ?? own(one));
}
