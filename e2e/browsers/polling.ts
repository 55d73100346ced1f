import { until } from '../serverProcess';

export type InPage = string | ((...args: never[]) => unknown);
export type Evaluate = (work: InPage, ...args: unknown[]) => Promise<unknown>;

/**
 * Waits until something holds in the page, which is asked again and again from outside: the app's pages let
 * nobody make a function of a text, as the driver's own way of waiting would.
 */
export function polling(evaluate: Evaluate) {
  return (work: InPage, { timeout = 90_000 }: { timeout?: number } = {}, ...args: unknown[]) =>
    until(
      'something holds in the page',
      // A page that is being left answers nothing: it is asked again.
      () =>
        evaluate(work, ...args).then(
          (value) => Boolean(value),
          () => false,
        ),
      timeout,
    );
}
