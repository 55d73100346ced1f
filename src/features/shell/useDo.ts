import { useState } from 'react';
import { wordsFor } from '@/store/faults';

/** Runs something that may fail: busy while it does, trouble in words when it did not work. */
export function useDo() {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const run = (work: () => Promise<unknown>) => {
    setBusy(true);
    setTrouble(null);
    void work()
      .catch((error: unknown) => setTrouble(wordsFor(error, 'doing that')))
      .finally(() => setBusy(false));
  };
  return { busy, trouble, run };
}
