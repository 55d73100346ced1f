/**
 * What one room tells another: a code and what belongs to it. `P` names every code with its params; the
 * sentence is made where it is shown (`src/wording/`), so nothing compares sentences and each is written
 * once.
 *
 * @example
 * interface Params { tooLong: { length: number; most: number } }
 * const found: Coded<Params> = { code: 'tooLong', params: { length: 90, most: 80 } };
 */
export type Coded<P> = { [C in keyof P]: { code: C; params: P[C] } }[keyof P];

/** The params of a code that has none. */
export type None = Record<string, never>;
export const NONE: None = {};

/** A sentence for each code: a code without one does not compile. */
export type Wording<P> = { readonly [C in keyof P]: (params: P[C]) => string };

/** A failure that says why by a code. */
export interface Refusal<W> {
  ok: false;
  why: W;
}
