import type { CourierListingView } from '@/contract/courier';
import type { Plan } from '@/contract/records';

import { deedOf, totalsOf, type Cell, type CellTotals } from '../listing/cells';
import type { CellCheck } from '../listing/examine';
import type { Finding } from '../listing/findings';
import { twinsAmong } from '../listing/twins';
import type { Minor } from '../money/money';
import { isWaived } from '../warnings/waived';

/** What is wanted with the items chosen. */
export const WISHES = ['list', 'revise', 'again', 'withdraw', 'end'] as const;
export type Wish = (typeof WISHES)[number];

/** What of one item is known at one marketplace. */
export interface There {
  item: string;
  market: string;
  /** Undefined while it is being checked. */
  check: CellCheck | undefined;
  listing: CourierListingView | undefined;
  /** Sold anywhere. */
  sold: boolean;
  /** What is planned there, as far as it was looked at: cautions that are let be are not told again. */
  plan?: Pick<Plan, 'waived'> | undefined;
}

/** One item on one marketplace, as it would go out. */
export interface OutLine extends There {
  deed: Cell['deed'];
  /**
   * `ready` and `cautious` go; `stopped` would, but for what stands against it; `asked`: it is still being
   * checked; `none`: there is nothing to do there.
   */
  says: 'ready' | 'cautious' | 'stopped' | 'asked' | 'none';
  /** What stands against it, or is to be thought of. */
  why: Finding | null;
  /** Under the same title at the same price, this item goes there before it. */
  twin: string | null;
  price: Minor | null;
  fees: Minor | null;
  takeHome: Minor | null;
  /** When it goes by what it says itself, or its stencil; null: at once. */
  at: number | null;
}

/**
 * What a wish comes to, line by line, in the order given.
 *
 * @param there items and marketplaces in question; whether a plan wants them there is not asked
 */
export function outLines(wish: Wish, there: readonly There[]): OutLine[] {
  const lines = there.map((one) => lineOf(wish, one));
  const twins = twinsAmong(lines.map(asCell));
  if (twins.size === 0) return lines;
  const before = new Map([...twins].map(([{ item, market }, first]) => [`${item} ${market}`, first]));
  return lines.map((line) => {
    const twin = before.get(`${line.item} ${line.market}`);
    return twin === undefined ? line : { ...line, says: 'stopped', deed: 'fix', twin };
  });
}

function lineOf(wish: Wish, one: There): OutLine {
  const { check, listing, sold, plan } = one;
  const up = isUp(listing);
  const isDown = wish === 'withdraw' || wish === 'end';
  // Whether the wish can be for this one at all, whatever the check will say.
  const fits =
    !sold && (isDown || wish === 'revise' ? up : !up && (wish === 'list' || listing !== undefined));
  const deed = !fits ? 'nothing' : isDown ? 'withdraw' : fitting(wish, deedOf(check, WANTED, listing, sold));
  const asked = fits && !isDown && !check;
  const caution = deed === 'withdraw' ? null : (check?.cautions.find((f) => !isWaived(f, plan)) ?? null);
  return {
    ...one,
    deed,
    says: asked
      ? 'asked'
      : deed === 'nothing'
        ? 'none'
        : deed === 'fix'
          ? 'stopped'
          : caution
            ? 'cautious'
            : 'ready',
    why: deed === 'fix' ? (check?.blockers[0] ?? null) : deed === 'nothing' ? null : caution,
    twin: null,
    price: check?.price ?? listing?.price ?? null,
    fees: check?.fees ?? null,
    takeHome: check?.takeHome ?? null,
    at: deed === 'withdraw' ? null : (check?.startAt ?? null),
  };
}

/** As if it were planned there: whoever lists it does plan it. */
const WANTED = { wanted: true };

/** What of a deed belongs to a wish; a new listing that something stands against is named. */
function fitting(wish: 'list' | 'revise' | 'again', deed: Cell['deed']): Cell['deed'] {
  const taken: Readonly<Record<typeof wish, readonly Cell['deed'][]>> = {
    list: ['send', 'again', 'fix'],
    revise: ['resend'],
    again: ['again', 'fix'],
  };
  return taken[wish].includes(deed) ? deed : 'nothing';
}

/** It is there, or on its way: it can be taken down. */
function isUp(listing: CourierListingView | undefined): boolean {
  return listing?.want === 'live' && ['live', 'inReview', 'onItsWay'].includes(listing.state);
}

/** Whether a line goes out, where nobody took it out. */
export function goes({ says }: Pick<OutLine, 'says'>): boolean {
  return says === 'ready' || says === 'cautious';
}

/** Fees and take-home of lines that go, each item sold once. */
export function outTotals(lines: readonly OutLine[]): CellTotals {
  return totalsOf(lines.filter(goes).map(asCell));
}

function asCell(line: OutLine) {
  const { item, market, check, deed, listing } = line;
  return { item, market, check, deed, live: listing?.state === 'live' && listing.want === 'live' };
}
