import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import { plural } from '@/core/language/plural';
import { groupWords } from '@/core/stock/groups';
import { SavedWords } from '@/parts/trade/SavedWords';
import { UndoButton } from '@/parts/trade/UndoButton';
import { Button } from '@/parts/ui/Button';
import { dragAloud } from '@/parts/ui/dragAloud';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { editGroup, putIntoGroup } from '@/store/items/groups';
import { nameOr } from '@/store/items/names';
import { useColours } from '@/theme/theme';

import { ColumnsCard } from './ColumnsCard';
import { ALL_STOCK, Folders, type Dragged } from './Folders';
import { Narrowing } from './Narrowing';
import { useStockColumns } from './stockColumns';
import { StockHead } from './StockHead';
import { StockTable } from './StockTable';
import type { StockState } from './useStock';

/** At a desk: groups, or filters, at the left; a table that is written in beside them. */
export function StockDesk({ stock }: { stock: StockState }) {
  const { filter, setFilter, inGroup, shown } = stock;
  const [narrowing, setNarrowing] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const columns = useStockColumns(shown);
  const drag = useDrag(stock);
  return (
    <DndContext {...drag.context}>
      <View role="main" aria-label="Stock" style={{ flex: 1, flexDirection: 'row', minHeight: 0 }}>
        {narrowing ? (
          <ScrollView
            keyboardShouldPersistTaps="handled"
            style={{ flexGrow: 0, width: 360 }}
            contentContainerStyle={{ padding: 16, gap: 8 }}
          >
            <Narrowing filter={filter} within={inGroup} onChange={setFilter} />
            <Button onPress={() => setNarrowing(false)}>Back to the groups</Button>
          </ScrollView>
        ) : (
          <Folders stock={stock} />
        )}
        <View style={{ flex: 1, minWidth: 0, gap: 10, paddingVertical: 20, paddingHorizontal: 16 }}>
          <StockHead
            stock={stock}
            narrowing={narrowing}
            onNarrow={() => setNarrowing(!narrowing)}
            aside={
              <>
                <SavedWords />
                <UndoButton />
                <Button
                  variant="quiet"
                  label="Choose the columns of the table"
                  onPress={() => setChoosing(!choosing)}
                >
                  Columns
                </Button>
              </>
            }
          >
            <Said words={drag.said} />
          </StockHead>
          {choosing ? <ColumnsCard columns={columns} onDone={() => setChoosing(false)} /> : null}
          <StockTable stock={stock} columns={columns} />
        </View>
      </View>
      <DragOverlay dropAnimation={null}>{drag.words ? <Held words={drag.words} /> : null}</DragOverlay>
    </DndContext>
  );
}

/** What hangs at the pointer. */
function Held({ words }: { words: string }) {
  const c = useColours();
  return (
    <View
      style={{
        alignSelf: 'flex-start',
        maxWidth: 260,
        paddingVertical: 6,
        paddingHorizontal: 12,
        borderRadius: 10,
        borderWidth: 1.5,
        borderColor: c.moss,
        backgroundColor: c.mossTint,
      }}
    >
      <Text variant="strong" numberOfLines={1}>
        {words}
      </Text>
    </View>
  );
}

/** Items go into a group, all that are chosen where one of them is dragged; a group goes below another. */
function useDrag({ chosen }: StockState) {
  const [held, setHeld] = useState<Dragged | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const itemsOf = (id: string) => (chosen?.has(id) ? [...chosen] : [id]);
  const drop = async ({ over }: DragEndEvent) => {
    setHeld(null);
    if (!held || !over) return;
    const onto = over.id === ALL_STOCK ? null : String(over.id);
    const { groups } = useAttic.getState();
    if (held.type === 'group') return editGroup(held.id, 'place of a group', { parent: onto });
    if (onto === null) return;
    const count = await putIntoGroup(itemsOf(held.id), onto);
    const name = groupWords(groups, onto);
    setSaid(
      count === 0
        ? `It is in ${name} already.`
        : `${plural(count, 'One is', `${count} are`)} in ${name} now.`,
    );
  };
  return {
    said,
    words: held && wordsOf(held, held.type === 'item' ? itemsOf(held.id).length : 1),
    context: {
      accessibility: ALOUD,
      // The table lies still while something is carried out of it.
      autoScroll: { canScroll: (what: Element) => !what.closest('.attic-grid') },
      sensors,
      collisionDetection: pointerWithin,
      onDragStart: ({ active }: { active: { data: { current?: unknown } } }) =>
        // What these draggables carry is told in Folders and StockTable.
        setHeld((active.data.current as Dragged | undefined) ?? null),
      onDragCancel: () => setHeld(null),
      onDragEnd: (event: DragEndEvent) => void drop(event),
    },
  };
}

const ALOUD = dragAloud(
  // What these draggables carry is told in Folders and StockTable.
  ({ data }) => wordsOf(data.current as Dragged, 1),
  ({ id }) => {
    const { groups } = useAttic.getState();
    return id === ALL_STOCK ? 'all stock' : `the group ${groupWords(groups, String(id))}`;
  },
);

function wordsOf(held: Dragged, count: number): string {
  const { items, groups } = useAttic.getState();
  if (held.type === 'group') return groups[held.id]?.name ?? '';
  return count === 1 ? nameOr(items[held.id], '') : `${count} items`;
}
