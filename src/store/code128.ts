import { raw } from 'bwip-js/generic';

/** A Code 128 as widths of bar, space, bar, ... in modules; null for a text it can't hold. */
export function code128Widths(text: string): number[] | null {
  if (!/^[\x20-\x7e]+$/u.test(text)) return null;
  return (raw({ bcid: 'code128', text }) as { sbs?: number[] }[])[0]?.sbs ?? null;
}
