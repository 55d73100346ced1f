import { html } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { cardCost } from './fees';
import { isOffered, leftOf, soldOne, type Coupon, type Shelved } from './goods';
import type { Variant } from './validate';
import { paidOrder } from '../kit/orders';
import type { Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';

interface Basket {
  id: string;
  /** Goods; of one in variants, which of them. */
  lines: { ref: string; piece?: string }[];
  coupon: string;
}

/** A line of a basket with what is in the shop under it. */
interface Gathered {
  s: Shelved;
  piece: Variant | undefined;
}

/** What buyers gather, coupons they know, and the checkout. */
export function serveBaskets(frame: Frame, pages: Pages): void {
  serveFilling(frame);
  serveBasket(frame, pages);
  serveCheckout(frame, pages);
}

function serveFilling({ app, store, base }: Frame): void {
  app.post('/g/:ref/basket', async (c) => {
    const form = await c.req.parseBody();
    const kept = await store.get<Basket>('basket', String(form.basket ?? ''));
    const basket = kept ?? { id: randomBytes(8).toString('hex'), lines: [], coupon: '' };
    const ref = c.req.param('ref');
    const piece = typeof form.piece === 'string' ? form.piece : undefined;
    const isIn = basket.lines.some((l) => l.ref === ref && l.piece === piece);
    const lines = isIn ? basket.lines : [...basket.lines, { ref, ...(piece === undefined ? {} : { piece }) }];
    await store.write([{ sort: 'basket', id: basket.id, body: { ...basket, lines } satisfies Basket }]);
    return c.redirect(`${base}/basket/${basket.id}`, 303);
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
}

const inBasket = async ({ store }: Frame, basket: Basket): Promise<Gathered[]> => {
  const all = await Promise.all(
    basket.lines.map(async (line) => ({ line, s: await store.get<Shelved>('good', line.ref) })),
  );
  return all.flatMap(({ line, s }) =>
    s ? [{ s, piece: s.good.variants?.pieces.find((p) => p.code === line.piece) }] : [],
  );
};

/** Whether it can be bought just now: of a good in variants, the one chosen. */
function isThere({ s, piece }: Gathered): boolean {
  return (
    isOffered(s) && (s.good.variants === undefined || (piece !== undefined && leftOf(s, piece.code) > 0))
  );
}

const priceOf = ({ s, piece }: Gathered) => piece?.cents ?? s.good.cents;
const nameOf = ({ s, piece }: Gathered) =>
  piece ? `${s.good.title}, ${piece.values.join(', ')}` : s.good.title;

const off = (cents: number, coupon: Coupon | null) =>
  coupon ? cents - Math.floor((cents * coupon.percentOff) / 100) : cents;

function serveBasket(frame: Frame, pages: Pages): void {
  const { app, store, base, switches } = frame;
  app.get('/basket/:id', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const basket = await store.get<Basket>('basket', c.req.param('id'));
    if (!basket) return c.html(pages.note('There is no such basket'), 404);
    const items = await inBasket(frame, basket);
    const coupon = await store.get<Coupon>('coupon', basket.coupon);
    const bought = items.filter(isThere);
    const total = bought.reduce((sum, g) => sum + off(priceOf(g), coupon) + postIn(bought, g), 0);
    return c.html(
      pages.show(
        'Your basket',
        html`
          <h1>Your basket</h1>
          ${items.map(
            (g) =>
              html`<p>
                ${nameOf(g)}: ${isThere(g) ? euros(off(priceOf(g), coupon)) : 'just sold, left out'}
              </p>`,
          )}
          <form method="post" action="${base}/basket/${basket.id}/coupon">
            <label>Coupon <input name="code" value="${basket.coupon}" /></label><button>Use it</button>
          </form>
          ${basket.coupon && !coupon ? html`<p class="note">We know no such coupon.</p>` : ''}
          <p class="price">${euros(total)}</p>
          <form method="post" action="${base}/basket/${basket.id}/checkout"><button>Pay</button></form>
        `,
      ),
    );
  });
}

function serveCheckout(frame: Frame, pages: Pages): void {
  const { app, store, switches, turns } = frame;
  app.post('/basket/:id/checkout', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const basket = await store.get<Basket>('basket', c.req.param('id'));
      if (!basket) return c.notFound();
      const coupon = await store.get<Coupon>('coupon', basket.coupon);
      const bought = (await inBasket(frame, basket)).filter(isThere);
      const number = `LY-${randomBytes(4).toString('hex')}`;
      const lines = bought.map((g, i) => {
        const cents = off(priceOf(g), coupon);
        const postCents = postIn(bought, g);
        return {
          kind: 'sold',
          number: `${number}-${i + 1}`,
          ref: g.s.ref,
          ...(g.piece ? { piece: g.piece.code } : {}),
          cents,
          postCents,
          cardCents: cardCost(cents + postCents),
          at: Date.now(),
        };
      });
      await store.write(
        [
          ...afterwards(bought).map((s) => ({ sort: 'good', id: s.ref, body: s })),
          { sort: 'basket', id: basket.id, body: { ...basket, lines: [] } satisfies Basket },
          ...lines.map((l, i) =>
            paidOrder({
              no: l.number,
              ref: l.ref,
              what: bought[i] ? nameOf(bought[i]) : '',
              cents: l.cents,
              postCents: l.postCents,
              feeCents: l.cardCents,
              at: l.at,
            }),
          ),
        ],
        lines,
      );
      return c.html(pages.note(bought.length > 0 ? `Thank you: order ${number}` : 'Nothing of it was left'));
    }),
  );
}

/** The goods of a basket once it is bought; two variants of one good are one good less two. */
function afterwards(bought: readonly Gathered[]): Shelved[] {
  const goods = new Map<string, Shelved>();
  for (const { s, piece } of bought) goods.set(s.ref, soldOne(goods.get(s.ref) ?? s, piece?.code));
  return [...goods.values()];
}

/** Postage of one of several in a parcel: the dearest pays its own, every other what a further one costs. */
function postIn(parcel: readonly Gathered[], one: Gathered): number {
  const most = Math.max(...parcel.map(({ s }) => s.good.postCents));
  const { postCents, furtherCents = postCents } = one.s.good;
  const isFirst = one === parcel.find(({ s }) => s.good.postCents === most);
  return isFirst ? postCents : Math.min(postCents, furtherCents);
}
