import { imageSize } from 'image-size';

import { NONE } from '@/contract/coded';

import { fileType, tooLarge, type FileType, type PictureTrouble } from './fileType';

/** What is known of a picture before anything of it is decoded. */
export type Gate =
  | { ok: true; kind: Exclude<FileType, 'empty' | 'unknown'>; width: number; height: number }
  | { ok: false; why: PictureTrouble };

/** Largest file that is taken for a picture, bytes: three times what a good phone makes. */
export const MOST_PICTURE_BYTES = 60_000_000;
/** Longest side, pixels: beyond it no browser draws. */
const LONGEST_SIDE = 30_000;
/**
 * Passes of a picture that is drawn in passes: cameras make about ten, and each costs as much as the whole.
 */
const MOST_PASSES = 60;

/**
 * The one gate for bytes that are to become pixels, whoever they come from: a small file may claim to be
 * enormous, or to be drawn in thousands of passes.
 *
 * @param bytes the file, or enough of its beginning to find its size in
 * @param size of the whole file, bytes
 * @returns what it says it is, or why it is not taken
 */
export function pictureGate(bytes: Uint8Array, size = bytes.length): Gate {
  const kind = fileType(bytes.subarray(0, 16));
  if (kind === 'empty') return no({ code: 'empty', params: NONE });
  if (kind === 'unknown') return no({ code: 'notPicture', params: NONE });
  if (size > MOST_PICTURE_BYTES)
    return no({ code: 'fileTooLarge', params: { size, most: MOST_PICTURE_BYTES } });
  const claimed = claimedSize(bytes);
  if (!claimed) return no({ code: 'damaged', params: NONE });
  const { width, height } = claimed;
  const long = Math.max(width, height);
  if (long > LONGEST_SIDE) return no({ code: 'tooLong', params: { long, most: LONGEST_SIDE } });
  const large = tooLarge(width, height);
  if (large) return no(large);
  if (kind === 'jpeg' && passes(bytes) > MOST_PASSES) return no({ code: 'tooManyPasses', params: NONE });
  return { ok: true, kind, width, height };
}

const no = (why: PictureTrouble): Gate => ({ ok: false, why });

function claimedSize(bytes: Uint8Array): { width: number; height: number } | null {
  try {
    const { width, height } = imageSize(bytes);
    return width > 0 && height > 0 ? { width, height } : null;
  } catch {
    // What no size can be found in can't be decoded either.
    return null;
  }
}

/** Start-of-scan markers (ISO/IEC 10918-1, B.2.3); in the data of a scan every FF is followed by 00. */
function passes(bytes: Uint8Array): number {
  let found = 0;
  for (let at = bytes.indexOf(0xff); at >= 0; at = bytes.indexOf(0xff, at + 1))
    if (bytes[at + 1] === 0xda) found += 1;
  return found;
}
