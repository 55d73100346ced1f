import type { Worker as TextReader } from 'tesseract.js';

import type { Reading } from '@/contract/records';
import { readBarcode } from '@/core/identity/gtin';
import { LEAST_CONFIDENCE, suggestionsFrom, type ReadLine, type Suggestion } from '@/core/reading/labelText';
import { useAttic } from '@/store/attic/attic';
import { Expected, unlessExpected } from '@/store/base/faults';
import { once } from '@/store/base/once';
import { keptWorker } from '@/store/base/workers';
import { kindsNow } from '@/store/items/kinds';
import type { BarcodeWorker } from '@/workers/barcode.worker';

import { readOriginal } from './pictures';
import { pictureWorker } from './pictureWorker';
import { addReadings } from './readings';

const barcodes = keptWorker<BarcodeWorker>(
  'looking for a barcode',
  () => new Worker(new URL('../../workers/barcode.worker.ts', window.location.href)),
);

/** Reads a barcode in a picture. @returns its digits, checked; null when there is none */
export async function barcodeIn(
  picture: Blob,
  thorough: boolean,
): Promise<{ digits: string; box: Reading['box'] } | null> {
  const found = await barcodes.ask.read(picture, thorough);
  return found && readBarcode(found.text).ok ? { digits: found.text, box: found.box } : null;
}

/** How long reading text may take, milliseconds: the reader never settles when its data is missing. */
const PATIENCE = 40_000;

/** The reader of text: some megabytes, loaded when it is first wanted. */
const textReader = once((): Promise<TextReader> => {
  const reader = startReader();
  // Whoever waits for it is told; the next one tries anew.
  reader.catch(textReader.forget);
  return reader;
});

async function startReader(): Promise<TextReader> {
  const { createWorker, PSM } = await import('tesseract.js');
  const made = await createWorker('eng', 1, {
    workerPath: '/vision/worker.min.js',
    corePath: '/vision',
    langPath: '/vision',
    workerBlobURL: false,
  });
  // A resolution is named so that the reader does not estimate one, and say so.
  await made.setParameters({ tessedit_pageseg_mode: PSM.AUTO, user_defined_dpi: '300' });
  return made;
}

/** One that does not answer is ended, and another is started when it is needed. */
function endReader(reader: Promise<TextReader>): void {
  textReader.forget();
  void reader.then((r) => r.terminate()).catch(unlessExpected('reading a label'));
}

/**
 * The lines of text in a picture. Upside-down text comes out as junk of little confidence: then turned once.
 */
async function textIn(picture: Blob): Promise<ReadLine[]> {
  let best: { lines: ReadLine[]; score: number } = { lines: [], score: 0 };
  for (const degrees of [0, 180, 90, 270]) {
    const blob = degrees === 0 ? picture : await pictureWorker().turned(picture, degrees);
    const lines = await recognised(blob);
    // Empty is no success, however sure the reader is of it.
    const score = lines.reduce(
      (s, l) => s + (l.confidence >= LEAST_CONFIDENCE ? l.text.length * l.confidence : 0),
      0,
    );
    const turnedLines = degrees === 0 ? lines : lines.map((l): ReadLine => ({ ...l, box: [0, 0, 1, 1] }));
    if (score > best.score) best = { lines: turnedLines, score };
    if (score > 600) break;
  }
  return best.lines;
}

async function recognised(blob: Blob): Promise<ReadLine[]> {
  const bitmap = await createImageBitmap(blob);
  const { width, height } = bitmap;
  bitmap.close();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const reader = textReader();
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => {
      endReader(reader);
      fail(new Expected('The reader did not answer: is the server there?'));
    }, PATIENCE);
  });
  const read = reader.then((r) => r.recognize(blob, {}, { text: true, blocks: true }));
  const { data } = await Promise.race([read, late]).finally(() => clearTimeout(timer));
  return (data.blocks ?? []).flatMap((b) =>
    b.paragraphs.flatMap((p) =>
      p.lines.map((l): ReadLine => ({
        text: l.text.trim(),
        confidence: l.confidence,
        box: [
          l.bbox.x0 / width,
          l.bbox.y0 / height,
          (l.bbox.x1 - l.bbox.x0) / width,
          (l.bbox.y1 - l.bbox.y0) / height,
        ],
      })),
    ),
  );
}

/** Shots whose words are read by themselves. */
export const READ_BY_ITSELF: ReadonlySet<string> = new Set(['label', 'mark']);

/**
 * Reads barcode and text of one picture; what was found waits at the item for a person to confirm.
 *
 * @returns how many readings are new
 */
export async function readPicture(itemId: string, pictureId: string): Promise<number> {
  const blob = await readOriginal(pictureId);
  const item = useAttic.getState().items[itemId];
  if (!blob || !item) return 0;
  const found: Suggestion[] = [];
  const code = await barcodeIn(blob, true);
  if (code) found.push(barcodeFound(code.digits, code.box));
  const lines = await textIn(blob);
  found.push(...suggestionsFrom(lines, kindsNow().measures(item.kind), useAttic.getState().settings.units));
  return addReadings(itemId, pictureId, found);
}

/** A barcode that the live camera saw. */
export function addBarcode(itemId: string, digits: string): void {
  addReadings(itemId, null, [barcodeFound(digits, [0, 0, 1, 1])]);
}

function barcodeFound(digits: string, box: Reading['box']): Suggestion {
  return { field: 'fact:barcode', value: digits, words: digits, box, confidence: 99 };
}
