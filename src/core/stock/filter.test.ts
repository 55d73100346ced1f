import fc from 'fast-check';

import { GAPS, Group, SHOWN, StockFilter } from '@/contract/groups';
import { Haul, Item } from '@/contract/records';

import { EVERYTHING, filtered, isEverything, itemsOf, type Around } from './filter';
import { groupsBelow, groupWords, mayLieBelow, withAllBelow } from './groups';
import { StockSearch } from './search';
import { BUILT_IN } from '../kinds/tree';

const item = (part: Partial<Item> & { id: string }): Item =>
  Item.parse({ code: `YA-${part.id}`, author: 'me', createdAt: 0, updatedAt: 0, ...part });
const group = (id: string, part: Partial<Group> = {}): Group => Group.parse({ id, name: id, ...part });
const only = (part: Partial<StockFilter>): StockFilter => ({ ...EVERYTHING, ...part });

const items = [
  item({
    id: 'a',
    kind: 'jumper',
    title: 'Gansey',
    spot: 'A3-12',
    price: 4_800,
    haulId: 'h',
    groupIds: ['knit'],
    lineId: 'l1',
    author: 'Ada',
    createdAt: Date.parse('2026-11-08T23:30:00+01:00'),
    use: 'light',
    facts: { colour: 'Navy' },
  }),
  item({ id: 'b', kind: 'lamp', title: 'Ship’s lamp', spot: 'B1', price: 900, ownerId: 'o' }),
  item({ id: 'c', title: 'Something', readings: [] }),
];
const groups = {
  winter: group('winter'),
  knit: group('knit', { parent: 'winter' }),
  cheap: group('cheap', { filter: only({ priceTo: 1_000 }) }),
};
const around: Around = {
  kinds: BUILT_IN,
  groups,
  search: new StockSearch(BUILT_IN),
  standing: (t) => (t.id === 'b' ? 'sold' : 'unlisted'),
  isRefused: (t) => t.id === 'c',
  isListedOn: (t, market) =>
    ({ a: ['moor', 'wick'], b: ['moor'], c: [] as string[] })[t.id]!.includes(market),
  isChanged: (t) => t.id === 'a',
  isBroughtIn: (t) => t.id === 'b',
  hauls: { h: Haul.parse({ id: 'h', name: 'Fair', date: '2026-11-08', createdAt: 0 }) },
  now: Date.parse('2026-11-20T12:00:00Z'),
};
const ids = (filter: StockFilter, from = around) => filtered(items, filter, from).map((t) => t.id);

it.each<[Partial<StockFilter>, string[]]>([
  [{}, ['a', 'b', 'c']],
  [{ kind: 'clothes' }, ['a']],
  [{ haulId: 'h' }, ['a']],
  [{ ownerId: 'o' }, ['b']],
  [{ ownerId: 'own' }, ['a', 'c']],
  [{ spot: 'a3' }, ['a']],
  [{ priceFrom: 901 }, ['a']],
  [{ priceTo: 4_800 }, ['a', 'b']],
  [{ show: 'sold' }, ['b']],
  [{ lineId: 'l1' }, ['a']],
  [{ author: 'Ada' }, ['a']],
  // Half past eleven in the evening is of the day it is there.
  [{ addedFrom: '2026-11-08' }, ['a']],
  [{ addedFrom: '2026-11-09' }, []],
  [{ boughtFrom: '2026-11-08', boughtTo: '2026-11-08' }, ['a']],
  [{ boughtFrom: '2026-11-09' }, []],
  [{ boughtTo: '2026-11-07' }, []],
  // Eleven full days.
  [{ ageTo: 11 }, ['a']],
  [{ ageTo: 10 }, []],
  [{ ageFrom: 12 }, ['b', 'c']],
  [{ listedOn: ['moor'] }, ['a', 'b']],
  [{ listedOn: ['moor', 'wick'] }, ['a']],
  [{ listedOn: ['moor'], notListedOn: ['wick'] }, ['b']],
  [{ notListedOn: ['moor'] }, ['c']],
  [{ sent: 'changed' }, ['a']],
  [{ sent: 'broughtIn' }, ['b']],
  [{ show: 'refused' }, ['c']],
  [{ words: 'lamp' }, ['b']],
  [{ lacks: 'kind' }, ['c']],
  [{ lacks: 'price' }, ['c']],
  [{ lacks: 'condition' }, ['b', 'c']],
  [{ lacks: 'answers' }, ['a']],
  [{ lacks: 'measurements' }, ['a', 'b']],
  [{ lacks: 'pictures', spot: 'b' }, ['b']],
  [{ groupId: 'winter' }, ['a']],
  [{ groupId: 'cheap' }, ['b']],
  [{ groupId: 'gone' }, []],
])('%j lets through %j', (part, expected) => expect(ids(only(part))).toEqual(expected));

it('knows the filter that lets everything through', () => {
  expect(isEverything(only({ words: '  ' }))).toBe(true);
  expect(isEverything(only({ spot: 'A' }))).toBe(false);
});

it('fills a group by hand, by its filter, and from the groups below', () => {
  const wide = { ...groups, cheap: group('cheap', { parent: 'winter', filter: only({ priceTo: 1_000 }) }) };
  expect(itemsOf(wide.winter, items, { ...around, groups: wide }).map((t) => t.id)).toEqual(['a', 'b']);
});

it('does not run in circles when groups ask for each other or lie below themselves', () => {
  const round = {
    x: group('x', { parent: 'y', filter: only({ groupId: 'y' }) }),
    y: group('y', { parent: 'x', filter: only({ groupId: 'x' }) }),
    z: group('z', { parent: 'x' }),
  };
  expect(ids(only({ groupId: 'x' }), { ...around, groups: round })).toEqual([]);
  // None is lost from sight: each is found from the outermost down.
  const seen = new Set(groupsBelow(round, null).flatMap((g) => [...withAllBelow(round, g.id)]));
  expect([...seen].sort()).toEqual(['x', 'y', 'z']);
  expect(groupWords(round, 'z')).toContain('z');
});

it('names the way down, and lets no group lie below itself', () => {
  expect(groupWords(groups, 'knit')).toBe('winter › knit');
  expect(mayLieBelow(groups, 'winter', 'knit')).toBe(false);
  expect(mayLieBelow(groups, 'winter', 'winter')).toBe(false);
  expect(mayLieBelow(groups, 'knit', 'cheap')).toBe(true);
  expect(groupsBelow(groups, null).map((g) => g.id)).toEqual(['cheap', 'winter']);
});

it('lets through fewer the more is said', () => {
  const part = fc.record(
    {
      show: fc.constantFrom(...SHOWN),
      kind: fc.constantFrom('', 'clothes', 'lighting'),
      lacks: fc.option(fc.constantFrom(...GAPS)),
      spot: fc.constantFrom('', 'a', 'b1'),
      priceTo: fc.option(fc.nat(5_000)),
      groupId: fc.option(fc.constantFrom('winter', 'knit', 'cheap')),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(part, part, (one, more) => {
      const both = { ...more, ...one };
      const wide = new Set(ids(only(one)));
      expect(ids(only(both)).every((id) => wide.has(id))).toBe(true);
    }),
  );
});
