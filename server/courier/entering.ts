import type { z } from 'zod';

import { NONE } from '@/contract/coded';
import { CourierEvent, Duplicate, Found, News } from '@/contract/courierEvents';

import type { Log } from '../faults/log';

/** Made by the server itself from what was parsed already. */
const OURS: readonly CourierEvent['type'][] = [
  'command',
  'tick',
  'started',
  'connection',
  'firstSyncDone',
  'publishDispatched',
  'quiet',
  'compared',
];

/**
 * What an adapter hands in, as the contract has it: cut where it is too long, so that every view of it fits
 * the page. What does not fit at all is left out by itself and noted; the rest of what came with it counts.
 */
export function entering(event: CourierEvent, log: Log): CourierEvent[] {
  if (OURS.includes(event.type)) return [event];
  const whole = CourierEvent.safeParse(event);
  if (whole.success) return [whole.data];
  const market = 'market' in event ? event.market : null;
  log.fault('a marketplace told what does not fit', whole.error, { market, type: event.type });
  const fits = <T>(schema: z.ZodType<T>, all: readonly unknown[] = []): T[] =>
    all.flatMap((one) => {
      const read = schema.safeParse(one);
      return read.success ? [read.data] : [];
    });
  const rest: unknown =
    event.type === 'news'
      ? { ...event, news: fits(News, event.news) }
      : event.type === 'strays'
        ? { ...event, found: fits(Found, event.found), duplicates: fits(Duplicate, event.duplicates) }
        : // An answer that does not fit is none: it may have been done all the same.
          'ref' in event && typeof event.ref === 'string'
          ? {
              type: 'failed',
              market,
              ref: event.ref,
              action: 'action' in event ? event.action : ACTION[event.type],
              trouble: { code: 'answerNotRead', params: NONE },
              unclear: true,
              retryAfter: null,
              fault: true,
            }
          : null;
  return fits(CourierEvent, [rest]);
}

const ACTION: Partial<Record<CourierEvent['type'], 'publish' | 'revise' | 'withdraw'>> = {
  published: 'publish',
  revised: 'revise',
  withdrawn: 'withdraw',
  absent: 'withdraw',
};
