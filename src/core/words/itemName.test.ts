import fc from 'fast-check';

import { Item } from '@/contract/records';
import { BUILT_IN } from '@/core/kinds/tree';

import { itemName } from './itemName';

const item = (part: Partial<Item>) =>
  Item.parse({ id: 't', code: 'YA-0018', author: 'me', createdAt: 0, updatedAt: 0, ...part });

it.each<[string, Partial<Item>, string]>([
  ['its title', { title: ' Gansey ', kind: 'jumper', facts: { brand: 'Kittiwake' } }, 'Gansey'],
  [
    'a book’s own name and who wrote it',
    { kind: 'book', facts: { model: 'Wading Birds', author: 'T. Plover' } },
    'Wading Birds, T. Plover',
  ],
  [
    'a record’s own name and its label, where nobody made it',
    { kind: 'record', facts: { model: 'Low Water', brand: 'Breakwater' } },
    'Low Water, Breakwater',
  ],
  ['a book’s own name alone', { kind: 'book', facts: { model: 'Wading Birds' } }, 'Wading Birds'],
  ['brand and kind', { kind: 'jumper', facts: { brand: 'Kittiwake' } }, 'Kittiwake Jumper'],
  // Of a lamp the model is no name.
  ['its kind', { kind: 'lamp', facts: { model: 'B 12' } }, 'Lamp'],
  ['its code', {}, 'YA-0018'],
])('an item is called by %s', (_, part, name) => expect(itemName(item(part), BUILT_IN)).toBe(name));

it('is never called nothing', () => {
  const any = fc.record({
    title: fc.constantFrom('', ' ', 'Jug'),
    kind: fc.constantFrom('', 'book', 'jumper', 'no-such-kind'),
    facts: fc.dictionary(fc.constantFrom('model', 'author', 'brand'), fc.constantFrom('', '  ', 'x')),
  });
  fc.assert(fc.property(any, (part) => expect(itemName(item(part), BUILT_IN).trim()).not.toBe('')));
});
