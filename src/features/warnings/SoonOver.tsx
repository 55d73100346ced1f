import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Soon } from '@/core/warnings/soon';
import { PictureView } from '@/parts/trade/PictureView';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { soonWords as inTime } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useMarketName } from '@/store/courier/useMarketName';
import { nameOf } from '@/store/items/names';
import { soonWords } from '@/wording/warnings';

/** What is nearly over: each leads to where something can still be done. */
export function SoonOver({ all }: { all: readonly Soon[] }) {
  if (all.length === 0) return null;
  return (
    <View style={{ gap: 10 }}>
      <Text variant="heading">Soon over</Text>
      <Card label="Soon over">
        <View role="list" aria-label="Soon over">
          {all.map((soon) => (
            <View key={`${soon.sort} ${'item' in soon ? soon.item : soon.market}`} role="listitem">
              <Line soon={soon} />
            </View>
          ))}
        </View>
      </Card>
    </View>
  );
}

function Line({ soon }: { soon: Soon }) {
  const router = useRouter();
  const name = useMarketName();
  const now = useTime(MINUTE);
  const item = useAttic((s) => ('item' in soon ? s.items[soon.item] : undefined));
  const words = soonWords(soon, name);
  switch (soon.sort) {
    case 'allowance':
      return (
        <LinkRow
          words={words}
          more="It is counted anew each month"
          onPress={() => router.navigate(`/connections?market=${soon.market}`)}
        />
      );
    case 'auction':
      return (
        <LinkRow
          before={<PictureView id={item?.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />}
          words={item ? `${item.code} ${nameOf(item)}` : words}
          more={`${words}, ends ${inTime(soon.auction.endsAt, now)}`}
          onPress={() => router.navigate(`/item/${soon.item}?at=format&market=${soon.market}`)}
        />
      );
    case 'consignment':
      return (
        <LinkRow
          before={<PictureView id={item?.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />}
          words={item ? `${item.code} ${nameOf(item)}` : words}
          more={words}
          onPress={() => router.navigate(`/item/${soon.item}`)}
        />
      );
  }
}
