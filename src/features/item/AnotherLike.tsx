import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { LIKE_PARTS, type LikePart } from '@/contract/settings';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { AnyOf } from '@/parts/ui/Choices';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { anotherLike } from '@/store/items/items';
import { copyPictures } from '@/store/pictures/copyPictures';

const NAMES: Readonly<Record<LikePart, string>> = {
  facts: 'Specifics',
  measurements: 'Measurements',
  title: 'Title',
  description: 'Description',
  condition: 'Condition and flaws',
  price: 'Price and offers',
  cost: 'What it cost',
  parcel: 'Weight and parcel',
  haul: 'Haul',
  owner: 'Owner',
  wanted: 'Where it is to be listed',
  pictures: 'Pictures',
};

/** Another of the same: what is copied is chosen, the same way again next time, pictures aside. */
export function AnotherLike({ item }: { item: Item }) {
  const router = useRouter();
  const usual = useAttic((s) => s.settings.likeParts);
  const [open, setOpen] = useState(false);
  const [parts, setParts] = useState<readonly LikePart[]>(usual);
  const { run, busy, trouble } = useAsyncAction();
  const offered = LIKE_PARTS.filter((part) => part !== 'pictures' || item.pictureIds.length > 0);
  const make = () =>
    run(async () => {
      const id = anotherLike(item.id, parts);
      if (!id) return;
      if (parts.includes('pictures')) await copyPictures(item, id);
      router.navigate(`/item/${id}`);
    });
  if (!open)
    return (
      <Button icon="add" onPress={() => setOpen(true)}>
        Another like this
      </Button>
    );
  return (
    <View role="group" aria-label="Another like this" style={{ gap: 8 }}>
      <Text variant="strong">Another like this</Text>
      <AnyOf
        label="What is copied"
        options={offered.map((part) => [part, NAMES[part]] as const)}
        chosen={parts}
        onChoose={setParts}
      />
      {parts.includes('pictures') ? (
        <Text variant="small" tone="soft">
          Buyers expect pictures of the very piece: copy them only where both look just alike.
        </Text>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" icon="add" disabled={busy} onPress={make}>
        {busy ? 'Copying…' : 'Make it'}
      </Button>
    </View>
  );
}
