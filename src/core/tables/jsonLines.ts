import { textOf, type Column, type Value } from './value';

/**
 * Rows as JSON Lines: an object a line, by the columns' ids; figures as numbers, yes and no as such, days and
 * addresses as text. What is empty is left out.
 *
 * @see https://jsonlines.org
 */
export function jsonLines<T>(columns: readonly Column<T>[], rows: readonly (readonly Value[])[]): string {
  return rows
    .map((row) => {
      const line: Record<string, string | number | boolean> = {};
      for (const [i, { id }] of columns.entries()) {
        const value = row[i] ?? null;
        if (value === null || value === '') continue;
        line[id] = typeof value === 'object' ? textOf(value) : value;
      }
      return `${JSON.stringify(line)}\n`;
    })
    .join('');
}
