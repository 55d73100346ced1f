import type { Thing } from '@/contract/records';
import { thingName } from '@/core/identity/thingName';

import { kindsNow } from './kinds';

/** What a thing is called in lists; never empty. */
export function nameOf(thing: Pick<Thing, 'title' | 'kind' | 'facts' | 'code'>): string {
  return thingName(thing, kindsNow());
}

/** The same of one that may not be in this attic (any more). */
export function nameOr(thing: Parameters<typeof nameOf>[0] | undefined, otherwise: string): string {
  return thing ? nameOf(thing) : otherwise;
}
