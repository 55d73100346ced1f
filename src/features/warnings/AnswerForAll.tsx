import { useState } from 'react';
import { View } from 'react-native';

import { USES } from '@/contract/item';
import type { SheetSpecific } from '@/contract/ruleSheet';
import { wordsForUse } from '@/core/condition/grade';
import { SAME_FIELD } from '@/core/mapping/values';
import { planBulk, typedAction, type Target } from '@/core/stock/bulk';
import { oneAnswer, type Cause } from '@/core/warnings/warnings';
import { FieldAnswer } from '@/parts/trade/FieldAnswer';
import { ToMany } from '@/parts/trade/ToMany';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Notice } from '@/parts/ui/Notice';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { applyBulk } from '@/store/items/bulk';
import { answerThere } from '@/store/items/warnings';
import { useWays } from '@/store/items/ways';

/** Puts a cause right for all it is the cause of, where one answer serves; else leads to where it is done. */
export function AnswerForAll({ cause }: { cause: Cause }) {
  const answer = oneAnswer(cause);
  const ids = [...new Set(cause.of.map((w) => w.item))];
  switch (answer?.by) {
    case undefined:
      return null;
    case 'kind':
    case 'parcel':
      return <ToMany ids={ids} to="/many" icon="write">{`Fill in ${forAll(ids)}`}</ToMany>;
    case 'category':
      return <ToMany ids={ids} to="/categories" icon="write">{`Choose categories of ${forAll(ids)}`}</ToMany>;
    case 'words':
    case 'price':
      return <ToMany ids={ids} to="/write" icon="write">{`Write for ${forAll(ids)}`}</ToMany>;
    case 'use':
      return <UseForAll ids={ids} />;
    case 'fact':
    case 'specific':
    case 'answer':
      return <ValueForAll cause={cause} ids={ids} by={answer.by} id={answer.id} />;
  }
}

const forAll = ({ length }: readonly string[]) => (length === 1 ? 'it' : `all ${length}`);

function UseForAll({ ids }: { ids: readonly string[] }) {
  const write = useWrite(ids);
  return (
    <OneOf<(typeof USES)[number] | ''>
      label={`How ${ids.length === 1 ? 'it was' : 'all were'} used`}
      options={USES.map((use) => [use, wordsForUse(use)])}
      value=""
      onChoose={(use) => void write('use', use)}
    />
  );
}

/** Writes one value into all of them, with one undo. @returns why some can't take it; null: all took it */
function useWrite(ids: readonly string[]) {
  const items = useAttic((s) => s.items);
  const ways = useWays();
  return async (target: Target, value: string) => {
    const plan = planBulk(
      ids.flatMap((id) => items[id] ?? []),
      target,
      typedAction(value),
      ways,
    );
    await applyBulk('answer', plan, { quietly: true });
    return plan.refused.length;
  };
}

function ValueForAll(props: {
  cause: Cause;
  ids: readonly string[];
  by: 'fact' | 'specific' | 'answer';
  id: string;
}) {
  const { cause, ids, by, id } = props;
  const field = useField(cause, by, id);
  const write = useWrite(ids);
  const [value, setValue] = useState('');
  const { busy, trouble, run } = useAsyncAction();
  if (!field) return null;
  const put = () =>
    run(async () => {
      if (by === 'fact') await write(`fact:${SAME_FIELD[id] ?? id}`, value);
      else answerThere(cause.of, { by, id }, value);
    });
  return (
    <View style={{ gap: 6 }}>
      <FieldAnswer
        field={field}
        label={`${field.label} for ${forAll(ids)}`}
        value={value}
        onChange={(change) => setValue(change)}
      />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button disabled={busy || value.trim() === ''} onPress={put}>
        {`Put it for ${forAll(ids)}`}
      </Button>
    </View>
  );
}

/** The field or question of the marketplace that the answer is for. */
function useField(cause: Cause, by: 'fact' | 'specific' | 'answer', id: string): SheetSpecific | undefined {
  const sheets = useCourier((s) => s.sheets);
  const market = cause.of[0]?.market;
  const sheet = sheets.find((s) => s.marketplace === market);
  const rules = cause.sort === 'coming' ? (sheet?.announced?.rules ?? sheet) : sheet;
  if (by !== 'answer') return rules?.categories.flatMap((c) => c.specifics).find((field) => field.id === id);
  const question = rules?.questions.find((q) => q.id === id);
  if (!question) return undefined;
  const { label, type, choices } = question;
  return {
    ...{ id, label, need: 'required' },
    ...(type === 'yesNo' ? { choices: ['yes', 'no'] } : choices ? { choices } : {}),
    ...(type === 'several' ? { most: 20 } : {}),
  };
}
