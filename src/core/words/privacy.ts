import type { PrivateValue } from '../kinds/publicFacts';
import { wholeWord } from './wholeWord';

export interface PrivateFind {
  /** "e-mail address", "phone number", "web address", "spot", or "private: " and the fact's name. */
  what: string;
  words: string;
}

/**
 * Finds what must not stand in public words: the spot, e-mail and web addresses, phone numbers.
 *
 * A phone number here is a run of at least eight digits, with the usual separators, that starts with
 * `+`, `0` or `(0`; shorter runs are sizes, years and measurements.
 *
 * @param ours values of private facts, by name; the same least length
 * @param spot the thing's own spot; spots shorter than two characters are not looked for
 */
export function findPrivate(text: string, spot: string, ours: readonly PrivateValue[] = []): PrivateFind[] {
  const found: PrivateFind[] = [];
  for (const m of text.matchAll(/[^\s@<>,;]{1,64}@[^\s@<>,;]{1,120}\.[a-z]{2,20}/giu))
    found.push({ what: 'e-mail address', words: m[0] });
  for (const m of text.matchAll(/\b(?:https?:\/\/|www\.)[^\s<>]{3,200}/giu))
    found.push({ what: 'web address', words: m[0] });
  for (const m of text.matchAll(/(?<![\d.,])(?:\+|\(?0)[\d\s()./-]{6,24}\d/gu))
    if (m[0].replace(/\D/gu, '').length >= 8) found.push({ what: 'phone number', words: m[0].trim() });
  return [...found, ...findOwn(text, ours), ...standing(text, spot, 'spot')];
}

/** How a find of a private fact begins; its name follows. */
export const OWN = 'private: ';

/** The seller's own facts in a text. */
export function findOwn(text: string, ours: readonly PrivateValue[]): PrivateFind[] {
  return ours.flatMap(({ name, value }) => standing(text, value, `${OWN}${name}`));
}

function standing(text: string, value: string, what: string): PrivateFind[] {
  const bare = value.trim();
  const m = bare.length < 2 ? null : wholeWord(bare, 'iu').exec(text);
  return m ? [{ what, words: m[0] }] : [];
}
