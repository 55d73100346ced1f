import fc from 'fast-check';

import { Plan } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { OVER, SOLD_AT, writeFor, type WriteMaterial, type WriteWish } from './write';
import { anItem } from '../../../e2e/anItem';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as OLDHOLLOW } from '../../../server/standins/oldhollow/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';
import { effectiveListing } from '../listing/effective';
import { plainSetup } from '../listing/setup';
import { summarise } from '../price/comps';
import { isUntouched } from '../words/inStep';

const SHEETS = [BRACKENMOOR, OLDHOLLOW, THREADWICK].map((s) => RuleSheet.parse(s));
const jumper = anItem({
  kind: 'jumper',
  use: 'light',
  weightG: 800,
  facts: { brand: 'Kittiwake Mills', department: 'Men', size: 'M', colour: 'Navy', material: 'Wool' },
});
const NOTHING: WriteWish = {
  titles: false,
  descriptions: false,
  tags: false,
  over: 'untouched',
  price: null,
  priceAgain: false,
};

function material(item = jumper, part: Partial<WriteMaterial> = {}): WriteMaterial {
  return {
    kinds: BUILT_IN,
    words: { title: 'Kittiwake Mills Men jumper', description: 'Kittiwake Mills jumper: navy, wool.' },
    tone: 'Plain',
    wanted: SHEETS.map((sheet) => ({
      sheet,
      plan: undefined,
      effective: effectiveListing(item, undefined, sheet, BUILT_IN, plainSetup({})),
    })),
    sought: {},
    sold: null,
    endings: [],
    ...part,
  };
}

describe('what is written of an item', () => {
  it('is nothing that was not wished for', () => {
    expect(writeFor(jumper, NOTHING, material())).toMatchObject({ item: {}, plans: [], lines: [], left: [] });
  });

  it('is told line by line: what changes has a line, what has none does not change', () => {
    const texts = fc.constantFrom('', 'Grandfather’s gansey', 'Kittiwake Mills Men jumper');
    const wishes = fc.record({
      titles: fc.boolean(),
      descriptions: fc.boolean(),
      tags: fc.boolean(),
      over: fc.constantFrom(...OVER),
      priceAgain: fc.boolean(),
      price: fc.constantFrom(null, ...SOLD_AT.map((at) => ({ by: 'sold' as const, at }))),
    });
    fc.assert(
      fc.property(texts, texts, wishes, (title, description, wish) => {
        const item = { ...jumper, title, description };
        const plan = writeFor(item, wish, material(item));
        const after = { ...item, ...plan.item };
        for (const field of ['title', 'description'] as const)
          expect(after[field] !== item[field]).toBe(plan.lines.some((l) => l.what === field));
        expect(after.price !== item.price).toBe(plan.lines.some((l) => l.what === 'price'));
        // A person's own words stand unless they said otherwise.
        if (title !== '' && wish.over !== 'all') expect(after.title).toBe(title);
      }),
    );
  });

  it('follows the facts from then on', () => {
    const plan = writeFor(jumper, { ...NOTHING, titles: true, descriptions: true }, material());
    const after = { ...jumper, ...plan.item };
    expect([isUntouched(after, 'title'), isUntouched(after, 'description')]).toEqual([true, true]);
    expect(plan.lines.map((l) => l.why.code)).toEqual(['fromFacts', 'inTone']);
  });

  it('has the words first in its tags that buyers search there', () => {
    const place = material().wanted.filter(({ sheet }) => sheet.tags);
    expect(place.length).toBeGreaterThan(0);
    const market = place[0]!.sheet.marketplace;
    const sought = { [market]: [{ word: 'wool', count: 90 }] };
    const plan = writeFor(jumper, { ...NOTHING, tags: true }, material(jumper, { sought }));
    expect(plan.plans.find((p) => p.market === market)?.part.tags?.[0]).toBe('wool');
    expect(plan.lines[0]?.why).toEqual({
      code: 'searchedFirst',
      params: { market: place[0]!.sheet.name, count: 1 },
    });
    // Tags of the person's own stay.
    const own = Plan.parse({ id: 'x', itemId: 't', market, wanted: true, tags: ['heirloom'] });
    const wanted = material().wanted.map((w) => (w.sheet.marketplace === market ? { ...w, plan: own } : w));
    const kept = writeFor(jumper, { ...NOTHING, tags: true }, material(jumper, { sought, wanted }));
    expect(kept.plans.some((p) => p.market === market)).toBe(false);
    expect(kept.left).toContainEqual({ what: 'tags', why: { code: 'ownWords', params: {} } });
  });

  it('has a price that others paid, with how sure that is; none where nobody bought', () => {
    const sold = { summary: { ...summarise([]), sold: 7, typical: 4_400, low: 4_000, high: 5_000 }, at: 5 };
    const wish: WriteWish = { ...NOTHING, price: { by: 'sold', at: 'typical' } };
    expect(writeFor(jumper, wish, material(jumper, { sold }))).toMatchObject({
      item: { price: 4_400 },
      lines: [{ what: 'price', after: 4_400, why: { code: 'soldFor', params: { count: 7, askedAt: 5 } } }],
    });
    // A price that stands is left, unless it is said.
    const priced = { ...jumper, price: 9_500 };
    expect(writeFor(priced, wish, material(priced, { sold })).left[0]?.why.code).toBe('hasPrice');
    expect(writeFor(priced, { ...wish, priceAgain: true }, material(priced, { sold })).item.price).toBe(
      4_400,
    );
    const none = { summary: summarise([]), at: 5 };
    expect(writeFor(jumper, wish, material(jumper, { sold: none })).left[0]?.why.code).toBe('nothingSold');
    expect(writeFor(jumper, wish, material()).left[0]?.why.code).toBe('notAsked');
  });
});
