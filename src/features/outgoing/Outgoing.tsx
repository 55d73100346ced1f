import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { z } from 'zod';

import { MarketId } from '@/contract/common';
import { planId, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { goes, outTotals, WISHES, type OutLine, type Wish } from '@/core/outgoing/lines';
import { timesOf, type Rhythm } from '@/core/planning/times';
import { toggled } from '@/parts/trade/toggled';
import { When } from '@/parts/trade/When';
import { Button } from '@/parts/ui/Button';
import { AnyOf } from '@/parts/ui/Choices';
import { LongList } from '@/parts/ui/LongList';
import { Card, Page, PageHead } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { beginRound, unplan } from '@/store/courier/outgoing';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { useMany } from '@/store/items/many';
import { useWide } from '@/theme/theme';

import { OutBar } from './OutBar';
import { OutHead, OutRow, OutTableRow, OUT_HEIGHT, OUT_LINE } from './OutRow';
import { Reasons } from './Reasons';
import { Revising } from './Revising';
import { Stencils } from './Stencils';
import { TITLES } from './titles';
import { useOutLines } from './useOutLines';
import { headWords } from './words';

/** What is done with many at once: which items where, what it costs, and when, before it is done. */
export function Outgoing() {
  const { wish: asked = 'list', of = '' } = useLocalSearchParams<{ wish?: string; of?: string }>();
  const wish = WISHES.find((w) => w === asked) ?? 'list';
  const ids = useMany((s) => s.ids);
  const items = useAttic((s) => s.items);
  const list = useMemo(() => ids.flatMap((id) => items[id] ?? []), [ids, items]);
  if (list.length === 0) return <NothingChosen title={TITLES[wish](0)} />;
  if (wish === 'revise') return <Revising list={list} />;
  return <Going wish={wish} list={list} ofPlanned={of === 'planned'} />;
}

function NothingChosen({ title }: { title: string }) {
  const router = useRouter();
  return (
    <Page title={title} back="/stock">
      <Card>
        <Text variant="heading">Nothing is chosen</Text>
        <Text tone="soft">Select items in stock: what can be done with all of them stands below.</Text>
        <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
      </Card>
    </Page>
  );
}

interface GoingProps {
  wish: Exclude<Wish, 'revise'>;
  list: readonly Item[];
  /** Only where it is planned already. */
  ofPlanned: boolean;
}

function Going({ wish, list, ofPlanned }: GoingProps) {
  const wide = useWide();
  const router = useRouter();
  const all = useUsedSheets();
  const where = useWhere(wish, all, ofPlanned);
  const { sheets } = where;
  const [rhythm, setRhythm] = useState<Rhythm | null>(null);
  const { lines, byItem, shown } = useShown({ wish, list, ofPlanned }, sheets);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const toggle = useCallback(
    (item: string, market: string) => setOut((before) => toggled(before, `${item} ${market}`)),
    [],
  );
  const open = useCallback((id: string, at: string) => router.navigate(`/item/${id}?at=${at}`), [router]);
  const going = useMemo(
    () => lines.filter((l) => goes(l) && !out.has(`${l.item} ${l.market}`)),
    [lines, out],
  );
  const isUp = wish === 'list' || wish === 'again';
  const times = useTimes(going, isUp ? rhythm : null);
  const begin = () => {
    if (wish === 'end') unplan(idsOf(list), marketsOf(all));
    beginRound(wish, going, isUp ? going.map((l) => (rhythm ? times.get(l.item) : undefined)) : []);
    router.replace('/underway');
  };
  const Row = wide ? OutTableRow : OutRow;
  return (
    <>
      <LongList
        label={TITLES[wish](list.length)}
        items={shown}
        keyOf={(t: Item) => t.id}
        height={wide ? OUT_LINE : OUT_HEIGHT}
        gap={wide ? 0 : 10}
        maxWidth={1500}
        table={
          wide && shown.length > 0
            ? {
                label: 'What goes where',
                head: <OutHead sheets={sheets} words={sheets.map((s) => headWords(going, s))} />,
              }
            : undefined
        }
        row={(item: Item) => (
          <Row
            item={item}
            sheets={sheets}
            lines={byItem.get(item.id) ?? NONE}
            out={outOf(out, item.id)}
            at={times.get(item.id) ?? null}
            onToggle={toggle}
            onOpen={open}
          />
        )}
      >
        <Head
          wish={wish}
          list={list}
          where={where}
          count={new Set(going.map((l) => l.item)).size}
          rhythm={rhythm}
          onRhythm={setRhythm}
        />
        <Reasons lines={lines} sheets={sheets} />
        {shown.length === 0 ? <Text tone="soft">Nothing of them is left to do there.</Text> : null}
      </LongList>
      <OutBar
        wish={wish}
        lines={lines}
        going={going}
        totals={outTotals(going)}
        later={rhythm !== null}
        onBegin={begin}
      />
    </>
  );
}

const idsOf = (list: readonly Item[]) => list.map((t) => t.id);
const marketsOf = (sheets: readonly RuleSheet[]) => sheets.map((s) => s.marketplace);
const NONE: readonly OutLine[] = [];
const NO_MARKETS: ReadonlySet<string> = new Set();

function outOf(out: ReadonlySet<string>, item: string): ReadonlySet<string> {
  if (out.size === 0) return NO_MARKETS;
  return new Set([...out].flatMap((key) => (key.startsWith(`${item} `) ? [key.slice(item.length + 1)] : [])));
}

/** Its title, and what is chosen for all of them: where, by which stencils, when. */
function Head(props: {
  wish: Exclude<Wish, 'revise'>;
  list: readonly Item[];
  where: ReturnType<typeof useWhere>;
  count: number;
  rhythm: Rhythm | null;
  onRhythm: (rhythm: Rhythm | null) => void;
}) {
  const { wish, list, where, count, rhythm, onRhythm } = props;
  const isUp = wish === 'list' || wish === 'again';
  return (
    <>
      <PageHead title={TITLES[wish](list.length)} back="/stock" />
      <Card label="Where and when">
        <AnyOf
          label="Where"
          options={where.all.map((s) => [s.marketplace, s.name] as const)}
          chosen={where.chosen}
          onChoose={where.choose}
        />
        {isUp ? <Stencils list={list} sheets={where.sheets} /> : null}
        {isUp ? <When count={count} value={rhythm} onChange={onRhythm} /> : null}
      </Card>
    </>
  );
}

/** Which marketplaces: what was chosen last for the same; at first all. */
function useWhere(wish: Wish, all: readonly RuleSheet[], ofPlanned: boolean) {
  const isUp = wish === 'list' || wish === 'again';
  const [last, setLast] = useDraft('outgoing-where', Markets, null);
  const [own, setOwn] = useState<readonly string[] | null>(null);
  const names = all.map((s) => s.marketplace);
  const usual = isUp && !ofPlanned && last ? last.filter((m) => names.includes(m)) : names;
  const chosen = own ?? (usual.length > 0 ? usual : names);
  // The same marketplaces are the same choice, however the list was made.
  const key = chosen.join(' ');
  const sheets = useMemo(() => {
    const set = new Set(key.split(' '));
    return all.filter((s) => set.has(s.marketplace));
  }, [all, key]);
  const choose = (markets: string[]) => {
    setOwn(markets);
    if (isUp && markets.length > 0) setLast(markets);
  };
  return { all, sheets, chosen, choose };
}
const Markets = z.array(MarketId).max(200).nullable();

/** The lines, by item, and the items of which any is more than nothing to do. */
function useShown({ wish, list, ofPlanned }: GoingProps, sheets: readonly RuleSheet[]) {
  const plans = useAttic((s) => s.plans);
  const found = useOutLines(wish, list, sheets);
  return useMemo(() => {
    const isPlanned = (l: OutLine) => plans[planId(l.item, l.market)]?.wanted ?? false;
    const lines = ofPlanned
      ? found.map((l): OutLine => (isPlanned(l) ? l : { ...l, says: 'none', deed: 'nothing' }))
      : found;
    const byItem = new Map<string, OutLine[]>();
    for (const line of lines) byItem.set(line.item, [...(byItem.get(line.item) ?? []), line]);
    const shown = list.filter((t) => byItem.get(t.id)?.some((l) => l.says !== 'none'));
    return { lines, byItem, shown };
  }, [found, plans, list, ofPlanned]);
}

/** When each item goes: all of its marketplaces together. */
function useTimes(going: readonly OutLine[], rhythm: Rhythm | null): ReadonlyMap<string, number> {
  return useMemo(() => {
    if (!rhythm) return new Map();
    const ids = [...new Set(going.map((l) => l.item))];
    const times = timesOf(ids.length, rhythm);
    return new Map(ids.map((id, i) => [id, times[i] ?? 0]));
  }, [going, rhythm]);
}
