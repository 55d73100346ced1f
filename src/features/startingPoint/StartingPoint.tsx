import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';

import type { PublicListing } from '@/contract/publicListing';
import { listingNumberIn } from '@/core/bringIn/startingPoint';
import { SavedAside } from '@/parts/trade/SavedAside';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { publicListings } from '@/store/research/publicListings';

import { CopyFrom } from './CopyFrom';
import { Offered } from './Offered';

/** Somebody else's public listing as a starting point: found by words or number, copied as chosen. */
export function StartingPoint() {
  const { item: id = '' } = useLocalSearchParams<{ item?: string }>();
  const item = useAttic((s) => s.items[id]);
  const markets = useCourier((s) => s.markets).filter((m) => m.browsable && m.link !== 'off');
  const [market, setMarket] = useState<string | null>(null);
  const [words, setWords] = useState(item?.title ?? '');
  const [number, setNumber] = useState('');
  const [found, setFound] = useState<readonly PublicListing[] | null>(null);
  const [chosen, setChosen] = useState<PublicListing | null>(null);
  const { busy, trouble, run } = useAsyncAction();
  const place = markets.find((m) => m.id === market) ?? markets[0];
  const look = () =>
    run(async () => {
      if (!place) return;
      const wanted = listingNumberIn(number);
      setChosen(null);
      setFound(null);
      setFound(await publicListings(place.id, wanted === '' ? { words } : { number: wanted }));
    });
  return (
    <Page
      title="Another’s listing"
      back={item ? `/item/${item.id}` : '/intake'}
      aside={<SavedAside />}
      maxWidth={860}
    >
      <Card label="Look for a listing">
        <Text tone="soft">
          Somebody lists the same already? Take over what it is; their words and pictures stay theirs.
        </Text>
        {markets.length === 0 ? (
          <Notice tone="info">No marketplace that is connected can be looked through.</Notice>
        ) : null}
        {markets.length > 1 ? (
          <ChipRow label="Where to look">
            {markets.map((m) => (
              <Chip key={m.id} on={m.id === place?.id} onPress={() => setMarket(m.id)}>
                {m.name}
              </Chip>
            ))}
          </ChipRow>
        ) : null}
        <Field label="Words" value={words} maxLength={200} onChange={setWords} />
        <Field label="Or its number or address there" value={number} maxLength={2_000} onChange={setNumber} />
        <Button
          icon="search"
          disabled={busy || !place || (words.trim() === '' && number.trim() === '')}
          onPress={look}
        >
          {busy ? 'Looking…' : `Look on ${place?.name ?? 'a marketplace'}`}
        </Button>
        {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
        {found?.length === 0 ? (
          <Text role="status">
            {number.trim() === ''
              ? 'Nothing with these words is offered there.'
              : 'Nothing has that number there.'}
          </Text>
        ) : null}
      </Card>
      {chosen ? (
        <CopyFrom key={chosen.number} listing={chosen} item={item} onBack={() => setChosen(null)} />
      ) : (
        <Offered listings={found ?? []} onChoose={setChosen} />
      )}
    </Page>
  );
}
