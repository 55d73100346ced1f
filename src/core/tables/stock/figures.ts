import {
  GRAMS_PER_OUNCE,
  MM_PER_INCH,
  parseLength,
  parseWeight,
  type Units,
  ParsedNumber,
} from '../../measure/units';

const MM_PER: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1_000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
};
const GRAMS_PER: Readonly<Record<string, number>> = {
  g: 1,
  gram: 1,
  grams: 1,
  kg: 1_000,
  oz: GRAMS_PER_OUNCE,
  lb: GRAMS_PER_OUNCE * 16,
  lbs: GRAMS_PER_OUNCE * 16,
};
/** A figure, and its unit where it has one. */
const FIGURE = /^(\d{1,7}(?:\.\d+)?)\s*(\p{L}+|["″])?$/u;
/** Longer is a slip, millimetres; as of every length that is typed. */
const LONGEST = 20_000;
const HEAVIEST = 1_000_000;

/** The unit a table writes lengths in. */
export function lengthUnit(units: Units): 'cm' | 'in' {
  return units === 'metric' ? 'cm' : 'in';
}
export function weightUnit(units: Units): 'g' | 'oz' {
  return units === 'metric' ? 'g' : 'oz';
}

/** A length as a table says it, so exactly that it comes back as it was. */
export function lengthValue(mm: number, units: Units): number {
  return units === 'metric' ? Number((mm / 10).toPrecision(15)) : Number((mm / MM_PER_INCH).toPrecision(12));
}

/** A length a table says, in a unit of its own or the table's. @returns millimetres */
export function tableLength(said: string, units: Units): ParsedNumber {
  const [, figure = '', unit = lengthUnit(units)] = FIGURE.exec(said) ?? [];
  const per = MM_PER[unit.toLowerCase()];
  // Fractions of inches, and why it can't be read.
  if (figure === '' || per === undefined) return parseLength(said, units);
  const mm = Number((Number(figure) * per).toPrecision(12));
  return mm > 0 && mm <= LONGEST ? { ok: true, value: mm } : parseLength(mm > 0 ? '99999' : '0', 'metric');
}

export function weightValue(grams: number, units: Units): number {
  return units === 'metric' ? grams : Number((grams / GRAMS_PER_OUNCE).toPrecision(8));
}

/** A weight a table says, in a unit of its own or the table's. @returns whole grams */
export function tableWeight(said: string, units: Units): ParsedNumber {
  const [, figure = '', unit = weightUnit(units)] = FIGURE.exec(said) ?? [];
  const per = GRAMS_PER[unit.toLowerCase()];
  if (figure === '' || per === undefined) return parseWeight(said, units);
  const grams = Math.round(Number(figure) * per);
  // Out of bounds it says so as a typed one does.
  return grams >= 1 && grams <= HEAVIEST ? { ok: true, value: grams } : parseWeight(String(grams), 'metric');
}
