import type { KindTree } from '@/core/kinds/tree';
import { StockSearch } from '@/core/stock/search';

let last: { kinds: KindTree; search: StockSearch } | null = null;

/** One search for all screens: the texts of the items are put together once. */
export function searchFor(kinds: KindTree): StockSearch {
  if (last?.kinds !== kinds) last = { kinds, search: new StockSearch(kinds) };
  return last.search;
}
