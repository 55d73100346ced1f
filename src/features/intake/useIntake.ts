import { useRef, useState } from 'react';
import { z } from 'zod';

import { serialQueue } from '@/core/serialQueue';
import { newId, useAttic } from '@/store/attic/attic';
import { storeDrafts, useDraft } from '@/store/attic/drafts';
import { wordsFor } from '@/store/base/faults';
import { addItem } from '@/store/items/items';
import { useIncoming } from '@/store/pictures/incoming';
import { keepPictures, takeKept, type NotTaken, type TakeOptions } from '@/store/pictures/pictures';
import { addBarcode } from '@/store/pictures/reading';

/** The item that pictures go to. */
const ItemAtHand = z.string().max(60).nullable();

/** What pictures and barcodes go into, one after the other, and how far taking them in has come. */
export function useIntake() {
  // Which item it is outlives a reload; null: the next picture begins one.
  const [itemId, setItemId] = useDraft('intake', ItemAtHand, null);
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [kept, setKept] = useState(0);
  const [storing, setStoring] = useState(0);
  // Pictures taken quickly go into the same item, one after the other.
  const [inTurn] = useState(serialQueue);
  // The same at once, for pictures that come before the page is drawn again.
  const into = useRef(itemId);
  const atWork = useRef(0);

  const take = (files: File[], about: TakeOptions) => {
    // It was removed meanwhile: what comes now begins another.
    if (atWork.current === 0 && into.current && !useAttic.getState().items[into.current]) into.current = null;
    const id = (into.current ??= newId());
    atWork.current += 1;
    setItemId(id);
    setStoring((n) => n + files.length);
    setNotTaken([]);
    useIncoming.setState({ notTaken: [] });
    setKept(0);
    // Kept at once, and first of all which item it is, whatever is still being worked on; what follows takes
    // its turn.
    const keeping = storeDrafts()
      .then(() => keepPictures(id, files, about))
      .finally(() => setStoring((n) => n - files.length));
    void inTurn(async () => {
      const taken = await takeKept(await keeping);
      setNotTaken((list) => [...list, ...taken.notTaken]);
      setKept((n) => n + files.length - taken.notTaken.length);
    })
      .catch((error: unknown) => {
        const why = wordsFor(error, 'taking a picture');
        setNotTaken((list) => [...list, ...files.map(({ name }) => ({ name, why }))]);
      })
      .finally(() => (atWork.current -= 1));
    return keeping;
  };

  const takeBarcode = (digits: string) => {
    void inTurn(() => {
      const id = (into.current ??= newId());
      if (!useAttic.getState().items[id]) addItem({ id });
      addBarcode(id, digits);
      setItemId(id);
    });
  };

  /** The next picture begins another item. */
  const next = () => {
    into.current = null;
    setItemId(null);
    setNotTaken([]);
  };

  return { itemId, notTaken, kept, storing, take, takeBarcode, next };
}
