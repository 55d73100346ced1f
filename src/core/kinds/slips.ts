import { MM_PER_INCH } from '@/core/measure/units';

import type { MeasureSpec } from './spec';

/** What was probably meant by a figure that can hardly be right. */
export interface Slip {
  type: 'around' | 'tenth' | 'tenfold' | 'inches' | 'centimetres' | 'unusual';
  /** Millimetres; null where no usual figure lies behind it. */
  meant: number | null;
}

/**
 * Looks for slips in one measurement: taken around instead of flat (twice as much), a decimal sign too few or
 * too many, inches typed where centimetres are asked, or the other way round. Usual spans are the kind's;
 * common practice.
 *
 * @param mm as it is in the record
 * @returns null when the figure is usual
 */
export function slipOf(spec: Pick<MeasureSpec, 'usual' | 'doubled'>, mm: number): Slip | null {
  const [low, high] = spec.usual;
  const usual = (value: number) => value >= low && value <= high;
  if (usual(mm)) return null;
  const factor = MM_PER_INCH / 10;
  const guesses: [Slip['type'], number, boolean][] = [
    ['around', mm / 2, spec.doubled === true],
    ['inches', mm * factor, true],
    ['tenth', mm * 10, true],
    ['tenfold', mm / 10, true],
    ['centimetres', mm / factor, true],
  ];
  for (const [type, meant, possible] of guesses)
    if (possible && usual(meant)) return { type, meant: Math.round(meant * 1_000) / 1_000 };
  return { type: 'unusual', meant: null };
}
