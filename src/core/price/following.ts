import type { CompetingOffer } from '@/contract/comps';
import type { Followed, FollowReason, FollowRule } from '@/contract/following';

import type { Minor } from '../money/money';

/** Answering our changes so often is no chance: that seller follows us. */
const ANSWERS = 3;
/** A seller whose copy stood still for so long is compared with again, milliseconds. */
const FORGIVEN_AFTER = 30 * 86_400_000;

/** Changes that are kept. */
const KEPT = 30;

export interface Ours {
  /** What it would cost if it followed nobody. */
  shared: Minor;
  /** What buyers pay on top of it. */
  postage: Minor;
  /** Our grade's wear, 0 (new) to 5; null: not judged, so copies of any condition count. */
  wear: number | null;
  bounds: Bounds;
}

/** Neither under nor over these; `floor` is at most `ceiling`. */
export interface Bounds {
  floor: Minor;
  ceiling: Minor;
}

/**
 * Within which a rule may move.
 *
 * @param floor the item's own; null: none is known
 * @param guards what no price may be under or over, by the person and by the marketplace
 */
export function followBounds(
  rule: Pick<FollowRule, 'floor' | 'ceiling'>,
  floor: Minor | null,
  guards: readonly { min: Minor; max: Minor }[],
): Bounds {
  const least = Math.max(floor ?? 0, rule.floor ?? 0, ...guards.map((g) => g.min));
  const most = Math.min(rule.ceiling ?? Infinity, ...guards.map((g) => g.max));
  // A floor over the ceiling is the floor: never under it.
  return { floor: least, ceiling: Math.max(least, most) };
}

/** Why a copy is not compared with; null: it counts. */
export type NotCounted = 'own' | 'leftOut' | 'condition' | 'rating' | 'follows';

const sameSeller = (a: string, b: string) =>
  a.trim().toLocaleLowerCase('en') === b.trim().toLocaleLowerCase('en');

/** Whether a seller has answered so many of our changes that we do not answer theirs. */
function follows(followed: Pick<Followed, 'answers'> | null, seller: string): boolean {
  return (followed?.answers[seller]?.times ?? 0) >= ANSWERS;
}

/** Why a copy does not count under a rule; null: it does. */
export function whyNotCounted(
  copy: CompetingOffer,
  rule: Pick<FollowRule, 'leaveOut' | 'condition' | 'minRating'>,
  wear: number | null,
  followed: Pick<Followed, 'answers'> | null,
): NotCounted | null {
  if (copy.own) return 'own';
  if (rule.leaveOut.some((name) => sameSeller(name, copy.seller))) return 'leftOut';
  if (wear !== null && rule.condition === 'asGood' && copy.wear > wear) return 'condition';
  if (wear !== null && rule.condition === 'same' && copy.wear !== wear) return 'condition';
  if (copy.rating < rule.minRating) return 'rating';
  return follows(followed, copy.seller) ? 'follows' : null;
}

const totalOf = ({ price, postage }: Pick<CompetingOffer, 'price' | 'postage'>) => price + postage;

/** What is cheapest in each state, postage included; own copies are out. Null: there is none. */
export function lowestOf(copies: readonly CompetingOffer[]): { new: Minor | null; used: Minor | null } {
  const least = (some: readonly CompetingOffer[]) =>
    some.length === 0 ? null : Math.min(...some.map(totalOf));
  const others = copies.filter((c) => !c.own);
  return { new: least(others.filter((c) => c.wear === 0)), used: least(others.filter((c) => c.wear > 0)) };
}

/**
 * One look at others' copies: the price the rule gives now, with its reason, and what is remembered for the
 * next look.
 *
 * It never goes under the floor nor over the ceiling, and never races. A seller who answered our changes
 * {@link ANSWERS} times follows us: their copy no longer counts until it has stood still for
 * {@link FORGIVEN_AFTER}, and where nobody else is left the price stays. So any number of followers come to
 * rest after a few changes.
 *
 * @param before what the last look left; null: this is the first
 * @param now milliseconds since 1970
 */
export function followOnce(
  copies: readonly CompetingOffer[],
  rule: FollowRule,
  ours: Ours,
  before: Followed | null,
  now: number,
): Followed {
  const { bounds } = ours;
  const clamp = (price: Minor) => Math.max(bounds.floor, Math.min(bounds.ceiling, price));
  const current = before?.price ?? ours.shared;
  const answers = answersNow(copies, current + ours.postage, before, now);
  const judged = copies.map((copy) => ({
    copy,
    why: whyNotCounted(copy, rule, ours.wear, { answers: answers.counts }),
  }));
  const counted = judged.flatMap(({ copy, why }) => (why === null ? [copy] : []));
  const racing = judged.flatMap(({ copy, why }) => (why === 'follows' ? [copy.seller] : []));
  const cheapest = counted.reduce<CompetingOffer | null>(
    (least, c) => (least === null || totalOf(c) < totalOf(least) ? c : least),
    null,
  );
  const { price, reason } = wished(cheapest, racing, rule, { ...ours, current }, clamp);
  const changed = before === null || price !== before.price;
  return {
    price,
    reason,
    checkedAt: now,
    cheapest: cheapest && totalOf(cheapest),
    counted: counted.length,
    // Whoever answers is counted once for one move of theirs.
    seen: changed ? totalsOf(copies) : { ...before.seen, ...answers.moved },
    moved: changed ? Math.sign(price - current) : before.moved,
    answers: answers.counts,
    history: changed
      ? [{ at: now, price, reason }, ...(before?.history ?? [])].slice(0, KEPT)
      : before.history,
  };
}

function wished(
  cheapest: CompetingOffer | null,
  racing: readonly string[],
  rule: FollowRule,
  ours: Ours & { current: Minor },
  clamp: (price: Minor) => Minor,
): { price: Minor; reason: FollowReason } {
  if (cheapest) {
    const { way, by } = rule;
    const add = way === 'match' ? 0 : way === 'undercut' ? -by : by;
    const wish = totalOf(cheapest) - ours.postage + add;
    const price = clamp(wish);
    const held = price > wish ? 'floor' : price < wish ? 'ceiling' : null;
    const { seller } = cheapest;
    return { price, reason: { code: 'beside', params: { seller, total: totalOf(cheapest), way, by, held } } };
  }
  if (racing.length > 0)
    return {
      price: clamp(ours.current),
      reason: { code: 'onlyFollowers', params: { sellers: [...new Set(racing)].slice(0, 50) } },
    };
  const { none } = rule;
  const price = none === 'stay' ? ours.current : none === 'shared' ? ours.shared : ours.bounds.ceiling;
  return { price: clamp(price), reason: { code: 'noneCounts', params: { none } } };
}

/** The cheapest copy of each seller, own ones out. */
function totalsOf(copies: readonly CompetingOffer[]): Record<string, Minor> {
  const totals: Record<string, Minor> = {};
  for (const copy of copies)
    if (!copy.own) totals[copy.seller] = Math.min(totals[copy.seller] ?? Infinity, totalOf(copy));
  return totals;
}

/**
 * Who answered our last change, and how often each has done so by now. An answer is to move the way we had
 * moved, or past us. Whoever stands still for long is forgiven; a seller without a copy is forgotten.
 */
function answersNow(
  copies: readonly CompetingOffer[],
  ourTotal: Minor,
  before: Followed | null,
  now: number,
): { counts: Followed['answers']; moved: Record<string, Minor> } {
  const counts: Followed['answers'] = {};
  const moved: Record<string, Minor> = {};
  for (const [seller, total] of Object.entries(totalsOf(copies))) {
    const was = before?.seen[seller];
    const known = before?.answers[seller];
    let last = known && now - known.at < FORGIVEN_AFTER ? known : { times: 0, at: now };
    if (was !== undefined && was !== total) {
      moved[seller] = total;
      const passed = total < was ? was >= ourTotal && total < ourTotal : was <= ourTotal && total > ourTotal;
      const along = Math.sign(total - was) === before?.moved;
      last = { times: last.times + (passed || along ? 1 : 0), at: now };
    }
    if (last.times > 0) counts[seller] = last;
  }
  return { counts, moved };
}

/** Whether it is time to look again. */
export function followDue(rule: FollowRule, followed: Followed | null, now: number): boolean {
  return followed === null || now - followed.checkedAt >= rule.everyHours * 3_600_000;
}

/** Sellers whom a person takes in again: what they did so far is forgotten. */
export function takenInAgain(followed: Followed, seller: string): Followed {
  const { [seller]: _, ...answers } = followed.answers;
  return { ...followed, answers };
}
