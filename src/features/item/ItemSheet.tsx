import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useDeferredValue, useEffect, useMemo, useState, type ReactNode } from 'react';
import { ScrollView, View, type ViewStyle } from 'react-native';

import type { Item } from '@/contract/records';
import { goTo } from '@/parts/trade/goTo';
import { foldAll, Folding } from '@/parts/trade/Section';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useExamined } from '@/store/courier/examining';
import { useColours, useWide } from '@/theme/theme';

import { BelongingSection } from './BelongingSection';
import { ChoicesSection } from './ChoicesSection';
import { ConditionSection } from './ConditionSection';
import { Glance } from './Glance';
import { MeasurementsSection } from './MeasurementsSection';
import { lackingBySection, lackingOf, Missing } from './Missing';
import { PicturesSection } from './PicturesSection';
import { PriceSection, StoreSection } from './PriceSection';
import { SheetHead } from './SheetHead';
import { WhatSection } from './WhatSection';
import { WordsSection } from './WordsSection';
import { Marketplaces } from '../crosslist/Marketplaces';

/** The heart: one item, in the order the work is done. */
export function ItemSheet() {
  const { id, at, market } = useLocalSearchParams<{ id: string; at?: string; market?: string }>();
  const item = useAttic((s) => s.items[id]);
  const router = useRouter();
  if (!item)
    return (
      <View style={{ padding: 24, gap: 12 }} role="main" aria-label="Item sheet">
        <Text variant="heading">It is not in this attic</Text>
        <Text tone="soft">
          It may have been removed. If that was just now, undo is at the bottom of the page.
        </Text>
        <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
      </View>
    );
  return <Steady key={item.id} item={item} at={at} market={market} />;
}

interface SheetProps {
  item: Item;
  /** What is to be in sight first, by the field that is looked for; and on which marketplace. */
  at: string | undefined;
  market: string | undefined;
}

/**
 * What a machine has read, not yet confirmed, bears on nothing but its own box, and on whether there is any:
 * the sheet keeps the item it has until something else of it changes, so that a reading does not have all of
 * it drawn again.
 */
function Steady({ item, ...where }: SheetProps) {
  const [steady, setSteady] = useState(item);
  if (steady !== item && !sameButReadings(steady, item)) setSteady(item);
  return <Sheet item={steady} {...where} />;
}

function sameButReadings(a: Item, b: Item): boolean {
  // Records are validated anew with every change, so their parts are never the same objects.
  const rest = (item: Item) => JSON.stringify({ ...item, readings: item.readings.length > 0, updatedAt: 0 });
  return rest(a) === rest(b);
}

/**
 * The item as what is below its pictures shows it: one picture more is drawn there bit by bit, keeping no tap
 * waiting; all else at once, so that no field shows again what was there before the typing.
 */
function useBelow(item: Item): Item {
  const later = useDeferredValue(item);
  if (later === item) return item;
  return sameButReadings({ ...later, pictureIds: [] }, { ...item, pictureIds: [] }) ? later : item;
}

const Sheet = memo(function Sheet({ item, at, market }: SheetProps) {
  const c = useColours();
  const wide = useWide();
  const examined = useExamined(item);
  const below = useBelow(item);
  const sale = useCourier((s) => s.items[item.id]?.sale);
  const wanted = useMemo(() => examined.filter((e) => e.plan?.wanted), [examined]);
  // What is in sight first is there at once; what is further down follows bit by bit, keeping no tap waiting.
  const whole = useDeferredValue(true, false);
  useEffect(() => {
    if (at) goTo(at, market);
  }, [at, market]);

  const lacking = useMemo(() => (sale ? [] : lackingOf(wanted)), [sale, wanted]);
  const starts = useAttic((s) => s.settings.sheetStarts) ?? (wide ? 'open' : 'asNeeded');
  const folding = useMemo(() => ({ starts, missing: lackingBySection(lacking) }), [starts, lacking]);
  const [glance, setGlance] = useState(wide);
  const top = (
    <>
      {sale ? <SoldNotice /> : null}
      <Missing lacking={lacking} />
    </>
  );
  const facts = (
    <>
      <WhatSection item={below} findings={wanted} />
      {whole ? (
        <>
          <ConditionSection item={below} findings={wanted} />
          <MeasurementsSection item={below} />
          <WordsSection item={below} findings={wanted} />
          <PriceSection item={below} findings={wanted} />
          <ChoicesSection item={below} findings={wanted} />
          <StoreSection item={below} findings={wanted} />
          <BelongingSection item={below} />
        </>
      ) : null}
    </>
  );
  const markets = whole ? <Marketplaces item={below} examined={examined} /> : null;
  const pictures = <PicturesSection item={item} findings={wanted} />;
  return (
    <Folding.Provider value={folding}>
      <View style={{ flex: 1, backgroundColor: c.ground }} role="main" aria-label="Item sheet">
        <SheetHead item={item} glance={glance} onGlance={() => setGlance(!glance)} />
        {glance ? <Glance item={item} examined={examined} /> : null}
        {wide ? (
          <Columns
            pictures={pictures}
            facts={
              <>
                {top}
                {facts}
                <FoldAll starts={starts} />
              </>
            }
            markets={markets}
          />
        ) : (
          <Column label="The item" style={{ flex: 1 }}>
            {top}
            {pictures}
            {facts}
            {markets}
            <FoldAll starts={starts} />
          </Column>
        )}
      </View>
    </Folding.Provider>
  );
});

/** Pictures at the left, facts in the middle, marketplaces at the right, each scrolling by itself. */
function Columns({ pictures, facts, markets }: Record<'pictures' | 'facts' | 'markets', ReactNode>) {
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <Column label="Pictures" style={{ flexGrow: 0, flexBasis: 330 }}>
        {pictures}
      </Column>
      <Column label="Facts" style={{ flex: 1, minWidth: 360 }}>
        {facts}
      </Column>
      <Column label="Marketplaces" style={{ flexGrow: 0, flexBasis: 410 }}>
        {markets}
      </Column>
    </View>
  );
}

function Column(props: { label: string; style: ViewStyle; children: ReactNode }) {
  return (
    <ScrollView
      style={props.style}
      contentContainerStyle={{ padding: 12, gap: 12, paddingBottom: 48 }}
      keyboardShouldPersistTaps="handled"
      tabIndex={0}
      aria-label={props.label}
    >
      {props.children}
    </ScrollView>
  );
}

/** Every section open, or only what is asked for: kept for the next items, too. */
function FoldAll({ starts }: { starts: 'open' | 'asNeeded' }) {
  const put = (sheetStarts: 'open' | 'asNeeded') => {
    setSettings({ sheetStarts });
    foldAll(sheetStarts === 'open');
  };
  return starts === 'open' ? (
    <Button variant="quiet" label="Fold all sections" onPress={() => put('asNeeded')}>
      Fold all sections
    </Button>
  ) : (
    <Button variant="quiet" label="Open all sections" onPress={() => put('open')}>
      Open all sections
    </Button>
  );
}

function SoldNotice() {
  return <Notice tone="info">It is sold: changes here no longer go anywhere.</Notice>;
}
