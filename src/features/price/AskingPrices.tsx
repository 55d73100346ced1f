import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { askedFor } from '@/core/listing/asking';
import type { Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { priceEverywhere } from '@/store/items/items';
import { dipWords } from '@/wording/price';

/** One number in: what it should bring. Each marketplace's own price out. */
export function AskingPrices({ item, examined }: { item: Item; examined: readonly Examined[] }) {
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
        label="Take-home wanted"
        hint="after fees, postage and packing, wherever it sells"
        value={target}
        currency={currency}
        onChange={setTarget}
      />
      {asked.map(({ sheet, price, brings, dip }) => (
        <View key={sheet.marketplace}>
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Text style={{ flex: 1 }}>{sheet.name}</Text>
            <Text variant="strong" figures>
              {price === null ? 'no price brings that' : formatMoney(price, currency)}
            </Text>
            {brings === null ? null : (
              <Text tone="soft" figures style={{ minWidth: 110, textAlign: 'right' }}>
                {`brings ${formatMoney(brings, currency)}`}
              </Text>
            )}
          </View>
          {dip ? <Notice tone="info">{dipWords(dip, currency)}</Notice> : null}
        </View>
      ))}
      {Object.keys(prices).length > 0 ? (
        <Button onPress={() => priceEverywhere(item.id, prices)}>Use these prices</Button>
      ) : null}
    </View>
  );
}
