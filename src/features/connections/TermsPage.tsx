import { useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { z } from 'zod';

import { NoSuchMarket } from '@/parts/trade/NoSuchMarket';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { addTerms } from '@/store/items/terms';

import { ChangedHere } from './ChangedHere';
import { TermsEditor } from './TermsEditor';

const Opened = z.string().max(60).nullable();

/** A marketplace's terms: several, one of them the default, chosen by owner, haul or kind. */
export function TermsPage() {
  const { market = '' } = useLocalSearchParams<{ market?: string }>();
  const name = useCourier((s) => s.markets.find((m) => m.id === market)?.name ?? market);
  const terms = useAttic((s) => s.terms);
  // Which are being changed outlives a reload; what is set in them is kept as it is set.
  const [open, setOpen] = useDraft(`terms:${market}`, Opened, null);
  const isKnown = useCourier((s) => s.markets.some((m) => m.id === market));
  if (!isKnown) return <NoSuchMarket title="Terms" market={market} />;
  const here = Object.values(terms)
    .filter((t) => t.market === market)
    .sort((a, b) => Number(b.isDefault) - Number(a.isDefault) || a.name.localeCompare(b.name, 'en'));
  return (
    <Page title={`Terms of ${name}`} back="/connections">
      {here.length === 0 ? (
        <Text tone="soft">
          None yet: buyers pay what the carrier asks. Terms say it once: postage at home and abroad, how fast
          you post, what may come back.
        </Text>
      ) : null}
      {here.map((one) => (
        <Card key={one.id} label={`Terms ${one.name}`}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View style={{ flex: 1 }}>
              <Text variant="strong">{one.name}</Text>
              <Text variant="small" tone="soft" figures>
                {one.isDefault ? 'for everything no other terms are for' : 'only where they are chosen'}
              </Text>
            </View>
            <Button
              variant="quiet"
              label={`Change the terms ${one.name}`}
              onPress={() => setOpen(open === one.id ? null : one.id)}
            >
              {open === one.id ? 'Done' : 'Change'}
            </Button>
          </View>
          {open === one.id ? <TermsEditor terms={one} /> : null}
        </Card>
      ))}
      <Button icon="add" onPress={() => setOpen(addTerms(market))}>
        {here.length === 0 ? 'Make the usual terms' : 'Make other terms'}
      </Button>
      <ChangedHere market={market} />
    </Page>
  );
}
