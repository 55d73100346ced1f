import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { Item } from '@/contract/records';
import { gradeNames, gradeOfItem } from '@/core/condition/grade';
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

export interface StockLineProps {
  item: Item;
  /** Null while nothing is being chosen. */
  chosen: boolean | null;
  onPress: (id: string) => void;
}

/** Room for a title of two lines. */
export const ROW_HEIGHT = 132;
export const LINE_HEIGHT = 76;

/** One item on a narrow screen. */
export const StockRow = memo(function StockRow({ item, chosen, onPress }: StockLineProps) {
  const c = useColours();
  const currency = useAttic((s) => s.settings.currency);
  useKinds();
  const front = useFront(item.id);
  return (
    <Pressable
      {...(chosen === null ? { role: 'link' } : { role: 'checkbox', 'aria-checked': chosen })}
      aria-label={nameOf(item)}
      onPress={() => onPress(item.id)}
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

function useFront(id: string) {
  const view = useCourier((s) => s.items[id]);
  const sheets = useCourier((s) => s.sheets);
  const plans = useAttic((s) => s.plans);
  return { view, plans, sheets };
}

const COLUMNS = ['Picture', 'Title', 'Kind', 'Grade', 'Spot', 'Cost', 'Price', 'Age', 'Listed'] as const;

export function TableHead() {
  const c = useColours();
  return (
    <View role="row" style={[styles.line, { backgroundColor: c.raised }]}>
      {COLUMNS.map((name, i) => (
        <Text key={name} variant="small" role="columnheader" style={[WIDTHS[i], { fontWeight: '600' }]}>
          {name}
        </Text>
      ))}
    </View>
  );
}

/** One item on a wide screen. */
export const TableLine = memo(function TableLine({ item, chosen, onPress }: StockLineProps) {
  const c = useColours();
  const currency = useAttic((s) => s.settings.currency);
  const kinds = useKinds();
  const front = useFront(item.id);
  const money = (n: number | null) => (n === null ? '—' : formatMoney(n, currency));
  return (
    <View
      role="row"
      style={[
        styles.line,
        {
          height: LINE_HEIGHT,
          borderTopWidth: 1,
          borderColor: c.line,
          backgroundColor: chosen ? c.mossTint : c.surface,
        },
      ]}
    >
      <View role="cell" style={WIDTHS[0]}>
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
      </View>
      <View role="cell" style={WIDTHS[1]}>
        <Pressable
          {...(chosen === null ? { role: 'link' } : { role: 'checkbox', 'aria-checked': chosen })}
          onPress={() => onPress(item.id)}
          style={{ minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: 10 }}
        >
          {chosen !== null ? <Tick on={chosen} /> : null}
          <View style={{ flex: 1 }}>
            <Text variant="strong" numberOfLines={2}>
              {nameOf(item)}
            </Text>
            <Text variant="small" tone="soft" figures numberOfLines={1}>
              {item.code}
            </Text>
          </View>
        </Pressable>
      </View>
      {[
        kinds.get(item.kind)?.name ?? '—',
        gradeNames(item.kind, kinds)[gradeOfItem(item)?.wear ?? -1] ?? '—',
        item.spot || '—',
        money(item.cost),
        money(item.price),
        agoWords(item.createdAt),
      ].map((text, i) => (
        <Text key={COLUMNS[i + 2]} role="cell" figures style={WIDTHS[i + 2]} numberOfLines={2}>
          {text}
        </Text>
      ))}
      <View role="cell" style={WIDTHS[8]}>
        <ListingSigns itemId={item.id} currency={currency} size={25} {...front} />
      </View>
    </View>
  );
});

const right = { textAlign: 'right' as const };
const WIDTHS = [
  { width: 56 },
  { flex: 1, minWidth: 180 },
  { width: 110 },
  { width: 110 },
  { width: 70 },
  { width: 78, ...right },
  { width: 78, ...right },
  { width: 96 },
  { width: 206 },
];

const styles = StyleSheet.create({
  row: {
    height: ROW_HEIGHT,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    padding: 10,
    borderRadius: 12,
    borderWidth: 1,
  },
  line: { flexDirection: 'row', alignItems: 'center', gap: 12, paddingHorizontal: 12, paddingVertical: 6 },
});
