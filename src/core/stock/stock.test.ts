import fc from 'fast-check';

import { Item } from '@/contract/records';

import { planBulk, planShared, shown, type Action, type Target, type Ways } from './bulk';
import { askedOf, cellText, isAsked, questionsOf, sortValue } from './questions';
import { ordered, orderedBy, ORDERS, StockSearch } from './search';
import { severalAlike, withOptions } from '../choices/choices';
import { BUILT_IN } from '../kinds/tree';

const item = (part: Partial<Item> & { id: string }): Item =>
  Item.parse({ code: `YA-${part.id}`, author: 'me', createdAt: 0, updatedAt: 0, ...part });
const jumper = item({
  id: '1',
  kind: 'jumper',
  title: 'Kittiwake Mills gansey',
  spot: 'A3-12',
  facts: { brand: 'Kittiwake', colour: 'Navy', material: 'Wool' },
  price: 4_800,
});
const lamp = item({
  id: '2',
  kind: 'lamp',
  title: 'Ship’s lamp, café green',
  facts: { brand: 'Hobley' },
  createdAt: 5,
});
const WAYS: Ways = {
  kinds: BUILT_IN,
  currency: 'EUR',
  units: 'metric',
  groups: { g: { id: 'g', name: 'Winter', parent: null, filter: null } },
};
const plan = (items: Item[], target: Target, action: Action) => planBulk(items, target, action, WAYS);

describe('search', () => {
  const search = new StockSearch(BUILT_IN);
  it.each([
    ['gansey', ['1']],
    ['CAFE', ['2']],
    ['a3-12', ['1']],
    ['wool navy', ['1']],
    ['lighting', ['2']],
    ['ya-', ['1', '2']],
    ['gansey lamp', []],
    ['', ['1', '2']],
  ])('for %p finds %p', (query, ids) =>
    expect(search.find([jumper, lamp], query).map((t) => t.id)).toEqual(ids),
  );
  it('sees a change at once', () => {
    const changed = { ...jumper, title: 'Cardigan' };
    expect(search.find([changed], 'cardigan')).toHaveLength(1);
    expect(search.find([changed], 'gansey')).toHaveLength(0);
  });
  it('finds the same when it was prepared ahead, in parts', () => {
    const ahead = new StockSearch(BUILT_IN);
    expect(ahead.prepare([jumper, lamp], 0, 1)).toBe(1);
    expect(ahead.prepare([jumper, lamp], 1, 9)).toBe(2);
    expect(ahead.find([jumper, lamp], 'gansey')).toEqual([jumper]);
  });
  it('takes any words without failing', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (q) =>
        expect(search.find([jumper, lamp], q).length).toBeLessThanOrEqual(2),
      ),
    );
  });
});

it('orders: every item once, blanks last', () => {
  const many = fc.array(
    fc.record({
      price: fc.option(fc.nat(900)),
      title: fc.constantFrom('', 'b', 'A', 'c 10', 'c 9'),
      createdAt: fc.nat(50),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(many, fc.constantFrom(...ORDERS), (parts, order) => {
      const items = parts.map((p, i) => item({ ...p, id: String(i) }));
      const out = ordered(items, order);
      expect(out.map((t) => t.id).sort()).toEqual(items.map((t) => t.id).sort());
      if (order === 'cheapest' || order === 'dearest') {
        const blank = out.findIndex((t) => t.price === null);
        expect(blank < 0 || out.slice(blank).every((t) => t.price === null)).toBe(true);
      }
      if (order === 'title')
        expect(out.filter((t) => t.title).map((t) => t.title)).toEqual(
          out.map((t) => t.title).filter(Boolean),
        );
    }),
  );
  expect(
    ordered([item({ id: 'a', title: 'c 10' }), item({ id: 'b', title: 'c 9' })], 'title').map((t) => t.id),
  ).toEqual(['b', 'a']);
});

it('orders by any answer, both ways, with those that say nothing last', () => {
  const of = (id: string, part: Partial<Item>) => item({ id, kind: 'jumper', ...part });
  const some = [
    of('a', { price: 900, use: 'hard', measurements: { length: 700 }, facts: { brand: 'Åbel 10' } }),
    of('b', { price: 12_000, use: 'unused', measurements: { length: 80 }, facts: { brand: 'abel 9' } }),
    of('c', { createdAt: 1 }),
  ];
  const by = (target: Target, descending = false) =>
    orderedBy(some, (t) => sortValue(t, target, WAYS), descending)
      .map((t) => t.id)
      .join('');
  expect(by('price')).toBe('abc');
  expect(by('price', true)).toBe('bac');
  // Best first, as uses are ordered; not by their letters.
  expect(by('use')).toBe('bac');
  expect(by('measure:length')).toBe('bac');
  expect(by('fact:brand')).toBe('bac');
  expect(by('fact:brand', true)).toBe('abc');
});

describe('a change of many at once', () => {
  it('says what it would do to each, and why not to some', () => {
    const p = plan([jumper, lamp], 'fact:size', { type: 'set', value: 'M' });
    expect(p.changes).toEqual([
      { id: '1', before: '', after: 'M', part: { facts: { ...jumper.facts, size: 'M' } } },
    ]);
    expect(p.refused).toEqual([{ id: '2', why: { code: 'notAsked', params: {} } }]);
  });
  it('sets, adds, clears and replaces', () => {
    expect(plan([jumper], 'title', { type: 'add', value: 'size M' }).changes[0]?.after).toBe(
      'Kittiwake Mills gansey size M',
    );
    expect(
      plan([jumper], 'title', { type: 'replace', find: 'GANSEY', by: 'jumper $&' }).changes[0]?.after,
    ).toBe('Kittiwake Mills jumper $&');
    expect(plan([jumper], 'fact:colour', { type: 'clear' }).changes[0]?.part.facts).toEqual({
      brand: 'Kittiwake',
      material: 'Wool',
    });
    expect(plan([jumper], 'price', { type: 'set', value: '19,50' }).changes[0]?.part).toEqual({
      price: 1_950,
    });
    expect(plan([jumper], 'kind', { type: 'set', value: 'lamp' }).changes[0]?.part.parked?.facts).toEqual({});
    // By hand: 15 % of 48.00 are 7.20.
    expect(plan([jumper], 'price', { type: 'lower', value: '15 %' }).changes[0]?.part).toEqual({
      price: 4_080,
    });
    const priceless = plan([{ ...jumper, price: null }], 'price', { type: 'lower', value: '15' });
    expect(priceless.refused[0]?.why.code).toBe('noPriceYet');
    expect(plan([jumper], 'use', { type: 'set', value: 'light' }).changes[0]?.part).toEqual({ use: 'light' });
    expect(plan([jumper], 'spot', { type: 'set', value: 'A3-12' })).toMatchObject({ changes: [], same: 1 });
  });
  it.each<[Target, Action, string]>([
    ['price', { type: 'set', value: 'a lot' }, 'amountNotDigits'],
    ['price', { type: 'add', value: '5' }, 'amountSetOrCleared'],
    ['price', { type: 'lower', value: '15.5' }, 'percentUnread'],
    ['price', { type: 'lower', value: '100' }, 'percentUnread'],
    ['cost', { type: 'lower', value: '15' }, 'amountSetOrCleared'],
    ['kind', { type: 'set', value: 'nothing' }, 'noSuchKind'],
    ['kind', { type: 'clear' }, 'kindOnlySet'],
    ['use', { type: 'set', value: 'sometimes' }, 'useSetOrCleared'],
    ['title', { type: 'set', value: 'x'.repeat(500) }, 'tooLong'],
    ['measure:chest', { type: 'set', value: 'wide' }, 'lengthUnread'],
    ['measure:chest', { type: 'add', value: '3' }, 'measureSetOrCleared'],
    ['measure:depth', { type: 'set', value: '3' }, 'notMeasured'],
    ['weight', { type: 'set', value: 'heavy' }, 'weightUnread'],
    ['quantity', { type: 'set', value: 'some' }, 'quantityUnread'],
    ['quantity', { type: 'set', value: '100001' }, 'quantityUnread'],
    ['quantity', { type: 'lower', value: '5' }, 'quantitySetOrCleared'],
    ['group', { type: 'set', value: 'gone' }, 'noSuchGroup'],
    ['group', { type: 'replace', find: 'a', by: 'b' }, 'groupNotReplaced'],
  ])('refuses %p %j: %s', (target, action, code) =>
    expect(plan([jumper], target, action).refused[0]?.why.code).toBe(code),
  );
  it('touches nothing else, and accounts for every item once', () => {
    const target = fc.constantFrom<Target>(
      'title',
      'spot',
      'price',
      'kind',
      'use',
      'fact:colour',
      'fact:size',
      'fact:pieces',
    );
    const action = fc.oneof(
      fc.record({ type: fc.constantFrom('set' as const, 'add' as const), value: fc.string() }),
      fc.constant<Action>({ type: 'clear' }),
      fc.record({ type: fc.constant('replace' as const), find: fc.string(), by: fc.string() }),
    );
    fc.assert(
      fc.property(target, action, (t, a) => {
        const p = plan([jumper, lamp], t, a);
        expect(p.changes.length + p.refused.length + p.same).toBe(2);
        for (const { part } of p.changes) {
          const keys =
            t === 'kind'
              ? ['kind', 'facts', 'measurements', 'uncertainty', 'parked']
              : t.startsWith('fact:')
                ? ['facts']
                : [t];
          expect(Object.keys(part).every((k) => keys.includes(k))).toBe(true);
          for (const [id, value] of Object.entries(part.facts ?? {}))
            if (t !== `fact:${id}` && t !== 'kind')
              expect([jumper.facts[id], lamp.facts[id]]).toContain(value);
        }
      }),
    );
  });
});

describe('questions of several items', () => {
  const asked = questionsOf([jumper, lamp], WAYS, []);
  const by = (target: Target) => asked.find((q) => q.target === target)!;
  it('stand once each, the specifics before the measurements', () => {
    const targets = asked.map((q) => q.target);
    expect(new Set(targets).size).toBe(targets.length);
    expect(targets.indexOf('fact:size')).toBeLessThan(targets.indexOf('measure:chest'));
    expect(by('measure:chest').unit).toBe('cm');
  });
  it('are asked only where they make sense', () => {
    expect(isAsked(jumper, by('fact:size'), WAYS)).toBe(true);
    expect(isAsked(lamp, by('fact:size'), WAYS)).toBe(false);
    expect(isAsked(lamp, by('spot'), WAYS)).toBe(true);
  });
  it('are told apart where kinds name them alike, and named both ways where they do not', () => {
    const [boots, book] = [item({ id: '6', kind: 'boots' }), item({ id: '7', kind: 'book' })];
    const labels = questionsOf([jumper, boots, book, lamp], WAYS, []).map((q) => q.label);
    expect(new Set(labels).size).toBe(labels.length);
    expect(questionsOf([book, lamp], WAYS, []).find((q) => q.target === 'fact:model')?.label).toBe(
      'Title of the book or model',
    );
    const model = questionsOf([book, lamp], WAYS, []).find((q) => q.target === 'fact:model')!;
    expect(askedOf(book, model, WAYS).label).toBe('Title of the book');
    expect(askedOf(lamp, model, WAYS).label).toBe('Model');
  });
  it('follow the person’s own form', () => {
    const form = { id: 'f', kind: 'clothes', order: ['colour', 'brand'], hidden: ['model', 'brand'] };
    const facts = questionsOf([jumper], WAYS, [form])
      .map((q) => q.target)
      .filter((t) => t.startsWith('fact:'));
    expect(facts.slice(0, 2)).toEqual(['fact:colour', 'fact:brand']);
    expect(facts).not.toContain('fact:model');
  });
  it('take back what they show: what stands in a cell can be set again and changes nothing', () => {
    const full = item({
      ...jumper,
      id: '9',
      use: 'light',
      measurements: { chest: 545 },
      cost: 650,
      weightG: 820,
      facts: { ...jumper.facts, size: 'M' },
    });
    for (const units of ['metric', 'imperial'] as const) {
      const ways = { ...WAYS, units };
      for (const { target } of questionsOf([full], ways, [])) {
        const text = cellText(full, target, ways);
        if (text === '') continue;
        const again = planBulk([full], target, { type: 'set', value: text }, ways);
        expect([target, again.refused, again.changes.map((c) => c.after)]).toEqual([target, [], []]);
      }
    }
  });
});

it('gives a shared answer only to those without one', () => {
  const p = planShared([jumper, lamp], 'spot', 'B7', WAYS);
  expect(p).toMatchObject({ same: 1, changes: [{ id: '2', after: 'B7' }] });
  expect(planShared([jumper, lamp], 'fact:size', 'M', WAYS).refused.map((r) => r.id)).toEqual(['2']);
});

it('takes several answers with commas between, and gives one more', () => {
  const ring = item({ id: '5', kind: 'ring', facts: { stone: 'Amber' } });
  expect(BUILT_IN.fact('ring', 'stone')?.several).toBe(true);
  const stones = (action: Action) => plan([ring], 'fact:stone', action).changes[0]?.part.facts?.stone;
  expect(stones({ type: 'set', value: 'Glass, Pearl' })).toBe('Glass\nPearl');
  expect(stones({ type: 'add', value: 'Pearl' })).toBe('Amber\nPearl');
});

it('measures, weighs and groups many at once', () => {
  const part = (target: Target, action: Action, of = jumper) => plan([of], target, action).changes[0]?.part;
  expect(part('measure:chest', { type: 'set', value: '54,5' })).toMatchObject({
    measurements: { chest: 545 },
    measuredBy: { chest: 'tape' },
  });
  expect(part('weight', { type: 'set', value: '820' })).toEqual({ weightG: 820 });
  const three = part('quantity', { type: 'set', value: ' 3 ' });
  expect(three).toEqual({ choices: severalAlike(null, 3, jumper.code) });
  const several = { ...jumper, ...three };
  expect([shown(several, 'quantity', WAYS), shown(jumper, 'quantity', WAYS)]).toEqual(['3', '']);
  expect([sortValue(several, 'quantity', WAYS), sortValue(jumper, 'quantity', WAYS)]).toEqual([3, null]);
  expect(part('quantity', { type: 'clear' }, several)).toEqual({ choices: null });
  const made = withOptions(null, [{ name: 'Size', values: ['S', 'M'] }], jumper.code);
  const varied = { ...jumper, choices: made.ok ? made.choices : null };
  expect(plan([varied], 'quantity', { type: 'set', value: '3' }).refused[0]?.why.code).toBe('inVariations');
  const grouped = part('group', { type: 'add', value: 'g' });
  expect(grouped).toEqual({ groupIds: ['g'] });
  const inside = { ...jumper, ...grouped };
  expect(shown(inside, 'group', WAYS)).toBe('Winter');
  expect(plan([inside], 'group', { type: 'add', value: 'g' })).toMatchObject({ changes: [], same: 1 });
  expect(part('group', { type: 'clear' }, inside)).toEqual({ groupIds: [] });
  expect(part('kind', { type: 'set', value: ' lamp ' })?.kind).toBe('lamp');
});
