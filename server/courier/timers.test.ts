import { StoppableTimers, systemTimers } from './timers';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('runs once, and again and again, until it is stopped', () => {
  const ran: string[] = [];
  const timers = new StoppableTimers(systemTimers);
  timers.after(10, () => ran.push('once'));
  const stopEvery = timers.every(10, () => ran.push('again'));
  timers.after(15, () => ran.push('never'))();
  jest.advanceTimersByTime(25);
  expect(ran).toEqual(['once', 'again', 'again']);
  stopEvery();
  jest.advanceTimersByTime(25);
  expect(ran).toHaveLength(3);
  expect(jest.getTimerCount()).toBe(0);
});

it('stops all together; after that none starts', () => {
  const ran: string[] = [];
  const timers = new StoppableTimers(systemTimers);
  timers.after(10, () => ran.push('once'));
  timers.every(10, () => ran.push('again'));
  timers.stop();
  timers.after(10, () => ran.push('late'));
  timers.every(10, () => ran.push('late'));
  expect(jest.getTimerCount()).toBe(0);
  jest.advanceTimersByTime(100);
  expect(ran).toEqual([]);
});

it('waits no shorter than asked for what is months away', () => {
  const run = jest.fn();
  systemTimers.after(Number.MAX_SAFE_INTEGER, run);
  jest.advanceTimersByTime(1_000_000_000);
  expect(run).not.toHaveBeenCalled();
});
