import '@/contract/noEval';

import { expose } from 'comlink';

import type { Exam, EditStep, KnownPlane, MeasureLine, Point, ReadLine, TextRead } from '@/contract/picture';
import { coloursSeen, type SeenColours } from '@/core/colour/seen';
import { drawingOf } from '@/core/measure/drawing';
import { laidLengths, type LaidLength } from '@/core/measure/laid';
import { mapCorners, type Reference } from '@/core/measure/plane';
import { findSheet, type FoundSheet } from '@/core/measure/sheet/findSheet';
import { usualLines, type WantedLine } from '@/core/measure/usual';
import type { PictureTrouble } from '@/core/picture/fileType';
import { lookOf, through } from '@/core/picture/look';
import { placementFor, scaledTo, type RenditionSpec } from '@/core/picture/rendition';
import { examine, EXAM_SIDE } from '@/core/pixels/examine';
import { fingerprintOf } from '@/core/pixels/fingerprint';
import { graymapOf } from '@/core/pixels/graymap';
import { greyOf } from '@/core/pixels/pixels';
import { agreed } from '@/core/reading/agreed';
import { suggestionsFrom, type Reader } from '@/core/reading/labelText';
import { LineReader } from '@/core/reading/lineReader/lineReader';
import type { Suggestion } from '@/core/reading/lines';
import { hasWords, readText } from '@/core/reading/readText';
import { KEPT } from '@/core/storage/room';

import { context2d, drawn, edgeColour, jpeg, pixelsOf } from './canvas';
import { decode, gateOf } from './decode';
import { drawLine, drawMeasures } from './drawMeasures';
import { PictureSession, type Proposals } from './pictureSession';

/** A picture as it is kept. */
export interface Developed {
  full: Blob;
  thumb: Blob;
  width: number;
  height: number;
  exam: Exam;
}

export type Taken =
  | ({ ok: true; takenAt: number | null; colours: SeenColours } & Developed)
  | { ok: false; why: PictureTrouble };

/** A picture before it is taken in. */
export type Sketched =
  | { ok: true; takenAt: number | null; exam: Exam; hasWords: boolean; small: Blob }
  | { ok: false; why: PictureTrouble };

export interface Preview {
  blob: Blob;
  width: number;
  height: number;
}

/** An original by a name of its own, so that it is decoded once for many steps. */
export interface Original {
  key: string;
  blob: Blob;
}

export interface PictureWorker {
  take(file: Blob): Promise<Taken>;
  /** What is to be said about a picture that is kept already. */
  examined(blob: Blob): Promise<Exam>;
  /** The item's colours by its examination. */
  colours(exam: Exam): SeenColours;
  /**
   * What tells pictures of several items apart, and a small copy; quicker than taking it in.
   *
   * @param words in small letters, that stand on labels and boards
   */
  sketch(file: Blob, words: readonly string[]): Promise<Sketched>;
  /** Its fingerprint, and a small copy drawn anew; null where it is no picture. */
  glance(file: Blob): Promise<{ print: string; small: Blob } | null>;
  /** The picture with the steps done, as it is to be kept. */
  develop(original: Original, steps: readonly EditStep[]): Promise<Developed>;
  /**
   * The same, small and quick, for looking at; as a ghost the background still shines through, for correcting
   * the mask.
   */
  preview(original: Original, steps: readonly EditStep[], side: number, ghost: boolean): Promise<Preview>;
  proposals(original: Original, steps: readonly EditStep[]): Promise<Proposals>;
  findSheet(original: Original, reference: Reference): Promise<FoundSheet | null>;
  /**
   * Lines where they usually are on the thing. `onEdges`: false when the thing could not be told from what it
   * lies on, so that they are laid just anywhere.
   *
   * @param sheet the reference's corners, shares of the picture
   */
  usualLines(
    original: Original,
    steps: readonly EditStep[],
    sheet: readonly Point[] | null,
    wanted: readonly WantedLine[],
  ): Promise<{ lines: MeasureLine[]; onEdges: boolean }>;
  /**
   * The first of some references that lies beside the item without a doubt, by its corners in shares of the
   * picture; null where none does.
   */
  beside(original: Original, references: readonly Reference[]): Promise<KnownPlane | null>;
  /**
   * Lengths along lines laid on the item's own edges by themselves; none where these can't be told from what
   * it lies on.
   */
  lengths(original: Original, plane: KnownPlane, wanted: readonly WantedLine[]): Promise<LaidLength[]>;
  /** Lines with their texts on the picture, as a picture of its own. */
  measured(
    original: Original,
    steps: readonly EditStep[],
    lines: readonly MeasureLine[],
    texts: Record<string, string>,
  ): Promise<Developed>;
  /** A part of a picture, in shares, for showing what was read; with the lines it was measured along. */
  part(
    original: Original,
    box: readonly [number, number, number, number],
    side: number,
    lines?: readonly (readonly [Point, Point])[],
  ): Promise<Blob>;
  /**
   * The lines of text in a picture, whichever way up, as each of two readers has them.
   *
   * @param engine reads one block, straightened; its boxes are shares of what it is given
   * @param words in small letters, that make sense on what is read
   */
  text(
    original: Original,
    engine: (block: Blob, width: number, height: number) => Promise<ReadLine[]>,
    words: readonly string[],
  ): Promise<TextRead>;
  /** What such lines say, where both readers have been asked. */
  suggested(read: TextRead, reader: Reader): Suggestion[];
  rendition(full: Blob, spec: RenditionSpec & { maxBytes: number }): Promise<Blob>;
}

let session: PictureSession | null = null;

async function sessionFor({ key, blob }: Original): Promise<PictureSession> {
  if (session?.key === key) return session;
  session?.close();
  session = await PictureSession.open(key, blob);
  return session;
}

async function keep(
  canvas: OffscreenCanvas | ImageBitmap,
  quality: number,
  side: number,
): Promise<Developed> {
  const size = scaledTo(canvas.width, canvas.height, side);
  const scaled = drawn(canvas, size.width, size.height);
  const small = scaledTo(size.width, size.height, KEPT.small.side);
  return {
    full: await jpeg(scaled, quality),
    thumb: await jpeg(drawn(scaled, small.width, small.height), KEPT.small.quality),
    ...size,
    exam: seenBy(scaled),
  };
}

function seenBy(picture: OffscreenCanvas | ImageBitmap): Exam {
  const { width, height } = scaledTo(picture.width, picture.height, EXAM_SIDE);
  return examine(pixelsOf(drawn(picture, width, height)));
}

async function examined(blob: Blob): Promise<Exam> {
  const bitmap = await createImageBitmap(blob);
  const exam = seenBy(bitmap);
  bitmap.close();
  return exam;
}

/** Longer side of what letters are looked for in, and of what an item is; pixels. */
const SKETCH = { letters: 1_200, item: 640 };

async function sketch(file: Blob, words: readonly string[]): Promise<Sketched> {
  const decoded = await decode(file);
  if (!decoded.ok) return decoded;
  const { bitmap, takenAt } = decoded;
  const sized = (side: number) => {
    const { width, height } = scaledTo(bitmap.width, bitmap.height, side);
    return drawn(bitmap, width, height);
  };
  const small = await jpeg(sized(GLANCE_SIDE), KEPT.small.quality);
  const exam = examine(pixelsOf(sized(SKETCH.item)));
  const grey = greyOf(pixelsOf(sized(SKETCH.letters)));
  bitmap.close();
  const known = new Set(words);
  const isWordy = await lineReader().then(
    (lines) =>
      hasWords(
        grey,
        (strip) => lines.read(strip),
        (word) => known.has(word),
      ),
    // Without the reader pictures are told apart all the same, by what else they show.
    () => false,
  );
  return { ok: true, takenAt, exam, hasWords: isWordy, small };
}

const GLANCE_SIDE = 240;

async function glance(file: Blob): Promise<{ print: string; small: Blob } | null> {
  try {
    // It comes from a marketplace.
    if (!(await gateOf(file)).ok) return null;
    const bitmap = await createImageBitmap(file);
    const share = Math.min(1, GLANCE_SIDE / Math.max(bitmap.width, bitmap.height));
    const canvas = drawn(bitmap, Math.round(bitmap.width * share), Math.round(bitmap.height * share));
    bitmap.close();
    return { print: fingerprintOf(pixelsOf(canvas)), small: await jpeg(canvas, 0.8) };
  } catch {
    // What can't be decoded is no picture.
    return null;
  }
}

/**
 * Upright, scaled, and free of whatever the camera wrote along: drawing on a canvas keeps the pixels and
 * nothing else, so no location can leave the device.
 */
async function take(file: Blob): Promise<Taken> {
  const decoded = await decode(file);
  if (!decoded.ok) return decoded;
  const { bitmap, takenAt } = decoded;
  const kept = await keep(bitmap, KEPT.original.quality, KEPT.original.side);
  bitmap.close();
  return { ok: true, takenAt, colours: coloursSeen(kept.exam), ...kept };
}

async function develop(original: Original, steps: readonly EditStep[]): Promise<Developed> {
  const { canvas } = (await sessionFor(original)).developed(lookOf(steps), KEPT.cleaned.side);
  return keep(canvas, KEPT.cleaned.quality, KEPT.cleaned.side);
}

async function preview(
  original: Original,
  steps: readonly EditStep[],
  side: number,
  ghost: boolean,
): Promise<Preview> {
  const { canvas } = (await sessionFor(original)).developed(lookOf(steps), side, ghost);
  return { blob: await jpeg(canvas, 0.85), width: canvas.width, height: canvas.height };
}

async function measured(
  original: Original,
  steps: readonly EditStep[],
  lines: readonly MeasureLine[],
  texts: Record<string, string>,
): Promise<Developed> {
  const bench = await sessionFor(original);
  const { width, height } = bench.original;
  const onStage = (crop: boolean) => {
    const all = lookOf(steps);
    const { canvas, stage } = bench.developed(crop ? all : { ...all, crop: null }, KEPT.cleaned.side);
    const mapped = lines.map(({ measure, a, b }) => {
      const place = (p: { x: number; y: number }) => {
        const at = through(stage.map, { x: p.x * width, y: p.y * height });
        return { x: at.x / stage.width, y: at.y / stage.height };
      };
      return { measure, a: place(a), b: place(b) };
    });
    const inside = mapped.every(({ a, b }) =>
      [a, b].every((p) => p.x >= 0 && p.x <= 1 && p.y >= 0 && p.y <= 1),
    );
    return { canvas, mapped, inside };
  };
  // A crop that would cut a line off is left out.
  const cropped = onStage(true);
  const { canvas, mapped } = cropped.inside ? cropped : onStage(false);
  await drawMeasures(canvas, drawingOf(mapped, texts, canvas.width, canvas.height));
  return keep(canvas, KEPT.cleaned.quality, KEPT.cleaned.side);
}

let shown: { key: string; bitmap: Promise<ImageBitmap> } | null = null;

/** A picture of which parts are shown: several are of the same, which is decoded once. */
function bitmapOf({ key, blob }: Original): Promise<ImageBitmap> {
  if (shown?.key !== key) {
    // Whoever waits for the one before has asked for it earlier, and draws it first.
    void shown?.bitmap.then(
      (bitmap) => bitmap.close(),
      () => undefined,
    );
    shown = { key, bitmap: createImageBitmap(blob) };
  }
  return shown.bitmap;
}

async function part(
  original: Original,
  [x, y, w, h]: readonly [number, number, number, number],
  side: number,
  lines: readonly (readonly [Point, Point])[] = [],
): Promise<Blob> {
  const bitmap = await bitmapOf(original);
  const cut = { w: Math.max(1, w * bitmap.width), h: Math.max(1, h * bitmap.height) };
  const size = scaledTo(Math.ceil(cut.w), Math.ceil(cut.h), side);
  const canvas = new OffscreenCanvas(size.width, size.height);
  context2d(canvas).drawImage(
    bitmap,
    x * bitmap.width,
    y * bitmap.height,
    cut.w,
    cut.h,
    0,
    0,
    size.width,
    size.height,
  );
  const placed = (p: Point) => ({ x: ((p.x - x) / w) * size.width, y: ((p.y - y) / h) * size.height });
  for (const [from, to] of lines) drawLine(canvas, placed(from), placed(to));
  return jpeg(canvas, 0.85);
}

/** No letter that a person reads is lost at this size, longer side in pixels. */
const READ_SIDE = 2_400;

let reader: Promise<LineReader> | null = null;

/** The reader of lines: loaded when it is first wanted, and asked for anew where that failed. */
function lineReader(): Promise<LineReader> {
  reader ??= loadedReader().catch((error: unknown) => {
    reader = null;
    throw error;
  });
  return reader;
}

async function loadedReader(): Promise<LineReader> {
  const answer = await fetch('/vision/lineReader.bin');
  if (!answer.ok) throw new Error(`The reader of lines: ${answer.status}`);
  return new LineReader(new Uint8Array(await answer.arrayBuffer()));
}

async function text(
  original: Original,
  engine: (block: Blob, width: number, height: number) => Promise<ReadLine[]>,
  words: readonly string[],
): Promise<TextRead> {
  const lines = await lineReader();
  // A sheet beside it is looked for next, in the same pixels.
  const whole = (await sessionFor(original)).original;
  const { width, height } = scaledTo(whole.width, whole.height, READ_SIDE);
  const grey = greyOf(pixelsOf(drawn(whole, width, height)));
  const known = new Set(words);
  return readText(
    grey,
    {
      page: (plane) => engine(new Blob([graymapOf(plane)]), plane.width, plane.height),
      line: (strip) => lines.read(strip),
    },
    (word) => known.has(word),
  );
}

function besideIn(whole: ImageBitmap, references: readonly Reference[]): KnownPlane | null {
  const { width, height } = whole;
  const pixels = pixelsOf(drawn(whole, width, height));
  for (const reference of references) {
    const found = findSheet(pixels, reference);
    if (found?.doubts.length !== 0) continue;
    const [a, b, c, d] = mapCorners(found.corners, ({ x, y }) => ({ x: x / width, y: y / height }));
    return { reference, corners: [a, b, c, d], sigmas: [...found.sigmas] };
  }
  return null;
}

async function rendition(full: Blob, spec: RenditionSpec & { maxBytes: number }): Promise<Blob> {
  const bitmap = await createImageBitmap(full);
  const place = placementFor(bitmap.width, bitmap.height, spec);
  const canvas = new OffscreenCanvas(place.canvasWidth, place.canvasHeight);
  const context = context2d(canvas);
  context.fillStyle = edgeColour(bitmap);
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, place.x, place.y, place.width, place.height);
  bitmap.close();
  for (const quality of [0.85, 0.75, 0.6, 0.4]) {
    const blob = await jpeg(canvas, quality);
    if (blob.size <= spec.maxBytes || quality === 0.4) return blob;
  }
  throw new Error('unreachable');
}

expose({
  take,
  examined,
  sketch,
  colours: coloursSeen,
  glance,
  develop,
  preview,
  measured,
  part,
  text,
  suggested: ({ page, line }, reader) => agreed(suggestionsFrom(page, reader), suggestionsFrom(line, reader)),
  rendition,
  proposals: async (original, steps) => (await sessionFor(original)).proposals(steps),
  usualLines: async (original, steps, sheet, wanted) => {
    const mask = (await sessionFor(original)).sureMask(lookOf(steps));
    return { lines: usualLines(mask, sheet, wanted), onEdges: mask !== null };
  },
  beside: async (original, references) => besideIn((await sessionFor(original)).original, references),
  lengths: async (original, plane, wanted) => {
    const bench = await sessionFor(original);
    const mask = bench.sureMask(lookOf([]));
    return mask ? laidLengths(mask, bench.original, plane, wanted) : [];
  },
  findSheet: async (original, reference) => {
    const whole = (await sessionFor(original)).original;
    return findSheet(pixelsOf(drawn(whole, whole.width, whole.height)), reference);
  },
} satisfies PictureWorker);
