import { agoWords, clockOrDay, meetingTime, sinceWhen, soonWords, tookWords } from './time';

it('says how long something took as exactly as anybody wants to know', () => {
  expect([0, 999, 1_000, 1_940, 9_949, 12_400, 60_000, 185_000, 7_200_000].map(tookWords)).toEqual([
    'under a second',
    'under a second',
    '1.0 seconds',
    '1.9 seconds',
    '9.9 seconds',
    '12 seconds',
    '1 minute',
    '3 minutes',
    '2 hours',
  ]);
});

it('says when something was and when it will be', () => {
  const now = Date.now();
  expect(agoWords(now - 2_000)).toBe('just now');
  expect(agoWords(now - 3 * 86_400_000)).toBe('3 days ago');
  expect(soonWords(null, now)).toBe('now');
  expect(soonWords(now + 500, now)).toBe('now');
  expect(soonWords(now + 8_000, now)).toBe('in 8 seconds');
});

it('says a moment by the clock on its own day, and by the day on others', () => {
  const at = new Date(2026, 10, 27, 18, 42).getTime();
  expect(clockOrDay(at, at + 3 * 3_600_000)).toBe('18:42');
  expect(clockOrDay(at, at + 6 * 3_600_000)).toBe('27 Nov 2026');
  expect(meetingTime(Date.now())).toMatch(/^today, \d\d:\d\d$/u);
  expect(meetingTime(new Date(2020, 1, 29, 9, 5).getTime())).toBe('29 Feb 2020, 09:05');
});

it('says since when as anybody would: by the clock, by the weekday, by the day', () => {
  const now = new Date(2026, 10, 27, 9).getTime();
  const onDay = (day: number) => sinceWhen(new Date(2026, 10, day, 18, 42).getTime(), now);
  // 24 November 2026 is a Tuesday (ISO 8601 week 48).
  expect([27, 26, 24, 21, 20].map(onDay)).toEqual([
    '18:42',
    'yesterday',
    'Tuesday',
    'Saturday',
    '20 Nov 2026',
  ]);
});
