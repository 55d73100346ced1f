import fc from 'fast-check';

import { merged, toPeers } from './merging';

const edit = (before: unknown, after: unknown) => toPeers({ collection: 'items', id: 't', before, after });

describe('two pages and one record', () => {
  it('keeps what the other page did not touch', () => {
    const seen = { title: 'Gansey', price: 4_800, spot: '' };
    // This page set the spot; the other, which had not seen that, set the price.
    const { record, conflicts } = merged({ ...seen, spot: 'A3' }, edit(seen, { ...seen, price: 4_500 }));
    expect(record).toEqual({ title: 'Gansey', price: 4_500, spot: 'A3' });
    expect(conflicts).toEqual([]);
  });
  it('tells of a field that both set without having seen each other', () => {
    const seen = { price: 4_800, updatedAt: 1 };
    const { record, conflicts } = merged(
      { price: 4_600, updatedAt: 2 },
      edit(seen, { price: 4_500, updatedAt: 3 }),
    );
    expect(record).toEqual({ price: 4_500, updatedAt: 3 });
    expect(conflicts).toEqual([
      { collection: 'items', id: 't', field: 'price', mine: 4_600, theirs: 4_500, kept: 'theirs' },
    ]);
  });
  it('is quiet where both set the same, and where the other had seen this page’s', () => {
    expect(merged({ price: 4_500 }, edit({ price: 4_800 }, { price: 4_500 })).conflicts).toEqual([]);
    expect(merged({ price: 4_600 }, edit({ price: 4_600 }, { price: 4_500 })).conflicts).toEqual([]);
  });
  it('takes over what is new and what is gone', () => {
    expect(merged(undefined, edit(null, { price: 1 })).record).toEqual({ price: 1 });
    expect(merged({ price: 1 }, edit({ price: 1 }, null)).record).toBeNull();
    expect(merged({ a: 1, b: 2 }, edit({ a: 1, b: 2 }, { a: 1 })).record).toEqual({ a: 1 });
  });
  it('comes to the same in both pages where they changed different fields', () => {
    const fields = fc.record({ a: fc.nat(3), b: fc.nat(3), c: fc.nat(3) });
    fc.assert(
      fc.property(fields, fc.nat(9), fc.nat(9), (seen, x, y) => {
        const here = { ...seen, a: x };
        const there = { ...seen, b: y };
        const one = merged(here, edit(seen, there)).record;
        const other = merged(there, edit(seen, here)).record;
        expect(one).toEqual(other);
      }),
    );
  });
});
