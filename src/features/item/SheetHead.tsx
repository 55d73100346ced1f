import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { labelCode } from '@/core/identity/code';
import { ListingSigns } from '@/parts/trade/ListingSigns';
import { PictureView } from '@/parts/trade/PictureView';
import { SavedWords } from '@/parts/trade/SavedWords';
import { UndoButton } from '@/parts/trade/UndoButton';
import { BackTo } from '@/parts/ui/BackTo';
import { HeadBar } from '@/parts/ui/HeadBar';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { Icon } from '@/theme/Icon';
import { useColours, useWide } from '@/theme/theme';

/** Always in sight: cover, title, signs of the marketplaces, whether it is saved, and undo. */
export function SheetHead(props: { item: Item; glance: boolean; onGlance: () => void }) {
  const { item, glance, onGlance } = props;
  // Its kind's own words are heard of, too.
  useKinds();
  const name = nameOf(item);
  const currency = useAttic((s) => s.settings.currency);
  const plans = useAttic((s) => s.plans);
  const view = useCourier((s) => s.items[item.id]);
  const sheets = useCourier((s) => s.sheets);
  const c = useColours();
  const wide = useWide();
  // Seven windows need a line of their own on a phone.
  const front = (size: number) => (
    <View style={{ flexDirection: 'row', alignItems: 'flex-start', minHeight: 44 }}>
      {/* For a thumb the windows are the button, too; for everybody else there is one beside them. */}
      <Pressable tabIndex={-1} onPress={onGlance} style={{ paddingTop: 4 }}>
        <ListingSigns
          itemId={item.id}
          view={view}
          plans={plans}
          sheets={sheets}
          currency={currency}
          size={size}
        />
      </Pressable>
      <Pressable
        role="button"
        aria-label="All its marketplaces at a glance"
        aria-expanded={glance}
        onPress={onGlance}
        style={{ width: 44, height: 44, alignItems: 'center', justifyContent: 'center' }}
      >
        <Icon name={glance ? 'unfold' : 'forward'} colour={c.soft} size={18} />
      </Pressable>
    </View>
  );
  return (
    <HeadBar>
      <BackTo path="/stock" />
      <PictureView id={item.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text
          variant="strong"
          numberOfLines={wide ? 2 : 1}
          role="heading"
          aria-level={1}
          style={{ fontSize: 15, lineHeight: 19 }}
        >
          {name === item.code ? 'A new item' : name}
        </Text>
        <Text variant="small" tone="soft" figures numberOfLines={2}>
          {`${labelCode(item.code, item.spot)} · `}
          <SavedWords />
        </Text>
        {wide ? null : front(25)}
      </View>
      {wide ? front(30) : null}
      <UndoButton />
    </HeadBar>
  );
}
