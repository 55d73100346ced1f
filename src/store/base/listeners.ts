/** Who is told of something. */
export interface Listeners<What extends unknown[]> {
  tell: (...what: What) => void;
  /** @returns no longer */
  listen: (listener: (...what: What) => void) => () => void;
}

/**
 * Lets one room tell another of something without knowing it.
 *
 * @example
 *   const sales = listeners<[item: string]>();
 *   const stop = sales.listen((item) => console.log(item));
 *   sales.tell('t1');
 */
export function listeners<What extends unknown[]>(): Listeners<What> {
  const all = new Set<(...what: What) => void>();
  return {
    tell: (...what) => all.forEach((one) => one(...what)),
    listen(listener) {
      all.add(listener);
      return () => all.delete(listener);
    },
  };
}
