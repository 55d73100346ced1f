import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { createCanvas } from '@napi-rs/canvas';
import piexif from 'piexifjs';

import { gansey } from '../demo/draw/clothes';
import { photograph, type Shot } from '../demo/draw/studio';

const folder = mkdtempSync(join(tmpdir(), 'attic-pictures-'));

/** Where the phone was; must never be seen again. */
export const GPS = { latitude: [[51, 1], [30, 1], [0, 1]], longitude: [[0, 1], [7, 1], [0, 1]] }; // prettier-ignore

/**
 * A JPEG as a phone held upright writes it: 12 megapixels lying on their side (4000 × 3000), Exif
 * orientation 6, the place where it was taken, and a date. Upright it is 3000 × 4000, red at the top.
 */
export async function phonePicture(name = 'phone.jpg'): Promise<string> {
  const canvas = createCanvas(4_000, 3_000);
  const pen = canvas.getContext('2d');
  const garment = photograph(gansey, { name: 'front' }, 5, 1_500);
  // Stored turned a quarter to the left: what is at the stored left edge is at the top when upright.
  pen.translate(0, 3_000);
  pen.rotate(-Math.PI / 2);
  pen.fillStyle = '#d8d2c6';
  pen.fillRect(0, 0, 3_000, 4_000);
  pen.drawImage(garment, 0, 500, 3_000, 3_000);
  pen.fillStyle = '#d01818';
  pen.fillRect(0, 0, 3_000, 400);
  const jpeg = await canvas.encode('jpeg', 88);
  const exif = piexif.dump({
    '0th': { [piexif.ImageIFD.Orientation]: 6, [piexif.ImageIFD.Make]: 'Hobley' },
    Exif: { [piexif.ExifIFD.DateTimeOriginal]: '2026:11:08 09:30:00' },
    GPS: {
      [piexif.GPSIFD.GPSLatitudeRef]: 'N',
      [piexif.GPSIFD.GPSLatitude]: GPS.latitude,
      [piexif.GPSIFD.GPSLongitudeRef]: 'W',
      [piexif.GPSIFD.GPSLongitude]: GPS.longitude,
    },
  });
  const bytes = Buffer.from(piexif.insert(exif, jpeg.toString('binary')), 'binary');
  return keep(name, bytes);
}

const made = new Map<string, string>();

/** A picture of the gansey, 1500 pixels square; drawn once a name. */
export async function garmentPicture(name: string, shot: Omit<Shot, 'name'>, seed: number): Promise<string> {
  if (!made.has(name))
    made.set(name, keep(name, await photograph(gansey, { name, ...shot }, seed, 1_500).encode('jpeg', 82)));
  return made.get(name) ?? '';
}

export function keep(name: string, bytes: Uint8Array): string {
  const file = join(folder, name);
  writeFileSync(file, bytes);
  return file;
}
