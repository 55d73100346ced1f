import type { CourierListing, CourierState, Job } from './types';
import { MOST_FAULTS } from './waiting';

/** Nothing more will happen to it by itself. */
export function isOver(listing: CourierListing): boolean {
  return listing.job === null && ['refused', 'ended', 'sold'].includes(listing.state);
}

/** It rests after faults of our own: a person has to send it again. */
export function isStopped(job: Job): boolean {
  return (job.faults ?? 0) >= MOST_FAULTS && job.action !== 'withdraw' && !job.running;
}

/** `item.market.generation` */
export function refOf(item: string, market: string, generation: number): string {
  return `${item}.${market}.${generation}`;
}

/** The item a reference belongs to; null for references that are not ours. */
export function itemOfRef(ref: string): string | null {
  return /^([A-Za-z0-9_-]{1,64})\.[a-z][a-z0-9-]*\.\d+$/u.exec(ref)?.[1] ?? null;
}

/** Which generation one of our own references is of; 0 for others. A later listing must not take its name. */
export function generationOf(ref: string, item: string, market: string): number {
  const start = `${item}.${market}.`;
  return ref.startsWith(start) ? Number(ref.slice(start.length)) || 0 : 0;
}

/** The item a reference belongs to, adopted ones included; null: none that is known. */
export function itemBehind(state: Pick<CourierState, 'adopted'>, ref: string): string | null {
  return state.adopted.get(ref) ?? itemOfRef(ref);
}
