/** What tests ask of it: it brings no types of its own. */
declare module 'jstat' {
  export const jStat: {
    mean(values: readonly number[]): number;
    median(values: readonly number[]): number;
    /** At the share k of the ordered values, by linear interpolation. */
    percentile(values: readonly number[], k: number): number;
    /** Around a value, by the values' standard deviation. */
    normalci(value: number, alpha: number, values: readonly number[]): [number, number];
    normal: { inv(p: number, mean: number, deviation: number): number };
  };
}
