import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';

/** Integer minor units of a currency: cents for EUR, yen for JPY, fils for KWD. */
export type Minor = number;

/**
 * Number of decimal places of a currency's minor unit.
 *
 * @param currency ISO 4217 alphabetic code
 * @returns 0 for JPY, 2 for EUR, 3 for KWD
 * @throws RangeError for a malformed code
 * @see ISO 4217 (by way of ECMA-402, which takes its digits from there)
 */
export function exponentOf(currency: string): number {
  return writerOf(currency).exponent;
}

/** Not the hyphen that typing gives: it is as wide as a plus. */
const MINUS = '\u2212';

/** Making a format is dear, and every row of a list writes an amount. */
const writers = new Map<string, { format: Intl.NumberFormat; exponent: number }>();

function writerOf(currency: string): { format: Intl.NumberFormat; exponent: number } {
  let writer = writers.get(currency);
  if (!writer) {
    const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency });
    writer = { format, exponent: format.resolvedOptions().maximumFractionDigits ?? 2 };
    writers.set(currency, writer);
  }
  return writer;
}

/** Writes an amount for a person, with a minus sign (U+2212) below zero: `€24.00`, `−€1.90`, `¥500`. */
export function formatMoney(amount: Minor, currency: string): string {
  const { format, exponent } = writerOf(currency);
  const text = format.format(amount / 10 ** exponent);
  return amount < 0 ? text.replace('-', MINUS) : text;
}

/** Writes an amount for a field: `24.00`, without the currency's sign. */
export function formatAmount(amount: Minor, currency: string): string {
  const exponent = exponentOf(currency);
  return (amount / 10 ** exponent).toFixed(exponent);
}

/** Whether a sign or code that was typed may mean this currency: "$" is that of many. */
function isSignOf(sign: string, currency: string): boolean {
  if (/^[A-Z]{3}$/u.test(sign)) return sign === currency;
  return (['symbol', 'narrowSymbol'] as const).some((currencyDisplay) =>
    new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay })
      .formatToParts(0)
      .some((part) => part.type === 'currency' && part.value === sign),
  );
}

/** Why an amount can't be read; `said` is what was typed. */
export interface MoneyTroubleParams {
  otherCurrency: { sign: string; currency: string };
  amountMissing: None;
  amountBelowZero: None;
  amountNotDigits: None;
  tooManySeparators: None;
  twoReadings: { said: string };
  separatorsDoNotFit: None;
  tooManyDecimals: { most: number };
  amountTooLarge: None;
}
export type MoneyTrouble = Coded<MoneyTroubleParams>;
export type ParsedMoney = { ok: true; amount: Minor } | Refusal<MoneyTrouble>;

const no = (why: MoneyTrouble): ParsedMoney => ({ ok: false, why });

/**
 * Reads an amount a person typed, with either decimal sign and optional grouping.
 *
 * `12`, `12.5`, `12,50`, `1.234,50`, `1,234.50`, `€ 12`. A lone separator before exactly three digits
 * (`1,234`) could mean two amounts and is refused, except in currencies with three decimals or with none,
 * where it parts thousands. A sign or code of another currency is refused.
 *
 * @returns minor units, or why it can't be read; never a guess
 */
export function parseMoney(text: string, currency: string): ParsedMoney {
  const exponent = exponentOf(currency);
  const said = text.trim();
  const other = [...said.matchAll(/^(?:[A-Z]{0,3}\p{Sc}|[A-Z]{3})|(?:\p{Sc}|[A-Z]{3})$/gu)]
    .map(([sign]) => sign)
    .find((sign) => !isSignOf(sign, currency));
  if (other !== undefined) return no({ code: 'otherCurrency', params: { sign: other, currency } });
  const bare = said.replace(/^(?:[A-Z]{0,3}\p{Sc}|[A-Z]{3})\s*|\s*(?:\p{Sc}|[A-Z]{3})$/gu, '');
  if (bare === '') return no({ code: 'amountMissing', params: NONE });
  if (/^[-\u2212]/u.test(bare)) return no({ code: 'amountBelowZero', params: NONE });
  if (!/^[\d.,\s]+$/u.test(bare)) return no({ code: 'amountNotDigits', params: NONE });
  const compact = bare.replace(/\s/gu, '');
  const marks = [...compact.matchAll(/[.,]/gu)].map((m) => m.index);
  const last = marks.at(-1);
  let whole = compact;
  let fraction = '';
  if (last !== undefined) {
    const decimals = compact.length - last - 1;
    const sign = compact[last];
    const repeated = marks.filter((i) => compact[i] === sign).length > 1;
    if (repeated && marks.some((i) => compact[i] !== sign))
      return no({ code: 'tooManySeparators', params: NONE });
    const lone = !repeated && marks.length === 1 && decimals === 3;
    if (lone && exponent !== 3 && exponent !== 0) return no({ code: 'twoReadings', params: { said } });
    // Without decimals it can only part thousands.
    if (!repeated && !(lone && exponent === 0)) {
      whole = compact.slice(0, last);
      fraction = compact.slice(last + 1);
    }
    const groups = whole.split(/[.,]/u);
    if (groups.length > 1 && groups.slice(1).some((g) => g.length !== 3))
      return no({ code: 'separatorsDoNotFit', params: NONE });
    whole = groups.join('');
  }
  if (fraction.length > exponent) return no({ code: 'tooManyDecimals', params: { most: exponent } });
  const amount = Number(`${whole || '0'}${fraction.padEnd(exponent, '0')}`);
  if (!Number.isSafeInteger(amount) || amount > 1_000_000_000_00)
    return no({ code: 'amountTooLarge', params: NONE });
  return { ok: true, amount };
}

/**
 * A share of an amount, rounded half up to the minor unit (the rounding every fee here uses).
 *
 * @param basisPoints 1000 is 10 %
 */
export function shareOf(amount: Minor, basisPoints: number): Minor {
  return Math.floor((amount * basisPoints + 5_000) / 10_000);
}
