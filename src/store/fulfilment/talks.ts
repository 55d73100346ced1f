import { z } from 'zod';
import { create } from 'zustand';

import { TalksAnswer } from '@/contract/fulfilment';
import { planId, type Item } from '@/contract/records';
import { floorHere } from '@/core/listing/effective';
import { answerOffer as judgeOffer, type OfferAnswer } from '@/core/price/floor';
import { serialQueue } from '@/core/serialQueue';
import { offersFor, stencilFor } from '@/core/stencils/stencils';
import { claimsFree, mayPromise, standingFor, type Asker, type Standing } from '@/core/talks/standing';
import { openOffer, type TalkOf } from '@/core/talks/talks';
import { useAttic } from '@/store/attic/attic';
import { keepHeard, readHeard } from '@/store/attic/heard';
import { unlessExpected } from '@/store/base/faults';
import { repeating } from '@/store/base/repeating';
import { ask, askWith, CourierTrouble, marketName, useCourier } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';

import { holdFor } from './holds';
import { standingWords } from './standing';

interface Talks {
  talks: TalkOf[];
  missing: TalksAnswer['missing'];
  /** When they were read last; null: not yet. */
  readAt: number | null;
}
export const useTalks = create<Talks>(() => ({ talks: [], missing: [], readAt: null }));

/** Asks all marketplaces what buyers said. One that can't be asked keeps what it told last. */
export async function readTalks(): Promise<void> {
  const { talks, missing } = TalksAnswer.parse(await (await ask('/talks')).json());
  const silent = new Set(missing.map((m) => m.market));
  const kept = useTalks.getState().talks.filter((t) => silent.has(t.market));
  useTalks.setState({ talks: [...talks, ...kept], missing, readAt: Date.now() });
}

const KEPT = 'talks';
const Kept = TalksAnswer.extend({ readAt: z.number().int().nonnegative() });

/** Shows what buyers had said when they were last asked, until they are asked again. */
export async function recallTalks(): Promise<void> {
  const kept = await readHeard(KEPT, Kept);
  if (kept) useTalks.setState(kept);
}

/** From now on what buyers say is kept for a day without a connection. @returns stops */
export function keepTalks(): () => void {
  const inTurn = serialQueue();
  return useTalks.subscribe(({ talks, missing, readAt }, before) => {
    if (readAt === null || readAt === before.readAt) return;
    const keep = () => keepHeard(KEPT, { talks, missing, readAt });
    void inTurn(keep).catch(unlessExpected('keeping what buyers said'));
  });
}

const pathOf = (talk: TalkOf) => `/talks/${talk.market}/${encodeURIComponent(talk.id)}`;

/**
 * Writes to a buyer. Words that say it can be had are not sent about an item that is sold or promised.
 *
 * @param anyway the person was told how it stands, and means it
 * @throws CourierTrouble with words for a person
 */
export async function reply(talk: TalkOf, words: string, anyway = false): Promise<void> {
  const standing = standingOf(talk);
  if (!anyway && standing && standing.is !== 'free' && claimsFree(words))
    throw new CourierTrouble(
      `It is ${standingWords(standing, (id) => marketName(id))}, and these words say it can be ` +
        'had. Nothing was sent.',
      null,
      SAYS_OTHERWISE,
    );
  await askWith(pathOf(talk), { words });
  await readTalks();
}

/** How the item of a conversation stands towards its buyer; null: the attic knows no such item. */
export function standingOf(talk: Asker & Pick<TalkOf, 'item'>): Standing | null {
  const item = talk.item ? useAttic.getState().items[talk.item] : undefined;
  if (!item) return null;
  return standingFor(talk, item, useCourier.getState().items[item.id], useTalks.getState().talks);
}

/** What the limits of an item say to an offer there; null where the item or its price is not known. */
export function judged(talk: TalkOf): OfferAnswer | null {
  const { items, settings } = useAttic.getState();
  const item = talk.item ? items[talk.item] : undefined;
  const offer = openOffer(talk);
  const listing = talk.item
    ? useCourier.getState().items[talk.item]?.listings.find((l) => l.market === talk.market)
    : undefined;
  if (!item || !offer || !listing) return null;
  const floor = floorHere(item, kindsNow(), settings);
  const { acceptFrom = null, refuseUnder = null } = limitsOf(item, talk.market, listing.price) ?? {};
  return judgeOffer(listing.price, offer.amount, { acceptFrom, refuseUnder, floor });
}

/** The limits of an item's offers there: its own, or those of the stencil its listing lies on. */
function limitsOf(item: Item, market: string, price: number): ReturnType<typeof offersFor> {
  const { plans, stencils } = useAttic.getState();
  const plan = plans[planId(item.id, market)];
  return offersFor(item, stencilFor(item, market, plan, Object.values(stencils), kindsNow()), price);
}

/** The fault of words that say of an item what is not so; they may be meant. */
export const SAYS_OTHERWISE = 'saysOtherwise';

/**
 * Answers the open offer of a conversation. Taking it is a promise: the item is held for that buyer. What is
 * sold, or promised to somebody else, can only be refused.
 *
 * @throws CourierTrouble with words for a person
 */
export async function answer(
  talk: TalkOf,
  how: 'accept' | 'refuse' | 'counter',
  amount: number | null = null,
): Promise<void> {
  const offer = openOffer(talk);
  if (!offer) return;
  const standing = standingOf(talk);
  if (how !== 'refuse' && standing && !mayPromise(standing))
    throw new CourierTrouble(
      `It is ${standingWords(standing, (id) => marketName(id))}. ` +
        `${standing.is === 'held' ? 'Let that go first, or say no' : 'Say no'}: the offer was not ` +
        'answered.',
    );
  await askWith(`${pathOf(talk)}/offers/${encodeURIComponent(offer.id)}`, { answer: how, amount });
  const item = talk.item ? useAttic.getState().items[talk.item] : undefined;
  if (how === 'accept' && item && !item.choices) await holdFor(item, talk.who, null, talk.market);
  await readTalks();
}

/** Answers by itself what an item's own limits settle; all else waits for the person. */
async function answerByLimits(): Promise<void> {
  const { settings, items } = useAttic.getState();
  if (!settings.answerOffers) return;
  for (const talk of useTalks.getState().talks) {
    const item = talk.item ? items[talk.item] : undefined;
    if (!item || !talk.takesOffers || !openOffer(talk) || !limitsOf(item, talk.market, 0)) continue;
    const standing = standingOf(talk);
    if (!standing || standing.is === 'sold') continue;
    const says = judged(talk);
    // What is not simply free is for the person to promise.
    if (!says || says.type === 'ask' || (says.type === 'accept' && standing.is !== 'free')) continue;
    // One that could not be answered waits for the next look; the others are answered.
    await answer(talk, says.type).catch(unlessExpected('answering an offer'));
  }
}

/** How often marketplaces are asked while a page is open, milliseconds. */
const EVERY = 15_000;

/** From now on conversations are read while a page is looked at. @returns stops */
export function beginTalks(): () => void {
  const look = async () => {
    if (useCourier.getState().connected && document.visibilityState !== 'hidden') await readTalks();
  };
  return repeating('reading messages', look, { first: 2_000, every: EVERY });
}

/** From now on offers are answered by an item's own limits. @returns stops */
export function answerAlone(): () => void {
  let busy = false;
  const look = async () => {
    if (busy) return;
    busy = true;
    try {
      await answerByLimits();
    } catch (error) {
      unlessExpected('answering offers')(error);
    } finally {
      busy = false;
    }
  };
  const stopListening = useTalks.subscribe((now, before) => {
    if (now.readAt !== before.readAt) void look();
  });
  // Also while nobody looks at this page.
  const stopReading = repeating(
    'reading messages',
    async () => {
      if (useCourier.getState().connected && document.visibilityState === 'hidden') await readTalks();
    },
    { first: EVERY, every: EVERY },
  );
  return () => {
    stopListening();
    stopReading();
  };
}
