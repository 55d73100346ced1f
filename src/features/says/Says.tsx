import { useLocalSearchParams, useRouter } from 'expo-router';

import { SavedAside } from '@/parts/trade/SavedAside';
import { TaughtLink } from '@/parts/trade/TaughtLink';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';

import { ItemSays } from './ItemSays';

/** What the pictures of one item say, to be confirmed. */
export function Says() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const item = useAttic((s) => s.items[id]);
  const router = useRouter();
  return (
    <Page title="What the pictures say" back="/intake" aside={<SavedAside />}>
      {item ? (
        <ItemSays key={item.id} item={item} />
      ) : (
        <Card>
          <Text>It is not in this attic.</Text>
          <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
        </Card>
      )}
      <TaughtLink />
    </Page>
  );
}
