import fc from 'fast-check';

import type { Item } from '@/contract/records';

import { fillPattern, TONES } from './pattern';
import { tagsFor } from './tags';
import { otherNames, titleFromFacts } from './title';
import { anItem } from '../../../e2e/anItem';
import { BUILT_IN } from '../kinds/tree';

/*
 * What is written by itself says what was recorded and nothing more: every word comes from a fact, from the
 * name a kind goes by, or from the person.
 */
const small = (text: string) => text.toLocaleLowerCase('en').match(/[\p{L}\p{N}]+/gu) ?? [];
/** All that buyers could search: other names of every kind, and what nobody recorded. */
const SOUGHT = [
  ...new Set(
    BUILT_IN.leaves.flatMap((k) => [...k.alsoCalled, k.name.toLocaleLowerCase('en'), ...small(k.name)]),
  ),
]
  .concat('cashmere', 'coffee', 'hand made')
  .map((word, i) => ({ word, count: 1 + (i % 90) }));
const VALUES = [
  'Ardent & Vale',
  'navy',
  '80 % wool, 20 % polyamide',
  '20',
  'M',
  'Brindle',
  '1950s',
  'No. 7',
  'oak',
  'EU 42',
];

const items = fc
  .record({
    kind: fc.constantFrom(...BUILT_IN.leaves),
    answers: fc.array(fc.option(fc.constantFrom(...VALUES), { nil: '' }), { minLength: 40, maxLength: 40 }),
    use: fc.constantFrom('unused' as const, 'light' as const, null),
  })
  .map(({ kind, answers, use }): Item => {
    const facts = kind.facts.flatMap((f, i) =>
      f.private || !answers[i % 40] ? [] : [[f.id, answers[i % 40]!]],
    );
    return anItem({ kind: kind.id, use, facts: Object.fromEntries(facts) as Item['facts'] });
  });

/** Words that the record bears out. */
const recorded = (item: Item) =>
  new Set([
    ...Object.values(item.facts).flatMap(small),
    ...small(BUILT_IN.get(item.kind)!.titleWords),
    'size',
  ]);

it('every word of a title and of tags is recorded, whatever buyers search', () => {
  fc.assert(
    fc.property(items, fc.integer({ min: 20, max: 140 }), (item, max) => {
      const known = recorded(item);
      const title = titleFromFacts(item, BUILT_IN, max, 'characters', SOUGHT);
      const tags = tagsFor(item, BUILT_IN, SOUGHT, { max: 13, longest: 40 });
      expect([...small(title), ...tags.flatMap(small)].filter((w) => !known.has(w))).toEqual([]);
    }),
  );
});

it('no description by itself calls an item what only some of its kind are', () => {
  fc.assert(
    fc.property(items, fc.constantFrom(...TONES), (item, tone) => {
      const known = recorded(item);
      const said = fillPattern(tone.text, item, BUILT_IN, 'metric');
      const kind = BUILT_IN.get(item.kind)!;
      const others = [...kind.alsoCalled, kind.name]
        .flatMap(small)
        .filter((w) => !known.has(w) && !['or', 'and', 'the', 'with', 'of'].includes(w));
      expect(said.ok && small(said.text).filter((w) => others.includes(w))).toEqual([]);
    }),
  );
});

it('a stuff is called by its name, a size keeps its word', () => {
  const jumper = anItem({
    kind: 'jumper',
    facts: { material: '80 % wool, 20 % polyamide', size: '20', model: 'No. 20' },
  });
  expect(titleFromFacts(jumper, BUILT_IN, 140)).toBe('jumper No. 20 wool size 20');
});

it('other names are offered, the most searched first, and never those that are said', () => {
  const jug = anItem({ kind: 'kitchenware', facts: { material: 'enamel' } });
  const offered = otherNames('Enamel jug', [{ word: 'coffee pot', count: 40 }], jug, BUILT_IN).map(
    (n) => n.word,
  );
  expect(offered[0]).toBe('coffee pot');
  expect(offered).toEqual(expect.arrayContaining(['bowl', 'tray', 'dish']));
  expect(offered).not.toContain('jug');
});
