/** A figure, what it should be, and whether it is. */
export interface Verdict {
  name: string;
  value: number;
  unit: 'share' | 'count' | 'ratio';
  /** The least (`atLeast`) or the most it may be. */
  goal: number;
  holds: boolean;
}

export function atLeast(name: string, value: number, goal: number, unit: Verdict['unit'] = 'share'): Verdict {
  return { name, value, unit, goal, holds: value >= goal };
}

export function atMost(name: string, value: number, goal: number, unit: Verdict['unit'] = 'share'): Verdict {
  return { name, value, unit, goal, holds: value <= goal };
}

export function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
