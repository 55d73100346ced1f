import { addDays, getHours, isSameDay, nextSaturday, roundToNearestMinutes, set } from 'date-fns';

/** Hours at which people have time. */
const EVENING = 18;
const MORNING = 11;
const DAY = { from: 8, until: 21 } as const;
const HOUR = 3_600_000;

/** Moments to meet that are offered with a tap, the nearest first: in an hour, evenings, Saturday. */
export function meetingTimes(now: number): number[] {
  const at = (day: Date, hours: number) =>
    set(day, { hours, minutes: 0, seconds: 0, milliseconds: 0 }).getTime();
  const tomorrow = addDays(now, 1);
  const saturday = nextSaturday(now);
  const soon = roundToNearestMinutes(now + HOUR, { nearestTo: 15, roundingMethod: 'ceil' }).getTime();
  const all = [
    at(new Date(now), EVENING),
    at(tomorrow, MORNING),
    at(tomorrow, EVENING),
    ...(isSameDay(saturday, tomorrow) ? [at(addDays(saturday, 1), MORNING)] : [at(saturday, MORNING)]),
  ];
  // An hour is needed to get there.
  const later = all.filter((moment) => moment > soon + HOUR).sort((a, b) => a - b);
  // Nobody meets at night.
  return getHours(soon) >= DAY.from && getHours(soon) < DAY.until ? [soon, ...later] : later;
}
