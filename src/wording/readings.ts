import type { Doubt } from '@/contract/picture';

const WORDS: Readonly<Record<Doubt, string>> = {
  sum: 'Doubtful: as they were read, the shares don’t come to 100.',
  unusual: 'Doubtful: unusual for such a thing.',
  readOtherwise: 'Doubtful: a second look read it otherwise.',
  light: 'Perhaps: the light may have coloured it. Hold it against the thing.',
  outline: 'Doubtful: where the item ends and the floor begins was not clear.',
  illegible: 'Doubtful: not all of it was legible.',
  laid: 'Measured along a line that was laid by itself: does it lie right?',
  taught: 'As you said of another label of this maker: is it so here?',
  bareNumber: 'A number without a word: is it this one?',
};

/** Why a reading is doubtful, under its value. */
export const doubtWords = (doubt: Doubt): string => WORDS[doubt];
