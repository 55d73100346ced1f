import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { planBulk, type Action, type Target } from '@/core/stock/bulk';
import { questionsOf } from '@/core/stock/questions';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { applyBulk } from '@/store/bulk';
import { useWays } from '@/store/ways';

import { FillInPress } from '../many/FillInPress';
import { AnswerField } from './AnswerField';

const TARGETS: readonly [Target, string][] = [
  ['spot', 'Spot'],
  ['price', 'Price'],
  ['cost', 'Cost'],
  ['use', 'Use'],
  ['kind', 'Kind'],
  ['title', 'Title'],
  ['description', 'Description'],
  ['weight', 'Weight packed'],
  ['group', 'Group'],
];
const ACTIONS: readonly [Action['do'], string][] = [
  ['set', 'Set'],
  ['add', 'Add'],
  ['clear', 'Clear'],
  ['replace', 'Replace words'],
];
/** What can only be set, or set and cleared. */
const NARROW: Partial<Record<Target, readonly Action['do'][]>> = {
  kind: ['set'],
  use: ['set', 'clear'],
  price: ['set', 'clear'],
  cost: ['set', 'clear'],
  weight: ['set', 'clear'],
  group: ['add', 'set', 'clear'],
};
function narrow(target: Target): readonly Action['do'][] | undefined {
  return target.startsWith('measure:') ? ['set', 'clear'] : NARROW[target];
}
const FEW = 5;

/** One change to all things chosen: shown before it is done, taken back in one. */
export function BulkChange(props: {
  chosen: ReadonlySet<string>;
  shown: readonly Thing[];
  onAll: () => void;
  onNone: () => void;
}) {
  const { chosen } = props;
  const things = useDeferredValue(useAttic((s) => s.things));
  const forms = useAttic((s) => s.forms);
  const ways = useWays();
  const [target, setTarget] = useState<Target | null>(null);
  const [how, setHow] = useState<Action['do']>('set');
  const [value, setValue] = useState('');
  const [by, setBy] = useState('');
  const [done, setDone] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const list = useMemo(() => [...chosen].flatMap((id) => things[id] ?? []), [chosen, things]);
  const questions = useMemo(
    () => questionsOf(list, ways, Object.values(forms)).filter((q) => q.target.includes(':')),
    [list, ways, forms],
  );
  const question = questions.find((q) => q.target === target);
  const hows = target === null ? [] : (narrow(target) ?? ACTIONS.map(([id]) => id));
  const doing = hows.includes(how) ? how : 'set';
  const plan = useMemo(() => {
    if (target === null || list.length === 0 || (doing !== 'clear' && value.trim() === '')) return null;
    const action: Action =
      doing === 'clear'
        ? { do: 'clear' }
        : doing === 'replace'
          ? { do: 'replace', find: value, by }
          : { do: doing, value };
    return planBulk(list, target, action, ways);
  }, [list, target, doing, value, by, ways]);
  const name = TARGETS.find(([id]) => id === target)?.[1] ?? question?.label ?? '';
  const targets: readonly (readonly [Target, string])[] = [
    ...TARGETS.filter(([id]) => id !== 'group' || Object.keys(ways.groups).length > 0),
    ...questions.map((q) => [q.target, q.label] as const),
  ];
  const choose = (next: Target | null) => {
    setTarget(next);
    setValue('');
    setBy('');
    setDone(null);
  };
  return (
    <Card label="Change several at once">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 }}>
        <Words kind="strong" figures style={{ flex: 1 }} role="status">
          {list.length === 1 ? '1 chosen' : `${list.length} chosen`}
        </Words>
        <Press kind="quiet" onPress={props.onAll}>{`All ${props.shown.length}`}</Press>
        <Press kind="quiet" disabled={list.length === 0} onPress={props.onNone}>
          None
        </Press>
      </View>
      {list.length > 0 && target === null ? <FillInPress ids={list.map((t) => t.id)} /> : null}
      {list.length === 0 ? (
        <Words tone="soft">Tap things in the list, then say here what changes.</Words>
      ) : (
        <ChipRow label="What changes">
          {targets
            .filter(([id]) => target === null || target === id)
            .map(([id, words]) => (
              <Chip key={id} on={target === id} onPress={() => choose(id)}>
                {words}
              </Chip>
            ))}
          {target === null ? null : (
            <Chip role="button" on={false} onPress={() => choose(null)}>
              Something else
            </Chip>
          )}
        </ChipRow>
      )}
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
          label={doing === 'replace' ? 'Words to replace' : name}
          value={value}
          onChange={setValue}
          plain={doing === 'replace'}
        />
      ) : null}
      {doing === 'replace' && target ? (
        <Field label="New words" value={by} maxLength={400} pause={0} onChange={setBy} />
      ) : null}
      {plan && list.length > 0 ? (
        <View role="group" aria-label="What would change" style={{ gap: 6 }}>
          {plan.changes.slice(0, FEW).map((change) => (
            <Words key={change.id} kind="small" figures numberOfLines={2}>
              {`${things[change.id]?.code}: ${change.before || '—'} → ${change.after || '—'}`}
            </Words>
          ))}
          {plan.changes.length > FEW ? (
            <Words kind="small" tone="soft">{`and ${plan.changes.length - FEW} more`}</Words>
          ) : null}
          {plan.same > 0 ? (
            <Words kind="small" tone="soft">{`${plan.same} would stay as they are.`}</Words>
          ) : null}
          {[...new Set(plan.refused.map((r) => r.why))].map((why) => (
            <Notice key={why} tone="caution">
              {`${plan.refused.filter((r) => r.why === why).length} left as they are: ${why}`}
            </Notice>
          ))}
          <Press
            kind="main"
            disabled={plan.changes.length === 0 || busy}
            onPress={async () => {
              setBusy(true);
              const n = await applyBulk(name, plan);
              setBusy(false);
              setDone(
                n === 1
                  ? 'One thing changed. Undo takes it back.'
                  : `${n} things changed. Undo takes all of it back.`,
              );
              setValue('');
            }}
          >
            {busy
              ? 'Changing…'
              : plan.changes.length === 1
                ? 'Change 1 thing'
                : `Change ${plan.changes.length} things`}
          </Press>
        </View>
      ) : null}
      {done ? (
        <Words tone="good" role="status">
          {done}
        </Words>
      ) : null}
    </Card>
  );
}
