import type { Exam } from '@/contract/picture';

import { isWhole } from './shows';
import { ciede2000, labOfMean, type Lab } from '../pixels/lab';

/** A picture that may be of any of several items. */
export interface Sketch {
  id: string;
  /** When it was taken, milliseconds; null where that is not known. */
  at: number | null;
  exam: Exam;
  /** It is one of words: a label or a board. */
  hasWords: boolean;
  /** A barcode fills a good part of it. */
  isCode: boolean;
}

export interface Split {
  /** Ids of each item's pictures, in their order. */
  items: string[][];
  /** Plain cards that were laid down in between, and belong to none. */
  separators: string[];
}

/** A difference in colour at which two pictures may be of one item as well as of two, ΔE₀₀; its weight. */
const COLOUR = { same: 9, spread: 5, weight: 1, least: -2.5, most: 2.5 };
/** A pause so many times the usual one is the same; and its weight for each doubling. */
const PAUSE = { same: 2, weight: 0.8, least: -1, most: 2.5 };
/** Nobody takes pictures faster, milliseconds. */
const QUICKEST = 1_000;
/** After close-ups all of an item is seen again: likely of another one; after all of it, likely its back. */
const AFTER = { close: 0.6, whole: -0.35 };
/** A close-up, a label or a board begins an item only after a pause of so many times the usual one. */
const LONG_PAUSE = 5;
/** A plain card: so little scatter, and so much of the border alike. */
const PLAIN = { grounds: 2.2, sure: 0.97 };

/**
 * Splits pictures into items: a plain card or a picture of a barcode stands between two; otherwise a new one
 * begins where all of an item is seen again in other colours, or after a longer pause. A proposal, for a
 * person to put right.
 *
 * @param pictures in the order in which they were taken
 */
export function splitIntoItems(pictures: readonly Sketch[]): Split {
  const items: Sketch[][] = [];
  const separators: string[] = [];
  const usual = usualPause(pictures);
  let isApart = true;
  let before: Sketch | null = null;
  for (const one of pictures) {
    if (isPlainCard(one)) {
      separators.push(one.id);
      isApart = true;
    } else {
      const now = items.at(-1);
      if (isApart || !now || beginsItem(one, now, pauseBetween(before, one, usual))) items.push([one]);
      else now.push(one);
      isApart = false;
    }
    before = one;
  }
  return { items: items.map((own) => own.map(({ id }) => id)), separators };
}

function beginsItem(one: Sketch, own: readonly Sketch[], pause: number | null): boolean {
  // A code stands on the item that follows, unless it is the back of the one at hand.
  if (one.isCode) return own.length > 1 || pause === null || pause > PAUSE.same;
  if (one.hasWords || isWhole(one.exam) !== true) return pause !== null && pause > LONG_PAUSE;
  const previous = own.at(-1);
  const after = previous && !previous.hasWords && isWhole(previous.exam) ? AFTER.whole : AFTER.close;
  const byPause = pause === null ? 0 : capped(PAUSE.weight * Math.log2(pause / PAUSE.same), PAUSE);
  const apart = coloursApart(one, own);
  const byColour =
    apart === null ? 0 : capped((COLOUR.weight * (apart - COLOUR.same)) / COLOUR.spread, COLOUR);
  return byColour + byPause + after > 0;
}

const capped = (value: number, to: { least: number; most: number }) =>
  Math.max(to.least, Math.min(to.most, value));

/** The middle of all pauses, milliseconds; null where too few times are known. */
function usualPause(pictures: readonly Sketch[]): number | null {
  const pauses = pictures
    .flatMap(({ at }, i) => {
      const before = pictures[i - 1]?.at ?? null;
      return at === null || before === null ? [] : at - before;
    })
    .sort((a, b) => a - b);
  const middle = pauses[Math.floor(pauses.length / 2)] ?? 0;
  // Files that were copied are all of one moment.
  return pauses.length < pictures.length / 2 || pauses.length < 3 || middle < QUICKEST ? null : middle;
}

/** As so many times the usual one. */
function pauseBetween(before: Sketch | null, one: Sketch, usual: number | null): number | null {
  if (usual === null || one.at === null || !before || before.at === null) return null;
  return Math.max(0.05, (one.at - before.at) / usual);
}

/** How unlike the item's colours so far they are, ΔE₀₀; null where nothing tells. */
function coloursApart(one: Sketch, own: readonly Sketch[]): number | null {
  const mine = coloursOf(one);
  const all = own.flatMap((other) => (other.hasWords || other.isCode ? [] : [coloursOf(other)]));
  const known = all.filter((colours) => colours.length > 0);
  if (mine.length === 0 || known.length === 0) return null;
  return Math.min(...known.map((colours) => Math.max(missing(mine, colours), missing(colours, mine) / 2)));
}

interface Colour {
  lab: Lab;
  share: number;
}

/** Of all of an item its own; what fills the frame of a close-up looks like its floor. */
function coloursOf({ exam }: Sketch): Colour[] {
  if (isWhole(exam)) return exam.tones.map(({ rgb, share }) => ({ lab: labOfMean(rgb), share }));
  return exam.ground ? [{ lab: labOfMean(exam.ground), share: 1 }] : [];
}

/** How far each colour of one is from the nearest of the other, by its share. */
function missing(colours: readonly Colour[], among: readonly Colour[]): number {
  const sum = colours.reduce((all, { share }) => all + share, 0);
  return (
    colours.reduce(
      (all, { lab, share }) => all + share * Math.min(...among.map((other) => ciede2000(lab, other.lab))),
      0,
    ) / sum
  );
}

/** A card, a hand or a sheet held before the camera: nothing on it, and no cloth. */
function isPlainCard({ exam, hasWords, isCode }: Sketch): boolean {
  return !hasWords && !isCode && exam.area === 0 && exam.grounds < PLAIN.grounds && exam.sure >= PLAIN.sure;
}
