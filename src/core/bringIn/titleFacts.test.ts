import fc from 'fast-check';

import { disagreement, titleFacts } from './titleFacts';

const apart = (a: string, b: string) => disagreement(titleFacts(a), titleFacts(b));

describe('what titles say besides their words', () => {
  it.each([
    ['Vase 22 cm', 'Vase 22cm'],
    ['Rug 180x120', 'Rug, 180 x 120 cm'],
    ['Rug 180 × 120', 'Rug 180x120'],
    ['Crock 8 inch', 'Crock, 8"'],
    ['Crock 8 inch', 'Crock 20 cm'],
    ['Coat size M', 'Coat, medium'],
    ['Coat XL', 'Coat, extra large'],
    ['Boots UK 7', 'Boots UK7'],
    ['Jeans W34 L32', 'Jeans 34W 32L'],
    ['Jeans W34', 'Jeans waist 34'],
    ['Plane no. 5', 'Plane No5'],
    ['Six chairs', 'Chairs, set of 6'],
    ['Puzzle 1,000 pieces', 'Puzzle 1000 pieces'],
    ['Radio 1950s', 'Radio 50s'],
    ['Hat 8½', 'Hat 8.5'],
    ['Men’s coat, M', 'Coat for men, M'],
    ['Navy coat', 'Blue coat'],
    ['Camera Corvane 35', 'Camera'],
    ['Vase, small chip', 'Large vase'],
  ])('%s and %s agree', (a, b) => expect(apart(a, b)).toBe(0));

  it.each([
    ['Stennock 1460 boots UK 7', 'Stennock 1460 boots UK 8'],
    ['Stennock 1460 boots size 7', 'Stennock 1460 boots, 8'],
    ['Vase 22 cm', 'Vase 31cm'],
    ['Rug 180x120', 'Rug 200 x 140 cm'],
    ['Jeans W32 L32', 'Jeans W32 L34'],
    ['Coat M', 'Coat, large'],
    ['Kilt for boys', 'Mens kilt'],
    ['Red rug', 'Green rug'],
    ['Plane no 4', 'Plane no 5'],
    ['Four chairs', 'Six chairs'],
  ])('%s and %s are two', (a, b) => expect(apart(a, b)).toBeLessThanOrEqual(-3));

  it('takes no possessive for a size', () => expect([...titleFacts('Men’s coat').sizes]).toEqual([]));

  it('are read from anything, and disagree the same both ways', () => {
    const part = fc.oneof(
      fc.constantFrom('22 cm', '180x120', 'UK 7', 'M', 'no 5', '½', '12,345,6', '9'.repeat(300)),
      fc.string({ unit: 'grapheme', maxLength: 9 }),
    );
    const title = fc.array(part, { maxLength: 8 }).map((parts) => parts.join(' '));
    fc.assert(
      fc.property(title, title, (a, b) => {
        expect(apart(a, b)).toBe(apart(b, a));
        expect(apart(a, b)).toBeLessThanOrEqual(0);
        expect(apart(a, a)).toBe(0);
      }),
    );
  });
});
