const RULES = new Intl.PluralRules('en');

/** @returns the form that goes with a number: a word, or whatever changes with it */
export function plural<T>(n: number, one: T, other: T): T {
  return RULES.select(n) === 'one' ? one : other;
}

/**
 * A number with what is counted.
 *
 * @example counted(1, 'picture') // "1 picture"
 * @example counted(3, 'box', 'boxes') // "3 boxes"
 */
export function counted(n: number, one: string, other = `${one}s`): string {
  return `${n} ${plural(n, one, other)}`;
}
