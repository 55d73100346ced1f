/**
 * What is kept of a picture, and why. Bytes are what pictures of the made world and of phones come to at
 * these sizes.
 *
 * - the original: upright JPEG, 2 400 on its longer side. Cropping an item that fills half the frame to a
 * square
 *   leaves 1 500 pixels: more than any marketplace here shows;
 * - the cleaned-up picture, only where something was done to it: 2 000, the size sellers shoot at (common
 * practice);
 * - a small copy for lists: 400.
 *
 * Renditions for marketplaces are made when they are sent and not kept.
 */
export const KEPT = {
  original: { side: 2_400, quality: 0.85, bytes: 700_000 },
  cleaned: { side: 2_000, quality: 0.85, bytes: 450_000 },
  small: { side: 400, quality: 0.8, bytes: 30_000 },
} as const;

/** Bytes that one more picture takes, cleaned up in two of three cases (common practice). */
export const PICTURE_BYTES =
  KEPT.original.bytes + Math.round((KEPT.cleaned.bytes * 2) / 3) + KEPT.small.bytes;
/** Pictures of one item: ten to twelve are usual (common practice). */
const PICTURES_AN_ITEM = 11;

export interface Room {
  level: 'plenty' | 'soon' | 'full';
  /** Pictures that still fit, as far as can be counted on. */
  pictures: number;
}

/**
 * Some browsers keep the true quota to themselves and always report so much more than is taken. Nothing
 * beyond it is counted on.
 */
export const COUNTED_ON = 10 * 1024 ** 3;

/** Below so many pictures' room it is said in time, and below so many it is said that it is full. */
const SOON = 300;
const FULL = 12;

/**
 * How much room is left for pictures.
 *
 * @param usage bytes taken, as the browser estimates
 * @param quota bytes the browser allows
 */
export function roomLeft(usage: number, quota: number): Room {
  const reported = quota - usage;
  const left = Math.min(reported, COUNTED_ON - usage);
  const fits = (bytes: number) => Math.max(0, Math.floor(bytes / PICTURE_BYTES));
  // Full is said only of what the browser itself reports.
  const level = fits(reported) <= FULL ? 'full' : fits(left) <= SOON ? 'soon' : 'plenty';
  return { level, pictures: fits(left) };
}

/** Bytes so many items with their pictures take. */
export function bytesForItems(items: number): number {
  return items * PICTURES_AN_ITEM * PICTURE_BYTES;
}
