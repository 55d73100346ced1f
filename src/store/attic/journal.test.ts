import { SCHEMA_VERSION } from '@/contract/migrations';
import { Item } from '@/contract/records';

import { journalText, readJournal, type Change } from './journal';

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
