import type { Coded, None } from '@/contract/coded';

export type FileType = 'jpeg' | 'png' | 'webp' | 'heic' | 'empty' | 'unknown';

/** What a file is by its first bytes, whatever its name says. */
export function fileType(head: Uint8Array): FileType {
  if (head.length === 0) return 'empty';
  if (head[0] === 0xff && head[1] === 0xd8 && head[2] === 0xff) return 'jpeg';
  if (head[0] === 0x89 && ascii(head, 1, 3) === 'PNG') return 'png';
  if (ascii(head, 0, 4) === 'RIFF' && ascii(head, 8, 4) === 'WEBP') return 'webp';
  // ISO base media: the brand after `ftyp` says HEIF (ISO/IEC 23008-12).
  if (ascii(head, 4, 4) === 'ftyp' && /^(heic|heix|heif|mif1|msf1|hevc)$/u.test(ascii(head, 8, 4)))
    return 'heic';
  return 'unknown';
}

function ascii(bytes: Uint8Array, from: number, length: number): string {
  return String.fromCharCode(...bytes.subarray(from, from + length));
}

/** Pixels a phone's browser can hold at once with room to work on them. */
const MOST_PIXELS = 64_000_000;

/** Why a file is not taken for a picture or a clip: sizes in bytes, lengths and areas in pixels. */
export interface PictureTroubleParams {
  empty: None;
  notPicture: None;
  damaged: None;
  fileTooLarge: { size: number; most: number };
  tooLong: { long: number; most: number };
  tooManyPixels: { pixels: number; most: number };
  tooManyPasses: None;
  /** What reads it could not be loaded. */
  readerMissing: None;
  clipTooLarge: { most: number };
  clipTooLong: { seconds: number; most: number };
  clipUnplayable: None;
}
export type PictureTrouble = Coded<PictureTroubleParams>;

/** Why a picture of this size is not taken; null when it is. */
export function tooLarge(width: number, height: number): PictureTrouble | null {
  const pixels = width * height;
  return pixels <= MOST_PIXELS ? null : { code: 'tooManyPixels', params: { pixels, most: MOST_PIXELS } };
}
