import type { Doubt } from '@/contract/picture';

import { digits, nearest } from './lines';
import { measureNames } from '../kinds/measureNames';
import type { MeasureSpec } from '../kinds/spec';
import { GRAMS_PER_OUNCE, parseLength, type Units } from '../measure/units';

/** A measurement read, in millimetres. */
export interface MeasureRead {
  id: string;
  mm: number;
  doubt?: Doubt;
}

// A seven with a stroke through it looks like a hash to readers of print, a five like an S.
const FIGURE = String.raw`[\dOolI|\]#S$]`;
const PART = String.raw`(?:[.,]${FIGURE}|\s\d(?![\d\/.,]))?(?:\s+\d\/\d)?`;
const NUMBER = String.raw`(?=\S*[\d.,])[\d#S$]${FIGURE}{0,2}${PART}`;
const UNIT = String.raw`cm|mm|inches|inch|in|"`;
const NAMED = new RegExp(
  String.raw`([a-z][a-z -]{0,24}?[a-z])\s*[:=.–-]?\s*(${NUMBER})(?!\d)\s*(?:(${UNIT})(?![a-z]))?`,
  'giu',
);

/**
 * Numbers with the names of the kind's measurements: "pit to pit 54", "LENGTH: 68,5 cm", several on a line.
 */
export function measuresIn(text: string, measures: readonly MeasureSpec[], units: Units): MeasureRead[] {
  const names = new Map<string, MeasureSpec>();
  for (const m of measures)
    for (const name of measureNames(m)) if (!names.has(plainName(name))) names.set(plainName(name), m);
  const found: MeasureRead[] = [];
  for (const [, name, figure, unit] of text.replace(/\bp[2z][p8fb]\b/giu, 'ptp').matchAll(NAMED)) {
    const known = nearest(plainName(name ?? ''), names.keys(), 5);
    const spec = known === null ? undefined : names.get(known);
    const read = spec && lengthRead(figure ?? '', unit, { units, spec });
    if (spec && read) found.push({ id: spec.id, ...read });
  }
  return found;
}

/** What a measurement is called on a board, letters only: "Brust 54" is "brust". Empty where nothing is. */
export function boardName(text: string): string {
  const [, name] = text.matchAll(NAMED).next().value ?? [];
  return plainName(name ?? text.replace(/\d.*$/su, ''));
}

/** The length that stands on a line, whatever its name, in millimetres; null where none can be. */
export function lengthOn(text: string, spec: MeasureSpec, units: Units): number | null {
  const figure = new RegExp(`(${NUMBER})\\s*(?:(${UNIT})(?![a-z]))?`, 'iu').exec(text);
  return figure ? (lengthRead(figure[1] ?? '', figure[2], { units, spec })?.mm ?? null) : null;
}

/**
 * A length under its name. A point is easily lost, "53 5" or "535": where only with one it is what such a
 * length usually is, that is asked about.
 */
function lengthRead(
  figure: string,
  unit: string | undefined,
  { units, spec }: { units: Units; spec: MeasureSpec },
): Omit<MeasureRead, 'id'> | null {
  const isApart = /\d\s\d$/u.test(figure);
  const mm = lengthOf(isApart ? figure.replace(/\s/u, '.') : figure, unit, units);
  // A digit lost makes a sleeve of six centimetres: what can't be is not even suggested.
  if (mm && mm > spec.usual[0] / 2 && mm < spec.usual[1] * 2) {
    const doubt = !isUsual(mm, spec) ? 'unusual' : isApart || /[#S$]/iu.test(figure) ? 'illegible' : null;
    return { mm, ...(doubt && { doubt }) };
  }
  const tenth = /^[\dS#$]{2,3}$/iu.test(figure) && mm ? mm / 10 : null;
  return tenth && isUsual(tenth, spec) ? { mm: tenth, doubt: 'illegible' } : null;
}

function isUsual(mm: number, { usual: [low, high] }: MeasureSpec): boolean {
  return mm >= low && mm <= high;
}

function lengthOf(figure: string, unit: string | undefined, units: Units): number | null {
  const said = unit?.toLocaleLowerCase('en');
  const plain = digits(figure);
  if (said === 'mm') return Number(plain.replace(',', '.')) || null;
  const parsed = parseLength(plain, said === undefined ? units : said === 'cm' ? 'metric' : 'imperial');
  return parsed.ok ? parsed.value : null;
}

/**
 * Numbers without words, given to the kind's measurements in the order in which they stand: a question, no
 * more. None where they are too many, or one of them can't be what it would be.
 */
export function bareMeasures(
  texts: readonly string[],
  measures: readonly MeasureSpec[],
  units: Units,
): MeasureRead[] {
  const figures = texts.flatMap((text) =>
    new RegExp(String.raw`^(?=.*\d)[\s\dOS$.,/x×+|-]*(?:cm|in|")?\s*$`, 'iu').test(text)
      ? (digits(text.replaceAll('|', '/')).match(/\d{1,3}(?:[.,]\d)?/gu) ?? [])
      : [],
  );
  if (figures.length < 2 || figures.length > measures.length) return [];
  const read = figures.map((figure, i): MeasureRead | null => {
    const spec = measures[i];
    const one = spec && lengthRead(figure, undefined, { units, spec });
    return one && isUsual(one.mm, spec) ? { id: spec.id, mm: one.mm, doubt: 'bareNumber' } : null;
  });
  return read.every((one) => one !== null) ? read : [];
}

/** "540 g", "1,2 kg", "1 lb 4 oz". @returns grams */
export function weightIn(text: string): number | null {
  const pounds = /\b(\d{1,2})\s*lbs?\b(?:\s*(\d{1,2}(?:[.,]\d)?)\s*oz\b)?/iu.exec(text);
  if (pounds) {
    const ounces = Number(pounds[1]) * 16 + Number((pounds[2] ?? '0').replace(',', '.'));
    return ounces > 0 ? Math.round(ounces * GRAMS_PER_OUNCE) : null;
  }
  const match =
    /(?:^|[\s:=])(?=\S*\d)([\dOolI|S$]{1,4}(?:[.,]\d{1,3})?)\s*(kg|g|gr|grams?|oz)\b/iu.exec(text) ??
    // With its word in front the unit need not be legible: hundreds are grams, parts are kilograms.
    /\bweight\s*[:=–-]?\s*(\d{3,4})(?:\s*[^\s\d]{1,2}|\s+\d)?\s*$/iu.exec(text) ??
    /\bweight\s*[:=–-]?\s*(\d[.,]\d{1,3})\s*(k)[a-z]?\s*$/iu.exec(text) ??
    // A g by hand is like a 6, a 9 or a q.
    /^\s*(\d{3,4})\s+[69q]\s*$/iu.exec(text) ??
    /(?:^|[\s:=])(\d[.,]\d{1,3})\s*(k)[69q]\s*$/iu.exec(text);
  if (!match) return null;
  const said = Number(digits(match[1] ?? '').replace(',', '.'));
  const unit = (match[2] ?? '').toLocaleLowerCase('en');
  // Nobody sends a hundred kilograms: a point was lost.
  const figure = unit.startsWith('k') && said >= HEAVY ? said / 100 : said;
  const grams = Math.round(figure * (unit.startsWith('k') ? 1_000 : unit === 'oz' ? GRAMS_PER_OUNCE : 1));
  return grams >= 1 && grams <= 100_000 ? grams : null;
}

/** Kilograms from which on a weight has lost its point. */
const HEAVY = 100;

/** Whether a weight's figures and its unit were legible. */
export function isWeightClear(text: string): boolean {
  const [, figure = '', unit = ''] = /(\S*\d)\s*(kg|g|gr|grams?|oz|lbs?)\b/iu.exec(text) ?? [];
  return (
    figure !== '' &&
    !/[SOLI|$]/iu.test(figure) &&
    !(unit.toLocaleLowerCase('en') === 'kg' && Number(figure) >= HEAVY)
  );
}

/** Words for what is wrong with secondhand things. Common practice of the trade, from memory. */
export const FLAW_WORDS: readonly string[] = (
  'hole holes stain stains stained mark marks marked tear tears torn rip ripped pilling pilled bobbling ' +
  'bobbled fading faded scratch scratches scratched scuff scuffs scuffed chip chips chipped crack cracks ' +
  'cracked dent dents dented missing moth worn damage damaged repair repaired darned mended snag snags ' +
  'snagged pulled loose broken crease creased yellowed rust rusty foxing shrunk frayed bent stiff'
).split(' ');

const FLAWS = ['flaw', 'flaws', 'damage', 'fault', 'faults', 'defect', 'defects'];

/** "flaw: small hole at the cuff", "stain on hem". @returns what is wrong, in small letters */
export function flawIn(text: string): string | null {
  const [, word = '', sign = '', rest] = /^\s*(\p{L}{4,7})\s*([:=.–-]|\s)\s*(.+)$/iu.exec(text) ?? [];
  // Without a sign after it, it is one of these only where each letter is.
  const said = nearest(word.toLocaleLowerCase('en'), FLAWS, /\s/u.test(sign) ? Infinity : 4)
    ? rest
    : undefined;
  const words: string[] = (said ?? text).toLocaleLowerCase('en').match(/\p{L}+/gu) ?? [];
  if (words.length > 8 || (words.length < 2 && !said)) return null;
  if (words.includes('no') || words.includes('none') || words.includes('not')) return null;
  if (!words.some((word) => nearest(word, FLAW_WORDS, 6))) return null;
  return (said ?? text)
    .toLocaleLowerCase('en')
    .replace(/[^\p{L}\d]+/gu, ' ')
    .trim()
    .replace(/\p{L}+/gu, (word) => nearest(word, SAID_OF_FLAWS, 4) ?? word);
}

/** Words of flaws, how bad they are and where; longer ones are put right by them. */
const SAID_OF_FLAWS: readonly string[] = [
  ...FLAW_WORDS,
  ...(
    'flaw flaws fault faults defect defects small large slight light heavy tiny faint deep long short ' +
    'several some few one two left right front back side under over near inside outside around below ' +
    'above with from along the and at on in of to by no button buttons cuff cuffs collar neck ' +
    'sleeve sleeves elbow elbows arm arms shoulder hem lining pocket seam seams zip belt strap ' +
    'handle heel toe sole rim base spine cover page pages corner corners edge edges lid foot ' +
    'buckle knee knees'
  ).split(' '),
];

/** Whether all words of a line are such as are said of flaws: another may be one of them, read wrongly. */
export function areSaidOfFlaws(text: string): boolean {
  const words = text.toLocaleLowerCase('en').match(/\p{L}{2,}/gu) ?? [];
  return words.every((word) => SAID_OF_FLAWS.includes(word));
}

/** "Colour: navy", "navy / cream": a line that is nothing but colours. @returns the words, with a capital */
export function colourIn(text: string, colours: Iterable<string>): string | null {
  const said = /^\s*colou?rs?\s*[:=–-]?\s*(.+)$/iu.exec(text)?.[1];
  const known = new Set([...colours].map((c) => c.toLocaleLowerCase('en')));
  const words = (said ?? text).toLocaleLowerCase('en').match(/\p{L}+/gu) ?? [];
  if (words.length === 0 || words.length > 4) return null;
  if (!words.every((w) => SHADES.has(w) || nearest(w, known, 5))) return null;
  const named = words.filter((w) => !SHADES.has(w)).flatMap((w) => nearest(w, known, 5) ?? []);
  if (named.length === 0) return null;
  const value = words.map((w) => (SHADES.has(w) ? w : (nearest(w, known, 5) ?? w)));
  const inWords = named.length === 1 ? value.join(' ') : named.join(', ');
  return inWords.charAt(0).toLocaleUpperCase('en') + inWords.slice(1);
}

const SHADES = new Set(['dark', 'light', 'pale', 'bright', 'and']);

function plainName(name: string): string {
  return name.toLocaleLowerCase('en').replace(/[^a-z]/gu, '');
}
