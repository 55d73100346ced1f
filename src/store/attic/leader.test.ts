import { lead, opening } from './leader';

interface Waiting {
  name: string;
  mode: 'exclusive' | 'shared';
  go: () => void;
}

/**
 * The browser's locks, as the Web Locks API tells them: one exclusive holder or many shared ones, the others
 * in order.
 */
class Locks {
  private readonly held: { name: string; mode: string }[] = [];
  private waiting: Waiting[] = [];

  request = async (
    name: string,
    ...rest: [
      { mode?: 'exclusive' | 'shared'; ifAvailable?: boolean; signal?: AbortSignal },
      (lock: object | null) => unknown,
    ]
  ): Promise<unknown> => {
    const [{ mode = 'exclusive', ifAvailable = false, signal }, work] = rest;
    if (!this.free(name, mode)) {
      if (ifAvailable) return work(null);
      await new Promise<void>((go, stop) => {
        this.waiting.push({ name, mode, go });
        signal?.addEventListener('abort', () => stop(signal.reason));
      });
    }
    const mine = { name, mode };
    this.held.push(mine);
    try {
      return await work({ name });
    } finally {
      this.held.splice(this.held.indexOf(mine), 1);
      this.next();
    }
  };
  private free(name: string, mode: string): boolean {
    const others = this.held.filter((h) => h.name === name);
    return others.length === 0 || (mode === 'shared' && others.every((h) => h.mode === 'shared'));
  }
  private next(): void {
    const first = this.waiting.find((w) => this.free(w.name, w.mode));
    this.waiting = this.waiting.filter((w) => w !== first);
    first?.go();
  }
}

const settled = () => new Promise((done) => setTimeout(done, 5));
const withLocks = (locks: unknown) =>
  Object.defineProperty(navigator, 'locks', { configurable: true, value: locks });
beforeEach(() => withLocks(new Locks()));
afterEach(() => withLocks(undefined));

it('of several pages one leads; when it stops the next one does', async () => {
  const led: string[] = [];
  const page = (name: string) =>
    lead('attic', () => {
      led.push(`${name} begins`);
      return () => led.push(`${name} stops`);
    });
  const [one, , three] = [page('one'), page('two'), page('three')];
  await settled();
  expect(led).toEqual(['one begins']);
  one();
  await settled();
  expect(led).toEqual(['one begins', 'one stops', 'two begins']);
  // One that only waits is just gone.
  three();
  await settled();
  expect(led).toHaveLength(3);
});

it('pages of another attic lead by themselves', async () => {
  const led: string[] = [];
  for (const attic of ['a', 'b'])
    lead(attic, () => {
      led.push(attic);
      return () => undefined;
    });
  await settled();
  expect(led).toEqual(['a', 'b']);
});

it('where the browser has no locks every page leads', () => {
  withLocks(undefined);
  const led: string[] = [];
  const begin = () => {
    led.push('begins');
    return () => led.push('stops');
  };
  lead('attic', begin)();
  lead('attic', begin);
  expect(led).toEqual(['begins', 'stops', 'begins']);
});

it('only the page that has an attic open may throw bytes away, and others wait until it has', async () => {
  const done: string[] = [];
  const first = opening('attic', async (alone) => {
    await settled();
    done.push(`first, alone ${alone}`);
  });
  const second = opening('attic', async (alone) => {
    done.push(`second, alone ${alone}`);
  });
  await Promise.all([first, second]);
  expect(done).toEqual(['first, alone true', 'second, alone false']);
});
