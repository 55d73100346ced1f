import type { Wording } from '@/contract/coded';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import type { PlaceReason, PlaceReasonParams } from '@/core/place/best';

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
