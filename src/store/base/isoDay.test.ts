import { isIsoDay, isoDay } from './isoDay';

it('is the day where the person is, half an hour after midnight and half an hour before it', () => {
  expect(isoDay(new Date(2026, 6, 1, 0, 30).getTime())).toBe('2026-07-01');
  expect(isoDay(new Date(2026, 6, 1, 23, 30).getTime())).toBe('2026-07-01');
});

it('is tried where the day does not begin with that of UTC', () => {
  expect(new Date(2026, 6, 1).getTimezoneOffset()).not.toBe(0);
});

it('is a day of the calendar, or none', () => {
  for (const day of ['2026-11-08', '2028-02-29']) expect(isIsoDay(day)).toBe(true);
  for (const none of ['2026-02-31', '2026-13-01', '2026-11-8', '08.11.2026', ''])
    expect(isIsoDay(none)).toBe(false);
});
