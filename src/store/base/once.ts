/** Done when it is first asked for, and remembered until it is forgotten. */
export interface Once<T> {
  (): T;
  forget(): void;
}

export function once<T>(work: () => T): Once<T> {
  const kept: T[] = [];
  const ask = () => {
    if (kept.length === 0) kept.push(work());
    // There is one by now; `undefined` may be it.
    return kept[0] as T;
  };
  return Object.assign(ask, { forget: () => void kept.splice(0) });
}
