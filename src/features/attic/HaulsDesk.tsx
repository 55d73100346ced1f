import { useLocalSearchParams, useRouter } from 'expo-router';

import { Button } from '@/parts/ui/Button';
import { ListDetail } from '@/parts/ui/ListDetail';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';

import { HaulBody } from './HaulBody';
import { NewHaul } from './NewHaul';
import { haulWords, useHauls } from './useHauls';

/** Hauls at a desk: all of them, and the one that is chosen. */
export function HaulsDesk() {
  const router = useRouter();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const hauls = useAttic((s) => s.hauls);
  const all = Object.values(useAttic((s) => s.items));
  const { list, put, away, setAway } = useHauls();
  const asked = id === undefined ? undefined : hauls[id];
  const here = asked ?? list[0];
  // One that is put away is shown when it was asked for by its address.
  const shown = here && !list.includes(here) ? [here, ...list] : list;
  return (
    <ListDetail
      title="Hauls"
      back="/attic"
      lines={shown.map((haul) => ({
        id: haul.id,
        name: haul.name,
        words: haul.name,
        more: haulWords(haul, all),
      }))}
      here={here?.id ?? null}
      onHere={(next) => router.setParams({ id: next })}
      above={
        <>
          <NewHaul />
          {put > 0 ? (
            <Button variant="quiet" onPress={() => setAway(!away)} style={{ alignSelf: 'flex-start' }}>
              {away ? 'Leave out what is put away' : `Show ${put} put away`}
            </Button>
          ) : null}
        </>
      }
    >
      {here ? (
        <>
          <Text variant="title">{here.name}</Text>
          <HaulBody haul={here} />
        </>
      ) : (
        <Text tone="soft">
          Items bought together share a cost and a day. Begin with what the last one is called.
        </Text>
      )}
    </ListDetail>
  );
}
