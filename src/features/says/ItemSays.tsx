import { useEffect } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { OTHER_SHOTS, shotList } from '@/core/picture/shots';
import { proposalsOf } from '@/core/reading/proposals';
import { KindPicker } from '@/parts/trade/KindPicker';
import { LookUpLine } from '@/parts/trade/LookUpLine';
import { PictureView } from '@/parts/trade/PictureView';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useKinds } from '@/store/items/kinds';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';
import { useSearchDemand } from '@/store/research/searchDemand';
import { keepInStep } from '@/store/writing/inStep';

import { Doubtful } from './Doubtful';
import { ListIt } from './ListIt';
import { OpenLines } from './OpenLines';
import { StillAsked } from './StillAsked';
import { Sure } from './Sure';
import { Written } from './Written';
import { LookingLine } from '../pictures/LookingLine';

/** What one item's pictures say, in the order a thumb goes through it: from what it is to where it goes. */
export function ItemSays({ item }: { item: Item }) {
  const { sure, laid, asked } = proposalsOf(item);
  const sought = useSearchDemand(item.kind);
  const isConfirmed = Object.keys(item.readFrom).length > 0 || item.written.title !== '';
  // Not the words themselves: two pages that know of other searches would write in turns without end.
  const basis = JSON.stringify({
    ...item,
    title: '',
    description: '',
    written: null,
    readings: [],
    updatedAt: 0,
  });
  useEffect(() => {
    // Words follow what was confirmed; a page that was only looked at changes nothing.
    if (isConfirmed) keepInStep(item.id);
  }, [item.id, basis, sought, isConfirmed]);
  return (
    <>
      <Pictures item={item} />
      <LookingLine item={item} />
      <Card label="What it is">
        <KindPicker item={item} />
        <LookUpLine item={item} />
      </Card>
      <Sure item={item} sure={sure} doubtful={laid.length + asked.length} />
      <Doubtful item={item} laid={laid} asked={asked} />
      <OpenLines item={item} />
      <StillAsked item={item} />
      <Written item={item} />
      <ListIt item={item} />
    </>
  );
}

/** With what each is taken to show. */
function Pictures({ item }: { item: Item }) {
  const pictures = usePicturesOf(item);
  const shots = shotList(item, pictures, useKinds());
  const names = new Map([...shots.map(({ id, name }) => [id, name] as const), ...OTHER_SHOTS]);
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
      {pictures.map(({ id, shows }, i) => (
        <View key={id} style={{ width: 64 }}>
          <PictureView id={id} alt={`Picture ${i + 1}`} style={{ width: 64, height: 64 }} />
          <Text variant="small" tone="soft" numberOfLines={1} style={{ fontSize: 13, textAlign: 'center' }}>
            {names.get(shows) ?? ''}
          </Text>
        </View>
      ))}
    </View>
  );
}
