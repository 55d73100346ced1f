import type { z } from 'zod';

import type { Comp } from '@/contract/comps';
import type { DraftChoices, ListingDraft } from '@/contract/courier';
import { isAlike } from '@/core/choices/choices';
import { quantityOf } from '@/core/choices/shown';
import type { News } from '@/core/courier/types';

import {
  LanternyardCoupons,
  LanternyardGood,
  LanternyardGoods,
  LanternyardHitches,
  LanternyardOrders,
  LanternyardPast,
  LanternyardPhoto,
  LanternyardRefusal,
  LanternyardSought,
} from './contract';
import {
  failed,
  Refused,
  type Adapter,
  type Coupons,
  type AlreadyOver,
  type Pictures,
  type Published,
} from '../../courier/adapter';
import { call, readAs } from '../../courier/call';
import { homeAt, inPortions, ownListing, pictureAt } from '../../courier/ownListings';
import { wearOf } from '../../courier/wear';
import { ordersAt, talksAt } from '../afterSale';
import type { Seat } from '../manifest';
import { rulesAt } from '../rules';

type Good = z.infer<typeof LanternyardGood>;

const FIELDS: Record<string, string> = {
  title: 'title',
  text: 'description',
  cents: 'price',
  section: 'category',
  condition: 'condition',
  photos: 'pictures',
  origin: 'fact:origin',
  stock: 'choices',
  variants: 'choices',
};

/** A draft in the shop's words. */
export function goodOf(draft: ListingDraft, photos: readonly string[]) {
  return {
    title: draft.title,
    text: draft.description,
    cents: draft.price,
    postCents: draft.postage,
    section: draft.category,
    condition: draft.condition,
    origin: draft.specifics.origin ?? '',
    photos: [...photos],
    search: draft.search ?? { title: '', description: '', keywords: [] },
    stock: quantityOf(draft.choices),
    variants: draft.choices && !isAlike(draft.choices) ? variantsOf(draft.choices) : undefined,
    furtherCents: draft.terms?.further,
    abroadCents: draft.terms?.abroad?.map(({ zone, price }) => ({ zone, cents: price })),
    paidBy: draft.terms?.payment?.map((way) => (way === 'marketplace' ? 'card' : way)),
    sentInDays: draft.terms?.handlingDays,
    backInDays: draft.terms?.returnDays,
  };
}

function variantsOf({ options, pieces }: DraftChoices) {
  return {
    names: options,
    pieces: pieces.map((p) => ({
      code: p.code,
      values: p.values,
      cents: p.price,
      stock: p.stock,
      shownIn: p.pictures,
    })),
  };
}

const refuse = (body: unknown): never => {
  throw new Refused(
    Object.entries(readAs(LanternyardHitches, body).hitches).map(([field, message]) => ({
      field: FIELDS[field] ?? '',
      message,
    })),
  );
};

const published = (good: Good): Published => ({ remoteId: good.ref, url: good.seen, state: 'live' });

/** Orders are all that it tells by itself. */
async function ordersSince({ address, token }: Seat, cursor: string | null) {
  const { body } = await call(`${address}/admin/orders?after=${encodeURIComponent(cursor ?? '0')}`, {
    token: token(),
    expected: [200],
  });
  const read = readAs(LanternyardOrders, body);
  return {
    news: read.orders.map((o) => ({
      type: 'sale' as const,
      ref: o.ref,
      remoteId: o.ref,
      order: o.number,
      amount: o.cents,
      postage: o.postCents,
      fees: o.cardCents,
      at: o.at,
      ...(o.piece === undefined ? {} : { piece: o.piece }),
    })),
    cursor: read.upTo,
  };
}

/** What is sold out is told with its sale, so that nothing is ever taken for withdrawn that was sold. */
async function overWithSale(seat: Seat, good: Good): Promise<AlreadyOver> {
  const ended: News = { type: 'ended', ref: good.ref, remoteId: good.ref, why: '' };
  if (good.removed) return { news: [ended] };
  let cursor = '0';
  for (;;) {
    const page = await ordersSince(seat, cursor);
    const own = page.news.filter((n) => n.ref === good.ref);
    // The last of several: its sale alone does not say that it is over.
    if (own.length > 0) return { news: [...own, ended] };
    if (page.cursor === cursor) throw failed('soldToNobody', true);
    cursor = page.cursor;
  }
}

/** What goes there, and comes down. */
function listingsAt(config: Seat): Pick<Adapter, 'publish' | 'revise' | 'withdraw' | 'lookUp'> {
  const { address, token } = config;
  const at = (ref: string) => `${address}/admin/goods/${encodeURIComponent(ref)}`;
  const photo = async (hash: string, pictures: Pictures): Promise<string> => {
    const { status, body } = await call(`${address}/admin/photos`, {
      method: 'POST',
      token: token(),
      expected: [201, 422],
      headers: { 'content-type': 'image/jpeg' },
      body: await pictures(hash),
    });
    return status === 422 ? refuse(body) : readAs(LanternyardPhoto, body).photo;
  };
  const put = async (ref: string, draft: ListingDraft, pictures: Pictures) => {
    const { status, body } = await call(at(ref), {
      method: 'PUT',
      token: token(),
      expected: [200, 201, 409, 422],
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(
        goodOf(draft, await Promise.all(draft.pictures.map((hash) => photo(hash, pictures)))),
      ),
    });
    if (status === 422) return refuse(body);
    return { good: readAs(LanternyardGood, body), isOver: status === 409 };
  };
  return {
    async publish({ ref, draft }, pictures) {
      const { good, isOver } = await put(ref, draft, pictures);
      return isOver ? overWithSale(config, good) : published(good);
    },

    async revise(ref, _remoteId, draft, pictures) {
      const { good, isOver } = await put(ref, draft, pictures);
      return isOver ? overWithSale(config, good) : 'revised';
    },

    async withdraw(ref) {
      const { status, body } = await call(at(ref), {
        method: 'DELETE',
        token: token(),
        expected: [200, 404, 409],
      });
      if (status === 404) return 'absent';
      return status === 409 ? overWithSale(config, readAs(LanternyardGood, body)) : 'withdrawn';
    },

    async lookUp(ref) {
      const { status, body } = await call(at(ref), { token: token(), expected: [200, 404] });
      if (status === 404) return null;
      const good = readAs(LanternyardGood, body);
      return { ...published(good), over: good.removed || good.left === 0 };
    },
  };
}

/** What it tells of itself and of what others sold. */
function researchAt(config: Seat): Pick<Adapter, 'history' | 'searchDemand' | 'ruleSheet'> {
  const { address, token } = config;
  return {
    async history(category, words) {
      const query = new URLSearchParams({ section: category, words });
      const { body } = await call(`${address}/admin/past?${query}`, { token: token(), expected: [200] });
      const wear = await wearOf(this);
      return readAs(LanternyardPast, body).goods.map((p): Comp => ({
        id: p.no,
        market: 'lanternyard',
        title: p.title,
        brand: p.maker,
        category: p.section,
        wear: wear(p.condition),
        sold: p.sold,
        price: p.cents,
        listedAt: p.from,
        endedAt: p.to,
      }));
    },

    async searchDemand(category) {
      const query = new URLSearchParams({ section: category });
      const { body } = await call(`${address}/admin/sought?${query}`, { token: token(), expected: [200] });
      return readAs(LanternyardSought, body).words.map(([word, count]) => ({ word, count }));
    },

    ...rulesAt(config, '/admin/rules'),
  };
}

/** What happens there, and what stands there. */
function newsAt(config: Seat): Pick<Adapter, 'eventsSince' | 'listOwnListings' | 'picture'> {
  const { address, token } = config;
  return {
    eventsSince: (cursor) => ordersSince(config, cursor),

    listOwnListings: () =>
      inPortions(async (from) => {
        const { body } = await call(`${address}/admin/goods?from=${from}`, {
          token: token(),
          expected: [200],
        });
        const { goods, next } = readAs(LanternyardGoods, body);
        return {
          next,
          some: goods.map(({ ref, seen, good, at: since }) =>
            ownListing({
              market: 'lanternyard',
              ref,
              remoteId: ref,
              url: seen,
              title: good.title,
              text: good.text,
              price: good.cents,
              postage: good.postCents,
              category: good.section,
              condition: good.condition,
              pictures: good.photos,
              listedAt: since,
              specifics: { origin: good.origin },
            }),
          ),
        };
      }),

    picture: (name) => pictureAt(address, name),
  };
}

/** Words that take something off. */
function couponsAt({ address, token }: Seat): Coupons {
  return {
    async all() {
      const { body } = await call(`${address}/admin/coupons`, { token: token(), expected: [200] });
      return readAs(LanternyardCoupons, body).coupons;
    },
    async put({ code, percentOff }) {
      const { status, body } = await call(`${address}/admin/coupons/${encodeURIComponent(code)}`, {
        method: 'PUT',
        token: token(),
        expected: [204, 422],
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ percentOff }),
      });
      if (status === 422)
        throw new Refused([{ field: 'coupon', message: readAs(LanternyardRefusal, body).message }]);
    },
    async end(code) {
      await call(`${address}/admin/coupons/${encodeURIComponent(code)}`, {
        method: 'DELETE',
        token: token(),
        expected: [204],
      });
    },
  };
}

/**
 * The seller's own shop: goods under our own name for them, in the shop at once; orders are read from its
 * list.
 */
export function lanternyardAdapter(config: Seat): Adapter {
  const { address, token } = config;
  return {
    id: 'lanternyard',
    name: 'Lanternyard',
    letters: 'Ly',
    home: homeAt(address),
    capabilities: { webhooks: false, review: false, pollEvery: 3_000 },
    talks: talksAt({ market: 'lanternyard', at: `${address}/admin/questions`, token }, false),
    orders: ordersAt({ market: 'lanternyard', at: `${address}/admin/sales`, token }),
    coupons: couponsAt(config),
    ...researchAt(config),
    ...listingsAt(config),
    ...newsAt(config),
  };
}
