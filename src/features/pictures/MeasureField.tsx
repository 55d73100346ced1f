import { View } from 'react-native';

import type { MEASURED_BY, Item } from '@/contract/records';
import { slipOf } from '@/core/kinds/slips';
import type { MeasureSpec } from '@/core/kinds/spec';
import { formatLength } from '@/core/measure/units';
import { LengthField } from '@/parts/trade/LengthField';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';
import { slipQuestion } from '@/wording/kinds';

const SOURCE_WORDS: Record<(typeof MEASURED_BY)[number], string> = {
  tape: 'Measured with a tape',
  picture: 'Measured in the picture',
  label: 'Read in a picture',
};

/** One measurement's figure, typed; says where it came from and when it looks like a slip. */
export function MeasureField({ item, spec }: { item: Item; spec: MeasureSpec }) {
  const units = useAttic((s) => s.settings.units);
  const value = item.measurements[spec.id];
  const off = item.uncertainty[spec.id];
  // From before sources were kept, a figure that may be off is one from a picture.
  const by = item.measuredBy[spec.id] ?? (off === undefined ? undefined : 'picture');
  const slip = value === undefined ? null : slipOf(spec, value);
  const set = (mm: number | null) =>
    editItem(item.id, spec.name.toLocaleLowerCase('en'), (t) => {
      const { [spec.id]: _, ...others } = t.measurements;
      // A figure said by a person takes the place of one from a picture.
      const { [spec.id]: __, ...uncertainty } = t.uncertainty;
      const { [spec.id]: ___, ...measuredBy } = t.measuredBy;
      return mm === null
        ? { measurements: others, uncertainty, measuredBy }
        : {
            measurements: { ...others, [spec.id]: mm },
            uncertainty,
            measuredBy: { ...measuredBy, [spec.id]: 'tape' },
          };
    });
  return (
    <View style={{ gap: 5 }}>
      <LengthField
        label={spec.name}
        hint={
          spec.doubled && value !== undefined
            ? `${spec.how}; around ${formatLength(value * 2, units)}`
            : spec.how
        }
        value={value ?? null}
        units={units}
        onChange={set}
      />
      {value !== undefined && by ? (
        <Text variant="small" tone="soft" figures>
          {off === undefined ? SOURCE_WORDS[by] : `${SOURCE_WORDS[by]}, ± ${formatLength(off, units)}`}
        </Text>
      ) : null}
      {slip && value !== undefined ? (
        <Notice tone="caution">
          {`Usually ${formatLength(spec.usual[0], units)} to ${formatLength(spec.usual[1], units)}: ` +
            `${formatLength(value, units)} is not. ${slipQuestion(slip)}`}
        </Notice>
      ) : null}
      {slip?.meant ? (
        <Button
          variant="quiet"
          label={`${spec.name} is ${formatLength(slip.meant, units)}`}
          onPress={() => set(slip.meant)}
        >
          {`It is ${formatLength(slip.meant, units)}`}
        </Button>
      ) : null}
    </View>
  );
}
