import '@/contract/noEval';

import { expose } from 'comlink';
import { prepareZXingModule, readBarcodes, type ReaderOptions } from 'zxing-wasm/reader';

import { greyOf, type Plane } from '@/core/pixels/pixels';
import { barsRead } from '@/core/pixels/written/bars';
import { sureCode } from '@/core/reading/barcode';

export interface FoundBarcode {
  text: string;
  /** Left, top, width, height as shares of the picture. */
  box: [number, number, number, number];
}

export interface BarcodeWorker {
  /** @param thorough try smaller and turned too; a camera's next frame is the better second try */
  read(picture: Blob, thorough: boolean): Promise<FoundBarcode | null>;
}

// Without this the reader would be asked for elsewhere than on our own server.
prepareZXingModule({ overrides: { locateFile: (file: string) => `/vision/${file}` } });

const OPTIONS: ReaderOptions = {
  // An ISBN is an EAN-13 that begins with 978 or 979.
  formats: ['EAN13', 'EAN8', 'UPCA', 'UPCE'],
  tryHarder: true,
  tryRotate: true,
  maxNumberOfSymbols: 1,
};

async function read(picture: Blob, thorough: boolean): Promise<FoundBarcode | null> {
  const bitmap = await createImageBitmap(picture);
  try {
    return await sureCode(
      (scale, turn) => readAt(bitmap, scale, turn),
      thorough ? () => readStraightened(bitmap) : null,
    );
  } finally {
    bitmap.close();
  }
}

async function readAt(bitmap: ImageBitmap, scale: number, turn: number): Promise<FoundBarcode | null> {
  const pixels = seen(bitmap, scale, turn);
  const found = (await readBarcodes(pixels, OPTIONS)).find((r) => r.isValid && r.text !== '');
  if (!found) return null;
  const { topLeft, topRight, bottomLeft, bottomRight } = found.position;
  const xs = [topLeft.x, topRight.x, bottomLeft.x, bottomRight.x];
  const ys = [topLeft.y, topRight.y, bottomLeft.y, bottomRight.y];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const box: FoundBarcode['box'] =
    turn === 0
      ? [
          left / pixels.width,
          top / pixels.height,
          (Math.max(...xs) - left) / pixels.width,
          (Math.max(...ys) - top) / pixels.height,
        ]
      : [0, 0, 1, 1];
  return { text: found.text, box };
}

/** Bars found by their direction and set upright. */
async function readStraightened(bitmap: ImageBitmap): Promise<FoundBarcode | null> {
  const grey = greyOf(seen(bitmap, 1, 0));
  const found = await barsRead(grey, textOf);
  if (!found) return null;
  const { digits, bars } = found;
  const long = Math.max(bars.width, bars.height);
  return {
    text: digits,
    box: [
      Math.max(0, (bars.x - long / 2) / grey.width),
      Math.max(0, (bars.y - long / 2) / grey.height),
      Math.min(1, long / grey.width),
      Math.min(1, long / grey.height),
    ],
  };
}

/** EAN-13 and UPC-A only. */
async function textOf({ width, height, data }: Plane): Promise<string | null> {
  const pixels = new ImageData(width, height);
  data.forEach((value, p) => pixels.data.fill(value, p * 4, p * 4 + 3));
  for (let at = 3; at < pixels.data.length; at += 4) pixels.data[at] = 255;
  const [found] = await readBarcodes(pixels, { ...OPTIONS, formats: ['EAN13', 'UPCA'] });
  return found?.isValid && found.text !== '' ? found.text : null;
}

function seen(bitmap: ImageBitmap, scale: number, turn: number): ImageData {
  const [w, h] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const side = turn === 0 ? null : Math.ceil(Math.hypot(w, h));
  const canvas = new OffscreenCanvas(side ?? w, side ?? h);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser can’t draw in the background.');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.translate(canvas.width / 2, canvas.height / 2);
  context.rotate((turn * Math.PI) / 180);
  context.drawImage(bitmap, -w / 2, -h / 2, w, h);
  return context.getImageData(0, 0, canvas.width, canvas.height);
}

expose({ read } satisfies BarcodeWorker);
