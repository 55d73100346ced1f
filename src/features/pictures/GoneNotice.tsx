import { useRouter } from 'expo-router';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';

/** For a picture that is not there (any more), or can't be worked on so. */
export function GoneNotice({ itemId }: { itemId: string | undefined }) {
  const router = useRouter();
  return (
    <View style={{ padding: 24, gap: 12 }} role="main" aria-label="No picture">
      <Text variant="heading" aria-level={1}>
        There is no such picture
      </Text>
      <Text tone="soft">
        It may have been removed. If that was just now, undo is at the bottom of the page.
      </Text>
      <Button onPress={() => router.navigate(itemId ? `/item/${itemId}` : '/stock')}>
        {itemId ? 'Back to the sheet' : 'Go to stock'}
      </Button>
    </View>
  );
}
