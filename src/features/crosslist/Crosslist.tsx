import { useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useEffect, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { planId } from '@/contract/records';
import { EVERYTHING, filtered } from '@/core/stock/filter';
import { ordered } from '@/core/stock/search';
import { toggled } from '@/parts/trade/toggled';
import { BottomBar } from '@/parts/ui/BottomBar';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LongList } from '@/parts/ui/LongList';
import { PageHead } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { checking } from '@/store/courier/checking';
import { useCourier } from '@/store/courier/courierLink';
import { wantMany } from '@/store/courier/crosslist';
import { useAround } from '@/store/derived/useAround';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { useWide } from '@/theme/theme';

import { CELL_HEIGHT, CrosslistHead, CrosslistRow, STACK_HEIGHT, StackedRow } from './CrosslistRow';
import { ToReview } from './ToReview';
import { useCells } from './useCells';
import { DeedBar } from '../deeds/DeedBar';

const SHOWN = [
  ['all', 'All'],
  ['unlisted', 'Not listed'],
  ['listed', 'Listed'],
  ['refused', 'Refused'],
] as const;
type Show = (typeof SHOWN)[number][0];

/**
 * Items down, marketplaces across: plan, check, send, change and take down many at once. On a phone item by
 * item.
 */
export function Crosslist() {
  const wide = useWide();
  const router = useRouter();
  const [words, setWords] = useState('');
  const [show, setShow] = useState<Show>('all');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const plans = useAttic((s) => s.plans);
  const sheets = useUsedSheets();
  const shown = useShown(words, show);
  useWatched(shown, chosen);
  const scope = chosen.size > 0 ? shown.filter((t) => chosen.has(t.id)) : shown;
  const { cells, totals, twins } = useCells(scope, sheets);
  const toggle = useCallback((id: string) => setChosen((before) => toggled(before, id)), []);
  const open = useCallback((id: string, at: string) => router.navigate(`/item/${id}?at=${at}`), [router]);
  const planColumn = useCallback(
    (market: string) => {
      const ids = scope.map((t) => t.id);
      const all = ids.every((id) => plans[planId(id, market)]?.wanted);
      wantMany(ids, market, !all);
    },
    [scope, plans],
  );
  const Row = wide ? CrosslistRow : StackedRow;
  return (
    <>
      <LongList
        label="Crosslist"
        items={shown}
        keyOf={(t: Item) => t.id}
        height={wide ? CELL_HEIGHT : STACK_HEIGHT}
        gap={wide ? 0 : 10}
        maxWidth={1500}
        table={
          wide && shown.length > 0
            ? {
                label: 'Items and marketplaces',
                head: <CrosslistHead sheets={sheets} onPlan={planColumn} />,
              }
            : undefined
        }
        row={(item: Item) => (
          <Row
            item={item}
            sheets={sheets}
            chosen={chosen.has(item.id)}
            twins={twins.get(item.id)}
            onChoose={toggle}
            onOpen={open}
          />
        )}
      >
        <PageHead title="Crosslist" back="/stock" />
        <View style={wide ? { flexDirection: 'row', alignItems: 'center', gap: 14 } : { gap: 10 }}>
          <View style={wide ? { width: 340 } : null}>
            <Field
              label="Search"
              value={words}
              pause={0}
              maxLength={400}
              onChange={setWords}
              placeholder="title, brand, code, spot"
            />
          </View>
          <ShowRow show={show} onShow={setShow} chosen={chosen} shown={shown} onChosen={setChosen} />
        </View>
        {shown.length === 0 ? <Text tone="soft">Nothing here to list.</Text> : null}
      </LongList>
      <Bottom shown={shown} chosen={chosen} onChosen={setChosen}>
        <ToReview cells={cells} totals={totals} scope={scope} chosen={chosen.size} />
      </Bottom>
    </>
  );
}

/** How those in sight stand, and what can be done with those chosen. */
function Bottom(props: {
  shown: readonly Item[];
  chosen: ReadonlySet<string>;
  onChosen: (ids: ReadonlySet<string>) => void;
  children: ReactNode;
}) {
  const { shown, chosen, onChosen, children } = props;
  if (chosen.size === 0) return <BottomBar label="What to do with them">{children}</BottomBar>;
  return (
    <DeedBar
      chosen={chosen}
      of={shown.length}
      onAll={() => onChosen(new Set(shown.map((t) => t.id)))}
      onNone={() => onChosen(new Set())}
      onDone={() => onChosen(new Set())}
    >
      {children}
    </DeedBar>
  );
}

/** What is shown of everything there is, the newest first; what is sold is not listed any more. */
function useShown(words: string, show: Show): Item[] {
  const items = useDeferredValue(useAttic((s) => s.items));
  const views = useCourier((s) => s.items);
  const around = useAround({ ...EVERYTHING, show });
  const wanted = useDeferredValue(words);
  return useMemo(
    () =>
      filtered(
        ordered(Object.values(items), 'newest'),
        { ...EVERYTHING, words: wanted, show },
        around,
      ).filter((t) => !views[t.id]?.sale),
    [items, wanted, show, around, views],
  );
}

/** What is checked in the background as long as the screen is open. */
function useWatched(shown: readonly Item[], chosen: ReadonlySet<string>): void {
  useEffect(() => {
    // The chosen first: their totals are waited for.
    const first = shown.filter((t) => chosen.has(t.id)).map((t) => t.id);
    return checking.watch([...first, ...shown.filter((t) => !chosen.has(t.id)).map((t) => t.id)]);
  }, [shown, chosen]);
}

function ShowRow(props: {
  show: Show;
  onShow: (show: Show) => void;
  shown: readonly Item[];
  chosen: ReadonlySet<string>;
  onChosen: (ids: ReadonlySet<string>) => void;
}) {
  const { show, onShow, shown, chosen, onChosen } = props;
  return (
    <ChipRow label="Show">
      {SHOWN.map(([id, name]) => (
        <Chip key={id} on={show === id} onPress={() => onShow(id)}>
          {name}
        </Chip>
      ))}
      <Chip
        role="checkbox"
        on={chosen.size > 0 && chosen.size === shown.length}
        label={`Choose all ${shown.length}`}
        onPress={() => onChosen(chosen.size === shown.length ? new Set() : new Set(shown.map((t) => t.id)))}
      >
        {chosen.size > 0 ? `${chosen.size} chosen` : `Choose all ${shown.length}`}
      </Chip>
    </ChipRow>
  );
}
