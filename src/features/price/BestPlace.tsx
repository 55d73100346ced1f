import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { rankPlaces } from '@/core/place/best';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';

import { useJudged } from './useJudged';

/** Where it is best offered, by what it may be expected to bring, with why. Put away until it is asked for. */
export function BestPlace({ thing, examined }: { thing: Thing; examined: readonly Examined[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const judged = useJudged(thing.id);
  const [open, setOpen] = useState(false);
  if (examined.length < 2) return null;
  const say = (amount: number) => formatMoney(amount, currency);
  const ranked = open ? rankPlaces(examined, judged, say) : [];
  return (
    <View role="group" aria-label="Where is it best" style={{ gap: 6 }}>
      <Press kind="quiet" onPress={() => setOpen(!open)}>
        {open ? 'Put that away' : 'Where is it best?'}
      </Press>
      {open ? (
        <View role="list" aria-label="Marketplaces, best first" style={{ gap: 6 }}>
          {ranked.map((place, i) => (
            <View key={place.market} role="listitem">
              <View style={{ flexDirection: 'row', gap: 8 }}>
                <Words kind="strong" style={{ flex: 1 }} tone={place.expected === null ? 'soft' : 'ink'} figures>
                  {place.expected === null ? place.name : `${i + 1}. ${place.name}`}
                </Words>
                {place.expected === null ? null : (
                  <Words figures>{`about ${say(place.expected)} to be expected`}</Words>
                )}
              </View>
              <Words kind="small" tone="soft" figures>
                {place.reasons.join('; ')}
              </Words>
            </View>
          ))}
          <Words kind="small" tone="soft">
            An estimate: what it leaves, times how many like it sold there, a little less for waiting.
            {judged.length === 0 ? ' Ask what others sold for, above, to make it a better one.' : ''}
          </Words>
        </View>
      ) : null}
    </View>
  );
} // prettier-ignore
