import exifr from 'exifr/dist/lite.esm.mjs';

import { NONE } from '@/contract/coded';
import { fieldsOf } from '@/contract/fields';
import { fileType, tooLarge, type PictureTrouble } from '@/core/picture/fileType';
import { MOST_PICTURE_BYTES, pictureGate, type Gate } from '@/core/picture/gate';

export type Decoded =
  { ok: true; bitmap: ImageBitmap; takenAt: number | null } | { ok: false; why: PictureTrouble };

/** Enough of a file to find its size in: notes of a camera may come before it. */
const HEAD = 700_000;

/**
 * Makes pixels of whatever file a person gives, or says why not. Nothing in it is believed before it is
 * checked.
 */
export async function decode(file: Blob): Promise<Decoded> {
  const gate = await gateOf(file);
  if (!gate.ok) return gate;
  const { kind } = gate;
  try {
    const bitmap =
      kind === 'heic'
        ? await decodeHeic(file)
        : await createImageBitmap(file, { imageOrientation: 'from-image' });
    // What it says it is, and what comes out of it, may differ.
    const large = tooLarge(bitmap.width, bitmap.height);
    if (large) {
      bitmap.close();
      return { ok: false, why: large };
    }
    return { ok: true, bitmap, takenAt: kind === 'jpeg' || kind === 'heic' ? await takenTime(file) : null };
  } catch (error) {
    const damaged = { code: 'damaged', params: NONE } as const;
    return { ok: false, why: error instanceof NotRead ? error.why : damaged };
  }
}

/**
 * What is known of a file before it is decoded; all of it is looked through where its size stands far behind.
 */
export async function gateOf(file: Blob): Promise<Gate> {
  const kind = fileType(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
  const whole = kind === 'jpeg' || file.size <= HEAD;
  // How many passes there are only the whole file tells; one that is too large is not even read.
  const bytes = new Uint8Array(await file.slice(0, whole ? MOST_PICTURE_BYTES : HEAD).arrayBuffer());
  return pictureGate(bytes, file.size);
}

async function takenTime(file: Blob): Promise<number | null> {
  try {
    const { DateTimeOriginal: taken } = fieldsOf(await exifr.parse(file, ['DateTimeOriginal']));
    const at = taken instanceof Date ? taken.getTime() : undefined;
    return at !== undefined && Number.isFinite(at) && at > 0 ? at : null;
  } catch {
    return null;
  }
}

// ---- HEIC: no browser here reads it by itself, so a decoder is loaded with the first such file
// -------------

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

class NotRead extends Error {
  constructor(readonly why: PictureTrouble) {
    super(why.code);
  }
}

let heif: Heif | null = null;

async function decodeHeic(file: Blob): Promise<ImageBitmap> {
  if (!heif) {
    try {
      self.importScripts('/vision/libheif-bundle.js');
    } catch {
      throw new NotRead({ code: 'readerMissing', params: NONE });
    }
    heif = (await self.libheif?.()) ?? null;
  }
  if (!heif) throw new NotRead({ code: 'readerMissing', params: NONE });
  const image = new heif.HeifDecoder().decode(new Uint8Array(await file.arrayBuffer()))[0];
  if (!image) throw new Error('no picture in it');
  const [width, height] = [image.get_width(), image.get_height()];
  const large = tooLarge(width, height);
  if (large) throw new NotRead(large);
  const pixels = await new Promise<ImageData>((done, fail) =>
    image.display(new ImageData(width, height), (result) =>
      result ? done(result) : fail(new Error('damaged')),
    ),
  );
  image.free();
  return createImageBitmap(pixels);
}
