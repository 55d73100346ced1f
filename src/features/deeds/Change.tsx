import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { planBulk, type Action, type BulkPlan, type Target } from '@/core/stock/bulk';
import { questionsOf } from '@/core/stock/questions';
import { AnswerField } from '@/parts/trade/AnswerField';
import { NewGroup } from '@/parts/trade/NewGroup';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { applyBulk } from '@/store/items/bulk';
import { useWays } from '@/store/items/ways';
import { typedTrouble } from '@/wording/typed';

const TARGETS: readonly [Target, string][] = [
  ['spot', 'Spot'],
  ['price', 'Price'],
  ['cost', 'Cost'],
  ['use', 'Use'],
  ['kind', 'Kind'],
  ['title', 'Title'],
  ['description', 'Description'],
  ['weight', 'Weight packed'],
  ['quantity', 'How many'],
  ['group', 'Group'],
];
const ACTIONS: readonly [Action['type'], string][] = [
  ['set', 'Set'],
  ['add', 'Add'],
  ['clear', 'Clear'],
  ['replace', 'Replace words'],
  ['lower', 'Lower by per cent'],
];
const WORDS_ALL = ACTIONS.flatMap(([id]) => (id === 'lower' ? [] : [id]));
/** What can only be set, or set and cleared. */
const NARROW: Partial<Record<Target, readonly Action['type'][]>> = {
  kind: ['set'],
  use: ['set', 'clear'],
  price: ['set', 'lower', 'clear'],
  cost: ['set', 'clear'],
  weight: ['set', 'clear'],
  quantity: ['set', 'clear'],
  group: ['add', 'set', 'clear'],
};
function narrow(target: Target): readonly Action['type'][] | undefined {
  return target.startsWith('measure:') ? ['set', 'clear'] : NARROW[target];
}
const FEW = 5;

const OUTERMOST = { parent: null, label: 'Name of a new group', words: 'Make this group' };

/** One change to all items chosen: shown before it is done, taken back in one. */
export function Change(props: {
  chosen: ReadonlySet<string>;
  /** What is changed, where that was said already. */
  begin: { target: Target | null; how?: Action['type'] } | undefined;
  onBack: () => void;
}) {
  const { chosen, begin, onBack } = props;
  const ways = useWays();
  const [target, setTarget] = useState<Target | null>(begin?.target ?? null);
  const [how, setHow] = useState<Action['type']>(begin?.how ?? 'set');
  const [value, setValue] = useState('');
  const [by, setBy] = useState('');
  const [done, setDone] = useState<string | null>(null);
  const { list, questions } = useChosen(chosen);
  const question = questions.find((q) => q.target === target);
  const hows = target === null ? [] : (narrow(target) ?? WORDS_ALL);
  const doing = hows.includes(how) ? how : 'set';
  const action = useMemo(() => actionOf(doing, value, by), [doing, value, by]);
  const plan = useMemo(
    () => (target === null || list.length === 0 || !action ? null : planBulk(list, target, action, ways)),
    [list, target, action, ways],
  );
  const name = TARGETS.find(([id]) => id === target)?.[1] ?? question?.label ?? '';
  const targets: readonly (readonly [Target, string])[] = [
    ...TARGETS,
    ...questions.map((q) => [q.target, q.label] as const),
  ];
  const choose = (next: Target | null) => {
    setTarget(next);
    setValue('');
    setBy('');
    setDone(null);
  };
  return (
    <View role="group" aria-label="Change several at once" style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: 4 }}>
        <SignButton icon="back" label="Back to what can be done" onPress={onBack} />
        <View style={{ flex: 1 }}>
          <WhatChanges targets={targets} target={target} onChoose={choose} />
        </View>
      </View>
      {target && hows.length > 1 && list.length > 0 ? (
        <ChipRow label="How">
          {ACTIONS.filter(([id]) => hows.includes(id)).map(([id, words]) => (
            <Chip key={id} on={doing === id} onPress={() => setHow(id)}>
              {words}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {target && doing !== 'clear' && list.length > 0 ? (
        <AnswerField
          key={`${target}-${doing}`}
          target={target}
          spec={question?.spec}
          unit={question?.unit}
          label={doing === 'replace' ? 'Words to replace' : doing === 'lower' ? 'Per cent off' : name}
          value={value}
          onChange={setValue}
          plain={doing === 'replace' || doing === 'lower'}
        />
      ) : null}
      {target === 'group' && doing !== 'clear' ? <NewGroup {...OUTERMOST} onMade={setValue} /> : null}
      {doing === 'replace' && target ? (
        <Field label="New words" value={by} maxLength={400} pause={0} onChange={setBy} />
      ) : null}
      {plan && list.length > 0 ? (
        <WhatWouldChange
          plan={plan}
          onChange={async () => {
            setDone(doneWords(await applyBulk(name, plan)));
            setValue('');
          }}
        />
      ) : null}
      <Said words={done} />
    </View>
  );
}

/** The items chosen, and the questions that can be answered for all of them at once. */
function useChosen(chosen: ReadonlySet<string>) {
  const items = useDeferredValue(useAttic((s) => s.items));
  const forms = useAttic((s) => s.forms);
  const ways = useWays();
  const list = useMemo(() => [...chosen].flatMap((id) => items[id] ?? []), [chosen, items]);
  const questions = useMemo(
    () => questionsOf(list, ways, Object.values(forms)).filter((q) => q.target.includes(':')),
    [list, ways, forms],
  );
  return { list, questions };
}

/** What is to be done; null while there is nothing to do it with. */
function actionOf(how: Action['type'], value: string, by: string): Action | null {
  if (how === 'clear') return { type: 'clear' };
  if (value.trim() === '') return null;
  return how === 'replace' ? { type: 'replace', find: value, by } : { type: how, value };
}

function doneWords(n: number): string {
  return plural(n, 'One item changed. Undo takes it back.', `${n} items changed. Undo takes all of it back.`);
}

function WhatChanges(props: {
  targets: readonly (readonly [Target, string])[];
  target: Target | null;
  onChoose: (target: Target | null) => void;
}) {
  const { targets, target, onChoose } = props;
  return (
    <ChipRow label="What changes">
      {targets
        .filter(([id]) => target === null || target === id)
        .map(([id, words]) => (
          <Chip key={id} on={target === id} onPress={() => onChoose(id)}>
            {words}
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

/** Every change before it is made, and what can't be changed with the reason. */
function WhatWouldChange(props: { plan: BulkPlan; onChange: () => Promise<void> }) {
  const { plan, onChange } = props;
  const { run, busy, trouble } = useAsyncAction();
  const items = useAttic((s) => s.items);
  const reasons = new Map<string, number>();
  for (const { why } of plan.refused) {
    const words = typedTrouble(why);
    reasons.set(words, (reasons.get(words) ?? 0) + 1);
  }
  return (
    <View role="group" aria-label="What would change" style={{ gap: 6 }}>
      {plan.changes.slice(0, FEW).map((change) => (
        <Text key={change.id} variant="small" figures numberOfLines={2}>
          {`${items[change.id]?.code}: ${change.before || '—'} → ${change.after || '—'}`}
        </Text>
      ))}
      {plan.changes.length > FEW ? (
        <Text variant="small" tone="soft">{`and ${plan.changes.length - FEW} more`}</Text>
      ) : null}
      {plan.same > 0 ? (
        <Text variant="small" tone="soft">{`${plan.same} would stay as they are.`}</Text>
      ) : null}
      {[...reasons].map(([why, count]) => (
        <Notice key={why} tone="caution">
          {`${count} left as ${plural(count, 'it is', 'they are')}: ${why}`}
        </Notice>
      ))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" disabled={plan.changes.length === 0 || busy} onPress={() => run(onChange)}>
        {busy
          ? 'Changing…'
          : plural(plan.changes.length, 'Change 1 item', `Change ${plan.changes.length} items`)}
      </Button>
    </View>
  );
}
