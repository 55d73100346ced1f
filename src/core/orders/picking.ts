import type { Item } from '@/contract/records';

import { readBarcode } from '../identity/gtin';

const BY_SPOT = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** In the order one walks past the shelves: by spot, then by code; without a spot last. */
export function walked<T>(
  rows: readonly T[],
  itemOf: (row: T) => Pick<Item, 'spot' | 'code'> | undefined,
): T[] {
  return [...rows].sort((a, b) => {
    const [x, y] = [itemOf(a), itemOf(b)];
    if (!x?.spot !== !y?.spot) return x?.spot ? -1 : 1;
    return BY_SPOT.compare(x?.spot ?? '', y?.spot ?? '') || BY_SPOT.compare(x?.code ?? '', y?.code ?? '');
  });
}

export type Scanned =
  | { is: 'right' }
  /** It is another item of the attic: which. */
  | { is: 'another'; item: Item }
  | { is: 'unknown' };

/**
 * Whether what was scanned or typed is the item that is wanted: its code, a piece's code, or its barcode
 * where no other item here has the same one.
 *
 * @param piece of an item with variations: the piece that was sold
 */
export function judgeScan(text: string, wanted: Item, all: readonly Item[], piece?: string): Scanned {
  const said = text.trim().toLowerCase();
  if (said === '') return { is: 'unknown' };
  const target = (piece ?? wanted.code).toLowerCase();
  if (said === target) return { is: 'right' };
  const gtin = gtinOf(text.trim());
  const sameCode = all.find(
    (t) => t.code.toLowerCase() === said || t.choices?.pieces.some((p) => p.code.toLowerCase() === said),
  );
  if (sameCode) return { is: 'another', item: sameCode };
  if (gtin === null) return { is: 'unknown' };
  const carriers = all.filter((t) => t.facts.barcode && gtinOf(t.facts.barcode) === gtin);
  if (piece === undefined && carriers.length === 1 && carriers[0]?.id === wanted.id) return { is: 'right' };
  const other = carriers.find((t) => t.id !== wanted.id);
  return other ? { is: 'another', item: other } : { is: 'unknown' };
}

/**
 * Items that could be taken for it: the same kind, and as good as the same words. Those that stand nearest
 * first.
 */
export function lookAlikes(wanted: Item, all: readonly Item[], sold: (id: string) => boolean): Item[] {
  const words = wordsOf(wanted.title);
  return all
    .filter(
      (t) => t.id !== wanted.id && t.kind === wanted.kind && !sold(t.id) && alike(words, wordsOf(t.title)),
    )
    .sort(
      (a, b) =>
        Number(b.spot.split('-')[0] === wanted.spot.split('-')[0]) -
        Number(a.spot.split('-')[0] === wanted.spot.split('-')[0]),
    );
}

const wordsOf = (title: string) => new Set(title.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);

/** At least three quarters of all words are in both. */
function alike(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  if (a.size === 0 || b.size === 0) return false;
  const both = [...a].filter((w) => b.has(w)).length;
  return both / (a.size + b.size - both) >= 0.75;
}

function gtinOf(text: string): string | null {
  const code = readBarcode(text);
  return code.ok ? code.gtin14 : null;
}
