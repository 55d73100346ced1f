import fc from 'fast-check';

import { hoursOf, isSkipped, momentOn, movedTo, nextTime, timesOf, weekday } from './times';

// Both nights of the year in the zone tests run in (jest.config.js), by the rules of the European Union
// (directive 2000/84/EC): forward on the last Sunday of March at 01:00 UTC, back on the last one of October.
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
/** 18:00 on Saturdays before the clocks change: 17:00 and 16:00 UTC. */
const BEFORE_SPRING = Date.UTC(2027, 2, 27, 17);
const BEFORE_AUTUMN = Date.UTC(2026, 9, 24, 16);

describe('a rhythm', () => {
  it.each([
    ['spring', BEFORE_SPRING],
    ['autumn', BEFORE_AUTUMN],
  ])('of one every 20 minutes neither bunches up nor pauses in %s', (_, from) => {
    const times = timesOf(60, { type: 'every', from, minutes: 20 });
    expect(new Set(times.slice(1).map((at, i) => at - (times[i] ?? 0)))).toEqual(new Set([20 * MINUTE]));
  });
  it.each([
    ['spring', BEFORE_SPRING, 23],
    ['autumn', BEFORE_AUTUMN, 25],
  ])('of so many a day keeps the time of day in %s', (_, from, hours) => {
    const times = timesOf(6, { type: 'daily', from, perDay: 2, minutes: 30 });
    expect(times.map((at) => new Date(at).toTimeString().slice(0, 5))).toEqual([
      '18:00',
      '18:30',
      '18:00',
      '18:30',
      '18:00',
      '18:30',
    ]);
    expect((times[2] ?? 0) - (times[0] ?? 0)).toBe(hours * HOUR);
  });
  it('never goes back, and gives each one its moment', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: BEFORE_AUTUMN - 400 * HOUR, max: BEFORE_SPRING + 400 * HOUR }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 60 }),
        (count, from, perDay, minutes) => {
          for (const rhythm of [
            { type: 'every', from, minutes } as const,
            { type: 'daily', from, perDay, minutes } as const,
          ]) {
            const times = timesOf(count, rhythm);
            expect(times).toHaveLength(count);
            expect(times).toEqual([...times].sort((a, b) => a - b));
          }
        },
      ),
    );
  });
});

describe('a time of day', () => {
  it('that the clocks jump over is as much later; one they show twice is the first', () => {
    const spring = Date.UTC(2027, 2, 28, 12);
    expect(momentOn(spring, 150)).toBe(Date.UTC(2027, 2, 28, 1, 30));
    expect(isSkipped(spring, 150)).toBe(true);
    const autumn = Date.UTC(2026, 9, 25, 12);
    expect(momentOn(autumn, 150)).toBe(Date.UTC(2026, 9, 25, 0, 30));
    expect(isSkipped(autumn, 150)).toBe(false);
  });
  it('of the week comes after now, within a week and an hour', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2_000_000_000_000 }),
        fc.option(fc.integer({ min: 1, max: 7 })),
        fc.integer({ min: 0, max: 1_439 }),
        (now, day, minute) => {
          const at = nextTime({ day, minute }, now);
          expect(at).toBeGreaterThan(now);
          expect(at - now).toBeLessThanOrEqual((day === null ? 25 : 169) * HOUR);
          if (day !== null) expect(weekday(at)).toBe(day);
        },
      ),
    );
  });
});

describe('the hours of a day', () => {
  it('are 23 and 25 on the days the clocks change', () => {
    const spring = hoursOf(Date.UTC(2027, 2, 28, 12));
    expect(spring.map((h) => h.words).slice(0, 4)).toEqual(['00:00', '01:00', '03:00', '04:00']);
    const autumn = hoursOf(Date.UTC(2026, 9, 25, 12));
    expect(autumn.filter((h) => h.words === '02:00').map((h) => h.again)).toEqual([false, true]);
    expect([spring.length, autumn.length, hoursOf(Date.UTC(2026, 5, 1)).length]).toEqual([23, 25, 24]);
  });
  it('keep the minutes of what is dragged to another', () => {
    const at = Date.UTC(2026, 9, 24, 16, 20);
    const again = hoursOf(Date.UTC(2026, 9, 25, 12)).find((h) => h.again);
    expect(movedTo(at, again?.at ?? 0)).toBe(Date.UTC(2026, 9, 25, 1, 20));
  });
});
