import '@/contract/noEval';

import { expose } from 'comlink';
import { prepareZXingModule, readBarcodes, type ReaderOptions } from 'zxing-wasm/reader';

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
    // Misses go away at another size or angle: bars then fall differently on the pixels.
    const tries = thorough
      ? [
          { scale: 1, turn: 0 },
          { scale: 0.75, turn: 0 },
          { scale: 1, turn: 45 },
        ]
      : [{ scale: 1, turn: 0 }];
    for (const { scale, turn } of tries) {
      const pixels = seen(bitmap, scale, turn);
      const found = (await readBarcodes(pixels, OPTIONS)).find((r) => r.isValid && r.text !== '');
      if (!found) continue;
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
    return null;
  } finally {
    bitmap.close();
  }
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
