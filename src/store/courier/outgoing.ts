import { z } from 'zod';

import { Instant, MarketId, RecordId } from '@/contract/common';
import { planId } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { WISHES, type OutLine, type Wish } from '@/core/outgoing/lines';
import { change, setDraft, useAttic, type Put } from '@/store/attic/attic';
import { storeDrafts } from '@/store/attic/drafts';
import { useDrafts } from '@/store/attic/draftStore';
import { unlessExpected } from '@/store/base/faults';
import { planWith } from '@/store/items/items';

import { useCourier } from './courierLink';
import { cellKey, enqueue, useQueue } from './sendQueue';

/** What was sent or taken down together: it goes on after a reload, and its results can be gone through. */
export const Round = z.object({
  at: Instant,
  wish: z.enum(WISHES),
  jobs: z
    .array(
      z.object({
        item: RecordId,
        market: MarketId,
        action: z.enum(['send', 'withdraw']),
        /** The person saw, value by value, what changes there. */
        seen: z.boolean(),
      }),
    )
    .max(140_000),
  /** All of it was given to the courier, or told of as failed. */
  given: z.boolean(),
});
export type Round = z.infer<typeof Round>;
export type RoundJob = Round['jobs'][number];

const KEY = 'outgoing';

/** The last round, as far as it is known. */
export function useRound(): Round | null {
  return readRound(useDrafts((s) => s[KEY]));
}

const read = new WeakMap<object, Round | null>();
/** The same round for the same draft: it is asked for at every drawing. */
function readRound(raw: unknown): Round | null {
  if (typeof raw !== 'object' || raw === null) return null;
  const known = read.get(raw);
  if (known !== undefined) return known;
  const parsed = Round.safeParse(raw);
  const round = parsed.success ? parsed.data : null;
  read.set(raw, round);
  return round;
}

/**
 * Sends, or takes down, what was agreed on: plans all of it in one change, keeps it as the round that is
 * under way, and gives it to the courier in the background.
 *
 * @param times when each line goes, in the lines' order; null: at once; undefined: as it says itself
 */
export function beginRound(
  wish: Wish,
  lines: readonly OutLine[],
  times: readonly (number | null | undefined)[],
): void {
  const isUp = wish === 'list' || wish === 'again';
  if (isUp && lines.length > 0)
    change(
      `to be listed: ${plural(lines.length, 'one listing', `${lines.length} listings`)}`,
      lines.map(({ item, market }, i) => {
        const startAt = times[i];
        return planWith(item, market, { wanted: true, ...(startAt === undefined ? {} : { startAt }) });
      }),
    );
  const jobs = lines.map(({ item, market, deed }): RoundJob => {
    return { item, market, action: deed === 'withdraw' ? 'withdraw' : 'send', seen: deed === 'resend' };
  });
  const round: Round = { at: Date.now(), wish, jobs, given: false };
  setDraft(KEY, round);
  void storeDrafts().catch(unlessExpected('keeping what goes out'));
  enqueue(jobs);
  void inTurn(() => given(round)).catch(unlessExpected('noting what went out'));
}

/** Nothing of it is planned any more; what waits for its time, or is up, is taken down besides. */
export function unplan(itemIds: readonly string[], markets: readonly string[]): void {
  const { plans } = useAttic.getState();
  const puts = itemIds.flatMap((item) =>
    markets.flatMap((market): Put[] =>
      plans[planId(item, market)]?.wanted ? [planWith(item, market, { wanted: false, startAt: null })] : [],
    ),
  );
  if (puts.length > 0) change('not listed any more', puts);
}

/** Those of a round that the courier was not given, as far as the courier tells. */
export function leftOf(round: Round): RoundJob[] {
  const { items } = useCourier.getState();
  const queue = useQueue.getState();
  return round.jobs.filter(({ item, market, action, seen }) => {
    if (queue[cellKey(item, market)]) return false;
    const listing = items[item]?.listings.find((l) => l.market === market);
    if (items[item]?.sale) return false;
    if (action === 'withdraw') return listing?.want === 'live';
    // What was to be changed is up either way: whether it was, only the person can say, by looking again.
    if (seen) return false;
    return !listing || (listing.want === 'gone' && listing.doing === null && listing.since < round.at);
  });
}

/**
 * Goes on with a round that a page which is gone had begun, once the courier has told all. For the leading
 * page: as long as another page works on it, it waits.
 *
 * @returns stops it
 */
export function goOnSending(): () => void {
  const over = new AbortController();
  const goOn = async () => {
    await heardAll(over.signal);
    const round = readRound(useDrafts.getState()[KEY]);
    if (!round || round.given || over.signal.aborted) return;
    enqueue(leftOf(round));
    await given(round);
  };
  inTurn(goOn, over.signal).catch((error: unknown) => {
    if (!over.signal.aborted) unlessExpected('going on with what goes out')(error);
  });
  return () => over.abort();
}

/** One page at a time works on rounds; where the browser has no locks, whoever comes. */
async function inTurn(work: () => Promise<void>, signal?: AbortSignal): Promise<void> {
  await (navigator.locks ? navigator.locks.request('attic-outgoing', { signal }, work) : work());
}

/** Resolves once nothing of a round waits in this page’s queue, and notes that. */
function given(round: Round): Promise<void> {
  return new Promise((done) => {
    const look = () => {
      const queue = useQueue.getState();
      const isBusy = round.jobs.some(({ item, market }) => {
        const state = queue[cellKey(item, market)]?.state;
        return state === 'waiting' || state === 'working';
      });
      if (isBusy) return;
      stop();
      // Another was begun meanwhile: that one is noted by itself.
      if (readRound(useDrafts.getState()[KEY])?.at === round.at)
        setDraft(KEY, { ...round, given: true } satisfies Round);
      done();
    };
    const stop = useQueue.subscribe(look);
    look();
  });
}

/** Resolves once the courier told all that happened before this page opened. */
function heardAll(signal: AbortSignal): Promise<void> {
  return new Promise((done) => {
    const look = () => {
      const { caughtUp, connected } = useCourier.getState();
      if (!signal.aborted && !(caughtUp && connected)) return;
      stop();
      done();
    };
    const stop = useCourier.subscribe(look);
    signal.addEventListener('abort', look, { once: true });
    look();
  });
}
