import { formatISO } from 'date-fns';

import { keysOf } from '@/contract/fields';
import { StockFilter, type Group } from '@/contract/groups';
import type { Haul, Item } from '@/contract/records';

import { withAllBelow, type Groups } from './groups';
import type { StockSearch } from './search';
import type { KindTree } from '../kinds/tree';

/** What a filter is judged by, besides the items. */
export interface Around {
  kinds: KindTree;
  groups: Groups;
  search: StockSearch;
  /** How an item stands at the marketplaces. */
  standing: (item: Item) => 'unlisted' | 'listed' | 'sold';
  /** Whether a marketplace did not take it, or a change of it. */
  isRefused: (item: Item) => boolean;
  /** Whether it is up on a marketplace, or on its way there. */
  isListedOn: (item: Item, market: string) => boolean;
  /** Whether something that is up would be shown otherwise by now. */
  isChanged: (item: Item) => boolean;
  /** Whether a listing of it was made by hand and brought in. */
  isBroughtIn: (item: Item) => boolean;
  hauls: Readonly<Record<string, Haul>>;
  /** What day it is; milliseconds since 1970. */
  now: number;
}

/** A filter that lets everything through. */
export const EVERYTHING: StockFilter = StockFilter.parse({});

export function isEverything(filter: StockFilter): boolean {
  return keysOf(EVERYTHING).every((key) => {
    const value = filter[key];
    if (key === 'words') return filter.words.trim() === '';
    return Array.isArray(value) ? value.length === 0 : value === EVERYTHING[key];
  });
}

/** Those of `items` that a filter lets through, in the same order. */
export function filtered(items: readonly Item[], filter: StockFilter, around: Around): readonly Item[] {
  const tests = testsOf(filter, around, new Set());
  return tests.length === 0 ? items : items.filter((item) => tests.every((test) => test(item)));
}

/** The items of a group: those put in by hand, those its filter finds, and those of the groups below. */
export function itemsOf(group: Group, items: readonly Item[], around: Around): readonly Item[] {
  return filtered(items, { ...EVERYTHING, groupId: group.id }, around);
}

type Test = (item: Item) => boolean;

function testsOf(filter: StockFilter, around: Around, asked: ReadonlySet<string>): Test[] {
  const { kinds, standing, isRefused } = around;
  const { show, kind, haulId, ownerId, priceFrom, priceTo, lacks, groupId } = filter;
  const spot = filter.spot.trim().toLocaleLowerCase('en');
  const tests: (Test | null)[] = [
    kind === '' ? null : (t) => kinds.get(t.kind)?.path.includes(kind) ?? false,
    haulId === null ? null : (t) => t.haulId === haulId,
    ownerId === null ? null : (t) => (ownerId === 'own' ? t.ownerId === null : t.ownerId === ownerId),
    spot === '' ? null : (t) => t.spot.toLocaleLowerCase('en').startsWith(spot),
    priceFrom === null ? null : (t) => t.price !== null && t.price >= priceFrom,
    priceTo === null ? null : (t) => t.price !== null && t.price <= priceTo,
    lacks === null ? null : (t) => lacksIt(t, lacks, kinds),
    filter.author === null ? null : (t) => t.author === filter.author,
    filter.lineId === null ? null : (t) => t.lineId === filter.lineId,
    ...timeTests(filter, around),
    ...marketTests(filter, around),
    groupId === null ? null : groupTest(groupId, around, asked),
    // What is no longer here is looked for by itself.
    show === 'left'
      ? (t) => t.left !== null
      : (t) =>
          t.left === null && (show === 'all' || (show === 'refused' ? isRefused(t) : standing(t) === show)),
    around.search.test(filter.words),
  ];
  return tests.filter((t) => t !== null);
}

const DAY = 86_400_000;

/** By when it came in and was bought; days as the clock of the place has them. */
function timeTests(filter: StockFilter, { hauls, now }: Around): (Test | null)[] {
  const { addedFrom, boughtFrom, boughtTo, ageFrom, ageTo } = filter;
  const bought = (t: Item) => (t.haulId === null ? undefined : hauls[t.haulId]?.date);
  const age = (t: Item) => Math.floor((now - t.createdAt) / DAY);
  return [
    addedFrom === null ? null : (t) => formatISO(t.createdAt, { representation: 'date' }) >= addedFrom,
    boughtFrom === null ? null : (t) => (bought(t) ?? '') >= boughtFrom,
    boughtTo === null ? null : (t) => (bought(t) ?? '9') <= boughtTo,
    ageFrom === null ? null : (t) => age(t) >= ageFrom,
    ageTo === null ? null : (t) => age(t) <= ageTo,
  ];
}

function marketTests(filter: StockFilter, around: Around): (Test | null)[] {
  const { listedOn, notListedOn, sent } = filter;
  const { isListedOn, isChanged, isBroughtIn } = around;
  return [
    listedOn.length === 0 ? null : (t) => listedOn.every((market) => isListedOn(t, market)),
    notListedOn.length === 0 ? null : (t) => !notListedOn.some((market) => isListedOn(t, market)),
    sent === null ? null : sent === 'changed' ? isChanged : isBroughtIn,
  ];
}

/** A group whose filter asks for itself, over however many others, is then only what was put in by hand. */
function groupTest(id: string, around: Around, asked: ReadonlySet<string>): Test {
  const inside = withAllBelow(around.groups, id);
  const byFilter = [...inside].flatMap((one): Test[] => {
    const filter = around.groups[one]?.filter;
    if (!filter || asked.has(one)) return [];
    const tests = testsOf(filter, around, new Set([...asked, ...inside]));
    return [(t) => tests.every((test) => test(t))];
  });
  return (t) => t.groupIds.some((g) => inside.has(g)) || byFilter.some((test) => test(t));
}

/** Whether something is still to be said of an item. */
function lacksIt(item: Item, what: NonNullable<StockFilter['lacks']>, kinds: KindTree): boolean {
  switch (what) {
    case 'kind':
      return !kinds.get(item.kind);
    case 'answers':
      return kinds.facts(item.kind).some((f) => f.need === 'required' && !item.facts[f.id]);
    case 'condition':
      return item.use === null;
    case 'measurements': {
      const asked = kinds.measures(item.kind);
      return asked.length > 0 && asked.every((m) => item.measurements[m.id] === undefined);
    }
    case 'pictures':
      return item.pictureIds.length === 0;
    case 'readings':
      return item.readings.length > 0;
    case 'title':
    case 'spot':
      return item[what].trim() === '';
    case 'price':
      return item.price === null;
  }
}
