import type { CourierItemView } from '@/contract/courier';

/**
 * Items the courier keeps listed, or is about to list, that the attic knows nothing of: what was known of
 * them is lost.
 */
export function listedNotHere(
  views: Readonly<Record<string, CourierItemView>>,
  items: Readonly<Record<string, unknown>>,
): string[] {
  return Object.values(views)
    .filter((v) => !(v.id in items) && v.sale === null && v.listings.some((l) => l.want === 'live'))
    .map((v) => v.id);
}
