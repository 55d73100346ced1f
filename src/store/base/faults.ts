import { create } from 'zustand';

import { listeners } from './listeners';

/** Something that nobody expected, as a person is told of it. */
export interface Fault {
  /** What was being done, in the words of the person. */
  doing: string;
  at: number;
}

export const useFaults = create<{ last: Fault | null; count: number }>(() => ({ last: null, count: 0 }));

const faults = listeners<[fault: { doing: string; message: string; stack: string }]>();

/** Who else is told of faults: the server's log. @returns no longer */
export const onFault = faults.listen;

/**
 * An error whose words are for a person: it says what happened and what to do, and nobody needs its stack.
 */
export class Expected extends Error {}

/**
 * Something that should not happen: written down with its stack, and told in general words.
 *
 * @param doing what was being done: "reading messages"
 */
export function fault(doing: string, error: unknown): void {
  console.error(`${doing}:`, error);
  useFaults.setState((s) => ({ last: { doing, at: Date.now() }, count: s.count + 1 }));
  const { message, stack = '' } = error instanceof Error ? error : { message: String(error), stack: '' };
  faults.tell({ doing, message: message.slice(0, 1_000), stack: stack.slice(0, 4_000) });
}

export function dismissFaults(): void {
  useFaults.setState({ last: null, count: 0 });
}

/**
 * For work that nobody waits for: an expected error is told by what is shown already (no connection, a
 * marketplace that is away), anything else is a fault.
 */
export function unlessExpected(doing: string): (error: unknown) => void {
  return (error) => {
    if (!(error instanceof Expected)) fault(doing, error);
  };
}

/** Errors that nobody caught. @returns stops */
export function watchFaults(): () => void {
  const onError = (event: ErrorEvent) => {
    // A list that lays itself out again is not a fault; browsers report it as one.
    if (!/ResizeObserver loop/u.test(event.message)) fault('the page', event.error ?? event.message);
  };
  const onRejection = (event: PromiseRejectionEvent) => {
    if (!(event.reason instanceof Expected)) fault('the page', event.reason);
  };
  window.addEventListener('error', onError);
  window.addEventListener('unhandledrejection', onRejection);
  return () => {
    window.removeEventListener('error', onError);
    window.removeEventListener('unhandledrejection', onRejection);
  };
}

/**
 * What a person is told of an error that is written down already: its own words where they are for people.
 */
export function wordsOf(error: unknown): string {
  if (error instanceof Expected) return error.message;
  return 'Something went wrong. What you did before is kept; try again, or reload the page.';
}

/** What a person is told of an error; one that nobody expected is written down. */
export function wordsFor(error: unknown, doing: string): string {
  if (!(error instanceof Expected)) fault(doing, error);
  return wordsOf(error);
}
