import { NONE, type Coded, type None } from '@/contract/coded';

import type { Minor } from '../money/money';

const DAY = 86_400_000;

/** A price that comes down by itself. */
export interface MarkdownPlan {
  /** Days after listing, and by how much off the first price then; basis points. In any order. */
  steps: readonly { day: number; offBp: number }[];
}

/** Common practice: a tenth off after four weeks, a fifth after eight, three tenths after twelve. */
export const USUAL_MARKDOWN: MarkdownPlan = {
  steps: [
    { day: 28, offBp: 1_000 },
    { day: 56, offBp: 2_000 },
    { day: 84, offBp: 3_000 },
  ],
};

/** A time in which nothing moves: a hold, an open offer. `to` null: it still lasts. */
export interface Pause {
  from: number;
  to: number | null;
}

/**
 * The price at a moment. It never goes up by itself and never under the floor; days in which it was paused do
 * not count.
 *
 * @param first the price it was listed at
 * @param listedAt @param now milliseconds since 1970
 */
export function priceOn(
  first: Minor,
  plan: MarkdownPlan,
  floor: Minor | null,
  listedAt: number,
  now: number,
  pauses: readonly Pause[] = [],
): Minor {
  const days = activeDays(listedAt, now, pauses);
  const off = plan.steps.reduce((most, s) => (days >= s.day ? Math.max(most, s.offBp) : most), 0);
  const marked = first - Math.floor((first * off) / 10_000);
  return Math.min(first, Math.max(marked, Math.min(first, floor ?? 0)));
}

/** Whole days it has been up, without those in which it was paused. Pauses may overlap. */
function activeDays(listedAt: number, now: number, pauses: readonly Pause[]): number {
  let still = 0;
  let upTo = listedAt;
  for (const { from, to } of [...pauses].sort((a, b) => a.from - b.from)) {
    const start = Math.max(from, upTo);
    const end = Math.min(to ?? now, now);
    if (end > start) {
      still += end - start;
      upTo = end;
    }
  }
  return Math.max(0, Math.floor((now - listedAt - still) / DAY));
}

/**
 * The days on which the price changes and to what, for a calendar; only real changes, as if nothing pauses it
 * from now on.
 */
export function markdownDays(
  first: Minor,
  plan: MarkdownPlan,
  floor: Minor | null,
  listedAt: number,
): { at: number; price: Minor; atFloor: boolean }[] {
  const days: { at: number; price: Minor; atFloor: boolean }[] = [];
  let before = first;
  for (const { day } of [...plan.steps].sort((a, b) => a.day - b.day)) {
    const at = listedAt + day * DAY;
    const price = priceOn(first, plan, floor, listedAt, at);
    if (price < before) days.push({ at, price, atFloor: price === floor });
    before = price;
  }
  return days;
}

/** The latest day of a step after listing, and the most it takes off, in basis points. */
const LATEST_DAY = 3_650;
const MOST_OFF = 9_500;

/** What may be wrong with a plan. */
export interface MarkdownTroubleParams {
  stepDay: { latest: number };
  stepOff: { mostBp: number };
  twoSteps: { day: number };
  laterStepLess: None;
}
export type MarkdownTrouble = Coded<MarkdownTroubleParams>;

/** What is wrong with a plan; null when nothing is. */
export function planTrouble(plan: MarkdownPlan): MarkdownTrouble | null {
  const steps = [...plan.steps].sort((a, b) => a.day - b.day);
  for (const [i, step] of steps.entries()) {
    if (!Number.isInteger(step.day) || step.day < 1 || step.day > LATEST_DAY)
      return { code: 'stepDay', params: { latest: LATEST_DAY } };
    if (step.offBp < 1 || step.offBp > MOST_OFF) return { code: 'stepOff', params: { mostBp: MOST_OFF } };
    const earlier = steps[i - 1];
    if (earlier && earlier.day === step.day) return { code: 'twoSteps', params: { day: step.day } };
    if (earlier && earlier.offBp >= step.offBp) return { code: 'laterStepLess', params: NONE };
  }
  return null;
}
