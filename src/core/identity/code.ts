import type { CodePattern, Item } from '@/contract/records';

/** What goes into a code. */
export interface CodeFacts {
  /** 1, 2, 3 ...: given once, never again. */
  number: number;
  haul?: string;
  kind?: string;
  /** What it is in a word or two: brand, model. */
  describing?: string;
  /** Minor units. */
  cost?: number | null;
  spot?: string;
}

/** Stands where a part has nothing to say, so that every part keeps its place. */
const NOTHING = 'X';

/**
 * The code (SKU) of an item by the person's pattern: fixed letters, haul, kind, describing letters, running
 * number, the cost in letters, the spot last. Two items never have the same: the running number stands at
 * the same place in every code of a pattern, no part before it holds the sign between, and it never comes
 * back.
 *
 * @returns at most 60 characters
 * @throws RangeError when the number is not a whole one of 1 or more
 */
export function codeFor(pattern: CodePattern, facts: CodeFacts): string {
  if (!Number.isInteger(facts.number) || facts.number < 1)
    throw new RangeError('running number must be 1 or more');
  const words: Record<CodePattern['parts'][number], string> = {
    letters: pattern.letters,
    haul: letters(facts.haul ?? '', 4),
    kind: letters(facts.kind ?? '', 3),
    describing: initials(facts.describing ?? ''),
    number: String(facts.number).padStart(4, '0'),
    cost: costLetters(facts.cost ?? null, pattern.costWord),
    // The only part that may hold the sign between: it is the last.
    spot: (facts.spot ?? '').trim().replace(/\s+/gu, '').slice(0, 20),
  };
  const parts = pattern.parts.filter((part) => part !== 'spot' || words.spot !== '');
  return parts.map((part) => words[part] || NOTHING).join(pattern.between);
}

/** The running number of an item; from before patterns it stands in the code itself. */
export function numberOf(item: Pick<Item, 'code' | 'number'>): number | null {
  return item.number ?? (Number(/^YA-(\d+)$/u.exec(item.code)?.[1] ?? 0) || null);
}

/** The running number that a code of this pattern has; null: it is of another pattern. */
export function numberIn(pattern: CodePattern, code: string): number | null {
  const at = pattern.parts.indexOf('number');
  const digits = code.split(pattern.between)[at] ?? '';
  const number = Number(digits);
  const isOurs =
    /^\d{4,9}$/u.test(digits) &&
    number >= 1 &&
    code.startsWith(pattern.parts[0] === 'letters' ? pattern.letters : '');
  return isOurs ? number : null;
}

/**
 * A cost in letters, so that only those who know the word can read it. Common practice of the trade.
 *
 * @param cost minor units; null gives nothing
 * @param word ten different letters for 1 to 9 and 0
 */
export function costLetters(cost: number | null, word: string): string {
  if (cost === null || word.length !== 10) return '';
  return [...String(cost)].map((digit) => word[(Number(digit) + 9) % 10]).join('');
}

/** The cost that letters stand for; null when they are none. */
export function costOfLetters(text: string, word: string): number | null {
  if (word.length !== 10 || text === '') return null;
  const digits = [...text].map((letter) =>
    word.indexOf(letter) < 0 ? null : (word.indexOf(letter) + 1) % 10,
  );
  return digits.includes(null) ? null : Number(digits.join(''));
}

/** What goes on the label: the code, then the spot last, so that the person packing reads where to go. */
export function labelCode(code: string, spot: string): string {
  const bare = spot.trim();
  return bare === '' || code.endsWith(bare) ? code : `${code} ${bare}`;
}

function plain(text: string): string {
  // Accents off: a scanner, a label printer and a marketplace's field must all take it.
  return text
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9 ]/gu, '')
    .toUpperCase();
}

function letters(text: string, most: number): string {
  return plain(text).replace(/ /gu, '').slice(0, most);
}

/** "Kittiwake Mills gansey" -> "KMG" */
function initials(text: string): string {
  return plain(text)
    .split(/ +/u)
    .map((word) => word[0] ?? '')
    .join('')
    .slice(0, 4);
}
