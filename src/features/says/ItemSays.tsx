import { useEffect } from 'react';

import type { Item } from '@/contract/records';
import { proposalsOf } from '@/core/reading/proposals';
import { KindPicker } from '@/parts/trade/KindPicker';
import { LookUpLine } from '@/parts/trade/LookUpLine';
import { Card } from '@/parts/ui/Page';
import { useLikeness } from '@/store/research/likeness';
import { useSearchDemand } from '@/store/research/searchDemand';
import { keepInStep } from '@/store/writing/inStep';

import { Doubtful } from './Doubtful';
import { ListIt } from './ListIt';
import { OpenLines } from './OpenLines';
import { StillAsked } from './StillAsked';
import { Sure } from './Sure';
import { Written } from './Written';
import { ItsLike } from '../likeness/ItsLike';
import { LookingLine } from '../pictures/LookingLine';
import { SmallPictures } from '../pictures/SmallPictures';

/** What one item's pictures say, in the order a thumb goes through it: from what it is to where it goes. */
export function ItemSays({ item }: { item: Item }) {
  const { sure, laid, asked } = proposalsOf(item);
  const sought = useSearchDemand(item.kind);
  const isSought = useLikeness((s) => s[item.id] !== undefined);
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
      <SmallPictures item={item} size={64} />
      <LookingLine item={item} />
      <Card label="What it is">
        <KindPicker item={item} />
        <LookUpLine item={item} />
        {item.kind === '' || isSought ? <ItsLike item={item} /> : null}
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
