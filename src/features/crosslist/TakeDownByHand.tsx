import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { tookDownByHand } from '@/store/sending';

import { useDo } from '../shell/useDo';
import { SeeThere } from './SeeThere';

/** It has to go from a marketplace that nobody can call: the way there, and the tick that ends it. */
export function TakeDownByHand(props: { thing: string; listing: CourierListingView; name: string }) {
  const { thing, listing, name } = props;
  const { run, busy, trouble } = useDo();
  // It was to be put up, and nobody ever said whether it was.
  const perhaps = listing.state === 'onItsWay';
  return (
    <View style={{ gap: 8 }}>
      <Words>
        {perhaps
          ? `You may have put it up on ${name}: is it gone? Nobody but you can look.`
          : `Take it down on ${name} yourself: nobody can call it.`}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <SeeThere listing={listing} label={`Open it on ${name}`}>
          Open it there
        </SeeThere>
        <Press
          kind="main"
          icon="check"
          label={perhaps ? `It is not on ${name}` : `I took it down on ${name}`}
          disabled={busy}
          onPress={() => run(() => tookDownByHand(thing, listing.market))}
        >
          {perhaps ? 'It is not there' : 'I took it down'}
        </Press>
      </View>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
