import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { tookDownByHand } from '@/store/sending';

import { useDo } from '../shell/useDo';

/** It has to go from a marketplace that nobody can call: the way there, and the tick that ends it. */
export function TakeDownByHand(props: { thing: string; listing: CourierListingView; name: string }) {
  const { thing, listing, name } = props;
  const { run, busy, trouble } = useDo();
  return (
    <View style={{ gap: 8 }}>
      <Words>{`Take it down on ${name} yourself: nobody can call it.`}</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {listing.url ? (
          <Press
            icon="outside"
            label={`Open it on ${name}`}
            onPress={() => window.open(listing.url ?? '', '_blank', 'noopener')}
          >
            Open it there
          </Press>
        ) : null}
        <Press
          kind="main"
          icon="check"
          label={`I took it down on ${name}`}
          disabled={busy}
          onPress={() => run(() => tookDownByHand(thing, listing.market))}
        >
          I took it down
        </Press>
      </View>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
