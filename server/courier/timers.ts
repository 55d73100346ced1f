/**
 * Where the courier's timers come from: the machine's, or those of a simulated evening.
 *
 * @example
 *   const stop = systemTimers.after(1_000, () => console.log('a second later'));
 *   stop();
 */
export interface Timers {
  /** Once, after so many milliseconds. @returns its stop */
  after(ms: number, run: () => void): () => void;
  /** Again and again, the first time after so many milliseconds. @returns its stop */
  every(ms: number, run: () => void): () => void;
}

/** Longest time a timer may run, milliseconds: a longer one would go off at once. */
const LONGEST_TIMER = 2_000_000_000;

export const systemTimers: Timers = {
  after(ms, run) {
    const timer = setTimeout(run, Math.min(LONGEST_TIMER, ms));
    return () => clearTimeout(timer);
  },
  every(ms, run) {
    const timer = setInterval(run, Math.min(LONGEST_TIMER, ms));
    return () => clearInterval(timer);
  },
};

/** Timers that are all stopped together; after that none starts any more. */
export class StoppableTimers implements Timers {
  private readonly running = new Set<() => void>();
  stopped = false;

  constructor(private readonly timers: Timers) {}

  after(ms: number, run: () => void): () => void {
    const stop = this.keep(
      this.timers.after(ms, () => {
        this.running.delete(stop);
        run();
      }),
    );
    return stop;
  }

  every(ms: number, run: () => void): () => void {
    return this.keep(this.timers.every(ms, run));
  }

  stop(): void {
    this.stopped = true;
    for (const stop of [...this.running]) stop();
  }

  private keep(stopOne: () => void): () => void {
    const stop = () => {
      this.running.delete(stop);
      stopOne();
    };
    if (this.stopped) stopOne();
    else this.running.add(stop);
    return stop;
  }
}
