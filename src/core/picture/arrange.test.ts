import fc from 'fast-check';

import { joinedUp, put, splitAt, withProposed, type Arrangement, type Place } from './arrange';

const NOW: Arrangement = { rows: [['a', 'b', 'c'], ['d'], ['e', 'f']], out: ['g'] };

describe('pictures in rows', () => {
  it('are put before another, into a row, into one of their own, out and back', () => {
    expect(put(NOW, 'f', { before: 'b' }).rows[0]).toEqual(['a', 'f', 'b', 'c']);
    expect(put(NOW, 'a', { row: 2 }).rows[2]).toEqual(['e', 'f', 'a']);
    expect(put(NOW, 'a', 'newRow').rows.at(-1)).toEqual(['a']);
    expect(put(NOW, 'd', 'out')).toEqual({ rows: [NOW.rows[0], NOW.rows[2]], out: ['g', 'd'] });
    expect(put(NOW, 'g', { before: 'e' })).toEqual({
      rows: [...NOW.rows.slice(0, 2), ['g', 'e', 'f']],
      out: [],
    });
    expect(put(NOW, 'a', { before: 'a' })).toBe(NOW);
    expect(put(NOW, 'unknown', 'out')).toBe(NOW);
  });
  it('of an item that becomes empty leave no row, and go to the row that was meant', () =>
    expect(put(NOW, 'd', { row: 2 }).rows).toEqual([
      ['a', 'b', 'c'],
      ['e', 'f', 'd'],
    ]));
  it('are parted from one of them on, and joined again', () => {
    const parted = splitAt(NOW, 'b');
    expect(parted.rows).toEqual([['a'], ['b', 'c'], ['d'], ['e', 'f']]);
    expect(joinedUp(parted, 1)).toEqual(NOW);
    expect(splitAt(NOW, 'a')).toEqual(NOW);
    expect(joinedUp(NOW, 0)).toBe(NOW);
  });
  it('stay as they were arranged when others come and go', () =>
    expect(withProposed(NOW, { rows: [['a', 'h'], ['c', 'd', 'e'], ['i']], out: ['f', 'j'] })).toEqual({
      rows: [['a', 'c'], ['d'], ['e', 'f'], ['h'], ['i']],
      out: ['j'],
    }));
  it('are never lost and never doubled, and no row is empty', () => {
    const id = fc.constantFrom(...'abcdefgx');
    const place: fc.Arbitrary<Place> = fc.oneof(
      fc.record({ before: id }),
      fc.record({ row: fc.integer({ min: -1, max: 5 }) }),
      fc.constantFrom<Place>('newRow', 'out'),
    );
    const deed = fc.oneof(
      fc.tuple(id, place).map(
        ([one, to]) =>
          (now: Arrangement) =>
            put(now, one, to),
      ),
      id.map((one) => (now: Arrangement) => splitAt(now, one)),
      fc.integer({ min: -1, max: 5 }).map((row) => (now: Arrangement) => joinedUp(now, row)),
    );
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 20 }), (deeds) => {
        const after = deeds.reduce((now, act) => act(now), NOW);
        expect([...after.rows.flat(), ...after.out].sort()).toEqual([...'abcdefg']);
        expect(after.rows.every((row) => row.length > 0)).toBe(true);
      }),
    );
  });
});
