import type { Choices, Piece } from '@/contract/choices';
import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';
import type { DraftChoices } from '@/contract/courier';

import { sameWord } from '../words/sameWord';

/** The most combinations an item may be sold in. */
const MOST_PIECES = 400;

export type Option = Choices['options'][number];
/** Why options can't be kept; `name` is that of one of them. */
export interface ChoicesTroubleParams {
  howManyKinds: None;
  nameMissing: None;
  nameTwice: { name: string };
  valuesMissing: { name: string };
  valuesTooMany: { name: string; most: number; longest: number };
  combinationsTooMany: { count: number; most: number };
  allAway: None;
  pieceCodeMissing: None;
  pieceCodeTwice: { name: string };
}
export type ChoicesTrouble = Coded<ChoicesTroubleParams>;
export type Done = { ok: true; choices: Choices } | Refusal<ChoicesTrouble>;

/** "mug, plate; bowl" → mug, plate, bowl: each once, in the order typed. */
export function valuesIn(typed: string): string[] {
  return [...new Set(typed.split(/[,;\n]/u).map((v) => v.trim()))].filter(Boolean);
}

/** Every combination of the options' values, the last option changing fastest. */
export function combinations(options: readonly Option[]): string[][] {
  return options.reduce<string[][]>(
    (all, option) => all.flatMap((before) => option.values.map((value) => [...before, value])),
    [[]],
  );
}

/**
 * An item's choices with other options. Pieces whose values are all still there keep what is known of them; a
 * piece that gained an option keeps it for the option's first value. New pieces begin with one in stock and a
 * code of their own, which is the item's with a number that never comes back.
 *
 * @param code of the item
 */
export function withOptions(before: Choices | null, options: readonly Option[], code: string): Done {
  const bad = whyNot(options);
  if (bad) return { ok: false, why: bad };
  const away = before?.away ?? [];
  const all = combinations(options).filter((values) => !away.some((gone) => sameValues(gone, values)));
  if (all.length === 0) return { ok: false, why: { code: 'allAway', params: NONE } };
  const places = options.map((o) => before?.options.findIndex((b) => sameWord(b.name, o.name)) ?? -1);
  let next = before?.nextPiece ?? 1;
  const taken = new Set<Piece>();
  const pieces = all.map((values): Piece => {
    const old = before?.pieces.find(
      (p) =>
        !taken.has(p) &&
        values.every((value, i) => {
          const place = places[i] ?? -1;
          return place < 0 ? options[i]?.values[0] === value : p.values[place] === value;
        }),
    );
    if (old) {
      taken.add(old);
      return { ...old, values };
    }
    return { values, stock: 1, price: null, code: `${code}/${next++}`, pictureIds: [] };
  });
  return {
    ok: true,
    choices: {
      options: options.map((o) => ({ name: o.name.trim(), values: [...o.values] })),
      pieces,
      heldBack: before?.heldBack ?? 0,
      cap: before?.cap ?? null,
      away,
      nextPiece: next,
    },
  };
}

const sameValues = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((value, i) => value === b[i]);

/**
 * A combination of which there is none is taken away, and stays away when options change.
 *
 * @param code of its piece; one piece is left at least
 */
export function withoutPiece(choices: Choices, code: string): Choices {
  const gone = choices.pieces.find((p) => p.code === code);
  if (!gone || choices.pieces.length < 2) return choices;
  return {
    ...choices,
    pieces: choices.pieces.filter((p) => p !== gone),
    away: [...choices.away, gone.values],
  };
}

/** A combination that was taken away is there again, as a new piece. @param code of the item */
export function withPiece(choices: Choices, values: readonly string[], code: string): Choices {
  const away = choices.away.filter((gone) => !sameValues(gone, values));
  const done = withOptions({ ...choices, away }, choices.options, code);
  return done.ok ? done.choices : choices;
}

/** Why a piece can't have a code; null: it can. */
export function codeTrouble(choices: Choices, piece: Piece, code: string): ChoicesTrouble | null {
  const wish = code.trim();
  if (wish === '' || wish.length > 90) return { code: 'pieceCodeMissing', params: NONE };
  return choices.pieces.some((p) => p !== piece && p.code === wish)
    ? { code: 'pieceCodeTwice', params: { name: wish } }
    : null;
}

/** The most values of one option, and the longest of them and of its name, in characters. */
const MOST_VALUES = 40;
const LONGEST = 60;

function whyNot(options: readonly Option[]): ChoicesTrouble | null {
  if (options.length === 0 || options.length > 3) return { code: 'howManyKinds', params: NONE };
  for (const [i, option] of options.entries()) {
    const name = option.name.trim();
    if (name === '') return { code: 'nameMissing', params: NONE };
    if (options.some((other, j) => j < i && sameWord(other.name, option.name)))
      return { code: 'nameTwice', params: { name } };
    if (option.values.length === 0) return { code: 'valuesMissing', params: { name } };
    if (
      option.values.length > MOST_VALUES ||
      option.values.some((v) => v.length > LONGEST) ||
      option.name.length > LONGEST
    )
      return {
        code: 'valuesTooMany',
        params: { name: name.slice(0, LONGEST), most: MOST_VALUES, longest: LONGEST },
      };
  }
  const count = options.reduce((n, o) => n * o.values.length, 1);
  return count > MOST_PIECES ? { code: 'combinationsTooMany', params: { count, most: MOST_PIECES } } : null;
}

/** Whether there are several just alike, with nothing to choose. */
export function isAlike({ options }: { options: readonly unknown[] }): boolean {
  return options.length === 0;
}

/**
 * An item's choices when there are several just alike; what was said of how many are shown is kept.
 *
 * @param stock how many there ever were, 0 to 100,000
 * @param code of the item: it is on each of them
 */
export function severalAlike(before: Choices | null, stock: number, code: string): Choices {
  const known = before && isAlike(before) ? before.pieces[0] : undefined;
  return {
    options: [],
    pieces: [known ? { ...known, stock } : { values: [], stock, price: null, code, pictureIds: [] }],
    heldBack: before?.heldBack ?? 0,
    cap: before?.cap ?? null,
    away: before?.away ?? [],
    nextPiece: before?.nextPiece ?? 1,
  };
}

/** Choices made for an item before it had its code: what was named by another is named by its own. */
export function codedUnder(choices: Choices, before: string, code: string): Choices {
  const own = (c: string) =>
    c === before || c.startsWith(`${before}/`) ? `${code}${c.slice(before.length)}` : c;
  return { ...choices, pieces: choices.pieces.map((p) => ({ ...p, code: own(p.code) })) };
}

/**
 * How many pieces are left, all choices together, those held back counted in.
 *
 * @param sales of its pieces
 */
export function leftOf(
  { pieces }: { pieces: readonly Pick<Piece, 'code' | 'stock'>[] },
  sales: readonly { piece?: string | undefined }[],
): number {
  return pieces.reduce((sum, { code, stock }) => {
    const sold = sales.filter((s) => s.piece === code).length;
    return sum + Math.max(0, stock - sold);
  }, 0);
}

/** Which variation was sold; undefined where it is one of a kind, or several are just alike. */
export function variationSold(
  choices: Choices | null | undefined,
  { piece }: { piece?: string | undefined },
): Piece | undefined {
  return choices && !isAlike(choices) ? choices.pieces.find((p) => p.code === piece) : undefined;
}

/** How many pieces are in stock, all choices together. */
export function inStock(choices: Choices): number {
  return choices.pieces.reduce((sum, p) => sum + p.stock, 0);
}

/** The lowest and the highest price asked; null while none is known. */
export function priceRange(choices: Choices, usual: number | null): { from: number; to: number } | null {
  const all = choices.pieces.flatMap((p) => p.price ?? usual ?? []);
  return all.length === 0 ? null : { from: Math.min(...all), to: Math.max(...all) };
}

/** An item's choices with what one marketplace has in place of it. */
export function choicesWith(
  choices: Choices,
  own: { prices: Readonly<Record<string, number>>; heldBack: number | null; cap: number | null } | null,
): Choices {
  if (!own) return choices;
  return {
    ...choices,
    pieces: choices.pieces.map((p) => ({ ...p, price: own.prices[p.code] ?? p.price })),
    heldBack: own.heldBack ?? choices.heldBack,
    cap: own.cap ?? choices.cap,
  };
}

/** Choices as they are sent: every piece that there is, or ever was, with its own price or the item's. */
export function draftChoices(choices: Choices, usual: number | null): DraftChoices {
  return {
    options: choices.options.map((o) => o.name),
    ...(choices.heldBack > 0 ? { heldBack: choices.heldBack } : {}),
    ...(choices.cap !== null ? { cap: choices.cap } : {}),
    pieces: choices.pieces.map(({ code, values, price, stock }) => ({
      code,
      values: [...values],
      price: price ?? usual ?? 0,
      stock,
    })),
  };
}

/**
 * Several just alike as they are sent.
 *
 * @param price what each is sold for there, minor units
 * @param most how many the marketplace counts at most; null: it does not count, and shows one
 */
export function draftAlike(choices: Choices, price: number, most: number | null): DraftChoices {
  const { heldBack } = choices;
  const stock = choices.pieces[0]?.stock ?? 0;
  const cap = Math.min(choices.cap ?? stock, most ?? 1);
  return {
    options: [],
    pieces: choices.pieces.slice(0, 1).map(({ code }) => ({ code, values: [], price, stock })),
    ...(heldBack > 0 ? { heldBack } : {}),
    ...(choices.cap !== null || cap < stock ? { cap } : {}),
    ...(most === null ? { oneAtATime: true } : {}),
  };
}

/** What a piece is shown with: its own pictures, or else the item's. */
export function picturesOf(piece: Piece, shared: readonly string[]): readonly string[] {
  const own = piece.pictureIds.filter((id) => shared.includes(id));
  return own.length > 0 ? own : shared;
}
