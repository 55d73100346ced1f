import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { readable, toggled } from '@/core/kinds/values';
import { planBulk, shown, type Ways } from '@/core/stock/bulk';
import { askedOf, cellText, isAsked, type Question } from '@/core/stock/questions';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { applyBulk } from '@/store/bulk';
import { useColours } from '@/theme/theme';
import { nameOf } from '@/store/names';

import { AnswerField } from '../stock/AnswerField';

interface Asked {
  key: string;
  thing: Thing;
  question: Question;
}

/** One question at a time, thing after thing: what is known is not asked. */
export function Strip(props: { list: readonly Thing[]; questions: readonly Question[]; ways: Ways }) {
  const { list, questions, ways } = props;
  const [behind, setBehind] = useState<readonly string[]>([]);
  const [back, setBack] = useState<string | null>(null);
  const all: Asked[] = questions.flatMap((question) =>
    list
      .filter((thing) => isAsked(thing, question, ways))
      .map((thing) => ({
        key: `${thing.id} ${question.target}`,
        thing,
        question: askedOf(thing, question, ways),
      })),
  );
  const open = all.filter((a) => !behind.includes(a.key) && shown(a.thing, a.question.target, ways) === '');
  const current = all.find((a) => a.key === back) ?? open[0];
  const goOn = (key: string) => {
    setBehind([...behind.filter((k) => k !== key), key]);
    setBack(null);
  };
  const before = back === null ? behind.at(-1) : behind[behind.indexOf(back) - 1];
  if (!current)
    return (
      <Card label="All asked">
        <Words kind="heading">All is said</Words>
        <Words tone="soft">
          {behind.length > 0
            ? 'What you passed over is still open on the sheets.'
            : 'None of these questions is open.'}
        </Words>
        {behind.length > 0 ? (
          <Press kind="quiet" onPress={() => setBehind([])}>
            Ask again what was passed over
          </Press>
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
  const { thing, question } = asked;
  const { target, spec, label } = question;
  const known = cellText(thing, target, ways);
  const [value, setValue] = useState(known);
  const [why, setWhy] = useState<string | null>(null);
  const keep = (text: string) => {
    if (text.trim() === known.trim()) return onDone();
    const action = text.trim() === '' ? { do: 'clear' as const } : { do: 'set' as const, value: text };
    const plan = planBulk([thing], target, action, ways);
    if (plan.refused[0]) return setWhy(plan.refused[0].why);
    void applyBulk(label, plan, { quietly: true });
    onDone();
  };
  return (
    <Card label="One question">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words kind="heading">{label}</Words>
          <Words kind="small" tone="soft" figures numberOfLines={1}>
            {[thing.code, nameOf(thing)].filter(Boolean).join(' · ')}
          </Words>
        </View>
        <Words tone="soft" figures role="status">
          {left === 1 ? 'the last one' : `${left} to go`}
        </Words>
      </View>
      <Pictures thing={thing} question={question} />
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
      {why ? <Notice tone="trouble">{why}</Notice> : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Press disabled={onBack === null} onPress={() => onBack?.()}>
          Back
        </Press>
        <Press kind="main" style={{ flex: 1 }} onPress={() => keep(value)}>
          {value.trim() === '' ? 'Pass over' : 'Next'}
        </Press>
      </View>
    </Card>
  );
}

/** The picture in which the answer most likely stands, with the others to tap. */
function Pictures({ thing, question }: { thing: Thing; question: Question }) {
  const c = useColours();
  const pictures = useAttic((s) => s.pictures);
  const wanted = question.target.startsWith('measure:')
    ? ['measured', 'front']
    : ['fact:size', 'fact:material', 'fact:brand'].includes(question.target)
      ? ['label', 'mark', 'front']
      : ['front'];
  const best =
    wanted.flatMap((shows) => thing.pictureIds.find((id) => pictures[id]?.shows === shows) ?? [])[0] ??
    thing.pictureIds[0];
  const [chosen, setChosen] = useState<string | null>(null);
  const at = chosen ?? best;
  if (!at) return null;
  return (
    <View style={{ gap: 6 }}>
      <PictureView
        id={at}
        size="full"
        whole
        alt={`Picture ${thing.pictureIds.indexOf(at) + 1}`}
        style={{ width: '100%', height: 210 }}
      />
      {thing.pictureIds.length > 1 ? (
        <View style={{ flexDirection: 'row', gap: 6, flexWrap: 'wrap' }}>
          {thing.pictureIds.slice(0, 6).map((id, i) => (
            <Pressable
              key={id}
              role="button"
              aria-label={`Look at picture ${i + 1}`}
              onPress={() => setChosen(id)}
              style={{ borderWidth: 2, borderColor: id === at ? c.moss : 'transparent', borderRadius: 8 }}
            >
              <PictureView id={id} alt="" style={{ width: 44, height: 44 }} />
            </Pressable>
          ))}
        </View>
      ) : null}
    </View>
  );
}
