import fc from 'fast-check';

import { Item } from '@/contract/records';

import { withKind } from './changeKind';
import { privateValues, publicFacts } from './publicFacts';
import type { FactSpec, KindRow } from './spec';
import { BUILT_IN, KindTree, ROWS, type OwnFact } from './tree';
import { answersOf, factValue, readable, toggled } from './values';

const item = (part: Partial<Item>): Item =>
  Item.parse({ id: 't', code: 'YA-0001', author: 'Me', createdAt: 0, updatedAt: 0, ...part });
const ids = ROWS.map((r) => r.id);
const kindId = fc.constantFrom(...ids);

describe('the kinds the app comes with', () => {
  it('are about ninety, each with its own id, under parents that exist', () => {
    expect(BUILT_IN.leaves.length).toBeGreaterThanOrEqual(85);
    expect(new Set(ids).size).toBe(ids.length);
    for (const row of ROWS) if (row.parent !== null) expect(BUILT_IN.get(row.parent)).toBeDefined();
  });
  it('cover the branches of the trade', () =>
    expect(BUILT_IN.children(null).map((k) => k.id)).toEqual([
      'clothes',
      'footwear',
      'bags',
      'jewellery',
      'home',
      'kitchen',
      'lighting',
      'textiles',
      'furniture',
      'tools',
      'electronics',
      'books',
      'music',
      'games',
      'collectables',
      'craft',
      'sport',
      'instruments',
    ]));
  it.each(BUILT_IN.leaves.map((k) => [k.name, k] as const))('%s has what work with it needs', (_, kind) => {
    expect(kind.facts.length).toBeGreaterThan(2);
    expect(kind.flaws.length).toBeGreaterThan(2);
    expect(kind.places.length).toBeGreaterThan(2);
    expect(kind.details.length).toBeGreaterThan(0);
    expect(kind.parcelG).toBeGreaterThan(0);
    expect(kind.facts.some((f) => f.need === 'required' || f.need === 'wanted')).toBe(true);
    for (const m of kind.measures) expect(m.usual[0]).toBeLessThan(m.usual[1]);
  });
});

describe('inheritance', () => {
  const fact: fc.Arbitrary<FactSpec> = fc.record({
    id: fc.constantFrom('brand', 'colour', 'size', 'pile', 'maker'),
    label: fc.string({ minLength: 1, maxLength: 10 }),
  });
  /** Trees of any shape, whose rows may name parents that come later, do not exist, or run in a circle. */
  const row: fc.Arbitrary<KindRow> = fc.record(
    {
      id: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
      parent: fc.option(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f', 'nowhere'), { nil: null }),
      name: fc.constant('K'),
      facts: fc.uniqueArray(fact, { selector: (f) => f.id, maxLength: 4 }),
      without: fc.subarray(['brand', 'size']),
    },
    { requiredKeys: ['id', 'parent', 'name'] },
  );
  const rows = fc.uniqueArray(row, { selector: (r) => r.id, maxLength: 6 });

  it('gives a child all its parent asks, but for what it leaves out or asks its own way', () => {
    fc.assert(
      fc.property(rows, (list) => {
        const tree = new KindTree(list);
        for (const kind of tree.all) {
          const own = list.find((r) => r.id === kind.id);
          for (const spec of tree.facts(kind.parent ?? '')) {
            const mine = kind.facts.find((f) => f.id === spec.id);
            const replaced = own?.facts?.find((f) => f.id === spec.id);
            if (replaced) expect(mine).toEqual(replaced);
            else if (own?.without?.includes(spec.id)) expect(mine).toBeUndefined();
            else expect(mine).toEqual(spec);
          }
          for (const spec of own?.facts ?? []) expect(kind.facts).toContainEqual(spec);
        }
      }),
    );
  });
  it('holds every kind exactly once, and no circle hangs it', () => {
    fc.assert(
      fc.property(rows, (list) => {
        const tree = new KindTree([], list);
        expect(tree.all.map((k) => k.id).sort()).toEqual(list.map((r) => r.id).sort());
        for (const kind of tree.all) expect(new Set(kind.path).size).toBe(kind.path.length);
        const reached = new Set<string>();
        const walk = (id: string | null) => tree.children(id).forEach((k) => (reached.add(k.id), walk(k.id)));
        walk(null);
        expect(reached.size).toBe(list.length);
      }),
    );
  });
  it('asks what a person adds to a branch of all kinds below, until one asks it another way', () => {
    const pile: FactSpec = { id: 'pile', label: 'Which pile', private: true };
    const own: OwnFact[] = [
      { kind: 'clothes', spec: pile },
      { kind: 'jeans', spec: { ...pile, label: 'Which heap', choices: ['left', 'right'], closed: true } },
    ];
    const tree = new KindTree(ROWS, [{ id: 'gansey', parent: 'jumper', name: 'Gansey' }], own);
    expect(tree.fact('jumper', 'pile')?.label).toBe('Which pile');
    expect(tree.fact('gansey', 'pile')?.label).toBe('Which pile');
    expect(tree.fact('jeans', 'pile')?.label).toBe('Which heap');
    expect(tree.fact('lamp', 'pile')).toBeUndefined();
    expect(tree.get('gansey')?.own).toBe(true);
    expect(tree.pathWords('gansey')).toBe('Clothes › Jumper › Gansey');
    expect(tree.measures('gansey')).toEqual(tree.measures('jumper'));
  });
});

describe('another kind', () => {
  const facts = fc.dictionary(
    fc.constantFrom('brand', 'size', 'colour', 'pieces', 'author', 'year', 'binding', 'stone', 'ring'),
    fc.constantFrom('Ostler', '40', 'Navy', '1968', 'many', 'Garnet'),
  );
  const measurements = fc.dictionary(
    fc.constantFrom('chest', 'height', 'toolLength'),
    fc.integer({ min: 10, max: 900 }),
  );

  it('loses nothing: what is in the record and aside is the same before and after', () => {
    fc.assert(
      fc.property(facts, measurements, kindId, kindId, (f, m, from, to) => {
        const start = { ...withKind(item({ facts: f, measurements: m }), from, BUILT_IN) };
        const moved = withKind(start, to, BUILT_IN);
        const all = (t: typeof start) => ({ ...t.parked.facts, ...t.facts });
        for (const [id, value] of Object.entries(all(start))) expect(all(moved)[id]).toBe(value);
        const lengths = (t: typeof start) => ({ ...t.parked.measurements, ...t.measurements });
        expect(lengths(moved)).toEqual(lengths(start));
        for (const id of Object.keys(moved.facts)) expect(moved.parked.facts[id]).toBeUndefined();
      }),
    );
  });
  it('and back again leaves everything as it was', () => {
    fc.assert(
      fc.property(facts, measurements, kindId, kindId, (f, m, from, to) => {
        const start = withKind(item({ facts: f, measurements: m }), from, BUILT_IN);
        const back = withKind(withKind(start, to, BUILT_IN), from, BUILT_IN);
        for (const [id, value] of Object.entries(start.facts)) expect(back.facts[id]).toBe(value);
        expect(back.measurements).toEqual(start.measurements);
      }),
    );
  });
  it('keeps what fits and sets the rest aside', () => {
    const coat = item({ kind: 'coat', facts: { brand: 'Ostler', size: 'L' }, measurements: { chest: 590 } });
    const lamp = withKind(coat, 'lamp', BUILT_IN);
    expect(lamp.facts).toEqual({ brand: 'Ostler' });
    expect(lamp.parked).toEqual({ facts: { size: 'L' }, measurements: { chest: 590 } });
    expect(withKind(lamp, 'shirt', BUILT_IN).facts).toEqual({ brand: 'Ostler', size: 'L' });
  });
  it('begins with what is usual, but never in place of an answer', () => {
    expect(withKind(item({}), 'childClothes', BUILT_IN).facts.department).toBe('Children');
    expect(
      withKind(item({ facts: { department: 'Women' } }), 'childClothes', BUILT_IN).facts.department,
    ).toBe('Women');
  });
});

describe('answers', () => {
  const ask = (part: Partial<FactSpec>): FactSpec => ({ id: 'x', label: 'X', ...part });
  it.each([
    [ask({ type: 'number' }), '12,5', '12.5'],
    [ask({ type: 'number' }), '12.5', '12.5'],
    [ask({ type: 'year' }), ' 1968 ', '1968'],
    [ask({ type: 'yesNo' }), 'yes', 'Yes'],
    [ask({ choices: ['Navy'], closed: true }), 'navy', 'Navy'],
    [ask({ choices: ['Navy'] }), 'midnight', 'midnight'],
    [ask({}), 'שלום 🧶 naïve', 'שלום 🧶 naïve'],
    [ask({ several: true }), 'Spring\n Autumn\nSpring', 'Spring\nAutumn'],
  ])('%j takes %j as %j', (spec, typed, value) =>
    expect(factValue(spec, typed)).toEqual({ ok: true, value }),
  );
  it.each([
    [ask({ type: 'number' }), '12.5.1', { code: 'notNumber' }],
    [ask({ type: 'number' }), '1e9', { code: 'notNumber' }],
    [ask({ type: 'year' }), '68', { code: 'notYear' }],
    [ask({ type: 'yesNo' }), 'perhaps', { code: 'notYesOrNo' }],
    [
      ask({ choices: ['Navy', 'Tan'], closed: true }),
      'midnight',
      { code: 'notAmong', params: { choices: ['Navy', 'Tan'] } },
    ],
    [ask({}), 'a\u0007b', { code: 'unseenCharacters' }],
    [ask({}), 'x'.repeat(10_000), { code: 'tooLong', params: { length: 10_000, most: 400 } }],
    [
      ask({ several: true }),
      Array.from({ length: 90 }, (_, i) => `answer ${i}`).join('\n'),
      { code: 'tooLong' },
    ],
  ])('%j refuses %j with the reason', (spec, typed, why) => {
    expect(factValue(spec, typed)).toMatchObject({ ok: false, why });
  });
  it('keeps any text exactly or says why not, and takes its own answers again', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme', maxLength: 500 }),
        fc.constantFrom<FactSpec['type']>('text', 'number', 'year', 'yesNo'),
        (typed, type) => {
          const judged = factValue(ask({ type }), typed);
          if (!judged.ok) return expect(judged.why.code).not.toBe('');
          if (type === 'text') expect(judged.value).toBe(typed.trim());
          expect(factValue(ask({ type }), judged.value)).toEqual(judged);
        },
      ),
    );
  });
  it('puts one of several on and takes it off', () => {
    expect(toggled('', 'Spring')).toBe('Spring');
    expect(toggled('Spring\nAutumn', 'Spring')).toBe('Autumn');
    expect(readable('Spring\nAutumn')).toBe('Spring, Autumn');
    expect(answersOf('')).toEqual([]);
  });
});

describe('private facts', () => {
  const tree = new KindTree(
    ROWS,
    [],
    [{ kind: 'clothes', spec: { id: 'pile', label: 'Pile', private: true } }],
  );
  const one = item({ kind: 'jumper', facts: { brand: 'Ostler', pile: 'heap nine', serial: 'SN-778' } });
  it('are not among those that may be sent, whatever the kind becomes', () => {
    fc.assert(
      fc.property(kindId, (to) => {
        const moved = withKind(one, to, tree);
        const sent = JSON.stringify(publicFacts({ ...one, ...moved }, tree));
        expect(sent).not.toContain('heap nine');
        expect(sent).not.toContain('SN-778');
        expect(privateValues({ ...one, ...moved }, tree).map((p) => p.value)).toEqual(
          expect.arrayContaining(['heap nine', 'SN-778']),
        );
      }),
    );
  });
});
