import type { Look } from './holdings';
import { dice } from '../kit/dice';

/** One thing that was sold and looked so. */
export interface Sold {
  no: string;
  words: string;
  by: string;
  what: string;
  colour: string;
  place: string;
  cents: number;
  /** Days before today. */
  listed: number;
  ended: number;
  /** 0 as new to 4 worn out, as the desk says it. */
  wear: number;
}

/** Sales of a version of a look. */
const EACH = 4;

/** What was sold that looked so: always the same, its days counted back from today. */
export function soldOf(look: Look, no: number): Sold[] {
  const roll = dice(no * 613 + 71);
  const places = Object.entries(look.places);
  const all = places.reduce((sum, [, weight]) => sum + weight, 0);
  return look.sold.flatMap((version, v) =>
    Array.from({ length: EACH }, (_, i): Sold => {
      let left = roll() * all;
      const place = places.find(([, weight]) => (left -= weight) < 0)?.[0] ?? places[0]?.[0] ?? '';
      const wear = Math.floor(roll() ** 1.4 * 4);
      // The dearer the better kept, and luck on top.
      const share = Math.min(1, Math.max(0, 0.85 - wear * 0.22 + (roll() - 0.5) * 0.45));
      const cents = look.cents[0] + share * (look.cents[1] - look.cents[0]);
      const ended = 2 + Math.floor(roll() * 150);
      return {
        ...version,
        no: `${no}-${v}-${i}`,
        place,
        wear,
        cents: Math.max(100, Math.round(cents / 50) * 50),
        ended,
        listed: ended + 1 + Math.floor(roll() ** 2 * 50),
      };
    }),
  );
}
