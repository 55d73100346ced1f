import { proxy } from 'comlink';
import type { Scheduler, Worker as TextReader } from 'tesseract.js';

import type { Item, Picture, Reading } from '@/contract/records';
import { readBarcode } from '@/core/identity/gtin';
import { COLOURS } from '@/core/kinds/facts';
import type { ReadLine } from '@/core/reading/lines';
import type { TextRead } from '@/core/reading/readText';
import { READ_WORDS } from '@/core/reading/sense';
import { useAttic } from '@/store/attic/attic';
import { Expected, unlessExpected } from '@/store/base/faults';
import { once } from '@/store/base/once';
import { keptWorker } from '@/store/base/workers';
import { kindsNow } from '@/store/items/kinds';
import type { BarcodeWorker } from '@/workers/barcode.worker';

import { colourIn } from './colours';
import { readOriginal } from './pictures';
import { pictureWorker } from './pictureWorker';
import { addReadings, type Found } from './readings';

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
  const kinds = kindsNow();
  const measures = kinds.measures(item.kind);
  const colours = kinds.fact(item.kind, 'colour')?.choices ?? COLOURS;
  const brands = brandsOf(Object.values(useAttic.getState().items));
  const words = wordsIn([
    ...brands,
    ...colours,
    ...measures.flatMap((m) => [m.name, ...(m.alsoCalled ?? [])]),
  ]);
  // Each has a worker of its own.
  const [code, read] = await Promise.all([barcodeIn(blob, true), linesOf(blob, [...words, ...READ_WORDS])]);
  const said = await pictureWorker().suggested(read, {
    measures,
    units: useAttic.getState().settings.units,
    brands,
    colours,
    asked: kinds.facts(item.kind).map(({ id }) => id),
  });
  const found: Found[] = [...(code ? [barcodeFound(code.digits, code.box)] : []), ...said];
  // A picture of words is one of a label or a board, and that has colours of its own.
  const picture = useAttic.getState().pictures[pictureId];
  const isText = read.page.length + read.line.length > 0;
  if (picture?.exam && isOfThing(picture) && !isText)
    found.push(...colourIn(item, picture, await pictureWorker().colours(picture.exam)));
  return addReadings(itemId, pictureId, found);
}

const isOfThing = ({ shows }: Picture) => shows === '' || shows === 'front' || shows === 'back';

/** What stands in a picture. A failure of the reader comes back from the worker as it was, not as a copy. */
async function linesOf(blob: Blob, words: readonly string[]): Promise<TextRead> {
  let failure: unknown;
  const engine = (block: Blob, width: number, height: number) =>
    recognised(block, width, height).catch((error: unknown) => {
      failure = error;
      throw error;
    });
  try {
    return await pictureWorker().text(blob, proxy(engine), words);
  } catch (error) {
    throw failure ?? error;
  }
}

function brandsOf(items: readonly Item[]): string[] {
  return [...new Set(items.flatMap(({ facts }) => facts.brand ?? []))];
}

function wordsIn(texts: readonly string[]): string[] {
  return texts.flatMap((text) => text.toLocaleLowerCase('en').match(/\p{L}{3,}/gu) ?? []);
}

/** A barcode that the live camera saw. */
export function addBarcode(itemId: string, digits: string): void {
  addReadings(itemId, null, [barcodeFound(digits, [0, 0, 1, 1])]);
}

function barcodeFound(digits: string, box: Reading['box']): Found {
  return { field: 'fact:barcode', value: digits, words: digits, box, confidence: 99 };
}
