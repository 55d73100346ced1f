import { View } from 'react-native';

import type { WeekTime } from '@/contract/stencil';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const EVENING: WeekTime = { day: 7, minute: 18 * 60 };
const two = (n: number) => String(n).padStart(2, '0');

/** The time of the week at which listings go out. */
export function StartTime(props: { start: WeekTime | null; onChange: (start: WeekTime | null) => void }) {
  const { start, onChange } = props;
  const c = useColours();
  return (
    <View style={{ gap: 8 }}>
      <OneOf
        label="When"
        options={[
          ['now', 'At once'],
          ['time', 'At a time of the week'],
        ]}
        value={start ? 'time' : 'now'}
        onChoose={(id) => onChange(id === 'now' ? null : (start ?? EVENING))}
      />
      {start ? (
        <>
          <ChipRow label="Day of the week">
            <Chip on={start.day === null} onPress={() => onChange({ ...start, day: null })}>
              Any day
            </Chip>
            {DAYS.map((name, i) => (
              <Chip key={name} on={start.day === i + 1} onPress={() => onChange({ ...start, day: i + 1 })}>
                {name}
              </Chip>
            ))}
          </ChipRow>
          <label style={{ display: 'flex', alignItems: 'center', gap: 10 }}>
            <Text variant="small" tone="soft">
              At
            </Text>
            <input
              type="time"
              aria-label="Time of day"
              value={`${two(Math.floor(start.minute / 60))}:${two(start.minute % 60)}`}
              onChange={({ target }) => {
                const [hours = NaN, minutes = NaN] = target.value.split(':').map(Number);
                const minute = hours * 60 + minutes;
                if (minute >= 0 && minute < 1_440) onChange({ ...start, minute });
              }}
              style={{
                minHeight: 48,
                padding: '0 12px',
                border: `1.5px solid ${c.soft}`,
                borderRadius: 10,
                background: c.surface,
                color: c.ink,
                font: `16px '${FONT.text}'`,
              }}
            />
          </label>
        </>
      ) : null}
    </View>
  );
}
