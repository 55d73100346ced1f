import type { ReadLine, TextRead } from '@/contract/picture';

import { fibresIn } from './fibres';
import { STRIP, type LineRead } from './lineReader/lineReader';
import { readSteadily, sureness } from './lineReader/steady';
import { knownLetters, senseOf } from './sense';
import type { Plane } from '../pixels/pixels';
import { rowsOf, stripOf, type Row } from '../pixels/written/rows';
import { LIKED, straightened, turnedOver, type Straight } from '../pixels/written/straighten';
import { textBlocks, type TextBlock } from '../pixels/written/textBlocks';

/** Reads dark letters on light, upright. Boxes are shares of what it is given. */
export type TextEngine = (plane: Plane) => Promise<ReadLine[]>;

/** Reads one line, as a strip of paper 0 and ink 1 ({@link STRIP}). */
export type StripEngine = (strip: Plane) => LineRead;

/** Two readers that see alike and err differently: one knows print and pages, one knows hands. */
export interface Engines {
  page: TextEngine;
  line: StripEngine;
}

/** So many letters of words that exist tell which end is up; of less sense there is no text at all. */
const CLEAR = 8;
const LEAST = 1.5;
/** Lines of less confidence are looked at again. */
const SURE = 60;
/** How much larger letters are read the second time. */
const LARGER = 1.5;
/** Lines on one paper go the same way, within so many degrees. */
const SAME_WAY = 10;
/** A block so many times larger, on paper so many grey values lighter or darker, is of the floor. */
const LARGER_THAN = 4;
const OTHER_PAPER = 20;
/**
 * Of a block, and of a vast one, what our own reader is less sure of, at either end, are no letters, 0 to
 * 100. Tuned on the tuning seeds of `truth/`: of a hundred blocks of letters one is read with less than 67.
 */
const LETTERS = { usual: 50, vast: 60 };
const VAST = 1e6;
/** From here on they are letters of words that are not known, 0 to 100. */
const WORDY = 93;
/** So many lines, the longest, tell which end is up; more than the second are no label's. */
const TELLING = 3;
const MOST_LINES = 24;

/**
 * The lines of text in a picture, whichever way up and however aslant they stand: blocks of text are found,
 * cut out, straightened, and read with that end up which makes sense.
 *
 * @param grey the picture's
 * @param known whether a word in small letters is one
 * @returns lines with their places in the picture; none where nothing makes sense
 */
export async function readText(
  grey: Plane,
  engines: Engines,
  known: (word: string) => boolean,
): Promise<TextRead> {
  let main: { block: TextBlock; upsideDown: boolean } | null = null;
  const all: TextRead = { page: [], line: [] };
  for (const block of textBlocks(grey)) {
    // What else stands on the same paper is the same way up; what stands elsewhere is not asked for any more.
    const ways: readonly boolean[] = main ? sameWay(main, block) : [false, true];
    if (ways.length === 0) continue;
    const read = await readBlock(grey, block, ways, engines, known);
    if (!read) continue;
    // A floor's marks may be read as something, too; only what has words says how the paper lies.
    if (read.hasWords) main ??= { block, upsideDown: read.upsideDown };
    all.page.push(...read.page);
    all.line.push(...read.line);
  }
  return all;
}

/** Which end of a block is up where it goes the same way as another; none where it goes another. */
function sameWay(main: { block: TextBlock; upsideDown: boolean }, block: TextBlock): boolean[] {
  // What the paper lies on is larger, and of another grey.
  const isLarger = block.width * block.height > LARGER_THAN * main.block.width * main.block.height;
  if (isLarger && Math.abs(block.paper - main.block.paper) > OTHER_PAPER) return [];
  const turn = Math.abs(block.angle - main.block.angle);
  if (turn <= SAME_WAY) return [main.upsideDown];
  // Angles end at 90 degrees, and begin again with the other end up.
  return 180 - turn <= SAME_WAY ? [!main.upsideDown] : [];
}

interface BlockRead extends TextRead {
  upsideDown: boolean;
  hasWords: boolean;
}

/** A block with one end up, as far as our own reader has looked at it. */
interface Glanced {
  upsideDown: boolean;
  straight: Straight;
  rows: OwnRow[];
  telling: ReadLine[];
  words: number;
}

/** The same, as far as it was read. */
interface Way extends Glanced {
  page: ReadLine[];
  /** How much sense the more sensible of two readings makes, and how much speaks for this end. */
  sense: number;
  worth: number;
}

/** A look at a block with each of some ends up, one after the other as they are asked for. */
function* glances(
  grey: Plane,
  block: TextBlock,
  ways: readonly boolean[],
  line: StripEngine,
  known: (word: string) => boolean,
): Generator<Glanced> {
  let first: Straight | null = null;
  for (const upsideDown of ways) {
    const straight: Straight = first ? turnedOver(first) : straightened(grey, block, upsideDown);
    first = straight;
    const rows = ownRows(straight.plane);
    const telling = linesOf(rows, TELLING, (one) => (one.read ??= line(one.strip())));
    yield { upsideDown, straight, rows, telling, words: knownLetters(telling, known) };
  }
}

/**
 * Whether a picture is likely one of words: a quick look at its most promising block by the reader of lines
 * alone.
 */
export function hasWords(grey: Plane, line: StripEngine, known: (word: string) => boolean): boolean {
  const [block] = textBlocks(grey);
  if (!block) return false;
  for (const { telling, words } of glances(grey, block, [false, true], line, known))
    if (words > 0 || (telling.length > 0 && meanConfidence(telling) >= WORDY)) return true;
  return false;
}

async function readBlock(
  grey: Plane,
  block: TextBlock,
  ways: readonly boolean[],
  { page, line }: Engines,
  known: (word: string) => boolean,
): Promise<BlockRead | null> {
  const glanced = [...glances(grey, block, ways, line, known)];
  // Knitting, bricks and rugs have rows of marks as well, and many: of letters our own reader is sure then.
  const isLikely = (way: Glanced) =>
    way.words > 0 || meanConfidence(way.telling) >= (isVast(way) ? LETTERS.vast : LETTERS.usual);
  if (!glanced.some(isLikely)) return null;
  let best: Way | null = null;
  for (const way of glanced.sort((a, b) => ownWorth(b) - ownWorth(a))) {
    const read = await page(way.straight.plane);
    const words = Math.max(knownLetters(read, known), way.words);
    const sense = Math.max(senseOf(read, known), senseOf(way.telling, known));
    // Upside down both are sure of much that is none: words that exist count before all else.
    const worth = 3 * words + senseOf(read, known) + sureOf(way.telling);
    if (!best || worth > best.worth) best = { ...way, page: read, sense, worth, words };
    if (words >= CLEAR) break;
  }
  if (!best || best.sense <= LEAST) return null;
  const { upsideDown, straight } = best;
  const hasWords = best.words > 0;
  const placed = (lines: readonly ReadLine[]) => lines.map((one) => inPicture(one, straight, grey));
  const own = placed(linesOf(best.rows, MOST_LINES, (one) => readSteadily(line, one.strip(), one.read)));
  if (!isUnsure(best.page)) return { page: placed(best.page), line: own, upsideDown, hasWords };
  // What is unsure is read otherwise in larger letters, and sometimes better.
  const larger = await page(straightened(grey, block, upsideDown, LARGER * LIKED).plane);
  const isBetter = senseOf(larger, known) >= senseOf(best.page, known) || !isUnsure(larger);
  return { page: placed(isBetter ? larger : best.page), line: own, upsideDown, hasWords };
}

/** A block's rows, the longest first, each with what was read of it; its strip is cut out when it is read. */
interface OwnRow {
  row: Row;
  strip: () => Plane;
  /** In shares of the block. */
  box: ReadLine['box'];
  read?: LineRead;
}

function ownRows(plane: Plane): OwnRow[] {
  const { rows, of } = rowsOf(plane, LIKED);
  return rows
    .map((row): OwnRow => {
      const middle = (row.slope * (row.left + row.right)) / 2;
      const box: ReadLine['box'] = [
        row.left / plane.width,
        (row.top + middle) / plane.height,
        (row.right - row.left) / plane.width,
        (row.bottom - row.top) / plane.height,
      ];
      return { row, strip: () => stripOf(plane, of, row, STRIP.height, STRIP.longest), box };
    })
    .sort((a, b) => b.row.right - b.row.left - (a.row.right - a.row.left));
}

/** Of so many rows what they say, the uppermost first. */
function linesOf(rows: readonly OwnRow[], most: number, read: (one: OwnRow) => LineRead): ReadLine[] {
  return rows
    .slice(0, most)
    .sort((a, b) => a.box[1] - b.box[1])
    .map((one) => {
      const own = read(one);
      const { text, sure } = own;
      const confidence = 100 * sureness(own);
      const figures = sure.filter((_, i) => /\d/u.test(text[i] ?? ''));
      const weakest = 100 * Math.min(1, ...figures);
      return { text: text.trim(), confidence, weakest, box: one.box };
    });
}

/** More than any label or board: to have it read in vain takes long. */
function isVast({ straight: { plane }, rows }: Glanced): boolean {
  return rows.length > MOST_LINES || plane.width * plane.height > VAST;
}

/** How much speaks for an end before the other reader is asked. */
const ownWorth = ({ words, telling }: Glanced) => 3 * words + sureOf(telling);

/** 0 to 100; 0 of none. */
function meanConfidence(lines: readonly ReadLine[]): number {
  return lines.reduce((sum, { confidence }) => sum + confidence, 0) / Math.max(1, lines.length);
}

/** Upside down it is less sure of what it reads. */
function sureOf(lines: readonly ReadLine[]): number {
  return lines.reduce((sum, { confidence, text }) => sum + (confidence * text.length) / 100, 0) / 3;
}

/** Shares that don't come to a hundred, or a line of which the reader itself is not sure. */
function isUnsure(lines: readonly ReadLine[]): boolean {
  return (
    fibresIn(lines)?.doubt !== undefined ||
    lines.some(({ text, confidence }) => confidence < SURE && /[\p{L}\d]{2}/u.test(text))
  );
}

/** A line's upright box in the picture; how tall it is stays what it was when it stood straight. */
function inPicture(line: ReadLine, { toPicture, plane }: Straight, picture: Plane): ReadLine {
  const [x, y, w, h] = line.box;
  const corners = [toPicture(x, y), toPicture(x + w, y), toPicture(x + w, y + h), toPicture(x, y + h)];
  const share = (value: number, side: number) => Math.min(1, Math.max(0, value / side));
  const left = share(Math.min(...corners.map((c) => c.x)), picture.width);
  const top = share(Math.min(...corners.map((c) => c.y)), picture.height);
  return {
    ...line,
    tall: h * plane.height,
    box: [
      left,
      top,
      share(Math.max(...corners.map((c) => c.x)), picture.width) - left,
      share(Math.max(...corners.map((c) => c.y)), picture.height) - top,
    ],
  };
}
