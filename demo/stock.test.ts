import { BUILT_IN } from '@/core/kinds/tree';

import { GOODS } from './goods/goods';
import { DEMO_ITEMS } from './items';
import { drawingOf } from './past/records';
import { STOCK } from './stock';

const rootOf = (id: string): string => {
  const parent = BUILT_IN.get(id)?.parent;
  return parent ? rootOf(parent) : id;
};
const all = [...DEMO_ITEMS, ...STOCK];

it('is about sixty items, of every group of kinds, by two people', () => {
  expect(all.length).toBeGreaterThanOrEqual(60);
  const roots = BUILT_IN.all.filter((k) => k.parent === null).map((k) => k.id);
  expect(roots.filter((root) => !all.some((i) => rootOf(i.item.kind) === root))).toEqual([]);
  expect(new Set(STOCK.map((i) => i.by)).size).toBe(2);
  expect(STOCK.filter((i) => i.markedDown).length).toBeGreaterThan(1);
  expect(new Set(STOCK.map((i) => i.item.title)).size).toBe(STOCK.length);
});

it('says of each good what its kind can’t do without', () => {
  const missing = STOCK.flatMap(({ item }) =>
    (BUILT_IN.get(item.kind)?.facts ?? []).flatMap((fact) =>
      fact.need === 'required' && !item.facts[fact.id] ? [`${item.title}: ${fact.id}`] : [],
    ),
  );
  expect(missing).toEqual([]);
  expect(GOODS.filter((g) => !BUILT_IN.get(g.kind))).toEqual([]);
});

it('no two drawings have the same name', () => {
  const names = GOODS.flatMap((good) => good.dyes.map((dye) => drawingOf({ good, dye })));
  expect(new Set(names).size).toBe(names.length);
});
