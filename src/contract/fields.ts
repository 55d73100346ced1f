/** An object from outside: what its fields hold is not known yet. */
export type Fields = Record<string, unknown>;

export function isFields(value: unknown): value is Fields {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The fields of a value from outside; none where it is no object. */
export function fieldsOf(value: unknown): Fields {
  return isFields(value) ? value : {};
}

/**
 * The names of an object's fields, as its type has them.
 *
 * @param known an object of ours, written out or parsed: what came from outside may have more
 */
export function keysOf<T extends object>(known: T): (keyof T & string)[] {
  // The compiler says `string`, since a value may have more fields than its type.
  return Object.keys(known) as (keyof T & string)[];
}
