import type { CourierEvent } from './types';

/** Whether an event belongs in the ledger. The others are repeated by themselves after a restart. */
export function isKept(event: CourierEvent): boolean {
  return (
    event.type !== 'compared' &&
    event.type !== 'tick' &&
    event.type !== 'quiet' &&
    event.type !== 'pollFailed'
  );
}
