import type { Booked } from './booked';
import { postingsOf, profit, type Posting } from './sums';
import type { Minor } from '../money/money';

/** What a haul has brought, day by day. Minor units; moments in milliseconds since 1970. */
export interface HaulReturns {
  /** What its sales left so far, consignors' shares taken off. */
  brought: Minor;
  /** After each posting, in order. */
  steps: { at: number; brought: Minor }[];
  /** Since when it has stayed paid back; null: it has not yet, or nobody said what it cost. */
  paidBackAt: number | null;
}

/** What a posting brings towards the cost of what it was bought with. */
const brings = ({ sums }: Posting) => profit(sums) + sums.cost;

/**
 * What the sales of a haul brought against its cost. It counts as paid back from the day after which what
 * came back never took it below its cost again.
 *
 * @param cost of all of it; null: nobody said
 */
export function haulReturns(sales: readonly Booked[], cost: Minor | null): HaulReturns {
  const postings = sales.flatMap(postingsOf).sort((a, b) => a.at - b.at);
  let brought = 0;
  const steps = postings.map((posting) => ({ at: posting.at, brought: (brought += brings(posting)) }));
  if (cost === null || brought < cost) return { brought, steps, paidBackAt: null };
  const below = steps.findLastIndex((s) => s.brought < cost);
  return { brought, steps, paidBackAt: steps[below + 1]?.at ?? null };
}
