import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { gradeNames, gradeOfThing } from '@/core/condition/grade';
import { formatMoney } from '@/core/money/money';
import { HouseFront } from '@/parts/HouseFront';
import { PictureView } from '@/parts/PictureView';
import { Tick } from '@/parts/Tick';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { nameOf } from '@/store/names';
import { useColours } from '@/theme/theme';

import { agoWords } from '../shell/time';

export interface StockLineProps {
  thing: Thing;
  /** Null while nothing is being chosen. */
  chosen: boolean | null;
  onPress: (id: string) => void;
}

/** Room for a title of two lines. */
export const ROW_HEIGHT = 132;
export const LINE_HEIGHT = 76;

/** One thing on a narrow screen. */
export const StockRow = memo(function StockRow({ thing, chosen, onPress }: StockLineProps) {
  const c = useColours();
  const currency = useAttic((s) => s.settings.currency);
  useKinds();
  const front = useFront(thing.id);
  return (
    <Pressable
      {...(chosen === null ? { role: 'link' } : { role: 'checkbox', 'aria-checked': chosen })}
      aria-label={nameOf(thing)}
      onPress={() => onPress(thing.id)}
      style={[
        styles.row,
        { backgroundColor: chosen ? c.mossTint : c.surface, borderColor: chosen ? c.moss : c.line },
      ]}
    >
      {chosen !== null ? <Tick on={chosen} /> : null}
      <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 76, height: 76 }} />
      <View style={{ flex: 1, gap: 3, minWidth: 0 }}>
        <Words kind="strong" numberOfLines={2}>
          {nameOf(thing)}
        </Words>
        <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8 }}>
          <Words kind="strong" figures>
            {thing.price === null ? 'no price' : formatMoney(thing.price, currency)}
          </Words>
          <Words kind="small" tone="soft" figures numberOfLines={1} style={{ flex: 1 }}>
            {[thing.code, thing.spot, agoWords(thing.createdAt)].filter(Boolean).join(' · ')}
          </Words>
        </View>
        <HouseFront thingId={thing.id} currency={currency} size={27} {...front} />
      </View>
    </Pressable>
  );
});

function useFront(id: string) {
  const view = useCourier((s) => s.things[id]);
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
        <Words key={name} kind="small" role="columnheader" style={[WIDTHS[i], { fontWeight: '600' }]}>
          {name}
        </Words>
      ))}
    </View>
  );
}

/** One thing on a wide screen. */
export const TableLine = memo(function TableLine({ thing, chosen, onPress }: StockLineProps) {
  const c = useColours();
  const currency = useAttic((s) => s.settings.currency);
  const kinds = useKinds();
  const front = useFront(thing.id);
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
        <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
      </View>
      <View role="cell" style={WIDTHS[1]}>
        <Pressable
          {...(chosen === null ? { role: 'link' } : { role: 'checkbox', 'aria-checked': chosen })}
          onPress={() => onPress(thing.id)}
          style={{ minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: 10 }}
        >
          {chosen !== null ? <Tick on={chosen} /> : null}
          <View style={{ flex: 1 }}>
            <Words kind="strong" numberOfLines={2}>
              {nameOf(thing)}
            </Words>
            <Words kind="small" tone="soft" figures numberOfLines={1}>
              {thing.code}
            </Words>
          </View>
        </Pressable>
      </View>
      {[
        kinds.get(thing.kind)?.name ?? '—',
        gradeNames(thing.kind, kinds)[gradeOfThing(thing)?.wear ?? -1] ?? '—',
        thing.spot || '—',
        money(thing.cost),
        money(thing.price),
        agoWords(thing.createdAt),
      ].map((text, i) => (
        <Words key={COLUMNS[i + 2]} role="cell" figures style={WIDTHS[i + 2]} numberOfLines={2}>
          {text}
        </Words>
      ))}
      <View role="cell" style={WIDTHS[8]}>
        <HouseFront thingId={thing.id} currency={currency} size={25} {...front} />
      </View>
    </View>
  );
});

const right = { textAlign: 'right' as const };
const WIDTHS = [
  { width: 56 }, { flex: 1, minWidth: 180 }, { width: 110 }, { width: 110 }, { width: 70 }, { width: 78, ...right },
  { width: 78, ...right }, { width: 96 }, { width: 206 },
]; // prettier-ignore

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
