import { html } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { cardCost } from './fees';
import { isOffered, soldOf, type Coupon, type Shelved } from './goods';
import { paidOrder } from '../kit/orders';
import type { Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';

interface Basket {
  id: string;
  refs: string[];
  coupon: string;
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
    const basket = kept ?? { id: randomBytes(8).toString('hex'), refs: [], coupon: '' };
    const refs = [...new Set([...basket.refs, c.req.param('ref')])];
    await store.write([{ sort: 'basket', id: basket.id, body: { ...basket, refs } }]);
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

const inBasket = async ({ store }: Frame, basket: Basket) => {
  const all = await Promise.all(basket.refs.map((ref) => store.get<Shelved>('good', ref)));
  return all.flatMap((s) => (s ? [s] : []));
};

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
    const bought = items.filter(isOffered);
    const total = bought.reduce((sum, s) => sum + off(s.good.cents, coupon) + postIn(bought, s), 0);
    return c.html(
      pages.show(
        'Your basket',
        html`
          <h1>Your basket</h1>
          ${items.map(
            (s) =>
              html`<p>
                ${s.good.title}: ${isOffered(s) ? euros(off(s.good.cents, coupon)) : 'just sold, left out'}
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
      const bought = (await inBasket(frame, basket)).filter(isOffered);
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
            body: { ...s, left: s.left - 1, sold: soldOf(s) + 1 } satisfies Shelved,
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
      return c.html(pages.note(bought.length > 0 ? `Thank you: order ${number}` : 'Nothing of it was left'));
    }),
  );
}

/** Postage of one of several in a parcel: the dearest pays its own, every other what a further one costs. */
function postIn(parcel: readonly Shelved[], one: Shelved): number {
  const most = Math.max(...parcel.map((s) => s.good.postCents));
  const { postCents, furtherCents = postCents } = one.good;
  const isFirst = one === parcel.find((s) => s.good.postCents === most);
  return isFirst ? postCents : Math.min(postCents, furtherCents);
}
