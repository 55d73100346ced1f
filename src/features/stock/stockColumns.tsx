import { useCallback, useMemo } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import { keysOf } from '@/contract/fields';
import type { Item } from '@/contract/records';
import { gradeNames, gradeOfItem } from '@/core/condition/grade';
import type { Target } from '@/core/stock/bulk';
import { groupWords } from '@/core/stock/groups';
import { questionsOf, sortValue } from '@/core/stock/questions';
import type { TableOrder } from '@/parts/table/Heading';
import { FIRST, type TableColumn } from '@/parts/table/ItemTable';
import { columnOf } from '@/parts/table/questionColumn';
import { ListingSigns } from '@/parts/trade/ListingSigns';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { useWays } from '@/store/items/ways';

import { useFront } from './StockRow';

/** How a person has the table: kept on this device. */
const Kept = z.object({
  ids: z.array(z.string().max(80)).max(200).nullable(),
  widths: z.record(z.string().max(80), z.number().int().min(40).max(1_000)),
  order: z.object({ by: z.string().max(80), descending: z.boolean() }).nullable(),
});
export const USUAL_COLUMNS: readonly string[] = ['listed', 'price', 'spot', 'kind', 'age', 'grade', 'cost'];
const AS_IT_COMES: z.infer<typeof Kept> = { ids: null, widths: {}, order: null };

/** What is only read of an item, each with what it is put in order by. */
const READ = {
  grade: { label: 'Grade', width: 118, Read: Grade, value: (t: Item) => gradeOfItem(t)?.wear ?? null },
  age: { label: 'Age', width: 96, Read: Age, value: (t: Item) => 0 - t.createdAt },
  listed: { label: 'Listed', width: 226, Read: Listed, value: liveCount },
  haul: { label: 'Haul', width: 150, Read: Haul, value: haulName },
  groups: { label: 'Groups', width: 150, Read: Groups, value: groupNames },
  author: { label: 'Entered by', width: 110, Read: Author, value: (t: Item) => t.author },
} as const;
type ReadId = keyof typeof READ;
const isRead = (id: string): id is ReadId => id in READ;

export type StockColumns = ReturnType<typeof useStockColumns>;

/** Which columns the table of stock has, how wide, and by which it is in order. */
export function useStockColumns(list: readonly Item[]) {
  const ways = useWays();
  const forms = useAttic((s) => s.forms);
  const [kept, setKept] = useDraft('stock-columns', Kept, AS_IT_COMES);
  // Which questions there are goes by the kinds, and they seldom change.
  const kinds = useMemo(() => [...new Set(list.map((t) => t.kind))].sort().join(), [list]);
  const all = useMemo((): TableColumn[] => {
    const some = kinds.split(',').map((kind) => ({ kind }));
    const questions = questionsOf(some, ways, Object.values(forms)).map(columnOf);
    const read = keysOf(READ).map((id) => {
      const { label, width, Read } = READ[id];
      return { id, label, width, Read };
    });
    return [...questions, ...read];
  }, [kinds, ways, forms]);
  const ids = kept.ids ?? USUAL_COLUMNS;
  const shown = useMemo(() => ids.flatMap((id) => all.find((one) => one.id === id) ?? []), [ids, all]);
  const valueOf = useCallback(
    (item: Item, by: string) => {
      if (by === FIRST) return nameOf(item);
      if (isRead(by)) return READ[by].value(item);
      // All other columns are questions.
      return sortValue(item, by as Target, ways);
    },
    [ways],
  );
  const choose = useCallback(
    (next: readonly string[] | null) => setKept((now) => ({ ...now, ids: next && [...next] })),
    [setKept],
  );
  const setWidth = useCallback(
    (id: string, width: number) => setKept((now) => ({ ...now, widths: { ...now.widths, [id]: width } })),
    [setKept],
  );
  const orderBy = useCallback(
    (by: string) => setKept((now) => ({ ...now, order: turned(now.order, by) })),
    [setKept],
  );
  return { all, shown, widths: kept.widths, order: kept.order, valueOf, choose, setWidth, orderBy };
}

/** One way, the other way, and as it comes: the newest first. */
function turned(order: TableOrder | null, by: string): TableOrder | null {
  if (order?.by !== by) return { by, descending: false };
  return order.descending ? null : { by, descending: true };
}

function Words({ children }: { children: string }) {
  return (
    <Text numberOfLines={1} figures style={{ paddingHorizontal: 10, fontSize: 15 }}>
      {children}
    </Text>
  );
}

function Grade({ item }: { item: Item }) {
  return <Words>{gradeNames(item.kind, kindsNow())[gradeOfItem(item)?.wear ?? -1] ?? ''}</Words>;
}

function Age({ item }: { item: Item }) {
  return <Words>{agoWords(item.createdAt)}</Words>;
}

function Author({ item }: { item: Item }) {
  return <Words>{item.author}</Words>;
}

function Haul({ item }: { item: Item }) {
  useAttic((s) => s.hauls);
  return <Words>{haulName(item) ?? ''}</Words>;
}

function Groups({ item }: { item: Item }) {
  useAttic((s) => s.groups);
  return <Words>{groupNames(item) ?? ''}</Words>;
}

/** Where it is listed; what is live leads to its own page. */
function Listed({ item }: { item: Item }) {
  const currency = useAttic((s) => s.settings.currency);
  const front = useFront(item.id);
  return (
    <View style={{ paddingHorizontal: 8 }}>
      <ListingSigns itemId={item.id} currency={currency} size={25} links {...front} />
    </View>
  );
}

function liveCount(item: Item): number {
  return useCourier.getState().items[item.id]?.listings.filter((l) => l.state === 'live').length ?? 0;
}

function haulName(item: Item): string | null {
  return item.haulId === null ? null : (useAttic.getState().hauls[item.haulId]?.name ?? null);
}

function groupNames(item: Item): string | null {
  const { groups } = useAttic.getState();
  return item.groupIds.length === 0 ? null : item.groupIds.map((id) => groupWords(groups, id)).join(', ');
}
