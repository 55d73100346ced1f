import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { SavedAnswer } from '@/contract/orders';
import { PatternField } from '@/parts/trade/PatternField';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { allAnswers, answerTokens, changeAnswer, removeAnswer } from '@/store/fulfilment/savedAnswers';

import { useSample } from './useTokens';

/** Answers given to buyers again and again. */
export function SavedAnswers() {
  const own = useAttic((s) => s.settings.savedAnswers);
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Card label="Saved answers">
      <Text variant="heading">Saved answers</Text>
      <Text tone="soft">What buyers ask again and again, answered with the item’s own facts.</Text>
      {allAnswers(own).map((answer) => (
        <View key={answer.id} style={{ gap: 8 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Text style={{ flex: 1 }}>{answer.name}</Text>
            <Button
              variant="quiet"
              label={`Change the answer ${answer.name}`}
              onPress={() => setOpen(open === answer.id ? null : answer.id)}
            >
              {open === answer.id ? 'Done' : 'Change'}
            </Button>
          </View>
          {open === answer.id ? <Editor answer={answer} isOwn={own.some((a) => a.id === answer.id)} /> : null}
        </View>
      ))}
    </Card>
  );
}

function Editor({ answer, isOwn }: { answer: SavedAnswer; isOwn: boolean }) {
  const sample = useSample();
  const may = useMemo(() => answerTokens(sample), [sample]);
  return (
    <View style={{ gap: 8 }}>
      <Field
        label="Name of the answer"
        value={answer.name}
        maxLength={80}
        refuse={(t) => (t.trim() === '' ? 'It needs a name.' : null)}
        onChange={(name) => changeAnswer({ ...answer, name: name.trim() })}
      />
      <PatternField
        label="Text of the answer"
        value={answer.text}
        multiline
        maxLength={2_000}
        {...may}
        onChange={(text) => {
          if (text.trim() !== '') changeAnswer({ ...answer, text });
        }}
      />
      {isOwn ? (
        <Button
          variant="quiet"
          icon="remove"
          label={`Remove the answer ${answer.name}`}
          onPress={() => removeAnswer(answer.id)}
        >
          Remove it
        </Button>
      ) : null}
    </View>
  );
}
