import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import { slipOf, SLIP_WORDS } from '@/core/measure/slips';
import { formatLength, lengthFigure, parseLength } from '@/core/measure/units';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { editThing } from '@/store/things';

/** One measurement's figure, typed; says where it came from and when it looks like a slip. */
export function MeasureField({ thing, spec }: { thing: Thing; spec: MeasureSpec }) {
  const units = useAttic((s) => s.settings.units);
  const value = thing.measurements[spec.id];
  const off = thing.uncertainty[spec.id];
  const slip = value === undefined ? null : slipOf(spec, value);
  const set = (mm: number | null) =>
    editThing(thing.id, spec.name.toLocaleLowerCase('en'), (t) => {
      const { [spec.id]: _, ...others } = t.measurements;
      // A figure said by a person takes the place of one from a picture.
      const { [spec.id]: __, ...uncertainty } = t.uncertainty;
      return { measurements: mm === null ? others : { ...others, [spec.id]: mm }, uncertainty };
    });
  return (
    <View style={{ gap: 5 }}>
      <Field
        label={spec.name}
        hint={
          spec.doubled && value !== undefined
            ? `${spec.how}; around ${formatLength(value * 2, units)}`
            : spec.how
        }
        figures
        keyboard={units === 'metric' ? 'decimal-pad' : 'default'}
        unit={units === 'metric' ? 'cm' : 'in'}
        value={value === undefined ? '' : lengthFigure(value, units)}
        refuse={(text) => {
          const parsed = text.trim() === '' ? null : parseLength(text, units);
          return parsed && !parsed.ok ? parsed.why : null;
        }}
        onChange={(text) => {
          const parsed = text.trim() === '' ? null : parseLength(text, units);
          if (!parsed || parsed.ok) set(parsed?.value ?? null);
        }}
      />
      {off !== undefined ? (
        <Words kind="small" tone="soft" figures>
          {`Measured in the picture, ± ${formatLength(off, units)}`}
        </Words>
      ) : null}
      {slip && value !== undefined ? (
        <Notice tone="caution">
          {`Usually ${formatLength(spec.usual[0], units)} to ${formatLength(spec.usual[1], units)}: ${formatLength(value, units)} is not. ${SLIP_WORDS[slip.kind]}`}
        </Notice>
      ) : null}
      {slip?.meant ? (
        <Press
          kind="quiet"
          label={`${spec.name} is ${formatLength(slip.meant, units)}`}
          onPress={() => set(slip.meant)}
        >
          {`It is ${formatLength(slip.meant, units)}`}
        </Press>
      ) : null}
    </View>
  );
}
