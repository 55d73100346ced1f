import { useRouter } from 'expo-router';

import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { useAttic } from '@/store/attic/attic';
import { useWide } from '@/theme/theme';

import { HaulsDesk } from './HaulsDesk';
import { NewHaul } from './NewHaul';
import { NoHauls, PutAwayHauls } from './PutAwayHauls';
import { haulWords, useHauls } from './useHauls';

/** Everything bought together, newest first; at a desk beside the one that is chosen. */
export function Hauls() {
  return useWide() ? <HaulsDesk /> : <HaulList />;
}

function HaulList() {
  const router = useRouter();
  const all = Object.values(useAttic((s) => s.items));
  const hauls = useHauls();
  return (
    <Page title="Hauls" back="/attic">
      {hauls.list.map((haul) => (
        <Card key={haul.id}>
          <LinkRow
            words={haul.name}
            more={haulWords(haul, all)}
            label={haul.name}
            onPress={() => router.navigate(`/hauls/${haul.id}`)}
          />
        </Card>
      ))}
      <PutAwayHauls {...hauls} />
      {hauls.none ? <NoHauls /> : null}
      <NewHaul />
    </Page>
  );
}
