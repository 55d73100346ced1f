import type { z } from 'zod';

import type { Comp } from '@/contract/comps';
import type { DraftChoices, ListingDraft } from '@/contract/courier';
import type { SentTerms } from '@/contract/terms';
import { isAlike } from '@/core/choices/choices';
import { quantityOf } from '@/core/choices/shown';
import type { News } from '@/core/courier/types';

import {
  BrackenmoorClip,
  BrackenmoorFeed,
  BrackenmoorHappening,
  BrackenmoorListing,
  BrackenmoorListings,
  BrackenmoorPast,
  BrackenmoorPicture,
  BrackenmoorProblems,
  BrackenmoorSought,
  BrackenmoorOffered,
  BrackenmoorStall,
} from './contract';
import {
  Refused,
  type Adapter,
  type AlreadyOver,
  type Pictures,
  type Published,
} from '../../courier/adapter';
import { call, readAs } from '../../courier/call';
import { homeAt, inPortions, ownListing, pictureAt } from '../../courier/ownListings';
import { verifyWebhook } from '../../courier/verifyWebhook';
import { wearOf } from '../../courier/wear';
import { ordersAt, talksAt } from '../afterSale';
import type { Seat } from '../manifest';
import { rulesAt } from '../rules';

type Listing = z.infer<typeof BrackenmoorListing>;

/** Fields in Brackenmoor's words -> ours. */
const FIELDS: Record<string, string> = {
  headline: 'title',
  text: 'description',
  askingCents: 'price',
  postageCents: 'parcel',
  pictures: 'pictures',
  clip: 'pictures',
  category: 'category',
  condition: 'condition',
  promotionPercent: 'paid',
  secondLine: 'paid',
  secondCategory: 'paid',
  sentWithin: 'terms',
  backWithin: 'terms',
  backPaidBy: 'terms',
  abroad: 'terms',
  furtherCents: 'terms',
  taxPercent: 'terms',
  fetch: 'terms',
  choices: 'choices',
  quantity: 'choices',
  findWords: 'tags',
};

/** A draft in Brackenmoor's words. */
export function entryOf(ref: string, draft: ListingDraft, pictures: readonly string[], clip: string | null) {
  const { extras, promotionBp } = draft.paid;
  return {
    reference: ref,
    headline: draft.title,
    text: draft.description,
    askingCents: draft.price,
    postageCents: draft.postage,
    category: draft.category,
    condition: draft.condition,
    attributes: draft.specifics,
    findWords: draft.tags,
    pictures: [...pictures],
    clip,
    ...(promotionBp > 0 ? { promotionPercent: promotionBp / 100 } : {}),
    ...(extras.secondLine === undefined ? {} : { secondLine: extras.secondLine }),
    ...(extras.secondCategory === undefined ? {} : { secondCategory: extras.secondCategory }),
    ...(draft.choices ? severalOf(draft.choices) : {}),
    ...(draft.terms ? termsOf(draft.terms) : {}),
  };
}

/** Several to choose from, or just alike. */
function severalOf(choices: DraftChoices) {
  if (isAlike(choices)) return { quantity: quantityOf(choices) };
  const { options, pieces } = choices;
  return {
    choices: {
      names: options,
      pieces: pieces.map((p) => ({
        code: p.code,
        values: p.values,
        cents: p.price,
        stock: p.stock,
        shownIn: p.pictures,
      })),
    },
  };
}

/** Terms in Brackenmoor's words; what is not told stays away in the message. */
function termsOf(terms: SentTerms) {
  return {
    sentWithin: terms.handlingDays,
    backWithin: terms.returnDays,
    backPaidBy: terms.returnsPaidBy,
    abroad: terms.abroad?.map(({ zone, price }) => ({ zone, cents: price })),
    furtherCents: terms.further,
    taxPercent: terms.taxBp === undefined ? undefined : terms.taxBp / 100,
    fetch: terms.collect,
  };
}

const refuse = (body: unknown): never => {
  throw new Refused(
    readAs(BrackenmoorProblems, body).problems.map((p) => ({
      field: p.field.startsWith('attributes.') ? `specific:${p.field.slice(11)}` : (FIELDS[p.field] ?? ''),
      message: p.message,
    })),
  );
};

const saleNews = (o: z.infer<typeof BrackenmoorHappening>): News => ({
  type: 'sale',
  ref: o.reference,
  remoteId: o.listing,
  order: o.order,
  amount: o.paidCents,
  postage: o.postageCents,
  fees: o.feesCents,
  at: o.soldAt,
  ...(o.piece === undefined ? {} : { piece: o.piece }),
});

const over = (l: Listing): AlreadyOver => {
  const ended: News = { type: 'ended', ref: l.reference, remoteId: l.listing, why: '' };
  if (!l.order) return { news: [ended] };
  // The last of several: its sale alone does not say that the listing is over.
  return { news: [saleNews({ kind: 'sold', ...l.order }), ended] };
};

const published = (l: Listing): Published => ({ remoteId: l.listing, url: l.page, state: 'live' });

type Clip = NonNullable<ListingDraft['clip']>;

async function upload({ address, token }: Seat, hash: string, pictures: Pictures): Promise<string> {
  const bytes = await pictures(hash);
  const { status, body } = await call(`${address}/v1/pictures`, {
    method: 'POST',
    token: token(),
    expected: [201, 422],
    headers: { 'content-type': 'image/jpeg' },
    body: bytes,
  });
  return status === 422 ? refuse(body) : readAs(BrackenmoorPicture, body).picture;
}
async function uploadClip({ address, token }: Seat, clip: Clip, shelf: Pictures): Promise<string> {
  const { hash, seconds } = clip;
  const { status, body } = await call(`${address}/v1/clips?seconds=${seconds}`, {
    method: 'POST',
    token: token(),
    expected: [201, 422],
    headers: { 'content-type': 'video/*' },
    body: await shelf(hash),
  });
  return status === 422 ? refuse(body) : readAs(BrackenmoorClip, body).clip;
}

/** What goes there, and comes down. */
function listingsAt(config: Seat): Pick<Adapter, 'publish' | 'revise' | 'withdraw' | 'lookUp'> {
  const { address, token } = config;
  const json = { 'content-type': 'application/json' };
  const entry = async (ref: string, draft: ListingDraft, pictures: Pictures) =>
    JSON.stringify(
      entryOf(
        ref,
        draft,
        await Promise.all(draft.pictures.map((hash) => upload(config, hash, pictures))),
        draft.clip ? await uploadClip(config, draft.clip, pictures) : null,
      ),
    );
  const find = async (ref: string): Promise<Listing | null> => {
    const { body } = await call(`${address}/v1/listings?reference=${encodeURIComponent(ref)}`, {
      token: token(),
      expected: [200],
    });
    return readAs(BrackenmoorListings, body).listings[0] ?? null;
  };
  return {
    async publish({ ref, draft }, pictures) {
      const { status, body } = await call(`${address}/v1/listings`, {
        method: 'POST',
        token: token(),
        expected: [200, 201, 422],
        headers: { ...json, 'idempotency-key': ref },
        body: await entry(ref, draft, pictures),
      });
      if (status === 422) return refuse(body);
      const listing = readAs(BrackenmoorListing, body);
      return listing.state === 'live' ? published(listing) : over(listing);
    },

    async revise(ref, remoteId, draft, pictures) {
      const id = remoteId ?? (await find(ref))?.listing;
      if (!id) return { news: [{ type: 'ended', ref, remoteId: '', why: '', code: 'noLongerThere' }] };
      const { status, body } = await call(`${address}/v1/listings/${id}`, {
        method: 'PUT',
        token: token(),
        expected: [200, 409, 422],
        headers: json,
        body: await entry(ref, draft, pictures),
      });
      if (status === 422) return refuse(body);
      return status === 409 ? over(readAs(BrackenmoorListing, body)) : 'revised';
    },

    async withdraw(ref, remoteId) {
      const id = remoteId ?? (await find(ref))?.listing;
      if (!id) return 'absent';
      const { status, body } = await call(`${address}/v1/listings/${id}/end`, {
        method: 'POST',
        token: token(),
        expected: [200, 404, 409],
      });
      if (status === 404) return 'absent';
      return status === 409 ? over(readAs(BrackenmoorListing, body)) : 'withdrawn';
    },

    async lookUp(ref) {
      const listing = await find(ref);
      return listing && { ...published(listing), over: listing.state !== 'live' };
    },
  };
}

/** What it tells of itself and of what others sold. */
function researchAt(config: Seat): Pick<Adapter, 'history' | 'searchDemand' | 'ruleSheet'> {
  const { address, token } = config;
  return {
    async history(category, words) {
      const query = new URLSearchParams({ category, words });
      const { body } = await call(`${address}/v1/past?${query}`, { token: token(), expected: [200] });
      const wear = await wearOf(this);
      return readAs(BrackenmoorPast, body).past.map((p): Comp => ({
        id: p.number,
        market: 'brackenmoor',
        title: p.headline,
        brand: p.maker,
        category: p.category,
        wear: wear(p.condition),
        sold: p.outcome === 'sold',
        price: p.cents,
        listedAt: p.listedAt,
        endedAt: p.endedAt,
      }));
    },

    async searchDemand(category) {
      const { body } = await call(`${address}/v1/sought?${new URLSearchParams({ category })}`, {
        token: token(),
        expected: [200],
      });
      return readAs(BrackenmoorSought, body).words.map(({ word, times }) => ({ word, count: times }));
    },

    ...rulesAt(config, '/v1/rules'),
  };
}

/** What happens there, and what stands there. */
function newsAt(config: Seat): Pick<Adapter, 'eventsSince' | 'listOwnListings' | 'picture' | 'readHook'> {
  const { address, token } = config;
  return {
    async eventsSince(cursor) {
      const { body } = await call(`${address}/v1/happenings?after=${encodeURIComponent(cursor ?? '0')}`, {
        token: token(),
        expected: [200],
      });
      const feed = readAs(BrackenmoorFeed, body);
      return { news: feed.happenings.map(saleNews), cursor: feed.cursor };
    },

    listOwnListings: () =>
      inPortions(async (from) => {
        const { body } = await call(`${address}/v1/stall?from=${from}`, { token: token(), expected: [200] });
        const { stall, next } = readAs(BrackenmoorStall, body);
        return {
          next,
          some: stall.map((l) =>
            ownListing({
              market: 'brackenmoor',
              ref: l.reference || l.listing,
              remoteId: l.listing,
              url: l.page,
              title: l.headline,
              text: l.text,
              price: l.askingCents,
              postage: l.postageCents,
              category: l.category,
              condition: l.condition,
              specifics: l.attributes,
              pictures: l.pictures,
              listedAt: l.listedAt,
            }),
          ),
        };
      }),

    picture: (name) => pictureAt(address, name),

    readHook(header, body, now) {
      if (!verifyWebhook(header('x-brackenmoor-signature'), body, config.hookSecret, now)) return null;
      try {
        const parsed = BrackenmoorHappening.safeParse(JSON.parse(body));
        return parsed.success ? [saleNews(parsed.data)] : null;
      } catch {
        // Signed, and no JSON all the same: not something it would send.
        return null;
      }
    },
  };
}

/** What others offer there. */
function othersAt({ address, token }: Seat): Pick<Adapter, 'publicListings'> {
  return {
    publicListings: async ({ words, category, number }) => {
      const asked = new URLSearchParams({ words, category, no: number });
      const { body } = await call(`${address}/v1/offered?${asked}`, { token: token(), expected: [200] });
      return readAs(BrackenmoorOffered, body).offered.map((o) => ({
        market: 'brackenmoor',
        number: o.number,
        seller: o.seller,
        url: o.page,
        title: o.headline,
        text: o.text,
        price: o.askingCents,
        category: o.category,
        condition: o.condition,
        specifics: o.attributes,
        pictures: o.pictures.map((path) => new URL(path, address).href),
      }));
    },
  };
}

/** JSON with idempotency keys; signed webhooks, and a feed behind them. */
export function brackenmoorAdapter(config: Seat): Adapter {
  const { address, token } = config;
  return {
    id: 'brackenmoor',
    name: 'Brackenmoor',
    letters: 'Br',
    home: homeAt(address),
    capabilities: { webhooks: true, review: false, pollEvery: 20_000 },
    talks: talksAt({ market: 'brackenmoor', at: `${address}/v1/letters`, token }, true),
    orders: ordersAt({ market: 'brackenmoor', at: `${address}/v1/orders`, token }),
    ...researchAt(config),
    ...othersAt(config),
    ...listingsAt(config),
    ...newsAt(config),
  };
}
