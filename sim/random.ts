/** Seeded random numbers (mulberry32): the same seed gives the same run on every machine. */
export class Random {
  constructor(private seed: number) {}

  /** 0 <= x < 1 */
  next(): number {
    this.seed = (this.seed + 0x6d2b79f5) | 0;
    let t = Math.imul(this.seed ^ (this.seed >>> 15), 1 | this.seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  chance(p: number): boolean {
    return this.next() < p;
  }

  /** Whole number from low to high, both included. */
  between(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1));
  }

  /** One of a list that holds something. @throws RangeError for an empty one */
  one<T>(list: readonly T[]): T {
    const one = this.pick(list);
    if (one === undefined) throw new RangeError('Nothing to pick from.');
    return one;
  }

  pick<T>(list: readonly T[]): T | undefined {
    return list[Math.floor(this.next() * list.length)];
  }
}
