import { clipType } from '../picture/clipPrivacy';
import { fileType } from '../picture/fileType';

/** Where the head of a kept copy stands in its archive. */
export const HEAD_NAME = 'attic.json';
export const SETTINGS_NAME = 'settings.json';
/** Where a copy says which files beside it hold its bytes, if it does not hold them itself. */
export const BESIDE_NAME = 'beside.json';
/** The folder beside copies that holds their bytes. */
export const BYTES_FOLDER = 'attic-pictures';

/** Kinds of bytes an attic keeps, by the ending of their file. */
const ENDINGS: Record<string, string> = {
  jpg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
  mp4: 'video/mp4',
  mov: 'video/quicktime',
  webm: 'video/webm',
  pdf: 'application/pdf',
  /** Whatever else: kept as it is, and never taken for a picture. */
  bin: '',
};

/** The file that holds all records of a collection. */
export function recordsName(collection: string): string {
  return `records/${collection}.json`;
}

const KEY = /^(?:picture:[A-Za-z0-9_-]{1,64}:(?:original|full|thumb|clip)|label:[A-Za-z0-9_-]{1,64})$/u;

/**
 * The file in which stored bytes stand.
 *
 * @param key where the attic keeps them: `picture:ID:full`, `label:ID`
 * @param type their media type; what is not known ends in `bin`
 * @returns null for a key that no attic has
 */
export function bytesName(key: string, type: string): string | null {
  if (!KEY.test(key)) return null;
  const plain = type.split(';')[0]?.trim().toLowerCase() ?? '';
  const ending = Object.entries(ENDINGS).find(([, t]) => t === plain)?.[0] ?? 'bin';
  return `${key.replaceAll(':', '/')}.${ending}`;
}

/**
 * Where bytes of this file belong in an attic; null for any other file: whatever else is in an archive is
 * left alone.
 */
export function bytesOfName(name: string): { key: string; type: string } | null {
  const [, path = '', ending = ''] = /^([^.]+)\.([a-z0-9]+)$/u.exec(name) ?? [];
  const key = path.replaceAll('/', ':');
  const type = ENDINGS[ending];
  return type !== undefined && KEY.test(key) && !path.includes(':') ? { key, type } : null;
}

/** Whose bytes they are: the id of a picture or of an order. */
export function ownerOfKey(key: string): { collection: 'pictures' | 'orders'; id: string } {
  const [sort, id = ''] = key.split(':');
  return { collection: sort === 'label' ? 'orders' : 'pictures', id };
}

/** Whether bytes are what they say they are, by their first ones. Bytes without a type say nothing. */
export function isWhatItSays(first: Uint8Array, type: string): boolean {
  if (type.startsWith('image/')) return type === `image/${fileType(first)}`;
  // What a phone calls QuickTime is in the same container as MP4.
  if (type.startsWith('video/')) return clipType(first) === (type === 'video/quicktime' ? 'video/mp4' : type);
  return (
    type === '' || (type === 'application/pdf' && String.fromCharCode(...first.subarray(0, 5)) === '%PDF-')
  );
}
