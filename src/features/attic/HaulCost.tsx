import { useState } from 'react';
import { View } from 'react-native';

import { SPLITS, type Haul } from '@/contract/records';
import { haulSplit, haulThings } from '@/core/hauls/haul';
import { weightOf } from '@/core/listing/effective';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/MoneyField';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { editHaul, spreadCost } from '@/store/hauls';
import { useKinds } from '@/store/kinds';
import { nameOf } from '@/store/names';

import { useSales } from '../sales/useSales';
import { useUnheard } from '../shell/Calm';

const SPLIT_WORDS = { evenly: 'Evenly', weight: 'By weight', price: 'By expected price' } as const;

const costs = (n: number) => (n === 1 ? 'one cost' : `${n} costs`);

/** What was paid, how it is spread over the things, and what they have brought home. */
export function HaulCost({ haul }: { haul: Haul }) {
  const currency = useAttic((s) => s.settings.currency);
  const things = useAttic((s) => s.things);
  const why = useUnheard();
  const kinds = useKinds();
  const sales = useSales();
  const [spread, setSpread] = useState<number | null>(null);
  const money = (n: number) => formatMoney(n, currency);
  const own = haulThings(haul, Object.values(things));
  const split = haulSplit(haul, own, (t) => weightOf(t, kinds));
  const changed = own.filter((t) => split && split.costs.get(t.id) !== t.cost);
  // What stands there may have been typed: it is shown, and written over only when that is meant.
  const there = changed.filter((t) => t.cost !== null);
  const open = changed.length - there.length;
  const sold = sales.filter((s) => things[s.thingId]?.haulId === haul.id);
  const returned = sold.reduce((sum, s) => sum + (s.takeHome?.takeHome ?? s.sale.amount), 0);
  return (
    <Card label="Cost and return">
      <Words kind="heading">Cost and return</Words>
      <MoneyField
        label="Paid for all of it"
        value={haul.cost}
        currency={currency}
        onChange={(cost) => editHaul(haul.id, 'cost of the haul', { cost })}
      />
      <ChipRow label="How it is spread">
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
              <Words kind="small" style={{ flex: 1 }} numberOfLines={1}>
                {nameOf(t)}
              </Words>
              <Words kind="small" figures tone={split.costs.get(t.id) === t.cost ? 'soft' : undefined}>
                {`${t.cost === null || t.cost === split.costs.get(t.id) ? '' : `${money(t.cost)} → `}${money(split.costs.get(t.id) ?? 0)}`}
              </Words>
            </View>
          ))}
          {split.waiting > 0 ? (
            <Words kind="small" tone="soft" figures>{`Still waiting: ${money(split.waiting)}`}</Words>
          ) : null}
          {open > 0 || changed.length === 0 ? (
            <Press disabled={open === 0} onPress={() => setSpread(spreadCost(haul.id))}>
              {open === 0 ? 'These costs are in the records' : `Write ${costs(open)} into the records`}
            </Press>
          ) : null}
          {there.length > 0 ? (
            <Press kind="quiet" onPress={() => setSpread(spreadCost(haul.id, true))}>
              {`Write ${open > 0 ? 'them all, ' : ''}over ${costs(there.length)} that ${there.length === 1 ? 'stands' : 'stand'} there`}
            </Press>
          ) : null}
          {spread !== null && changed.length === 0 ? (
            <Words tone="good" role="status">{`Done: ${spread} changed. Undo takes all of it back.`}</Words>
          ) : null}
        </>
      ) : null}
      <Notice tone="info">
        {sold.length === 0
          ? (why ?? 'Nothing of it is sold yet.')
          : `${sold.length} sold so far, ${money(returned)} brought home${haul.cost ? `, ${Math.round((100 * returned) / haul.cost)} % of what it cost` : ''}.`}
      </Notice>
    </Card>
  );
}
