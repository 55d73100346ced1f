import type { RuleSheet } from '@/contract/ruleSheet';

import { askingTerms, type Effective } from './effective';
import type { Minor } from '../money/money';
import { askingPrice, dipAt, inHabit, insideDip, type Dip, type Endings } from '../price/askingPrice';
import { takeHomeOf } from '../price/takeHome';

/** A dip near a price, with a price inside it. */
export type FoundDip = Dip & { inside: ReturnType<typeof insideDip> };

export interface Asked {
  sheet: RuleSheet;
  /** Null where no price there brings as much. */
  price: Minor | null;
  /** What it would bring. */
  brings: Minor | null;
  /** Why a little more would be less; null where nothing of the sort is near. */
  dip: FoundDip | null;
}

/** One take-home in, each marketplace's least price out, ending as the person likes prices to end. */
export function askedFor(
  target: Minor,
  listings: readonly { sheet: RuleSheet; effective: Effective }[],
  endings: Endings,
): Asked[] {
  return listings.map(({ sheet, effective }) => {
    const terms = askingTerms(effective, sheet);
    const least = terms && askingPrice(target, terms);
    const price = terms && least !== null ? inHabit(least, target, endings, sheet.currency, terms) : null;
    if (!terms || price === null) return { sheet, price: null, brings: null, dip: null };
    const dip = dipAt(price, terms);
    return {
      sheet,
      price,
      brings: takeHomeOf({ ...terms.sale, price }, terms.schedule, terms.parents).takeHome,
      dip: dip && { ...dip, inside: insideDip(price, dip, terms) },
    };
  });
}
