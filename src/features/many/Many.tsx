import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import { plural } from '@/core/language/plural';
import type { Target } from '@/core/stock/bulk';
import { questionsOf } from '@/core/stock/questions';
import { SavedAside } from '@/parts/trade/SavedAside';
import { toggled } from '@/parts/trade/toggled';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { useMany } from '@/store/items/many';
import { useWays } from '@/store/items/ways';
import { useWide } from '@/theme/theme';

import { BeginSeveral } from './BeginSeveral';
import { Grid } from './Grid';
import { SharedAnswers } from './SharedAnswers';
import { SideBySide } from './SideBySide';
import { Strip } from './Strip';

const How = z.enum(['each', 'table']);

/** Several items filled in together: what they share once, then only what differs. */
export function Many() {
  const wide = useWide();
  const router = useRouter();
  const ids = useMany((s) => s.ids);
  const items = useAttic((s) => s.items);
  const forms = useAttic((s) => s.forms);
  const ways = useWays();
  const list = useMemo(() => ids.flatMap((id) => items[id] ?? []), [ids, items]);
  const questions = useMemo(() => questionsOf(list, ways, Object.values(forms)), [list, ways, forms]);
  const [picked, setPicked] = useState<ReadonlySet<Target> | null>(null);
  const [picking, setPicking] = useState(false);
  const [how, setHow] = useDraft('many-how', How, 'table');
  const Filling = wide ? (how === 'table' ? Grid : SideBySide) : Strip;
  const asked = useMemo(
    () => questions.filter((q) => (picked ? picked.has(q.target) : q.usual)),
    [questions, picked],
  );
  const toggle = (target: Target) => setPicked(toggled(new Set(asked.map((q) => q.target)), target));
  const title = plural(list.length, 'Fill in one item', `Fill in ${list.length} items`);
  return (
    <Page title={title} maxWidth={1600} back="/stock" aside={<SavedAside />}>
      {list.length === 0 ? (
        <>
          <Card>
            <Text variant="heading">Nothing is chosen</Text>
            <Text tone="soft">Select items in stock, or go to a haul: both lead here.</Text>
            <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
          </Card>
          <BeginSeveral />
        </>
      ) : (
        <>
          <SharedAnswers list={list} questions={asked} ways={ways} />
          <View role="group" aria-label="What is asked" style={{ gap: 8, alignItems: 'flex-start' }}>
            <Button variant="quiet" onPress={() => setPicking(!picking)}>
              {picking ? 'These are the questions' : `${asked.length} questions: choose which`}
            </Button>
            {picking ? (
              <ChipRow label="Questions asked" radio={false}>
                {questions.map((q) => (
                  <Chip
                    key={q.target}
                    role="checkbox"
                    on={asked.includes(q)}
                    label={`Ask: ${q.label}`}
                    onPress={() => toggle(q.target)}
                  >
                    {q.label}
                  </Chip>
                ))}
              </ChipRow>
            ) : null}
          </View>
          {wide ? (
            <OneOf
              label="How they are filled in"
              options={[
                ['each', 'One beside the other'],
                ['table', 'In a table'],
              ]}
              value={how}
              onChoose={setHow}
            />
          ) : null}
          <Filling list={list} questions={asked} ways={ways} />
        </>
      )}
    </Page>
  );
}
