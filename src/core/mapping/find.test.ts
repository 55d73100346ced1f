import fc from 'fast-check';

import { RuleSheet } from '@/contract/ruleSheet';

import { branchesOf, findCategories } from './find';
import { SHEET as brackenmoor } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as oldhollow } from '../../../server/standins/oldhollow/sheet';
import { SHEET as threadwick } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';

const MOOR = RuleSheet.parse(brackenmoor);
const SHEETS = [MOOR, RuleSheet.parse(threadwick), RuleSheet.parse(oldhollow)];
const found = (typed: string, sheet = MOOR) =>
  findCategories(typed, sheet, BUILT_IN).map((h) => h.category.id);
const leaves = (sheet: RuleSheet) => sheet.categories.filter((c) => c.leaf);

describe('a category is found', () => {
  it('by its number, as it is or begun', () => {
    expect(findCategories('wear.knit', MOOR, BUILT_IN)[0]).toMatchObject({
      category: { id: 'wear.knit' },
      by: { type: 'number' },
    });
    expect(found('WEAR.KN')[0]).toBe('wear.knit');
    expect(found('optics.').sort()).toEqual(['optics.camera', 'optics.viewing']);
  });

  it('by its own name first, on every sheet', () => {
    for (const sheet of SHEETS)
      for (const { id, name } of leaves(sheet)) expect([name, found(name, sheet)[0]]).toEqual([name, id]);
  });

  // Common practice: what sellers call it, beside what the shelf is called.
  it.each([
    ['gansey', 'wear.knit'],
    ['hoodie', 'wear.knit'],
    ['mackintosh', 'wear.outer'],
    ['teapots', 'house.kitchen'],
    ['paperback novel', 'shelf.books'],
    ['jigsaw', 'shelf.puzzles'],
    ['blok plane', 'bench.hand'],
    ['binocluars', 'optics.viewing'],
    ['cardigna', 'wear.knit'],
    ['lmap', 'house.light'],
  ])('by what it is: %s', (typed, id) => expect(found(typed).slice(0, 3)).toContain(id));

  it('by some words of its name and of its branch, in any order, only begun', () => {
    expect(found('scarves to wear')[0] ?? found('scarves')[0]).toBe('wear.extras');
    expect(found('blank lin')[0]).toBe('house.cloth');
    expect(found('opera binoc')[0]).toBe('optics.viewing');
  });

  it('with one slip of the finger in any longer word of its name', () => {
    const shelf = fc.constantFrom(
      ...SHEETS.flatMap((s, i) => leaves(s).map((c) => ({ sheet: i, id: c.id, name: c.name }))),
    );
    fc.assert(
      fc.property(shelf, fc.nat(), fc.nat(), ({ sheet, id, name }, which, where) => {
        const words = name.match(/\p{L}{6,}/gu) ?? [];
        const word = words[which % Math.max(1, words.length)];
        if (!word) return;
        const at = 1 + (where % (word.length - 2));
        const slipped = word.slice(0, at) + word.slice(at + 1);
        expect([slipped, found(slipped, SHEETS[sheet])]).toEqual([slipped, expect.arrayContaining([id])]);
      }),
      { numRuns: 300 },
    );
  });

  it('only where it takes listings, each once, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string({ unit: 'binary' }), fc.constantFrom('__proto__', '.*', '((', ' ')),
        (typed) => {
          const all = findCategories(typed, MOOR, BUILT_IN);
          expect(all.every((h) => h.category.leaf)).toBe(true);
          expect(new Set(all.map((h) => h.category.id)).size).toBe(all.length);
        },
      ),
      { numRuns: 200 },
    );
    expect(found('')).toEqual([]);
    expect(found('x'.repeat(100_000))).toEqual([]);
  });

  it('not at all where nothing goes by it', () => expect(found('qwzx vbnm')).toEqual([]));
});

it('a branch that stands below itself ends the walk', () => {
  const [leaf] = leaves(MOOR);
  const loop = { ...leaf!, id: 'a', parent: 'b' };
  const byId = new Map([
    ['a', loop],
    ['b', { ...loop, id: 'b', parent: 'a' }],
  ]);
  expect(branchesOf(loop, byId).map((c) => c.id)).toEqual(['b', 'a']);
});
