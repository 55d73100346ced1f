import type { CourierItemView } from '@/contract/courier';

import { plannedItems } from './planned';

const listing = (market: string, nextTryAt: number | null, part = {}) => ({
  market,
  doing: 'publish',
  tries: 0,
  nextTryAt,
  title: `Title on ${market}`,
  ...part,
});
const view = (id: string, ...listings: unknown[]) => ({ id, listings }) as CourierItemView;

it('what waits for its time is told by the moment, an item’s marketplaces together', () => {
  const views = {
    a: view('a', listing('moor', 900), listing('wick', 900), listing('stile', 400)),
    b: view('b', listing('moor', 500), listing('wick', 100), listing('stile', 700, { tries: 1 })),
    c: view('c', listing('moor', null), listing('wick', 900, { doing: 'revise' })),
  };
  expect(plannedItems(views, 300)).toEqual([
    { id: 'a', at: 400, markets: ['stile'], title: 'Title on stile' },
    { id: 'b', at: 500, markets: ['moor'], title: 'Title on moor' },
    { id: 'a', at: 900, markets: ['moor', 'wick'], title: 'Title on moor' },
  ]);
});
