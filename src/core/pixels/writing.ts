import { componentsOf, type Component } from './components';
import type { Mask } from './pixels';

/**
 * Marks beside the item that stand in a line like letters: at least so many, alike in height, close
 * together. It looks at the background only; writing wholly on the item is the item's own business.
 *
 * @param differs what differs from the background, item included
 * @returns how many letter-like marks stand in the longest line; 0 when there is none of four or more
 */
export function writingBeside(differs: Uint8Array, item: Mask): number {
  const { width, height } = item;
  const beside = new Uint8Array(differs.length);
  for (let p = 0; p < beside.length; p += 1) beside[p] = differs[p] === 1 && item.data[p] === 0 ? 1 : 0;
  const side = Math.max(width, height);
  const marks = componentsOf(beside, width, height).all.filter((c) => {
    const w = c.right - c.left + 1;
    const h = c.bottom - c.top + 1;
    const fill = c.area / (w * h);
    const tall = Math.max(w, h);
    return tall >= side * 0.01 && tall <= side * 0.12 && h >= side * 0.008 && w <= h * 2.2 && fill > 0.18;
  });
  return longestLine(marks);
}

function longestLine(marks: readonly Component[]): number {
  const middle = (c: Component) => [(c.left + c.right) / 2, (c.top + c.bottom) / 2] as const;
  const tall = (c: Component) => Math.max(c.bottom - c.top, c.right - c.left) + 1;
  const group = marks.map((_, i) => i);
  const find = (i: number): number => (group[i] === i ? i : (group[i] = find(group[i]!)));
  // Thousands of crumbs are a carpet, not writing.
  if (marks.length > 600) return 0;
  marks.forEach((a, i) =>
    marks.slice(0, i).forEach((b, j) => {
      const [ax, ay] = middle(a);
      const [bx, by] = middle(b);
      const large = Math.max(tall(a), tall(b));
      const small = Math.min(tall(a), tall(b));
      if (small * 2.2 >= large && Math.hypot(ax - bx, ay - by) < 2 * large) group[find(i)] = find(j);
    }),
  );
  let longest = 0;
  for (const root of new Set(marks.map((_, i) => find(i)))) {
    const members = marks.filter((_, i) => find(i) === root);
    if (members.length >= 4 && isLine(members.map(middle))) longest = Math.max(longest, members.length);
  }
  return longest;
}

/** Whether points lie along a line: spread across it under a third of the spread along it. */
function isLine(points: readonly (readonly [number, number])[]): boolean {
  const n = points.length;
  const mx = points.reduce((s, [x]) => s + x, 0) / n;
  const my = points.reduce((s, [, y]) => s + y, 0) / n;
  let xx = 0;
  let xy = 0;
  let yy = 0;
  for (const [x, y] of points) {
    xx += (x - mx) ** 2;
    xy += (x - mx) * (y - my);
    yy += (y - my) ** 2;
  }
  const half = (xx + yy) / 2;
  const root = Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
  return Math.sqrt(Math.max(0, half - root)) < Math.sqrt(half + root) / 3;
}
