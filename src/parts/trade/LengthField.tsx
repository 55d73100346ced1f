import { lengthFigure, parseLength, type Units } from '@/core/measure/units';
import { Field } from '@/parts/ui/Field';
import { typedTrouble } from '@/wording/typed';

/** A length in the person's units, inches as tailors write them. An emptied field means "not measured". */
export function LengthField(props: {
  label: string;
  /** Millimetres. */
  value: number | null;
  units: Units;
  hint?: string;
  onChange: (mm: number | null) => void;
}) {
  const { units, value, onChange, ...rest } = props;
  return (
    <Field
      {...rest}
      figures
      keyboard={units === 'metric' ? 'decimal-pad' : 'default'}
      unit={units === 'metric' ? 'cm' : 'in'}
      value={value === null ? '' : lengthFigure(value, units)}
      refuse={(text) => {
        const parsed = text.trim() === '' ? null : parseLength(text, units);
        return parsed && !parsed.ok ? typedTrouble(parsed.why) : null;
      }}
      onChange={(text) => {
        const parsed = text.trim() === '' ? null : parseLength(text, units);
        if (!parsed || parsed.ok) onChange(parsed?.value ?? null);
      }}
    />
  );
}
