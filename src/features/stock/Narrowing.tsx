import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { GAPS, type StockFilter } from '@/contract/groups';
import { plural } from '@/core/language/plural';
import { EVERYTHING, isEverything } from '@/core/stock/filter';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { addGroup } from '@/store/items/groups';
import { useKinds } from '@/store/items/kinds';

import { Choice } from './Choice';
import { NarrowedByPlace, NarrowedByTime } from './NarrowedBy';

const GAP_WORDS: Record<(typeof GAPS)[number], string> = {
  kind: 'Kind',
  answers: 'Required answers',
  condition: 'Condition',
  measurements: 'Measurements',
  title: 'Title',
  price: 'Price',
  pictures: 'Pictures',
  spot: 'Spot',
  readings: 'A yes to what was read',
};

/** More ways to narrow the stock; what is narrowed can be kept as a group that fills itself. */
export function Narrowing(props: {
  filter: StockFilter;
  /** The group that is shown: a kept one lies below it. */
  within: string | null;
  onChange: (filter: StockFilter) => void;
}) {
  const { filter, within, onChange } = props;
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const { offered, away, setAway } = useHauls(filter.haulId);
  const put = (part: Partial<StockFilter>) => onChange({ ...filter, ...part });
  const { here, branch } = useBranch(filter.kind);
  return (
    <Card label="Filters">
      <Choice
        label="What is missing"
        now={filter.lacks}
        none={null}
        choices={GAPS.map((gap) => [gap, GAP_WORDS[gap]])}
        onChoose={(lacks) => put({ lacks })}
      />
      {offered.length > 0 ? (
        <Choice
          label="From the haul"
          now={filter.haulId}
          none={null}
          choices={offered.map((h) => [h.id, h.name])}
          onChoose={(haulId) => put({ haulId, lineId: null })}
        />
      ) : null}
      {away > 0 ? (
        <Button variant="quiet" onPress={setAway} style={{ alignSelf: 'flex-start' }}>
          {`Show ${plural(away, 'one haul', `${away} hauls`)} put away, too`}
        </Button>
      ) : null}
      {filter.haulId && (hauls[filter.haulId]?.lines.length ?? 0) > 0 ? (
        <Choice
          label="Line of the haul"
          now={filter.lineId}
          none={null}
          choices={(hauls[filter.haulId]?.lines ?? []).map((l) => [l.id, l.what])}
          onChoose={(lineId) => put({ lineId })}
        />
      ) : null}
      {Object.keys(owners).length > 0 ? (
        <Choice
          label="Whose"
          now={filter.ownerId}
          none={null}
          choices={[['own', 'Our own'], ...Object.values(owners).map((o) => [o.id, o.name] as const)]}
          onChoose={(ownerId) => put({ ownerId })}
        />
      ) : null}
      <Choice
        label="Kind"
        now={filter.kind}
        none=""
        choices={branch.map((k) => [k.id, k.name])}
        onChoose={(kind) => put({ kind: kind === '' ? (here?.parent ?? '') : kind })}
      />
      <PricesAndSpot filter={filter} put={put} />
      <NarrowedByTime filter={filter} put={put} />
      <NarrowedByPlace filter={filter} put={put} />
      <KeepAsGroup filter={filter} within={within} />
      <Button
        variant="quiet"
        disabled={isEverything(filter)}
        onPress={() => onChange({ ...EVERYTHING, groupId: null })}
      >
        Show everything again
      </Button>
    </Card>
  );
}

/** Hauls to choose from: those that are done are put away until they are asked for. */
function useHauls(now: string | null) {
  const hauls = useAttic((s) => s.hauls);
  const [all, setAll] = useState(false);
  const list = Object.values(hauls).sort((a, b) => (a.date < b.date ? 1 : -1));
  const offered = list.filter((h) => all || h.putAwayAt === null || h.id === now);
  return { offered, away: list.length - offered.length, setAway: () => setAll(true) };
}

/** The kind that is filtered by with those above it, and those below of which there is something. */
function useBranch(kind: string) {
  const kinds = useKinds();
  const items = useAttic((s) => s.items);
  const owned = useMemo(
    () => new Set(Object.values(items).flatMap((t) => kinds.get(t.kind)?.path ?? [])),
    [items, kinds],
  );
  const here = kinds.get(kind);
  const branch = [
    ...(here?.path ?? []).flatMap((id) => kinds.get(id) ?? []),
    // Only what there is something of.
    ...kinds.children(here?.id ?? null).filter((k) => owned.has(k.id)),
  ];
  return { here, branch };
}

function PricesAndSpot(props: { filter: StockFilter; put: (part: Partial<StockFilter>) => void }) {
  const { filter, put } = props;
  const currency = useAttic((s) => s.settings.currency);
  return (
    <View style={{ flexDirection: 'row', gap: 10 }}>
      <View style={{ flex: 1 }}>
        <MoneyField
          label="Price from"
          value={filter.priceFrom}
          currency={currency}
          onChange={(priceFrom) => put({ priceFrom })}
        />
      </View>
      <View style={{ flex: 1 }}>
        <MoneyField
          label="Price up to"
          value={filter.priceTo}
          currency={currency}
          onChange={(priceTo) => put({ priceTo })}
        />
      </View>
      <View style={{ flex: 1 }}>
        <Field label="Spot begins" value={filter.spot} maxLength={60} onChange={(spot) => put({ spot })} />
      </View>
    </View>
  );
}

/** What is filtered can be kept as a group that fills itself. */
function KeepAsGroup({ filter, within }: { filter: StockFilter; within: string | null }) {
  const [name, setName] = useState('');
  // What was kept is said until something else is filtered.
  const [kept, setKept] = useState<{ name: string; filter: StockFilter } | null>(null);
  return (
    <>
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Field
            label="Keep as a group named"
            value={name}
            maxLength={80}
            pause={0}
            hint="It fills itself with what matches, now and later."
            onChange={setName}
          />
        </View>
        <Button
          disabled={name.trim() === '' || isEverything(filter)}
          label="Keep these filters as a group"
          onPress={() => {
            addGroup(name.trim(), within, { ...filter, groupId: within });
            setKept({ name: name.trim(), filter });
            setName('');
          }}
        >
          Keep
        </Button>
      </View>
      {kept?.filter === filter ? (
        <Text tone="good" role="status">{`Kept as the group ${kept.name}.`}</Text>
      ) : null}
    </>
  );
}
