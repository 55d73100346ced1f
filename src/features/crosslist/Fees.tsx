import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Effective } from '@/core/listing/effective';
import { formatMoney } from '@/core/money/money';
import { profitOf } from '@/core/price/profit';
import type { TakeHome } from '@/core/price/takeHome';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useColours } from '@/theme/theme';

/** Fees line by line and what is left, before anything is sent. */
export function Fees({
  item,
  takeHome,
  effective,
  currency,
}: {
  item: Item;
  takeHome: TakeHome;
  effective: Effective;
  currency: string;
}) {
  const c = useColours();
  const owner = useAttic((s) => (item.ownerId ? s.owners[item.ownerId] : undefined));
  const money = (amount: number) => formatMoney(amount, currency);
  const made = profitOf(effective.price ?? 0, takeHome.takeHome, item.cost, owner ?? null);
  const where = (label: string, amount: number | null | undefined): [string, number][] =>
    amount ? [[label, amount]] : [];
  const lines: [string, number][] = [
    ['Price', effective.price ?? 0],
    ...where('Postage the buyer pays', effective.postage),
    ...takeHome.fees.map((f): [string, number] => [f.label, -f.amount]),
    ...where('Postage', -takeHome.postageCost),
    ...where('Packaging', -takeHome.packaging),
  ];
  return (
    <View
      role="group"
      aria-label="Fees and take-home"
      style={{ borderTopWidth: 1, borderColor: c.line, paddingTop: 6, gap: 1 }}
    >
      {lines.map(([label, amount]) => (
        <View key={label} style={{ flexDirection: 'row' }}>
          <Text variant="small" tone="soft" style={{ flex: 1 }}>
            {label}
          </Text>
          <Text variant="small" tone="soft" figures>
            {money(amount)}
          </Text>
        </View>
      ))}
      <View style={{ flexDirection: 'row' }}>
        <Text variant="strong" style={{ flex: 1 }}>
          Take-home
        </Text>
        <Text variant="strong" figures tone={takeHome.takeHome < 0 ? 'trouble' : 'ink'}>
          {money(takeHome.takeHome)}
        </Text>
      </View>
      {owner ? (
        <View style={{ flexDirection: 'row' }}>
          <Text variant="small" tone="soft" style={{ flex: 1 }}>{`${owner.name}’s share`}</Text>
          <Text variant="small" tone="soft" figures>
            {money(0 - made.consignor)}
          </Text>
        </View>
      ) : null}
      {made.profit === null ? null : (
        <View style={{ flexDirection: 'row' }}>
          <Text variant="small" tone="soft" style={{ flex: 1 }}>
            Left after its cost
          </Text>
          <Text variant="small" tone={made.profit < 0 ? 'trouble' : 'soft'} figures>
            {money(made.profit)}
          </Text>
        </View>
      )}
      {made.timesCost === null ? null : (
        <Text variant="small" tone="soft" figures>
          {`The price is ${made.timesCost.toFixed(1)} times what it cost.`}
        </Text>
      )}
    </View>
  );
}
