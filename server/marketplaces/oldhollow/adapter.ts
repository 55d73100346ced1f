import type { z } from 'zod';

import type { AuctionStanding } from '@/contract/auctions';
import type { Comp } from '@/contract/comps';
import type { ListingDraft } from '@/contract/courier';
import type { SentTerms } from '@/contract/terms';
import type { News } from '@/core/courier/types';

import {
  OldhollowAuctions,
  OldhollowComplaints,
  OldhollowImage,
  OldhollowPast,
  OldhollowPiece,
  OldhollowRefusal,
  OldhollowShelf,
  OldhollowSought,
  OldhollowTiding,
  OldhollowTidings,
} from './contract';
import {
  CallFailed,
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

type Piece = z.infer<typeof OldhollowPiece>;

const FIELDS: Record<string, string> = {
  name: 'title',
  account: 'description',
  tags: 'tags',
  room: 'category',
  state: 'condition',
  decade: 'specific:decade',
  maker: 'fact:brand',
  madeOf: 'fact:material',
  origin: 'fact:origin',
  certificate: 'answer:certificate',
  corner: 'answer:corner',
  images: 'pictures',
  price: 'price',
  'auction.open': 'format',
  'auction.days': 'format',
  'auction.again': 'format',
  'auction.outright': 'format',
  'auction.becomes': 'format',
  dealings: 'terms',
};

/** A draft in Oldhollow's words. */
export function pieceOf(draft: ListingDraft, images: readonly string[]) {
  const { specifics, auction } = draft;
  return {
    name: draft.title,
    account: draft.description,
    tags: draft.tags,
    room: draft.category,
    state: draft.condition,
    cents: draft.price,
    postCents: draft.postage,
    decade: specifics.decade ?? '',
    maker: specifics.brand ?? '',
    madeOf: specifics.material ?? '',
    origin: specifics.origin ?? '',
    corner: draft.answers.corner ?? '',
    certificate: draft.answers.certificate ?? '',
    images: [...images],
    auction: auction && {
      openCents: auction.opening,
      outrightCents: auction.outright,
      days: auction.days,
      again: auction.again,
      becomesCents: auction.becomes,
    },
    ...(draft.terms ? { dealings: dealingsOf(draft.terms) } : {}),
  };
}

/** Terms in Oldhollow's words. */
function dealingsOf(terms: SentTerms) {
  return {
    sendsWithin: terms.handlingDays ?? null,
    takesBackWithin: terms.returnDays ?? 0,
    backAtCostOf: terms.returnsPaidBy ?? 'buyer',
    overseas: (terms.abroad ?? []).map(({ zone, price }) => ({ to: zone, cents: price })),
    paidBy: terms.payment ?? [],
    taxPermille: Math.round((terms.taxBp ?? 0) / 10),
    mayFetch: terms.collect ?? false,
  };
}

const refuse = (body: unknown): never => {
  throw new Refused(
    readAs(OldhollowComplaints, body).complaints.map(({ about, words }) => ({
      field: FIELDS[about] ?? '',
      message: words,
    })),
  );
};

const newsOf = ({ kind, ref, post, sale }: z.infer<typeof OldhollowTiding>): News => {
  const about = { ref, remoteId: ref };
  return kind === 'sold' && sale
    ? {
        type: 'sale',
        ...about,
        order: sale.number,
        amount: sale.cents,
        postage: post,
        fees: sale.kept,
        at: sale.at,
      }
    : { type: 'ended', ...about, why: '', code: 'ranOutUnsold' };
};

const over = (p: Piece): AlreadyOver => ({
  news: [
    p.status === 'sold'
      ? newsOf({ kind: 'sold', ref: p.ref, post: 0, sale: p.sale })
      : { type: 'ended', ref: p.ref, remoteId: p.ref, why: '' },
  ],
});

const published = (p: Piece): Published => ({ remoteId: p.ref, url: p.seen, state: 'live' });

/** What goes there, and comes down. */
function listingsAt(config: Seat): Pick<Adapter, 'publish' | 'revise' | 'withdraw' | 'lookUp'> {
  const { address, token } = config;
  const json = { 'content-type': 'application/json' };
  const at = (ref: string) => `${address}/hollow/pieces/${encodeURIComponent(ref)}`;
  const image = async (hash: string, pictures: Pictures): Promise<string> => {
    const { status, body } = await call(`${address}/hollow/images`, {
      method: 'POST',
      token: token(),
      expected: [201, 422],
      headers: { 'content-type': 'image/jpeg' },
      body: await pictures(hash),
    });
    return status === 422 ? refuse(body) : readAs(OldhollowImage, body).image;
  };
  const form = async (draft: ListingDraft, pictures: Pictures) =>
    JSON.stringify(pieceOf(draft, await Promise.all(draft.pictures.map((hash) => image(hash, pictures)))));
  const put = async (ref: string, draft: ListingDraft, pictures: Pictures, first: boolean) => {
    const { status, body } = await call(`${at(ref)}${first ? '?first=yes' : ''}`, {
      method: 'PUT',
      token: token(),
      expected: [200, 201, 409, 422],
      headers: json,
      body: await form(draft, pictures),
    });
    if (status === 422) return refuse(body);
    const piece = readAs(OldhollowPiece, body);
    return { piece, isOver: status === 409 };
  };
  return {
    async publish({ ref, draft }, pictures) {
      const { piece, isOver } = await put(ref, draft, pictures, true);
      return isOver ? over(piece) : published(piece);
    },

    async revise(ref, _remoteId, draft, pictures) {
      const { piece, isOver } = await put(ref, draft, pictures, false);
      return isOver ? over(piece) : 'revised';
    },

    async withdraw(ref) {
      const { status, body } = await call(at(ref), {
        method: 'DELETE',
        token: token(),
        expected: [200, 404, 409, 423],
      });
      if (status === 404) return 'absent';
      if (status === 423)
        throw new Refused([{ field: 'format', message: readAs(OldhollowRefusal, body).message }]);
      return status === 409 ? over(readAs(OldhollowPiece, body)) : 'withdrawn';
    },

    async lookUp(ref) {
      const { status, body } = await call(at(ref), { token: token(), expected: [200, 404] });
      if (status === 404) return null;
      const piece = readAs(OldhollowPiece, body);
      return { ...published(piece), over: piece.status !== 'shown' };
    },
  };
}

/** What it tells of itself and of what others sold. */
function researchAt(config: Seat): Pick<Adapter, 'history' | 'searchDemand' | 'ruleSheet'> {
  const { address, token } = config;
  return {
    async history(category, words) {
      const query = new URLSearchParams({ room: category, words });
      const { body } = await call(`${address}/hollow/past?${query}`, { token: token(), expected: [200] });
      const wear = await wearOf(this);
      return readAs(OldhollowPast, body).pieces.map((p): Comp => ({
        id: p.number,
        market: 'oldhollow',
        title: p.name,
        brand: p.maker,
        category: p.room,
        wear: wear(p.state),
        sold: p.sold,
        price: p.cents,
        listedAt: p.from,
        endedAt: p.to,
      }));
    },

    async searchDemand(category) {
      const query = new URLSearchParams({ room: category });
      const { body } = await call(`${address}/hollow/sought?${query}`, { token: token(), expected: [200] });
      return readAs(OldhollowSought, body).sought.map(({ word, often }) => ({ word, count: often }));
    },

    ...rulesAt(config, '/hollow/rulebook'),
  };
}

/** What happens there, and what stands there. */
function newsAt(
  config: Seat,
): Pick<Adapter, 'eventsSince' | 'listOwnListings' | 'picture' | 'readHook' | 'auctions'> {
  const { address, token } = config;
  return {
    async auctions() {
      const { body } = await call(`${address}/hollow/auctions`, { token: token(), expected: [200] });
      return readAs(OldhollowAuctions, body).auctions.map((a): AuctionStanding => ({
        market: 'oldhollow',
        remoteId: a.ref,
        bids: a.bids,
        highest: a.bestCents,
        endsAt: a.until,
        round: a.round,
        rounds: a.again + 1,
        becomes: a.becomesCents,
      }));
    },

    async eventsSince(cursor) {
      const { body } = await call(`${address}/hollow/tidings?after=${encodeURIComponent(cursor ?? '0')}`, {
        token: token(),
        expected: [200],
      });
      const { tidings, upTo } = readAs(OldhollowTidings, body);
      return { news: tidings.map(newsOf), cursor: upTo };
    },

    listOwnListings: () =>
      inPortions(async (from) => {
        const { body } = await call(`${address}/hollow/shelf?from=${from}`, {
          token: token(),
          expected: [200],
        });
        const { shelf, next } = readAs(OldhollowShelf, body);
        return {
          next,
          some: shelf.map(({ ref, seen, piece, since }) =>
            ownListing({
              market: 'oldhollow',
              ref,
              remoteId: ref,
              url: seen,
              title: piece.name,
              text: piece.account,
              price: piece.auction?.openCents ?? piece.cents,
              postage: piece.postCents,
              category: piece.room,
              condition: piece.state,
              pictures: piece.images,
              listedAt: since,
              specifics: {
                decade: piece.decade,
                brand: piece.maker,
                material: piece.madeOf,
                origin: piece.origin,
              },
            }),
          ),
        };
      }),

    picture: (name) => pictureAt(address, name),

    readHook(header, body, now) {
      if (!verifyWebhook(header('x-oldhollow-seal'), body, config.hookSecret, now)) return null;
      try {
        return [newsOf(readAs(OldhollowTiding, JSON.parse(body)))];
      } catch (error) {
        if (error instanceof SyntaxError || error instanceof CallFailed) return null;
        throw error;
      }
    },
  };
}

/**
 * Pieces put under our own name for them, fixed or in an auction; tidings come twice and can be read again.
 */
export function oldhollowAdapter(config: Seat): Adapter {
  const { address, token } = config;
  return {
    id: 'oldhollow',
    name: 'Oldhollow',
    letters: 'Oh',
    home: homeAt(address),
    capabilities: { webhooks: true, review: false, pollEvery: 15_000 },
    talks: talksAt({ market: 'oldhollow', at: `${address}/hollow/questions`, token }, false),
    orders: ordersAt({ market: 'oldhollow', at: `${address}/hollow/sales`, token }),
    ...researchAt(config),
    ...listingsAt(config),
    ...newsAt(config),
  };
}
