import type { Coded } from '@/contract/coded';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { SentTerms, TermName, Terms } from '@/contract/terms';

import type { KindTree } from '../kinds/tree';
import type { Minor } from '../money/money';
import type { Postage } from '../postage/rates';

/**
 * The terms for an item on a marketplace: those chosen for it; else those for its owner, its haul, its kind
 * or the nearest kind above; else the default; null: none were made.
 *
 * @param chosen id of terms chosen for this listing alone
 */
export function termsFor(
  item: Pick<Item, 'kind' | 'haulId' | 'ownerId'>,
  market: string,
  all: readonly Terms[],
  kinds: KindTree,
  chosen: string | null = null,
): Terms | null {
  const here = all.filter((t) => t.market === market);
  const own = here.find((t) => t.id === chosen);
  if (own) return own;
  const { ownerId, haulId } = item;
  const byOwner = ownerId && here.find((t) => t.ownerIds.includes(ownerId));
  if (byOwner) return byOwner;
  const byHaul = haulId && here.find((t) => t.haulIds.includes(haulId));
  if (byHaul) return byHaul;
  for (const kind of [...(kinds.get(item.kind)?.path ?? [])].reverse()) {
    const byKind = here.find((t) => t.kinds.includes(kind));
    if (byKind) return byKind;
  }
  return here.find((t) => t.isDefault) ?? null;
}

/** What a buyer at home pays for postage by these terms; null where it can't be posted. */
export function postageBy(terms: Terms | null, posted: Postage): Minor | null {
  if (!posted.ok) return null;
  if (!terms || terms.home === 'carrier') return posted.price;
  return terms.home === 'free' ? 0 : terms.flat;
}

/**
 * What of the terms the marketplace is told: that which it takes, in one order, so that the same terms read
 * the same.
 *
 * @param toZone what posting costs to a zone; null: the carrier does not take it there
 */
export function sentTerms(
  terms: Terms | null,
  { takes }: NonNullable<RuleSheet['terms']>,
  toZone: (zone: string) => Minor | null,
): SentTerms | null {
  if (!terms) return null;
  const zones = { none: [], near: ['near'], far: ['near', 'far'] }[terms.abroad];
  const all: Required<SentTerms> = {
    handlingDays: terms.handlingDays,
    returnDays: terms.returnDays,
    returnsPaidBy: terms.returnsPaidBy,
    abroad: zones.flatMap((zone) => {
      const price = toZone(zone);
      return price === null ? [] : [{ zone, price }];
    }),
    further: terms.further,
    payment: terms.payment,
    taxBp: terms.taxBp,
    collect: terms.collect,
  };
  return Object.fromEntries(Object.entries(all).filter(([name]) => takes.some((t) => t === name)));
}

/** Whether what is set under this name reaches buyers there. */
export function takesTerm(sheet: RuleSheet, name: TermName | 'home'): boolean {
  if (name !== 'home') return sheet.terms?.takes.includes(name) ?? false;
  // Postage at home is the listing's own, unless the marketplace sets it itself or nothing is posted.
  return sheet.handover === 'post' && sheet.postageCharged === undefined;
}

/** What a marketplace may have against terms; days. */
export interface TermsTroubleParams {
  handlingTooLong: { market: string; mostDays: number };
  returnDaysNotTaken: { market: string; days: readonly number[] };
}
export type TermsTrouble = Coded<TermsTroubleParams>;

/** What a marketplace has against terms; empty when nothing. */
export function termsTrouble(terms: Terms | SentTerms, sheet: RuleSheet): TermsTrouble[] {
  const rules = sheet.terms;
  if (!rules) return [];
  const { handlingDays = 0, returnDays } = terms;
  const found: TermsTrouble[] = [];
  const market = sheet.name;
  const mostDays = rules.maxHandlingDays ?? Infinity;
  if (handlingDays > mostDays) found.push({ code: 'handlingTooLong', params: { market, mostDays } });
  if (returnDays !== undefined && rules.returnDays && !rules.returnDays.includes(returnDays))
    found.push({ code: 'returnDaysNotTaken', params: { market, days: rules.returnDays } });
  return found;
}
