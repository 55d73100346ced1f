import type { Terms } from '@/contract/terms';

import { plural } from '../language/plural';

/** Terms as buyers read them, a short line each; what they are not to read is left out. */
export function publicTerms(terms: Terms): string[] {
  const { handlingDays, returnDays, returnsPaidBy, abroad, home, collect } = terms;
  return [
    handlingDays === 0
      ? 'posted the same day'
      : plural(handlingDays, 'posted within a day', `posted within ${handlingDays} days`),
    home === 'free' ? 'postage is included' : '',
    abroad === 'none'
      ? 'posted at home only'
      : abroad === 'near'
        ? 'posted to nearby countries, too'
        : 'posted abroad, too',
    returnDays === 0
      ? 'not taken back'
      : `may be sent back within ${plural(returnDays, 'a day', `${returnDays} days`)}, ` +
        (returnsPaidBy === 'seller' ? 'free of postage' : 'at the buyer’s postage'),
    collect ? 'may be fetched in person' : '',
  ].filter(Boolean);
}
