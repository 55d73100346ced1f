import { addDays, eachDayOfInterval, endOfMonth, format, getDay, startOfMonth } from 'date-fns';
import { View } from 'react-native';

import { useColours } from '@/theme/theme';

import { Text } from './Text';

export interface CalendarMark {
  at: number;
  /** Short, under the day: "43.20". */
  words: string;
  tone?: 'ink' | 'soft' | 'trouble';
}

/** Most months shown. */
const MOST = 6;

/** Months as grids, with what happens on the days of it. Weeks begin on Monday (ISO 8601). */
export function Calendar({
  label,
  marks,
  from,
}: {
  label: string;
  marks: readonly CalendarMark[];
  from: number;
}) {
  const c = useColours();
  const months = monthsOf([from, ...marks.map((m) => m.at)]);
  return (
    <View role="group" aria-label={label} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 14 }}>
      {months.map((month) => (
        <View key={month.getTime()} style={{ width: 7 * 44 }}>
          <Text variant="small" tone="soft">
            {format(month, 'MMMM yyyy')}
          </Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
            {Array.from({ length: (getDay(month) + 6) % 7 }, (_, i) => (
              <View key={`before ${i}`} style={{ width: 44, height: 40 }} />
            ))}
            {eachDayOfInterval({ start: month, end: endOfMonth(month) }).map((day) => {
              const next = addDays(day, 1).getTime();
              const here = marks.filter((m) => m.at >= day.getTime() && m.at < next);
              const today = from >= day.getTime() && from < next;
              return (
                <View
                  key={day.getTime()}
                  style={{
                    width: 44,
                    height: 40,
                    alignItems: 'center',
                    borderRadius: 8,
                    borderWidth: today ? 1 : 0,
                    borderColor: c.soft,
                    backgroundColor: here.length > 0 ? c.mossTint : undefined,
                  }}
                >
                  <Text variant="small" tone={here.length > 0 ? 'ink' : 'soft'} figures>
                    {String(day.getDate())}
                  </Text>
                  {here[0] ? (
                    <Text
                      variant="small"
                      tone={here[0].tone ?? 'ink'}
                      figures
                      numberOfLines={1}
                      style={{ fontSize: 11, lineHeight: 13 }}
                    >
                      {here.length > 1 ? `${here.length} ×` : here[0].words}
                    </Text>
                  ) : null}
                </View>
              );
            })}
          </View>
        </View>
      ))}
    </View>
  );
}

/** The months in which something happens, in order. */
function monthsOf(times: readonly number[]): Date[] {
  const starts = new Set(times.map((at) => startOfMonth(at).getTime()));
  return [...starts]
    .sort((a, b) => a - b)
    .slice(0, MOST)
    .map((at) => new Date(at));
}
