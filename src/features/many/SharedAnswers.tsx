import { useState } from 'react';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { planShared, shown, type Target, type Ways } from '@/core/stock/bulk';
import { isAsked, type Question } from '@/core/stock/questions';
import { AnswerField } from '@/parts/trade/AnswerField';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { applyBulk } from '@/store/items/bulk';
import { typedTrouble } from '@/wording/typed';

/** What all of them share, said once. Those that have an answer of their own keep it. */
export function SharedAnswers(props: { list: readonly Item[]; questions: readonly Question[]; ways: Ways }) {
  const { list, questions, ways } = props;
  const [target, setTarget] = useState<Target | null>(null);
  const [value, setValue] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const question = questions.find((q) => q.target === target);
  const plan = question && value.trim() !== '' ? planShared(list, question.target, value, ways) : null;
  const wouldChange = plan?.changes.length ?? 0;
  const refused = plan && wouldChange === 0 ? plan.refused[0] : undefined;
  const why = refused && typedTrouble(refused.why);
  // A figure or a title is each item's own; what all have said already needs no more saying.
  const shareable = questions.filter(
    (q) =>
      q.target !== 'title' &&
      !q.target.startsWith('measure:') &&
      list.filter((t) => isAsked(t, q, ways)).length > 1 &&
      list.some((t) => isAsked(t, q, ways) && shown(t, q.target, ways) === ''),
  );
  const open = (next: Target | null) => {
    setTarget(next);
    setValue('');
    setSaid(null);
  };
  const say = () => {
    if (!question || !plan || plan.changes.length === 0) return;
    const kept = plan.same > 0 ? ` ${plan.same} kept an answer of their own.` : '';
    void applyBulk(question.label, plan).then((n) =>
      setSaid(`Said of ${plural(n, 'one item', `${n} items`)}.${kept}`),
    );
    setTarget(null);
    setValue('');
  };
  if (shareable.length === 0 && said === null) return null;
  return (
    <Card label="The same for all">
      <Text variant="heading">The same for all of them</Text>
      <WhatTheyShare questions={shareable} target={target} onChoose={open} />
      {question ? (
        <>
          <AnswerField
            key={question.target}
            target={question.target}
            spec={question.spec}
            label={`${question.label}, all of them`}
            unit={question.unit}
            value={value}
            onChange={setValue}
            onEnter={say}
            autoFocus
          />
          {why ? <Notice tone="caution">{why}</Notice> : null}
          <Button variant="main" disabled={!plan || plan.changes.length === 0} onPress={say}>
            {plural(wouldChange, 'Say it of one item', `Say it of ${wouldChange} items`)}
          </Button>
        </>
      ) : null}
      {said ? (
        <Text tone="good" role="status" figures>
          {said}
        </Text>
      ) : null}
    </Card>
  );
}

function WhatTheyShare(props: {
  questions: readonly Question[];
  target: Target | null;
  onChoose: (target: Target | null) => void;
}) {
  const { questions, target, onChoose } = props;
  return (
    <ChipRow label="What they share" radio={false}>
      {questions
        .filter((q) => target === null || q.target === target)
        .map((q) => (
          <Chip
            key={q.target}
            role="button"
            on={q.target === target}
            label={`All have the same: ${q.label}`}
            onPress={() => onChoose(q.target === target ? null : q.target)}
          >
            {q.label}
          </Chip>
        ))}
      {target === null ? null : (
        <Chip role="button" on={false} onPress={() => onChoose(null)}>
          Something else
        </Chip>
      )}
    </ChipRow>
  );
}
