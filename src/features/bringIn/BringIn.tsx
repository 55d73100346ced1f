import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { ToMany } from '@/parts/trade/ToMany';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { lookThere, useBringIn } from '@/store/courier/bringIn';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';

import { FoundItem } from './FoundItem';

/** How many found items are drawn at once; the others come when these are done. */
const SHOWN = 20;

/**
 * What is listed already, by hand or before there was an attic: found, put together, and made the attic's
 * own.
 */
export function BringIn() {
  const router = useRouter();
  const { looking, looked, groups } = useBringIn();
  const markets = useCourier((s) => s.markets);
  const { run, busy, trouble } = useAsyncAction();
  const [brought, setBrought] = useState<{ id: string; title: string }[]>([]);
  const nameOf = useMarketName();
  const byHand = markets.filter((m) => m.byHand).map((m) => m.name);
  // What did not answer, and what is not connected, may show what nobody looks after.
  const unasked = markets
    .filter((m) => !m.byHand && !looked.some((l) => l.market === m.id && l.found !== null))
    .map((m) => m.name);
  return (
    <Page title="Import listings" back="/connections">
      <Text tone="soft">
        What you listed before, or by hand, is found at each marketplace. Nothing there is changed: it gets a
        record here, and from then on a sale anywhere takes it down everywhere.
      </Text>
      <Button variant="main" icon="search" disabled={busy} onPress={() => run(lookThere)}>
        {busy ? 'Looking…' : looked.length > 0 ? 'Look again' : 'Look what is listed'}
      </Button>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {looked.length > 0 ? (
        <Card label="What was found">
          {looked.map((l) => (
            <View key={l.market} style={{ flexDirection: 'row', gap: 8 }}>
              <Text variant="strong" style={{ flex: 1 }}>
                {nameOf(l.market)}
              </Text>
              <Text tone={l.trouble ? 'trouble' : 'soft'} figures style={{ flexShrink: 1 }}>
                {l.trouble ?? (l.found ? foundWords(l.found) : 'being asked…')}
              </Text>
            </View>
          ))}
          {byHand.length > 0 ? (
            <Text variant="small" tone="soft">
              {`${byHand.join(', ')} can’t be asked: plan the item there and bring back its address.`}
            </Text>
          ) : null}
        </Card>
      ) : null}
      {brought.length > 0 ? (
        <Card label="Brought in">
          <Text variant="heading">Brought in</Text>
          <ToMany ids={brought.map((b) => b.id)} to="/categories" icon="check">
            Their categories
          </ToMany>
          {brought.map((b) => (
            <LinkRow
              key={b.id}
              words={b.title}
              more="its record"
              onPress={() => router.navigate(`/item/${b.id}`)}
            />
          ))}
        </Card>
      ) : null}
      {looked.length > 0 && !looking && groups.length === 0 ? (
        <Notice tone={unasked.length === 0 ? 'good' : 'caution'}>
          {unasked.length === 0
            ? 'Everything that is listed is looked after.'
            : `Not known of ${unasked.join(' and ')}. Everything that is listed where it was asked ` +
              'is looked after.'}
        </Notice>
      ) : null}
      {groups.slice(0, SHOWN).map((group) => (
        <FoundItem
          key={group.listings.join(' ')}
          group={group}
          onBrought={(id, title) => setBrought((b) => [...b, { id, title }])}
        />
      ))}
      {groups.length > SHOWN ? (
        <Text tone="soft" figures>
          {`${groups.length - SHOWN} more come when these are done.`}
        </Text>
      ) : null}
    </Page>
  );
}

function foundWords({ all, known }: { all: number; known: number }): string {
  const fresh = all - known;
  if (all === 0) return 'nothing listed';
  return fresh === 0 ? `all ${all} looked after` : `${fresh} of ${all} not looked after yet`;
}
