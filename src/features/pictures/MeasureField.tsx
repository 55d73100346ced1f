import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import { formatLength, lengthFigure, parseLength } from '@/core/measure/units';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { editThing } from '@/store/things';

/** One measurement's figure, typed; says where it came from and when it looks like a slip. */
export function MeasureField({ thing, spec }: { thing: Thing; spec: MeasureSpec }) {
  const units = useAttic((s) => s.settings.units);
  const value = thing.measurements[spec.id];
  const off = thing.uncertainty[spec.id];
  const [low, high] = spec.usual;
  const slip = value !== undefined && (value < low || value > high);
  return (
    <View style={{ gap: 5 }}>
      <Field
        label={spec.name}
        hint={spec.how}
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
          if (parsed && !parsed.ok) return;
          editThing(thing.id, spec.name.toLocaleLowerCase('en'), (t) => {
            const { [spec.id]: _, ...others } = t.measurements;
            // A tape's figure takes the place of one from a picture.
            const { [spec.id]: __, ...uncertainty } = t.uncertainty;
            return { measurements: parsed ? { ...others, [spec.id]: parsed.value } : others, uncertainty };
          });
        }}
      />
      {off !== undefined ? (
        <Words kind="small" tone="soft" figures>
          {`Measured in the picture, ± ${formatLength(off, units)}`}
        </Words>
      ) : null}
      {slip ? (
        <Notice tone="caution">{`Usually ${formatLength(low, units)} to ${formatLength(high, units)}: is ${formatLength(value, units)} right?`}</Notice>
      ) : null}
    </View>
  );
}
