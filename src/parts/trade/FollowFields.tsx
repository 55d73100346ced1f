import { View } from 'react-native';

import type { FollowRule } from '@/contract/following';
import { OneOf } from '@/parts/ui/Choices';
import { WholeField } from '@/parts/ui/WholeField';

import { MoneyField } from './MoneyField';

const WAYS = [
  ['match', 'As the cheapest'],
  ['undercut', 'Under the cheapest'],
  ['above', 'Above the cheapest'],
] as const;
const CONDITIONS = [
  ['asGood', 'As good or better'],
  ['same', 'The same condition'],
  ['any', 'Any condition'],
] as const;
const NONE = [
  ['stay', 'Stay as it is'],
  ['shared', 'The shared price'],
  ['ceiling', 'Up to the ceiling'],
] as const;

/** A rule by which a price is set beside other sellers' copies. */
export function FollowFields(props: {
  rule: FollowRule;
  currency: string;
  /** Also what only counts where it goes on by itself: how often, between what, and with nobody there. */
  byItself: boolean;
  onChange: (part: Partial<FollowRule>) => void;
}) {
  const { rule, currency, byItself, onChange } = props;
  return (
    <View style={{ gap: 8 }}>
      <OneOf label="How to price it" options={WAYS} value={rule.way} onChoose={(way) => onChange({ way })} />
      {rule.way === 'match' ? null : (
        <MoneyField
          label={rule.way === 'undercut' ? 'Under it by' : 'Above it by'}
          value={rule.by}
          currency={currency}
          emptied="An amount."
          onChange={(by) => by !== null && onChange({ by })}
        />
      )}
      <OneOf
        label="Which copies count"
        options={CONDITIONS}
        value={rule.condition}
        onChoose={(condition) => onChange({ condition })}
      />
      <WholeField
        label="Buyers content, at least"
        unit="%"
        value={rule.minRating}
        least={0}
        most={100}
        onChange={(minRating) => onChange({ minRating })}
      />
      {byItself ? <ByItself rule={rule} currency={currency} onChange={onChange} /> : null}
    </View>
  );
}

function ByItself(props: {
  rule: FollowRule;
  currency: string;
  onChange: (part: Partial<FollowRule>) => void;
}) {
  const { rule, currency, onChange } = props;
  return (
    <>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Never under"
            value={rule.floor}
            currency={currency}
            placeholder="the floor"
            onChange={(floor) => onChange({ floor })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Never over"
            value={rule.ceiling}
            currency={currency}
            placeholder="any"
            onChange={(ceiling) => onChange({ ceiling })}
          />
        </View>
      </View>
      <WholeField
        label="Looks every"
        unit="h"
        value={rule.everyHours}
        least={1}
        most={168}
        onChange={(everyHours) => onChange({ everyHours })}
      />
      <OneOf
        label="Where no copy counts"
        options={NONE}
        value={rule.none}
        onChoose={(none) => onChange({ none })}
      />
    </>
  );
}
