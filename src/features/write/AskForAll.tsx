import { useEffect, useRef, useState } from 'react';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { askCompsOf } from '@/store/research/research';

/** Asks what others sold for, of all that nobody asked about yet; can be stopped, and what came stays. */
export function AskForAll({ list }: { list: readonly Item[] }) {
  const research = useAttic((s) => s.research);
  const open = list.filter((item) => !research[item.id]);
  const [busy, setBusy] = useState(false);
  const [troubles, setTroubles] = useState<readonly string[]>([]);
  const wanted = useRef(false);
  useEffect(
    () => () => {
      wanted.current = false;
    },
    [],
  );
  if (open.length === 0 && troubles.length === 0) return null;
  const ask = () => {
    wanted.current = true;
    setBusy(true);
    setTroubles([]);
    void askCompsOf(
      open,
      (item, trouble) => trouble && setTroubles((all) => [...all, `${item.code}: ${trouble}`]),
      () => wanted.current,
    )
      .finally(() => setBusy(false))
      .catch(unlessExpected('asking what others sold for'));
  };
  return (
    <>
      {troubles.map((words) => (
        <Notice key={words} tone="caution">
          {words}
        </Notice>
      ))}
      {busy ? (
        <>
          <Text role="status" tone="soft" figures>{`Asking the marketplaces: ${open.length} to go`}</Text>
          <Button
            variant="quiet"
            onPress={() => {
              wanted.current = false;
            }}
          >
            Stop asking
          </Button>
        </>
      ) : open.length > 0 ? (
        <Button icon="search" onPress={ask}>
          {plural(open.length, 'Ask what others sold for', `Ask what others sold for, of ${open.length}`)}
        </Button>
      ) : null}
    </>
  );
}
