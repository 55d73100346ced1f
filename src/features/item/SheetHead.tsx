import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { labelCode } from '@/core/identity/code';
import { HeadBar } from '@/parts/HeadBar';
import { HouseFront } from '@/parts/HouseFront';
import { PictureView } from '@/parts/PictureView';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { useWide } from '@/theme/theme';
import { nameOf } from '@/store/names';

import { BackTo } from '../shell/BackTo';
import { SavedWords } from '../shell/SavedWords';
import { UndoPress } from '../shell/UndoPress';

/** Always in sight: cover, title, house front, whether it is saved, and undo. */
export function SheetHead({ thing }: { thing: Thing }) {
  // Its kind's own words are heard of, too.
  useKinds();
  const name = nameOf(thing);
  const currency = useAttic((s) => s.settings.currency);
  const plans = useAttic((s) => s.plans);
  const view = useCourier((s) => s.things[thing.id]);
  const sheets = useCourier((s) => s.sheets);
  const wide = useWide();
  // Seven windows need a line of their own on a phone.
  const front = (size: number) => (
    <HouseFront
      thingId={thing.id}
      view={view}
      plans={plans}
      sheets={sheets}
      currency={currency}
      size={size}
    />
  );
  return (
    <HeadBar>
      <BackTo path="/stock" />
      <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />
      <View style={{ flex: 1, minWidth: 0 }}>
        <Words
          kind="strong"
          numberOfLines={wide ? 2 : 1}
          role="heading"
          aria-level={1}
          style={{ fontSize: 15, lineHeight: 19 }}
        >
          {name === thing.code ? 'A new thing' : name}
        </Words>
        <Words kind="small" tone="soft" figures numberOfLines={2}>
          {`${labelCode(thing.code, thing.spot)} · `}
          <SavedWords />
        </Words>
        {wide ? null : front(25)}
      </View>
      {wide ? front(30) : null}
      <UndoPress />
    </HeadBar>
  );
}
