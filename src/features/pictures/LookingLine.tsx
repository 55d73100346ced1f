import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { stopLooking, useLooking } from '@/store/pictures/looking';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';

/** How many of an item's pictures are still to be looked at by themselves; the rest can be left. */
export function LookingLine({ item }: { item: Item }) {
  const left = usePicturesOf(item).filter((p) => p.awaits).length;
  const trouble = useLooking((s) => s.trouble);
  if (left === 0) return null;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text tone="soft" role="status" style={{ flex: 1 }}>
          {plural(left, 'Looking at a picture…', `Looking at the pictures: ${left} to go`)}
        </Text>
        <Button variant="quiet" label="Leave the rest unread" onPress={() => stopLooking(item)}>
          Leave the rest
        </Button>
      </View>
      {trouble ? <Notice tone="caution">{`${trouble} It is tried again by itself.`}</Notice> : null}
    </View>
  );
}
