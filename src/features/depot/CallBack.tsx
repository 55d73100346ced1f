import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { isAway } from '@/core/depot/depot';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useCourier } from '@/store/courierLink';
import { backFromDepot, callBack } from '@/store/depot';
import { enqueue } from '@/store/sendQueue';
import { nameOf } from '@/store/names';

import { agoWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useMarketName } from '../shell/useMarketName';

/** A thing at a depot that is wanted here: called back, and one day here again. Nothing for things that are elsewhere. */
export function CallBack({ thing }: { thing: Thing }) {
  const { depot } = thing;
  const view = useCourier((s) => s.things[thing.id]);
  const market = useMarketName();
  const { run, busy, trouble } = useDo();
  if (!depot || !isAway(thing)) return null;
  const name = nameOf(thing);
  const place = `${market(depot.market)}’s depot`;
  const offered = view?.listings.some((l) => l.market === depot.market && l.want === 'live');
  if (depot.state === 'back')
    return (
      <View style={{ gap: 8 }}>
        <Words tone="soft" figures>{`Called back from ${place} ${agoWords(depot.since)}.`}</Words>
        <Press label={`${name} is here`} onPress={() => backFromDepot(thing)}>
          It is here
        </Press>
      </View>
    );
  return (
    <View style={{ gap: 8 }}>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {offered ? (
        <Press
          kind="quiet"
          label={`Take ${name} down on ${market(depot.market)}`}
          onPress={() => enqueue([{ thing: thing.id, market: depot.market, action: 'withdraw' }])}
        >
          Take it down there
        </Press>
      ) : (
        <Press
          // A buyer waits for it: that is no small matter.
          kind={view?.sale ? 'plain' : 'quiet'}
          label={`Call ${name} back`}
          disabled={busy}
          onPress={() => run(() => callBack(thing))}
        >
          {busy ? 'Calling it back…' : `Call it back from ${place}`}
        </Press>
      )}
    </View>
  );
}
