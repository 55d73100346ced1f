import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { Button } from '@/parts/ui/Button';

import { BuyersView } from './BuyersView';

/** What buyers there see, when it is asked for; and the way to all places side by side. */
export function Preview({ item, examined }: { item: Item; examined: Examined }) {
  const [open, setOpen] = useState(false);
  const router = useRouter();
  const { name } = examined.sheet;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button
          variant="quiet"
          label={`${open ? 'Put away' : 'See'} what buyers on ${name} read`}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Put it away' : 'What buyers see'}
        </Button>
        <Button
          variant="quiet"
          label={`Beside what buyers elsewhere see, from ${name}`}
          onPress={() => router.navigate(`/item/${item.id}/buyers`)}
        >
          All side by side
        </Button>
      </View>
      {open ? <BuyersView item={item} examined={examined} /> : null}
    </View>
  );
}
