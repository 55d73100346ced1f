import type { z } from 'zod';

import type { Comp } from '@/contract/comps';
import type { ListingDraft } from '@/contract/courier';
import type { News } from '@/core/courier/types';
import { formatAmount } from '@/core/money/money';

import {
  ThreadwickAsked,
  ThreadwickGone,
  ThreadwickJournal,
  ThreadwickMine,
  ThreadwickObjections,
  ThreadwickPiece,
  ThreadwickPieces,
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
import { wearOf } from '../../courier/wear';
import { ordersAt, talksAt } from '../afterSale';
import type { Seat } from '../manifest';
import { rulesAt } from '../rules';

type Piece = z.infer<typeof ThreadwickPiece>;

const FIELDS: Record<string, string> = {
  name: 'title',
  story: 'description',
  price: 'price',
  shelf: 'category',
  worn: 'condition',
  photos: 'pictures',
  department: 'specific:department',
  size: 'specific:size',
  colour: 'specific:colour',
  label: 'specific:brand',
  cloth: 'specific:material',
  origin: 'fact:origin',
};
const POSTAGE = 390;

/** A draft in Threadwick's words. */
export function pieceOf(ref: string, draft: ListingDraft) {
  const { specifics } = draft;
  return {
    ref,
    name: draft.title,
    story: draft.description,
    price: formatAmount(draft.price, draft.currency),
    shelf: draft.category,
    worn: draft.condition,
    department: specifics.department ?? '',
    size: specifics.size ?? '',
    colour: specifics.colour ?? '',
    label: specifics.brand ?? '',
    cloth: specifics.material ?? '',
    origin: specifics.origin ?? '',
  };
}

const refuse = (body: unknown): never => {
  throw new Refused(
    readAs(ThreadwickObjections, body).objections.map(([field, message]) => ({
      field: FIELDS[field] ?? '',
      message,
    })),
  );
};

const published = (p: Piece): Published => ({ remoteId: p.no, url: p.seen, state: 'live' });

const saleNews = (ref: string, no: string, sale: NonNullable<Piece['sale']>): News => ({
  type: 'sale',
  ref,
  remoteId: no,
  order: sale.sale,
  amount: sale.amount,
  postage: POSTAGE,
  fees: sale.part,
  at: Date.parse(sale.when),
});

const over = (p: Piece): AlreadyOver => ({
  news: [p.sale ? saleNews(p.ref, p.no, p.sale) : { type: 'ended', ref: p.ref, remoteId: p.no, why: '' }],
});

/** What goes there, and comes down. */
function listingsAt(config: Seat): Pick<Adapter, 'publish' | 'revise' | 'withdraw' | 'lookUp'> {
  const { address, token } = config;
  const form = async (ref: string, draft: ListingDraft, pictures: Pictures): Promise<FormData> => {
    const data = new FormData();
    data.set('piece', JSON.stringify(pieceOf(ref, draft)));
    for (const hash of draft.pictures)
      data.append('photo', new Blob([await pictures(hash)], { type: 'image/jpeg' }), 'photo.jpg');
    return data;
  };
  const find = async (ref: string): Promise<Piece | null> => {
    const { body } = await call(`${address}/rail/pieces?ref=${encodeURIComponent(ref)}`, {
      token: token(),
      expected: [200],
    });
    return readAs(ThreadwickPieces, body)[0] ?? null;
  };
  return {
    async publish({ ref, draft, unclear }, pictures) {
      // No idempotency key here: look first when an earlier call may have got through.
      const there = unclear ? await find(ref) : null;
      if (there) return there.status === 'hanging' ? published(there) : over(there);
      const { status, body } = await call(`${address}/rail/pieces?ref=${encodeURIComponent(ref)}`, {
        method: 'POST',
        token: token(),
        expected: [201, 303, 406],
        body: await form(ref, draft, pictures),
      });
      if (status === 406) return refuse(body);
      const piece = readAs(ThreadwickPiece, body);
      return piece.status === 'hanging' ? published(piece) : over(piece);
    },

    async revise(ref, remoteId, draft, pictures) {
      const no = remoteId ?? (await find(ref))?.no;
      if (!no) return { news: [{ type: 'ended', ref, remoteId: '', why: '', code: 'noLongerThere' }] };
      const { status, body } = await call(`${address}/rail/pieces/${no}`, {
        method: 'POST',
        token: token(),
        expected: [200, 406, 410],
        body: await form(ref, draft, pictures),
      });
      if (status === 406) return refuse(body);
      return status === 410 ? over(readAs(ThreadwickPiece, body)) : 'revised';
    },

    async withdraw(ref, remoteId) {
      const no = remoteId ?? (await find(ref))?.no;
      if (!no) return 'absent';
      const { status, body } = await call(`${address}/rail/pieces/${no}`, {
        method: 'DELETE',
        token: token(),
        expected: [200, 404, 410],
      });
      if (status === 404) return 'absent';
      return status === 410 ? over(readAs(ThreadwickPiece, body)) : 'withdrawn';
    },

    async lookUp(ref) {
      const piece = await find(ref);
      return piece && { ...published(piece), over: piece.status !== 'hanging' };
    },
  };
}

/** What it tells of itself and of what others sold. */
function researchAt(config: Seat): Pick<Adapter, 'history' | 'searchDemand' | 'ruleSheet'> {
  const { address, token } = config;
  return {
    async history(category, words) {
      const query = new URLSearchParams({ shelf: category, words });
      const { body } = await call(`${address}/rail/gone?${query}`, { token: token(), expected: [200] });
      const wear = await wearOf(this);
      return readAs(ThreadwickGone, body).map((p): Comp => ({
        id: p.no,
        market: 'threadwick',
        title: p.name,
        brand: p.label,
        category: p.shelf,
        wear: wear(p.worn),
        sold: p.gone,
        price: Number(p.price.replace('.', '')),
        listedAt: Date.parse(p.hung),
        endedAt: Date.parse(p.down),
      }));
    },

    async searchDemand(category) {
      const { body } = await call(`${address}/rail/asked?${new URLSearchParams({ shelf: category })}`, {
        token: token(),
        expected: [200],
      });
      return Object.entries(readAs(ThreadwickAsked, body)).map(([word, count]) => ({ word, count }));
    },

    ...rulesAt(config, '/rail/rules'),
  };
}

/** What happens there, and what stands there. */
function newsAt(config: Seat): Pick<Adapter, 'eventsSince' | 'listOwnListings' | 'picture'> {
  const { address, token } = config;
  return {
    async eventsSince(cursor) {
      const { body } = await call(`${address}/rail/journal?since=${encodeURIComponent(cursor ?? '0')}`, {
        token: token(),
        expected: [200],
      });
      const { lines, next } = readAs(ThreadwickJournal, body);
      return { news: lines.map((l) => ({ ...saleNews(l.ref, l.no, l), postage: l.post })), cursor: next };
    },

    listOwnListings: () =>
      inPortions(async (from) => {
        const { body } = await call(`${address}/rail/mine?from=${from}`, { token: token(), expected: [200] });
        const { pieces, next } = readAs(ThreadwickMine, body);
        return {
          next,
          some: pieces.map(({ no, ref, seen, piece, photos }) =>
            ownListing({
              market: 'threadwick',
              ref: ref || no,
              remoteId: no,
              url: seen,
              title: piece.name,
              text: piece.story,
              price: Number(piece.price.replace('.', '')),
              postage: POSTAGE,
              category: piece.shelf,
              condition: piece.worn,
              pictures: photos,
              specifics: {
                department: piece.department,
                size: piece.size,
                colour: piece.colour,
                brand: piece.label,
                material: piece.cloth,
                origin: piece.origin,
              },
            }),
          ),
        };
      }),

    picture: (name) => pictureAt(address, name),
  };
}

/** A form with the photos in one call; found again by reference; its journal has to be read. */
export function threadwickAdapter(config: Seat): Adapter {
  const { address, token } = config;
  return {
    id: 'threadwick',
    name: 'Threadwick',
    letters: 'Tw',
    home: homeAt(address),
    capabilities: { webhooks: false, review: false, pollEvery: 2_500 },
    talks: talksAt({ market: 'threadwick', at: `${address}/rail/notes`, token }, true),
    orders: ordersAt({ market: 'threadwick', at: `${address}/rail/sales`, token }),
    ...researchAt(config),
    ...listingsAt(config),
    ...newsAt(config),
  };
}
