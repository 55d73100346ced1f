import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { Item } from '@/contract/records';
import { goTo } from '@/parts/trade/goTo';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useExamined } from '@/store/courier/examining';
import { useColours, useWide } from '@/theme/theme';

import { BelongingSection } from './BelongingSection';
import { ChoicesSection } from './ChoicesSection';
import { ConditionSection } from './ConditionSection';
import { MeasurementsSection } from './MeasurementsSection';
import { PicturesSection } from './PicturesSection';
import { PriceSection, StoreSection } from './PriceSection';
import { SheetHead } from './SheetHead';
import { WhatSection } from './WhatSection';
import { WordsSection } from './WordsSection';
import { Marketplaces } from '../crosslist/Marketplaces';

/** The heart: one item, in the order the work is done. */
export function ItemSheet() {
  const { id, at } = useLocalSearchParams<{ id: string; at?: string }>();
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
  return <Steady key={item.id} item={item} at={at} />;
}

/**
 * What a machine has read, not yet confirmed, bears on nothing but its own box, and on whether there is any:
 * the sheet keeps the item it has until something else of it changes, so that a reading does not have all of
 * it drawn again.
 */
function Steady({ item, at }: { item: Item; at: string | undefined }) {
  const [steady, setSteady] = useState(item);
  if (steady !== item && !sameButReadings(steady, item)) setSteady(item);
  return <Sheet item={steady} at={at} />;
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

const Sheet = memo(function Sheet({ item, at }: { item: Item; at: string | undefined }) {
  const c = useColours();
  const wide = useWide();
  const examined = useExamined(item);
  const below = useBelow(item);
  const sale = useCourier((s) => s.items[item.id]?.sale);
  const wanted = useMemo(() => examined.filter((e) => e.plan?.wanted), [examined]);
  // What is in sight first is there at once; what is further down follows bit by bit, keeping no tap waiting.
  const whole = useDeferredValue(true, false);
  useEffect(() => {
    if (at && whole) goTo(at);
  }, [at, whole]);

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
  const column = { padding: 12, gap: 12, paddingBottom: 48 };
  return (
    <View style={{ flex: 1, backgroundColor: c.ground }} role="main" aria-label="Item sheet">
      <SheetHead item={item} />
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row' }}>
          <ScrollView
            style={{ flexGrow: 0, flexBasis: 330 }}
            contentContainerStyle={column}
            tabIndex={0}
            aria-label="Pictures"
          >
            <PicturesSection item={item} findings={wanted} />
          </ScrollView>
          <ScrollView
            style={{ flex: 1, minWidth: 360 }}
            contentContainerStyle={column}
            tabIndex={0}
            aria-label="Facts"
          >
            {sale ? <SoldNotice /> : null}
            {facts}
          </ScrollView>
          <ScrollView
            style={{ flexGrow: 0, flexBasis: 410 }}
            contentContainerStyle={column}
            tabIndex={0}
            aria-label="Marketplaces"
          >
            {markets}
          </ScrollView>
        </View>
      ) : (
        <ScrollView
          style={{ flex: 1 }}
          contentContainerStyle={column}
          keyboardShouldPersistTaps="handled"
          tabIndex={0}
          aria-label="The item"
        >
          {sale ? <SoldNotice /> : null}
          <PicturesSection item={item} findings={wanted} />
          {facts}
          {markets}
        </ScrollView>
      )}
    </View>
  );
});

function SoldNotice() {
  return <Notice tone="info">It is sold: changes here no longer go anywhere.</Notice>;
}
