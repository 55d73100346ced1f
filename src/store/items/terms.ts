import { Terms } from '@/contract/terms';
import { change, newId, useAttic } from '@/store/attic/attic';

/** @returns the new terms' id; a marketplace's first are its default */
export function addTerms(market: string): string {
  const first = !Object.values(useAttic.getState().terms).some((t) => t.market === market);
  const record = Terms.parse({
    id: newId(),
    market,
    name: first ? 'Usual terms' : 'Other terms',
    isDefault: first,
  });
  change('terms added', [{ collection: 'terms', id: record.id, record }]);
  return record.id;
}

/** One of a marketplace's terms is its default, never two. */
export function editTerms(id: string, part: Partial<Terms>): void {
  const { terms } = useAttic.getState();
  const before = terms[id];
  if (!before) return;
  const others =
    part.isDefault === true
      ? Object.values(terms).filter((t) => t.market === before.market && t.id !== id && t.isDefault)
      : [];
  change('terms', [
    { collection: 'terms', id, record: { ...before, ...part } },
    ...others.map((t) => ({ collection: 'terms' as const, id: t.id, record: { ...t, isDefault: false } })),
  ]);
}

export function removeTerms(id: string): void {
  change('terms removed', [{ collection: 'terms', id, record: null }], { destructive: true });
}
