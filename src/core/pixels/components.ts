/** A group of touching pixels. */
export interface Component {
  id: number;
  area: number;
  left: number;
  top: number;
  /** The last column and row that belong to it. */
  right: number;
  bottom: number;
}

/**
 * Groups of touching pixels (sideways and up and down) for which `belongs` is not 0.
 *
 * @returns each pixel's group, 0 for none, and the groups; a group's id is its place in the list plus one
 */
export function componentsOf(
  belongs: Uint8Array,
  width: number,
  height: number,
): { of: Int32Array; all: Component[] } {
  const of = new Int32Array(width * height);
  const all: Component[] = [];
  const stack = new Int32Array(width * height);
  for (let start = 0; start < of.length; start += 1) {
    if (belongs[start] === 0 || of[start] !== 0) continue;
    const id = all.length + 1;
    const c: Component = { id, area: 0, left: width, top: height, right: 0, bottom: 0 };
    let depth = 0;
    stack[depth++] = start;
    of[start] = id;
    while (depth > 0) {
      const p = stack[--depth]!;
      const x = p % width;
      const y = (p - x) / width;
      c.area += 1;
      if (x < c.left) c.left = x;
      if (x > c.right) c.right = x;
      if (y < c.top) c.top = y;
      if (y > c.bottom) c.bottom = y;
      if (x > 0 && belongs[p - 1] !== 0 && of[p - 1] === 0) {
        of[p - 1] = id;
        stack[depth++] = p - 1;
      }
      if (x < width - 1 && belongs[p + 1] !== 0 && of[p + 1] === 0) {
        of[p + 1] = id;
        stack[depth++] = p + 1;
      }
      if (y > 0 && belongs[p - width] !== 0 && of[p - width] === 0) {
        of[p - width] = id;
        stack[depth++] = p - width;
      }
      if (y < height - 1 && belongs[p + width] !== 0 && of[p + width] === 0) {
        of[p + width] = id;
        stack[depth++] = p + width;
      }
    }
    all.push(c);
  }
  return { of, all };
}
