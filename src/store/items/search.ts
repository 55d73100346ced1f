import memoizeOne from 'memoize-one';

import type { KindTree } from '@/core/kinds/tree';
import { StockSearch } from '@/core/stock/search';

/** One search for all screens: the texts of the items are put together once. */
export const searchFor = memoizeOne((kinds: KindTree) => new StockSearch(kinds));
