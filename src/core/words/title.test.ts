import fc from 'fast-check';

import { countAs } from './count';
import { bestTitle, missingWords, nextBuys, titleFromFacts, titleParts, type TitlePart } from './title';
import { anItem } from '../../../e2e/anItem';
import { BUILT_IN } from '../kinds/tree';

const gansey = anItem({
  kind: 'jumper',
  facts: {
    brand: 'KITTIWAKE MILLS',
    department: 'Men',
    size: 'M',
    colour: 'Navy',
    material: 'Wool',
    model: 'gansey',
  },
});
const room = (max: number) => ({ max, counts: 'characters' as const });

/** Every set of parts there is. */
function exhaustive(parts: readonly TitlePart[], max: number): number {
  let best = 0;
  for (let set = 0; set < 2 ** parts.length; set += 1) {
    const some = parts.filter((_, i) => set & (1 << i));
    const words = some.flatMap((p) => p.text.split(' ')).filter(Boolean);
    const once = words.filter((w, i) => words.findIndex((x) => x.toLowerCase() === w.toLowerCase()) === i);
    if (countAs(once.join(' '), 'characters') <= max)
      best = Math.max(
        best,
        some.reduce((sum, p) => sum + p.weight, 0),
      );
  }
  return best;
}

describe('the best title that fits', () => {
  it('weighs as much as the best of all sets of parts', () => {
    const word = fc.constantFrom(
      'gansey',
      'navy',
      'Wool',
      'wool',
      'size M',
      'Kittiwake Mills',
      'x',
      '👨‍👩‍👧‍👦 knit',
      'a b c',
    );
    const part = fc.record({ from: fc.constant('x'), text: word, weight: fc.integer({ min: 1, max: 12 }) });
    fc.assert(
      fc.property(fc.array(part, { maxLength: 9 }), fc.integer({ min: 0, max: 50 }), (parts, max) => {
        const { title, weight } = bestTitle(parts, room(max));
        expect(weight).toBe(exhaustive(parts, max));
        expect(countAs(title, 'characters')).toBeLessThanOrEqual(max);
        const words = title.toLocaleLowerCase('en').split(' ');
        expect(new Set(words).size).toBe(words.length);
      }),
    );
  });
  it('counts as the marketplace counts', () => {
    const parts = [{ from: 'x', text: '👨‍👩‍👧‍👦', weight: 1 }];
    expect(bestTitle(parts, { max: 1, counts: 'characters' }).title).toBe('👨‍👩‍👧‍👦');
    expect(bestTitle(parts, { max: 10, counts: 'codeUnits' }).title).toBe('');
  });
  it('does not shout, and leaves short capitals alone', () => {
    expect(titleFromFacts(gansey, BUILT_IN, 80)).toBe('Kittiwake Mills Men jumper gansey Wool Navy size M');
    expect(titleFromFacts(anItem({ kind: 'jumper', facts: { brand: 'BDG!!' } }), BUILT_IN, 80)).toBe(
      'BDG jumper',
    );
  });
  it('leaves forbidden words out', () => {
    const copy = anItem({
      kind: 'jumper',
      facts: { brand: 'Ostler', model: 'replica gansey', colour: 'Navy' },
    });
    expect(titleFromFacts(copy, BUILT_IN, 80, 'characters', [], ['replica'])).toBe('Ostler jumper Navy');
  });
  it('puts searched words after what it is, if the record bears them out', () => {
    const sought = [
      { word: 'sweater', count: 900 },
      { word: 'cashmere', count: 800 },
      { word: 'wool', count: 300 },
    ];
    expect(titleFromFacts(gansey, BUILT_IN, 80, 'characters', sought)).toBe(
      'Kittiwake Mills Men jumper gansey wool Navy size M',
    );
  });
  it('names a book by its title', () =>
    expect(
      titleFromFacts(
        anItem({ kind: 'book', facts: { model: 'The Low Orchard', author: 'Edda Holloway' } }),
        BUILT_IN,
        80,
      ),
    ).toBe('Edda Holloway The Low Orchard'));
});

describe('what a title lacks', () => {
  it('tells which searched words are missing, those the record bears out first', () =>
    expect(
      missingWords(
        'Kittiwake Mills jumper',
        [
          { word: 'cashmere', count: 900 },
          { word: 'gansey', count: 80 },
          { word: 'jumper', count: 999 },
        ],
        gansey,
        BUILT_IN,
      ),
    ).toEqual([
      { word: 'gansey', count: 80, known: true },
      { word: 'cashmere', count: 900, known: false },
    ]));
  it('tells what the next characters could buy', () => {
    const buys = nextBuys('Kittiwake Mills jumper gansey', titleParts(gansey, BUILT_IN), room(37));
    expect(buys.map((b) => [b.text, b.cost, b.fits])).toEqual([
      ['Men', 4, true],
      ['size M', 7, true],
      ['Navy', 5, true],
      ['Wool', 5, true],
    ]);
    expect(
      nextBuys('Kittiwake Mills jumper gansey', titleParts(gansey, BUILT_IN), room(33)).find(
        (b) => b.text === 'size M',
      )?.fits,
    ).toBe(false);
  });
});
