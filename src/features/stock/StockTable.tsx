import { useDraggable } from '@dnd-kit/core';
import { createContext, useContext, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { orderedBy } from '@/core/stock/search';
import { ItemTable } from '@/parts/table/ItemTable';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { Tick } from '@/parts/ui/Tick';
import { nameOf } from '@/store/items/names';
import { useWays } from '@/store/items/ways';

import type { Dragged } from './Folders';
import type { StockColumns } from './stockColumns';
import type { StockState } from './useStock';

const ROW = 60;
/** Told to rows without drawing their table anew. */
const Choosing = createContext<Pick<StockState, 'chosen' | 'press'>>({
  chosen: null,
  press: () => undefined,
});
const ITEM = { label: 'Item', width: 250, Read: ItemOfRow };

/** Everything that is shown, to be put in order by any column and written in. */
export function StockTable({ stock, columns }: { stock: StockState; columns: StockColumns }) {
  const { shown, chosen, press, onWrite } = stock;
  const ways = useWays();
  const list = useInOrder(shown, columns);
  const [height, setHeight] = useState(0);
  const choosing = useMemo(() => ({ chosen, press }), [chosen, press]);
  return (
    <View
      style={{ flex: 1, minHeight: 200 }}
      onLayout={({ nativeEvent }) => setHeight(Math.floor(nativeEvent.layout.height))}
    >
      {height > 0 && list.length > 0 ? (
        <Choosing.Provider value={choosing}>
          <ItemTable
            label="Stock"
            list={list}
            columns={columns.shown}
            ways={ways}
            height={height}
            rowHeight={ROW}
            first={ITEM}
            order={columns.order}
            onOrder={columns.orderBy}
            widths={columns.widths}
            onWidth={columns.setWidth}
            chosen={chosen}
            onWrite={onWrite}
          />
        </Choosing.Provider>
      ) : null}
    </View>
  );
}

/**
 * In the order of a column. A row stays where it is while it is written in: only what comes in newly, or
 * another order, moves rows.
 */
function useInOrder(shown: readonly Item[], { order, valueOf }: StockColumns): readonly Item[] {
  const [held, setHeld] = useState<{ order: StockColumns['order']; ranks: ReadonlyMap<string, number> }>({
    order: null,
    ranks: new Map(),
  });
  if (order && (held.order !== order || shown.some((t) => !held.ranks.has(t.id)))) {
    const list = orderedBy(shown, (t) => valueOf(t, order.by), order.descending);
    setHeld({ order, ranks: new Map(list.map((t, i) => [t.id, i])) });
  }
  return useMemo(() => {
    if (!order) return shown;
    const rank = (t: Item) => held.ranks.get(t.id) ?? 0;
    return [...shown].sort((a, b) => rank(a) - rank(b));
  }, [shown, order, held]);
}

/** Which item a row is: it opens, is chosen, or is dragged into a group. */
function ItemOfRow({ item }: { item: Item }) {
  const { chosen, press } = useContext(Choosing);
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `item ${item.id}`,
    data: { type: 'item', id: item.id } satisfies Dragged,
  });
  const on = chosen?.has(item.id) ?? false;
  return (
    // The table would take a press for the beginning of a selection.
    <div style={{ width: '100%' }} onMouseDown={(event) => event.stopPropagation()}>
      <div ref={setNodeRef} {...listeners} style={{ opacity: isDragging ? 0.5 : 1 }}>
        <Pressable
          {...(chosen === null ? { role: 'link' } : { role: 'checkbox', 'aria-checked': on })}
          aria-label={nameOf(item)}
          onPress={() => press(item.id)}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            gap: 10,
            paddingHorizontal: 8,
            minHeight: ROW - 2,
          }}
        >
          {chosen ? <Tick on={on} /> : null}
          <PictureView id={item.pictureIds[0]} alt="" style={{ width: 46, height: 46 }} />
          <View style={{ flex: 1, minWidth: 0 }}>
            <Text variant="strong" numberOfLines={1} style={{ fontSize: 15 }}>
              {nameOf(item)}
            </Text>
            <Text variant="small" tone="soft" figures numberOfLines={1}>
              {item.code}
            </Text>
          </View>
        </Pressable>
      </div>
    </div>
  );
}
