import { listingNumberIn, startOffers, usualStart } from './startingPoint';
import type { FieldOffer } from './takeOver';
import { anItem } from '../../../e2e/anItem';

const offer = (field: string, value: string): FieldOffer => ({
  field,
  label: field,
  values: [{ value, shown: value, markets: ['moor'] }],
});
const OFFERS = [
  ...['title', 'description', 'price', 'use'].map((field) => offer(field, '1')),
  offer('fact:brand', 'Ostler'),
  offer('fact:colour', 'Navy'),
];

describe('somebody else’s listing as a starting point', () => {
  it('gives facts that the item says nothing of; never words, price or condition', () => {
    expect(usualStart(OFFERS, undefined)).toEqual({ 'fact:brand': 'Ostler', 'fact:colour': 'Navy' });
    const item = anItem({ kind: 'jumper', facts: { colour: 'Rust' } });
    expect(usualStart(OFFERS, item)).toEqual({ 'fact:brand': 'Ostler' });
    expect(usualStart([{ field: 'fact:brand', label: '', values: [] }], undefined)).toEqual({});
  });
  it('offers facts first, and nothing that the item says already', () => {
    const fields = (item?: Parameters<typeof startOffers>[1]) =>
      startOffers(OFFERS, item).map((o) => o.field);
    expect(fields().slice(0, 2)).toEqual(['fact:brand', 'fact:colour']);
    expect(fields()).toHaveLength(OFFERS.length);
    const item = anItem({ kind: 'jumper', facts: { colour: ' navy ', brand: 'Other' } });
    expect(fields(item)).toEqual(fields().filter((f) => f !== 'fact:colour'));
  });
  it.each([
    ['o103', 'o103'],
    [' o103 ', 'o103'],
    ['http://moor.example/outside/other/o103?from=search#top', 'o103'],
    ['https://moor.example/other/o103/', 'o103'],
    ['https://moor.example/a%20b', 'a b'],
    ['https://moor.example/%E0%A4%A', '%E0%A4%A'],
    ['https://moor.example', ''],
    ['x'.repeat(300), 'x'.repeat(120)],
  ])('%s has the number %s', (text, number) => {
    expect(listingNumberIn(text)).toBe(number);
  });
});
