import { create } from 'zustand';

import type { SessionAnswer } from '@/contract/courier';
import { sortOf } from '@/core/identity/atticSort';
import { openAttic } from '@/store/attic/attic';
import { findAttics, rememberAttic, rememberedAttic, type FoundAttic } from '@/store/attic/attics';
import { howKept, isPassing, type Keeping } from '@/store/attic/keeping';
import { unlessExpected, watchFaults, wordsFor } from '@/store/base/faults';
import { once } from '@/store/base/once';
import { beginSession, goOnWith, useCourier, workFor } from '@/store/courier/courierLink';
import { recallCourier } from '@/store/courier/lastKnown';
import { relearn } from '@/store/courier/relearn';
import { recallTalks } from '@/store/fulfilment/talks';

import { bringDemoWorld } from './demoWorld';
import { startServices } from './services';

/** How far opening is. */
export type Opening =
  | { stage: 'opening' }
  /**
   * The courier works for an attic that this browser did not have open last: the person says which it is to
   * be.
   */
  | { stage: 'choose'; session: SessionAnswer; remembered: string | null; found: FoundAttic[] }
  | { stage: 'open'; attic: string }
  | { stage: 'trouble'; words: string };

export const useOpening = create<{ now: Opening }>(() => ({ now: { stage: 'opening' } }));

/**
 * What this browser can keep, and whether all of it goes when the window is closed; null while that is not
 * known.
 */
export const useKeeping = create<{ how: Keeping | null; passing: boolean }>(() => ({
  how: null,
  passing: false,
}));

const say = (now: Opening) => useOpening.setState({ now });

/** What runs for this page, and how often it was begun. */
const running = once(() => ({ times: 0, isOver: false, stop: beginning() }));

/**
 * Begins: asks who the courier works for, opens the attic, and starts what runs by itself; once a page,
 * however often it is asked for. The frame may be drawn anew at any time, as on going back to before a
 * reload: to read the attic again then would put what was stored last over what was changed since.
 *
 * @returns stops all of it, unless it was begun again in the same moment
 */
export function begin(): () => void {
  const mine = running();
  mine.times += 1;
  let stopped = false;
  return () => {
    if (stopped) return;
    stopped = true;
    mine.times -= 1;
    queueMicrotask(() => {
      if (mine.times > 0 || mine.isOver) return;
      mine.isOver = true;
      running.forget();
      mine.stop();
    });
  };
}

function beginning(): () => void {
  const stops = [watchFaults()];
  let isOver = false;
  const stop = () => {
    isOver = true;
    stops.splice(0).forEach((one) => one());
  };
  // What was begun and left says nothing about what was begun after it.
  const tell: typeof say = (now) => {
    if (!isOver) say(now);
  };
  // Nothing can be changed before all of it is read.
  say({ stage: 'opening' });
  stops.push(
    useOpening.subscribe(({ now }, before) => {
      if (now.stage === 'open' && before.now.stage !== 'open') stops.push(startServices(now.attic));
    }),
  );
  void (async () => {
    try {
      void learnKeeping();
      const session = await beginSession().catch(unreachable);
      const name = session?.attic ?? rememberedAttic();
      if (!name)
        return tell({
          stage: 'trouble',
          words: 'The courier can’t be reached, and this browser holds no attic yet. Start it, then reload.',
        });
      const strange = session && (await strangeTo(session.attic));
      if (strange) return tell({ stage: 'choose', session, ...strange });
      await open(name, tell);
    } catch (error) {
      tell({ stage: 'trouble', words: wordsFor(error, 'opening the attic') });
    }
  })();
  return stop;
}

/** Without the courier the attic opens all the same. */
function unreachable(error: unknown): null {
  unlessExpected('asking the courier')(error);
  return null;
}

async function learnKeeping(): Promise<void> {
  useKeeping.setState({ how: await howKept(), passing: await isPassing() });
}

/** What this browser holds that the courier does not know of; null where there is nothing to ask. */
async function strangeTo(
  courierAttic: string,
): Promise<{ remembered: string | null; found: FoundAttic[] } | null> {
  // What is tried in a demo never ends up among a person's own, nor the other way.
  const isLike = (name: string) => sortOf(name) === sortOf(courierAttic);
  const last = rememberedAttic();
  const remembered = last !== null && isLike(last) ? last : null;
  if (remembered === courierAttic) return null;
  const found = (await findAttics()).filter(({ name }) => isLike(name));
  const known = found.some((one) => one.name === courierAttic);
  const lost =
    remembered === null ? found.length > 0 && !known : found.some((one) => one.name === remembered);
  return lost ? { remembered, found } : null;
}

async function open(name: string, tell = say): Promise<void> {
  await openAttic(name);
  rememberAttic(name);
  workFor(name);
  await recallCourier();
  await recallTalks();
  if (useCourier.getState().session?.demo) await bringDemoWorld();
  tell({ stage: 'open', attic: name });
  // So that the next start needs no connection; without it the page is simply asked for anew.
  void navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
}

/**
 * The person goes on with an attic that this browser holds: the courier works for it, and learns what is
 * listed.
 */
export async function goOnWithAttic(name: string): Promise<void> {
  try {
    await goOnWith(name);
    await open(name);
    void relearn().catch(unlessExpected('learning what is listed'));
  } catch (error) {
    say({ stage: 'trouble', words: wordsFor(error, 'opening the attic') });
  }
}

/** The person opens the attic that the courier works for; what else this browser holds stays where it is. */
export async function openCouriers(session: SessionAnswer): Promise<void> {
  await open(session.attic).catch((error: unknown) =>
    say({ stage: 'trouble', words: wordsFor(error, 'opening the attic') }),
  );
}
