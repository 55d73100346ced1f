import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { Button } from '@/parts/ui/Button';

import { BuyersView } from './BuyersView';

/** What buyers there see, when it is asked for. */
export function Preview({ item, examined }: { item: Item; examined: Examined }) {
  const [open, setOpen] = useState(false);
  const { name } = examined.sheet;
  return (
    <View style={{ gap: 6 }}>
      <Button
        variant="quiet"
        style={{ alignSelf: 'flex-start' }}
        label={`${open ? 'Put away' : 'See'} what buyers on ${name} read`}
        onPress={() => setOpen(!open)}
      >
        {open ? 'Put it away' : 'What buyers see'}
      </Button>
      {open ? <BuyersView item={item} examined={examined} /> : null}
    </View>
  );
}
