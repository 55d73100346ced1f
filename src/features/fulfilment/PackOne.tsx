import { useState } from 'react';
import { ScrollView, View } from 'react-native';

import type { Item } from '@/contract/records';
import { formatLength } from '@/core/measure/units';
import { formatMoney } from '@/core/money/money';
import { postBy, type OrderRow } from '@/core/orders/orders';
import { judgeWeight, promised } from '@/core/orders/packing';
import { termsFor } from '@/core/terms/terms';
import { PictureView } from '@/parts/trade/PictureView';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, dayWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useMarketName } from '@/store/courier/useMarketName';
import { packed } from '@/store/fulfilment/orders';
import { useKinds } from '@/store/items/kinds';
import { nameOr } from '@/store/items/names';

interface Props {
  row: OrderRow;
  /** What the same buyer bought beside it, not posted yet. */
  beside: readonly OrderRow[];
}

/** One to pack: what was promised with it, and what it weighs. */
export function PackOne({ row, beside }: Props) {
  const items = useAttic((s) => s.items);
  const item = items[row.itemId];
  const records = useAttic((s) => s.terms);
  const kinds = useKinds();
  const market = useMarketName();
  const [grams, setGrams] = useState('');
  const weighed = /^\d{1,6}$/u.test(grams.trim()) ? Number(grams) : null;
  const says = weighed === null ? null : judgeWeight(weighed, item?.weightG ?? null);
  const name = nameOr(item, 'Something not in this attic');
  const terms = item ? termsFor(item, row.sale.market, Object.values(records), kinds) : null;
  const by = postBy(row.sale, terms?.handlingDays ?? 2);
  return (
    <Card label={`Pack ${name}`}>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Text variant="strong" numberOfLines={2}>{`Pack ${name}`}</Text>
          <Text variant="small" tone="soft" figures>
            {`${market(row.sale.market)} · sold ${agoWords(row.sale.at)} · to be posted by ${dayWords(by)}`}
          </Text>
        </View>
      </View>
      {item ? <AtHand item={item} row={row} /> : null}
      {beside.length > 0 ? (
        <Text>
          {`Goes to the same buyer: ${beside.map((r) => nameOr(items[r.itemId], r.sale.order)).join(', ')}.`}
        </Text>
      ) : null}
      {item?.parcel ? (
        <Text figures>
          {'Box: ' +
            `${[item.parcel.lengthMm, item.parcel.widthMm, item.parcel.heightMm]
              .map((mm) => (mm ? mm / 10 : '?'))
              .join(' × ')} ` +
            'cm'}
        </Text>
      ) : null}
      {(item ? promised(item) : []).map((line) => (
        <Text key={line}>{line}</Text>
      ))}
      <Field
        label="Weight as packed"
        unit="g"
        keyboard="number-pad"
        figures
        value={grams}
        pause={0}
        hint={item?.weightG ? `Recorded: ${item.weightG} g` : 'Nobody recorded what it weighs packed.'}
        refuse={(text) =>
          text.trim() === '' || /^\d{1,6}$/u.test(text.trim()) ? null : 'Whole grams, in figures.'
        }
        onChange={setGrams}
      />
      {says?.is === 'lighter' || says?.is === 'heavier' ? (
        <Notice tone="caution">
          {`${says.byG} g ${says.is} than recorded: ` +
            `${says.is === 'lighter' ? 'is something missing?' : 'is it the right one?'}`}
        </Notice>
      ) : says?.is === 'asExpected' ? (
        <Notice tone="good">The weight is as recorded.</Notice>
      ) : null}
      <Button
        variant="main"
        icon="parcel"
        label={`Packed: ${name}`}
        disabled={weighed === null && !item?.weightG}
        onPress={() => packed(row, weighed)}
      >
        {weighed === null ? 'Packed, weight as recorded' : 'Packed'}
      </Button>
    </Card>
  );
}

/** What packing needs, without the item’s sheet: all pictures, where it lay, its measures, who gets it. */
function AtHand({ item, row }: { item: Item; row: OrderRow }) {
  const { currency, units } = useAttic((s) => s.settings);
  const kinds = useKinds();
  const address = row.record?.address;
  // What tells it from its look-alikes with a tape in hand.
  const measures = kinds.measures(item.kind).flatMap(({ id, name }) => {
    const mm = item.measurements[id];
    return mm === undefined ? [] : [`${name.toLocaleLowerCase('en')} ${formatLength(mm, units)}`];
  });
  return (
    <>
      <ScrollView horizontal role="group" aria-label={`Pictures of ${item.code}`} tabIndex={0}>
        {item.pictureIds.map((id, i) => (
          <PictureView
            key={id}
            id={id}
            alt={`Picture ${i + 1}`}
            style={{ width: 96, height: 96, marginRight: 8 }}
          />
        ))}
      </ScrollView>
      <Text variant="small" figures>
        {[item.code, item.spot, formatMoney(row.sale.amount, currency)].filter(Boolean).join(' · ')}
      </Text>
      {measures.length > 0 ? (
        <Text variant="small" figures>
          {measures.join(', ')}
        </Text>
      ) : null}
      {address ? <Text>{[address.name, ...address.lines].join(', ')}</Text> : null}
    </>
  );
}
