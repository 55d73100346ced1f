import type { Wording } from '@/contract/coded';
import type { FollowReason } from '@/contract/following';
import { listed } from '@/core/language/listed';
import { counted, plural } from '@/core/language/plural';
import type { FoundDip } from '@/core/listing/asking';
import type { PriceWhy, PriceWhyParams } from '@/core/listing/glance';
import { formatMoney, type Minor } from '@/core/money/money';
import type { PlaceReason, PlaceReasonParams } from '@/core/place/best';
import type { AuctionTrouble, AuctionTroubleParams } from '@/core/price/auction';
import type { AuctionNext, AuctionNextParams } from '@/core/price/auctionStanding';
import {
  ENOUGH_SOLD,
  FAR_APART,
  type CompReason,
  type CompReasonParams,
  type CompsSummary,
} from '@/core/price/comps';
import type { LimitsTrouble, OfferReason } from '@/core/price/floor';
import type { NotCounted } from '@/core/price/following';
import type { MarkdownTrouble, MarkdownTroubleParams } from '@/core/price/markdown';
import type { PromotionReason, PromotionReasonParams } from '@/core/price/profit';

import { findingWords } from './check';
import { worded } from './worded';

const placeReasons = (currency: string): Wording<PlaceReasonParams> => ({
  nothingOfTheSort: () => 'It takes nothing of the sort.',
  stopped: ({ by }) => findingWords(by),
  needsPrice: () => 'It needs a price first.',
  leaves: ({ amount }) => `leaves ${formatMoney(amount, currency)}`,
  tooFewOffered: () => 'too few like it were offered there to tell how many sell',
  soldThere: ({ share, sold }) => `${Math.round(share * 100)} in 100 like it sold there (${sold} lately)`,
  halfWithin: ({ days }) => `half of them within ${plural(days, 'a day', `${days} days`)}`,
});

/** @param currency of the amounts in it */
export const placeReason = (reason: PlaceReason, currency: string): string =>
  worded(placeReasons(currency), reason);

/** How far what sold can be relied on. */
export function surenessWords({
  sure,
  sold,
  spread,
}: Pick<CompsSummary, 'sure' | 'sold' | 'spread'>): string {
  const many = plural(sold, 'one sale', `${sold} sales`);
  switch (sure) {
    case 'none':
      return 'Nothing like it sold lately: the price is a guess.';
    case 'thin':
      return spread > FAR_APART && sold >= ENOUGH_SOLD
        ? `${many}, but the prices are far apart: take it as a hint.`
        : `Only ${many}: take it as a hint.`;
    case 'fair':
      return `${many}: a fair idea.`;
    case 'good':
      return `${many}, close together: a sound idea.`;
  }
}

const COMPS: Wording<CompReasonParams> = {
  older: ({ days }) => `older than ${counted(days, 'day')}`,
  otherBrand: ({ brand }) => `another brand${brand ? `: ${brand}` : ''}`,
  otherCondition: () => 'another condition',
  leftOut: ({ word }) => `says “${word}”`,
  keptByHand: () => 'kept by hand',
  droppedByHand: () => 'dropped by hand',
  farFromOthers: () => 'far from all others',
};

/** Why a sold record counts or does not, in a few words. */
export const compReason = (reason: CompReason): string => worded(COMPS, reason);

const PROMOTION: Wording<PromotionReasonParams> = {
  wellKnown: ({ sales }) => `It is well known: ${sales} sold lately without help.`,
  noneSold: () => 'None of the brand sold lately: the least promotion helps it to be seen.',
  fewSold: ({ sales }) => `Only ${sales} of the brand sold lately: the least promotion is enough.`,
};

export const promotionReason = (reason: PromotionReason): string => worded(PROMOTION, reason);

const OFFERS: Readonly<Record<OfferReason, string>> = {
  isPrice: 'it is the price',
  reachesAccept: 'it reaches what you take by itself',
  belowDecline: 'it is below what you look at',
  betweenLimits: 'it is between your limits',
  underFloor: 'it is under your floor',
};

/** What a person's limits say of an offer. */
export const offerReason = (reason: OfferReason): string => OFFERS[reason];

const LIMITS: Readonly<Record<LimitsTrouble, string>> = {
  acceptAbovePrice: 'Taking by itself begins above the price.',
  declineAboveAccept: 'Refusing by itself ends above where taking begins.',
  acceptUnderFloor: 'Taking by itself begins under the floor: nothing under the floor is taken.',
};

export const limitsWords = (trouble: LimitsTrouble): string => LIMITS[trouble];

const MARKDOWN: Wording<MarkdownTroubleParams> = {
  stepDay: ({ latest }) => `A step comes 1 to ${latest.toLocaleString('en')} days after listing.`,
  stepOff: ({ mostBp }) => `A step takes off more than nothing and at most ${mostBp / 100} %.`,
  twoSteps: ({ day }) => `There are two steps on day ${day}.`,
  laterStepLess: () => 'A later step takes off more than the one before it.',
};

export const markdownTrouble = (trouble: MarkdownTrouble): string => worded(MARKDOWN, trouble);

const AUCTION: Wording<AuctionTroubleParams> = {
  auctionTooLong: ({ mostDays }) => `An auction runs 1 to ${mostDays} days.`,
  tooOften: ({ most }) => `Put up again at most ${counted(most, 'time')}.`,
  outrightNotAbove: () => 'The outright price is above the opening price.',
  openingUnderFloor: () => 'The opening price is under your floor: one bid would sell it.',
  becomesUnderFloor: () => 'What it becomes is under your floor.',
};

export const auctionWords = (trouble: AuctionTrouble): string => worded(AUCTION, trouble);

const AUCTION_NEXT = (currency: string): Wording<AuctionNextParams> => ({
  sells: (params) => `As it stands, it is sold for ${formatMoney(params.for, currency)} then.`,
  again: ({ round, rounds }) => `Without a bid it is put up again, round ${round} of ${rounds}.`,
  becomes: ({ price }) => `Without a bid it stays, for ${formatMoney(price, currency)}.`,
  comesDown: () => 'Without a bid it is taken down.',
});

/** What happens to an auction next. */
export const auctionNextWords = (next: AuctionNext, currency: string): string =>
  worded(AUCTION_NEXT(currency), next);

/** Said where the market pays less than the floor. */
export const underFloorWords = (floor: Minor, typical: Minor, currency: string): string =>
  `Others sold for about ${formatMoney(typical, currency)}: under your floor of ` +
  `${formatMoney(floor, currency)}. It may wait long.`;

const NONE_COUNTS = {
  stay: 'No copy counts: it stays as it was',
  shared: 'No copy counts: the shared price',
  ceiling: 'No copy counts: the ceiling',
};
const HELD = { floor: ', held at the floor', ceiling: ', held at the ceiling' };

/** Why a price that follows others' copies is what it is. */
export function followWords(reason: FollowReason, currency: string): string {
  switch (reason.code) {
    case 'beside': {
      const { seller, total, way, by, held } = reason.params;
      const ways = {
        match: 'As',
        undercut: `${formatMoney(by, currency)} under`,
        above: `${formatMoney(by, currency)} above`,
      };
      return `${ways[way]} ${seller}, ${formatMoney(total, currency)} with postage${held ? HELD[held] : ''}`;
    }
    case 'noneCounts':
      return NONE_COUNTS[reason.params.none];
    case 'onlyFollowers':
      return (
        `${listed(reason.params.sellers, 'and')} changes whenever this does: ` +
        'it stays, so that it is no race'
      );
  }
}

const priceReasons = (currency: string): Wording<PriceWhyParams> => ({
  noPrice: () => 'no price yet',
  shared: () => 'the shared price',
  own: ({ shared }) =>
    shared === null ? 'its own there' : `its own there, instead of ${formatMoney(shared, currency)}`,
  cameDown: ({ from }) => `came down from ${formatMoney(from, currency)}`,
  followed: ({ reason }) => followWords(reason, currency),
  followsSoon: () => 'will follow the copies there',
  opens: ({ outright }) =>
    outright === null ? 'bids from here' : `bids from here, ${formatMoney(outright, currency)} outright`,
  pieces: ({ from, to }) => `${formatMoney(from, currency)} to ${formatMoney(to, currency)}, by the piece`,
});

/** Why a price is what it is there. */
export const priceWhyWords = (why: PriceWhy, currency: string): string => worded(priceReasons(currency), why);

const NOT_COUNTED: Readonly<Record<NotCounted, string>> = {
  own: 'yours',
  leftOut: 'left out',
  condition: 'another condition',
  rating: 'too few content',
  follows: 'follows you',
};

/** Why another's copy is not compared with, in a few words. */
export const notCountedWords = (why: NotCounted): string => NOT_COUNTED[why];

/**
 * Said of a dip: "€18.01 would bring you less than €18.00: €14.86 instead of €15.60. It takes €18.91 to bring
 * as much again."
 */
export function dipWords({ last, brings, again, inside }: FoundDip, currency: string): string {
  const say = (amount: Minor) => formatMoney(amount, currency);
  const more = again === null ? '' : ` It takes ${say(again)} to bring as much again.`;
  return (
    `${say(inside.price)} would bring you less than ${say(last)}: ${say(inside.brings)} instead of ` +
    `${say(brings)}.${more}`
  );
}
