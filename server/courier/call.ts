import type { z } from 'zod';

import { NONE } from '@/contract/coded';
import { CALL_LIMIT } from '@/core/courier/waiting';

import { CallFailed, failed } from './adapter';

/** Most bytes read of an answer: a marketplace is outside, and outside is not trusted. */
const MOST = 4_000_000;

export interface Answer {
  status: number;
  body: unknown;
}

/**
 * One HTTP call to a marketplace. Statuses in `expected` come back as answers; everything else
 * becomes {@link CallFailed}, which says why.
 */
export async function call(
  address: string,
  init: RequestInit & { token: string; expected: readonly number[] },
): Promise<Answer> {
  const { token, expected, ...request } = init;
  const changing = (request.method ?? 'GET') !== 'GET';
  const once = async () => {
    const response = await fetch(address, {
      ...request,
      redirect: 'manual',
      // A connection that is kept may be closed from the other side just as the next call goes out, and of
      // one that changes something nobody knows then whether it was done (RFC 9112, 9.3.1): none is kept.
      headers: { ...request.headers, authorization: `Bearer ${token}`, connection: 'close' },
      signal: AbortSignal.timeout(CALL_LIMIT),
    });
    return { response, text: await readLimited(response) };
  };
  const isLate = (error: unknown) => error instanceof Error && error.name === 'TimeoutError';
  // What only asks may be asked once more, at once.
  const again = (error: unknown) => {
    if (changing || isLate(error) || error instanceof TooLong) throw error;
    return once();
  };
  const { response, text } = await once()
    .catch(again)
    .catch((error: unknown) => {
      throw failed(isLate(error) ? 'noAnswer' : 'brokeOff', changing);
    });
  if (expected.includes(response.status)) {
    try {
      return { status: response.status, body: text === '' ? null : JSON.parse(text) };
    } catch {
      // Not JSON.
      throw failed('unreadable', changing);
    }
  }
  if (response.status === 429) {
    const seconds = Number(response.headers.get('retry-after'));
    const wait = Number.isFinite(seconds) && seconds > 0 ? Math.min(seconds, 3_600) * 1_000 : 5_000;
    throw new CallFailed({ code: 'slowDown', params: NONE }, false, wait);
  }
  if (response.status === 401 || response.status === 403)
    throw new CallFailed({ code: 'keyRefused', params: NONE }, false, 10_000, true);
  if (response.status === 503) throw failed('closed', false);
  const { status } = response;
  throw new CallFailed({ code: 'status', params: { status } }, changing && status >= 500);
}

class TooLong extends Error {}

async function readLimited(response: Response): Promise<string> {
  const reader = response.body?.getReader();
  if (!reader) return '';
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > MOST) {
      await reader.cancel();
      throw new TooLong('answer too long');
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/** Reads an answer's body by its schema; what does not fit counts as no answer. */
export function readAs<T>(schema: z.ZodType<T>, body: unknown): T {
  const parsed = schema.safeParse(body);
  if (!parsed.success) throw failed('notAsAgreed', true);
  return parsed.data;
}
