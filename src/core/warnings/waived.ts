import type { Plan } from '@/contract/records';

import type { Finding } from '../listing/findings';

type Known = Pick<Finding, 'code' | 'field'>;

/** What a caution is known by once it was waived: the same words of the same field, whatever its figures. */
export const waivedKey = ({ code, field }: Known): string => `${code} ${field}`;

/** When a caution was waived, milliseconds since 1970; null: it was not. */
export function waivedAt(finding: Known, plan: Pick<Plan, 'waived'> | undefined): number | null {
  return plan?.waived.find((w) => w.key === waivedKey(finding))?.at ?? null;
}

export function isWaived(finding: Known, plan: Pick<Plan, 'waived'> | undefined): boolean {
  return waivedAt(finding, plan) !== null;
}
