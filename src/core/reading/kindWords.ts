import type { Picture } from '@/contract/records';

import { FIBRE_NAMES } from './fibres';

/** Lines of less confidence are no words, 0 to 100. */
const LEGIBLE = 70;

/**
 * Lines on labels, boxes and spines that may tell what an item is: not what it is made of and by whom.
 *
 * @param makers whose it may be, in small letters
 */
export function kindWords(
  pictures: readonly Pick<Picture, 'read' | 'shows'>[],
  makers: readonly string[],
): string[] {
  // A board is about its size and its flaws: a hole at the cuff makes no bracelet.
  return pictures.flatMap(({ read, shows }) =>
    (shows === 'board' ? [] : (read?.page ?? [])).flatMap(({ text, confidence }) =>
      confidence < LEGIBLE || isOfMaking(text.toLocaleLowerCase('en'), makers) ? [] : text,
    ),
  );
}

/** "85 % wool" makes nothing yarn, and no mill is what was made in it. */
function isOfMaking(text: string, makers: readonly string[]): boolean {
  return /\d\s*%/u.test(text) || [...FIBRE_NAMES, ...makers].some((name) => text.includes(name));
}
