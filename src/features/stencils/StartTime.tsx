import { View } from 'react-native';

import type { WeekTime } from '@/contract/stencil';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { TimeField } from '@/parts/ui/MomentField';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const EVENING: WeekTime = { day: 7, minute: 18 * 60 };

/** The time of the week at which listings go out. */
export function StartTime(props: { start: WeekTime | null; onChange: (start: WeekTime | null) => void }) {
  const { start, onChange } = props;
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
          <TimeField
            label="Time of day"
            minute={start.minute}
            onChange={(minute) => onChange({ ...start, minute })}
          />
        </>
      ) : null}
    </View>
  );
}
