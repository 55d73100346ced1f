import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { BETWEEN_VALUES } from '@/contract/ruleSheet';
import type { Examined } from '@/core/listing/examine';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { editPlan, rememberAnswer } from '@/store/items/items';

/** A question beyond the fields, drawn from the sheet: its type, choices, and help are the marketplace's. */
export function Question(props: {
  item: Item;
  examined: Examined;
  question: Examined['sheet']['questions'][number];
}) {
  const { item, examined, question } = props;
  const { sheet, effective } = examined;
  const value = effective.answers[question.id] ?? '';
  const change = (changed: (now: string) => string) => {
    let text = value;
    editPlan(item.id, sheet.marketplace, `${question.label} on ${sheet.name}`, (now) => {
      // What is shown may be of a moment before.
      text = changed(now.answers[question.id] ?? value);
      return { answers: { ...now.answers, [question.id]: text } };
    });
    rememberAnswer(sheet.marketplace, question.id, text);
  };
  const answer = (text: string) => change(() => text);
  if (question.type === 'text' || question.type === 'number')
    return (
      <Field
        label={`${question.label} on ${sheet.name}`}
        value={value}
        maxLength={400}
        keyboard={question.type === 'number' ? 'decimal-pad' : undefined}
        hint={question.help}
        onChange={answer}
      />
    );
  const several = question.type === 'several';
  const choices = question.type === 'yesNo' ? ['yes', 'no'] : (question.choices ?? []);
  const chosen = several ? value.split(BETWEEN_VALUES).filter(Boolean) : [value];
  return (
    <View style={{ gap: 5 }}>
      <Text variant="small" tone="soft">
        {[question.label, question.help].filter(Boolean).join('. ')}
      </Text>
      <ChipRow label={question.label} radio={!several}>
        {choices.map((choice) => (
          <Chip
            key={choice}
            role={several ? 'checkbox' : 'radio'}
            on={chosen.includes(choice)}
            onPress={() => (several ? change((now) => toggled(choices, now, choice)) : answer(choice))}
          >
            {choice}
          </Chip>
        ))}
      </ChipRow>
    </View>
  );
}

/** Several answers in the order they are offered in, one of them pressed. */
function toggled(choices: readonly string[], now: string, pressed: string): string {
  const chosen = now.split(BETWEEN_VALUES);
  return choices.filter((c) => (c === pressed) !== chosen.includes(c)).join(BETWEEN_VALUES);
}
