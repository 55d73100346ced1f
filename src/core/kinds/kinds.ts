import { KINDS } from './table';

/** A question about a thing: one item specific of our own. */
export interface FactSpec {
  id: string;
  label: string;
  /** Offered first; free text is always taken. */
  suggestions?: readonly string[];
}

export interface MeasureSpec {
  id: string;
  name: string;
  /** Other names for it, as people write them on a whiteboard. */
  alsoCalled?: readonly string[];
  /** How to lay the tape. */
  how: string;
  /** Where its line usually runs, in shares of the thing's own box: from x, y to x, y. */
  line: readonly [number, number, number, number];
  /** A figure outside this is probably a slip. Millimetres. */
  usual: readonly [number, number];
}

/** How a thing of a kind lies or stands in a picture: with parts hanging down, taller than wide, or wider than tall. */
export type Stance = 'hangs' | 'tall' | 'wide';

export interface Kind {
  id: string;
  name: string;
  group: 'Clothes' | 'Shoes and bags' | 'Home' | 'Tools' | 'Cameras and optics' | 'Books and games';
  /** What it is called in a title. */
  titleWords: string;
  /** The model is what buyers call it (a book's title), so it stands in for the kind's name. */
  modelIsName?: boolean;
  facts: readonly FactSpec[];
  measures: readonly MeasureSpec[];
  /** Flaws seen often on such things, and where. */
  flaws: readonly string[];
  places: readonly string[];
  /** What its buyers want to see close. */
  details: readonly string[];
  /** Absent where a picture of it may be any way up. */
  stance?: Stance;
  /** Packed, in grams: a guess until weighed. */
  parcelG: number;
}

const byId = new Map(KINDS.map((k) => [k.id, k]));

export { KINDS };

export function kindById(id: string): Kind | undefined {
  return byId.get(id);
}

export function factsOf(kindId: string): readonly FactSpec[] {
  return byId.get(kindId)?.facts ?? [];
}

export function measuresOf(kindId: string): readonly MeasureSpec[] {
  return byId.get(kindId)?.measures ?? [];
}

/** Facts of any thing, whatever its kind; asked for only once they are known. */
export const COMMON_FACTS: readonly FactSpec[] = [
  { id: 'country', label: 'Made in' },
  { id: 'styleCode', label: 'Style code' },
  { id: 'barcode', label: 'Barcode' },
];

/** What a fact is called for this kind of thing. */
export function factName(kindId: string, fact: string): string {
  const own = factsOf(kindId).find((f) => f.id === fact) ?? COMMON_FACTS.find((f) => f.id === fact);
  return own?.label ?? COMMON_NAMES[fact] ?? fact;
}

/** Names where the kind is not known yet. */
const COMMON_NAMES: Record<string, string> = {
  brand: 'Brand',
  size: 'Size on the label',
  material: 'Material',
};
