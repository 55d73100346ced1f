import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useExamined } from '@/store/examining';
import { useColours, useWide } from '@/theme/theme';

import { Marketplaces } from '../crosslist/Marketplaces';
import { BelongingSection } from './BelongingSection';
import { ChoicesSection } from './ChoicesSection';
import { ConditionSection } from './ConditionSection';
import { goTo } from './goTo';
import { MeasurementsSection } from './MeasurementsSection';
import { PicturesSection } from './PicturesSection';
import { PriceSection, StoreSection } from './PriceSection';
import { SheetHead } from './SheetHead';
import { WhatSection } from './WhatSection';
import { WordsSection } from './WordsSection';

/** The heart: one thing, in the order the work is done. */
export function ItemSheet() {
  const { id, at } = useLocalSearchParams<{ id: string; at?: string }>();
  const thing = useAttic((s) => s.things[id]);
  const router = useRouter();
  if (!thing)
    return (
      <View style={{ padding: 24, gap: 12 }} role="main" aria-label="Item sheet">
        <Words kind="heading">It is not in this attic</Words>
        <Words tone="soft">
          It may have been removed. If that was just now, undo is at the bottom of the page.
        </Words>
        <Press onPress={() => router.navigate('/stock')}>Go to stock</Press>
      </View>
    );
  return <Steady key={thing.id} thing={thing} at={at} />;
}

/**
 * What a machine has read, not yet confirmed, bears on nothing but its own box: the sheet keeps the thing it has
 * until something else of it changes, so that a reading does not have all of it drawn again.
 */
function Steady({ thing, at }: { thing: Thing; at: string | undefined }) {
  const [steady, setSteady] = useState(thing);
  if (steady !== thing && !sameButReadings(steady, thing)) setSteady(thing);
  return <Sheet thing={steady} at={at} />;
}

function sameButReadings(a: Thing, b: Thing): boolean {
  // Records are validated anew with every change, so their parts are never the same objects.
  const rest = (thing: Thing) => JSON.stringify({ ...thing, readings: [], updatedAt: 0 });
  return rest(a) === rest(b);
}

const Sheet = memo(function Sheet({ thing, at }: { thing: Thing; at: string | undefined }) {
  const c = useColours();
  const wide = useWide();
  const examined = useExamined(thing);
  const sale = useCourier((s) => s.things[thing.id]?.sale);
  const wanted = useMemo(() => examined.filter((e) => e.plan?.wanted), [examined]);
  // What is in sight first is there at once; what is further down follows bit by bit, keeping no tap waiting.
  const whole = useDeferredValue(true, false);
  useEffect(() => {
    if (at && whole) goTo(at);
  }, [at, whole]);

  const facts = (
    <>
      <WhatSection thing={thing} findings={wanted} />
      {whole ? (
        <>
          <ConditionSection thing={thing} findings={wanted} />
          <MeasurementsSection thing={thing} />
          <WordsSection thing={thing} findings={wanted} />
          <PriceSection thing={thing} findings={wanted} />
          <ChoicesSection thing={thing} findings={wanted} />
          <StoreSection thing={thing} findings={wanted} />
          <BelongingSection thing={thing} />
        </>
      ) : null}
    </>
  );
  const markets = whole ? <Marketplaces thing={thing} examined={examined} /> : null;
  const column = { padding: 12, gap: 12, paddingBottom: 48 };
  return (
    <View style={{ flex: 1, backgroundColor: c.ground }} role="main" aria-label="Item sheet">
      <SheetHead thing={thing} />
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row' }}>
          <ScrollView
            style={{ flexGrow: 0, flexBasis: 330 }}
            contentContainerStyle={column}
            tabIndex={0}
            aria-label="Pictures"
          >
            <PicturesSection thing={thing} findings={wanted} />
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
          aria-label="The thing"
        >
          {sale ? <SoldNotice /> : null}
          <PicturesSection thing={thing} findings={wanted} />
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
