import { useState } from 'react';
import { View } from 'react-native';

import type { FactSpec, FactType, Need } from '@/core/kinds/spec';
import { factValue } from '@/core/kinds/values';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { keepSpecific } from '@/store/items/ownKinds';
import { typedTrouble } from '@/wording/typed';

const TYPES: readonly [FactType, string][] = [
  ['text', 'Words'],
  ['number', 'A number'],
  ['year', 'A year'],
  ['yesNo', 'Yes or no'],
];
const NEEDS: readonly [Need, string][] = [
  ['required', 'Required'],
  ['wanted', 'Good to have'],
  ['optional', 'If it is known'],
];

/** A question of one's own, or one of ours asked another way from here down. */
export function QuestionForm(props: { at: string; before: FactSpec | null; onDone: () => void }) {
  const { at, before, onDone } = props;
  const [spec, setSpec] = useState<FactSpec>(before ?? { id: '', label: '', type: 'text', need: 'optional' });
  const [choices, setChoices] = useState((before?.choices ?? []).join(', '));
  const [trouble, setTrouble] = useState<string | null>(null);
  const put = (part: Partial<FactSpec>) => setSpec({ ...spec, ...part });
  const type = spec.type ?? 'text';
  const keep = () => {
    const list = choicesIn(choices);
    const whole = wholeSpec(spec, list);
    const why = specTrouble(whole, list);
    if (why !== null) return setTrouble(why);
    keepSpecific(at, whole);
    onDone();
  };
  return (
    <View role="group" aria-label={before ? `Change ${before.label}` : 'New question'} style={{ gap: 10 }}>
      <Field
        label="Question"
        value={spec.label}
        maxLength={60}
        pause={0}
        onChange={(label) => put({ label })}
      />
      <AnswerTypes type={type} onChoose={(id) => put({ type: id })} />
      {type === 'text' ? (
        <Field
          label="Choices, with commas between"
          value={choices}
          maxLength={4_000}
          pause={0}
          onChange={setChoices}
        />
      ) : null}
      {type === 'number' ? (
        <Field
          label="Unit"
          value={spec.unit ?? ''}
          maxLength={12}
          pause={0}
          onChange={(unit) => put({ unit })}
        />
      ) : null}
      <AnswerRules spec={spec} hasChoices={choices.trim() !== ''} put={put} />
      <ChipRow label="How much it is wanted">
        {NEEDS.map(([id, words]) => (
          <Chip key={id} on={(spec.need ?? 'optional') === id} onPress={() => put({ need: id })}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      <Field
        label="New items begin with"
        value={spec.usual ?? ''}
        maxLength={400}
        pause={0}
        onChange={(usual) => put({ usual })}
      />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Button variant="main" disabled={spec.label.trim() === ''} onPress={keep} style={{ flex: 1 }}>
          Keep this question
        </Button>
        <Button onPress={onDone}>Cancel</Button>
      </View>
    </View>
  );
}

/** Choices typed with commas between, each once. */
function choicesIn(text: string): string[] {
  const list = text.split(',').map((c) => c.trim());
  return [...new Set(list.filter(Boolean))];
}

function wholeSpec(spec: FactSpec, list: string[]): FactSpec {
  const { choices: _, ...rest } = spec;
  const choices = (spec.type ?? 'text') === 'text' && list.length > 0 ? { choices: list } : {};
  return { ...rest, label: spec.label.trim(), ...choices };
}

/** Why it can't be kept like this; null where it can. */
function specTrouble(spec: FactSpec, list: readonly string[]): string | null {
  if (list.some((c) => c.length > 80) || list.length > 200)
    return 'At most 200 choices of 80 characters each. Nothing was changed.';
  const usual = spec.usual ? factValue(spec, spec.usual) : null;
  return usual && !usual.ok ? `What it begins with does not fit: ${typedTrouble(usual.why)}` : null;
}

function AnswerTypes({ type, onChoose }: { type: FactType; onChoose: (type: FactType) => void }) {
  return (
    <ChipRow label="What the answer is">
      {TYPES.map(([id, words]) => (
        <Chip key={id} on={type === id} onPress={() => onChoose(id)}>
          {words}
        </Chip>
      ))}
    </ChipRow>
  );
}

function AnswerRules(props: { spec: FactSpec; hasChoices: boolean; put: (part: Partial<FactSpec>) => void }) {
  const { spec, hasChoices, put } = props;
  const type = spec.type ?? 'text';
  return (
    <ChipRow label="Type of answer" radio={false}>
      {type === 'text' && hasChoices ? (
        <Chip role="checkbox" on={spec.closed ?? false} onPress={() => put({ closed: !spec.closed })}>
          Only these choices
        </Chip>
      ) : null}
      {type === 'text' ? (
        <Chip role="checkbox" on={spec.several ?? false} onPress={() => put({ several: !spec.several })}>
          Several answers
        </Chip>
      ) : null}
      <Chip role="checkbox" on={spec.private ?? false} onPress={() => put({ private: !spec.private })}>
        Private: never sent
      </Chip>
    </ChipRow>
  );
}
