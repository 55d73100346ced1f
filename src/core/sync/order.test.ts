import fc from 'fast-check';

import { isOtherOrder, mergedOrder } from './order';

const names = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'));

describe('one order from several people’s', () => {
  it('has all that is there, each once, and nothing else', () => {
    fc.assert(
      fc.property(fc.array(names, { maxLength: 3 }), names, (orders, there) => {
        const merged = mergedOrder(orders, new Set(there));
        expect([...merged].sort()).toEqual([...there].sort());
      }),
    );
  });

  it('is the last one’s, as far as that goes', () => {
    fc.assert(
      fc.property(names, names, (one, last) => {
        const merged = mergedOrder([one, last], new Set([...one, ...last]));
        expect(merged.filter((key) => new Set<string>(last).has(key))).toEqual(last);
      }),
    );
  });

  it('keeps what only the other names behind what stands before it there', () => {
    expect(
      mergedOrder(
        [
          ['a', 'x', 'b'],
          ['b', 'a'],
        ],
        new Set(['a', 'b', 'x']),
      ),
    ).toEqual(['b', 'a', 'x']);
    expect(
      mergedOrder(
        [
          ['x', 'a'],
          ['a', 'b'],
        ],
        new Set(['a', 'b', 'x']),
      ),
    ).toEqual(['x', 'a', 'b']);
  });

  it('is another only where both name what they put otherwise', () => {
    expect(isOtherOrder(['a', 'b'], ['b', 'a'])).toBe(true);
    expect(isOtherOrder(['a', 'b', 'x'], ['y', 'a', 'b'])).toBe(false);
  });
});
