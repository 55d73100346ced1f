import { useState } from 'react';

import { wordsFor } from '@/store/base/faults';
import { CourierTrouble } from '@/store/courier/courierLink';

/** Runs something that may fail: busy while it does, trouble in words when it did not work. */
export function useAsyncAction() {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  // What is at fault, where that is known.
  const [field, setField] = useState('');
  const run = (work: () => Promise<unknown>) => {
    setBusy(true);
    setTrouble(null);
    setField('');
    void work()
      .catch((error: unknown) => {
        setTrouble(wordsFor(error, 'doing that'));
        if (error instanceof CourierTrouble) setField(error.field);
      })
      .finally(() => setBusy(false));
  };
  return { busy, trouble, field, run };
}
