/** A calendar day, `2026-11-08`. */
export interface Day {
  day: string;
}
/** A moment by the clock where the person is, `2026-11-08 18:42:05`. */
export interface Moment {
  moment: string;
}
/** An address that can be opened. */
export interface Link {
  link: string;
}

/** What a table says at one place, before a file's way of writing it is chosen; null: nothing. */
export type Value = string | number | boolean | Day | Moment | Link | null;

/** The sign before the decimals. */
export type Decimal = '.' | ',';

/** A value as it is written where there is only text. */
export function textOf(value: Value, decimal: Decimal = '.'): string {
  if (value === null) return '';
  if (typeof value === 'string') return value;
  if (typeof value === 'number') return figureText(value).replace('.', decimal);
  if (typeof value === 'boolean') return value ? 'Yes' : 'No';
  if ('day' in value) return value.day;
  return 'moment' in value ? value.moment : value.link;
}

/** A number in plain digits, without an exponent: spreadsheets and people read it alike. */
function figureText(value: number): string {
  const said = String(value);
  if (!said.includes('e')) return said;
  if (Math.abs(value) >= 1) return BigInt(Math.round(value)).toString();
  return value.toFixed(20).replace(/\.?0+$/u, '');
}

/** What a column holds, so that it is written and read as that. */
export type Sort =
  'words' | 'amount' | 'length' | 'weight' | 'figure' | 'yesNo' | 'day' | 'moment' | 'link' | 'data';

/** A column of a table that is saved. */
export interface Column<T> {
  /** Its name in files for machines, and by which a person's choice of columns is remembered. */
  id: string;
  /** Its heading; unlike every other of its table. */
  label: string;
  sort: Sort;
  /** Saved unless the person chose otherwise. */
  usual: boolean;
  of: (row: T) => Value;
}

/** Minor units as a figure in the currency's own unit. */
export function amountValue(amount: number | null, exponent: number): Value {
  return amount === null ? null : amount / 10 ** exponent;
}
