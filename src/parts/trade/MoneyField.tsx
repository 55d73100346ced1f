import { formatAmount, parseMoney } from '@/core/money/money';
import { Field } from '@/parts/ui/Field';
import { typedTrouble } from '@/wording/typed';

export interface MoneyFieldProps {
  label: string;
  /** Minor units. */
  value: number | null;
  onChange: (amount: number | null) => void;
  currency: string;
  hint?: string;
  placeholder?: string;
  /** An emptied field is a slip: the last amount is kept, and this says so. */
  emptied?: string;
}

/** An amount with a number keypad, in the workspace's currency. An emptied field means "not said". */
export function MoneyField({ value, onChange, currency, emptied, ...rest }: MoneyFieldProps) {
  return (
    <Field
      {...rest}
      figures
      keyboard="decimal-pad"
      unit={currency}
      value={value === null ? '' : formatAmount(value, currency)}
      refuse={(text) => {
        if (text.trim() === '') return emptied ?? null;
        const parsed = parseMoney(text, currency);
        return parsed.ok ? null : typedTrouble(parsed.why);
      }}
      onChange={(text) => {
        const parsed = text.trim() === '' ? null : parseMoney(text, currency);
        if (parsed === null) onChange(null);
        else if (parsed.ok) onChange(parsed.amount);
      }}
    />
  );
}
