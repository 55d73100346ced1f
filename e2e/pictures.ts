import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { createCanvas, loadImage } from '@napi-rs/canvas';
import bwipjs from 'bwip-js/node';
import piexif from 'piexifjs';

import { gansey } from '../demo/draw/clothes';
import { photographMeasured } from '../demo/draw/measured';
import { photograph, type Shot } from '../demo/draw/studio';
import { careLabel, whiteboard } from '../demo/draw/words';

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

/** A barcode on a box of its own, as a camera or file shows it. */
export async function barcodePicture(name: string, digits: string): Promise<string> {
  const png = await bwipjs.toBuffer({ bcid: 'ean13', text: digits, scale: 4, height: 22, includetext: true });
  const code = await loadImage(png);
  const canvas = createCanvas(1_280, 960);
  const pen = canvas.getContext('2d');
  pen.fillStyle = '#b48a58';
  pen.fillRect(0, 0, 1_280, 960);
  pen.translate(640, 480);
  pen.rotate(0.1);
  pen.fillStyle = '#fdfdfa';
  pen.fillRect(-330, -230, 660, 460);
  pen.drawImage(code, -260, -150, 520, 300);
  return keep(name, await canvas.encode('jpeg', 88));
}

/** The gansey beside an A4 sheet, taken with the camera tilted: one unit of the drawing is 1.33 mm. */
export const MEASURED_SCENE = {
  subject: gansey,
  floor: 'plaster',
  reference: 'a4',
  mmPerUnit: 1.33,
  at: [850, 110] as [number, number],
  turn: 6,
  tilt: 20,
  lean: 50,
  size: 1_500,
  seed: 3,
} as const;

export async function measuredPicture(name: string) {
  const made = photographMeasured({ ...MEASURED_SCENE });
  return { file: keep(name, await made.picture.encode('jpeg', 90)), place: made.place };
}

/** A hundred megapixels: nothing to look at, but much too large. */
export async function hugePicture(name: string): Promise<string> {
  return keep(name, await createCanvas(10_000, 10_000).encode('jpeg', 20));
}

export async function labelPicture(name: string, lines: readonly string[]): Promise<string> {
  return keep(name, await careLabel(lines, 4).encode('jpeg', 88));
}

export async function whiteboardPicture(name: string, lines: readonly string[]): Promise<string> {
  return keep(name, await whiteboard(lines, 6).encode('jpeg', 88));
}

/** A PNG whose name says something else. */
export async function pngNamedJpeg(name: string): Promise<string> {
  return keep(name, await photograph(gansey, { name: 'front' }, 31, 900).encode('png'));
}
