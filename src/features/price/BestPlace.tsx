import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { rankPlaces } from '@/core/place/best';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { placeReason } from '@/wording/price';

import { useJudged } from './useJudged';

/**
 * Where it is best offered, by what it may be expected to bring, with why. Put away until it is asked for.
 */
export function BestPlace({ item, examined }: { item: Item; examined: readonly Examined[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const judged = useJudged(item.id);
  const [open, setOpen] = useState(false);
  if (examined.length < 2) return null;
  const say = (amount: number) => formatMoney(amount, currency);
  const ranked = open ? rankPlaces(examined, judged) : [];
  return (
    <View role="group" aria-label="Where is it best" style={{ gap: 6 }}>
      <Button variant="quiet" onPress={() => setOpen(!open)}>
        {open ? 'Put that away' : 'Where is it best?'}
      </Button>
      {open ? (
        <View role="list" aria-label="Marketplaces, best first" style={{ gap: 6 }}>
          {ranked.map((place, i) => (
            <View key={place.market} role="listitem">
              <View style={{ flexDirection: 'row', gap: 8 }}>
                <Text
                  variant="strong"
                  style={{ flex: 1 }}
                  tone={place.expected === null ? 'soft' : 'ink'}
                  figures
                >
                  {place.expected === null ? place.name : `${i + 1}. ${place.name}`}
                </Text>
                {place.expected === null ? null : (
                  <Text figures>{`about ${say(place.expected)} to be expected`}</Text>
                )}
              </View>
              <Text variant="small" tone="soft" figures>
                {place.reasons.map((reason) => placeReason(reason, currency)).join('; ')}
              </Text>
            </View>
          ))}
          <Text variant="small" tone="soft">
            An estimate: what it leaves, times how many like it sold there, a little less for waiting.
            {judged.length === 0 ? ' Ask what others sold for, above, to make it a better one.' : ''}
          </Text>
        </View>
      ) : null}
    </View>
  );
}
