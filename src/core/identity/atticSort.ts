/** What an attic is for: a person's own, the demo's world, or an empty one to try things in. */
export const ATTIC_SORTS = ['own', 'demo', 'trial'] as const;
export type AtticSort = (typeof ATTIC_SORTS)[number];

/** Of which sort an attic is, by its name: known also while nobody can be asked. */
export function sortOf(name: string): AtticSort {
  return ATTIC_SORTS.find((sort) => name.startsWith(`${sort}-`)) ?? 'own';
}
