import type { DraftChoices } from '@/contract/courier';

import { isAlike } from './choices';
import { stockShown } from '../price/floor';

/**
 * Choices with what buyers may see of each piece at first: what there is, less what is held back, no more
 * than the cap.
 */
export function choicesShown(choices: DraftChoices): DraftChoices {
  const { heldBack = 0, cap = null } = choices;
  return {
    ...choices,
    pieces: choices.pieces.map((p) => ({ ...p, stock: stockShown(p.stock, heldBack, cap) })),
  };
}

/** How many just alike a marketplace that counts them is told there are; 1 for what is one of a kind. */
export function quantityOf(choices: DraftChoices | undefined): number {
  return choices && isAlike(choices) && !choices.oneAtATime ? (choices.pieces[0]?.stock ?? 1) : 1;
}
