/** Running numbers that are one device's to give, both ends in. */
export interface Block {
  from: number;
  to: number;
}

/** What a device may give, in the order it gives them. */
export type Blocks = readonly Block[];

/** How many numbers a device is given at a time. */
const BLOCK_SIZE = 100;
/** With fewer than that left, it asks for more. */
const FEW = 150;
/** Numbers of whoever has none left and can ask nobody, nine digits: drawn, so that two hardly ever meet. */
const SPARE_FROM = 100_000_000;
const SPARE_TO = 999_999_999;

export function left(blocks: Blocks): number {
  return blocks.reduce((sum, { from, to }) => sum + to - from + 1, 0);
}

/** How many more blocks a device asks for. */
export function wanting(blocks: Blocks): number {
  return Math.max(0, Math.ceil((FEW - left(blocks)) / BLOCK_SIZE));
}

/**
 * The next number, and what is left.
 *
 * @param chance 0 to 1, 1 not among them: where there is none left
 * @param isUsed whether an item has that number already
 */
export function taken(
  blocks: Blocks,
  chance: () => number,
  isUsed: (number: number) => boolean,
): { number: number; blocks: Blocks } {
  const [first, ...rest] = blocks;
  if (first) {
    const after = first.from === first.to ? rest : [{ ...first, from: first.from + 1 }, ...rest];
    return isUsed(first.from) ? taken(after, chance, isUsed) : { number: first.from, blocks: after };
  }
  for (;;) {
    const number = SPARE_FROM + Math.floor(chance() * (SPARE_TO - SPARE_FROM + 1));
    if (!isUsed(number)) return { number, blocks: [] };
  }
}

/** The highest number that counts for whoever gives blocks out: drawn ones are nobody's block. */
export function highest(numbers: Iterable<number>): number {
  let high = 0;
  for (const number of numbers) if (number < SPARE_FROM) high = Math.max(high, number);
  return high;
}

/**
 * Blocks for a device. Only ever asked for once every device has told the highest number that it has, was
 * given or heard of.
 *
 * @param high the highest number that was ever given to anybody
 */
export function given(high: number, blocks: number): Block[] {
  return Array.from({ length: blocks }, (_, i) => {
    const from = high + 1 + i * BLOCK_SIZE;
    return { from, to: from + BLOCK_SIZE - 1 };
  });
}
