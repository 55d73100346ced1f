import { useState } from 'react';
import { View } from 'react-native';

import { variationSold } from '@/core/choices/choices';
import { isAway } from '@/core/depot/depot';
import { type OrderRow } from '@/core/orders/orders';
import { judgeScan, lookAlikes, type Scanned } from '@/core/orders/picking';
import { CallBack } from '@/parts/trade/CallBack';
import { PictureView } from '@/parts/trade/PictureView';
import { ScanField } from '@/parts/trade/ScanField';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { fetched } from '@/store/fulfilment/orders';
import { nameOf, nameOr } from '@/store/items/names';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

/** One to fetch: where it stands, what looks like it, and its code to be sure. */
export function FetchOne({ row }: { row: OrderRow }) {
  const c = useColours();
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const item = items[row.itemId];
  const [text, setText] = useState('');
  const [said, setSaid] = useState<Scanned | null>(null);
  const piece = variationSold(item?.choices, row.sale);
  const name = nameOr(item, 'Something not in this attic');
  const alike = item ? lookAlikes(item, Object.values(items), (id) => views[id]?.sale != null) : [];
  const check = (typed: string) => {
    if (!item) return;
    setText(typed);
    const judged = judgeScan(typed, item, Object.values(items), piece?.code);
    setSaid(judged);
    if (judged.is === 'right') fetched(row);
  };
  return (
    <View
      role="group"
      aria-label={`Fetch ${name}${piece ? `, ${piece.values.join(', ')}` : ''}`}
      style={{ borderTopWidth: 1, borderColor: c.line, paddingTop: 10, gap: 8 }}
    >
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 84, height: 84 }} />
        <View style={{ flex: 1, gap: 2 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
            <Icon name="spot" colour={c.slate} />
            <Text variant="heading" figures>
              {item?.spot || 'No spot recorded'}
            </Text>
          </View>
          <Text numberOfLines={2}>{name}</Text>
          <Text variant="strong" figures>
            {piece ? `${piece.code} · ${piece.values.join(', ')}` : (item?.code ?? row.sale.order)}
          </Text>
        </View>
      </View>
      {alike.length > 0 ? (
        <Notice tone="caution">
          {'It has a look-alike: ' +
            `${alike.map((t) => `${t.code}${t.spot ? ` on ${t.spot}` : ''}`).join(', ')}.`}
        </Notice>
      ) : null}
      {item && isAway(item) ? (
        <CallBack item={item} />
      ) : item ? (
        <ScanField label={`Code on ${item.code}`} onText={check} />
      ) : (
        <Button onPress={() => fetched(row)}>Picked</Button>
      )}
      {said?.is === 'another' ? (
        <Notice tone="trouble">
          {`That is ${said.item.code}, ` +
            `${nameOf(said.item)}${said.item.spot ? ` from ${said.item.spot}` : ''}. This order is ` +
            `for ${piece?.code ?? item?.code}: put it back.`}
        </Notice>
      ) : said?.is === 'unknown' ? (
        <Notice tone="trouble">
          {`No item here has the code “${text.trim()}”. Look at the label again.`}
        </Notice>
      ) : null}
    </View>
  );
}
