import { listed } from '@/core/language/listed';
import { counted, plural } from '@/core/language/plural';
import type { Soon } from '@/core/warnings/soon';
import type { Cause, WarningSort } from '@/core/warnings/warnings';

import { askedWords, findingsWords } from './check';

/** What a sort of warnings is called, as a heading. */
export const SORT_NAMES: Readonly<Record<WarningSort, string>> = {
  refused: 'Refused',
  blocked: 'Would be refused',
  coming: 'Would be refused by new rules',
  caution: 'To think of',
};

interface Count {
  live: number;
  drafts: number;
}

/** "12 live listings and 6 drafts" */
export function concerned({ live, drafts }: Count): string {
  const parts = [live > 0 ? counted(live, 'live listing') : '', drafts > 0 ? counted(drafts, 'draft') : ''];
  return parts.filter(Boolean).join(' and ');
}

/** Why several are to be looked at: what more than one marketplace asks for is said once, with them all. */
export function causeWords({ finding, market, of, waived }: Cause, name: (market: string) => string): string {
  if (!finding) return `${name(market ?? '')} did not take it.`;
  const all = [...of, ...waived];
  const markets = [...new Set(all.map((w) => w.market))];
  return finding.code === 'specificMissing' && markets.length > 1
    ? `${listed(markets.map(name), 'and')} ask ${askedWords(finding.params.label)}.`
    : findingsWords(all.flatMap((w) => w.finding ?? []));
}

/** "12 live listings and 6 drafts would be refused"; null: everything passes. */
export function wouldBeRefused(count: Count): string | null {
  return count.live + count.drafts === 0 ? null : `${concerned(count)} would be refused`;
}

/** What is nearly over; of an auction, how it stands. */
export function soonWords(soon: Soon, name: (market: string) => string): string {
  switch (soon.sort) {
    case 'allowance':
      return soon.used >= soon.allowance
        ? `${name(soon.market)}: this month’s ${soon.allowance} new listings are used up`
        : `${name(soon.market)}: ${soon.allowance - soon.used} of this month’s ${soon.allowance} ` +
            'new listings are left';
    case 'auction':
      return `${name(soon.market)}: ${
        soon.auction.bids === 0 ? 'no bid yet' : counted(soon.auction.bids, 'bid')
      }`;
    case 'consignment':
      return soon.daysLeft < 0
        ? `Consigned by ${soon.owner}: its time is over`
        : soon.daysLeft === 0
          ? `Consigned by ${soon.owner}: its time ends today`
          : `Consigned by ${soon.owner}: ${plural(soon.daysLeft, 'one day', `${soon.daysLeft} days`)} left`;
  }
}
