import { format } from 'date-fns';

import { FONT, useColours } from '@/theme/theme';

import { Text } from './Text';

const FORM = "yyyy-MM-dd'T'HH:mm";

/** A day and a time of day by the clock of the place, with the device's own way to choose them. */
export function MomentField(props: {
  label: string;
  at: number;
  /** What it may not be before; milliseconds since 1970. */
  least: number;
  onChange: (at: number) => void;
}) {
  const { label, at, least, onChange } = props;
  const c = useColours();
  return (
    <label style={{ display: 'flex', flexDirection: 'column', gap: 4 }}>
      <Text variant="small" tone="soft">
        {label}
      </Text>
      <input
        type="datetime-local"
        aria-label={label}
        value={format(at, FORM)}
        min={format(least, FORM)}
        onChange={({ target }) => {
          const next = new Date(target.value).getTime();
          if (next >= least) onChange(next);
        }}
        style={{
          boxSizing: 'border-box',
          minHeight: 48,
          padding: '0 12px',
          border: `1.5px solid ${c.soft}`,
          borderRadius: 10,
          background: c.surface,
          color: c.ink,
          colorScheme: 'inherit',
          font: `16px '${FONT.text}'`,
          fontVariantNumeric: 'tabular-nums',
        }}
      />
    </label>
  );
}
