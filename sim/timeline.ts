interface Planned {
  at: number;
  order: number;
  run: () => void;
}

const before = (a: Planned, b: Planned) => a.at < b.at || (a.at === b.at && a.order < b.order);

/** What is to happen, by virtual time; at the same moment, in the order it was added. A binary heap. */
export class Timeline {
  private readonly heap: Planned[] = [];
  private added = 0;

  add(at: number, run: () => void): void {
    const { heap } = this;
    const item = { at, order: (this.added += 1), run };
    let i = heap.push(item) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      const parent = heap[up];
      if (!parent || !before(item, parent)) break;
      heap[i] = parent;
      i = up;
    }
    heap[i] = item;
  }

  next(): Planned | undefined {
    const { heap } = this;
    const first = heap[0];
    const last = heap.pop();
    if (!last || heap.length === 0) return first;
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      let child = heap[down];
      if (!child) break;
      const other = heap[down + 1];
      if (other && before(other, child)) {
        child = other;
        down += 1;
      }
      if (!before(child, last)) break;
      heap[i] = child;
      i = down;
    }
    heap[i] = last;
    return first;
  }
}
