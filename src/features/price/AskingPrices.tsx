import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { askedFor } from '@/core/listing/asking';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/MoneyField';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import type { Examined } from '@/core/listing/examine';
import { priceEverywhere } from '@/store/things';

/** One number in: what it should bring. Each marketplace's own price out. */
export function AskingPrices({ thing, examined }: { thing: Thing; examined: readonly Examined[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const endings = useAttic((s) => s.settings.priceEndings);
  const [target, setTarget] = useState<number | null>(null);
  if (examined.length === 0) return null;
  const asked = target === null ? [] : askedFor(target, examined, endings);
  const prices = Object.fromEntries(
    asked.flatMap((a) => (a.price === null ? [] : [[a.sheet.marketplace, a.price]])),
  );
  return (
    <View role="group" aria-label="Prices from a take-home" style={{ gap: 6 }}>
      <MoneyField
        label="What it should bring you"
        hint="after fees, postage and packing, wherever it sells"
        value={target}
        currency={currency}
        onChange={setTarget}
      />
      {asked.map(({ sheet, price, brings, dip }) => (
        <View key={sheet.marketplace}>
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Words style={{ flex: 1 }}>{sheet.name}</Words>
            <Words kind="strong" figures>
              {price === null ? 'no price brings that' : formatMoney(price, currency)}
            </Words>
            {brings === null ? null : (
              <Words tone="soft" figures style={{ minWidth: 110, textAlign: 'right' }}>
                {`brings ${formatMoney(brings, currency)}`}
              </Words>
            )}
          </View>
          {dip ? <Notice tone="info">{dip}</Notice> : null}
        </View>
      ))}
      {Object.keys(prices).length > 0 ? (
        <Press onPress={() => priceEverywhere(thing.id, prices)}>Ask these prices</Press>
      ) : null}
    </View>
  );
}
