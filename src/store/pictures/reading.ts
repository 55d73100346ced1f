import { proxy } from 'comlink';
import type { Scheduler, Worker as TextReader } from 'tesseract.js';

import type { ReadLine, TextRead } from '@/contract/picture';
import type { Item, Reading } from '@/contract/records';
import { readBarcode } from '@/core/identity/gtin';
import { COLOURS } from '@/core/kinds/facts';
import { measureNames } from '@/core/kinds/measureNames';
import { namesTaught } from '@/core/reading/lessons';
import type { Suggestion } from '@/core/reading/lines';
import { READ_WORDS } from '@/core/reading/sense';
import { useAttic } from '@/store/attic/attic';
import { Expected, unlessExpected } from '@/store/base/faults';
import { once } from '@/store/base/once';
import { keptWorker } from '@/store/base/workers';
import { kindsNow } from '@/store/items/kinds';
import type { BarcodeWorker } from '@/workers/barcode.worker';
import type { Original } from '@/workers/picture.worker';

import { readingWorker } from './pictureWorker';
import { addReadings, makerOf, type Found } from './readings';

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

/** Readers of text: some megabytes each, loaded when they are first wanted. */
const textReader = once((): Promise<Scheduler> => {
  const reader = startReaders();
  // Whoever waits for it is told; the next one tries anew.
  reader.catch(textReader.forget);
  return reader;
});

/** Two, where the machine has as many processors: a board is read several times, pictures are several. */
async function startReaders(): Promise<Scheduler> {
  const tesseract = await import('tesseract.js');
  const readers = tesseract.createScheduler();
  const start = async () => readers.addWorker(await startReader(tesseract));
  await Promise.all(Array.from({ length: navigator.hardwareConcurrency > 1 ? 2 : 1 }, start));
  return readers;
}

async function startReader({ createWorker, PSM }: typeof import('tesseract.js')): Promise<TextReader> {
  const made = await createWorker('eng', 1, {
    workerPath: '/vision/textReader.js',
    corePath: '/vision',
    langPath: '/vision',
    workerBlobURL: false,
  });
  // A resolution is named so that the reader does not estimate one, and say so.
  // What it finds odd in a picture it would say aloud: that is nobody's fault.
  const quiet = { debug_file: '/dev/null' };
  await made.setParameters({ tessedit_pageseg_mode: PSM.AUTO, user_defined_dpi: '300', ...quiet });
  return made;
}

/** One that does not answer is ended, and another is started when it is needed. */
function endReader(reader: Promise<Scheduler>): void {
  textReader.forget();
  void reader.then((r) => r.terminate()).catch(unlessExpected('reading a label'));
}

/** What the reader makes of one block of text, as lines with their places in it. */
async function recognised(block: Blob, width: number, height: number): Promise<ReadLine[]> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const reader = textReader();
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => {
      endReader(reader);
      fail(new Expected('The reader did not answer: is the server there?'));
    }, PATIENCE);
  });
  const read = reader.then((r) => r.addJob('recognize', block, {}, { text: true, blocks: true }));
  const { data } = await Promise.race([read, late]).finally(() => clearTimeout(timer));
  return (data.blocks ?? []).flatMap((b) =>
    b.paragraphs.flatMap((p) =>
      p.lines.map(({ text, confidence, bbox }): ReadLine => ({
        text: text.trim(),
        confidence,
        box: [bbox.x0 / width, bbox.y0 / height, (bbox.x1 - bbox.x0) / width, (bbox.y1 - bbox.y0) / height],
      })),
    ),
  );
}

/** What stands in a picture: a barcode, and lines of text as each of two readers has them. */
export interface Standing {
  code: { digits: string; box: Reading['box'] } | null;
  read: TextRead;
}

/** Reads barcode and text of a picture. */
export async function standingIn(original: Original, item: Item): Promise<Standing> {
  const words = [...brandsOf(), ...coloursOf(item), ...measureNamesOf(item)];
  // Each has a worker of its own.
  const [code, read] = await Promise.all([
    barcodeIn(original.blob, true),
    linesOf(original, [...wordsIn(words), ...READ_WORDS]),
  ]);
  return { code, read };
}

/** What lines of text say of an item of its kind, with a doubt where there is one. */
export async function saidBy(read: TextRead, item: Item): Promise<Suggestion[]> {
  const kinds = kindsNow();
  const { units, lessons } = useAttic.getState().settings;
  return readingWorker().suggested(read, {
    measures: namesTaught(kinds.measures(item.kind), lessons),
    measureSets: kinds.get(item.kind) ? [] : kinds.measureSets.map((set) => namesTaught(set, lessons)),
    units,
    taught: lessons,
    maker: makerOf(item),
    brands: brandsOf(),
    colours: coloursOf(item),
    asked: kinds.facts(item.kind).map(({ id }) => id),
  });
}

function coloursOf(item: Item): readonly string[] {
  return kindsNow().fact(item.kind, 'colour')?.choices ?? COLOURS;
}

/** Names of the kind's measurements; of all kinds' where it is not known. */
function measureNamesOf(item: Item): string[] {
  const kinds = kindsNow();
  const measures = kinds.get(item.kind) ? kinds.measures(item.kind) : kinds.measureSets.flat();
  const { lessons } = useAttic.getState().settings;
  return [...new Set(namesTaught(measures, lessons).flatMap(measureNames))];
}

/** What stands in a picture. A failure of the reader comes back from the worker as it was, not as a copy. */
async function linesOf(original: Original, words: readonly string[]): Promise<TextRead> {
  let failure: unknown;
  const engine = (block: Blob, width: number, height: number) =>
    recognised(block, width, height).catch((error: unknown) => {
      failure = error;
      throw error;
    });
  try {
    return await readingWorker().text(original, proxy(engine), words);
  } catch (error) {
    throw failure ?? error;
  }
}

/** Brands the person had before. */
function brandsOf(): string[] {
  return [...new Set(Object.values(useAttic.getState().items).flatMap(({ facts }) => facts.brand ?? []))];
}

function wordsIn(texts: readonly string[]): string[] {
  return texts.flatMap((text) => text.toLocaleLowerCase('en').match(/\p{L}{3,}/gu) ?? []);
}

/** A barcode that the live camera saw. */
export function addBarcode(itemId: string, digits: string): void {
  addReadings(itemId, null, [barcodeFound(digits, [0, 0, 1, 1])]);
}

export function barcodeFound(digits: string, box: Reading['box']): Found {
  return { field: 'fact:barcode', value: digits, words: digits, box, confidence: 99 };
}
