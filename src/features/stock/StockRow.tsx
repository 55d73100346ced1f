import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { Item } from '@/contract/records';
import { formatMoney } from '@/core/money/money';
import { ListingSigns } from '@/parts/trade/ListingSigns';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { Tick } from '@/parts/ui/Tick';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { useColours } from '@/theme/theme';

export interface StockRowProps {
  item: Item;
  /** Null while nothing is being chosen. */
  chosen: boolean | null;
  onPress: (id: string) => void;
  /** Held down for a moment. */
  onHold: (id: string) => void;
}

/** Room for a title of two lines. */
export const ROW_HEIGHT = 132;

/** One item on a narrow screen. */
export const StockRow = memo(function StockRow({ item, chosen, onPress, onHold }: StockRowProps) {
  const c = useColours();
  const currency = useAttic((s) => s.settings.currency);
  useKinds();
  const front = useFront(item.id);
  return (
    <Pressable
      {...(chosen === null ? { role: 'link' } : { role: 'checkbox', 'aria-checked': chosen })}
      aria-label={nameOf(item)}
      onPress={() => onPress(item.id)}
      onLongPress={() => onHold(item.id)}
      style={[
        styles.row,
        { backgroundColor: chosen ? c.mossTint : c.surface, borderColor: chosen ? c.moss : c.line },
      ]}
    >
      {chosen !== null ? <Tick on={chosen} /> : null}
      <PictureView id={item.pictureIds[0]} alt="" style={{ width: 76, height: 76 }} />
      <View style={{ flex: 1, gap: 3, minWidth: 0 }}>
        <Text variant="strong" numberOfLines={2}>
          {nameOf(item)}
        </Text>
        <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8 }}>
          <Text variant="strong" figures>
            {item.price === null ? 'no price' : formatMoney(item.price, currency)}
          </Text>
          <Text variant="small" tone="soft" figures numberOfLines={1} style={{ flex: 1 }}>
            {[item.code, item.spot, agoWords(item.createdAt)].filter(Boolean).join(' · ')}
          </Text>
        </View>
        <ListingSigns itemId={item.id} currency={currency} size={27} {...front} />
      </View>
    </Pressable>
  );
});

/** What an item's signs are drawn by. */
export function useFront(id: string) {
  const view = useCourier((s) => s.items[id]);
  const sheets = useCourier((s) => s.sheets);
  const plans = useAttic((s) => s.plans);
  return { view, plans, sheets };
}

const styles = StyleSheet.create({
  row: {
    height: ROW_HEIGHT,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    padding: 10,
    borderRadius: 12,
    borderWidth: 1,
    // Held down it is chosen, and not marked as text.
    userSelect: 'none',
  },
});
