import { group } from 'd3-array';
import { useState } from 'react';
import { View } from 'react-native';

import { USES } from '@/contract/item';
import type { SheetSpecific } from '@/contract/ruleSheet';
import { wordsForUse } from '@/core/condition/grade';
import { idInField } from '@/core/listing/findings';
import { factOf } from '@/core/mapping/values';
import { planBulk, typedAction } from '@/core/stock/bulk';
import { answerAll } from '@/core/warnings/answerAll';
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
import { answerThere, fixAll } from '@/store/items/warnings';
import { useWays } from '@/store/items/ways';
import { fixWords } from '@/wording/check';

/** Puts a cause right for all it is the cause of, where one answer serves; else leads to where it is done. */
export function AnswerForAll({ cause }: { cause: Cause }) {
  const answer = oneAnswer(cause);
  const ids = [...new Set(cause.of.map((w) => w.item))];
  const fix = sameFix(cause);
  if (fix) {
    const words = fixWords(fix);
    return (
      <Button onPress={() => fixAll(cause.of, words)}>
        {ids.length === 1 ? words : `${words}: ${forAll(ids)}`}
      </Button>
    );
  }
  switch (answer?.by) {
    case undefined:
      return null;
    case 'kind':
    case 'parcel':
      return <ToMany ids={ids} to="/many" icon="write">{`Fill in ${forAll(ids)}`}</ToMany>;
    case 'category':
      return <ToMany ids={ids} to="/categories" icon="write">{`Choose categories of ${forAll(ids)}`}</ToMany>;
    case 'price':
      return (
        <ToMany ids={ids} to="/write?only=prices" icon="write">{`Find a price for ${forAll(ids)}`}</ToMany>
      );
    case 'words':
      return <ToMany ids={ids} to="/write" icon="write">{`Write for ${forAll(ids)}`}</ToMany>;
    case 'use':
      return <UseForAll ids={ids} />;
    case 'fact':
    case 'specific':
    case 'answer':
      return <ValueForAll cause={cause} ids={ids} by={answer.by} id={answer.id} />;
  }
}

/** What one press does about each of them; undefined: not the same of all. */
function sameFix({ of }: Cause) {
  const fix = of[0]?.finding?.fix;
  return fix && of.every((w) => w.finding?.fix && fixWords(w.finding.fix) === fixWords(fix))
    ? fix
    : undefined;
}

const forAll = ({ length }: readonly string[]) => (length === 1 ? 'it' : `all ${length}`);

function UseForAll({ ids }: { ids: readonly string[] }) {
  const items = useAttic((s) => s.items);
  const ways = useWays();
  const { trouble, run } = useAsyncAction();
  const write = (use: string) => {
    const list = ids.flatMap((id) => items[id] ?? []);
    return applyBulk('Use', planBulk(list, 'use', typedAction(use), ways), { quietly: true });
  };
  return (
    <>
      <OneOf<(typeof USES)[number] | ''>
        label={`How ${ids.length === 1 ? 'it was' : 'all were'} used`}
        options={USES.map((use) => [use, wordsForUse(use)])}
        value=""
        onChoose={(use) => run(() => write(use))}
      />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </>
  );
}

/** Writes one value into all of them, with one undo. @returns why some can't take it; null: all took it */
function ValueForAll(props: {
  cause: Cause;
  ids: readonly string[];
  by: 'fact' | 'specific' | 'answer';
  id: string;
}) {
  const { cause, ids, by, id } = props;
  const field = useField(cause, by, id);
  const items = useAttic((s) => s.items);
  const ways = useWays();
  const [value, setValue] = useState('');
  const { busy, trouble, run } = useAsyncAction();
  if (!field) return null;
  const label = ids.length === 1 ? field.label : `${field.label} for ${forAll(ids)}`;
  const put = () =>
    run(async () => {
      if (by === 'answer') return answerThere(cause.of, { by, id }, value);
      const { facts, there } = answerAll(cause, id, value, items, ways);
      // Each marketplace has its own name for the field.
      for (const [own, some] of group(there, (w) => (w.finding ? idInField(w.finding.field) : id)))
        answerThere(some, { by: 'specific', id: own }, value);
      await applyBulk(field.label, facts, { quietly: true });
    });
  return (
    <View style={{ gap: 6 }}>
      <FieldAnswer field={field} label={label} value={value} onChange={(change) => setValue(change)} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button label={`Put in: ${label}`} disabled={busy || value.trim() === ''} onPress={put}>
        {ids.length === 1 ? 'Put it in' : `Put it in for ${forAll(ids)}`}
      </Button>
    </View>
  );
}

/** The field or question of the marketplace that the answer is for. */
function useField(cause: Cause, by: 'fact' | 'specific' | 'answer', id: string): SheetSpecific | undefined {
  const sheets = useCourier((s) => s.sheets);
  const markets = new Set(cause.of.map((w) => w.market));
  const rules = sheets
    .filter((s) => markets.has(s.marketplace))
    .map((s) => (cause.sort === 'coming' ? (s.announced?.rules ?? s) : s));
  if (by !== 'answer') {
    const all = rules.flatMap((r) => r.categories.flatMap((c) => c.specifics));
    const same = all.filter((field) => factOf(field.id) === factOf(id));
    // A marketplace that takes any word takes those of one with a list.
    return same.find((field) => field.choices !== undefined) ?? same[0];
  }
  const question = rules.flatMap((r) => r.questions).find((q) => q.id === id);
  if (!question) return undefined;
  const { label, type, choices } = question;
  return {
    ...{ id, label, need: 'required' },
    ...(type === 'yesNo' ? { choices: ['yes', 'no'] } : choices ? { choices } : {}),
    ...(type === 'several' ? { most: 20 } : {}),
  };
}
