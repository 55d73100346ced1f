import type { Context } from 'hono';

export type Fields = Record<string, unknown>;

/** The fields of a value from outside; none where it is no object. */
export function fieldsOf(value: unknown): Fields {
  return isFields(value) ? value : {};
}

export function isFields(value: unknown): value is Fields {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** What a call brought as JSON; no fields where it brought none. */
export async function bodyOf(c: Context): Promise<Fields> {
  return fieldsOf(await c.req.json().catch(() => null));
}
