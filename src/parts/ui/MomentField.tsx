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
  return (
    <Chooser
      label={label}
      type="datetime-local"
      value={format(at, FORM)}
      min={format(least, FORM)}
      onChange={(text) => {
        const next = new Date(text).getTime();
        if (next >= least) onChange(next);
      }}
    />
  );
}

/** A day of the calendar, as ISO 8601 writes it, or none. */
export function DayField(props: {
  label: string;
  value: string | null;
  onChange: (day: string | null) => void;
}) {
  const { label, value, onChange } = props;
  return (
    <Chooser
      label={label}
      type="date"
      value={value ?? ''}
      onChange={(text) => onChange(text === '' ? null : text)}
    />
  );
}

/** A time of day, in minutes since midnight. */
export function TimeField(props: { label: string; minute: number; onChange: (minute: number) => void }) {
  const { label, minute, onChange } = props;
  const two = (n: number) => String(n).padStart(2, '0');
  return (
    <Chooser
      label={label}
      type="time"
      value={`${two(Math.floor(minute / 60))}:${two(minute % 60)}`}
      onChange={(text) => {
        const [hours = NaN, minutes = NaN] = text.split(':').map(Number);
        const next = hours * 60 + minutes;
        if (next >= 0 && next < 1_440) onChange(next);
      }}
    />
  );
}

/** The device's own way to choose a day, a time or a moment. */
function Chooser(props: {
  label: string;
  type: 'date' | 'time' | 'datetime-local';
  value: string;
  min?: string;
  onChange: (text: string) => void;
}) {
  const { label, type, value, min, onChange } = props;
  const c = useColours();
  return (
    <label style={{ display: 'flex', flexDirection: 'column', gap: 4 }}>
      <Text variant="small" tone="soft">
        {label}
      </Text>
      <input
        type={type}
        aria-label={label}
        value={value}
        min={min}
        onChange={({ target }) => onChange(target.value)}
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
