import { expose, type Endpoint } from 'comlink';

import { useFaults } from './faults';
import { keptWorker, WorkerStopped } from './workers';

/** A worker in this very process: its functions answer over a channel, and it can be made to stop. */
class TestWorker extends EventTarget {
  static all: TestWorker[] = [];
  ended = false;
  private readonly there = new EventTarget();

  constructor(functions: object) {
    super();
    TestWorker.all.push(this);
    const far = this.there;
    expose(functions, {
      addEventListener: far.addEventListener.bind(far),
      removeEventListener: far.removeEventListener.bind(far),
      postMessage: (data: unknown) => {
        if (!this.ended) this.dispatchEvent(new MessageEvent('message', { data }));
      },
    } as Endpoint);
  }
  postMessage(data: unknown) {
    queueMicrotask(() => this.there.dispatchEvent(new MessageEvent('message', { data })));
  }
  terminate() {
    this.ended = true;
  }
  crash() {
    this.dispatchEvent(new ErrorEvent('error', { message: 'out of memory', cancelable: true }));
  }
}
interface Sums {
  add(a: number, b: number): Promise<number>;
}
const never = () => new Promise<number>(() => undefined);

let complained: jest.SpyInstance;
beforeEach(() => {
  TestWorker.all = [];
  complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  useFaults.setState({ last: null, count: 0 });
});
afterEach(() => complained.mockRestore());

const made = (
  lives: ((a: number, b: number) => Promise<number> | number)[],
  starts: string[] = [],
  patience?: number,
) =>
  keptWorker<Sums>(
    'adding up',
    () =>
      new TestWorker({ add: lives[Math.min(TestWorker.all.length, lives.length - 1)]! }) as unknown as Worker,
    () => starts.push('start'),
    patience,
  );
const crashSoon = () => setTimeout(() => TestWorker.all.at(-1)!.crash(), 20);

it('is started when it is first asked, once', async () => {
  const starts: string[] = [];
  const worker = made([(a, b) => a + b], starts);
  expect(starts).toEqual([]);
  expect(await worker.ask.add(1, 2)).toBe(3);
  expect(await worker.ask.add(2, 2)).toBe(4);
  expect(starts).toEqual(['start']);
});

it('is started anew when it stops, and what it was asked is answered by the new one', async () => {
  const starts: string[] = [];
  const worker = made([never, (a, b) => a + b], starts);
  const answer = worker.ask.add(1, 2);
  crashSoon();
  expect(await answer).toBe(3);
  expect(starts).toEqual(['start', 'start']);
  expect(TestWorker.all[0]!.ended).toBe(true);
  expect(useFaults.getState()).toMatchObject({ count: 1, last: { doing: 'adding up' } });
});

it('is given up when it stops twice under the same work, in words; the next finds a new one', async () => {
  const worker = made([never, never, (a, b) => a + b]);
  const answer = worker.ask.add(1, 2).catch((error: unknown) => error);
  crashSoon();
  setTimeout(crashSoon, 30);
  expect(await answer).toBeInstanceOf(WorkerStopped);
  expect(await worker.ask.add(2, 3)).toBe(5);
});

it('is not waited for when it was ended without a word', async () => {
  const worker = made([never, (a, b) => a + b], [], 50);
  expect(await worker.ask.add(1, 2)).toBe(3);
});

it('an error it tells of is the work’s own: nothing is started anew', async () => {
  const starts: string[] = [];
  const worker = made([() => Promise.reject(new Error('no such sum'))], starts);
  await expect(worker.ask.add(1, 2)).rejects.toThrow('no such sum');
  expect(starts).toHaveLength(1);
});
