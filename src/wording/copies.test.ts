import { FolderTrouble } from '@/contract/copy';

import { FOLDER_TROUBLE, sinceWords } from './copies';

it('says what would be lost', () => {
  const since = { first: 1, last: 1 };
  expect(sinceWords({ ...since, items: 41, others: 0 })).toBe('41 items');
  expect(sinceWords({ ...since, items: 1, others: 2 })).toBe('1 item and 2 other records');
  expect(sinceWords({ ...since, items: 0, others: 1 })).toBe('1 record');
});

it('says why a folder takes no copy', () => {
  for (const why of FolderTrouble.options) expect(FOLDER_TROUBLE[why]).toMatch(/\.$/u);
});
