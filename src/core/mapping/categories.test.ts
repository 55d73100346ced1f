import { Mapping, mappingId } from '@/contract/mapping';
import { RuleSheet } from '@/contract/ruleSheet';

import { categoryFor, rankCategories } from './categories';
import { LABELLED, SHELVES } from './labelled';
import { SHEET as brackenmoor } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as handbill } from '../../../server/standins/handbill/sheet';
import { SHEET as lanternyard } from '../../../server/standins/lanternyard/sheet';
import { SHEET as nearstile } from '../../../server/standins/nearstile/sheet';
import { SHEET as oldhollow } from '../../../server/standins/oldhollow/sheet';
import { SHEET as quirestack } from '../../../server/standins/quirestack/sheet';
import { SHEET as threadwick } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN, KindTree, ROWS } from '../kinds/tree';

const SEVEN = [brackenmoor, threadwick, nearstile, oldhollow, quirestack, lanternyard, handbill].map((s) =>
  RuleSheet.parse(s),
);

/** A sheet with shelves of these names, `parent > name` where one stands below another. */
function sheetWith(marketplace: string, names: readonly string[]): RuleSheet {
  const plain = { photos: undefined, specifics: [], leaf: true };
  const parents = [...new Set(names.flatMap((n) => (n.includes(' > ') ? [n.split(' > ')[0]!] : [])))];
  return RuleSheet.parse({
    ...SEVEN[1]!,
    marketplace,
    categories: [
      ...parents.map((name) => ({ ...plain, id: name, name, parent: null, leaf: false })),
      ...names.map((n) => {
        const [name = n, parent = null] = n.split(' > ').reverse();
        return { ...plain, id: n, name, parent };
      }),
    ],
  });
}

const SHEETS = [...SEVEN, ...Object.entries(SHELVES).map(([name, shelves]) => sheetWith(name, shelves))];

const labelOf = (market: string, kind: string) => {
  for (const id of [...(BUILT_IN.get(kind)?.path ?? [])].reverse()) {
    const label = LABELLED[market]?.[id];
    if (label !== undefined) return label;
  }
  return undefined;
};

describe('categories suggested for our kinds', () => {
  const judged = SHEETS.flatMap((sheet) =>
    BUILT_IN.leaves.flatMap((kind) => {
      const label = labelOf(sheet.marketplace, kind.id);
      if (label === undefined) return [];
      const suggested = categoryFor(kind.id, BUILT_IN, sheet, []);
      return [
        {
          market: sheet.marketplace,
          kind: kind.id,
          label,
          suggested: suggested?.id ?? null,
          sureness: suggested?.sureness,
        },
      ];
    }),
  );
  const missed = (of: typeof judged) =>
    of
      .filter((j) => j.suggested !== j.label)
      .map((j) => `${j.market} ${j.kind}: ${j.suggested}, not ${j.label}`);

  // Labelled by hand in labelled.ts: common practice.
  it('are right for 97 in 100 where there is a shelf for the kind', () => {
    const filed = judged.filter((j) => j.label !== null);
    const right = filed.filter((j) => j.suggested === j.label).length / filed.length;
    process.stdout.write(`categories: ${filed.length} labelled pairs, ${(100 * right).toFixed(1)} % right\n`);
    expect(filed.length).toBeGreaterThanOrEqual(150);
    expect({ missed: missed(filed), right: right >= 0.97 }).toMatchObject({ right: true });
  });

  it('are none where a marketplace takes nothing of the sort', () => {
    const none = judged.filter((j) => j.label === null);
    expect(none.length).toBeGreaterThan(200);
    expect(missed(none)).toEqual([]);
  });

  it('that are sure are never wrong', () =>
    expect(missed(judged.filter((j) => j.sureness === 'sure'))).toEqual([]));

  const one = (kind: string, ...names: string[]) =>
    categoryFor(kind, BUILT_IN, sheetWith('somewhere', names), []);
  it.each([
    ['ring', ['Knitwear']],
    ['chair', ['Lamps and lighting']],
    ['guitar', ['Hand tools']],
    ['radio', ['Film cameras']],
    ['tent', ['Bags and cases']],
    ['dress', ['Dolls > Dresses']],
    ['coat', ['Dog coats']],
    ['bag', ['Tea bags']],
    ['jumper', ['Hoodies']],
    ['grinder', ['Music > Scales']],
    ['rug', ['Persian rugs']],
    ['shoes', ['Men > Shoes', 'Women > Shoes']],
    ['coat', ['Coats', 'Jackets']],
    ['jumper', ['???', 'constructor']],
    ['film', ['Vinyl & CDs']],
    ['jumper', ['Kids > Clothes']],
    ['dress', ['Baby > Dresses']],
    ['bag', ['Bags for cameras']],
    ['film', ['Books about film']],
  ] as const)('none for a %s among %j: better a question than a wrong shelf', (kind, names) =>
    expect(one(kind, ...names)).toBeNull(),
  );

  it('say how sure they are', () => {
    expect(one('jumper', 'Knitwear')).toMatchObject({
      sureness: 'sure',
      why: { code: 'inName', params: { shown: 'knitwear' } },
    });
    expect(one('tie', 'Scarves, hats, gloves')).toMatchObject({
      sureness: 'likely',
      why: { code: 'likeGoesThere' },
    });
    expect(one('shoes', 'Men’s shoes')).toMatchObject({ sureness: 'likely' });
    expect(one('tent', 'Clothing', 'Anything else')).toMatchObject({ id: 'Anything else', sureness: 'last' });
    expect(one('doll', 'Kids > Toys')).toMatchObject({ sureness: 'sure' });
    expect(one('childClothes', 'Kids > Clothes')).toMatchObject({ sureness: 'sure' });
    expect(one('dress', 'Ladies > Dresses')).toMatchObject({ sureness: 'likely' });
    expect(one('lamp', 'Home > Other')).toMatchObject({ sureness: 'likely' });
  });

  it('take the narrower of two that fit', () => {
    expect(one('boots', 'Shoes and boots', 'Boots')?.id).toBe('Boots');
    expect(one('book', 'Books and paper', 'Books')?.id).toBe('Books');
  });

  it('know a kind of the person’s own by its name, or by the branch it is below', () => {
    const tree = new KindTree(ROWS, [{ id: 'k1', parent: 'kitchen', name: 'Butter dish' }]);
    const there = (...names: string[]) => categoryFor('k1', tree, sheetWith('somewhere', names), []);
    expect(there('Kitchen', 'Butter dishes')?.id).toBe('Butter dishes');
    expect(there('Kitchen', 'Lamps')?.id).toBe('Kitchen');
  });

  const chose = (market: string, kind: string, category: string) =>
    Mapping.parse({ id: mappingId(market, kind), market, kind, category });
  it('take the person’s word for a kind and all below it, and learn from it for kinds beside', () => {
    const moor = SHEETS[0]!;
    const said = [chose('brackenmoor', 'extras', 'wear.knit')];
    expect(categoryFor('scarf', BUILT_IN, moor, said)).toMatchObject({ id: 'wear.knit', sureness: 'chosen' });
    const learned = [chose('brackenmoor', 'candlestick', 'house.light')];
    expect(rankCategories('clock', BUILT_IN, moor, learned)[0]).toMatchObject({
      category: { id: 'house.light' },
      why: { code: 'chosenNearby' },
    });
    // What its name says still comes first.
    expect(categoryFor('vase', BUILT_IN, moor, learned)).toMatchObject({
      id: 'house.glass',
      sureness: 'sure',
    });
  });
});
