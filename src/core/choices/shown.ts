import type { DraftChoices } from '@/contract/courier';

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
