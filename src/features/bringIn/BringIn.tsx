import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { LinkRow } from '@/parts/LinkRow';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { lookThere, useBringIn } from '@/store/bringIn';
import { useCourier } from '@/store/courierLink';

import { BackTo } from '../shell/BackTo';
import { useMarketName } from '../shell/useMarketName';
import { useDo } from '../shell/useDo';
import { FoundThing } from './FoundThing';

/** How many found things are drawn at once; the others come when these are done. */
const SHOWN = 20;

/** What is listed already, by hand or before there was an attic: found, put together, and made the attic's own. */
export function BringIn() {
  const router = useRouter();
  const { looking, looked, groups } = useBringIn();
  const markets = useCourier((s) => s.markets);
  const { run, busy, trouble } = useDo();
  const [brought, setBrought] = useState<{ id: string; title: string }[]>([]);
  const nameOf = useMarketName();
  const byHand = markets.filter((m) => m.byHand).map((m) => m.name);
  // What did not answer, and what is not connected, may show what nobody looks after.
  const unasked = markets
    .filter((m) => !m.byHand && !looked.some((l) => l.market === m.id && l.found !== null))
    .map((m) => m.name);
  return (
    <Page title="Bring in listings" aside={<BackTo path="/connections" />}>
      <Words tone="soft">
        What you listed before, or by hand, is found at each marketplace. Nothing there is changed: it gets a
        record here, and from then on a sale anywhere takes it down everywhere.
      </Words>
      <Press kind="main" icon="search" disabled={busy} onPress={() => run(lookThere)}>
        {busy ? 'Looking…' : looked.length > 0 ? 'Look again' : 'Look what is listed'}
      </Press>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {looked.length > 0 ? (
        <Card label="What was found">
          {looked.map((l) => (
            <View key={l.market} style={{ flexDirection: 'row', gap: 8 }}>
              <Words kind="strong" style={{ flex: 1 }}>
                {nameOf(l.market)}
              </Words>
              <Words tone={l.trouble ? 'trouble' : 'soft'} figures style={{ flexShrink: 1 }}>
                {l.trouble ?? (l.found ? foundWords(l.found) : 'being asked…')}
              </Words>
            </View>
          ))}
          {byHand.length > 0 ? (
            <Words kind="small" tone="soft">
              {`${byHand.join(', ')} can’t be asked: plan the thing there and bring back its address.`}
            </Words>
          ) : null}
        </Card>
      ) : null}
      {brought.length > 0 ? (
        <Card label="Brought in">
          <Words kind="heading">Brought in</Words>
          {brought.map((b) => (
            <LinkRow
              key={b.id}
              words={b.title}
              more="its record"
              onPress={() => router.navigate(`/thing/${b.id}`)}
            />
          ))}
        </Card>
      ) : null}
      {looked.length > 0 && !looking && groups.length === 0 ? (
        <Notice tone={unasked.length === 0 ? 'good' : 'caution'}>
          {unasked.length === 0
            ? 'Everything that is listed is looked after.'
            : `Not known of ${unasked.join(' and ')}. Everything that is listed where it was asked is looked after.`}
        </Notice>
      ) : null}
      {groups.slice(0, SHOWN).map((group) => (
        <FoundThing
          key={group.listings.join(' ')}
          group={group}
          onBrought={(id, title) => setBrought((b) => [...b, { id, title }])}
        />
      ))}
      {groups.length > SHOWN ? (
        <Words tone="soft" figures>
          {`${groups.length - SHOWN} more come when these are done.`}
        </Words>
      ) : null}
    </Page>
  );
}

function foundWords({ all, known }: { all: number; known: number }): string {
  const fresh = all - known;
  if (all === 0) return 'nothing listed';
  return fresh === 0 ? `all ${all} looked after` : `${fresh} of ${all} not looked after yet`;
}
