import { NONE, type Coded, type None } from '@/contract/coded';
import type { Comp } from '@/contract/comps';

import type { Examined } from '../listing/examine';
import type { Finding } from '../listing/findings';
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
  /** Why it stands where it stands. */
  reasons: PlaceReason[];
}

/** What speaks for or against a place; amounts in minor units, shares from 0 to 1. */
export interface PlaceReasonParams {
  nothingOfTheSort: None;
  stopped: { by: Finding };
  needsPrice: None;
  leaves: { amount: Minor };
  tooFewOffered: None;
  soldThere: { share: number; sold: number };
  halfWithin: { days: number };
}
export type PlaceReason = Coded<PlaceReasonParams>;

/** Where too few were offered for a share of its own, this one is taken: half. From memory. */
const UNKNOWN_SHARE = 0.5;
/** A month of waiting takes this share off what is expected: money now is worth more. From memory. */
const A_MONTH = 0.05;

/**
 * Where an item is best offered: marketplaces by what it may be expected to bring there, from take-home at
 * its price, how many of the like sold there and how fast. Those that refuse it come last, with why.
 */
export function rankPlaces(examined: readonly Examined[], judged: readonly JudgedComp[]): RankedPlace[] {
  return examined
    .map((e): RankedPlace => {
      const here = judged.filter(({ comp }: { comp: Comp }) => comp.market === e.sheet.marketplace);
      const { sellThrough, daysToSell, sold } = summarise(here);
      const takeHome = e.takeHome?.takeHome ?? null;
      const base = { market: e.sheet.marketplace, name: e.sheet.name, takeHome, sellThrough, daysToSell };
      const blocker = e.findings.find((f) => f.level === 'blocker');
      const none = (reason: PlaceReason) => ({ ...base, expected: null, reasons: [reason] });
      if (!e.effective.category) return none({ code: 'nothingOfTheSort', params: NONE });
      if (blocker) return none({ code: 'stopped', params: { by: blocker } });
      if (takeHome === null) return none({ code: 'needsPrice', params: NONE });
      const share = sellThrough ?? UNKNOWN_SHARE;
      const wait = 1 - Math.min(0.6, ((daysToSell ?? 30) / 30) * A_MONTH);
      const reasons: PlaceReason[] = [
        { code: 'leaves', params: { amount: takeHome } },
        sellThrough === null
          ? { code: 'tooFewOffered', params: NONE }
          : { code: 'soldThere', params: { share: sellThrough, sold } },
      ];
      if (daysToSell !== null) reasons.push({ code: 'halfWithin', params: { days: daysToSell } });
      return { ...base, expected: Math.round(takeHome * share * wait), reasons };
    })
    .sort((a, b) => (b.expected ?? -Infinity) - (a.expected ?? -Infinity));
}
