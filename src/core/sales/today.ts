import type { CourierListingView, CourierThingView, Sale } from '@/contract/courier';
import type { Plan, Thing } from '@/contract/records';

import type { Finding } from '../listing/check';

/** Something that needs a person, worst first. */
export type TodayLine =
  | { sort: 'soldTwice'; thingId: string; sale: Sale; second: Sale }
  | { sort: 'notGoneYet'; thingId: string; sale: Sale; markets: { market: string; tries: number; trouble: string | null; nextTryAt: number | null }[] }
  | { sort: 'putUp'; thingId: string; market: string }
  | { sort: 'refused'; thingId: string; listing: CourierListingView }
  | { sort: 'toFetch'; thingId: string; sale: Sale; closedIn: number }
  | { sort: 'nearlyReady'; thingId: string; market: string; finding: Finding }; // prettier-ignore

const ORDER: readonly TodayLine['sort'][] = [
  'soldTwice',
  'notGoneYet',
  'refused',
  'toFetch',
  'putUp',
  'nearlyReady',
];

/** Red on the home screen: a promise to a buyer is at risk. */
export function isAlarm(line: TodayLine): boolean {
  return line.sort === 'soldTwice' || line.sort === 'notGoneYet';
}

export interface TodayInput {
  things: Readonly<Record<string, Thing>>;
  plans: readonly Plan[];
  courier: Readonly<Record<string, CourierThingView>>;
  /** Marketplaces that a person works by hand. */
  byHand?: ReadonlySet<string>;
  /** Findings of wanted listings that were not sent yet: thing -> market -> findings. */
  findings: (thing: Thing, market: string) => readonly Finding[];
}

/** Everything that needs a person today, worst first; within a sort, the oldest first. */
export function todayLines(input: TodayInput): TodayLine[] {
  const lines: { line: TodayLine; at: number }[] = [];
  for (const view of Object.values(input.courier)) {
    const { sale, closing } = view;
    for (const second of view.laterSales)
      if (!second.settled && sale)
        lines.push({ at: second.at, line: { sort: 'soldTwice', thingId: view.id, sale, second } });
    if (sale && closing && closing.doneAt === null)
      lines.push({
        at: sale.at,
        line: {
          sort: 'notGoneYet',
          thingId: view.id,
          sale,
          markets: closing.entries
            .filter((e) => e.outcome === 'withdrawing')
            .map(({ market, tries, trouble }) => ({
              market,
              tries,
              trouble,
              nextTryAt: view.listings.find((l) => l.market === market)?.nextTryAt ?? null,
            })),
        },
      });
    else if (sale && closing?.doneAt && !input.things[view.id]?.packedAt)
      lines.push({
        at: sale.at,
        line: { sort: 'toFetch', thingId: view.id, sale, closedIn: closing.doneAt - closing.startedAt },
      });
    if (!sale)
      for (const listing of view.listings) {
        if (
          input.byHand?.has(listing.market) &&
          listing.want === 'live' &&
          listing.doing !== null &&
          input.things[view.id]
        )
          lines.push({
            at: listing.since,
            line: { sort: 'putUp', thingId: view.id, market: listing.market },
          });
        if (listing.state === 'refused' && input.things[view.id])
          lines.push({ at: listing.since, line: { sort: 'refused', thingId: view.id, listing } });
      }
  }
  for (const plan of input.plans) {
    const thing = input.things[plan.thingId];
    const view = input.courier[plan.thingId];
    if (!plan.wanted || !thing || view?.sale || view?.listings.some((l) => l.market === plan.market))
      continue;
    const blockers = input.findings(thing, plan.market).filter((f) => f.level === 'blocker');
    if (blockers.length === 1 && blockers[0])
      lines.push({
        at: thing.createdAt,
        line: { sort: 'nearlyReady', thingId: thing.id, market: plan.market, finding: blockers[0] },
      });
  }
  return lines
    .sort((a, b) => ORDER.indexOf(a.line.sort) - ORDER.indexOf(b.line.sort) || a.at - b.at)
    .map(({ line }) => line);
}
