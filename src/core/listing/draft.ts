import type { ListingDraft } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { Effective } from './effective';
import { hashOf } from '../words/hash';

/**
 * The draft to send, once the check has no blockers.
 *
 * @param pictureHashes SHA-256 of each rendition, in order
 * @throws Error when a value that the check requires is missing: only a programmer can cause that
 */
export function draftOf(
  effective: Effective,
  sheet: RuleSheet,
  pictureHashes: readonly string[],
  clip: ListingDraft['clip'] = null,
): ListingDraft {
  const { price, postage, category, condition } = effective;
  if (price === null || postage === null || !category || !condition)
    throw new Error('draftOf was called for a listing with blockers');
  return { ...looseDraft(effective, sheet), pictures: [...pictureHashes], clip };
}

/**
 * What would be sent, also where the check says it can't be: what is missing is left empty, pictures are left
 * out.
 */
export function looseDraft(effective: Effective, sheet: RuleSheet): ListingDraft {
  return {
    title: effective.title,
    description: effective.text,
    price: effective.price ?? 0,
    currency: sheet.currency,
    postage: effective.postage ?? 0,
    category: effective.categoryId ?? '',
    condition: effective.condition?.code ?? '',
    specifics: effective.specifics,
    answers: effective.answers,
    pictures: [],
    clip: null,
    tags: effective.tags,
    auction: effective.auction,
    search: effective.search,
    terms: effective.sentTerms,
    paid: effective.paid,
    ...(effective.choices === null ? {} : { choices: effective.choices }),
    ...(effective.depotNo === null ? {} : { depotNo: effective.depotNo }),
  };
}

/**
 * Fingerprint of what a listing says, to tell whether the item was changed since it was sent.
 * Pictures are left out: their renditions are made only when sending.
 */
export function draftHash(draft: ListingDraft): string {
  const { tags, auction, search, terms, paid } = draft;
  const text = JSON.stringify([
    draft.title,
    draft.description,
    draft.price,
    draft.postage,
    draft.category,
    draft.condition,
    Object.entries(draft.specifics).sort(),
    Object.entries(draft.answers).sort(),
    // What a draft from before these existed lacks must not make it look changed.
    ...(tags?.length ? [tags] : []),
    ...[auction, search, terms].filter(Boolean),
    ...[draft.depotNo, draft.choices].filter(Boolean),
    ...(paid && (paid.promotionBp > 0 || Object.keys(paid.extras).length > 0) ? [paid] : []),
  ]);
  return hashOf(text);
}
