export interface Figure {
  name: string;
  value: number;
  unit: string;
  /** The most it may be. */
  goal?: number;
}

/** Prints a figure as one JSON line, with whether it holds its goal. */
export function tell({ name, value, unit, goal }: Figure): void {
  const rounded = Math.round(value * 1_000) / 1_000;
  console.log(
    JSON.stringify({
      name,
      value: rounded,
      unit,
      ...(goal === undefined ? {} : { goal, holds: value <= goal }),
    }),
  );
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}
