import type { MeasureSpec } from '../kinds/spec';
import { parseLength, type Units } from '../measure/units';

/** A line of text as a reader found it in a picture. */
export interface ReadLine {
  text: string;
  /** 0 to 100. */
  confidence: number;
  /** Left, top, width, height as shares of the picture. */
  box: [number, number, number, number];
}

/** What a line may mean, for a person to confirm. */
export interface Suggestion {
  /** `fact:size`, `measure:chest`. */
  field: string;
  /** The fact's text, or millimetres for a measurement. */
  value: string;
  words: string;
  box: [number, number, number, number];
  confidence: number;
}

/**
 * Below this a line is junk: upside-down text comes out like that. Common practice with this kind of reader.
 */
export const LEAST_CONFIDENCE = 50;

/**
 * Fibres as labels name them, English. From memory; the names are those of Regulation (EU) No 1007/2011,
 * Annex I.
 */
const FIBRES = (
  'wool lambswool merino cashmere alpaca mohair angora silk cotton linen flax hemp jute ramie ' +
  'viscose rayon lyocell modal cupro acetate polyester polyamide nylon acrylic elastane ' +
  'spandex polyurethane leather suede down feathers'
).split(' ');
const SIZE_WORD = /^(?:(?:X{0,3}[SL])|M|ONE SIZE|OS)$/u;

/**
 * What a sewn-in label or a whiteboard of measurements says: size, fibres, country, style code, maker, and
 * numbers with the names of the kind's measurements. Nothing is certain: each comes with the words it rests
 * on.
 *
 * @param measures of the item's kind; a number without a unit is in `units`
 */
export function suggestionsFrom(
  lines: readonly ReadLine[],
  measures: readonly MeasureSpec[],
  units: Units,
): Suggestion[] {
  const good = lines.filter((l) => l.confidence >= LEAST_CONFIDENCE && l.text.trim() !== '');
  const found: Suggestion[] = [];
  const add = (line: ReadLine, field: string, value: string, confidence = line.confidence) => {
    if (value !== '' && !found.some((f) => f.field === field))
      found.push({ field, value, words: line.text.trim(), box: line.box, confidence });
  };
  const fibres = fibreLines(good);
  if (fibres) add(fibres.line, 'fact:material', fibres.value, fibres.confidence);
  for (const line of good) {
    const text = line.text.trim().replace(/\s+/gu, ' ');
    const measured = measureIn(text, measures, units);
    if (measured) {
      add(line, `measure:${measured.id}`, String(measured.mm));
      continue;
    }
    const size = sizeIn(text);
    if (size) add(line, 'fact:size', size);
    const country = /\bmade\s*in\s*([a-z][a-z .]{2,30})/iu.exec(text)?.[1];
    if (country) add(line, 'fact:country', titled(country.replace(/[. ]+$/u, '')));
    const code =
      /\b(?:style|art(?:icle)?|ref|model|mod)\b\.?\s*(?:no\.?|nr\.?)?\s*[:#.]?\s*([A-Z0-9][A-Z0-9/-]{2,20})/iu.exec(
        text,
      )?.[1];
    if (code && /\d/u.test(code)) add(line, 'fact:styleCode', code.toUpperCase());
  }
  const maker = makerLine(good);
  if (maker) add(maker, 'fact:brand', titled(maker.text.trim()), Math.min(maker.confidence, 70));
  return found;
}

/** "100 % wool", "80% cotton 20% linen", over one line or several; null when there are none. */
function fibreLines(
  lines: readonly ReadLine[],
): { line: ReadLine; value: string; confidence: number } | null {
  const parts: { share: number; fibre: string; line: ReadLine }[] = [];
  for (const line of lines)
    for (const [, figure, word] of line.text.matchAll(
      /([\dOolI|S]{1,3})\s*%\s*(?:pure\s+|new\s+|virgin\s+)*([a-z]{3,14})/giu,
    )) {
      const share = Number(digits(figure ?? ''));
      const fibre = nearest((word ?? '').toLocaleLowerCase('en'));
      if (fibre && share >= 1 && share <= 100) parts.push({ share, fibre, line });
    }
  const [only] = parts;
  const line = only?.line;
  if (!line) return null;
  const read = parts.map((p) => p.share);
  const shares = mended(read);
  parts.forEach((p, i) => (p.share = shares[i] ?? p.share));
  const sum = total(read);
  // Shares that do not come to a hundred were misread, or one was missed.
  const confidence = sum === 100 ? line.confidence : Math.min(line.confidence, 55);
  const value =
    only && parts.length === 1 && sum === 100
      ? titled(only.fibre)
      : parts.map((p) => `${p.share} % ${p.fibre}`).join(', ');
  return { line, value, confidence };
}

/** Figures that readers take for one another; a zero with a stroke through it looks like an eight. */
const ALIKE: Record<string, string> = {
  '0': '8',
  '8': '03',
  '1': '7',
  '7': '1',
  '3': '8',
  '5': '6',
  '6': '5',
};

/**
 * Shares that come to a hundred once a single figure is taken for its look-alike; as read where that is not
 * clear.
 */
function mended(shares: number[]): number[] {
  if (total(shares) === 100) return shares;
  const ways: number[][] = [];
  shares.forEach((share, i) => {
    const text = String(share);
    [...text].forEach((figure, at) => {
      for (const other of ALIKE[figure] ?? '') {
        const changed = shares.map((s, k) =>
          k === i ? Number(text.slice(0, at) + other + text.slice(at + 1)) : s,
        );
        if (total(changed) === 100) ways.push(changed);
      }
    });
  });
  return (ways.length === 1 ? ways[0] : undefined) ?? shares;
}

function total(shares: readonly number[]): number {
  return shares.reduce((s, share) => s + share, 0);
}

/** Letters that readers take for figures, put right. */
function digits(text: string): string {
  return text
    .replace(/[Oo]/gu, '0')
    .replace(/[lI|\]]/gu, '1')
    .replace(/S/gu, '5');
}

/** A fibre's name, one wrong letter allowed. */
function nearest(word: string): string | null {
  if (FIBRES.includes(word)) return word;
  return (
    FIBRES.find((f) => f.length >= 4 && Math.abs(f.length - word.length) <= 1 && withinOne(f, word)) ?? null
  );
}

function withinOne(a: string, b: string): boolean {
  let i = 0;
  while (i < a.length && a[i] === b[i]) i += 1;
  if (a.length === b.length) return a.slice(i + 1) === b.slice(i + 1);
  return a.length > b.length ? a.slice(i + 1) === b.slice(i) : a.slice(i) === b.slice(i + 1);
}

function sizeIn(text: string): string | null {
  const named =
    /\b(?:size|gr(?:ö|o)(?:ß|ss)e|taille|taglia)\s*[:.]?\s*((?:EU|UK|US|IT|FR|DE)?\s*[A-Z\d][A-Z\d/ ]{0,6})\b/iu.exec(
      text,
    )?.[1];
  // Readers lose spaces: "SIZEM".
  const joined = /^size([SML]|X{1,3}[SL])$/iu.exec(text.replace(/\s/gu, ''))?.[1];
  const lone = SIZE_WORD.test(text.toUpperCase())
    ? text
    : /^(?:EU|UK|US|IT|FR|DE)\s*\d{1,3}$/iu.test(text)
      ? text
      : null;
  const value = (named ?? joined ?? lone)?.trim().toUpperCase().replace(/\s+/gu, ' ');
  return value &&
    /^(?:(?:EU|UK|US|IT|FR|DE) ?)?(?:\d{1,3}(?:\/\d{1,3})?|X{0,3}[SL]|M|ONE SIZE|OS)$/u.test(value)
    ? value
    : null;
}

/** A measurement's name with a number behind it: "pit to pit 54", "LENGTH: 68,5 cm". */
function measureIn(
  text: string,
  measures: readonly MeasureSpec[],
  units: Units,
): { id: string; mm: number } | null {
  const match =
    /^([a-z][a-z -]{2,24}?)\s*[:=.-]?\s*(\d[\doOlI|\]]{0,2}(?:[.,]\d)?(?:\s+\d\/\d)?)\s*(cm|mm|in|inch|inches|")?\.?$/iu.exec(
      text,
    );
  if (!match) return null;
  const name = plainName(match[1] ?? '');
  const spec = measures.find((m) => [m.name, ...(m.alsoCalled ?? [])].some((n) => plainName(n) === name));
  if (!spec) return null;
  const figure = digits(match[2] ?? '');
  const unit = match[3]?.toLocaleLowerCase('en');
  const parsed =
    unit === 'mm'
      ? { ok: true as const, value: Number(figure.replace(',', '.')) }
      : parseLength(figure, unit === undefined ? units : unit === 'cm' ? 'metric' : 'imperial');
  // A digit lost makes a sleeve of six centimetres: what can't be is not even suggested.
  const [low, high] = spec.usual;
  return parsed.ok && parsed.value > low / 2 && parsed.value < high * 2
    ? { id: spec.id, mm: parsed.value }
    : null;
}

function plainName(name: string): string {
  return name.toLocaleLowerCase('en').replace(/[^a-z]/gu, '');
}

/** The line that stands out by its size and holds nothing but a name. */
function makerLine(lines: readonly ReadLine[]): ReadLine | null {
  const heights = lines.map((l) => l.box[3]).sort((a, b) => a - b);
  const usual = heights[heights.length >> 1] ?? 0;
  const largest = [...lines].sort((a, b) => b.box[3] - a.box[3])[0];
  if (!largest || lines.length < 2 || largest.box[3] < usual * 1.3) return null;
  const text = largest.text.trim();
  return /^[\p{L}&’' .-]{3,40}$/u.test(text) && !/\b(?:made in|size|wool|cotton|wash)\b/iu.test(text)
    ? largest
    : null;
}

function titled(text: string): string {
  return text
    .toLocaleLowerCase('en')
    .replace(
      /(^|[\s&-])(\p{L})/gu,
      (_, before: string, letter: string) => before + letter.toLocaleUpperCase('en'),
    );
}
