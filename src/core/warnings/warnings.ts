import type { CourierListingView } from '@/contract/courier';
import type { Plan } from '@/contract/records';

import { waivedAt } from './waived';
import type { CellCheck } from '../listing/examine';
import { idInField, type Finding } from '../listing/findings';
import { notTaken } from '../listing/signState';
import { factOf } from '../mapping/values';

/**
 * What there is to look at of one item at one marketplace. `refused`: it was not taken; `blocked`: it would
 * not be; `coming`: not by rules that are announced; `caution`: it goes, but is to be thought of.
 */
export const WARNING_SORTS = ['refused', 'blocked', 'coming', 'caution'] as const;
export type WarningSort = (typeof WARNING_SORTS)[number];

export interface Warning {
  sort: WarningSort;
  item: string;
  market: string;
  /** What stands against it; null: what the marketplace said stands in the listing. */
  finding: Finding | null;
  /** It is shown there now. */
  live: boolean;
  /** When it was waived; null: it was not. */
  waivedAt: number | null;
}

/** One item at one marketplace, as far as it bears on warnings. */
export interface Looked {
  item: string;
  check: CellCheck;
  plan: Pick<Plan, 'wanted' | 'waived'> | undefined;
  listing: CourierListingView | undefined;
  sold: boolean;
}

/** All there is to look at of one item at one marketplace; nothing of what is neither wanted nor shown. */
export function warningsOf({ item, check, plan, listing, sold }: Looked): Warning[] {
  const live = listing?.state === 'live' && listing.want === 'live';
  if (sold || (!live && !plan?.wanted)) return [];
  const { market } = check;
  const of = (sort: WarningSort, finding: Finding | null): Warning => ({
    ...{ sort, item, market, finding, live },
    waivedAt: finding && waivedAt(finding, plan),
  });
  const refused = listing !== undefined && notTaken(listing);
  return [
    ...(refused ? [of('refused', null)] : []),
    ...check.blockers.map((f) => of('blocked', f)),
    ...check.coming.map((f) => of('coming', f)),
    ...check.cautions.map((f) => of('caution', f)),
  ].map((w) => (w.sort === 'caution' ? w : { ...w, waivedAt: null }));
}

/** The same reason of several listings, looked at once. */
export interface Cause {
  key: string;
  sort: WarningSort;
  /** The marketplace, where the reason is one of its own; null: it is the same everywhere. */
  market: string | null;
  /** The first of them. */
  finding: Finding | null;
  of: Warning[];
  /** Cautions that were waived, with their dates. */
  waived: Warning[];
  /** Listings that are shown now, and those that are not. */
  live: number;
  drafts: number;
}

/** Warnings by their cause: the worst sort first, in a sort those that most listings have. */
export function causesOf(warnings: readonly Warning[]): Cause[] {
  const causes = new Map<string, Cause>();
  for (const warning of warnings) {
    const { sort, finding, live, waivedAt } = warning;
    const asked = askedFact(finding);
    const market = asked !== null || (finding && !('market' in finding.params)) ? null : warning.market;
    const key = [sort, finding?.code ?? '', asked ?? finding?.field ?? '', market ?? ''].join(' ');
    const cause = causes.get(key) ?? { key, sort, market, finding, of: [], waived: [], live: 0, drafts: 0 };
    causes.set(key, cause);
    if (waivedAt !== null) {
      cause.waived.push(warning);
      continue;
    }
    cause.of.push(warning);
    if (live) cause.live += 1;
    else cause.drafts += 1;
  }
  const rank = ({ sort, of }: Cause) => WARNING_SORTS.indexOf(sort) * 1_000_000 - of.length;
  return [...causes.values()].sort((a, b) => rank(a) - rank(b));
}

/** The fact that a marketplace asks for: others ask for the same. null: it is another reason */
function askedFact(finding: Finding | null): string | null {
  if (finding?.code !== 'specificMissing' && finding?.code !== 'specificHelps') return null;
  return factOf(idInField(finding.field));
}

/** Where a reason can be put right for all listings that have it, with one answer. */
export type OneAnswer =
  | { by: 'fact' | 'specific' | 'answer'; id: string }
  | { by: 'kind' | 'use' | 'category' | 'words' | 'price' | 'parcel' }
  /** Each has an answer of its own. */
  | null;

/** By which one answer a cause can be put right for all it is the cause of. */
export function oneAnswer({ finding }: Pick<Cause, 'finding'>): OneAnswer {
  if (!finding) return null;
  const { code, field } = finding;
  const [by] = field.split(':');
  if (by === 'fact' || by === 'specific' || by === 'answer') return { by, id: idInField(field) };
  if (field === 'kind') return code === 'kindMissing' ? { by: 'kind' } : null;
  if (code === 'useMissing') return { by: 'use' };
  if (field === 'category')
    return code === 'categoryUnknown' || code === 'categoryGone' ? { by: 'category' } : null;
  if (field === 'title' || field === 'description' || field === 'tags') return { by: 'words' };
  if (field === 'price' || field === 'parcel') return { by: field };
  return null;
}

/** How many listings a sort of warnings is of: each counted once, whatever number of reasons it has. */
export function listingsOf(warnings: readonly Warning[], sort: WarningSort): Pick<Cause, 'live' | 'drafts'> {
  const seen = new Map<string, boolean>();
  for (const one of warnings)
    if (one.sort === sort && one.waivedAt === null) seen.set(`${one.item} ${one.market}`, one.live);
  const live = [...seen.values()].filter(Boolean).length;
  return { live, drafts: seen.size - live };
}
