import { StockFilter, type Group } from '@/contract/groups';
import type { Thing } from '@/contract/records';

import type { KindTree } from '../kinds/tree';
import { withAllBelow, type Groups } from './groups';
import type { StockSearch } from './search';

/** What a filter is judged by, besides the things. */
export interface Around {
  kinds: KindTree;
  groups: Groups;
  search: StockSearch;
  /** How a thing stands at the marketplaces. */
  standing: (thing: Thing) => 'unlisted' | 'listed' | 'sold';
  /** Whether a marketplace did not take it, or a change of it. */
  isRefused: (thing: Thing) => boolean;
}

/** A filter that lets everything through. */
export const EVERYTHING: StockFilter = StockFilter.parse({});

export function isEverything(filter: StockFilter): boolean {
  return (Object.keys(EVERYTHING) as (keyof StockFilter)[]).every((key) =>
    key === 'words' ? filter.words.trim() === '' : filter[key] === EVERYTHING[key],
  );
}

/** Those of `things` that a filter lets through, in the same order. */
export function filtered(things: readonly Thing[], filter: StockFilter, around: Around): readonly Thing[] {
  const tests = testsOf(filter, around, new Set());
  return tests.length === 0 ? things : things.filter((thing) => tests.every((test) => test(thing)));
}

/** The things of a group: those put in by hand, those its filter finds, and those of the groups below. */
export function thingsOf(group: Group, things: readonly Thing[], around: Around): readonly Thing[] {
  return filtered(things, { ...EVERYTHING, groupId: group.id }, around);
}

type Test = (thing: Thing) => boolean;

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

/** Whether something is still to be said of a thing. */
export function lacksIt(thing: Thing, what: NonNullable<StockFilter['lacks']>, kinds: KindTree): boolean {
  switch (what) {
    case 'kind':
      return !kinds.get(thing.kind);
    case 'answers':
      return kinds.facts(thing.kind).some((f) => f.need === 'required' && !thing.facts[f.id]);
    case 'condition':
      return thing.use === null;
    case 'measurements': {
      const asked = kinds.measures(thing.kind);
      return asked.length > 0 && asked.every((m) => thing.measurements[m.id] === undefined);
    }
    case 'pictures':
      return thing.pictureIds.length === 0;
    case 'readings':
      return thing.readings.length > 0;
    case 'title':
    case 'spot':
      return thing[what].trim() === '';
    case 'price':
      return thing.price === null;
  }
}
