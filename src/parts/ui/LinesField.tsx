import { Field } from './Field';

export interface LinesFieldProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
}

/** A few lines that are given away with a press of their own: what a buyer is told, or said; an address. */
export function LinesField(props: LinesFieldProps) {
  return <Field {...props} multiline pause={0} maxLength={500} />;
}
