import { View } from 'react-native';

import { MoneyField } from '@/parts/trade/MoneyField';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';

const ENDINGS = [0, 50, 95, 99];

/** Habits that hold for everything: closing words, how prices end, guards, how many times the cost. */
export function WordsAndPrices() {
  const { closingWords, priceEndings, guards, multiples, currency } = useAttic((s) => s.settings);
  const multiple = (label: string, value: number, set: (n: number) => void) => (
    <View style={{ flex: 1 }}>
      <Field
        label={label}
        figures
        keyboard="decimal-pad"
        value={String(value)}
        refuse={(text) => (asMultiple(text) === null ? 'A number from 1 to 100.' : null)}
        onChange={(text) => {
          const n = asMultiple(text);
          if (n !== null) set(n);
        }}
      />
    </View>
  );
  return (
    <Card label="Words and prices">
      <Text variant="heading">Words and prices</Text>
      <Field
        label="Closing words"
        hint="They end every description that is written from the facts."
        value={closingWords}
        multiline
        maxLength={1_000}
        onChange={(text) => setSettings({ closingWords: text })}
      />
      <ChipRow label="Price endings" radio={false}>
        {ENDINGS.map((end) => (
          <Chip
            key={end}
            role="checkbox"
            on={priceEndings.includes(end)}
            label={`Prices may end in ${String(end).padStart(2, '0')}`}
            onPress={() =>
              setSettings({
                priceEndings: priceEndings.includes(end)
                  ? priceEndings.filter((e) => e !== end)
                  : [...priceEndings, end],
              })
            }
          >
            {`.${String(end).padStart(2, '0')}`}
          </Chip>
        ))}
      </ChipRow>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Lowest price allowed"
            value={guards.min}
            currency={currency}
            emptied="A guard against slips: type an amount."
            onChange={(min) => min !== null && setSettings({ guards: { ...guards, min } })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Highest price allowed"
            value={guards.max}
            currency={currency}
            emptied="A guard against slips: type an amount."
            onChange={(max) => max !== null && setSettings({ guards: { ...guards, max } })}
          />
        </View>
      </View>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        {multiple('Times the cost, one-offs', multiples.oneOff, (oneOff) =>
          setSettings({ multiples: { ...multiples, oneOff } }),
        )}
        {multiple('Times the cost, what can be had again', multiples.again, (again) =>
          setSettings({ multiples: { ...multiples, again } }),
        )}
      </View>
    </Card>
  );
}

function asMultiple(text: string): number | null {
  const n = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && n >= 1 && n <= 100 ? n : null;
}
