import Papa from 'papaparse';
import { z } from 'zod';

import type { Comp, CompetingOffer } from '@/contract/comps';
import type { ListingDraft } from '@/contract/courier';
import { quantityOf } from '@/core/choices/shown';
import type { News } from '@/core/courier/types';
import { CALL_LIMIT } from '@/core/courier/waiting';

import {
  QuirestackCopies,
  QuirestackDepotReport,
  QuirestackKept,
  QuirestackLine,
  QuirestackLog,
  QuirestackOffer,
  QuirestackParcel,
  QuirestackParcels,
  QuirestackPast,
  QuirestackRefusal,
  QuirestackReport,
  QuirestackReturned,
  QuirestackSought,
  QuirestackStock,
  QuirestackStockReport,
  QuirestackTicket,
} from './contract';
import {
  failed,
  Refused,
  type Adapter,
  type Depot,
  type AlreadyOver,
  type Pictures,
} from '../../courier/adapter';
import { call, readAs } from '../../courier/call';
import { homeAt, ownListing, pictureAt } from '../../courier/ownListings';
import { wearOf } from '../../courier/wear';
import { ordersAt, talksAt } from '../afterSale';
import type { Seat } from '../manifest';
import { rulesAt } from '../rules';

type Outcome = z.infer<typeof QuirestackLine>;
type Line = Record<
  'action' | 'ref' | 'barcode' | 'condition' | 'note' | 'cents' | 'origin' | 'keptAt' | 'copies',
  string
>;

/** Codes of the report -> our fields. */
const FIELDS: Record<string, string> = {
  Q10: 'fact:barcode',
  Q11: 'fact:barcode',
  Q12: 'fact:barcode',
  Q20: 'condition',
  Q21: 'description',
  Q22: 'description',
  Q23: 'description',
  Q30: 'price',
  Q31: 'price',
  Q32: 'choices',
  Q33: 'choices',
  Q40: 'fact:origin',
  Q41: 'fact:origin',
};
/**
 * How long lines are gathered before a list is uploaded, and between two looks at its report, milliseconds.
 */
const GATHER = 120;
const LOOK_EVERY = 250;

/** A draft as a line of a list. */
export function lineOf(ref: string, draft: ListingDraft): Line {
  const { barcode = '', origin = '' } = draft.specifics;
  return {
    action: 'put',
    ref,
    barcode,
    condition: draft.condition,
    note: draft.description,
    cents: String(draft.price),
    origin,
    keptAt: draft.depotNo ?? '',
    copies: String(quantityOf(draft.choices)),
  };
}

const over = (offer: z.infer<typeof QuirestackOffer>): AlreadyOver => {
  const ended: News = { type: 'ended', ref: offer.ref, remoteId: offer.ref, why: '' };
  if (!offer.order) return { news: [ended] };
  // The last of several copies: its sale alone does not say that the offer is over.
  return {
    news: [
      {
        type: 'sale',
        ref: offer.ref,
        remoteId: offer.ref,
        order: offer.order.order,
        amount: offer.order.cents,
        postage: 280,
        fees: offer.order.withheld,
        at: offer.order.at,
      },
      ended,
    ],
  };
};

const reasonOf = ({ code, words }: Pick<Outcome, 'code' | 'words'>) => ({
  field: FIELDS[code] ?? '',
  message: `${words} (${code})`,
});

const newsOf = (entry: z.infer<typeof QuirestackLog>['log'][number]): News[] => {
  const about = { ref: entry.ref, remoteId: entry.ref };
  if (entry.kind === 'sold')
    return [
      {
        type: 'sale',
        ...about,
        order: entry.order,
        amount: entry.cents,
        postage: entry.postCents,
        fees: entry.withheld,
        at: entry.at,
      },
    ];
  if (entry.outcome === 'accepted') return [{ type: 'approved', ...about, url: entry.seen }];
  if (entry.outcome === 'rejected') return [{ type: 'turnedDown', ...about, reasons: [reasonOf(entry)] }];
  return [];
};

/**
 * Lines given at nearly the same time go up together. @returns the ticket of the list that a line went with
 */
function gatheringAt({ address, token }: Seat): (line: Line) => Promise<string> {
  let gathered: { line: Line; done: (ticket: string) => void; failed: (error: unknown) => void }[] = [];
  const flush = async () => {
    const now = gathered;
    gathered = [];
    // One line an offer in a list: of two, the later would be read against a state that the first has yet to
    // make.
    const seen = new Set<string>();
    const later = now.filter(({ line }) => seen.has(line.ref) || !seen.add(line.ref));
    const first = now.filter((one) => !later.includes(one));
    if (later.length > 0) {
      gathered = [...later, ...gathered];
      setTimeout(() => void flush(), GATHER);
    }
    try {
      const { body } = await call(`${address}/feed/lists`, {
        method: 'POST',
        token: token(),
        expected: [202],
        headers: { 'content-type': 'text/csv' },
        body: Papa.unparse(first.map((g) => g.line)),
      });
      const { ticket } = readAs(QuirestackTicket, body);
      for (const one of first) one.done(ticket);
    } catch (error) {
      for (const one of first) one.failed(error);
    }
  };
  return (line) =>
    new Promise<string>((done, failed) => {
      if (gathered.length === 0) setTimeout(() => void flush(), GATHER);
      gathered.push({ line, done, failed });
    });
}

async function sendPictures(
  { address, token }: Seat,
  ref: string,
  draft: ListingDraft,
  pictures: Pictures,
): Promise<void> {
  for (const [place, hash] of draft.pictures.slice(0, 4).entries()) {
    const { status, body } = await call(
      `${address}/feed/pictures/${encodeURIComponent(ref)}?place=${place}`,
      {
        method: 'PUT',
        token: token(),
        expected: [204, 422],
        headers: { 'content-type': 'image/jpeg' },
        body: await pictures(hash),
      },
    );
    if (status === 422)
      throw new Refused([{ field: 'pictures', message: readAs(QuirestackRefusal, body).message }]);
  }
}

/** What goes there, and comes down. */
function listingsAt(config: Seat): Pick<Adapter, 'publish' | 'revise' | 'withdraw' | 'lookUp'> {
  const { address, token } = config;
  const upload = gatheringAt(config);
  const find = async (ref: string) => {
    const { status, body } = await call(`${address}/feed/offers/${encodeURIComponent(ref)}`, {
      token: token(),
      expected: [200, 404],
    });
    return status === 404 ? null : readAs(QuirestackOffer, body);
  };
  /** What became of a line. @throws CallFailed while it is not worked through yet */
  const outcome = async (ticket: string, ref: string): Promise<Outcome> => {
    const end = Date.now() + CALL_LIMIT - 2_000;
    for (;;) {
      const { body } = await call(`${address}/feed/lists/${ticket}`, { token: token(), expected: [200] });
      const { done, report } = readAs(QuirestackReport, body);
      const line = report.find((r) => r.ref === ref);
      if (done && line) return line;
      if (Date.now() > end) throw failed('stillWorkedThrough', true);
      await new Promise((wait) => setTimeout(wait, LOOK_EVERY));
    }
  };
  return {
    async publish({ ref, draft }, pictures) {
      const before = await find(ref);
      if (before && before.status !== 'offered') return over(before);
      await sendPictures(config, ref, draft, pictures);
      await upload(lineOf(ref, draft));
      return { remoteId: ref, url: before?.seen ?? '', state: 'inReview' };
    },

    async revise(ref, _remoteId, draft, pictures) {
      await sendPictures(config, ref, draft, pictures);
      const said = await outcome(await upload(lineOf(ref, draft)), ref);
      if (said.outcome === 'accepted') return 'revised';
      const offer = await find(ref);
      if (offer && offer.status !== 'offered') return over(offer);
      throw new Refused([reasonOf(said)]);
    },

    async withdraw(ref) {
      const line: Line = {
        action: 'remove',
        ref,
        barcode: '',
        condition: '',
        note: '',
        cents: '',
        origin: '',
        keptAt: '',
        copies: '',
      };
      const said = await outcome(await upload(line), ref);
      if (said.outcome === 'removed') return 'withdrawn';
      if (said.outcome === 'unknown') return 'absent';
      const offer = await find(ref);
      return offer ? over(offer) : 'absent';
    },

    async lookUp(ref) {
      const offer = await find(ref);
      return (
        offer && { remoteId: ref, url: offer.seen, state: 'live' as const, over: offer.status !== 'offered' }
      );
    },
  };
}

/** What it tells of itself and of what others sold. */
function researchAt(config: Seat): Pick<Adapter, 'history' | 'searchDemand' | 'competing' | 'ruleSheet'> {
  const { address, token } = config;
  return {
    async history(category, words) {
      const query = new URLSearchParams({ rack: category, words });
      const { body } = await call(`${address}/feed/past?${query}`, { token: token(), expected: [200] });
      const wear = await wearOf(this);
      return readAs(QuirestackPast, body).copies.map((p): Comp => ({
        id: p.no,
        market: 'quirestack',
        title: p.name,
        brand: p.house,
        category: p.rack,
        wear: wear(p.condition),
        sold: p.sold,
        price: p.cents,
        listedAt: p.from,
        endedAt: p.to,
      }));
    },

    async searchDemand(category) {
      const query = new URLSearchParams({ rack: category });
      const { body } = await call(`${address}/feed/sought?${query}`, { token: token(), expected: [200] });
      return readAs(QuirestackSought, body).words.map(([word, count]) => ({ word, count }));
    },

    async competing(barcode) {
      const query = new URLSearchParams({ barcode });
      const { status, body } = await call(`${address}/feed/copies?${query}`, {
        token: token(),
        expected: [200, 404],
      });
      if (status === 404) return null;
      const wear = await wearOf(this);
      return readAs(QuirestackCopies, body).copies.map((c): CompetingOffer => ({
        seller: c.seller,
        price: c.cents,
        postage: c.postCents,
        wear: wear(c.condition),
        rating: c.rating,
        leavesIn: c.leavesIn,
        own: c.yours,
      }));
    },

    ...rulesAt(config, '/feed/rules'),
  };
}

/** What happens there, and what stands there. */
function newsAt(config: Seat): Pick<Adapter, 'eventsSince' | 'listOwnListings' | 'picture'> {
  const { address, token } = config;
  return {
    async eventsSince(cursor) {
      const { body } = await call(`${address}/feed/log?after=${encodeURIComponent(cursor ?? '0')}`, {
        token: token(),
        expected: [200],
      });
      const { log, upTo } = readAs(QuirestackLog, body);
      return { news: log.flatMap(newsOf), cursor: upTo };
    },

    async listOwnListings() {
      const { body } = await call(`${address}/feed/stock`, { token: token(), expected: [200] });
      const { report } = readAs(QuirestackStockReport, body);
      const { data } = Papa.parse<unknown>(report, { header: true, skipEmptyLines: true });
      return readAs(z.array(QuirestackStock).max(20_000), data).map((o) =>
        ownListing({
          market: 'quirestack',
          ref: o.ref,
          remoteId: o.ref,
          url: o.seen,
          title: o.name,
          text: o.note,
          price: Number(o.cents),
          postage: 280,
          category: o.rack,
          condition: o.condition,
          pictures: o.pictures.split(' ').filter(Boolean),
          specifics: { barcode: o.barcode },
        }),
      );
    },

    picture: (name) => pictureAt(address, name),
  };
}

/** Its own depot, and what is asked of it. */
function depotAt({ address, token }: Seat): Depot {
  /** Something is wanted of the depot. @throws Refused with its words where it says no */
  const askDepot = async (path: 'parcels' | 'returns', wanted: object): Promise<unknown> => {
    const { status, body } = await call(`${address}/feed/${path}`, {
      method: 'POST',
      token: token(),
      expected: [200, 201, 422],
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(wanted),
    });
    if (status === 422)
      throw new Refused([{ field: 'parcel', message: readAs(QuirestackRefusal, body).message }]);
    return body;
  };
  return {
    async announce(contents) {
      return readAs(QuirestackParcel, await askDepot('parcels', { contents })).parcel;
    },
    async parcels() {
      const { body } = await call(`${address}/feed/parcels`, { token: token(), expected: [200] });
      return readAs(QuirestackParcels, body).parcels;
    },
    async stock() {
      const { body } = await call(`${address}/feed/depot`, { token: token(), expected: [200] });
      const { day, report } = readAs(QuirestackDepotReport, body);
      const { data } = Papa.parse<unknown>(report, { header: true, skipEmptyLines: true });
      const lines = readAs(z.array(QuirestackKept).max(20_000), data);
      return {
        day,
        lines: lines.map(({ depotNo, code, state }) => ({
          no: depotNo,
          code,
          state: state === 'returned' ? ('back' as const) : state,
        })),
      };
    },
    async sendBack(nos) {
      readAs(QuirestackReturned, await askDepot('returns', { depotNos: nos }));
    },
  };
}

/**
 * Lists of lines that are answered later. Lines given at nearly the same time go up together. A new offer is
 * left to the report, as something in review is; a withdrawal waits for its line, for it has to be certain.
 */
export function quirestackAdapter(config: Seat): Adapter {
  const { address, token } = config;
  return {
    id: 'quirestack',
    name: 'Quirestack',
    letters: 'Qs',
    home: homeAt(address),
    capabilities: { webhooks: false, review: true, pollEvery: 2_000 },
    talks: talksAt({ market: 'quirestack', at: `${address}/feed/questions`, token }, false),
    orders: ordersAt({ market: 'quirestack', at: `${address}/feed/orders`, token }),
    depot: depotAt(config),
    ...researchAt(config),
    ...listingsAt(config),
    ...newsAt(config),
  };
}
