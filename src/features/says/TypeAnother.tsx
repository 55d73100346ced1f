import { useState } from 'react';

import type { Item, Reading } from '@/contract/records';
import type { Units } from '@/core/measure/units';
import { AnswerField } from '@/parts/trade/AnswerField';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { useWays } from '@/store/items/ways';
import { sayOtherwise, targetOf } from '@/store/pictures/taught';
import { fieldName } from '@/wording/kinds';
import { typedTrouble } from '@/wording/typed';

/** Another value in a reading's place: tapped where there is a list, typed otherwise. */
export function TypeAnother({ item, reading }: { item: Item; reading: Reading }) {
  const ways = useWays();
  const { kinds, units } = ways;
  const [value, setValue] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  const { field } = reading;
  const name = fieldName(field, item.kind, kinds);
  const take = (text: string) => {
    const trouble = text.trim() === '' ? null : sayOtherwise(item, reading, text, ways);
    setWhy(trouble && typedTrouble(trouble));
  };
  return (
    <>
      <AnswerField
        target={targetOf(field)}
        spec={field.startsWith('fact:') ? kinds.fact(item.kind, field.slice(5)) : undefined}
        label={`${name}, put right`}
        unit={unitOf(field, units)}
        value={value}
        onChange={(text) => {
          setValue(text);
          setWhy(null);
        }}
        onTap={take}
        onEnter={() => take(value)}
        autoFocus
      />
      {why ? <Notice tone="trouble">{why}</Notice> : null}
      <Button icon="check" disabled={value.trim() === ''} onPress={() => take(value)}>
        Take this
      </Button>
    </>
  );
}

function unitOf(field: string, units: Units): string | undefined {
  if (field.startsWith('measure:')) return units === 'metric' ? 'cm' : 'in';
  return field === 'weight' ? (units === 'metric' ? 'g' : 'oz') : undefined;
}
