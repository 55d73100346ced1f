import type { Coded, Wording } from '@/contract/coded';

/** The sentence for a code. */
export function worded<P>(wording: Wording<P>, { code, params }: Coded<P>): string {
  return wording[code](params);
}
