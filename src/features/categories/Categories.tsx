import { useRouter } from 'expo-router';
import { useState } from 'react';

import { plural } from '@/core/language/plural';
import { SavedAside } from '@/parts/trade/SavedAside';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';

import { Decided } from './Decided';
import { Doubtful } from './Doubtful';
import { Sure } from './Sure';
import { keyOf, useThere, type There } from './useThere';

/** Where everything that is chosen goes, each kind decided once a marketplace. */
export function Categories() {
  const router = useRouter();
  const { list, there } = useThere();
  // What is asked stays where it is once it is answered: an answer can be put right.
  const [asked, setAsked] = useState<ReadonlySet<string>>(() => new Set());
  const doubtful = there.filter((t) => t.state === 'doubtful' || asked.has(keyOf(t)));
  const sure = there.filter((t) => t.state === 'sure' && !asked.has(keyOf(t)));
  const decided = there.filter((t) => t.state === 'decided' && !asked.has(keyOf(t)));
  const ask = (one: There) => setAsked((before) => new Set(before).add(keyOf(one)));
  const unnamed = list.filter((item) => item.kind === '');
  return (
    <Page
      title={plural(list.length, 'Categories of one item', `Categories of ${list.length} items`)}
      maxWidth={1400}
      back="/stock"
      aside={<SavedAside />}
    >
      {list.length === 0 ? (
        <Card>
          <Text variant="heading">Nothing is chosen</Text>
          <Text tone="soft">Select items in stock, or bring in what is listed: both lead here.</Text>
          <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
        </Card>
      ) : null}
      {unnamed.length > 0 ? (
        <Card>
          <Text>
            {plural(
              unnamed.length,
              'Of one item the kind is not said: without it no category can be told.',
              `Of ${unnamed.length} items the kind is not said: without it no category can be told.`,
            )}
          </Text>
          <Button icon="write" onPress={() => router.navigate('/many')}>
            Say what they are
          </Button>
        </Card>
      ) : null}
      {list.length > unnamed.length && there.length === 0 ? (
        <Text tone="soft">None of the marketplaces they are wanted on files things by category.</Text>
      ) : null}
      {sure.length > 0 ? <Sure there={sure} onAsk={ask} /> : null}
      {doubtful.length > 0 ? <Doubtful list={list} there={doubtful} onAnswered={ask} /> : null}
      {decided.length > 0 ? <Decided there={decided} onAsk={ask} /> : null}
    </Page>
  );
}
