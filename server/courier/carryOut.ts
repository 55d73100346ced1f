import { NONE } from '@/contract/coded';
import { fieldsOf } from '@/contract/fields';
import type { Trouble } from '@/contract/troubles';
import type { CourierEvent, Effect } from '@/core/courier/types';

import { CallFailed, failed, Refused, type Adapter, type AlreadyOver, type Pictures } from './adapter';
import type { Log } from '../faults/log';

interface CallsBy {
  adapter: Adapter | undefined;
  pictures: Pictures;
  log: Log;
  /** The marketplace told what happened there. */
  onHeard: () => void;
}

/** Makes one call. @returns what came of it, as an event; it never throws */
export async function carryOut(effect: Effect, by: CallsBy): Promise<CourierEvent> {
  try {
    if (!by.adapter) throw failed('notConnected', false, 60_000);
    return await call(effect, by.adapter, by);
  } catch (error) {
    return failureOf(effect, error, by.log);
  }
}

async function call(effect: Effect, adapter: Adapter, by: CallsBy): Promise<CourierEvent> {
  const { market } = effect;
  switch (effect.type) {
    case 'poll': {
      const { news, cursor } = await adapter.eventsSince(effect.cursor);
      by.onHeard();
      return news.length > 0 ? { type: 'news', market, news, cursor } : { type: 'quiet', market, cursor };
    }
    case 'publish': {
      const answer = await adapter.publish(effect, by.pictures);
      return 'news' in answer
        ? overEvent(market, answer)
        : { type: 'published', market, ref: effect.ref, ...answer };
    }
    case 'revise': {
      const answer = await adapter.revise(effect.ref, effect.remoteId, effect.draft, by.pictures);
      return answer === 'revised' ? { type: 'revised', market, ref: effect.ref } : overEvent(market, answer);
    }
    case 'withdraw': {
      const answer = await adapter.withdraw(effect.ref, effect.remoteId, effect.outcome);
      return typeof answer === 'string'
        ? { type: answer, market, ref: effect.ref }
        : overEvent(market, answer);
    }
  }
}

function overEvent(market: string, answer: AlreadyOver): CourierEvent {
  return { type: 'news', market, news: answer.news, cursor: null };
}

function failureOf(effect: Effect, error: unknown, log: Log): CourierEvent {
  const { market } = effect;
  if (effect.type !== 'poll' && error instanceof Refused)
    return { type: 'refused', market, ref: effect.ref, action: effect.type, reasons: error.reasons };
  const ref = effect.type === 'poll' ? null : effect.ref;
  const trouble = troubleOf(error, log, { market, type: effect.type, ref });
  const retryAfter = error instanceof CallFailed ? error.retryAfter : null;
  const locked = error instanceof CallFailed && error.locked;
  if (effect.type === 'poll') return { type: 'pollFailed', market, trouble, retryAfter, locked };
  const unclear = error instanceof CallFailed ? error.unclear : true;
  const isFault = !(error instanceof CallFailed);
  return {
    type: 'failed',
    market,
    ref: effect.ref,
    action: effect.type,
    trouble,
    unclear,
    retryAfter,
    ...(isFault ? { fault: true } : {}),
  };
}

/** What is told of an error: its own code or words where it was expected; anything else is for the log. */
export function troubleOf(error: unknown, log: Log, about: Record<string, string | null>): Trouble {
  if (error instanceof CallFailed) return error.trouble;
  if (error instanceof Refused) return error.message.slice(0, 500);
  log.fault('working with a marketplace', error, about);
  return { code: 'ourFault', params: NONE };
}

/**
 * The pictures of the shelf: one that is not there any more is put there again by sending the listing again.
 */
export function shelved(pictures: Pictures): Pictures {
  return (hash) =>
    pictures(hash).catch((error: unknown) => {
      if (fieldsOf(error).code !== 'ENOENT') throw error;
      throw new Refused([{ field: 'pictures', message: '', code: 'pictureLost' }]);
    });
}
