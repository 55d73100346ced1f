import { create } from 'zustand';

import { TalksAnswer } from '@/contract/desk';
import { floorHere } from '@/core/listing/effective';
import { answerOffer as judgeOffer, type OfferAnswer } from '@/core/price/floor';
import { claimsFree, mayPromise, standingFor, type Asker, type Standing } from '@/core/talks/standing';
import { openOffer, type TalkOf } from '@/core/talks/talks';

import { useAttic } from '../attic';
import { ask, askWith, CourierTrouble, marketName, useCourier } from '../courierLink';
import { unlessExpected } from '../faults';
import { kindsNow } from '../kinds';
import { repeating } from '../repeating';
import { promise } from './promises';
import { standingWords } from './standing';

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

/**
 * Writes to a buyer. Words that say it can be had are not sent about a thing that is sold or promised.
 *
 * @param anyway the person was told how it stands, and means it
 * @throws CourierTrouble with words for a person
 */
export async function reply(talk: TalkOf, words: string, anyway = false): Promise<void> {
  const standing = standingOf(talk);
  if (!anyway && standing && standing.is !== 'free' && claimsFree(words))
    throw new CourierTrouble(
      `It is ${standingWords(standing, (id) => marketName(id))}, and these words say it can be had. Nothing was sent.`,
      null,
      SAYS_OTHERWISE,
    );
  await askWith(pathOf(talk), { words });
  await readTalks();
}

/** How the thing of a conversation stands towards its buyer; null: the attic knows no such thing. */
export function standingOf(talk: Asker & Pick<TalkOf, 'thing'>): Standing | null {
  const thing = talk.thing ? useAttic.getState().things[talk.thing] : undefined;
  if (!thing) return null;
  return standingFor(talk, thing, useCourier.getState().things[thing.id], useTalks.getState().talks);
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

/** The fault of words that say of a thing what is not so; they may be meant. */
export const SAYS_OTHERWISE = 'saysOtherwise';

/**
 * Answers the open offer of a conversation. Taking it is a promise: the thing is held for that buyer. What is sold, or
 * promised to somebody else, can only be refused.
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
      `It is ${standingWords(standing, (id) => marketName(id))}. ${standing.is === 'held' ? 'Let that go first, or say no' : 'Say no'}: the offer was not answered.`,
    );
  await askWith(`${pathOf(talk)}/offers/${encodeURIComponent(offer.id)}`, { answer: how, amount });
  const thing = talk.thing ? useAttic.getState().things[talk.thing] : undefined;
  if (how === 'accept' && thing && !thing.choices) await promise(thing, talk.who, null, talk.market);
  await readTalks();
}

/** Answers by itself what a thing's own limits settle; all else waits for the person. */
async function answerByLimits(): Promise<void> {
  const { settings, things } = useAttic.getState();
  if (!settings.answerOffers) return;
  for (const talk of useTalks.getState().talks) {
    const thing = talk.thing ? things[talk.thing] : undefined;
    if (!thing?.offers || !talk.takesOffers || !openOffer(talk)) continue;
    const standing = standingOf(talk);
    if (!standing || standing.is === 'sold') continue;
    const says = judged(talk);
    // What is not simply free is for the person to promise.
    if (!says || says.do === 'ask' || (says.do === 'accept' && standing.is !== 'free')) continue;
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
