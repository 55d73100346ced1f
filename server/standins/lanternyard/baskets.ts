import type { Context } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { html, raw } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { serveCheckout, WAY_NAMES } from './checkout';
import { COUNTRIES, countryOf } from './countries';
import { nameOf, reckoned, type Basket, type Line, type Reckoned } from './reckon';
import { PAY_WAYS } from './validate';
import type { Html, Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';

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

/**
 * What a page's form carries to name the visitor's basket: these pages are of an origin of their own, so
 * their forms come without cookies.
 */
export const basketId = async (frame: Frame, c: Context) => (await basketOf(frame, c))?.id ?? '';

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
        html`<div class="basket">
          <h1>Your basket</h1>
          ${now.lines.map((line) => rowOf(base, at, line))}
          <p><a href="${base}/">Go on looking</a></p>
          ${how(at, now)}
          <form class="side pair" method="post" action="${at}/coupon">
            <label>Coupon <input name="code" value="${basket.coupon}" /></label><button>Use it</button>
          </form>
          ${basket.coupon && !now.coupon ? html`<p class="note">We know no such coupon.</p>` : ''}
          <p class="sum"><span>Postage to ${now.country.name}</span> <span>${euros(now.postCents)}</span></p>
          <p class="sum whole"><span>Together</span> <span>${euros(now.totalCents)}</span></p>
          ${now.bought.length > 0 ? toPay(at) : ''}
        </div>`,
      ),
    );
  });
}

function rowOf(base: string, at: string, { of, cents, why }: Reckoned['lines'][number]): Html {
  const [first] = of.s.good.photos;
  return html`<form class="line side" method="post" action="${at}/take-out">
    <input type="hidden" name="line" value="${of.line}" />
    <img src="${base}/picture/${first}" alt="" />
    <span>${nameOf(of)}<br /><b>${why ?? euros(cents)}</b></span> <button>Take it out</button>
  </form>`;
}

const toPay = (at: string) =>
  html`<form method="post" action="${at}/checkout">
    <label>Name <input name="name" autocomplete="name" /></label>
    <label>Street <input name="street" autocomplete="street-address" /></label>
    <label>Town <input name="town" autocomplete="address-level2" /></label>
    <button>Pay</button>
  </form>`;

/** Where it goes, and how it is paid. */
function how(at: string, { country, ways, way }: Reckoned): Html {
  const picked = (is: boolean) => (is ? raw('selected') : '');
  return html`<form class="side pair" method="post" action="${at}/how">
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
