import type { HttpBindings } from '@hono/node-server';
import { zValidator } from '@hono/zod-validator';
import type { Context, Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import type { ZodType } from 'zod';

import { reasonsWords, troubleWords } from '@/wording/courier';

import { CallFailed, Refused, type Adapter } from '../courier/adapter';
import type { Courier } from '../courier/courier';

/** What the routes of each room are put on. */
export type Api = Hono<{ Bindings: HttpBindings }>;

/** Asks one marketplace; its trouble becomes an answer with words. */
export type OfMarket = (c: Context, ask: (adapter: Adapter) => Promise<Response>) => Promise<Response>;

/** Asks the marketplace that `:market` of the path names. */
export function askingOf(courier: Courier): OfMarket {
  return async (c, ask) => {
    const adapter = courier.adapter(c.req.param('market') ?? '');
    if (!adapter) return c.json({ error: 'There is no such marketplace.' }, 404);
    return answerOf(c, adapter.name, () => ask(adapter));
  };
}

/** What is asked outside; trouble there becomes an answer with words. @param who said before them */
export async function answerOf(c: Context, who: string, ask: () => Promise<Response>): Promise<Response> {
  try {
    return await ask();
  } catch (error) {
    if (error instanceof Refused) return c.json({ error: `${who}: ${reasonsWords(error.reasons)}` }, 422);
    if (error instanceof CallFailed) return c.json({ error: `${who}: ${troubleWords(error.trouble)}` }, 502);
    throw error;
  }
}

/** Takes a body by its schema: `c.req.valid('json')`. What does not fit is turned away in words. */
export function body<T extends ZodType>(schema: T, error = CANNOT) {
  return zValidator('json', schema, (read, c) => (read.success ? undefined : c.json({ error }, 400)));
}

const CANNOT = 'That can’t be done there.';

export const cannot = (c: Context): Response => c.json({ error: CANNOT }, 400);

/** Turns away a body that is larger. @param maxSize bytes */
export function tooLarge(maxSize: number, error: string) {
  return bodyLimit({ maxSize, onError: (c) => c.json({ error }, 413) });
}
