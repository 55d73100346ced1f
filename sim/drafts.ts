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

/** What there is of the item of which there are several, and how much of it buyers may see. */
export interface Limits {
  heldBack?: number;
  cap?: number;
  /** Three just alike, where only some marketplaces count them; else two mugs and a jug. */
  alike?: boolean;
}

/** The item of which there are several. */
export const SEVERAL = 'many';
export function stockIn({ alike }: Limits): Record<string, number> {
  return alike ? { any: 3 } : { mug: 2, jug: 1 };
}

/** Marketplaces that count several just alike; the others show one. */
const COUNT_ALIKE = ['brackenmoor', 'lanternyard'];

export function draftOf(item: string, market: string, { alike, ...limits }: Limits): ListingDraft {
  if (item !== SEVERAL) return DRAFT;
  const pieces = Object.entries(stockIn({ alike })).map(([code, stock]) => ({
    code,
    values: alike ? [] : [code],
    price: 900,
    stock,
  }));
  const options = alike ? [] : ['Piece'];
  const one = alike && !COUNT_ALIKE.includes(market) ? { oneAtATime: true, cap: 1 } : {};
  return { ...DRAFT, choices: { ...limits, ...one, options, pieces } };
}

/** How many of each piece a draft offers; null where one is shown, which is sold with the listing. */
export function stockOf(draft: ListingDraft): Record<string, number> | null {
  return draft.choices && !draft.choices.oneAtATime
    ? Object.fromEntries(draft.choices.pieces.map((p) => [p.code, p.stock]))
    : null;
}
