import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { plural } from '@/core/language/plural';
import { OVER, SOLD_AT, type Over, type WriteWish } from '@/core/stock/write';
import { MoneyField } from '@/parts/trade/MoneyField';
import { SavedAside } from '@/parts/trade/SavedAside';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useMany } from '@/store/items/many';
import { useSoughtOf } from '@/store/research/searchDemand';
import { SOLD_AT_WORDS } from '@/wording/write';

import { AskForAll } from './AskForAll';
import { WouldWrite } from './WouldWrite';

const OVER_WORDS: Readonly<Record<Over, string>> = {
  empty: 'Where nothing stands',
  untouched: 'Also what the facts wrote before',
  all: 'My own words, too',
};
const TEXTS = [
  ['titles', 'Titles'],
  ['descriptions', 'Descriptions'],
  ['tags', 'Tags and search words'],
] as const;

/** Titles, tags, descriptions and prices of all chosen, shown with their reasons before they are written. */
export function WriteMany() {
  const router = useRouter();
  const ids = useMany((s) => s.ids);
  const items = useAttic((s) => s.items);
  const list = useMemo(() => ids.flatMap((id) => items[id] ?? []), [ids, items]);
  const isAsked = useSoughtOf(useMemo(() => [...new Set(list.map((t) => t.kind))], [list]));
  const { only = '' } = useLocalSearchParams<{ only?: string }>();
  const [wish, setWish] = useState<WriteWish>(only === 'prices' ? ONLY_PRICES : USUAL);
  const title = plural(list.length, 'Write for one item', `Write for ${list.length} items`);
  return (
    <Page title={title} maxWidth={1000} back="/stock" aside={<SavedAside />}>
      {list.length === 0 ? (
        <Card>
          <Text variant="heading">Nothing is chosen</Text>
          <Text tone="soft">Select items in stock, or confirm what pictures of several say.</Text>
          <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
        </Card>
      ) : (
        <>
          <Wishes wish={wish} onChange={setWish} />
          {wish.price?.by === 'sold' ? <AskForAll list={list} /> : null}
          <WouldWrite list={list} wish={wish} isAsked={isAsked} />
        </>
      )}
    </Page>
  );
}

const USUAL: WriteWish = {
  titles: true,
  descriptions: true,
  tags: true,
  over: 'untouched',
  price: null,
  priceAgain: false,
};

const ONLY_PRICES: WriteWish = {
  ...USUAL,
  titles: false,
  descriptions: false,
  tags: false,
  price: { by: 'sold', at: 'typical' },
};

function Wishes({ wish, onChange }: { wish: WriteWish; onChange: (wish: WriteWish) => void }) {
  const currency = useAttic((s) => s.settings.currency);
  const set = (part: Partial<WriteWish>) => onChange({ ...wish, ...part });
  const { price } = wish;
  return (
    <Card label="What is written">
      <Text variant="heading">What is written</Text>
      <ChipRow label="Words from the facts" radio={false}>
        {TEXTS.map(([id, words]) => (
          <Chip key={id} role="checkbox" on={wish[id]} onPress={() => set({ [id]: !wish[id] })}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      <OneOf
        label="Over what stands there"
        options={OVER.map((id) => [id, OVER_WORDS[id]] as const)}
        value={wish.over}
        onChoose={(over) => set({ over })}
      />
      <OneOf
        label="Prices"
        options={[
          ['none', 'As they are'],
          ['takeHome', 'From a take-home'],
          ['sold', 'From what others sold for'],
        ]}
        value={price?.by ?? 'none'}
        onChoose={(by) =>
          set({
            price:
              by === 'none' ? null : by === 'sold' ? { by, at: 'typical' } : { by: 'takeHome', target: 0 },
          })
        }
      />
      {price ? (
        <ChipRow label="Which prices" radio={false}>
          <Chip role="checkbox" on={wish.priceAgain} onPress={() => set({ priceAgain: !wish.priceAgain })}>
            Also where one stands
          </Chip>
        </ChipRow>
      ) : null}
      {price?.by === 'takeHome' ? (
        <MoneyField
          label="Take-home wanted of each"
          hint="after fees, postage and packing, wherever it sells"
          value={price.target === 0 ? null : price.target}
          currency={currency}
          onChange={(target) => set({ price: { by: 'takeHome', target: target ?? 0 } })}
        />
      ) : null}
      {price?.by === 'sold' ? (
        <OneOf
          label="Which of their prices"
          options={SOLD_AT.map((at) => [at, SOLD_AT_WORDS[at]] as const)}
          value={price.at}
          onChoose={(at) => set({ price: { by: 'sold', at } })}
        />
      ) : null}
    </Card>
  );
}
