import { useState } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { nextTime, timesOf, type Rhythm } from '@/core/planning/times';
import { OneOf } from '@/parts/ui/Choices';
import { MomentField } from '@/parts/ui/MomentField';
import { Text } from '@/parts/ui/Text';
import { meetingTime } from '@/parts/ui/time';
import { WholeField } from '@/parts/ui/WholeField';

const EVENING = 19 * 60;

/** When they go: at once, at a time of one's own, or one after the other. Kept by the courier. */
export function When(props: {
  /** How many go after each other. */
  count: number;
  /** Null: at once. */
  value: Rhythm | null;
  onChange: (value: Rhythm | null) => void;
}) {
  const { count, value, onChange } = props;
  const [now] = useState(() => Date.now());
  const from = !value
    ? nextTime({ day: null, minute: EVENING }, now)
    : value.type === 'at'
      ? value.at
      : value.from;
  const choose = (type: 'now' | Rhythm['type']) =>
    onChange(
      type === 'now'
        ? null
        : type === 'at'
          ? { type, at: from }
          : type === 'every'
            ? { type, from, minutes: 20 }
            : { type, from, perDay: 3, minutes: 20 },
    );
  const last = value && value.type !== 'at' ? timesOf(count, value).at(-1) : undefined;
  return (
    <View style={{ gap: 8 }}>
      <OneOf
        label="When"
        options={[
          ['now', 'At once'],
          ['at', 'At a time'],
          ...(count > 1
            ? ([
                ['every', 'One after the other'],
                ['daily', 'Some each day'],
              ] as const)
            : []),
        ]}
        value={value?.type ?? 'now'}
        onChoose={choose}
      />
      {value ? (
        <MomentField
          label={value.type === 'at' ? 'They go on' : 'The first goes on'}
          at={from}
          least={now}
          onChange={(at) => onChange(value.type === 'at' ? { ...value, at } : { ...value, from: at })}
        />
      ) : null}
      {value && value.type !== 'at' ? <HowOften value={value} onChange={onChange} /> : null}
      {last === undefined ? null : (
        <Text variant="small" tone="soft" figures>
          {`${plural(count, 'It goes', `The last of ${count} goes`)} ${meetingTime(last)}.`}
        </Text>
      )}
      {value ? (
        <Text variant="small" tone="soft">
          The courier lets them out, whether a page is open or not.
        </Text>
      ) : null}
    </View>
  );
}

/** So many minutes apart, and on how many a day. */
function HowOften(props: { value: Exclude<Rhythm, { type: 'at' }>; onChange: (value: Rhythm) => void }) {
  const { value, onChange } = props;
  return (
    <>
      {value.type === 'daily' ? (
        <WholeField
          label="Each day"
          unit="items"
          value={value.perDay}
          least={1}
          most={200}
          onChange={(perDay) => onChange({ ...value, perDay })}
        />
      ) : null}
      <WholeField
        label="One every"
        unit="minutes"
        value={value.minutes}
        least={1}
        most={1_440}
        onChange={(minutes) => onChange({ ...value, minutes })}
      />
    </>
  );
}
