import type { Lesson } from '@/contract/lesson';
import type { Doubt, ReadLine } from '@/contract/picture';

import { areSaidOfFlaws, bareMeasures, colourIn, flawIn, isWeightClear, measuresIn, weightIn } from './board';
import { careIn } from './care';
import { countryNamed } from './countries';
import { fibresIn } from './fibres';
import { asTaught } from './lessons';
import { LEAST_CONFIDENCE, nearest, titled, type Suggestion } from './lines';
import { READ_WORDS } from './sense';
import { measureNames } from '../kinds/measureNames';
import type { MeasureSpec } from '../kinds/spec';
import type { Units } from '../measure/units';

/** What is known of the item and of the person's other ones before a picture is read. */
export interface Reader {
  /** Of the item's kind; a number without a unit is in `units`. */
  measures: readonly MeasureSpec[];
  /** What kinds are measured by, the most usual set first: by name alone, while the kind is not known. */
  measureSets?: readonly (readonly MeasureSpec[])[];
  units: Units;
  /** Brands the person had before. */
  brands?: readonly string[];
  /** Colours by their names in the trade. */
  colours?: readonly string[];
  /** Facts the kind is asked for, by id; where absent only what any kind may be is suggested. */
  asked?: readonly string[];
  /** What the person's corrections taught. */
  taught?: readonly Lesson[];
  /** Whose the item is, where that is known already. */
  maker?: string;
}

/** More of a line is no label's: a reader makes long lines of what is no text. */
const LONGEST = 300;
const SYSTEM = 'EU|EUR|UK|GB|US|USA|IT|FR|DE';

/**
 * What a sewn-in label or a whiteboard of measurements says: maker, size, fibres, care, country, style code,
 * year; measurements, weight, flaws, colours. Nothing is certain: each comes with the words it rests on, and
 * with a doubt where there is one.
 */
export function suggestionsFrom(lines: readonly ReadLine[], reader: Reader): Suggestion[] {
  const good = lines.filter((l) => l.confidence >= LEAST_CONFIDENCE && l.text.trim() !== '');
  const found: Suggestion[] = [];
  const told = new Set<ReadLine>();
  const add = (line: ReadLine, field: string, value: string, more: Partial<Suggestion> = {}) => {
    told.add(line);
    if (value === '' || (field !== 'flaw' && found.some((f) => f.field === field))) return;
    found.push({ ...base(line), field, value: value.slice(0, LONGEST), ...more });
  };
  const named = namedMeasures(good, reader);
  const fibres = fibresIn(good);
  if (fibres)
    add(fibres.line, 'fact:material', fibres.value, {
      ...(fibres.doubt ? { doubt: fibres.doubt, confidence: Math.min(fibres.line.confidence, 55) } : {}),
    });
  good.forEach((line, i) => {
    const text = line.text.trim().replace(/\s+/gu, ' ');
    for (const { id, mm, doubt } of measuresIn(text, named, reader.units))
      add(line, `measure:${id}`, String(mm), doubt ? { doubt } : {});
    if (told.has(line)) return;
    ofLabel(text, good[i + 1]?.text.trim() ?? '', reader).forEach(([field, value, doubt]) =>
      add(line, field, value, doubtOfLetter(field, value, line) ?? (doubt ? { doubt } : {})),
    );
    if (told.has(line) || /\d\s*%/u.test(text)) return;
    ofBoard(text, reader).forEach(([field, value]) => add(line, field, value, doubtOf(field, text)));
  });
  if (!found.some((f) => f.field.startsWith('measure:')))
    for (const { id, mm, doubt } of bareMeasures(
      good.map((l) => l.text),
      reader.measures,
      reader.units,
    )) {
      const line = good.find((l) => /\d/u.test(l.text) && !told.has(l)) ?? good[0];
      if (line)
        found.push({ ...base(line), field: `measure:${id}`, value: String(mm), ...(doubt && { doubt }) });
    }
  const care = careIn(good.map((l) => l.text));
  const careLine = good.find((l) => careIn([l.text]) !== null);
  if (care && careLine) add(careLine, 'fact:care', care);
  const maker = makerAmong(good, told, reader);
  if (maker) add(maker.line, 'fact:brand', maker.name, { confidence: maker.confidence });
  return asTaught(found, good, reader.taught ?? [], reader.maker);
}

/** The kind's measurements; before it is known those of the kinds that most of the names are of. */
function namedMeasures(
  lines: readonly ReadLine[],
  { measures, measureSets = [], units }: Reader,
): readonly MeasureSpec[] {
  if (measures.length > 0) return measures;
  let best: readonly MeasureSpec[] = [];
  let most = 0;
  for (const set of measureSets) {
    const found = new Set(lines.flatMap((l) => measuresIn(l.text, set, units)).map((m) => m.id)).size;
    if (found > most) [best, most] = [set, found];
  }
  return best;
}

/** Lines of less confidence may have made a letter of what is none. */
const SURE_LETTER = 70;

/** A letter alone is soon seen where there is none. */
function doubtOfLetter(field: string, value: string, line: ReadLine): Partial<Suggestion> | null {
  const isLone = field === 'fact:size' && value.length === 1 && line.text.trim().length <= 2;
  return isLone && line.confidence < SURE_LETTER ? { doubt: 'illegible' } : null;
}

/** Doubts about what stands on a board: a weight's unit, a flaw's words. */
function doubtOf(field: string, text: string): Partial<Suggestion> {
  const isLegible = field === 'weight' ? isWeightClear(text) : field !== 'flaw' || areSaidOfFlaws(text);
  return isLegible ? {} : { doubt: 'illegible' };
}

const base = (line: ReadLine) => ({
  words: line.text.trim().slice(0, LONGEST),
  box: line.box,
  confidence: line.confidence,
  ...(line.weakest === undefined ? {} : { weakest: line.weakest }),
});

type Told = [field: string, value: string, doubt?: Doubt];

/** Size, country, style code, year. */
function ofLabel(text: string, next: string, reader: Reader): Told[] {
  const told: Told[] = [];
  const size = sizeIn(text);
  if (size) {
    told.push(['fact:size', size]);
    const system = /^(EU|UK|US|IT|FR|DE) /u.exec(size)?.[1] ?? (/^[XSML]+$/u.test(size) ? 'Letters' : null);
    if (system && reader.asked?.includes('sizeSystem')) told.push(['fact:sizeSystem', system]);
  }
  const country = countryIn(text, next);
  if (country) told.push(['fact:country', country.value, country.doubt]);
  const code = styleCodeIn(text);
  if (code) told.push(['fact:styleCode', code.value, code.doubt]);
  const year =
    /(?:©|\(c\)|\bcopyright\b|\bprinted\b|\bpublished\b|\bissued\b)\D{0,20}\b(1[89]\d\d|20[0-4]\d)\b/iu.exec(
      text,
    )?.[1];
  if (year && reader.asked?.includes('year')) told.push(['fact:year', year]);
  else if (year && reader.asked?.includes('decade')) told.push(['fact:decade', `${year.slice(0, 3)}0s`]);
  return told;
}

/** Weight, flaws, colours. */
function ofBoard(text: string, reader: Reader): Told[] {
  const told: Told[] = [];
  const weight = weightIn(text);
  if (weight !== null) told.push(['weight', String(weight)]);
  const colour = colourIn(text, reader.colours ?? []);
  if (colour) told.push(['fact:colour', colour]);
  const flaw = weight === null && !colour ? flawIn(text) : null;
  if (flaw) told.push(['flaw', flaw]);
  return told;
}

/** What follows its word, figures in it; of a letter apart at its end the hyphen may have been lost. */
function styleCodeIn(text: string): { value: string; doubt?: Doubt } | null {
  const whole = text.replace(/(\d)\s*-\s*(?=[A-Z\d]+$)/iu, '$1-');
  const match =
    /\b(?:style|art(?:icle)?|ref(?:erence)?|model|mod)\b\.?\s*(?:no\.?|nr\.?)?\s*[:#.]?\s*([A-Z0-9][A-Z0-9/-]{2,20})(\s[A-Z])?(?![a-z])/iu.exec(
      whole,
    );
  const [, code, apart] = match ?? [];
  if (!code || !/\d/u.test(code)) return null;
  if (!apart || !/\d$/u.test(code)) return { value: code.toUpperCase() };
  return { value: `${code}-${apart.trim()}`.toUpperCase(), doubt: 'illegible' };
}

function countryIn(text: string, next: string): { value: string; doubt?: Doubt } | null {
  // Readers lose spaces: "MADE INPORTUGAL".
  const match = /\bmade\s*in[\s.:]*(?:the\s)?([a-z][a-z .]{1,30})?$/iu.exec(
    text.replace(/[^\p{L}\s.]+$/u, ''),
  );
  if (!match) return null;
  const named = match[1] ?? (/^[a-z][a-z .]{1,30}$/iu.test(next) ? next : '');
  const said = named.replace(/[. ]+$/u, '');
  const known = countryNamed(said);
  if (known) return { value: known };
  return said.length < 3 ? null : { value: titled(said), doubt: 'illegible' };
}

/** A size with its system where it has one: "M", "EU 38", "UK 12", "W32 L34". */
function sizeIn(text: string): string | null {
  const plain = text.toUpperCase().replace(/^[^A-Z\d]+|[^A-Z\d]+$/gu, '');
  // Readers lose spaces: "SIZEM", "UK12".
  const said = /^(?:.*\b)?(?:SIZE|GR(?:Ö|O)(?:SS|ß)E|TAILLE|TAGLIA|TALLA|MAAT)\s*[:.]?\s*(.+)$/u.exec(
    plain,
  )?.[1];
  const bare = said ?? plain;
  const system = new RegExp(`^(${SYSTEM})\\s*[:.]?\\s*(\\d{1,3}(?:[./]\\d{1,3})?)\\b`, 'u').exec(bare);
  if (system) return `${systemOf(system[1] ?? '')} ${system[2] ?? ''}`;
  const after = new RegExp(`^(\\d{1,3})\\s*(${SYSTEM})$`, 'u').exec(bare);
  if (after) return `${systemOf(after[2] ?? '')} ${after[1] ?? ''}`;
  const trousers = /^W\s*(\d{2})\s*[/X]?\s*L\s*(\d{2})$/u.exec(bare);
  if (trousers) return `W${trousers[1] ?? ''} L${trousers[2] ?? ''}`;
  if (/^(?:X{0,3}S|M|X{0,4}L|[2-5]XL|ONE SIZE|OS)$/u.test(bare)) return bare;
  const figure = said && /^\d{1,3}(?:\/\d{1,3})?/u.exec(said)?.[0];
  return figure && figure === said.trim() ? figure : null;
}

function systemOf(said: string): string {
  return said === 'EUR' ? 'EU' : said === 'GB' ? 'UK' : said === 'USA' ? 'US' : said;
}

/** A brand that is known, or the line that stands out by its size and holds nothing but a name. */
function makerAmong(
  lines: readonly ReadLine[],
  told: ReadonlySet<ReadLine>,
  { brands = [], measures, measureSets = [] }: Reader,
): { line: ReadLine; name: string; confidence: number } | null {
  const free = lines.filter((l) => !told.has(l) && careIn([l.text]) === null && !/\d\s*%/u.test(l.text));
  const known = new Map(brands.map((name) => [name.toLocaleLowerCase('en'), name]));
  for (const line of free) {
    const name = nearest(bareName(line).toLocaleLowerCase('en'), known.keys(), 6);
    if (name !== null) return { line, name: known.get(name) ?? name, confidence: line.confidence };
  }
  const largest = [...free].sort((a, b) => height(b) - height(a))[0];
  if (!largest || lines.length < 2) return null;
  const others = lines.filter((l) => l !== largest).map(height);
  const usual = others.sort((a, b) => a - b)[others.length >> 1] ?? 0;
  const name = bareName(largest);
  if (height(largest) < usual * 1.2 || !/^[\p{L}&’' .-]{3,40}$/u.test(name)) return null;
  // A line of nothing but words of labels and boards is no name.
  const common = new Set([
    ...READ_WORDS,
    ...[...measures, ...measureSets.flat()].flatMap((m) =>
      measureNames(m).join(' ').toLocaleLowerCase('en').split(' '),
    ),
  ]);
  const words = name.toLocaleLowerCase('en').match(/\p{L}+/gu) ?? [];
  if (/\d/u.test(largest.text) || words.every((word) => common.has(word))) return null;
  return { line: largest, name: titled(name), confidence: Math.min(largest.confidence, 70) };
}

const height = (line: ReadLine) => line.tall ?? line.box[3];
const bareName = (line: ReadLine) => line.text.trim().replace(/^[^\p{L}]+|[^\p{L}.]+$/gu, '');
