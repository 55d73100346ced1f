import { SCHEMA_VERSION } from '@/contract/migrations';
import { Item, Picture } from '@/contract/records';

import { inverseOf, journalText, readJournal, type Change } from './journal';
import { noRecords } from './records';

const item = (n: number) =>
  Item.parse({
    id: `i${n}`,
    code: `YA-${n}`,
    author: 'Me',
    createdAt: 0,
    updatedAt: 0,
    title: `"Jug", ${n}`,
  });
const made = (count: number): Change => ({
  label: `${count} items`,
  at: count,
  author: 'Me',
  destructive: true,
  edits: Array.from({ length: count }, (_, i) => ({
    collection: 'items',
    id: `i${i}`,
    before: null,
    after: item(i),
  })),
});

it('is written whole however much was changed at once, and as it was each time', async () => {
  const journal = [made(1), made(1_000), { ...made(0), label: 'nothing' }];
  const text = await journalText(journal);
  expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(journal)));
  expect(await journalText(journal)).toBe(text);
  expect(readJournal(text, SCHEMA_VERSION)).toMatchObject({ misfits: null, journal });
  expect(await journalText([])).toBe('[]');
});

it('takes a new item back with the pictures that came to it since', () => {
  const picture = Picture.parse({
    id: 'p1',
    itemId: 'i0',
    origin: 'file',
    author: 'Me',
    addedAt: 0,
    width: 10,
    height: 10,
    bytes: 10,
  });
  const records = noRecords();
  records.items = { i0: { ...item(0), pictureIds: ['p1', 'gone'] } };
  records.pictures = { p1: picture };
  expect(inverseOf(made(1), records).map((e) => [e.collection, e.id, e.after])).toEqual([
    ['items', 'i0', null],
    ['pictures', 'p1', null],
  ]);
});
