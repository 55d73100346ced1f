import { useRouter } from 'expo-router';
import { View } from 'react-native';

import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';

/** For a picture that is not there (any more), or can't be worked on so. */
export function GoneNotice({ thingId }: { thingId: string | undefined }) {
  const router = useRouter();
  return (
    <View style={{ padding: 24, gap: 12 }} role="main" aria-label="No picture">
      <Words kind="heading" aria-level={1}>
        There is no such picture
      </Words>
      <Words tone="soft">
        It may have been removed. If that was just now, undo is at the bottom of the page.
      </Words>
      <Press onPress={() => router.navigate(thingId ? `/thing/${thingId}` : '/stock')}>
        {thingId ? 'Back to the sheet' : 'Go to stock'}
      </Press>
    </View>
  );
}
