import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Target } from '@/core/stock/bulk';
import { questionsOf } from '@/core/stock/questions';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useMany } from '@/store/many';
import { useWays } from '@/store/ways';
import { useWide } from '@/theme/theme';

import { BackTo } from '../shell/BackTo';
import { SavedWords } from '../shell/SavedWords';
import { UndoPress } from '../shell/UndoPress';
import { Grid } from './Grid';
import { SharedAnswers } from './SharedAnswers';
import { Strip } from './Strip';

/** Several things filled in together: what they share once, then only what differs. */
export function Many() {
  const wide = useWide();
  const router = useRouter();
  const ids = useMany((s) => s.ids);
  const things = useAttic((s) => s.things);
  const forms = useAttic((s) => s.forms);
  const ways = useWays();
  const list = useMemo(() => ids.flatMap((id) => things[id] ?? []), [ids, things]);
  const questions = useMemo(() => questionsOf(list, ways, Object.values(forms)), [list, ways, forms]);
  const [picked, setPicked] = useState<ReadonlySet<Target> | null>(null);
  const [picking, setPicking] = useState(false);
  const asked = useMemo(
    () => questions.filter((q) => (picked ? picked.has(q.target) : q.usual)),
    [questions, picked],
  );
  const toggle = (target: Target) => {
    const next = new Set(asked.map((q) => q.target));
    if (!next.delete(target)) next.add(target);
    setPicked(next);
  };
  const title = list.length === 1 ? 'Fill in one thing' : `Fill in ${list.length} things`;
  return (
    <Page title={title} maxWidth={1600} aside={<Aside />}>
      {list.length === 0 ? (
        <Card>
          <Words kind="heading">Nothing is chosen</Words>
          <Words tone="soft">Choose several in stock, or go to a haul: both lead here.</Words>
          <Press onPress={() => router.navigate('/stock')}>Go to stock</Press>
        </Card>
      ) : (
        <>
          <SharedAnswers list={list} questions={asked} ways={ways} />
          <View role="group" aria-label="What is asked" style={{ gap: 8, alignItems: 'flex-start' }}>
            <Press kind="quiet" onPress={() => setPicking(!picking)}>
              {picking ? 'These are the questions' : `${asked.length} questions: choose which`}
            </Press>
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
            <Grid list={list} questions={asked} ways={ways} />
          ) : (
            <Strip list={list} questions={asked} ways={ways} />
          )}
        </>
      )}
    </Page>
  );
}

function Aside() {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
      <SavedWords />
      <UndoPress />
      <BackTo path="/stock" />
    </View>
  );
}
