import { isoDay } from './isoDay';

it('is the day where the person is, half an hour after midnight and half an hour before it', () => {
  expect(isoDay(new Date(2026, 6, 1, 0, 30).getTime())).toBe('2026-07-01');
  expect(isoDay(new Date(2026, 6, 1, 23, 30).getTime())).toBe('2026-07-01');
});

it('is tried where the day does not begin with that of UTC', () => {
  expect(new Date(2026, 6, 1).getTimezoneOffset()).not.toBe(0);
});
