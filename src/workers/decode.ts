import exifr from 'exifr/dist/lite.esm.mjs';
import { imageSize } from 'image-size';

import { fileKind, tooLarge } from '@/core/picture/fileKind';

export type Decoded = { ok: true; bitmap: ImageBitmap; takenAt: number | null } | { ok: false; why: string };

/** Enough of a file to find its size in: notes of a camera may come before it. */
const HEAD = 700_000;

/** Makes pixels of whatever file a person gives, or says why not. Nothing in it is believed before it is checked. */
export async function decode(file: Blob): Promise<Decoded> {
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  const kind = fileKind(head.subarray(0, 16));
  if (kind === 'empty') return { ok: false, why: 'The file is empty.' };
  const size = declaredSize(head);
  const refused = size && tooLarge(size.width, size.height);
  if (refused) return { ok: false, why: refused };
  try {
    const bitmap =
      kind === 'heic'
        ? await decodeHeic(file)
        : await createImageBitmap(file, { imageOrientation: 'from-image' });
    const large = tooLarge(bitmap.width, bitmap.height);
    if (large) {
      bitmap.close();
      return { ok: false, why: large };
    }
    return { ok: true, bitmap, takenAt: kind === 'jpeg' || kind === 'heic' ? await takenTime(file) : null };
  } catch (error) {
    if (error instanceof Missing) return { ok: false, why: error.message };
    return {
      ok: false,
      why: kind === 'unknown' ? 'This is not a picture.' : 'The picture is damaged and can’t be read.',
    };
  }
}

/** The size a file's head says it has, without decoding: a small file can claim to be enormous. */
function declaredSize(head: Uint8Array): { width: number; height: number } | null {
  try {
    return imageSize(head);
  } catch {
    return null;
  }
}

async function takenTime(file: Blob): Promise<number | null> {
  try {
    const tags = (await exifr.parse(file, ['DateTimeOriginal'])) as { DateTimeOriginal?: Date } | undefined;
    const at = tags?.DateTimeOriginal?.getTime();
    return at !== undefined && Number.isFinite(at) && at > 0 ? at : null;
  } catch {
    return null;
  }
}

// ---- HEIC: no browser here reads it by itself, so a decoder is loaded with the first such file -------------

interface HeifImage {
  get_width(): number;
  get_height(): number;
  display(target: ImageData, done: (result: ImageData | null) => void): void;
  free(): void;
}
interface Heif {
  HeifDecoder: new () => { decode(bytes: Uint8Array): HeifImage[] };
}
declare const self: { importScripts(address: string): void; libheif?: () => Heif | Promise<Heif> };

class Missing extends Error {}

let heif: Heif | null = null;

async function decodeHeic(file: Blob): Promise<ImageBitmap> {
  if (!heif) {
    try {
      self.importScripts('/vision/libheif-bundle.js');
    } catch {
      throw new Missing(
        'The reader for HEIC pictures could not be loaded. Try again when the server is there.',
      );
    }
    heif = (await self.libheif?.()) ?? null;
  }
  const image = new heif!.HeifDecoder().decode(new Uint8Array(await file.arrayBuffer()))[0];
  if (!image) throw new Error('no picture in it');
  const [width, height] = [image.get_width(), image.get_height()];
  if (tooLarge(width, height)) throw new Missing(tooLarge(width, height) ?? '');
  const pixels = await new Promise<ImageData>((done, fail) =>
    image.display(new ImageData(width, height), (result) =>
      result ? done(result) : fail(new Error('damaged')),
    ),
  );
  image.free();
  return createImageBitmap(pixels);
}
