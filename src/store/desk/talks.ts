import { create } from 'zustand';

import { TalksAnswer } from '@/contract/desk';
import type { Thing } from '@/contract/records';
import { openHold } from '@/core/holds/holds';
import { floorHere } from '@/core/listing/effective';
import { answerOffer as judgeOffer, type OfferAnswer } from '@/core/price/floor';
import { agreedOffer, openOffer, type TalkOf } from '@/core/talks/talks';

import { useAttic } from '../attic';
import { ask, askWith, useCourier } from '../courierLink';
import { unlessExpected } from '../faults';
import { kindsNow } from '../kinds';
import { repeating } from '../repeating';
import { promise } from './promises';

interface Talks {
  talks: TalkOf[];
  missing: { market: string; why: string }[];
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

const pathOf = (talk: TalkOf) => `/talks/${talk.market}/${encodeURIComponent(talk.id)}`;

/** @throws CourierTrouble with words for a person */
export async function reply(talk: TalkOf, words: string): Promise<void> {
  await askWith(pathOf(talk), { words });
  await readTalks();
}

/** What the limits of a thing say to an offer there; null where the thing or its price is not known. */
export function judged(talk: TalkOf): OfferAnswer | null {
  const { things, settings } = useAttic.getState();
  const thing = talk.thing ? things[talk.thing] : undefined;
  const offer = openOffer(talk);
  const listing = talk.thing
    ? useCourier.getState().things[talk.thing]?.listings.find((l) => l.market === talk.market)
    : undefined;
  if (!thing || !offer || !listing) return null;
  const floor = floorHere(thing, kindsNow(), settings);
  const { acceptFrom = null, refuseUnder = null } = thing.offers ?? {};
  return judgeOffer(listing.price, offer.amount, { acceptFrom, refuseUnder, floor });
}

/**
 * Answers the open offer of a conversation. Taking it is a promise: the thing is held for that buyer.
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
  await askWith(`${pathOf(talk)}/offers/${encodeURIComponent(offer.id)}`, { answer: how, amount });
  const thing = talk.thing ? useAttic.getState().things[talk.thing] : undefined;
  if (how === 'accept' && thing && !thing.choices) await promise(thing, talk.who, null, talk.market);
  await readTalks();
}

/** Whether somebody else was promised the thing already, or may still pay what was agreed. */
function takenBy(talk: TalkOf, thing: Thing): boolean {
  const others = useTalks.getState().talks.filter((t) => t.thing === talk.thing && t.id !== talk.id);
  return openHold(thing) !== undefined || others.some((t) => agreedOffer(t) !== null);
}

/** Answers by itself what a thing's own limits settle; all else waits for the person. */
async function answerByLimits(): Promise<void> {
  const { settings, things } = useAttic.getState();
  if (!settings.answerOffers) return;
  for (const talk of useTalks.getState().talks) {
    const thing = talk.thing ? things[talk.thing] : undefined;
    if (!thing?.offers || !talk.takesOffers || !openOffer(talk)) continue;
    if (useCourier.getState().things[thing.id]?.sale) continue;
    const says = judged(talk);
    if (!says || says.do === 'ask' || (says.do === 'accept' && takenBy(talk, thing))) continue;
    // One that could not be answered waits for the next look; the others are answered.
    await answer(talk, says.do).catch(unlessExpected('answering an offer'));
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

/** From now on offers are answered by a thing's own limits. @returns stops */
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
