import type { Comp } from '@/contract/comps';

import type { Examined } from '../listing/examine';
import type { Minor } from '../money/money';
import { summarise, type JudgedComp } from '../price/comps';

export interface RankedPlace {
  market: string;
  name: string;
  /**
   * What it may be expected to bring: take-home times how likely it is to sell; null where it can't go there.
   */
  expected: Minor | null;
  takeHome: Minor | null;
  /** Share that sold there, 0 to 1; null: too little is known. */
  sellThrough: number | null;
  daysToSell: number | null;
  /** Why it stands where it stands, in words. */
  reasons: string[];
}

/** Where too few were offered for a share of its own, this one is taken: half. From memory. */
const UNKNOWN_SHARE = 0.5;
/** A month of waiting takes this share off what is expected: money now is worth more. From memory. */
const A_MONTH = 0.05;

/**
 * Where an item is best offered: marketplaces by what it may be expected to bring there, from take-home at
 * its price, how many of the like sold there and how fast. Those that refuse it come last, with why.
 */
export function rankPlaces(
  examined: readonly Examined[],
  judged: readonly JudgedComp[],
  say: (amount: Minor) => string,
): RankedPlace[] {
  return examined
    .map((e): RankedPlace => {
      const here = judged.filter(({ comp }: { comp: Comp }) => comp.market === e.sheet.marketplace);
      const { sellThrough, daysToSell, sold } = summarise(here);
      const takeHome = e.takeHome?.takeHome ?? null;
      const base = { market: e.sheet.marketplace, name: e.sheet.name, takeHome, sellThrough, daysToSell };
      const blocker = e.findings.find((f) => f.level === 'blocker');
      if (!e.effective.category)
        return { ...base, expected: null, reasons: ['It takes nothing of the sort.'] };
      if (blocker) return { ...base, expected: null, reasons: [blocker.message] };
      if (takeHome === null) return { ...base, expected: null, reasons: ['It needs a price first.'] };
      const share = sellThrough ?? UNKNOWN_SHARE;
      const wait = 1 - Math.min(0.6, ((daysToSell ?? 30) / 30) * A_MONTH);
      const reasons = [`leaves ${say(takeHome)}`];
      reasons.push(
        sellThrough === null
          ? 'too few like it were offered there to tell how many sell'
          : `${Math.round(sellThrough * 100)} in 100 like it sold there (${sold} lately)`,
      );
      if (daysToSell !== null)
        reasons.push(`half of them within ${daysToSell === 1 ? 'a day' : `${daysToSell} days`}`);
      return { ...base, expected: Math.round(takeHome * share * wait), reasons };
    })
    .sort((a, b) => (b.expected ?? -Infinity) - (a.expected ?? -Infinity));
}
