import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { gradeOfThing } from '@/core/condition/grade';
import type { KindTree } from '@/core/kinds/tree';
import { formatMoney } from '@/core/money/money';
import { Field } from '@/parts/Field';
import { HouseFront } from '@/parts/HouseFront';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Chip, ChipRow, Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { useColours, useWide } from '@/theme/theme';

import { agoWords } from '../shell/time';

type Filter = 'all' | 'unlisted' | 'listed' | 'sold';
const FILTERS: { id: Filter; name: string }[] = [
  { id: 'all', name: 'All' },
  { id: 'unlisted', name: 'Not listed' },
  { id: 'listed', name: 'Listed' },
  { id: 'sold', name: 'Sold' },
];

/** Everything owned, newest first; search as you type. */
export function Stock() {
  const wide = useWide();
  const router = useRouter();
  const things = useAttic((s) => s.things);
  const views = useCourier((s) => s.things);
  const kinds = useKinds();
  const [query, setQuery] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const shown = useMemo(() => {
    const words = query.toLocaleLowerCase('en').split(/\s+/u).filter(Boolean);
    return Object.values(things)
      .filter((t) => words.every((w) => haystack(t, kinds).includes(w)))
      .filter((t) => {
        const view = views[t.id];
        const up = view?.listings.some((l) => l.want === 'live' || l.doing === 'withdraw') ?? false;
        if (filter === 'sold') return !!view?.sale;
        if (filter === 'listed') return up && !view?.sale;
        if (filter === 'unlisted') return !up && !view?.sale;
        return true;
      })
      .sort((a, b) => b.createdAt - a.createdAt);
  }, [things, views, kinds, query, filter]);

  return (
    <Page
      title="Stock"
      maxWidth={1400}
      aside={
        <SignPress
          icon="attic"
          label="The attic: hauls, spots, kinds, codes"
          onPress={() => router.navigate('/attic')}
        />
      }
    >
      <Field
        label="Search"
        value={query}
        pause={0}
        onChange={setQuery}
        placeholder="title, brand, code, spot"
      />
      <ChipRow label="Show">
        {FILTERS.map((f) => (
          <Chip key={f.id} on={filter === f.id} onPress={() => setFilter(f.id)}>
            {f.name}
          </Chip>
        ))}
      </ChipRow>
      {Object.keys(things).length === 0 ? (
        <Card>
          <Words kind="heading">Nothing here yet</Words>
          <Words tone="soft">Things come in with their first picture.</Words>
          <Press kind="main" icon="camera" onPress={() => router.navigate('/intake')}>
            Begin with a picture
          </Press>
        </Card>
      ) : shown.length === 0 ? (
        <Words tone="soft">Nothing matches.</Words>
      ) : wide ? (
        <Table things={shown} />
      ) : (
        shown.map((thing) => <Row key={thing.id} thing={thing} />)
      )}
    </Page>
  );
}

function haystack(t: Thing, kinds: KindTree): string {
  return [t.title, t.code, t.spot, kinds.get(t.kind)?.name ?? '', ...Object.values(t.facts)]
    .join(' ')
    .toLocaleLowerCase('en');
}

function Row({ thing }: { thing: Thing }) {
  const c = useColours();
  const router = useRouter();
  const currency = useAttic((s) => s.settings.currency);
  const front = useFront();
  const kinds = useKinds();
  return (
    <Pressable
      role="link"
      aria-label={thing.title || thing.code}
      onPress={() => router.navigate(`/thing/${thing.id}`)}
      style={[styles.row, { backgroundColor: c.surface, borderColor: c.line }]}
    >
      <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 76, height: 76 }} />
      <View style={{ flex: 1, gap: 3, minWidth: 0 }}>
        <Words kind="strong" numberOfLines={2}>
          {thing.title || kinds.get(thing.kind)?.name || thing.code}
        </Words>
        <Words kind="small" tone="soft" figures numberOfLines={1}>
          {[thing.code, thing.spot, agoWords(thing.createdAt)].filter(Boolean).join(' · ')}
        </Words>
        <View style={{ flexDirection: 'row', alignItems: 'flex-end', justifyContent: 'space-between' }}>
          <Words kind="strong" figures>
            {thing.price === null ? 'no price' : formatMoney(thing.price, currency)}
          </Words>
          <HouseFront thingId={thing.id} currency={currency} size={28} {...front(thing.id)} />
        </View>
      </View>
    </Pressable>
  );
}

function useFront() {
  const views = useCourier((s) => s.things);
  const sheets = useCourier((s) => s.sheets);
  const plans = useAttic((s) => s.plans);
  return (id: string) => ({ view: views[id], plans, sheets });
}

const COLUMNS = ['Picture', 'Title', 'Kind', 'Grade', 'Spot', 'Cost', 'Price', 'Age', 'Listed'] as const;

function Table({ things }: { things: Thing[] }) {
  const c = useColours();
  const router = useRouter();
  const currency = useAttic((s) => s.settings.currency);
  const front = useFront();
  const kinds = useKinds();
  const money = (n: number | null) => (n === null ? '—' : formatMoney(n, currency));
  return (
    <View
      role="table"
      aria-label="Stock"
      style={[styles.table, { borderColor: c.line, backgroundColor: c.surface }]}
    >
      <View role="row" style={[styles.line, { backgroundColor: c.raised }]}>
        {COLUMNS.map((name, i) => (
          <Words
            key={name}
            kind="small"
            role="columnheader"

            style={[WIDTHS[i], { fontWeight: '600' }]}
          >
            {name}
          </Words>
        ))}
      </View>
      {things.map((t) => (
        <View key={t.id} role="row" style={[styles.line, { borderTopWidth: 1, borderColor: c.line }]}>
          <View role="cell" style={WIDTHS[0]}>
            <PictureView id={t.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
          </View>
          <View role="cell" style={WIDTHS[1]}>
            <Pressable
              role="link"
              onPress={() => router.navigate(`/thing/${t.id}`)}
              style={{ minHeight: 44, justifyContent: 'center' }}
            >
              <Words kind="strong" numberOfLines={2}>
                {t.title || t.code}
              </Words>
              <Words kind="small" tone="soft" figures>
                {t.code}
              </Words>
            </Pressable>
          </View>
          {[
            kinds.get(t.kind)?.name ?? '—',
            gradeOfThing(t)?.name ?? '—',
            t.spot || '—',
            money(t.cost),
            money(t.price),
            agoWords(t.createdAt),
          ].map((text, i) => (
            <Words key={COLUMNS[i + 2]} role="cell" figures style={WIDTHS[i + 2]} numberOfLines={2}>
              {text}
            </Words>
          ))}
          <View role="cell" style={WIDTHS[8]}>
            <HouseFront thingId={t.id} currency={currency} size={30} {...front(t.id)} />
          </View>
        </View>
      ))}
    </View>
  );
}

const right = { textAlign: 'right' as const };
const WIDTHS = [
  { width: 56 }, { flex: 1, minWidth: 180 }, { width: 110 }, { width: 110 }, { width: 70 }, { width: 78, ...right },
  { width: 78, ...right }, { width: 96 }, { width: 120 },
]; // prettier-ignore

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 12, padding: 10, borderRadius: 12, borderWidth: 1 },
  table: { borderWidth: 1, borderRadius: 12, overflow: 'hidden' },
  line: { flexDirection: 'row', alignItems: 'center', gap: 12, paddingHorizontal: 12, paddingVertical: 6 },
});
