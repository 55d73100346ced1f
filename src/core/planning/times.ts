import { addDays, startOfDay } from 'date-fns';

import type { WeekTime } from '@/contract/stencil';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** When many are let out: all at a moment, one after the other, or so many a day by the clock. */
export type Rhythm =
  | { type: 'at'; at: number }
  /** One every so many minutes. */
  | { type: 'every'; from: number; minutes: number }
  /** So many on each day, at the time of day of `from`, one every so many minutes. */
  | { type: 'daily'; from: number; perDay: number; minutes: number };

/**
 * The moments at which many are let out, one each, in order. Minutes are minutes that pass: on a night the
 * clocks change nothing bunches up and nothing pauses. Days are days of the place: 18:00 stays 18:00.
 *
 * @param count how many; milliseconds since 1970 come back
 */
export function timesOf(count: number, rhythm: Rhythm): number[] {
  return Array.from({ length: Math.max(0, count) }, (_, i) => {
    switch (rhythm.type) {
      case 'at':
        return rhythm.at;
      case 'every':
        return rhythm.from + i * Math.max(1, rhythm.minutes) * MINUTE;
      case 'daily': {
        const perDay = Math.max(1, rhythm.perDay);
        const day = addDays(rhythm.from, Math.floor(i / perDay)).getTime();
        return day + (i % perDay) * Math.max(1, rhythm.minutes) * MINUTE;
      }
    }
  });
}

/**
 * The moment of a time of day by the clock of the place.
 *
 * @param day any moment of that day
 * @param minute minutes since midnight. A time that the clocks jump over is the one as much later; one that
 *   they show twice is the first of the two.
 */
export function momentOn(day: number, minute: number): number {
  const date = new Date(startOfDay(day));
  return date.setHours(Math.floor(minute / 60), minute % 60, 0, 0);
}

/** Whether the clocks of the place jump over a time of that day. */
export function isSkipped(day: number, minute: number): boolean {
  const date = new Date(momentOn(day, minute));
  return date.getHours() * 60 + date.getMinutes() !== minute;
}

/** The next moment at which it is that time of the week, after `now`. */
export function nextTime({ day, minute }: WeekTime, now: number): number {
  for (let ahead = 0; ; ahead += 1) {
    const date = addDays(startOfDay(now), ahead).getTime();
    const at = momentOn(date, minute);
    if (at > now && (day === null || weekday(date) === day)) return at;
  }
}

/** 1 is Monday, 7 Sunday (ISO 8601). */
export function weekday(at: number): number {
  return ((new Date(at).getDay() + 6) % 7) + 1;
}

/** An hour of a day as the clocks of the place show it. */
export interface HourOfDay {
  at: number;
  /** "02:00" */
  words: string;
  /** The clocks were put back: this hour was there before. */
  again: boolean;
}

/** The hours of a day, in order: 24, or 23 and 25 on the days the clocks change. */
export function hoursOf(day: number): HourOfDay[] {
  const end = addDays(startOfDay(day), 1).getTime();
  const hours: HourOfDay[] = [];
  for (let at = startOfDay(day).getTime(); at < end; at += HOUR) {
    const date = new Date(at);
    const words = `${two(date.getHours())}:${two(date.getMinutes())}`;
    hours.push({ at, words, again: hours.at(-1)?.words === words });
  }
  return hours;
}

/**
 * The same minute in another hour: what is dragged there keeps its minutes.
 *
 * @param hour the moment an hour begins
 */
export function movedTo(at: number, hour: number): number {
  return hour + (at - new Date(at).setMinutes(0, 0, 0));
}

function two(n: number): string {
  return String(n).padStart(2, '0');
}

/** Minutes since midnight, by the clock of the place. */
export function minuteOf(at: number): number {
  const date = new Date(at);
  return date.getHours() * 60 + date.getMinutes();
}
