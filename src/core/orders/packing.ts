import type { Item } from '@/contract/records';

export type WeightSays =
  | { is: 'asExpected' }
  /** Nobody knew what to expect. */
  | { is: 'unknown' }
  | { is: 'lighter' | 'heavier'; byG: number };

/**
 * What the scales say against the packed weight that was recorded. Off by a twelfth and more than 40 g is
 * worth a look: something is missing, or it is the look-alike. Common practice.
 */
export function judgeWeight(weighedG: number, expectedG: number | null): WeightSays {
  if (expectedG === null) return { is: 'unknown' };
  const byG = Math.abs(weighedG - expectedG);
  if (byG <= Math.max(40, expectedG / 12)) return { is: 'asExpected' };
  return { is: weighedG < expectedG ? 'lighter' : 'heavier', byG };
}

/** What was promised to the buyer and has to be in the parcel, in words. */
export function promised(item: Item): string[] {
  const flaws = item.flaws.map((f) => [f.type, f.place].filter(Boolean).join(', '));
  return [
    ...(item.included.trim() ? [`With it: ${item.included.trim()}`] : []),
    ...(item.missing.trim() ? [`Said to be missing: ${item.missing.trim()}`] : []),
    ...(flaws.length > 0 ? [`Flaws told of: ${flaws.join('; ')}`] : []),
  ];
}

export interface CustomsLine {
  what: string;
  origin: string;
  value: number;
  weightG: number | null;
}

/** What customs is told: the wording kept for it, else what it is and of what it is made. */
export function customsLine(
  item: Item,
  kindName: string,
  amount: number,
  weightG: number | null,
): CustomsLine {
  const { customs, material, country } = item.facts;
  const usual = [kindName.toLowerCase(), material ? `of ${material.toLowerCase()}` : '']
    .filter(Boolean)
    .join(' ');
  return {
    what: customs?.trim() || `Used ${usual || 'goods'}`,
    origin: country?.trim() || 'not known',
    value: amount,
    weightG,
  };
}
