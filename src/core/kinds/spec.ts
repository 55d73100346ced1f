/** What the answer to a question is. Years are whole; numbers take either decimal sign. */
export type FactType = 'text' | 'number' | 'year' | 'yesNo';

/** How much our own standards want the answer. */
export type Need = 'required' | 'wanted' | 'optional';

/** A question about an item: one item specific of our own. */
export interface FactSpec {
  id: string;
  label: string;
  /** `text` where absent. */
  type?: FactType;
  /** Stands beside a number. */
  unit?: string;
  /** Offered first; anything else is taken too, unless `closed`. */
  choices?: readonly string[];
  closed?: boolean;
  need?: Need;
  /** Several answers make sense. */
  several?: boolean;
  /** For the seller alone: never sent, never in public words. */
  private?: boolean;
  /** What a new item of the kind begins with. */
  usual?: string;
}

export interface MeasureSpec {
  id: string;
  name: string;
  /** Other names for it, as people write them on a whiteboard. */
  alsoCalled?: readonly string[];
  /** How to lay the tape. */
  how: string;
  /** Where its line usually runs, in shares of the item's own box: from x, y to x, y. */
  line: readonly [number, number, number, number];
  /** A figure outside this is probably a slip. Millimetres. */
  usual: readonly [number, number];
  /** Lies double when it is flat: around, it is twice as much. */
  doubled?: boolean;
}

/**
 * How an item of a kind lies or stands in a picture: with parts hanging down, taller than wide, or wider than
 * tall.
 */
export type Stance = 'hangs' | 'tall' | 'wide';

/**
 * What an outline looks like: two sleeves beside a body; two legs; wider towards the hem; four straight
 * sides; a disc; lower at one end than at the other; a crown above a brim; upright on a foot.
 */
export const OUTLINES = ['sleeves', 'legs', 'flared', 'block', 'disc', 'low', 'brim', 'upright'] as const;
export type Outline = (typeof OUTLINES)[number];

/** What using it is called: a coat is worn, a book read, a record played, a vase used. */
export type UseWord = 'worn' | 'read' | 'played' | 'used';

/** What a kind says for itself; all else it has from its parent. */
export interface KindRow {
  id: string;
  parent: string | null;
  name: string;
  /** What it is called in a title; its name in small letters where absent. */
  titleWords?: string;
  /** Words by which it is recognised, besides its name. */
  alsoCalled?: readonly string[];
  /** The model is what buyers call it (a book's title), so it stands in for the kind's name. */
  modelIsName?: boolean;
  /** Questions added to the parent's, or in place of those with the same id. */
  facts?: readonly FactSpec[];
  /** Parent's questions that make no sense here. */
  without?: readonly string[];
  /** These in place of the parent's. */
  measures?: readonly MeasureSpec[];
  flaws?: readonly string[];
  places?: readonly string[];
  details?: readonly string[];
  /** Absent where a picture of it may be any way up; null takes the parent's away. */
  stance?: Stance | null;
  /** What it looks like seen whole from the front; its parent's where absent. */
  outlines?: readonly Outline[];
  /** `used` where no kind above says otherwise. */
  useWord?: UseWord;
  /** Packed, in grams: a guess until weighed. */
  parcelG?: number;
}

/** A kind with everything it has from its parents. */
export interface Kind {
  id: string;
  name: string;
  parent: string | null;
  /** Ids from the root down to itself. */
  path: readonly string[];
  titleWords: string;
  alsoCalled: readonly string[];
  modelIsName: boolean;
  facts: readonly FactSpec[];
  measures: readonly MeasureSpec[];
  flaws: readonly string[];
  places: readonly string[];
  details: readonly string[];
  stance: Stance | null;
  outlines: readonly Outline[];
  useWord: UseWord;
  parcelG: number;
  /** Added by the person. */
  own: boolean;
}
