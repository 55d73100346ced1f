import type { ListingDraft } from '@/contract/courier';
import type { OwnListing } from '@/contract/ownListing';

/**
 * What a marketplace shows of a listing, as a draft, so that it can be told later what is different. It lacks
 * what is not told.
 */
export function shownDraft(l: OwnListing, currency: string): ListingDraft {
  const cut = Object.entries(l.specifics).map(([id, value]) => [id, value.slice(0, 400)]);
  return {
    title: l.title.slice(0, 400),
    description: l.text.slice(0, 10_000),
    price: l.price,
    currency,
    postage: l.postage,
    category: l.category,
    condition: l.condition,
    specifics: Object.fromEntries(cut),
    answers: {},
    pictures: [],
    clip: null,
    tags: [],
    auction: null,
    search: null,
    terms: null,
    paid: { promotionBp: 0, extras: {} },
    found: true,
  };
}
