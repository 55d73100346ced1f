import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { tookDownByHand } from '@/store/courier/sending';

import { SeeThere } from './SeeThere';
import { useAsyncAction } from './useAsyncAction';

/** It has to go from a marketplace that nobody can call: the way there, and the tick that ends it. */
export function TakeDownByHand(props: { item: string; listing: CourierListingView; name: string }) {
  const { item, listing, name } = props;
  const { run, busy, trouble } = useAsyncAction();
  // It was to be put up, and nobody ever said whether it was.
  const perhaps = listing.state === 'onItsWay';
  return (
    <View style={{ gap: 8 }}>
      <Text>
        {perhaps
          ? `You may have put it up on ${name}: is it gone? Nobody but you can look.`
          : `Take it down on ${name} yourself: nobody can call it.`}
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <SeeThere listing={listing} label={`Open it on ${name}`}>
          Open it there
        </SeeThere>
        <Button
          variant="main"
          icon="check"
          label={perhaps ? `It is not on ${name}` : `I took it down on ${name}`}
          disabled={busy}
          onPress={() => run(() => tookDownByHand(item, listing.market))}
        >
          {perhaps ? 'It is not there' : 'I took it down'}
        </Button>
      </View>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
