import type { Exam, ReadLine } from '@/contract/picture';

import type { Suggestion } from '../reading/lines';

/** What was made out in a picture, and what is known beside it. */
export interface Evidence {
  exam: Exam | null;
  /** The barcode's place, shares of the picture; null where there is none. */
  code: readonly number[] | null;
  /** What its words are taken to say, and the lines they stand in. */
  said: readonly Pick<Suggestion, 'field'>[];
  lines: readonly ReadLine[];
  /** A card or sheet of known size lies beside the item. */
  beside: boolean;
  /** What the list asked for when it was taken; empty where nothing did. */
  asked: string;
  /** What the item's other pictures show. */
  others: readonly string[];
}

/** A barcode that is so wide, a share of the picture, is what the picture was taken for. */
const CODE = 0.3;
/** Words are what a picture is of where they take up so much of it, or of what lies in it. */
const WORDS = { ofPicture: 0.05, ofItem: 0.25 };
/** What stands on labels; so many of them stand nowhere else. */
const LABEL_FACTS = [
  'fact:material',
  'fact:care',
  'fact:size',
  'fact:styleCode',
  'fact:country',
  'fact:brand',
];
const NOWHERE_ELSE = 3;
/** An item that fills more of the frame is seen close. */
const CLOSE = 0.82;
/** What was taken for an item, but not surely, is a part of what fills the frame where it is so small. */
const PART = 0.06;

/**
 * What a picture shows, by what is in it: `barcode`, `board`, `label`, `measured` (a card or sheet beside the
 * item), `front`, `back`, `detail`, or what the list asked for where that may be; empty where it can't be
 * told. Front and back look alike: of pictures of the whole item the first is taken for its front, the second
 * for its back.
 */
export function whatItShows(seen: Evidence): string {
  const { asked } = seen;
  if (isOfCode(seen.code)) return 'barcode';
  const words = ofWords(seen);
  if (words === 'board') return 'board';
  // A maker's mark has words as well, and a flaw or a detail may lie beside some: the list knows which.
  if (words === 'label') return asked === 'mark' ? 'mark' : 'label';
  const whole = isWhole(seen.exam);
  if (whole === null) return asked;
  if (!whole) return isOfWhole(asked) || asked === '' || asked === 'label' ? 'detail' : asked;
  if (seen.beside && seen.others.includes('front')) return 'measured';
  const missing = ['front', 'back'].find((side) => !seen.others.includes(side)) ?? '';
  return asked !== '' && asked !== 'label' && asked !== 'measured' ? asked : missing;
}

/** Whether a picture was taken for the barcode in it. @param box where it stands; null where there is none */
export function isOfCode(box: readonly number[] | null): boolean {
  return (box?.[2] ?? 0) >= CODE;
}

const isOfWhole = (shows: string) => shows === 'front' || shows === 'back' || shows === 'measured';

/** A label or a board where its words are what the picture is of. */
function ofWords({ said, lines, exam }: Evidence): 'label' | 'board' | null {
  const fields = new Set(said.map(({ field }) => field));
  const isOfBoard = (f: string) => f.startsWith('measure:') || f === 'weight' || f === 'flaw';
  const written = [...fields].filter(isOfBoard).length;
  const printed = LABEL_FACTS.filter((field) => fields.has(field)).length;
  if (written + printed === 0) return null;
  const area = areaOf(lines);
  const [, , w, h] = exam?.box ?? [0, 0, 0, 0];
  const isLarge = area >= WORDS.ofPicture || (w * h > 0 && area >= WORDS.ofItem * w * h);
  if (!isLarge && printed < NOWHERE_ELSE) return null;
  return written >= printed ? 'board' : 'label';
}

/** Of the box around all lines, a share of the picture. */
function areaOf(lines: readonly ReadLine[]): number {
  const [left, top] = [Math.min(...lines.map((l) => l.box[0])), Math.min(...lines.map((l) => l.box[1]))];
  const right = Math.max(...lines.map((l) => l.box[0] + l.box[2]));
  const bottom = Math.max(...lines.map((l) => l.box[1] + l.box[3]));
  return Math.max(0, right - left) * Math.max(0, bottom - top);
}

/** Whether all of an item is seen, with floor around it; null where that can't be told. */
export function isWhole(exam: Exam | null): boolean | null {
  if (!exam) return null;
  const { area, cutOff, outlined } = exam;
  // Cloth that fills the frame looks like a floor on which nothing, or some part of it, lies.
  const isPart = !outlined && (cutOff.length > 0 || area < PART);
  if (area > CLOSE || isPart || cutOff.length >= 3) return false;
  return area > 0 && cutOff.length <= 1 ? true : null;
}
