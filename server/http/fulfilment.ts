import {
  LabelWish,
  OfferWish,
  OrderWish,
  ReplyWish,
  type OrderAtMarket,
  type ParcelLabel,
  type ParcelTracking,
  type TalksAnswer,
} from '@/contract/fulfilment';

import { body, answerOf, cannot, tooLarge, type Api, type OfMarket } from './asking';
import type { Carrier } from '../carrier/carrier';
import { CallFailed } from '../courier/adapter';
import type { Courier } from '../courier/courier';

const LIMIT = tooLarge(20_000, 'That is too long.');
const TRACKING = /^[A-Z0-9]{4,40}$/u;

/**
 * The sales desk's part of the interface: conversations, orders, statements, labels. Nothing of it is kept
 * here.
 */
export function fulfilmentRoutes(
  app: Api,
  { courier, carrier, ofMarket }: { courier: Courier; carrier: Carrier; ofMarket: OfMarket },
): void {
  talkRoutes(app, courier, ofMarket);
  orderRoutes(app, ofMarket);
  parcelRoutes(app, carrier);
}

function talkRoutes(app: Api, courier: Courier, ofMarket: OfMarket): void {
  app.get('/talks', async (c) => {
    const missing: TalksAnswer['missing'] = [];
    const asked = courier.markets().filter((m) => m.link !== 'off' && courier.adapter(m.id)?.talks);
    const all = await Promise.all(
      asked.map(async ({ id }) => {
        try {
          return (await courier.adapter(id)?.talks?.all()) ?? [];
        } catch (error) {
          if (!(error instanceof CallFailed)) throw error;
          missing.push({ market: id, why: error.trouble });
          return [];
        }
      }),
    );
    const talks = all.flat().map((t) => ({ ...t, item: courier.itemBehind(t.ref) }));
    return c.json({ talks, missing } satisfies TalksAnswer);
  });
  app.post('/talks/:market/:talk', LIMIT, body(ReplyWish), (c) =>
    ofMarket(c, async ({ talks }) => {
      if (!talks) return cannot(c);
      await talks.reply(c.req.param('talk'), c.req.valid('json').words);
      return c.body(null, 204);
    }),
  );
  app.post('/talks/:market/:talk/offers/:offer', LIMIT, body(OfferWish), (c) =>
    ofMarket(c, async ({ talks }) => {
      const wish = c.req.valid('json');
      if (!talks) return cannot(c);
      // Taking an offer promises the item; one that nobody here knows of can't be taken down elsewhere.
      if (wish.answer !== 'refuse') {
        const talk = (await talks.all()).find((t) => t.id === c.req.param('talk'));
        const item = talk ? courier.itemBehind(talk.ref) : null;
        if (item === null)
          return c.json(
            {
              error:
                'The courier does not know that item: bring its listing in first. The offer was ' +
                'not answered.',
            },
            409,
          );
        const why = courier.notToPromise(item, c.req.param('market'));
        if (why)
          return c.json(
            {
              error:
                `It is ${why === 'sold' ? 'sold' : 'promised on another marketplace'}. The offer was ` +
                'not answered.',
            },
            409,
          );
      }
      await talks.answerOffer(c.req.param('talk'), c.req.param('offer'), wish);
      return c.body(null, 204);
    }),
  );
}

function orderRoutes(app: Api, ofMarket: OfMarket): void {
  app.get('/orders/:market/:no', (c) =>
    ofMarket(c, async ({ orders }) => {
      const order = await orders?.order(c.req.param('no'));
      return order
        ? c.json(order satisfies OrderAtMarket)
        : c.json({ error: 'It knows no such order.' }, 404);
    }),
  );
  app.post('/orders/:market/:no', LIMIT, body(OrderWish), (c) =>
    ofMarket(c, async ({ orders }) => {
      if (!orders) return cannot(c);
      const order = await orders.change(c.req.param('no'), c.req.valid('json'));
      return c.json(order satisfies OrderAtMarket);
    }),
  );
  app.get('/statements/:market', (c) =>
    ofMarket(c, async ({ orders }) => (orders ? c.json({ statement: await orders.statement() }) : cannot(c))),
  );
}

const CARRIER = 'The carrier';

function parcelRoutes(app: Api, carrier: Carrier): void {
  app.get('/rates', (c) => answerOf(c, CARRIER, async () => c.json(await carrier.rates())));
  app.post('/labels', LIMIT, body(LabelWish, 'That is no parcel.'), (c) =>
    answerOf(c, CARRIER, async () =>
      c.json((await carrier.label(c.req.valid('json'))) satisfies ParcelLabel),
    ),
  );
  app.get('/parcels/:tracking', (c) =>
    answerOf(c, CARRIER, async () => {
      const number = c.req.param('tracking');
      if (!TRACKING.test(number)) return cannot(c);
      return c.json((await carrier.where(number)) satisfies ParcelTracking);
    }),
  );
  app.post('/parcels/:tracking/handed', (c) =>
    answerOf(c, CARRIER, async () => {
      const number = c.req.param('tracking');
      if (!TRACKING.test(number)) return cannot(c);
      return c.json((await carrier.handed(number)) satisfies ParcelTracking);
    }),
  );
}
