import { useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { ordered, StockSearch, type Order } from '@/core/stock/search';
import { Field } from '@/parts/Field';
import { LongList } from '@/parts/LongList';
import { Card } from '@/parts/Page';
import { Chip, ChipRow, Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { useWide } from '@/theme/theme';

import { BulkChange } from './BulkChange';
import { StockRow, TableHead, TableLine } from './StockRow';

const FILTERS = [
  ['all', 'All'],
  ['unlisted', 'Not listed'],
  ['listed', 'Listed'],
  ['sold', 'Sold'],
] as const;
type Filter = (typeof FILTERS)[number][0];

const ORDER_WORDS: readonly [Order, string][] = [
  ['newest', 'Newest first'],
  ['oldest', 'Oldest first'],
  ['title', 'By title'],
  ['spot', 'By spot'],
  ['dearest', 'Dearest first'],
  ['cheapest', 'Cheapest first'],
];

/** What is found of everything owned, in order. */
function useFound(query: string, filter: Filter, order: Order): readonly Thing[] {
  const things = useAttic((s) => s.things);
  const views = useCourier((s) => s.things);
  const kinds = useKinds();
  const search = useMemo(() => new StockSearch(kinds), [kinds]);
  const inOrder = useMemo(() => ordered(Object.values(things), order), [things, order]);
  const filtered = useMemo(() => {
    if (filter === 'all') return inOrder;
    return inOrder.filter((t) => {
      const view = views[t.id];
      const up = view?.listings.some((l) => l.want === 'live' || l.doing === 'withdraw') ?? false;
      if (filter === 'sold') return !!view?.sale;
      return filter === 'listed' ? up && !view?.sale : !up && !view?.sale;
    });
  }, [inOrder, views, filter]);
  useEffect(() => {
    // So that the first key does not wait for all of it; in parts, so that no finger does.
    let at = 0;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const go = () => {
      at = search.prepare(inOrder, at, 400);
      timer = at < inOrder.length ? setTimeout(go, 4) : null;
    };
    timer = setTimeout(go, 50);
    return () => {
      if (timer) clearTimeout(timer);
    };
  }, [search, inOrder]);
  return useMemo(() => search.find(filtered, query), [search, filtered, query]);
}

/** Everything owned; search as you type, choose many and change them at once. */
export function Stock() {
  const wide = useWide();
  const router = useRouter();
  const empty = useAttic((s) => Object.keys(s.things).length === 0);
  const [query, setQuery] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const [order, setOrder] = useState<Order>('newest');
  const [sorting, setSorting] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  // The list follows the typing when there is time; the field never waits for it.
  const shown = useFound(useDeferredValue(query), filter, order);
  const choosing = chosen !== null;
  const press = useCallback(
    (id: string) => {
      if (!choosing) return router.navigate(`/thing/${id}`);
      setChosen((before) => {
        const next = new Set(before);
        if (!next.delete(id)) next.add(id);
        return next;
      });
    },
    [choosing, router],
  );
  const Line = wide ? TableLine : StockRow;
  return (
    <LongList
      label="Stock"
      items={shown}
      keyOf={(t) => t.id}
      height={wide ? 65 : 98}
      gap={wide ? 0 : 10}
      maxWidth={1400}
      table={wide && shown.length > 0 ? { label: 'Stock', head: <TableHead /> } : undefined}
      row={(thing) => <Line thing={thing} chosen={chosen ? chosen.has(thing.id) : null} onPress={press} />}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44 }}>
        <Words kind="title" style={{ flex: 1 }}>
          Stock
        </Words>
        <SignPress
          icon="attic"
          label="The attic: hauls, spots, kinds, codes"
          onPress={() => router.navigate('/attic')}
        />
      </View>
      <Field
        label="Search"
        value={query}
        pause={0}
        onChange={setQuery}
        placeholder="title, brand, code, spot"
      />
      <ChipRow label="Show">
        {FILTERS.map(([id, words]) => (
          <Chip key={id} on={filter === id} onPress={() => setFilter(id)}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      {empty ? (
        <Card>
          <Words kind="heading">Nothing here yet</Words>
          <Words tone="soft">Things come in with their first picture.</Words>
          <Press kind="main" icon="camera" onPress={() => router.navigate('/intake')}>
            Begin with a picture
          </Press>
        </Card>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 }}>
          <Words tone="soft" figures style={{ flex: 1 }} role="status">
            {shown.length === 0
              ? 'Nothing matches.'
              : shown.length === 1
                ? '1 thing'
                : `${shown.length} things`}
          </Words>
          <Press kind="quiet" label="Put them in another order" onPress={() => setSorting(!sorting)}>
            {ORDER_WORDS.find(([id]) => id === order)?.[1] ?? 'Order'}
          </Press>
          <Press kind="quiet" onPress={() => setChosen(chosen ? null : new Set())}>
            {chosen ? 'Done choosing' : 'Choose several'}
          </Press>
        </View>
      )}
      {sorting ? (
        <ChipRow label="Order">
          {ORDER_WORDS.map(([id, words]) => (
            <Chip
              key={id}
              on={order === id}
              onPress={() => {
                setOrder(id);
                setSorting(false);
              }}
            >
              {words}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {chosen ? (
        <BulkChange
          chosen={chosen}
          shown={shown}
          onAll={() => setChosen(new Set(shown.map((t) => t.id)))}
          onNone={() => setChosen(new Set())}
        />
      ) : null}
    </LongList>
  );
}
