import { Mapping, mappingId } from '@/contract/mapping';
import { Plan, planId } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { categoriesTogether } from './together';
import { SHEET as brackenmoor } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as quirestack } from '../../../server/standins/quirestack/sheet';
import { SHEET as threadwick } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';

const MOOR = RuleSheet.parse(brackenmoor);
const SHEETS = [MOOR, RuleSheet.parse(threadwick), RuleSheet.parse({ ...quirestack, records: [] })];
const jumpers = (n: number) => Array.from({ length: n }, (_, i) => ({ id: `j${i}`, kind: 'jumper' }));
const plan = (itemId: string, market: string, category: string | null = null, wanted = true) =>
  Plan.parse({ id: planId(itemId, market), itemId, market, wanted, category });
const chose = (kind: string, category: string) =>
  Mapping.parse({ id: mappingId('brackenmoor', kind), market: 'brackenmoor', kind, category });
const at = (
  items: { id: string; kind: string }[],
  plans: Plan[],
  mappings: Mapping[] = [],
  market = 'brackenmoor',
) => categoriesTogether(items, plans, SHEETS, BUILT_IN, mappings).find((t) => t.market === market);

describe('categories of many items', () => {
  it('are told once a kind and marketplace, where items are wanted', () => {
    const items = [...jumpers(3), { id: 'l', kind: 'lamp' }, { id: 'x', kind: '' }];
    const plans = [...jumpers(3), { id: 'l' }].map(({ id }) => plan(id, 'brackenmoor'));
    expect(
      categoriesTogether(items, plans, SHEETS, BUILT_IN, []).map((t) => [
        t.kind,
        t.market,
        t.state,
        t.items.length,
      ]),
    ).toEqual([
      ['jumper', 'brackenmoor', 'sure', 3],
      ['lamp', 'brackenmoor', 'sure', 1],
    ]);
  });

  it('everywhere but where records say it, while nothing is wanted anywhere', () =>
    expect(categoriesTogether(jumpers(2), [], SHEETS, BUILT_IN, []).map((t) => t.market)).toEqual([
      'brackenmoor',
      'threadwick',
    ]));

  it('are decided where the person said so and no listing says otherwise', () => {
    const plans = [plan('j0', 'brackenmoor')];
    expect(at(jumpers(1), plans, [chose('jumper', 'wear.tops')])).toMatchObject({
      state: 'decided',
      category: 'wear.tops',
    });
    expect(
      at(jumpers(1), [plan('j0', 'brackenmoor', 'wear.knit')], [chose('clothes', 'wear.tops')]),
    ).toMatchObject({
      state: 'doubtful',
      category: 'wear.knit',
    });
  });

  it('are sure where all listings say what the name says; doubtful where one differs', () => {
    const said = (...categories: (string | null)[]) =>
      at(
        jumpers(categories.length),
        categories.map((c, i) => plan(`j${i}`, 'brackenmoor', c)),
      );
    expect(said('wear.knit', 'wear.knit')).toMatchObject({ state: 'sure', category: 'wear.knit' });
    expect(said('wear.outer', 'wear.outer')).toMatchObject({ state: 'doubtful', category: 'wear.outer' });
    const two = said('wear.knit', 'wear.outer', 'wear.outer');
    expect(two).toMatchObject({ state: 'doubtful', category: 'wear.outer' });
    expect(two?.candidates.slice(0, 2)).toEqual(['wear.outer', 'wear.knit']);
  });

  it('take listings’ word where nothing else says it: of one it is doubted, of two it is sure', () => {
    // Nothing of Threadwick's is for lamps.
    const lamps = [
      { id: 'a', kind: 'lamp' },
      { id: 'b', kind: 'lamp' },
    ];
    const shelf = SHEETS[1]!.categories.find((c) => c.leaf)!.id;
    const say = (n: number) =>
      at(
        lamps.slice(0, n),
        lamps.slice(0, n).map(({ id }) => plan(id, 'threadwick', shelf)),
        [],
        'threadwick',
      );
    expect([say(1)?.state, say(2)?.state]).toEqual(['doubtful', 'sure']);
  });

  it('leave out what is no category there any more', () =>
    expect(at(jumpers(1), [plan('j0', 'brackenmoor', 'gone')])).toMatchObject({ own: [], state: 'sure' }));
});
