import type { Context } from 'hono';

/** What was sent, read as JSON; null where it is none: whoever asked parses it, and null fits nothing. */
export const jsonBody = (c: Context): Promise<unknown> => c.req.json().catch(() => null);
