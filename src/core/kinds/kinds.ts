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
  /** How to lay the tape. */
  how: string;
  /** A figure outside this is probably a slip. Millimetres. */
  usual: readonly [number, number];
}

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
