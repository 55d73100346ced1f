import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useEffect, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { SHOWN, type StockFilter } from '@/contract/groups';
import type { Item } from '@/contract/records';
import { counted } from '@/core/language/plural';
import { EVERYTHING, filtered, isEverything } from '@/core/stock/filter';
import { groupWords } from '@/core/stock/groups';
import { ordered, type SortOrder } from '@/core/stock/search';
import { toggled } from '@/parts/trade/toggled';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LongList } from '@/parts/ui/LongList';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useAround } from '@/store/derived/useAround';
import { letGo, useHandedOver } from '@/store/items/choice';
import { useWide } from '@/theme/theme';

import { Narrowing } from './Narrowing';
import { LINE_HEIGHT, ROW_HEIGHT, StockRow, TableHead, TableLine } from './StockRow';
import { DeedBar } from '../deeds/DeedBar';

const SHOWN_WORDS = {
  all: 'All',
  unlisted: 'Not listed',
  listed: 'Listed',
  refused: 'Refused',
  sold: 'Sold',
  left: 'No longer here',
} as const;

const ORDER_WORDS: readonly [SortOrder, string][] = [
  ['newest', 'Newest first'],
  ['oldest', 'Oldest first'],
  ['title', 'By title'],
  ['spot', 'By spot'],
  ['dearest', 'Dearest first'],
  ['cheapest', 'Cheapest first'],
];

/** What is found of everything owned, in order. */
function useFound(filter: StockFilter, order: SortOrder): { found: readonly Item[]; none: boolean } {
  // A change of very many is drawn when there is time.
  const items = useDeferredValue(useAttic((s) => s.items));
  const inOrder = useMemo(() => ordered(Object.values(items), order), [items, order]);
  const around = useAround(filter.show !== 'all');
  const { search } = around;
  useEffect(() => {
    // So that the first key does not wait for all of it; in parts, so that no finger does.
    let at = 0;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const go = () => {
      at = search.prepare(inOrder, at, 150);
      timer = at < inOrder.length ? setTimeout(go, 4) : null;
    };
    timer = setTimeout(go, 50);
    return () => {
      if (timer) clearTimeout(timer);
    };
  }, [search, inOrder]);
  const found = useMemo(() => filtered(inOrder, filter, around), [inOrder, filter, around]);
  return { found, none: inOrder.length === 0 };
}

/** What is found, of what was handed over from elsewhere where something was. */
function useShown(filter: StockFilter, order: SortOrder) {
  const { found, none } = useFound(filter, order);
  const handed = useHandedOver();
  const shown = useMemo(
    () => (handed.ids ? found.filter((t) => handed.ids?.has(t.id)) : found),
    [found, handed.ids],
  );
  return { shown, handed, none };
}

type Chosen = ReadonlySet<string> | null;

/** The items chosen: those handed over from elsewhere, until the person chooses otherwise. */
function useChosen(handed: Chosen) {
  const [own, setOwn] = useState<{ of: Chosen; chosen: Chosen }>({ of: null, chosen: null });
  const setChosen = useCallback(
    (next: (before: Chosen) => Chosen) =>
      setOwn((before) => ({ of: handed, chosen: next(before.of === handed ? before.chosen : handed) })),
    [handed],
  );
  const choose = (yes: boolean) => {
    letGo();
    setOwn({ of: null, chosen: yes ? new Set() : null });
  };
  return { chosen: own.of === handed ? own.chosen : handed, setChosen, choose };
}

/** Everything owned; search as you type, choose many and change them at once. */
export function Stock() {
  const wide = useWide();
  const router = useRouter();
  const { group = '' } = useLocalSearchParams<{ group?: string }>();
  const [filter, setFilter] = useState<StockFilter>(EVERYTHING);
  const [narrowing, setNarrowing] = useState(false);
  const groups = useAttic((s) => s.groups);
  const [order, setOrder] = useState<SortOrder>('newest');
  // The list follows the typing when there is time; the field never waits for it.
  const inGroup = groups[group] ? group : null;
  const wanted = useMemo(() => ({ ...filter, groupId: inGroup }), [filter, inGroup]);
  const { shown, handed, none: empty } = useShown(useDeferredValue(wanted), order);
  const { chosen, setChosen, choose } = useChosen(handed.ids);
  const narrowed = !isEverything({ ...filter, words: '', show: 'all' });
  const choosing = chosen !== null;
  const press = useCallback(
    (id: string) => {
      if (!choosing) return router.navigate(`/item/${id}`);
      setChosen((before) => toggled(before ?? new Set(), id));
    },
    [choosing, router, setChosen],
  );
  const Line = wide ? TableLine : StockRow;
  const all = () => setChosen(() => new Set(shown.map((t) => t.id)));
  const none = () => setChosen(() => new Set());
  return (
    <>
      <LongList
        label="Stock"
        items={shown}
        keyOf={(t) => t.id}
        height={wide ? LINE_HEIGHT : ROW_HEIGHT}
        gap={wide ? 0 : 10}
        maxWidth={1400}
        table={wide && shown.length > 0 ? { label: 'Stock', head: <TableHead /> } : undefined}
        row={(item) => <Line item={item} chosen={chosen ? chosen.has(item.id) : null} onPress={press} />}
      >
        <Head />
        <Field
          label="Search"
          value={filter.words}
          pause={0}
          maxLength={400}
          onChange={(words) => setFilter({ ...filter, words })}
          placeholder="title, brand, code, spot"
        />
        <ChipRow label="Show">
          {SHOWN.map((show) => (
            <Chip key={show} on={filter.show === show} onPress={() => setFilter({ ...filter, show })}>
              {SHOWN_WORDS[show]}
            </Chip>
          ))}
          <Chip role="button" on={narrowed} label="More filters" onPress={() => setNarrowing(!narrowing)}>
            {narrowed ? 'Filtered' : 'Filter'}
          </Chip>
        </ChipRow>
        <GroupRow group={inGroup} onChoose={(id) => router.setParams({ group: id })} />
        {narrowing ? <Narrowing filter={filter} within={inGroup} onChange={setFilter} /> : null}
        {handed.ids ? <Notice tone="info">{`Only these are shown: ${handed.why}.`}</Notice> : null}
        {empty ? (
          <NothingYet />
        ) : (
          <Found count={shown.length} order={order} onOrder={setOrder}>
            {chosen ? null : (
              <Button variant="quiet" onPress={() => choose(true)}>
                Select
              </Button>
            )}
          </Found>
        )}
      </LongList>
      {chosen ? (
        <DeedBar chosen={chosen} of={shown.length} onAll={all} onNone={none} onDone={() => choose(false)} />
      ) : null}
    </>
  );
}

function Head() {
  const router = useRouter();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44 }}>
      <Text variant="title" style={{ flex: 1 }}>
        Stock
      </Text>
      <Button variant="quiet" icon="send" onPress={() => router.navigate('/crosslist')}>
        Crosslist
      </Button>
      <SignButton
        icon="attic"
        label="The attic: hauls, spots, kinds, codes"
        onPress={() => router.navigate('/attic')}
      />
    </View>
  );
}

/** The groups there are; one of them narrows the list, a second tap shows everything again. */
function GroupRow({ group, onChoose }: { group: string | null; onChoose: (id: string) => void }) {
  const groups = useAttic((s) => s.groups);
  if (Object.keys(groups).length === 0) return null;
  return (
    <ChipRow label="Group">
      {group ? (
        <Chip on={false} onPress={() => onChoose('')}>
          No group
        </Chip>
      ) : null}
      {Object.keys(groups)
        .map((id) => [id, groupWords(groups, id)] as const)
        .sort((a, b) => a[1].localeCompare(b[1], 'en', { numeric: true }))
        .map(([id, words]) => (
          <Chip
            key={id}
            on={group === id}
            label={`Group: ${words}`}
            onPress={() => onChoose(group === id ? '' : id)}
          >
            {words}
          </Chip>
        ))}
    </ChipRow>
  );
}

function NothingYet() {
  const router = useRouter();
  return (
    <Card>
      <Text variant="heading">Nothing here yet</Text>
      <Text tone="soft">Items come in with their first picture.</Text>
      <Button variant="main" icon="camera" onPress={() => router.navigate('/intake')}>
        Begin with a picture
      </Button>
    </Card>
  );
}

/** How many were found, in which order, and what else stands in that line. */
function Found(props: {
  count: number;
  order: SortOrder;
  onOrder: (order: SortOrder) => void;
  children: ReactNode;
}) {
  const { count, order, onOrder, children } = props;
  const [sorting, setSorting] = useState(false);
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 }}>
        <Text tone="soft" figures style={{ flex: 1 }} role="status">
          {count === 0 ? 'Nothing matches.' : counted(count, 'item')}
        </Text>
        <Button variant="quiet" label="Put them in another order" onPress={() => setSorting(!sorting)}>
          {ORDER_WORDS.find(([id]) => id === order)?.[1] ?? 'Order'}
        </Button>
        {children}
      </View>
      {sorting ? (
        <ChipRow label="Order">
          {ORDER_WORDS.map(([id, words]) => (
            <Chip
              key={id}
              on={order === id}
              onPress={() => {
                onOrder(id);
                setSorting(false);
              }}
            >
              {words}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
    </>
  );
}
