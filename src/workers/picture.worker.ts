import { expose } from 'comlink';
import exifr from 'exifr/dist/lite.esm.mjs';

import { fileKind } from '@/core/picture/fileKind';
import { placementFor, scaledTo, type RenditionSpec } from '@/core/picture/rendition';

/** Longer side of what is kept, and of the small copy for lists. Pixels. */
const FULL = 2_000;
const THUMB = 400;

export type Prepared =
  | { ok: true; full: Blob; thumb: Blob; width: number; height: number; takenAt: number | null }
  | { ok: false; why: string };

export interface PictureWorker {
  prepare(file: Blob): Promise<Prepared>;
  rendition(full: Blob, spec: RenditionSpec & { maxBytes: number }): Promise<Blob>;
}

/**
 * Upright, scaled, and free of whatever the camera wrote along: drawing on a canvas keeps the pixels
 * and nothing else, so no location can leave the device.
 */
async function prepare(file: Blob): Promise<Prepared> {
  const kind = fileKind(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
  if (kind === 'empty') return { ok: false, why: 'The file is empty.' };
  if (kind === 'heic')
    return { ok: false, why: 'This browser can’t read HEIC pictures: set the phone’s camera to JPEG.' };
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return {
      ok: false,
      why: kind === 'unknown' ? 'This is not a picture.' : 'The picture is damaged and can’t be read.',
    };
  }
  const takenAt = kind === 'jpeg' ? await takenTime(file) : null;
  const size = scaledTo(bitmap.width, bitmap.height, FULL);
  const full = await jpeg(drawn(bitmap, size.width, size.height), 0.85);
  const small = scaledTo(bitmap.width, bitmap.height, THUMB);
  const thumb = await jpeg(drawn(bitmap, small.width, small.height), 0.8);
  bitmap.close();
  return { ok: true, full, thumb, ...size, takenAt };
}

async function rendition(full: Blob, spec: RenditionSpec & { maxBytes: number }): Promise<Blob> {
  const bitmap = await createImageBitmap(full);
  const place = placementFor(bitmap.width, bitmap.height, spec);
  const canvas = new OffscreenCanvas(place.canvasWidth, place.canvasHeight);
  const context = context2d(canvas);
  context.fillStyle = edgeColour(bitmap);
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, place.x, place.y, place.width, place.height);
  bitmap.close();
  for (const quality of [0.85, 0.75, 0.6, 0.4]) {
    const blob = await jpeg(canvas, quality);
    if (blob.size <= spec.maxBytes || quality === 0.4) return blob;
  }
  throw new Error('unreachable');
}

function context2d(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D {
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser can’t draw in the background.');
  context.imageSmoothingQuality = 'high';
  return context;
}

function drawn(bitmap: ImageBitmap, width: number, height: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = context2d(canvas);
  // JPEG has no transparency: what was clear becomes white, not black.
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.drawImage(bitmap, 0, 0, width, height);
  return canvas;
}

function jpeg(canvas: OffscreenCanvas, quality: number): Promise<Blob> {
  return canvas.convertToBlob({ type: 'image/jpeg', quality });
}

/** Mean colour of the picture's border, so that filled-up sides look like its background. */
function edgeColour(bitmap: ImageBitmap): string {
  const side = 16;
  const canvas = new OffscreenCanvas(side, side);
  const context = context2d(canvas);
  context.drawImage(bitmap, 0, 0, side, side);
  const { data } = context.getImageData(0, 0, side, side);
  const sum = [0, 0, 0];
  let n = 0;
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1)
      if (x === 0 || y === 0 || x === side - 1 || y === side - 1) {
        const at = (y * side + x) * 4;
        for (let k = 0; k < 3; k += 1) sum[k] = (sum[k] ?? 0) + (data[at + k] ?? 0);
        n += 1;
      }
  return `rgb(${sum.map((s) => Math.round(s / n)).join(' ')})`;
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

expose({ prepare, rendition } satisfies PictureWorker);
