import { Pattern } from '@/contract/records';
import { change, newId, useAttic } from '@/store/attic/attic';

/** @returns the new pattern's id */
export function addPattern(part: Partial<Pattern>): string {
  const record = Pattern.parse({ id: newId(), name: 'New pattern', text: '', ...part });
  change('pattern added', [{ collection: 'patterns', id: record.id, record }]);
  return record.id;
}

export function editPattern(id: string, part: Partial<Pattern>): void {
  const before = useAttic.getState().patterns[id];
  if (before) change('pattern', [{ collection: 'patterns', id, record: { ...before, ...part } }]);
}

export function removePattern(id: string): void {
  change('pattern removed', [{ collection: 'patterns', id, record: null }], { destructive: true });
}
