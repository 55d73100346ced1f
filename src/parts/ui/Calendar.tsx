import { addDays, eachDayOfInterval, endOfMonth, format, getDay, startOfMonth } from 'date-fns';
import { Pressable, View } from 'react-native';

import { useColours } from '@/theme/theme';

import { Text } from './Text';

export interface CalendarMark {
  at: number;
  /** Short, under the day: "43.20". */
  words: string;
  tone?: 'ink' | 'soft' | 'trouble';
}

/** Monday first (ISO 8601). */
const WEEK = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'];
/** Most months shown. */
const MOST = 6;

interface CalendarProps {
  label: string;
  marks: readonly CalendarMark[];
  from: number;
  /** A moment of the day that is shown beside it. */
  chosen?: number;
  /** A day can be pressed; it is told when it begins. */
  onDay?: (day: number) => void;
}

/** Months as grids, with what happens on the days of it. Weeks begin on Monday (ISO 8601). */
export function Calendar({ label, marks, from, chosen, onDay }: CalendarProps) {
  const months = monthsOf([from, ...marks.map((m) => m.at)]);
  return (
    <View role="group" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 14 }}>
      {months.map((month) => (
        <View key={month.getTime()} style={{ width: 7 * 44 }}>
          <Text variant="small" tone="soft">
            {format(month, 'MMMM yyyy')}
          </Text>
          <View aria-hidden style={{ flexDirection: 'row' }}>
            {WEEK.map((name) => (
              <Text key={name} variant="small" tone="soft" style={{ width: 44, textAlign: 'center' }}>
                {name}
              </Text>
            ))}
          </View>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
            {Array.from({ length: (getDay(month) + 6) % 7 }, (_, i) => (
              <View key={`before ${i}`} style={{ width: 44, height: onDay ? 44 : 40 }} />
            ))}
            {eachDayOfInterval({ start: month, end: endOfMonth(month) }).map((day) => (
              <Day key={day.getTime()} day={day} marks={marks} from={from} chosen={chosen} onDay={onDay} />
            ))}
          </View>
        </View>
      ))}
    </View>
  );
}

/** One day of a month, and what happens on it. */
function Day(props: { day: Date } & Omit<CalendarProps, 'label'>) {
  const { day, marks, from, chosen, onDay } = props;
  const c = useColours();
  const next = addDays(day, 1).getTime();
  const isIn = (at: number) => at >= day.getTime() && at < next;
  const here = marks.filter((m) => isIn(m.at));
  const [first] = here;
  const isChosen = chosen !== undefined && isIn(chosen);
  const pressed = onDay && {
    role: 'button' as const,
    'aria-pressed': isChosen,
    'aria-label': dayName(day, here.length),
  };
  return (
    <Pressable
      disabled={!onDay}
      {...pressed}
      onPress={() => onDay?.(day.getTime())}
      style={{
        width: 44,
        height: onDay ? 44 : 40,
        alignItems: 'center',
        borderRadius: 8,
        borderWidth: isChosen ? 2 : isIn(from) ? 1 : 0,
        borderColor: isChosen ? c.moss : c.soft,
        backgroundColor: here.length > 0 ? c.mossTint : undefined,
      }}
    >
      <Text variant="small" tone={here.length > 0 ? 'ink' : 'soft'} figures>
        {String(day.getDate())}
      </Text>
      {first ? (
        <Text
          variant="small"
          tone={first.tone ?? 'ink'}
          figures
          numberOfLines={1}
          style={{ fontSize: 11, lineHeight: 13 }}
        >
          {here.length > 1 ? `${here.length} ×` : first.words}
        </Text>
      ) : null}
    </Pressable>
  );
}

/** "29 November 2026, 12 there" */
function dayName(day: Date, count: number): string {
  return format(day, 'd MMMM yyyy') + (count > 0 ? `, ${count} there` : '');
}

/** The months in which something happens, in order. */
function monthsOf(times: readonly number[]): Date[] {
  const starts = new Set(times.map((at) => startOfMonth(at).getTime()));
  return [...starts]
    .sort((a, b) => a - b)
    .slice(0, MOST)
    .map((at) => new Date(at));
}
