import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { isAway } from '@/core/depot/depot';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useCourier } from '@/store/courier/courierLink';
import { backFromDepot, callBack } from '@/store/courier/depot';
import { enqueue } from '@/store/courier/sendQueue';
import { useMarketName } from '@/store/courier/useMarketName';
import { nameOf } from '@/store/items/names';

import { useAsyncAction } from './useAsyncAction';

/**
 * An item at a depot that is wanted here: called back, and one day here again. Nothing for items that are
 * elsewhere.
 */
export function CallBack({ item }: { item: Item }) {
  const { depot } = item;
  const view = useCourier((s) => s.items[item.id]);
  const market = useMarketName();
  const { run, busy, trouble } = useAsyncAction();
  if (!depot || !isAway(item)) return null;
  const name = nameOf(item);
  const place = `${market(depot.market)}’s depot`;
  const offered = view?.listings.some((l) => l.market === depot.market && l.want === 'live');
  if (depot.state === 'back')
    return (
      <View style={{ gap: 8 }}>
        <Text tone="soft" figures>{`Called back from ${place} ${agoWords(depot.since)}.`}</Text>
        <Button label={`${name} is here`} onPress={() => backFromDepot(item)}>
          It is here
        </Button>
      </View>
    );
  return (
    <View style={{ gap: 8 }}>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {offered ? (
        <Button
          variant="quiet"
          label={`Take ${name} down on ${market(depot.market)}`}
          onPress={() => enqueue([{ item: item.id, market: depot.market, action: 'withdraw' }])}
        >
          Take it down there
        </Button>
      ) : (
        <Button
          // A buyer waits for it: that is no small matter.
          variant={view?.sale ? 'plain' : 'quiet'}
          label={`Call ${name} back`}
          disabled={busy}
          onPress={() => run(() => callBack(item))}
        >
          {busy ? 'Calling it back…' : `Call it back from ${place}`}
        </Button>
      )}
    </View>
  );
}
