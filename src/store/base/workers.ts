import { wrap, type Remote } from 'comlink';

import { Expected, fault } from './faults';

/** The work was given up twice; the message is for a person. */
export class WorkerStopped extends Expected {
  constructor() {
    super('This could not be worked out on this device just now. Nothing was changed; try again.');
  }
}

export interface KeptWorker<T> {
  /**
   * Its functions, as if they were here. Each is given to a new worker once more if the worker stops under
   * it.
   */
  readonly ask: Remote<T>;
  /** Starts it where it is not running. */
  begin(): void;
  stop(): void;
}

interface Life {
  worker: Worker;
  remote: Record<string, (...what: unknown[]) => Promise<unknown>>;
  /** Settles, by failing, when the worker is gone. */
  over: Promise<never>;
  end(error: unknown): void;
}

/** A call that takes longer will never be answered: its worker was ended by the browser, milliseconds. */
const PATIENCE = 120_000;

/**
 * A worker that is started when it is first asked, and started anew when it stops: nobody waits for the
 * answer of one that is gone. Its functions must be safe to call twice.
 *
 * @param doing what it does, in the words of the person: "working on a picture"
 * @param onStart told of every start: a new worker knows nothing of what the last one was told
 */
export function keptWorker<T>(
  doing: string,
  make: () => Worker,
  onStart: () => void = () => undefined,
  patience = PATIENCE,
): KeptWorker<T> {
  let life: Life | null = null;

  const begin = (): Life => {
    const worker = make();
    let end: (error: unknown) => void = () => undefined;
    const over = new Promise<never>((_, fail) => (end = fail));
    // Whoever asks hears of it; when nobody does there is nobody to tell.
    over.catch(() => undefined);
    const begun: Life = {
      worker,
      // Every call of a worker is a promise; which there are its own type says to whoever asks.
      remote: wrap(worker) as unknown as Life['remote'],
      over,
      end: (error) => {
        if (life === begun) life = null;
        worker.terminate();
        end(error);
      },
    };
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      fault(doing, event.error ?? new Error(event.message || 'the worker stopped'));
      begun.end(new Stopped());
    });
    worker.addEventListener('messageerror', () => {
      fault(doing, new Error('the worker said what can’t be read'));
      begun.end(new Stopped());
    });
    onStart();
    return begun;
  };

  const once = async (name: string, what: unknown[]): Promise<unknown> => {
    life ??= begin();
    const mine = life;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, fail) => {
      timer = setTimeout(() => {
        fault(doing, new Error(`no answer to ${name}`));
        mine.end(new Stopped());
        fail(new Stopped());
      }, patience);
    });
    try {
      // Made by a proxy: there is a call of every name.
      return await Promise.race([mine.remote[name]!(...what), mine.over, late]);
    } finally {
      clearTimeout(timer);
    }
  };

  const asked = async (name: string, what: unknown[]): Promise<unknown> => {
    for (let tries = 1; ; tries += 1)
      try {
        return await once(name, what);
      } catch (error) {
        if (!(error instanceof Stopped)) throw error;
        if (tries === 2) throw new WorkerStopped();
      }
  };

  // Asked by the names of T alone: that is the type it is handed out by.
  const ask = new Proxy(
    {},
    {
      get:
        (_, name) =>
        (...what: unknown[]) =>
          asked(String(name), what),
    },
  ) as Remote<T>;
  return { ask, begin: () => void (life ??= begin()), stop: () => life?.end(new Stopped()) };
}

class Stopped extends Error {}
