import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';

/** Exact by the international yard and pound agreement of 1959. */
export const MM_PER_INCH = 25.4;
/** Exact by the same agreement: 1 lb = 0.453 592 37 kg. */
const GRAMS_PER_POUND = 453.59237;
export const GRAMS_PER_OUNCE = GRAMS_PER_POUND / 16;

export type Units = 'metric' | 'imperial';
/** Why a length or weight can't be read. */
export interface FigureTroubleParams {
  endsInZero: None;
  lengthUnread: { units: Units };
  lengthNotAboveZero: None;
  lengthTooLong: { mostMm: number };
  weightUnread: { units: Units };
  weightTooLight: None;
  weightTooHeavy: None;
}
export type FigureTrouble = Coded<FigureTroubleParams>;
export type ParsedNumber = { ok: true; value: number } | Refusal<FigureTrouble>;

const no = (why: FigureTrouble): ParsedNumber => ({ ok: false, why });
/** Longer lengths are slips, millimetres. */
const LONGEST = 20_000;

/**
 * Writes a length: centimetres to one decimal (`54 cm`, `54.5 cm`), or inches to the nearest eighth
 * as tailors write them (`21 1/4 in`).
 */
export function formatLength(mm: number, units: Units): string {
  return `${lengthFigure(mm, units)} ${units === 'metric' ? 'cm' : 'in'}`;
}

/** The figure alone, for a field with its unit beside it. */
export function lengthFigure(mm: number, units: Units): string {
  if (units === 'metric') return String(Math.round(mm) / 10);
  const eighths = Math.round((mm / MM_PER_INCH) * 8);
  const whole = Math.floor(eighths / 8);
  let top = eighths % 8;
  let bottom = 8;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return String(whole);
  return whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
}

/**
 * Reads a length a person typed in the unit shown beside the field.
 *
 * Centimetres or inches with either decimal sign; inches also as fractions (`21 1/4`, `3/8`).
 *
 * @returns millimetres, or why it can't be read
 */
export function parseLength(text: string, units: Units): ParsedNumber {
  const bare = text.trim().replace(/\s*(cm|in|"|″)$/iu, '');
  const fraction = /^(?:(\d{1,4})\s+)?(\d{1,2})\/(\d{1,2})$/u.exec(bare);
  if (fraction && units === 'imperial') {
    const bottom = Number(fraction[3]);
    if (bottom === 0) return no({ code: 'endsInZero', params: NONE });
    return checkLength((Number(fraction[1] ?? 0) + Number(fraction[2]) / bottom) * MM_PER_INCH);
  }
  if (!/^\d{1,5}([.,]\d{1,3})?$/u.test(bare)) return no({ code: 'lengthUnread', params: { units } });
  const figure = Number(bare.replace(',', '.'));
  return checkLength(figure * (units === 'metric' ? 10 : MM_PER_INCH));
}

function checkLength(mm: number): ParsedNumber {
  if (mm <= 0) return no({ code: 'lengthNotAboveZero', params: NONE });
  if (mm > LONGEST) return no({ code: 'lengthTooLong', params: { mostMm: LONGEST } });
  return { ok: true, value: Math.round(mm * 1000) / 1000 };
}

/** Writes a weight: `850 g`, `2.4 kg`, or pounds and ounces (`1 lb 14 oz`). */
export function formatWeight(grams: number, units: Units): string {
  if (units === 'metric')
    return grams < 1000 ? `${Math.round(grams)} g` : `${Math.round(grams / 10) / 100} kg`;
  const ounces = Math.round(grams / GRAMS_PER_OUNCE);
  const pounds = Math.floor(ounces / 16);
  return pounds === 0 ? `${ounces} oz` : `${pounds} lb ${ounces % 16} oz`;
}

/** Reads a weight in grams (metric) or ounces (imperial). @returns whole grams, or why not. */
export function parseWeight(text: string, units: Units): ParsedNumber {
  const bare = text.trim().replace(/\s*(g|oz)$/iu, '');
  if (!/^\d{1,7}([.,]\d{1,2})?$/u.test(bare)) return no({ code: 'weightUnread', params: { units } });
  const grams = Math.round(Number(bare.replace(',', '.')) * (units === 'metric' ? 1 : GRAMS_PER_OUNCE));
  if (grams < 1) return no({ code: 'weightTooLight', params: NONE });
  if (grams > 1_000_000) return no({ code: 'weightTooHeavy', params: NONE });
  return { ok: true, value: grams };
}

/** Around from flat: a tube laid flat is half its circumference wide. */
export function aroundFromFlat(flatMm: number): number {
  return flatMm * 2;
}
