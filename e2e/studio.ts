import { createCanvas, loadImage } from '@napi-rs/canvas';
import bwipjs from 'bwip-js/node';
import { writeFileSync } from 'node:fs';
import piexif from 'piexifjs';

import { examine } from '@/core/pixels/examine';

import { GPS, MEASURED_SCENE, type Wanted } from './pictures';
import * as clothes from '../demo/draw/clothes';
import { photographMeasured } from '../demo/draw/measured';
import * as objects from '../demo/draw/objects';
import { photograph, type Subject } from '../demo/draw/studio';
import { careLabel, whiteboard } from '../demo/draw/words';

const SUBJECTS: Record<string, Subject> = { ...clothes, ...objects };
const { gansey } = clothes;

/*
 * Draws one picture for the browser tests, in a process of its own: drawing is ten times as slow inside
 * the test runner. First argument: what is wanted, as JSON; second: the file to write.
 */

/**
 * A JPEG as a phone held upright writes it: 12 megapixels lying on their side (4000 × 3000), Exif
 * orientation 6, the place where it was taken, and a date. Upright it is 3000 × 4000, red at the top.
 */
async function phone(): Promise<Buffer> {
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
  return Buffer.from(piexif.insert(exif, jpeg.toString('binary')), 'binary');
}

/** A barcode on a box of its own, as a camera or file shows it. */
async function barcode(digits: string): Promise<Buffer> {
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
  return canvas.encode('jpeg', 88);
}

function draw(wanted: Wanted): Promise<Buffer> {
  switch (wanted.what) {
    case 'garment':
      return photograph(
        SUBJECTS[wanted.of] ?? gansey,
        { name: 'front', ...wanted.shot },
        wanted.seed,
        wanted.side,
      ).encode('jpeg', 82);
    case 'phone':
      return phone();
    case 'barcode':
      return barcode(wanted.digits);
    case 'measured':
      return photographMeasured({ ...MEASURED_SCENE, subject: gansey }).picture.encode('jpeg', 90);
    case 'huge':
      return createCanvas(10_000, 10_000).encode('jpeg', 20);
    case 'label':
      return careLabel(wanted.lines, 4).encode('jpeg', 88);
    case 'whiteboard':
      return whiteboard(wanted.lines, 6).encode('jpeg', 88);
    case 'png':
      return photograph(gansey, { name: 'front' }, 31, 900).encode('png');
    case 'exam':
      return exam(wanted.of);
  }
}

async function exam(of: Wanted): Promise<Buffer> {
  const picture = await loadImage(await draw(of));
  const { width, height } = picture;
  const pen = createCanvas(width, height).getContext('2d');
  pen.drawImage(picture, 0, 0);
  const { data } = pen.getImageData(0, 0, width, height);
  return Buffer.from(JSON.stringify(examine({ width, height, data: new Uint8ClampedArray(data) })));
}

const [wanted, file] = process.argv.slice(2);
void draw(JSON.parse(wanted ?? '') as Wanted).then((bytes) => writeFileSync(file ?? '', bytes));
