import { useState } from 'react';
import { View } from 'react-native';

import { SPLITS, type Haul } from '@/contract/records';
import { haulSplit, haulItems } from '@/core/hauls/haul';
import { plural } from '@/core/language/plural';
import { weightOf } from '@/core/listing/effective';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { editHaul, spreadCost } from '@/store/items/hauls';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';

const SPLIT_WORDS = { evenly: 'Evenly', weight: 'By weight', price: 'By expected price' } as const;

const costs = (n: number) => plural(n, 'one cost', `${n} costs`);

/** What was paid, and how it is spread over the items. */
export function HaulCost({ haul }: { haul: Haul }) {
  const currency = useAttic((s) => s.settings.currency);
  const items = useAttic((s) => s.items);
  const kinds = useKinds();
  const [spread, setSpread] = useState<number | null>(null);
  const money = (n: number) => formatMoney(n, currency);
  const own = haulItems(haul, Object.values(items));
  const split = haulSplit(haul, own, (t) => weightOf(t, kinds));
  const changed = own.filter((t) => split && split.costs.get(t.id) !== t.cost);
  // What stands there may have been typed: it is shown, and written over only when that is meant.
  const there = changed.filter((t) => t.cost !== null);
  const open = changed.length - there.length;
  return (
    <Card label="What it cost">
      <Text variant="heading">What it cost</Text>
      <MoneyField
        label="Total paid"
        value={haul.cost}
        currency={currency}
        onChange={(cost) => editHaul(haul.id, 'cost of the haul', { cost })}
      />
      <ChipRow label="Cost split by">
        {SPLITS.map((by) => (
          <Chip
            key={by}
            on={haul.splitBy === by}
            onPress={() => editHaul(haul.id, 'how the cost is spread', { splitBy: by })}
          >
            {SPLIT_WORDS[by]}
          </Chip>
        ))}
      </ChipRow>
      {split ? (
        <>
          {own.map((t) => (
            <View key={t.id} style={{ flexDirection: 'row', gap: 8 }}>
              <Text variant="small" style={{ flex: 1 }} numberOfLines={1}>
                {nameOf(t)}
              </Text>
              <Text variant="small" figures tone={split.costs.get(t.id) === t.cost ? 'soft' : undefined}>
                {`${
                  t.cost === null || t.cost === split.costs.get(t.id) ? '' : `${money(t.cost)} → `
                }${money(split.costs.get(t.id) ?? 0)}`}
              </Text>
            </View>
          ))}
          {split.waiting > 0 ? (
            <Text variant="small" tone="soft" figures>{`Still waiting: ${money(split.waiting)}`}</Text>
          ) : null}
          {open > 0 || changed.length === 0 ? (
            <Button disabled={open === 0} onPress={() => setSpread(spreadCost(haul.id))}>
              {open === 0 ? 'These costs are in the records' : `Write ${costs(open)} into the records`}
            </Button>
          ) : null}
          {there.length > 0 ? (
            <Button variant="quiet" onPress={() => setSpread(spreadCost(haul.id, true))}>
              {`Write ${open > 0 ? 'them all, ' : ''}over ${costs(there.length)} that ` +
                `${plural(there.length, 'stands', 'stand')} there`}
            </Button>
          ) : null}
          {spread !== null && changed.length === 0 ? (
            <Text tone="good" role="status">{`Done: ${spread} changed. Undo takes all of it back.`}</Text>
          ) : null}
        </>
      ) : null}
    </Card>
  );
}
