import { useState } from 'react';
import { View } from 'react-native';

import { LONGEST_ADDRESS, type Origin } from '@/contract/picture';
import { ORIGIN_WORDS } from '@/core/picture/origin';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { pictureAt } from '@/store/research/pictureAt';

/** Whose pictures those of a net may be. */
const WHOSE = ['copied', 'stock', 'file'] as const satisfies readonly Origin[];

/** Where a fetched picture comes from: the address, and whose it is. */
export interface FetchedFrom {
  address: string;
  origin: Origin;
}

/** A picture from an address: it is fetched by the server, and whose it is is said at once. */
export function FromAddress({ onFetched }: { onFetched: (file: File, from: FetchedFrom) => void }) {
  const [isOpen, setOpen] = useState(false);
  const [address, setAddress] = useState('');
  // Until somebody says so it is nobody's own: it is not sent on without leave.
  const [origin, setOrigin] = useState<Origin>('copied');
  const { busy, trouble, run } = useAsyncAction();
  if (!isOpen)
    return (
      <Button variant="quiet" icon="pictures" onPress={() => setOpen(true)}>
        From an address
      </Button>
    );
  const fetchIt = () =>
    run(async () => {
      const file = await pictureAt(address);
      onFetched(file, { address: file.name, origin });
      setAddress('');
    });
  return (
    <View role="group" aria-label="A picture from an address" style={{ gap: 8, width: '100%' }}>
      <Field
        label="Address of the picture"
        value={address}
        maxLength={LONGEST_ADDRESS}
        keyboard="url"
        onChange={setAddress}
      />
      <OneOf
        label="Whose it is"
        options={WHOSE.map((one) => [one, ORIGIN_WORDS[one]])}
        value={origin}
        onChoose={setOrigin}
      />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        <Button disabled={busy || address.trim() === ''} onPress={fetchIt} style={{ flexGrow: 1 }}>
          {busy ? 'Fetching it…' : 'Fetch it'}
        </Button>
        <Button variant="quiet" onPress={() => setOpen(false)}>
          Close
        </Button>
      </View>
    </View>
  );
}
