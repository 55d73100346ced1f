import { useLocalSearchParams, useRouter } from 'expo-router';

import { ListDetail } from '@/parts/ui/ListDetail';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';

import { HaulBody } from './HaulBody';
import { NewHaul } from './NewHaul';
import { NoHauls, PutAwayHauls } from './PutAwayHauls';
import { haulWords, useHauls } from './useHauls';

/** Hauls at a desk: all of them, and the one that is chosen. */
export function HaulsDesk() {
  const router = useRouter();
  const { id } = useLocalSearchParams<{ id?: string }>();
  const hauls = useAttic((s) => s.hauls);
  const all = Object.values(useAttic((s) => s.items));
  const known = useHauls();
  const { list } = known;
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
          <PutAwayHauls {...known} />
        </>
      }
    >
      {here ? (
        <>
          <Text variant="title">{here.name}</Text>
          <HaulBody haul={here} />
        </>
      ) : (
        <NoHauls />
      )}
    </ListDetail>
  );
}
