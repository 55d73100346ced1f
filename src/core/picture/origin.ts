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

/** Whether it was taken for the seller alone: figures on a board and bare barcodes are no buyer's concern. */
export function isForSeller({ shows }: Pick<Picture, 'shows'>): boolean {
  return shows === 'board' || shows === 'barcode';
}

/**
 * Whether it may go to a marketplace: own pictures that are for buyers, and others only when the person says
 * so.
 */
export function maySend(picture: Pick<Picture, 'origin' | 'sendAnyway' | 'shows'>): boolean {
  return (isOwn(picture.origin) && !isForSeller(picture)) || picture.sendAnyway;
}
