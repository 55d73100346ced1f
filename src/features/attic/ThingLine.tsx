import { nameOf } from '@/store/names';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { PictureView } from '@/parts/PictureView';
import { Words } from '@/parts/Words';

/** One thing in a short list, leading to its sheet. */
export function ThingLine({ thing }: { thing: Thing }) {
  const router = useRouter();
  return (
    <Pressable
      role="link"
      aria-label={nameOf(thing)}
      onPress={() => router.navigate(`/thing/${thing.id}`)}
      style={{ flexDirection: 'row', gap: 10, alignItems: 'center', minHeight: 52 }}
    >
      <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />
      <View style={{ flex: 1 }}>
        <Words numberOfLines={2}>{nameOf(thing)}</Words>
        <Words kind="small" tone="soft" figures>
          {thing.code}
        </Words>
      </View>
    </Pressable>
  );
}
