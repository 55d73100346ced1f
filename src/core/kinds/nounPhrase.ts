import { stem, stemsOf } from './stem';
import { ABOUT, COMPANIONS, MODIFIERS, QUANTITY, WEAK } from './titleGrammar';

/** Words of a text that may name an item, and where they stand. */
export interface Word {
  /** Small, without its plural. */
  stem: string;
  /** As it was written. */
  raw: string;
}

/** An item that a text names. */
export interface Named<T> {
  value: T;
  /** The name, as it was written. */
  shown: string;
  /** Stems that stand before the name in its phrase: "doll", of "doll’s pram". */
  before: readonly string[];
}

export interface Phrase {
  words: Word[];
  /** Behind "for", "about", "with" …: it says something about the item, and not what it is. */
  dependent: boolean;
}

/** Names of one to some words, each with what goes by it. The first to take a name keeps it. */
export class NameIndex<T> {
  private readonly byKey = new Map<string, T>();
  private longest = 1;

  add(name: string, value: T): void {
    const stems = stemsOf(name);
    const key = stems.join(' ');
    if (key === '' || this.byKey.has(key)) return;
    this.byKey.set(key, value);
    this.longest = Math.max(this.longest, stems.length);
  }

  /** The longest name that ends before `end`. */
  endingAt(words: readonly Word[], end: number): { value: T; length: number } | null {
    for (let length = Math.min(this.longest, end); length > 0; length -= 1) {
      const key = words
        .slice(end - length, end)
        .map((w) => w.stem)
        .join(' ');
      const value = this.byKey.get(key);
      if (value !== undefined) return { value, length };
    }
    return null;
  }

  /** The longest name that begins at a place, of more than one word. */
  compoundAt(words: readonly Word[], at: number): number {
    for (let length = Math.min(this.longest, words.length - at); length > 1; length -= 1) {
      const key = words
        .slice(at, at + length)
        .map((w) => w.stem)
        .join(' ');
      if (this.byKey.has(key)) return length;
    }
    return 0;
  }
}

const LONGEST_TEXT = 2_000;

/**
 * The items that a text names, the one it is about first: of each phrase the noun at its end, because
 * English puts what something is there ("jumper dress"), and of a text its first phrase that names anything.
 * What stands behind "about", "for" or "with" is not the item; nor is what a companion's name follows
 * ("camera strap").
 *
 * @returns empty where nothing is named, or where the noun at the end is not known: better nothing than its
 * neighbour
 */
export function namedItems<T>(text: string, index: NameIndex<T>): Named<T>[] {
  const outside = text.slice(0, LONGEST_TEXT).replace(/[“"][^”"]*[”"]|‘[^’]*’(?![\p{L}])/gu, ' , ');
  const all = phrasesOf(/[\p{L}]/u.test(outside) ? outside : text.slice(0, LONGEST_TEXT), index);
  const namesAreLarge = writesNamesLarge(all);
  const found: Named<T>[] = [];
  for (const phrase of all) {
    if (phrase.dependent) continue;
    const head = headOf(phrase.words, index, namesAreLarge);
    if (head === 'another') return found;
    if (head) found.push(head);
  }
  return found;
}

/** Whether capitals mark names here: not where every word, or none, has one. */
function writesNamesLarge(phrases: readonly Phrase[]): boolean {
  const words = phrases.flatMap((p) => p.words).filter((w) => /^\p{L}{2}/u.test(w.raw));
  const [first, ...rest] = words;
  if (!first || rest.length === 0) return false;
  return /^\p{Lu}/u.test(first.raw) && rest.some((w) => /^\p{Ll}/u.test(w.raw));
}

/**
 * A text’s phrases: between commas, "and" and words such as "for"; a known name with "and" in it stays whole.
 */
export function phrasesOf<T>(text: string, index: NameIndex<T>): Phrase[] {
  const phrases: Phrase[] = [];
  let now: Phrase = { words: [], dependent: false };
  const next = (dependent: boolean) => {
    if (now.words.length > 0) phrases.push(now);
    now = { words: [], dependent };
  };
  const parts = text.match(/[\p{L}\p{N}]+(?:[’'][\p{L}]+)*[’']?|[^\p{L}\p{N}]+/gu) ?? [];
  const words: (Word | 'break' | 'gap')[] = parts.map((part) => {
    if (/^[\p{L}\p{N}]/u.test(part)) return { stem: stem(part), raw: part };
    if (/[&+]/u.test(part)) return { stem: 'and', raw: 'and' };
    return /^(?:[^\S\r\n]+|-|['’‘]+\s?)$/u.test(part) ? 'gap' : 'break';
  });
  const heard = words.filter((w): w is Word | 'break' => w !== 'gap');
  for (let i = 0; i < heard.length; i += 1) {
    // Within the list.
    const word = heard[i]!;
    if (word === 'break') {
      next(false);
      continue;
    }
    // A name that holds "of" or "and" itself, as "chest of drawers" does, is one.
    const length = index.compoundAt(upToBreak(heard, i), 0);
    if (length > 1) {
      // A compound is found in words alone, up to the next break.
      now.words.push(...(heard.slice(i, i + length) as Word[]));
      i += length - 1;
      continue;
    }
    if (word.stem === 'and') next(now.dependent);
    else if (word.stem === 'of' && now.words.length > 0 && countsOnly(now.words)) now.words = [];
    else if (ABOUT.has(word.stem) && (now.words.length > 0 || phrases.length > 0)) next(true);
    else if (!/^(?:the|a|an|my|our)$/u.test(word.stem)) now.words.push(word);
  }
  next(false);
  return phrases;
}

function upToBreak(heard: readonly (Word | 'break')[], at: number): Word[] {
  const words: Word[] = [];
  for (let i = at; i < heard.length && words.length < 6; i += 1) {
    // Within the list.
    const word = heard[i]!;
    if (word === 'break') break;
    words.push(word);
  }
  return words;
}

const countsOnly = (words: readonly Word[]) => QUANTITY.has(words.at(-1)?.stem ?? '');

/** What a phrase names at its end; `another`: something that is not known. */
function headOf<T>(
  words: readonly Word[],
  index: NameIndex<T>,
  namesAreLarge: boolean,
): Named<T> | 'another' | null {
  let weak: Named<T> | null = null;
  let passed = false;
  for (let end = words.length; end > 0; end -= 1) {
    // Within the list: it ends at 1.
    const word = words[end - 1]!;
    const hit = index.endingAt(words, end);
    if (hit) {
      const at = end - hit.length;
      const named = {
        value: hit.value,
        shown: words
          .slice(at, end)
          .map((w) => w.raw)
          .join(' '),
        before: words.slice(0, at).map((w) => w.stem),
      };
      if (hit.length > 1 || !(WEAK.has(word.stem) || MODIFIERS.has(word.stem)))
        return passed ? 'another' : named;
      weak ??= passed ? null : named;
      continue;
    }
    if (MODIFIERS.has(word.stem) || /\p{N}/u.test(word.raw)) continue;
    if (COMPANIONS.has(word.stem)) passed = true;
    else if (!(namesAreLarge && end > 1 && /^\p{Lu}/u.test(word.raw))) passed = true;
    if (weak) return weak;
  }
  return weak;
}
