import { ListingDraft } from '@/contract/courier';

/** What an item of which there is one is sent as. */
export const DRAFT = ListingDraft.parse({
  title: 'x',
  description: 'x',
  price: 2400,
  currency: 'EUR',
  postage: 420,
  category: 'c',
  condition: 'g',
  specifics: {},
  answers: {},
  pictures: [],
});

/** How much of what there is buyers may see. */
export interface Limits {
  heldBack?: number;
  cap?: number;
}

/** The item of which there are several: two mugs and a jug. */
export const SEVERAL = 'many';
export const STOCK = { mug: 2, jug: 1 };

export function draftOf(item: string, limits: Limits): ListingDraft {
  if (item !== SEVERAL) return DRAFT;
  const pieces = Object.entries(STOCK).map(([code, stock]) => ({ code, values: [code], price: 900, stock }));
  return { ...DRAFT, choices: { ...limits, options: ['Piece'], pieces } };
}

/** How many of each piece a draft offers; null: of an item of which there is one. */
export function stockOf(draft: ListingDraft): Record<string, number> | null {
  return draft.choices ? Object.fromEntries(draft.choices.pieces.map((p) => [p.code, p.stock])) : null;
}
