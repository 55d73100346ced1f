import { useEffect, useState } from 'react';

import type { Picture, Item } from '@/contract/records';
import type { Twin } from '@/core/picture/judge';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { twinOf } from '@/store/pictures/twins';

/** What is known of another picture that shows the same: asked and not answered yet, or not to be told. */
export type Sought = { is: 'asked' } | { is: 'untold' } | { is: 'known'; twin: Twin | null };

/** Whether another picture shows the same as this one does. */
export function useTwin(item: Item | undefined, picture: Picture | undefined): Sought {
  const [known, setKnown] = useState<{ id: string; sought: Sought } | null>(null);
  useEffect(() => {
    if (!item || !picture?.exam) return undefined;
    let asked = 0;
    const { id } = picture;
    const ask = async () => {
      const mine = (asked += 1);
      const sought = await soughtOf(item, picture);
      if (mine === asked)
        setKnown((was) =>
          was?.id === id && JSON.stringify(was.sought) === JSON.stringify(sought) ? was : { id, sought },
        );
    };
    void ask();
    // Any picture that is new or other may be the one.
    const stop = useAttic.subscribe((now, before) => {
      if (now.pictures !== before.pictures) void ask();
    });
    return () => {
      asked += 1;
      stop();
    };
  }, [item, picture]);
  return known && known.id === picture?.id ? known.sought : { is: 'asked' };
}

async function soughtOf(item: Item, picture: Picture): Promise<Sought> {
  try {
    return { is: 'known', twin: await twinOf(item, picture) };
  } catch (error) {
    unlessExpected('looking for pictures that show the same')(error);
    return { is: 'untold' };
  }
}
