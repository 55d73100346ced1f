import { useRouter } from 'expo-router';

import { Button } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useWide } from '@/theme/theme';

import { HaulsDesk } from './HaulsDesk';
import { NewHaul } from './NewHaul';
import { haulWords, useHauls } from './useHauls';

/** Everything bought together, newest first; at a desk beside the one that is chosen. */
export function Hauls() {
  return useWide() ? <HaulsDesk /> : <HaulList />;
}

function HaulList() {
  const router = useRouter();
  const all = Object.values(useAttic((s) => s.items));
  const { list, none, put, away, setAway } = useHauls();
  return (
    <Page title="Hauls" back="/attic">
      {list.map((haul) => (
        <Card key={haul.id}>
          <LinkRow
            words={haul.name}
            more={haulWords(haul, all)}
            label={haul.name}
            onPress={() => router.navigate(`/hauls/${haul.id}`)}
          />
        </Card>
      ))}
      {put > 0 ? (
        <Button variant="quiet" onPress={() => setAway(!away)} style={{ alignSelf: 'flex-start' }}>
          {away ? 'Leave out what is put away' : `Show ${put} put away`}
        </Button>
      ) : null}
      {none ? (
        <Text tone="soft">
          Items bought together share a cost and a day. Begin with what the last one is called.
        </Text>
      ) : null}
      <NewHaul />
    </Page>
  );
}
