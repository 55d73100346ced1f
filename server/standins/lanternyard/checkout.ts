import { html } from 'hono/html';
import { randomBytes } from 'node:crypto';

import type { Country } from './countries';
import { cardCost } from './fees';
import { soldOne, type Shelved } from './goods';
import { orderMail, type OrderMail } from './orderMail';
import { nameOf, off, postIn, priceOf, reckoned, type Basket, type Gathered } from './reckon';
import type { PayWay } from './validate';
import { buyerOf, paidOrder, type PaidOrder } from '../kit/orders';
import type { Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';

export const WAY_NAMES: Record<PayWay, string> = {
  card: 'Card, at once',
  transfer: 'Bank transfer, before it is sent',
  cash: 'In cash, when it is brought',
};

export function serveCheckout(frame: Frame, pages: Pages): void {
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
    return c.body(new Uint8Array(await orderMail(mail)), 200, { 'content-type': 'message/rfc822' });
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
