import type { Item, Picture } from '@/contract/records';

import type { Twin } from './judge';
import { fingerprintDistance } from '../pixels/fingerprint';

/**
 * Distances of fingerprints below which two pictures are taken for the same. Tuned on the tuning seeds of
 * `truth/judged.ts`: of 216 pictures of the same eight are further apart than 0.84, of 144 others none is
 * nearer.
 */
export const TWINS = {
  /** Two pictures of one item that are to show the same. */
  ofItem: 0.84,
  /** Front and back of a plain thing look much alike; and so do things of one make. */
  otherwise: 0.5,
} as const;

/**
 * Another picture that shows the same: of the item itself by its position, or of another item.
 *
 * @param pictures and `items` all there are, by id
 */
export function twinOf(
  picture: Picture,
  item: Item,
  pictures: Readonly<Record<string, Picture>>,
  items: Readonly<Record<string, Item>>,
): Twin | null {
  const print = picture.exam?.print;
  if (!print || picture.made) return null;
  const isNear = (other: Picture | undefined, limit: number) =>
    other?.exam != null &&
    other.id !== picture.id &&
    !other.made &&
    fingerprintDistance(print, other.exam.print) < limit;
  const at = item.pictureIds.findIndex((id) =>
    isNear(pictures[id], pictures[id]?.shows === picture.shows ? TWINS.ofItem : TWINS.otherwise),
  );
  if (at >= 0) return { position: at + 1 };
  const elsewhere = Object.values(pictures).find(
    (other) => other.itemId !== item.id && isNear(other, TWINS.otherwise),
  );
  const owner = elsewhere && items[elsewhere.itemId];
  return owner ? { itemCode: owner.code } : null;
}
