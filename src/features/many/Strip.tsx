import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { readable, toggled } from '@/core/kinds/values';
import { plural } from '@/core/language/plural';
import { planBulk, typedAction, shown, type Target, type Ways } from '@/core/stock/bulk';
import { askedOf, cellText, isAsked, type Question } from '@/core/stock/questions';
import { AnswerField } from '@/parts/trade/AnswerField';
import { KindPicker } from '@/parts/trade/KindPicker';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { applyBulk } from '@/store/items/bulk';
import { nameOf } from '@/store/items/names';
import { typedTrouble } from '@/wording/typed';

import { Pictures } from './Pictures';

interface Asked {
  key: string;
  item: Item;
  question: Question;
}

/** One question at a time, item after item: what is known is not asked. */
export function Strip(props: { list: readonly Item[]; questions: readonly Question[]; ways: Ways }) {
  const { list, questions, ways } = props;
  const [behind, setBehind] = useState<readonly string[]>([]);
  const [back, setBack] = useState<string | null>(null);
  const all: Asked[] = questions.flatMap((question) =>
    list
      .filter((item) => isAsked(item, question, ways))
      .map((item) => ({
        key: `${item.id} ${question.target}`,
        item,
        question: askedOf(item, question, ways),
      })),
  );
  const open = all.filter((a) => !behind.includes(a.key) && shown(a.item, a.question.target, ways) === '');
  const current = all.find((a) => a.key === back) ?? open[0];
  const goOn = (key: string) => {
    setBehind([...behind.filter((k) => k !== key), key]);
    setBack(null);
  };
  const before = back === null ? behind.at(-1) : behind[behind.indexOf(back) - 1];
  if (!current)
    return (
      <Card label="All asked">
        <Text variant="heading">All is said</Text>
        <Text tone="soft">
          {behind.length > 0
            ? 'What you passed over is still open on the sheets.'
            : 'None of these questions is open.'}
        </Text>
        {behind.length > 0 ? (
          <Button variant="quiet" onPress={() => setBehind([])}>
            Ask again what was passed over
          </Button>
        ) : null}
      </Card>
    );
  return (
    <OneQuestion
      key={current.key}
      asked={current}
      left={open.length}
      ways={ways}
      onDone={() => goOn(current.key)}
      onBack={before === undefined ? null : () => setBack(before)}
    />
  );
}

function OneQuestion(props: {
  asked: Asked;
  left: number;
  ways: Ways;
  onDone: () => void;
  onBack: (() => void) | null;
}) {
  const { asked, left, ways, onDone, onBack } = props;
  const { item, question } = asked;
  const { target, spec, label } = question;
  const known = cellText(item, target, ways);
  const [value, setValue] = useState(known);
  const [why, setWhy] = useState<string | null>(null);
  const keep = (text: string) => {
    if (text.trim() === known.trim()) return onDone();
    const plan = planBulk([item], target, typedAction(text), ways);
    if (plan.refused[0]) return setWhy(typedTrouble(plan.refused[0].why));
    void applyBulk(label, plan, { quietly: true });
    onDone();
  };
  return (
    <Card label="One question">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="heading">{label}</Text>
          <Text variant="small" tone="soft" figures numberOfLines={1}>
            {[item.code, nameOf(item)].filter(Boolean).join(' · ')}
          </Text>
        </View>
        <Text tone="soft" figures role="status">
          {plural(left, 'the last one', `${left} to go`)}
        </Text>
      </View>
      <Pictures item={item} wanted={wantedFor(target)} />
      {target === 'kind' ? (
        <KindPicker item={item} />
      ) : (
        <AnswerField
          target={target}
          spec={spec}
          label={label}
          unit={question.unit}
          value={value}
          onChange={(text) => {
            setValue(text);
            setWhy(null);
          }}
          onTap={(text) => {
            // Several may be right: then a tap is not the end of it.
            if (spec?.several) setValue(readable(toggled(value.replaceAll(',', '\n'), text)));
            else keep(text);
          }}
          onEnter={() => keep(value)}
          autoFocus
        />
      )}
      {why ? <Notice tone="trouble">{why}</Notice> : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Button disabled={onBack === null} onPress={() => onBack?.()}>
          Back
        </Button>
        <Button variant="main" style={{ flex: 1 }} onPress={() => keep(value)}>
          {value.trim() === '' ? 'Pass over' : 'Next'}
        </Button>
      </View>
    </Card>
  );
}

/** What shows the answer, the likeliest first. */
function wantedFor(target: Target): readonly string[] {
  return target.startsWith('measure:')
    ? ['measured', 'front']
    : ['fact:size', 'fact:material', 'fact:brand'].includes(target)
      ? ['label', 'mark', 'front']
      : ['front'];
}
