import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { planBulk, typedAction, type Ways } from '@/core/stock/bulk';
import { cellText, type Question } from '@/core/stock/questions';
import { AnswerField } from '@/parts/trade/AnswerField';
import { Notice } from '@/parts/ui/Notice';
import { applyBulk } from '@/store/items/bulk';
import { typedTrouble } from '@/wording/typed';

/** One answer of one item, stored as it is said; what can't be kept stays in the field with the reason. */
export function OneAnswer({ item, question, ways }: { item: Item; question: Question; ways: Ways }) {
  const { target, spec, label, unit } = question;
  const known = cellText(item, target, ways);
  const [typed, setTyped] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const say = (text: string) => {
    setTyped(text);
    const plan = planBulk([item], target, typedAction(text), ways);
    const no = plan.refused[0];
    setWhy(no ? typedTrouble(no.why) : null);
    if (!no) void applyBulk(label, plan, { quietly: true });
  };
  return (
    <View style={{ gap: 4 }}>
      <AnswerField
        target={target}
        spec={spec}
        label={label}
        unit={unit}
        value={typed ?? known}
        onChange={say}
        onTap={say}
      />
      {why ? <Notice tone="trouble">{why}</Notice> : null}
    </View>
  );
}
