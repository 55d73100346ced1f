import { comingWords } from '@/parts/ui/time';

import { meetingTimes } from './meetingTimes';

/** 1 December 2026 is a Tuesday (ISO 8601 week 49). */
const on = (day: number, hours: number, minutes = 0) => new Date(2026, 11, day, hours, minutes).getTime();
const offered = (now: number) => meetingTimes(now).map((at) => comingWords(at, now));

it('offers in an hour, this evening, tomorrow, and Saturday', () => {
  expect(offered(on(1, 9, 7))).toEqual([
    'today, 10:15',
    'today, 18:00',
    'tomorrow, 11:00',
    'tomorrow, 18:00',
    'Saturday, 11:00',
  ]);
});

it('offers no evening that is nearly over, and each day once', () => {
  // A Friday evening: Saturday is tomorrow, so Sunday is offered.
  expect(offered(on(4, 17, 30))).toEqual([
    'today, 18:30',
    'tomorrow, 11:00',
    'tomorrow, 18:00',
    'Sunday, 11:00',
  ]);
});

it('offers nothing at night', () =>
  expect(offered(on(1, 23, 30))).toEqual(['tomorrow, 11:00', 'tomorrow, 18:00', 'Saturday, 11:00']));
