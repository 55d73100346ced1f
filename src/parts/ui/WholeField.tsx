import { Field } from './Field';

/** A whole number within limits; others stay in the field with the reason. */
export function WholeField(props: {
  label: string;
  unit?: string;
  value: number;
  least: number;
  most: number;
  onChange: (n: number) => void;
}) {
  const { label, unit, value, least, most, onChange } = props;
  const fits = (text: string) => /^\d+$/u.test(text.trim()) && Number(text) >= least && Number(text) <= most;
  return (
    <Field
      label={label}
      unit={unit}
      figures
      keyboard="number-pad"
      value={String(value)}
      refuse={(text) => (fits(text) ? null : `A whole number from ${least} to ${most}.`)}
      onChange={(text) => {
        if (fits(text)) onChange(Number(text));
      }}
    />
  );
}
