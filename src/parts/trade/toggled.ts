/** A set with one more, or without it where it was in. */
export function toggled<T>(before: ReadonlySet<T>, id: T): ReadonlySet<T> {
  const next = new Set(before);
  if (!next.delete(id)) next.add(id);
  return next;
}
