import { View } from 'react-native';

import type { Settings } from '@/contract/records';
import { listed } from '@/core/language/listed';
import { OneOf } from '@/parts/ui/Choices';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';

/** Those that are offered; whichever the marketplaces sell in come first. */
const CURRENCIES = ['EUR', 'GBP', 'USD', 'CHF', 'SEK', 'NOK', 'DKK', 'PLN', 'CZK', 'CAD', 'AUD', 'JPY'];

type Chosen = Pick<Settings, 'currency' | 'units'>;

/**
 * In what amounts and measurements are.
 *
 * @param mayChange whether the currency can still be changed: amounts that stand would mean something else
 */
export function CurrencyAndUnits(props: {
  value: Chosen;
  onChange: (part: Partial<Chosen>) => void;
  mayChange: boolean;
}) {
  const { value, onChange, mayChange } = props;
  const theirs = useCourier((s) => s.sheets)
    .map((s) => s.currency)
    .filter((one, i, all) => all.indexOf(one) === i);
  const offered = [...new Set([...theirs, ...CURRENCIES, value.currency])];
  return (
    <View style={{ gap: 10 }}>
      {mayChange ? (
        <OneOf
          label="Currency"
          options={offered.map((code) => [code, code] as const)}
          value={value.currency}
          onChoose={(currency) => onChange({ currency })}
        />
      ) : (
        <Text figures>
          {`Amounts are in ${value.currency}. In another currency those that stand would mean something ` +
            'else: that takes a new attic.'}
        </Text>
      )}
      {theirs.length > 0 && !theirs.includes(value.currency) ? (
        <Text tone="trouble">
          {`The marketplaces there are sell in ${listed(theirs, 'and')}: in ${value.currency} nothing can ` +
            'be sent to them.'}
        </Text>
      ) : null}
      <OneOf
        label="Units"
        options={[
          ['metric', 'Centimetres, grams'],
          ['imperial', 'Inches, ounces'],
        ]}
        value={value.units}
        onChoose={(units) => onChange({ units })}
      />
    </View>
  );
}
