import { fibresIn } from './fibres';
import type { ReadLine } from './lines';
import { senseOf } from './sense';
import type { Plane } from '../pixels/pixels';
import { LIKED, straightened, type Straight } from '../pixels/written/straighten';
import { textBlocks, type TextBlock } from '../pixels/written/textBlocks';

/** Reads dark letters on light, upright. Boxes are shares of what it is given. */
export type TextEngine = (plane: Plane) => Promise<ReadLine[]>;

/** So much sense is a text; less than the second is none, whichever way up. */
const CLEAR = 8;
const LEAST = 1.5;
/** A number as on a board: with a word before it and no sign of shares or a style code, or numbers alone. */
const HAND =
  /^(?!.*%)(?!.*\b(?:style|art|ref|model|size|eu|uk|us|it|fr|de)\b)(?:[a-z][a-z 2-]*[:=\s]+)?\d{2,3}(?:[.,]\d)?(?:\D|$)/iu;
/** Lines of less confidence are looked at again. */
const SURE = 60;
/** How much larger letters are read the second time; those of a board, several times. */
const LARGER = 1.5;
const AGAIN = [LARGER, 0.75, 2] as const;
/** Lines on one paper go the same way, within so many degrees. */
const SAME_WAY = 10;

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
  engine: TextEngine,
  known: (word: string) => boolean,
): Promise<ReadLine[]> {
  let main: { block: TextBlock; upsideDown: boolean } | null = null;
  const lines: ReadLine[] = [];
  for (const block of textBlocks(grey)) {
    // What else stands on the same paper is the same way up; what stands elsewhere is not asked for any more.
    const ways: readonly boolean[] = main ? sameWay(main, block) : [false, true];
    if (ways.length === 0) continue;
    const read = await readBlock(grey, block, ways, engine, known);
    if (read.lines.length > 0) main ??= { block, upsideDown: read.upsideDown };
    lines.push(...read.lines);
  }
  return lines;
}

/** Which end of a block is up where it goes the same way as another; none where it goes another. */
function sameWay(main: { block: TextBlock; upsideDown: boolean }, block: TextBlock): boolean[] {
  const turn = Math.abs(block.angle - main.block.angle);
  if (turn <= SAME_WAY) return [main.upsideDown];
  // Angles end at 90 degrees, and begin again with the other end up.
  return 180 - turn <= SAME_WAY ? [!main.upsideDown] : [];
}

interface BlockRead {
  lines: ReadLine[];
  upsideDown: boolean;
}

async function readBlock(
  grey: Plane,
  block: TextBlock,
  ways: readonly boolean[],
  engine: TextEngine,
  known: (word: string) => boolean,
): Promise<BlockRead> {
  let best: { read: ReadLine[]; straight: Straight; upsideDown: boolean; sense: number } | null = null;
  for (const upsideDown of ways) {
    const straight = straightened(grey, block, upsideDown);
    const read = await engine(straight.plane);
    const sense = senseOf(read, known);
    if (sense > (best?.sense ?? LEAST)) best = { read, straight, upsideDown, sense };
    if (sense >= CLEAR) break;
  }
  if (!best) return { lines: [], upsideDown: false };
  const { upsideDown } = best;
  const again = (larger: number) => engine(straightened(grey, block, upsideDown, larger * LIKED).plane);
  const placed = (read: readonly ReadLine[], { straight }: { straight: Straight }) => ({
    lines: read.map((line) => inPicture(line, straight, grey)),
    upsideDown,
  });
  if (best.read.some(({ text }) => HAND.test(text))) {
    // Figures written by hand are one like another: what is read once is not believed.
    const others = await Promise.all(AGAIN.map(again));
    return placed(voted(best.read, others, known), best);
  }
  if (!isUnsure(best.read)) return placed(best.read, best);
  // What is unsure is read otherwise in larger letters, and sometimes better.
  const larger = await again(LARGER);
  const isBetter = senseOf(larger, known) >= best.sense || !isUnsure(larger);
  return placed(isBetter ? larger : best.read, best);
}

/**
 * Several readings of the same lines, each in letters of another size: of each line what most of them have,
 * doubtful where not all have the same figures.
 */
function voted(
  first: readonly ReadLine[],
  others: readonly (readonly ReadLine[])[],
  known: (word: string) => boolean,
): ReadLine[] {
  return first.map((line) => {
    const same = [line, ...others.flatMap((read) => read.find((other) => isBeside(other, line)) ?? [])];
    const votes = (one: ReadLine) => same.filter((other) => figuresIn(other) === figuresIn(one)).length;
    // Of those with the same figures the one whose words exist.
    const best = same.reduce((most, one) => {
      const more = votes(one) - votes(most);
      return more > 0 || (more === 0 && senseOf([one], known) > senseOf([most], known)) ? one : most;
    });
    const isSame = votes(best) === others.length + 1;
    const isDoubtful = isGuessed(best) || (figuresIn(best) !== '' && !isSame);
    const texts = [...new Set(same.map(({ text }) => text))].filter((text) => text !== best.text);
    return { ...best, box: line.box, readOtherwise: isDoubtful, others: isDoubtful ? texts : [] };
  });
}

/** Whether two lines of one block, read in letters of different size, are the same. */
function isBeside({ box: [, top, , high] }: ReadLine, { box: [, y, , h] }: ReadLine): boolean {
  return Math.abs(top + high / 2 - y - h / 2) < Math.min(high, h) / 2;
}

/** A sign stands where a figure must. */
const isGuessed = ({ text }: ReadLine) => /#\d|\d#/u.test(text);

function figuresIn({ text }: ReadLine): string {
  return (text.match(/[\d#]+(?:[.,]\d+)?/gu) ?? []).join(' ').replaceAll(',', '.');
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
