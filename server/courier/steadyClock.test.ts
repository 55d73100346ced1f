import fc from 'fast-check';

import { SteadyClock } from './steadyClock';

/** A machine whose time of day can be set, and that can sleep. */
function machine() {
  const is = { wall: 1_700_000_000_000, steady: 5_000 };
  const clock = new SteadyClock(
    () => is.wall,
    () => is.steady,
  );
  const pass = (ms: number) => {
    is.wall += ms;
    is.steady += ms;
  };
  return { is, clock, pass };
}

it('tells the time of day, and goes on when that is set back', () => {
  const { is, clock, pass } = machine();
  expect(clock.now()).toBe(1_700_000_000_000);
  pass(10);
  is.wall -= 7_200_000;
  expect(clock.catchUp()).toBe(false);
  pass(5);
  expect(clock.now()).toBe(1_700_000_000_015);
});

it('is put forward after a sleep, not for a little', () => {
  const { is, clock } = machine();
  is.wall += 59_000;
  expect(clock.catchUp()).toBe(false);
  expect(clock.now()).toBe(1_700_000_000_000);
  is.wall += 3_600_000;
  expect(clock.catchUp()).toBe(true);
  expect(clock.now()).toBe(1_700_003_659_000);
  expect(clock.catchUp()).toBe(false);
});

it('begins no earlier than what is known, and never goes back whatever happens', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.oneof(
          fc.record({ type: fc.constant('pass' as const), ms: fc.integer({ min: 0, max: 100_000 }) }),
          fc.record({ type: fc.constant('set' as const), ms: fc.integer({ min: -1e9, max: 1e9 }) }),
          fc.record({ type: fc.constant('notBefore' as const), ms: fc.integer({ min: -1e9, max: 1e9 }) }),
        ),
      ),
      (moves) => {
        const { is, clock, pass } = machine();
        let last = clock.now();
        for (const { type, ms } of moves) {
          if (type === 'pass') pass(ms);
          else if (type === 'set') is.wall += ms;
          else {
            clock.notBefore(last + ms);
            expect(clock.now()).toBeGreaterThanOrEqual(last + ms - 1);
          }
          clock.catchUp();
          expect(clock.now()).toBeGreaterThanOrEqual(last);
          last = clock.now();
        }
      },
    ),
  );
});
