/** A set with one more, or without it where it was in. */
export function toggled(before: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(before);
  if (!next.delete(id)) next.add(id);
  return next;
}
