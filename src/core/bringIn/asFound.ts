import type { Plan } from '@/contract/records';

/**
 * Whether a listing is up as it was found: brought in, and nothing of ours has replaced what it says. Of one
 * that was brought in before fingerprints were kept, it tells that no pictures were ever sent.
 */
export function isAsFound(plan: Pick<Plan, 'adopted' | 'adoptedHash' | 'sentMedia'> | undefined): boolean {
  return (
    plan !== undefined && plan.adopted !== null && (plan.adoptedHash !== null || plan.sentMedia.length === 0)
  );
}
