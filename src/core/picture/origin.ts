import type { Origin, Picture } from '@/contract/picture';

/** As a person says where a picture comes from. */
export const ORIGIN_WORDS: Record<Origin, string> = {
  camera: 'Taken here',
  file: 'My own file',
  demo: 'From the demo',
  copied: 'Copied from a listing',
  stock: 'A stock picture',
};

/** Whether the seller made it: copied and stock pictures belong to somebody else. */
export function isOwn(origin: Origin): boolean {
  return origin !== 'copied' && origin !== 'stock';
}

/** Whether it may go to a marketplace: own pictures, and others only when the person says so. */
export function maySend(picture: Pick<Picture, 'origin' | 'sendAnyway'>): boolean {
  return isOwn(picture.origin) || picture.sendAnyway;
}
