import { create } from 'zustand';

import { isNone, useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';

/** Whether the browser has promised not to clear the attic by itself; null: it was not asked yet. */
export const useLasting = create<{ lasting: boolean | null }>(() => ({ lasting: null }));

/** Asks the browser to keep what is here. Some ask the person in turn; one that can't has not promised. */
export async function askToLast(): Promise<void> {
  const lasting = await Promise.resolve(navigator.storage?.persist?.()).catch(
    unlessExpected('asking the browser to keep the attic'),
  );
  useLasting.setState({ lasting: lasting === true });
}

/**
 * Finds out whether the browser keeps the attic whatever happens, and asks for it once there is something to
 * lose: when an item was made or changed on this page. @returns stops
 */
export function watchLasting(): () => void {
  let stop: () => void = () => undefined;
  let isOver = false;
  void (async () => {
    const lasting = await Promise.resolve(navigator.storage?.persisted?.()).catch(
      unlessExpected('asking the browser whether it keeps the attic'),
    );
    if (lasting === true) return useLasting.setState({ lasting });
    if (isOver) return;
    stop = useAttic.subscribe((state, before) => {
      if (state.items === before.items || isNone(state.items)) return;
      stop();
      void askToLast();
    });
  })();
  return () => {
    isOver = true;
    stop();
  };
}
