import { nearest } from './lines';

const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
/** What labels name otherwise than Unicode does, or what is no country any more. Common practice. */
const ALSO =
  'England,Scotland,Wales,Northern Ireland,Great Britain,Britain,UK,USA,Czech Republic,Turkey,Hong Kong,' +
  'Macau,Burma,Holland,Korea,Republic of Ireland,West Germany,East Germany,Czechoslovakia,Yugoslavia,USSR';

let names: Map<string, string> | null = null;

/** Countries by their names in plain small letters: ISO 3166-1, in English as Unicode CLDR has them. */
function countries(): Map<string, string> {
  if (names) return names;
  const inEnglish = new Intl.DisplayNames('en', { type: 'region', fallback: 'none' });
  const all = LETTERS.flatMap((a) => LETTERS.flatMap((b) => inEnglish.of(a + b) ?? []));
  names = new Map([...all, ...ALSO.split(',')].map((name) => [plain(name), name]));
  return names;
}

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLocaleLowerCase('en')
    .replace(/[^a-z]+/gu, ' ')
    .trim();

/** The country that words name, one letter read wrongly allowed, two in a long name; null where none. */
export function countryNamed(words: string): string | null {
  const near = nearest(plain(words), countries().keys(), 5);
  return near === null ? null : (countries().get(near) ?? null);
}
