import fc from 'fast-check';

import type { CellCheck } from './examine';
import { otherListingsOf, twinKey } from './otherListings';
import { twinsAmong, withoutTwins, type MarketCell } from './twins';

const cell = (
  item: string,
  part: Partial<CellCheck> = {},
  deed: MarketCell['deed'] = 'send',
  market = 'moor',
): MarketCell => ({
  item,
  market,
  deed,
  live: false,
  check: {
    market,
    title: 'Gansey',
    refusesTwins: true,
    blockers: [],
    cautions: [],
    coming: [],
    price: 4_800,
    takeHome: 1,
    fees: 1,
    category: 'c',
    startAt: null,
    changed: false,
    ...part,
  },
});
const among = (...cells: MarketCell[]) => [...twinsAmong(cells)].map(([c, first]) => [c.item, first]);

it('the first goes, the others have to differ', () => {
  expect(among(cell('a'), cell('b', { title: ' gansey ' }), cell('c'))).toEqual([
    ['b', 'a'],
    ['c', 'a'],
  ]);
});
it.each([
  ['another price', [cell('a'), cell('b', { price: 4_700 })]],
  ['another title', [cell('a'), cell('b', { title: 'Gansey, blue' })]],
  ['another marketplace', [cell('a'), cell('b', {}, 'send', 'wick')]],
  ['where twins are taken', [cell('a', { refusesTwins: false }), cell('b', { refusesTwins: false })]],
  ['what does not go', [cell('a', {}, 'fix'), cell('b', {}, 'nothing'), cell('c')]],
  ['no price', [cell('a', { price: null }), cell('b', { price: null })]],
  ['the item itself', [cell('a'), cell('a')]],
] as const)('%s is none', (_, cells) => expect(among(...cells)).toEqual([]));

it('of what is left no two are alike', () => {
  const any = fc.record({
    item: fc.constantFrom('a', 'b', 'c', 'd'),
    title: fc.constantFrom('One', 'one ', 'Two'),
    price: fc.constantFrom(1, 2),
    deed: fc.constantFrom<MarketCell['deed']>('send', 'again', 'resend', 'fix', 'nothing'),
    market: fc.constantFrom('moor', 'wick'),
  });
  fc.assert(
    fc.property(fc.array(any, { maxLength: 12 }), (made) => {
      const cells = made.map(({ item, title, price, deed, market }) =>
        cell(item, { title, price }, deed, market),
      );
      const going = withoutTwins(cells, twinsAmong(cells)).filter((c) =>
        ['send', 'again', 'resend'].includes(c.deed),
      );
      const owners = new Map<string, Set<string>>();
      for (const c of going) {
        const key = twinKey(c.market, c.check!.title, c.check!.price!);
        owners.set(key, (owners.get(key) ?? new Set()).add(c.item));
      }
      for (const who of owners.values()) expect(who.size).toBe(1);
      // Nothing is kept back for nothing: of every kind one goes.
      expect(going.length > 0).toBe(cells.some((c) => ['send', 'again', 'resend'].includes(c.deed)));
    }),
  );
});

it('what is just being sent counts as up', () => {
  const going = [{ item: 'a', market: 'moor', title: 'Gansey', price: 4_800 }];
  expect(otherListingsOf([], 0, going).twins.get(twinKey('moor', 'GANSEY', 4_800))).toEqual(['a']);
});
