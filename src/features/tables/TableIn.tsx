import { View } from 'react-native';

import { counted } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { stopTable, useTableIn } from '@/store/tables/tableIn';

import { ChooseTable } from './ChooseTable';
import { MatchColumns } from './MatchColumns';
import { Preview } from './Preview';
import { TakenTable } from './TakenTable';

/** A table from elsewhere: chosen, its columns matched, looked at line by line, and taken. */
export function TableIn() {
  const step = useTableIn((s) => s.step);
  if (step === 'planned') return <Preview />;
  return (
    <Page title="Bring in a table" back="/attic">
      <Trouble />
      {step === 'none' ? <ChooseTable /> : null}
      {step === 'matching' ? <MatchColumns /> : null}
      {step === 'reading' || step === 'planning' || step === 'taking' ? <Underway step={step} /> : null}
      {step === 'taken' ? <TakenTable /> : null}
    </Page>
  );
}

function Trouble() {
  const trouble = useTableIn((s) => s.trouble);
  return trouble ? <Notice tone="trouble">{trouble}</Notice> : null;
}

const DOING = { reading: 'Reading', planning: 'Working out', taking: 'Taking' } as const;

/** How far it is; it can be stopped as long as nothing is being changed. */
function Underway({ step }: { step: keyof typeof DOING }) {
  const name = useTableIn((s) => s.name);
  const done = useTableIn((s) => s.done);
  const of = useTableIn((s) => s.of);
  const far = of > 0 && step !== 'reading' ? `: ${done} of ${counted(of, 'line')}` : ' …';
  return (
    <Card label="Underway">
      <View role="status">
        <Text variant="heading" figures>{`${DOING[step]} ${name || 'the table'}${far}`}</Text>
      </View>
      {step === 'taking' ? (
        <Text tone="soft">It can be taken back afterwards, all at once.</Text>
      ) : (
        <View style={{ alignItems: 'flex-start' }}>
          <Button onPress={stopTable}>Stop</Button>
        </View>
      )}
    </Card>
  );
}
