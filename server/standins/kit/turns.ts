import pLimit from 'p-limit';

/**
 * Lets one piece of work in at a time, in the order it came; one that fails does not keep the next from its
 * turn.
 */
export class Turns {
  private readonly one = pLimit(1);

  run<T>(work: () => Promise<T>): Promise<T> {
    return this.one(work);
  }
}
