import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { readable, toggled } from '@/core/kinds/values';
import { planBulk, typedAction, shown } from '@/core/stock/bulk';
import { questionsOf, type Question } from '@/core/stock/questions';
import { AnswerField } from '@/parts/trade/AnswerField';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { applyBulk } from '@/store/items/bulk';
import { editItem } from '@/store/items/items';
import { useWays } from '@/store/items/ways';
import { typedTrouble } from '@/wording/typed';

import { Comps } from '../price/Comps';

/** What no picture says and a listing needs: how much it was used, what its kind must have, the price. */
export function StillAsked({ item }: { item: Item }) {
  const ways = useWays();
  const forms = useAttic((s) => s.forms);
  // Whatever was open once stays: a question must not go from under the answer.
  const [opened, setOpened] = useState<{ kind: string; targets: readonly string[] }>(NONE_YET);
  const open = useMemo(
    () =>
      questionsOf([item], ways, Object.values(forms)).filter(
        (q) =>
          isNeeded(q) &&
          // What its pictures say of it is asked above.
          !item.readings.some((r) => r.field === q.target) &&
          (shown(item, q.target, ways) === '' || opened.targets.includes(q.target)),
      ),
    [item, ways, forms, opened],
  );
  const targets = open.map((q) => q.target);
  if (item.kind !== opened.kind || targets.some((t) => !opened.targets.includes(t)))
    setOpened({
      kind: item.kind,
      targets: item.kind === opened.kind ? [...opened.targets, ...targets] : targets,
    });
  if (item.kind === '' || open.length === 0) return null;
  return (
    <Card label="No picture says">
      <Text variant="heading">No picture says</Text>
      {open.map((question) => (
        <Asked key={question.target} item={item} question={question} />
      ))}
    </Card>
  );
}

const NONE_YET = { kind: '', targets: [] };

function isNeeded({ target, spec }: Question): boolean {
  return target === 'use' || target === 'price' || spec?.need === 'required';
}

function Asked({ item, question }: { item: Item; question: Question }) {
  const ways = useWays();
  const { target, spec, label } = question;
  const known = shown(item, target, ways);
  const [why, setWhy] = useState<string | null>(null);
  const keep = (value: string) => {
    const plan = planBulk([item], target, typedAction(value), ways);
    setWhy(plan.refused[0] ? typedTrouble(plan.refused[0].why) : null);
    void applyBulk(label, plan, { quietly: true });
  };
  if (target === 'price') return <Price item={item} />;
  return (
    <View style={{ gap: 6 }}>
      {target === 'use' || (spec?.closed ?? false) ? (
        <Text variant="small" tone="soft">
          {label}
        </Text>
      ) : null}
      <AnswerField
        target={target}
        spec={spec}
        label={label}
        value={target === 'use' ? (item.use ?? '') : known}
        onChange={keep}
        onTap={(text) => keep(spec?.several ? readable(toggled(known.replaceAll(', ', '\n'), text)) : text)}
      />
      {why ? <Notice tone="trouble">{why}</Notice> : null}
    </View>
  );
}

/** Typed, or taken from what others sold for. */
function Price({ item }: { item: Item }) {
  const currency = useAttic((s) => s.settings.currency);
  return (
    <>
      <MoneyField
        label="Price"
        value={item.price}
        currency={currency}
        onChange={(price) => editItem(item.id, 'price', { price })}
      />
      <Comps item={item} />
    </>
  );
}
