import { BETWEEN_VALUES, type SheetSpecific } from '@/contract/ruleSheet';

type Field = Pick<SheetSpecific, 'choices' | 'own' | 'most'>;

/** How many values a field takes at once. */
export const mostValues = (field: Field): number => field.most ?? 1;

/** The values in what a field is sent as: one, but where the marketplace takes several. */
export function valuesOf(field: Field, text: string): string[] {
  const parts = mostValues(field) > 1 ? text.split(BETWEEN_VALUES.trim()) : [text];
  return parts.map((part) => part.trim()).filter((part) => part !== '');
}

/** Values as a field is sent, each once. */
export function joinedValues(values: readonly string[]): string {
  return [...new Set(values.map((v) => v.trim()))].filter((v) => v !== '').join(BETWEEN_VALUES);
}

/** What a field is sent as, as a person reads it. */
export function readableValues(field: Field | undefined, text: string): string {
  return field ? valuesOf(field, text).join(', ') : text;
}

/** Whether a value may stand in a field that has a list: it is on it, or values of one's own are taken. */
export function isTaken(field: Field, value: string): boolean {
  return !field.choices || field.own === true || field.choices.includes(value);
}

/**
 * A field after a value of its list was pressed: instead of the one before, or beside the others where it
 * takes several; pressed again it is taken away. Where no more are taken it stands for the last one.
 */
export function withPressed(field: Field, text: string, value: string): string {
  const most = mostValues(field);
  if (most === 1) return value;
  const values = valuesOf(field, text);
  if (values.includes(value)) return joinedValues(values.filter((v) => v !== value));
  return joinedValues([...values.slice(0, most - 1), value]);
}

/**
 * A field after values of one's own were typed, with commas between where it takes several; what was chosen
 * of its list stays beside them.
 */
export function withTyped(field: Field, text: string, typed: string): string {
  if (mostValues(field) === 1) return typed.trim();
  const listed = valuesOf(field, text).filter((v) => field.choices?.includes(v));
  // What stands between values can't stand in one.
  return joinedValues([...listed, ...typed.replaceAll(BETWEEN_VALUES.trim(), ',').split(',')]);
}
