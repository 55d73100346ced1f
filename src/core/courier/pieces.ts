import type { DraftChoices, ListingDraft } from '@/contract/courier';

import { isOver } from './refs';
import type { CourierItem, CourierListing } from './types';
import { isAlike } from '../choices/choices';
import { choicesShown } from '../choices/shown';
import { stockShown } from '../price/floor';

/**
 * What an item is to choose from, by the drafts of its listings, those that are over only where none is up:
 * of each piece the most that any says there were.
 */
export function choicesOf(item: CourierItem): DraftChoices | undefined {
  const listings = Object.values(item.listings);
  const up = listings.filter((l) => !isOver(l));
  const all = (up.length > 0 ? up : listings).flatMap((l) => (l.nextDraft ?? l.draft).choices ?? []);
  const [first, ...others] = all;
  if (!first) return undefined;
  const pieces = new Map(first.pieces.map((p) => [p.code, p]));
  for (const p of others.flatMap((c) => c.pieces))
    if ((pieces.get(p.code)?.stock ?? -1) < p.stock) pieces.set(p.code, p);
  return { ...first, pieces: [...pieces.values()] };
}

/** The code of what there are several of, just alike; undefined: one of a kind, or in variations. */
export function alikeCode(item: CourierItem | undefined): string | undefined {
  const choices = item && choicesOf(item);
  return choices && isAlike(choices) ? choices.pieces[0]?.code : undefined;
}

/** Whether the marketplace counts down by itself what it sells of a listing, and goes on showing the rest. */
export function countsThere({ draft }: CourierListing): boolean {
  return draft.choices !== undefined && draft.choices.oneAtATime !== true;
}

/** Whether of a listing with variations nothing can be shown just now: all of it is sold or held back. */
export function showsNothing({ choices }: ListingDraft, item: Pick<CourierItem, 'pieceSales'>): boolean {
  if (!choices) return false;
  const sold = (code: string) => item.pieceSales.filter((s) => s.piece === code).length;
  const left = { ...choices, pieces: choices.pieces.map((p) => ({ ...p, stock: p.stock - sold(p.code) })) };
  return choicesShown(left).pieces.every((p) => p.stock === 0);
}

/**
 * The draft with the stock that a listing is to be sent. The marketplace itself counts down what it sold of
 * this listing, so what it sold is added to what it is to show: what is left, less what is held back, and no
 * more than the cap.
 */
export function stockCounted(draft: ListingDraft, item: CourierItem, ref: string): ListingDraft {
  if (!draft.choices) return draft;
  const { heldBack = 0, cap = null } = draft.choices;
  const pieces = draft.choices.pieces.map((p) => {
    const sold = item.pieceSales.filter((s) => s.piece === p.code);
    const here = sold.filter((s) => s.ref === ref).length;
    const back = (item.pastSales ?? []).filter((s) => s.piece === p.code && s.ref === ref).length;
    return { ...p, stock: here + back + stockShown(p.stock - sold.length, heldBack, cap) };
  });
  return { ...draft, choices: { ...draft.choices, pieces } };
}
