import type { Thing } from '@/contract/records';

/** A promise of a thing to somebody. */
export type Hold = Thing['holds'][number];

/** The promise that stands; undefined: none does. */
export function openHold(thing: Pick<Thing, 'holds'>): Hold | undefined {
  return thing.holds.find((h) => h.to === null);
}
