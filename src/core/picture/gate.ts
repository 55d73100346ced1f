import { imageSize } from 'image-size';

import { fileType, tooLarge, type FileType } from './fileType';

/** What is known of a picture before anything of it is decoded. */
export type Gate =
  | { ok: true; kind: Exclude<FileType, 'empty' | 'unknown'>; width: number; height: number }
  | { ok: false; why: string };

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
 * @returns what it says it is, or why it is not taken, in words for a person
 */
export function pictureGate(bytes: Uint8Array, size = bytes.length): Gate {
  const kind = fileType(bytes.subarray(0, 16));
  if (kind === 'empty') return { ok: false, why: 'The file is empty.' };
  if (kind === 'unknown') return { ok: false, why: 'This is not a picture.' };
  if (size > MOST_PICTURE_BYTES)
    return {
      ok: false,
      why: `The file has ${Math.round(size / 1_000_000)} MB; up to ${MOST_PICTURE_BYTES / 1_000_000} are read here.`,
    };
  const claimed = claimedSize(bytes);
  if (!claimed) return { ok: false, why: 'The picture is damaged and can’t be read.' };
  const { width, height } = claimed;
  if (Math.max(width, height) > LONGEST_SIDE)
    return {
      ok: false,
      why: `It is ${Math.max(width, height)} pixels long; up to ${LONGEST_SIDE} can be read here.`,
    };
  const large = tooLarge(width, height);
  if (large) return { ok: false, why: large };
  if (kind === 'jpeg' && passes(bytes) > MOST_PASSES)
    return { ok: false, why: 'The picture is made of more passes than any camera makes. It was not read.' };
  return { ok: true, kind, width, height };
}

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
