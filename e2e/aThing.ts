import { Thing } from '@/contract/records';

/** A thing for tests: whole, with nothing said of it but this. */
export function aThing(part: Partial<Thing> = {}): Thing {
  return Thing.parse({ id: 't', code: 'YA-0001', author: 'me', createdAt: 0, updatedAt: 0, ...part });
}
