import { NONE, type Coded, type None } from '@/contract/coded';

import type { PrivateValue } from '../kinds/publicFacts';
import { wholeWord } from '../language/wholeWord';

/** What a find is: something anybody would keep to themselves, or a private fact by its name. */
export interface PrivateKindParams {
  email: None;
  webAddress: None;
  phone: None;
  spot: None;
  fact: { name: string };
}
export type PrivateKind = Coded<PrivateKindParams>;

export interface PrivateFind {
  what: PrivateKind;
  words: string;
}

const EMAIL: PrivateKind = { code: 'email', params: NONE };
const WEB_ADDRESS: PrivateKind = { code: 'webAddress', params: NONE };
const PHONE: PrivateKind = { code: 'phone', params: NONE };
const SPOT: PrivateKind = { code: 'spot', params: NONE };

/**
 * Finds what must not stand in public words: the spot, e-mail and web addresses, phone numbers.
 *
 * Addresses are found as roughly as marketplaces look for them, who take "3@2.50" for one and refuse it:
 * whatever has something before an `@` and a point with something behind it after, and whatever holds `www.`
 * or `http:`. A phone number here is a run of at least eight digits, with the usual separators, that starts
 * with `+`, `0` or `(0`; shorter runs are sizes, years and measurements.
 *
 * @param ours values of private facts, by name; the same least length
 * @param spot the item's own spot; spots shorter than two characters are not looked for
 */
export function findPrivate(text: string, spot: string, ours: readonly PrivateValue[] = []): PrivateFind[] {
  const found: PrivateFind[] = [];
  for (const word of text.split(/\s+/u)) {
    const at = word.indexOf('@', 1);
    const point = at === -1 ? -1 : word.indexOf('.', at + 2);
    if (point !== -1 && point < word.length - 1) found.push({ what: EMAIL, words: shown(word) });
    else if (/https?:|www\./iu.test(word)) found.push({ what: WEB_ADDRESS, words: shown(word) });
  }
  for (const m of text.matchAll(/(?<![\d.,])(?:\+|\(?0)[\d\s()./-]{6,24}\d/gu))
    if (m[0].replace(/\D/gu, '').length >= 8) found.push({ what: PHONE, words: m[0].trim() });
  return [...found, ...findOwn(text, ours), ...standing(text, spot, SPOT)];
}

/** An address as it is told of: without what only stands beside it, and not without end. */
function shown(word: string): string {
  const bare = word.replace(/^[<>()[\]"'“”‘’,;]+|[<>()[\]"'“”‘’,;.!?]+$/gu, '') || word;
  return bare.length > 120 ? `${bare.slice(0, 119)}…` : bare;
}

/** The seller's own facts in a text. */
export function findOwn(text: string, ours: readonly PrivateValue[]): PrivateFind[] {
  return ours.flatMap(({ name, value }) => standing(text, value, { code: 'fact', params: { name } }));
}

function standing(text: string, value: string, what: PrivateKind): PrivateFind[] {
  const bare = value.trim();
  const m = bare.length < 2 ? null : wholeWord(bare, 'iu').exec(text);
  return m ? [{ what, words: m[0] }] : [];
}
