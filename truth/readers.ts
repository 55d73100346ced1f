import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { prepareZXingModule, readBarcodes, type ReaderOptions } from 'zxing-wasm/reader';

import type { TextRead } from '@/contract/picture';
import { COLOURS } from '@/core/kinds/facts';
import { measureNames } from '@/core/kinds/measureNames';
import { BUILT_IN } from '@/core/kinds/tree';
import { greyOf, type Pixels, type Plane } from '@/core/pixels/pixels';
import { barsRead } from '@/core/pixels/written/bars';
import { agreed } from '@/core/reading/agreed';
import { sureCode } from '@/core/reading/barcode';
import { suggestionsFrom, type Reader } from '@/core/reading/labelText';
import { LineReader } from '@/core/reading/lineReader/lineReader';
import type { Suggestion } from '@/core/reading/lines';
import { readText } from '@/core/reading/readText';
import { READ_WORDS } from '@/core/reading/sense';

import { linesIn, startEngine } from './engine';
import { pixelsOf } from './lens';

const OPTIONS: ReaderOptions = { formats: ['EAN13', 'UPCA'], tryHarder: true, tryRotate: true };
const WEIGHTS = join(__dirname, '../assets/lineReader.bin');
const WASM = join(__dirname, '../node_modules/zxing-wasm/dist/reader/zxing_reader.wasm');

/** The readers of text that the pages use. */
export interface TextReaders {
  read(picture: Pixels): Promise<TextRead>;
  stop(): Promise<unknown>;
}

export async function startReaders(): Promise<TextReaders> {
  const engine = await startEngine();
  const lines = new LineReader(readFileSync(WEIGHTS));
  const names = [...COLOURS, ...BUILT_IN.measures('jumper').flatMap(measureNames)];
  const words = names.flatMap((name) => name.toLocaleLowerCase('en').split(' '));
  const known = new Set([...READ_WORDS, ...words]);
  return {
    read: (picture) =>
      readText(
        greyOf(picture),
        { page: (plane) => linesIn(engine, plane), line: (strip) => lines.read(strip) },
        (word) => known.has(word),
      ),
    stop: () => engine.terminate(),
  };
}

/** What lines say, as both readers have it. */
export function saidBy({ page, line }: TextRead, reader: Reader): Suggestion[] {
  return agreed(suggestionsFrom(page, reader), suggestionsFrom(line, reader));
}

export function prepareBarcodes(): void {
  const wasm = readFileSync(WASM);
  prepareZXingModule({
    overrides: { wasmBinary: wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.byteLength) },
  });
}

/** The digits of a picture's barcode; null where none is read. */
export async function digitsIn(picture: Pixels): Promise<string | null> {
  const whole = createCanvas(picture.width, picture.height);
  const image = whole.getContext('2d').createImageData(picture.width, picture.height);
  image.data.set(picture.data);
  whole.getContext('2d').putImageData(image, 0, 0);
  const asSeen = (text: string | null) => (text === null ? null : { text });
  const found = await sureCode(
    async (scale, turn) => asSeen(await turnedText(whole, scale, turn)),
    async () => asSeen((await barsRead(greyOf(picture), ofPlane))?.digits ?? null),
  );
  return found?.text ?? null;
}

/** As the worker draws it. */
function turnedText(whole: Canvas, scale: number, turn: number): Promise<string | null> {
  const [w, h] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
  const side = turn === 0 ? null : Math.ceil(Math.hypot(w, h));
  const canvas = createCanvas(side ?? w, side ?? h);
  const g = canvas.getContext('2d');
  g.fillStyle = '#fff';
  g.fillRect(0, 0, canvas.width, canvas.height);
  g.translate(canvas.width / 2, canvas.height / 2);
  g.rotate((turn * Math.PI) / 180);
  g.drawImage(whole, -w / 2, -h / 2, w, h);
  return textOf(canvas.width, canvas.height, pixelsOf(canvas).data);
}

function ofPlane({ width, height, data }: Plane): Promise<string | null> {
  const rgba = new Uint8ClampedArray(width * height * 4).fill(255);
  data.forEach((value, p) => rgba.fill(value, p * 4, p * 4 + 3));
  return textOf(width, height, rgba);
}

async function textOf(width: number, height: number, data: Uint8ClampedArray): Promise<string | null> {
  // An ImageData by its shape: Node has no such class.
  const image = { width, height, data, colorSpace: 'srgb' } as ImageData;
  const [found] = await readBarcodes(image, OPTIONS);
  return found?.isValid && found.text !== '' ? found.text : null;
}
