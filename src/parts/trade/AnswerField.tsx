import { USES } from '@/contract/records';
import { valuesIn } from '@/core/choices/choices';
import { wordsForUse } from '@/core/condition/grade';
import type { FactSpec } from '@/core/kinds/spec';
import type { Target } from '@/core/stock/bulk';
import { groupWords } from '@/core/stock/groups';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';

import { capital } from './UndoBar';

const TAPPED = new Set<Target>(['use', 'kind', 'group']);

/** An answer to one question about an item or about many: tapped where there is a list, typed otherwise. */
export function AnswerField(props: {
  target: Target;
  spec: FactSpec | undefined;
  label: string;
  unit?: string;
  value: string;
  /** Words to look for: nothing to choose from. */
  plain?: boolean;
  refuse?: (text: string) => string | null;
  onChange: (value: string) => void;
  /** A choice was tapped; where absent, that is a change like any other. */
  onTap?: (value: string) => void;
  onEnter?: () => void;
  autoFocus?: boolean;
}) {
  const { target, spec, label, value, plain, onChange, onTap = onChange } = props;
  const kinds = useKinds();
  const groups = useAttic((s) => s.groups);
  const choices: readonly (readonly [string, string])[] = plain
    ? []
    : target === 'use'
      ? USES.map((u) => [u, capital(wordsForUse(u))] as const)
      : target === 'kind'
        ? kinds.leaves.map((k) => [k.id, k.name] as const)
        : target === 'group'
          ? Object.keys(groups).map((id) => [id, groupWords(groups, id)] as const)
          : (spec?.type === 'yesNo' ? ['Yes', 'No'] : (spec?.choices ?? [])).map((w) => [w, w] as const);
  const said = spec?.several ? valuesIn(value) : [value];
  const closed = spec?.type === 'yesNo' || (spec?.closed === true && choices.length > 0);
  return (
    <>
      {plain || (!TAPPED.has(target) && !closed) ? (
        <Field
          label={label}
          unit={props.unit}
          value={value}
          maxLength={10_000}
          pause={0}
          refuse={props.refuse}
          keyboard={figures(target, spec) ? 'decimal-pad' : 'default'}
          onChange={onChange}
          onEnter={props.onEnter}
          autoFocus={props.autoFocus}
        />
      ) : null}
      {choices.length > 0 ? (
        <ChipRow label={`${label}: choices`}>
          {choices.map(([id, words]) => (
            <Chip
              key={id}
              on={said.includes(id) || said.includes(words)}
              label={`${label}: ${words}`}
              onPress={() => onTap(id)}
            >
              {words}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
    </>
  );
}

function figures(target: Target, spec: FactSpec | undefined): boolean {
  return (
    target.startsWith('measure:') ||
    target === 'price' ||
    target === 'cost' ||
    target === 'weight' ||
    target === 'quantity' ||
    spec?.type === 'number' ||
    spec?.type === 'year'
  );
}
