import pLimit from 'p-limit';
import { create } from 'zustand';

import { OwnAnswer, type OwnListing } from '@/contract/ownListing';
import { planId, Plan, type Item } from '@/contract/records';
import { groupSightings, type SameGroup, type Sighting } from '@/core/bringIn/sameItem';
import { shownDraft } from '@/core/bringIn/shownDraft';
import { copied } from '@/core/bringIn/takeOver';
import { plural } from '@/core/language/plural';
import { mediaHashes, hashNow } from '@/core/listing/examine';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { newItem, itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { addPictures } from '@/store/pictures/pictures';
import { pictureWorker } from '@/store/pictures/pictureWorker';
import { refusalWords } from '@/wording/courier';

import { ask, command, CourierTrouble, marketsKnown, useCourier } from './courierLink';
import { examine } from './sending';

/** What looking at one marketplace brought. */
export interface LookedAt {
  market: string;
  /** Listings there, and how many of them the courier looks after already; null while it is being asked. */
  found: { all: number; known: number } | null;
  trouble: string | null;
}

interface BringIn {
  looking: boolean;
  looked: LookedAt[];
  /** Listings nobody looks after yet, by {@link listingId}. */
  listings: Record<string, OwnListing>;
  /** Small copies of their covers. */
  covers: Record<string, { print: string; address: string }>;
  groups: SameGroup[];
  /** Ids of listings that the person said are an item of their own. */
  apart: string[];
}

const EMPTY: BringIn = { looking: false, looked: [], listings: {}, covers: {}, groups: [], apart: [] };
export const useBringIn = create<BringIn>(() => EMPTY);

export const listingId = (l: Pick<OwnListing, 'market' | 'ref'>) => `${l.market} ${l.ref}`;

/** Asks all marketplaces that can be asked what they show of ours, and puts together what is one item. */
export async function lookThere(): Promise<void> {
  const markets = (await marketsKnown()).filter((m) => !m.byHand && m.link !== 'off');
  for (const { address } of Object.values(useBringIn.getState().covers)) URL.revokeObjectURL(address);
  useBringIn.setState({
    ...EMPTY,
    looking: true,
    looked: markets.map((m) => ({ market: m.id, found: null, trouble: null })),
  });
  try {
    await Promise.all(markets.map((m) => lookAt(m.id)));
    regroup();
    await lookAtCovers();
    regroup();
  } finally {
    useBringIn.setState({ looking: false });
  }
}

async function lookAt(market: string): Promise<void> {
  const tell = (part: Partial<LookedAt>) =>
    useBringIn.setState((s) => ({
      looked: s.looked.map((l) => (l.market === market ? { ...l, ...part } : l)),
    }));
  try {
    const { listings } = OwnAnswer.parse(await (await ask(`/own/${market}`)).json());
    const fresh = listings.filter((l) => l.item === null);
    tell({ found: { all: listings.length, known: listings.length - fresh.length } });
    useBringIn.setState((s) => ({
      listings: { ...s.listings, ...Object.fromEntries(fresh.map((l) => [listingId(l), l])) },
    }));
  } catch (error) {
    tell({ trouble: wordsFor(error, 'looking what is listed') });
  }
}

const limit = pLimit(3);

async function fetchPicture(market: string, name: string): Promise<Blob | null> {
  // A picture that can't be had is counted by whoever wanted it.
  const answer = await ask(`/own/${market}/pictures/${encodeURIComponent(name)}`).catch((error: unknown) => {
    unlessExpected('fetching a picture')(error);
    return null;
  });
  return answer && answer.blob();
}

/**
 * Covers tell more than words, so they are looked at in the background; one that can't be had is done
 * without.
 */
async function lookAtCovers(): Promise<void> {
  await Promise.all(
    Object.values(useBringIn.getState().listings).map((l) =>
      limit(async () => {
        const [cover] = l.pictures;
        const blob = cover ? await fetchPicture(l.market, cover) : null;
        const seen = blob && (await pictureWorker().glance(blob));
        if (!seen) return;
        const address = URL.createObjectURL(seen.small);
        useBringIn.setState((s) => ({
          covers: { ...s.covers, [listingId(l)]: { print: seen.print, address } },
        }));
      }),
    ),
  );
}

/** Puts together anew what is left. */
function regroup(): void {
  const { listings, covers, apart } = useBringIn.getState();
  const { items, pictures } = useAttic.getState();
  const { items: views } = useCourier.getState();
  const sightingOf = (id: string, l: OwnListing): Sighting => ({
    id,
    market: l.market,
    ref: l.ref,
    title: l.title,
    barcode: l.specifics.barcode ?? '',
    price: l.price,
    prints: covers[id] ? [covers[id].print] : [],
  });
  const ours = Object.values(items)
    .filter((t) => !views[t.id]?.sale)
    .map((t): Sighting => ({
      id: t.id,
      market: null,
      ref: t.code,
      title: t.title,
      barcode: t.facts.barcode ?? '',
      price: t.price,
      prints: t.pictureIds.slice(0, 3).flatMap((p) => pictures[p]?.exam?.print ?? []),
    }));
  const together = Object.entries(listings).filter(([id]) => !apart.includes(id));
  const groups = groupSightings(
    together.map(([id, l]) => sightingOf(id, l)),
    ours,
  ).map((g) => (g.item !== null && isUp(g.item, g.listings) ? { ...g, item: null } : g));
  const alone = apart.flatMap((id) =>
    listings[id] ? [{ listings: [id], item: null, sure: 1, why: [] }] : [],
  );
  useBringIn.setState({ groups: [...groups, ...alone] });
}

/** Whether the item is up already where one of the listings is: then it is another. */
function isUp(item: string, ids: readonly string[]): boolean {
  const { listings } = useBringIn.getState();
  const up = useCourier.getState().items[item]?.listings ?? [];
  return ids.some((id) =>
    up.some((l) => l.market === listings[id]?.market && !['refused', 'ended', 'sold'].includes(l.state)),
  );
}

/** The person says that a listing is an item of its own. */
export function takeApart(id: string): void {
  useBringIn.setState((s) => ({ apart: [...s.apart, id] }));
  regroup();
}

export interface TakeIn {
  listings: readonly OwnListing[];
  /** The item they are; null: a new one. */
  item: string | null;
  kind: string;
  /** What is copied: value by field. */
  chosen: Readonly<Record<string, string>>;
  /** Whose pictures are taken; null: none. */
  picturesOf: OwnListing | null;
}

/**
 * Makes listings the attic's own: an item for them, what was chosen copied into it, their pictures, and the
 * courier told to look after each, so that a later sale closes them too.
 *
 * @returns the item's id
 * @throws CourierTrouble when the courier did not take one; what was taken before stays
 */
export async function takeIn({ listings, item, kind, chosen, picturesOf }: TakeIn): Promise<string> {
  const kinds = kindsNow();
  const known = item === null ? undefined : useAttic.getState().items[item];
  const record = known ?? newItem({ kind });
  const part = copied(record, chosen, kinds, kind);
  const changed: Partial<Item> = known && kind !== '' && known.kind === '' ? { ...part, kind } : part;
  change(known ? 'copied from listings' : 'brought in', [
    known
      ? itemWith(known, changed)
      : { collection: 'items', id: record.id, record: { ...record, ...changed } },
    ...listings.map((l) => ({
      collection: 'plans' as const,
      id: planId(record.id, l.market),
      record: planFor(record.id, l, { ...record, ...changed }),
    })),
  ]);
  for (const listing of listings) {
    const { market, ref, remoteId, url, state, listedAt } = listing;
    const answer = await command({
      type: 'adopt',
      item: record.id,
      market,
      ref,
      remoteId,
      url,
      state,
      listedAt,
      draft: shownDraft(listing, currencyAt(listing.market)),
    });
    if (!answer.accepted) throw new CourierTrouble(`${listing.title}: ${refusalWords(answer)}`);
    useBringIn.setState((s) => {
      const { [listingId(listing)]: _, ...rest } = s.listings;
      return { listings: rest };
    });
  }
  regroup();
  if (picturesOf) await bringPictures(record.id, picturesOf);
  return record.id;
}

/**
 * The plan with what would be sent there as items are now: until the person changes something, what was
 * found counts as unchanged, and it is never written over before they saw what that changes.
 */
export function asFound(item: Item, plan: Plan): Plan {
  const sheet = useCourier.getState().sheets.find((s) => s.marketplace === plan.market);
  if (!sheet) return plan;
  const state = useAttic.getState();
  const plans = { ...state.plans, [plan.id]: plan };
  const examined = examine(item, sheet, { ...state, plans, tree: kindsNow() });
  return { ...plan, adoptedHash: hashNow(examined), sentMedia: mediaHashes(examined.media) };
}

async function bringPictures(item: string, { market, pictures }: OwnListing): Promise<void> {
  const blobs = await Promise.all(pictures.map((name) => limit(() => fetchPicture(market, name))));
  const files = blobs.flatMap((b, i) => (b ? [new File([b], `${market}-${i + 1}.jpg`)] : []));
  await addPictures(item, files, { origin: 'file', look: false });
  const missing = pictures.length - files.length;
  if (missing > 0)
    throw new CourierTrouble(
      `It is brought in, but ${plural(missing, 'one picture', `${missing} pictures`)} could not be ` +
        `fetched from ${market}. Add them from your own files.`,
    );
}

/** What is planned there: as it is there, where that is not what the item says. */
function planFor(itemId: string, l: OwnListing, item: Item): Plan {
  const id = planId(itemId, l.market);
  const before = useAttic.getState().plans[id] ?? Plan.parse({ id, itemId, market: l.market, wanted: true });
  return asFound(item, {
    ...before,
    wanted: true,
    adopted: l.ref,
    category: l.category,
    price: l.price === item.price ? null : l.price,
    title: l.title === item.title ? null : l.title.slice(0, 400),
  });
}

const currencyAt = (market: string) =>
  useCourier.getState().sheets.find((s) => s.marketplace === market)?.currency ?? 'EUR';
