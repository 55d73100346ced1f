import type { Wording } from '@/contract/coded';
import { counted } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import type {
  SoldAt,
  WriteLeft,
  WriteLeftParams,
  WriteReason,
  WriteReasonParams,
  WriteWhat,
} from '@/core/stock/write';

import { worded } from './worded';

export const WHAT_WORDS: Readonly<Record<WriteWhat, string>> = {
  title: 'Title',
  description: 'Description',
  tags: 'Tags and search words',
  price: 'Price',
};

export const SOLD_AT_WORDS: Readonly<Record<SoldAt, string>> = {
  low: 'The lower ones',
  typical: 'The middle',
  high: 'The higher ones',
};

const SURENESS: Readonly<Record<WriteReasonParams['soldFor']['sureness'], string>> = {
  none: 'nothing to go by',
  thin: 'only a hint',
  fair: 'fairly sure',
  good: 'sure',
};

const SOLD: Readonly<Record<SoldAt, string>> = {
  low: 'a quarter went for less',
  typical: 'half went for less',
  high: 'three quarters went for less',
};

/** @param agoOf how long ago something was */
const why = (currency: string, agoOf: (at: number) => string): Wording<WriteReasonParams> => ({
  fromFacts: ({ count }) => `from ${counted(count, 'fact')}`,
  inTone: ({ tone }) => `from the facts, in “${tone}”`,
  searchedFirst: ({ market, count }) =>
    count === 0
      ? `from the facts, for ${market}`
      : `${counted(count, 'word')} that buyers search on ${market}`,
  brings: ({ amount }) => `brings ${formatMoney(amount, currency)} after fees, postage and packing`,
  soldFor: ({ at, count, sureness, askedAt }) =>
    `of ${count} sold ${SOLD[at]}; ${SURENESS[sureness]}, asked ${agoOf(askedAt)}`,
});

/** Why something is written as it is. */
export const writeReason = (reason: WriteReason, currency: string, agoOf: (at: number) => string): string =>
  worded(why(currency, agoOf), reason);

const LEFT: Wording<WriteLeftParams> = {
  kindMissing: () => 'it is not said what kind they are',
  ownWords: () => 'you wrote them yourself',
  nothingToSay: () => 'their facts make no words, or the pattern can’t be read',
  hasPrice: () => 'there is one already',
  wantedNowhere: () => 'it is not said where they are to be sold',
  noPriceBrings: ({ market }) => `no price on ${market} brings that`,
  notAsked: () => 'nobody asked yet what others sold for',
  nothingSold: () => 'nothing like them was sold',
};

/** Why something is left as it is, as it goes on after "left". */
export const writeLeft = (left: WriteLeft): string => worded(LEFT, left);
