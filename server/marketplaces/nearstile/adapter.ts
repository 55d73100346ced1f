import type { z } from 'zod';

import type { Comp } from '@/contract/comps';
import type { ListingDraft } from '@/contract/courier';
import type { News } from '@/core/courier/types';

import {
  NearstileAd,
  NearstileFaults,
  NearstileMine,
  NearstileNews,
  NearstileOld,
  NearstileSearches,
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
import { talksAt } from '../afterSale';
import type { Seat } from '../manifest';
import { rulesAt } from '../rules';

type Ad = z.infer<typeof NearstileAd>;

const FIELDS: Record<string, string> = {
  heading: 'title',
  body: 'description',
  euros: 'price',
  board: 'category',
  state: 'condition',
  place: 'answer:place',
  photos: 'pictures',
  origin: 'fact:origin',
  boards: 'answer:boards',
  acquaintances: 'answer:acquaintances',
  tags: 'tags',
  higherDays: 'paid',
};

/** Anything but yes or no is sent on as it is: the marketplace says what is wrong with it. */
const yesNo = (answer: string | undefined) =>
  answer === undefined ? undefined : answer === 'yes' ? true : answer === 'no' ? false : answer;

/** A draft in Nearstile's words, without its photos. */
export function adOf(draft: ListingDraft) {
  return {
    heading: draft.title,
    body: draft.description,
    euros: draft.price / 100,
    board: draft.category,
    state: draft.condition,
    place: draft.answers.place ?? '',
    origin: draft.specifics.origin ?? '',
    boards: (draft.answers.boards ?? '').split(' | ').filter(Boolean),
    acquaintances: yesNo(draft.answers.acquaintances),
    tags: draft.tags,
    higherDays: Number(draft.paid.extras.seen ?? 0),
  };
}

const refuse = (body: unknown): never => {
  throw new Refused(
    readAs(NearstileFaults, body).faults.map((fault) => ({
      field: FIELDS[fault.split(':')[0] ?? ''] ?? '',
      message: fault,
    })),
  );
};

const newsOf = (ad: Ad): News[] => {
  const about = { ref: ad.id, remoteId: ad.id };
  if (ad.status === 'up') return [{ type: 'approved', ...about, url: ad.link }];
  // Its reviewers say why in words, not by field: nearly always it is the words.
  if (ad.status === 'turned down')
    return [
      {
        type: 'turnedDown',
        ...about,
        reasons: [
          ad.why
            ? { field: 'description', message: ad.why }
            : { field: 'description', message: '', code: 'noReasonGiven' },
        ],
      },
    ];
  if (ad.status === 'closed') return [{ type: 'ended', ...about, why: '' }];
  return [];
};

const over = (ad: Ad): AlreadyOver => ({ news: newsOf(ad) });

const published = (ad: Ad): Published => ({
  remoteId: ad.id,
  url: ad.link,
  state: ad.status === 'up' ? 'live' : 'inReview',
});

/** What goes there, and comes down. */
function listingsAt(config: Seat): Pick<Adapter, 'publish' | 'revise' | 'withdraw' | 'lookUp'> {
  const { address, token } = config;
  const json = { 'content-type': 'application/json' };
  const adAt = (ref: string) => `${address}/board/ads/${encodeURIComponent(ref)}`;
  const form = async (draft: ListingDraft, pictures: Pictures) =>
    JSON.stringify({
      held: draft.held === true,
      ...adOf(draft),
      photos: await Promise.all(
        draft.pictures.map(async (hash) => Buffer.from(await pictures(hash)).toString('base64')),
      ),
    });
  return {
    async publish({ ref, draft }, pictures) {
      const { status, body } = await call(`${adAt(ref)}?new=yes`, {
        method: 'PUT',
        token: token(),
        expected: [200, 202, 400, 409],
        headers: json,
        body: await form(draft, pictures),
      });
      if (status === 400) return refuse(body);
      const ad = readAs(NearstileAd, body);
      return status === 409 ? over(ad) : published(ad);
    },

    async revise(ref, _remoteId, draft, pictures) {
      const { status, body } = await call(adAt(ref), {
        method: 'PUT',
        token: token(),
        expected: [200, 202, 400, 409],
        headers: json,
        body: await form(draft, pictures),
      });
      if (status === 400) return refuse(body);
      return status === 409 ? over(readAs(NearstileAd, body)) : 'revised';
    },

    async withdraw(ref, _remoteId, outcome) {
      const { status } = await call(`${adAt(ref)}/close`, {
        method: 'POST',
        token: token(),
        expected: [200, 404],
        headers: json,
        body: JSON.stringify({ as: outcome }),
      });
      return status === 404 ? 'absent' : 'withdrawn';
    },

    async lookUp(ref) {
      const { status, body } = await call(adAt(ref), { token: token(), expected: [200, 404] });
      if (status === 404) return null;
      const ad = readAs(NearstileAd, body);
      return { ...published(ad), over: ad.status === 'closed' || ad.status === 'turned down' };
    },
  };
}

/** What it tells of itself and of what others sold. */
function researchAt(config: Seat): Pick<Adapter, 'history' | 'searchDemand' | 'ruleSheet'> {
  const { address, token } = config;
  return {
    async history(category, words) {
      const query = new URLSearchParams({ board: category, words });
      const { body } = await call(`${address}/board/old?${query}`, { token: token(), expected: [200] });
      const wear = await wearOf(this);
      return readAs(NearstileOld, body).ads.map((p): Comp => ({
        id: p.id,
        market: 'nearstile',
        title: p.heading,
        brand: '',
        category: p.board,
        wear: wear(p.state),
        sold: p.dealt,
        price: Math.round(p.euros * 100),
        listedAt: p.up,
        endedAt: p.down,
      }));
    },

    async searchDemand(category) {
      const { body } = await call(`${address}/board/searches?${new URLSearchParams({ board: category })}`, {
        token: token(),
        expected: [200],
      });
      return readAs(NearstileSearches, body).searches.map(([word, count]) => ({ word, count }));
    },

    ...rulesAt(config, '/board/rules'),
  };
}

/** What happens there, and what stands there. */
function newsAt(config: Seat): Pick<Adapter, 'eventsSince' | 'listOwnListings' | 'picture'> {
  const { address, token } = config;
  return {
    async eventsSince(cursor) {
      const { body } = await call(`${address}/board/news/${encodeURIComponent(cursor ?? '0')}`, {
        token: token(),
        expected: [200],
      });
      const { news, upTo } = readAs(NearstileNews, body);
      return { news: news.flatMap(newsOf), cursor: String(upTo) };
    },

    listOwnListings: () =>
      inPortions(async (from) => {
        const { body } = await call(`${address}/board/mine?from=${from}`, {
          token: token(),
          expected: [200],
        });
        const { ads, next } = readAs(NearstileMine, body);
        return {
          next,
          some: ads.map((ad) =>
            ownListing({
              market: 'nearstile',
              ref: ad.id,
              remoteId: ad.id,
              url: ad.link,
              state: ad.status === 'up' ? 'live' : 'inReview',
              title: ad.heading,
              text: ad.body,
              price: Math.round(ad.euros * 100),
              category: ad.board,
              condition: ad.state,
              pictures: ad.photos,
              listedAt: ad.putAt,
            }),
          ),
        };
      }),

    picture: (name) => pictureAt(address, name),
  };
}

/** Ads put under our own name for them, looked over by people before they are up. */
export function nearstileAdapter(config: Seat): Adapter {
  const { address, token } = config;
  return {
    id: 'nearstile',
    name: 'Nearstile',
    letters: 'Ns',
    home: homeAt(address),
    capabilities: { showsHolds: true, webhooks: false, review: true, pollEvery: 2_000 },
    talks: talksAt({ market: 'nearstile', at: `${address}/board/enquiries`, token }, true),
    ...researchAt(config),
    ...listingsAt(config),
    ...newsAt(config),
  };
}
