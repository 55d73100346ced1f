import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { prepareZXingModule, readBarcodes, type ReaderOptions } from 'zxing-wasm/reader';

import { COLOURS } from '@/core/kinds/facts';
import { BUILT_IN } from '@/core/kinds/tree';
import { greyOf, type Pixels, type Plane } from '@/core/pixels/pixels';
import { barsRead } from '@/core/pixels/written/bars';
import { agreed } from '@/core/reading/agreed';
import { sureCode } from '@/core/reading/barcode';
import { suggestionsFrom } from '@/core/reading/labelText';
import { LineReader } from '@/core/reading/lineReader/lineReader';
import { readText } from '@/core/reading/readText';
import { READ_WORDS } from '@/core/reading/sense';

import type { Art } from './art';
import { barcodeScene, BARCODE_CLASSES } from './barcodes';
import { linesIn, startEngine } from './engine';
import type { Letters } from './fonts';
import { labelScene } from './labels';
import { pixelsOf } from './lens';
import { atLeast, atMost, type Verdict } from './verdict';

interface Asked {
  from: number;
  /** Pictures of each sort. */
  labels: number;
  boards: number;
  barcodes: number;
  letters: Letters;
}

/** Of what stands on labels and boards how much is proposed, and how much of what is proposed does not. */
export async function readingFigures(art: Art, asked: Asked): Promise<Verdict[]> {
  const engine = await startEngine();
  const lines = new LineReader(readFileSync(WEIGHTS));
  const measures = BUILT_IN.measures('jumper');
  const known = new Set([
    ...READ_WORDS,
    ...[...COLOURS, ...measures.flatMap((m) => [m.name, ...(m.alsoCalled ?? [])])].flatMap((name) =>
      name.toLocaleLowerCase('en').split(' '),
    ),
  ]);
  const count = new Map<string, number>();
  const add = (key: string, by = 1) => count.set(key, (count.get(key) ?? 0) + by);
  const share = (part: string, whole: string) => (count.get(part) ?? 0) / Math.max(1, count.get(whole) ?? 0);
  for (const sort of ['label', 'board'] as const)
    for (let seed = asked.from; seed < asked.from + asked[`${sort}s`]; seed += 1) {
      const { picture, truth, held } = await labelScene(art, sort, seed, asked.letters);
      const { page, line } = await readText(
        greyOf(picture),
        { page: (plane) => linesIn(engine, plane), line: (strip) => lines.read(strip) },
        (word) => known.has(word),
      );
      const reader = { measures, units: 'metric', colours: COLOURS } as const;
      const said = agreed(suggestionsFrom(page, reader), suggestionsFrom(line, reader));
      const group = sort === 'board' ? 'board' : Math.abs(held.tilt) <= 10 ? 'labelTo10' : 'labelTo20';
      const isSo = (field: string, value: string) =>
        truth[field]?.toLocaleLowerCase('en') === value.toLocaleLowerCase('en');
      for (const field of Object.keys(truth)) {
        add(`${group} facts`);
        if (said.some((s) => s.field === field && isSo(field, s.value))) add(`${group} right`);
      }
      // What is asked as a question is no proposal; care is not counted.
      for (const { field, value } of said.filter((s) => s.doubt === undefined && s.field !== 'fact:care')) {
        add(`${sort} said`);
        if (!isSo(field, value)) add(`${sort} wrong`);
      }
    }
  await engine.terminate();
  return [
    atLeast('reading.labels.to10', share('labelTo10 right', 'labelTo10 facts'), 0.9),
    atLeast('reading.labels.to20', share('labelTo20 right', 'labelTo20 facts'), 0.8),
    atMost('reading.labels.wrong', share('label wrong', 'label said'), 0.03),
    atLeast('reading.boards.right', share('board right', 'board facts'), 0.85),
    atMost('reading.boards.wrong', share('board wrong', 'board said'), 0.03),
    ...(await barcodeFigures(art, asked)),
  ];
}

const OPTIONS: ReaderOptions = { formats: ['EAN13', 'UPCA'], tryHarder: true, tryRotate: true };
const WEIGHTS = join(__dirname, '../assets/lineReader.bin');
const WASM = join(__dirname, '../node_modules/zxing-wasm/dist/reader/zxing_reader.wasm');

async function barcodeFigures(art: Art, { from, barcodes }: Asked): Promise<Verdict[]> {
  const wasm = readFileSync(WASM);
  prepareZXingModule({
    overrides: { wasmBinary: wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.byteLength) },
  });
  let wrong = 0;
  const found: Verdict[] = [];
  for (const sort of BARCODE_CLASSES) {
    let right = 0;
    for (let seed = from; seed < from + barcodes; seed += 1) {
      const { picture, digits } = await barcodeScene(art, sort, seed);
      const said = await digitsIn(picture);
      if (said === digits) right += 1;
      else if (said !== null) wrong += 1;
    }
    found.push(atLeast(`reading.barcodes.${sort}`, right / barcodes, sort === 'blurred' ? 0.6 : 0.95));
  }
  return [...found, atMost('reading.barcodes.wrongDigits', wrong, 0, 'count')];
}

async function digitsIn(picture: Pixels): Promise<string | null> {
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
