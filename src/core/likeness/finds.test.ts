import fc from 'fast-check';

import { Find } from '@/contract/likeness';
import { USUAL_LIKENESS, judgeComps } from '@/core/price/comps';

import { foundOften, kindOfFind, kindsFound, lookAlikes, toldByFind } from './finds';
import { BUILT_IN } from '../kinds/tree';

const DAY = 86_400_000;
const NOW = 1_800_000_000_000;
const find = (part: Partial<Find>): Find =>
  Find.parse({
    id: '1',
    market: 'brackenmoor',
    title: 'Ostler lambswool jumper, rust',
    maker: 'Ostler',
    sort: ['jumper'],
    wear: 1,
    price: { amount: 4_200, currency: 'EUR' },
    listedAt: NOW - 20 * DAY,
    soldAt: NOW - 5 * DAY,
    score: 90,
    ...part,
  });

describe('what looks like a picture', () => {
  it('is of the kind it says it is; else of the one its title is about', () => {
    expect(kindOfFind(find({}), BUILT_IN)).toBe('jumper');
    expect(kindOfFind(find({ sort: [], title: 'Felt hat, grey' }), BUILT_IN)).toBe('hat');
    expect(kindOfFind(find({ sort: ['clothes', 'hat'], title: 'Warm, grey' }), BUILT_IN)).toBe('hat');
    expect(kindOfFind(find({ sort: [], title: 'Nice' }), BUILT_IN)).toBeNull();
  });

  it('speaks for kinds by its best find, not by how many there are', () => {
    const finds = [
      find({ id: '1', score: 92, sort: ['hat'] }),
      ...Array.from({ length: 9 }, (_, i) => find({ id: `j${i}`, score: 60 })),
    ];
    const [first, second] = kindsFound(finds, BUILT_IN);
    expect([first?.kind, second?.kind]).toEqual(['hat', 'jumper']);
    expect(first?.share).toBeGreaterThan(0.7);
    expect(first?.best.id).toBe('1');
  });

  it('says kind, words and maker, and nothing that is the other one’s own', () => {
    expect(toldByFind(find({ colour: 'rust' }), '', BUILT_IN)).toEqual([
      { field: 'kind', value: 'jumper', words: 'jumper' },
      { field: 'title', value: 'Ostler lambswool jumper, rust', words: 'Ostler lambswool jumper, rust' },
      { field: 'fact:brand', value: 'Ostler', words: 'Ostler' },
    ]);
    const book = find({ sort: ['book'], title: 'The Net Menders', maker: 'S. Tarn' });
    expect(toldByFind(book, 'book', BUILT_IN).map(({ field, value }) => [field, value])).toEqual([
      ['title', 'The Net Menders'],
      ['fact:author', 'S. Tarn'],
    ]);
  });

  it('is a comparable that sold, known for a look-alike, of our currency alone', () => {
    const [comp, ...others] = lookAlikes(
      [find({}), find({ id: '2', price: { amount: 10, currency: 'USD' } })],
      'EUR',
    );
    expect(others).toEqual([]);
    expect(comp).toMatchObject({ sold: true, price: 4_200, alike: 90, brand: 'Ostler' });
  });

  it('counts by the same rules as what was found by words', () => {
    const comps = lookAlikes(
      [find({ id: '1' }), find({ id: '2', maker: 'Tansy Lane', title: 'Jumper' })],
      'EUR',
    );
    const judged = judgeComps(comps, { ...USUAL_LIKENESS, brand: 'Ostler' }, {}, NOW);
    expect(judged.map(({ counts, why }) => [counts, why?.code])).toEqual([
      [true, undefined],
      [false, 'otherBrand'],
    ]);
  });

  it('sold again and again is told once: how often, for how much, where and when last', () => {
    const often = foundOften([
      find({ id: '1', picture: '7' }),
      find({ id: '2', picture: '7', market: 'oldhollow', soldAt: NOW - DAY }),
      find({ id: '3', picture: '8' }),
      find({ id: '4', picture: '7', price: { amount: 3_000, currency: 'EUR' } }),
      find({ id: '5', picture: '7', price: { amount: 10, currency: 'USD' } }),
    ]);
    expect(often.map(({ first, times }) => [first.id, times])).toEqual([
      ['1', 3],
      ['3', 1],
      ['5', 1],
    ]);
    expect(often[0]).toMatchObject({
      low: 3_000,
      high: 4_200,
      last: NOW - DAY,
      markets: ['brackenmoor', 'oldhollow'],
    });
  });

  it('shares come to one, and none is made of nothing', () => {
    const finds = fc.array(
      fc.record({
        score: fc.integer({ min: 0, max: 100 }),
        sort: fc.constantFrom<string[]>(['jumper'], ['hat'], ['clock'], ['no such thing'], []),
        title: fc.constantFrom('Nice', 'Wool coat', ''),
      }),
    );
    fc.assert(
      fc.property(finds, (some) => {
        const found = kindsFound(
          some.map((part, i) => find({ ...part, id: `f${i}` })),
          BUILT_IN,
          99,
        );
        const shares = found.reduce((sum, { share }) => sum + share, 0);
        const isWeighed = found.some(({ best }) => best.score > 0);
        expect(Math.abs(shares - (isWeighed ? 1 : 0))).toBeLessThan(1e-9);
        expect(found.map(({ best }) => best.score)).toEqual(
          found.map(({ best }) => best.score).sort((a, b) => b - a),
        );
      }),
    );
  });
});
