/**
 * One order of what is there from several people's orders of it: the last one's, with what it does not name
 * put behind what stands before it in the others'. Everybody who has the same orders comes to the same.
 *
 * @param orders what they are known by; the one that counts most stands last
 * @param there what there is; what no order names comes at the end
 */
export function mergedOrder(orders: readonly (readonly unknown[])[], there: ReadonlySet<string>): string[] {
  const lists = orders.map((order) => [...new Set(order.filter(isThere(there)))]);
  const merged = lists.pop() ?? [];
  const placed = new Set(merged);
  const put = (key: string, at: number) => {
    merged.splice(at, 0, key);
    placed.add(key);
  };
  for (const list of lists.reverse())
    for (const [i, key] of list.entries()) {
      if (placed.has(key)) continue;
      const before = i === 0 ? undefined : list[i - 1];
      put(key, before === undefined ? 0 : merged.indexOf(before) + 1);
    }
  for (const key of [...there].filter((one) => !placed.has(one)).sort()) put(key, merged.length);
  return merged;
}

/** Whether two orders put what both name in another order. */
export function isOtherOrder(a: readonly unknown[], b: readonly unknown[]): boolean {
  const [inA, inB] = [new Set(a), new Set(b)];
  const [mine, theirs] = [a.filter((key) => inB.has(key)), b.filter((key) => inA.has(key))];
  return mine.some((key, i) => key !== theirs[i]);
}

function isThere(there: ReadonlySet<string>) {
  return (key: unknown): key is string => typeof key === 'string' && there.has(key);
}
