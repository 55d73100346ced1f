import { View } from 'react-native';

import { UNITS, type Unit } from '@/core/ledger/period';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';

import { spanWords } from './spanWords';
import type { Chosen } from './useSpan';

const UNIT_WORDS: Record<Unit, string> = { week: 'Week', month: 'Month', year: 'Tax year' };
const YEAR_START = /^(?:0[1-9]|1[0-2])-(?:0[1-9]|1\d|2[0-8])$/u;

/** Which time the figures are of. */
export function SpanPicker({ chosen }: { chosen: Chosen }) {
  const { unit, span, goesOn, setUnit, earlier, later } = chosen;
  const taxYear = useAttic((s) => s.settings.taxYear);
  return (
    <View style={{ gap: 8, width: '100%', maxWidth: 520 }}>
      <ChipRow label="Over">
        {UNITS.map((one) => (
          <Chip key={one} on={one === unit} onPress={() => setUnit(one)}>
            {UNIT_WORDS[one]}
          </Chip>
        ))}
      </ChipRow>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Button variant="quiet" onPress={earlier}>
          Earlier
        </Button>
        <View style={{ flex: 1, alignItems: 'center' }}>
          <Text variant="heading" figures style={{ textAlign: 'center' }}>
            {spanWords(unit, span)}
          </Text>
          {goesOn ? (
            <Text variant="small" tone="soft">
              so far
            </Text>
          ) : null}
        </View>
        <Button variant="quiet" disabled={later === null} onPress={() => later?.()}>
          Later
        </Button>
      </View>
      {unit === 'year' ? (
        <Field
          label="The tax year begins on"
          value={taxYear}
          maxLength={5}
          hint="Month-day: 01-01, or 04-06"
          figures
          refuse={(text) => (YEAR_START.test(text) ? null : 'Month-day, like 04-06, up to the 28th.')}
          onChange={(text) => setSettings({ taxYear: text })}
        />
      ) : null}
    </View>
  );
}
