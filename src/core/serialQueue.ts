import pLimit from 'p-limit';

/**
 * Lets one piece of work in at a time, in the order it came; one that fails does not keep the next from its
 * turn.
 */
export type SerialQueue = <T>(work: () => T | PromiseLike<T>) => Promise<T>;

/** The one way in this house to do things one after the other. */
export function serialQueue(): SerialQueue {
  const one = pLimit(1);
  return (work) => one(work);
}
