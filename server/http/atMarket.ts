import {
  Coupon,
  DepotBack,
  DepotContents,
  type CouponsAnswer,
  type ParcelAnnounced,
  type ParcelsAnswer,
} from '@/contract/atMarket';
import type { CompareAnswer, OwnAnswer } from '@/contract/ownListing';
import { pictureGate } from '@/core/picture/gate';
import { pictureTroubleWords } from '@/wording/pictures';

import { body, cannot, tooLarge, type Api, type OfMarket } from './asking';
import type { Courier } from '../courier/courier';

/** The seller's own listings at a marketplace, whoever put them up. */
export function ownListingRoutes(app: Api, courier: Courier, ofMarket: OfMarket): void {
  app.get('/own/:market', (c) =>
    ofMarket(c, async (adapter) => {
      if (!adapter.listOwnListings) return cannot(c);
      const listings = (await adapter.listOwnListings()).map((l) => ({
        ...l,
        item: courier.itemBehind(l.ref),
      }));
      return c.json({ listings } satisfies OwnAnswer);
    }),
  );
  app.post('/own/:market/compare', (c) =>
    ofMarket(c, async (adapter) => {
      const strays = await courier.compare(adapter.id);
      return strays === null
        ? c.json({ error: `${adapter.name} can’t be asked just now.` }, 502)
        : c.json({ strays } satisfies CompareAnswer);
    }),
  );
  app.get('/own/:market/pictures/:name', (c) =>
    ofMarket(c, async (adapter) => {
      if (!adapter.picture) return cannot(c);
      const bytes = await adapter.picture(c.req.param('name'));
      const gate = pictureGate(bytes);
      if (!gate.ok) return c.json({ error: `${adapter.name}: ${pictureTroubleWords(gate.why)}` }, 422);
      // Whatever was sent, it leaves here as a picture to be drawn anew, never as a page.
      return c.body(bytes, 200, { 'Content-Type': 'image/jpeg' });
    }),
  );
}

/** Coupons of the seller's own shop. */
export function couponRoutes(app: Api, ofMarket: OfMarket): void {
  app.get('/coupons/:market', (c) =>
    ofMarket(c, async ({ coupons }) =>
      coupons ? c.json({ coupons: await coupons.all() } satisfies CouponsAnswer) : cannot(c),
    ),
  );
  app.put('/coupons/:market', tooLarge(1_000, 'That is too long.'), body(Coupon), (c) =>
    ofMarket(c, async ({ coupons }) => {
      if (!coupons) return cannot(c);
      await coupons.put(c.req.valid('json'));
      return c.body(null, 204);
    }),
  );
  app.delete('/coupons/:market/:code', (c) =>
    ofMarket(c, async ({ coupons }) => {
      const code = Coupon.shape.code.safeParse(c.req.param('code'));
      if (!coupons || !code.success) return cannot(c);
      await coupons.end(code.data);
      return c.body(null, 204);
    }),
  );
}

/** A marketplace's own depot: what goes in, what is there, what comes back. */
export function depotRoutes(app: Api, ofMarket: OfMarket): void {
  app.get('/depot/:market', (c) =>
    ofMarket(c, async ({ depot }) =>
      depot
        ? c.json({ parcels: await depot.parcels(), stock: await depot.stock() } satisfies ParcelsAnswer)
        : cannot(c),
    ),
  );
  app.post('/depot/:market', tooLarge(50_000, 'That is too much for one parcel.'), body(DepotContents), (c) =>
    ofMarket(c, async ({ depot }) => {
      if (!depot) return cannot(c);
      return c.json({ parcel: await depot.announce(c.req.valid('json')) } satisfies ParcelAnnounced);
    }),
  );
  app.post('/depot/:market/back', tooLarge(20_000, 'That is too much at a time.'), body(DepotBack), (c) =>
    ofMarket(c, async ({ depot }) => {
      if (!depot) return cannot(c);
      await depot.sendBack(c.req.valid('json').nos);
      return c.json({ ok: true });
    }),
  );
}
