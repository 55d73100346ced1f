import { Diary, Item } from '@/contract/records';

import { copyDue, isReminderDue } from './due';
import { sinceCopy, type SinceCopy } from './since';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const NOW = 1_790_000_000_000;

const item = (id: string, createdAt: number): Item =>
  Item.parse({ id, code: id, author: 'Bas', createdAt, updatedAt: createdAt });
const world = (items: Item[], diary: Record<string, number[]> = {}) => ({
  items: Object.fromEntries(items.map((i) => [i.id, i])),
  diary: Object.fromEntries(
    Object.entries(diary).map(([id, ats]) => [
      id,
      Diary.parse({ id, lines: ats.map((at) => ({ at, who: 'Bas', what: 'price' })) }),
    ]),
  ),
});

describe('what would be lost', () => {
  it('is all there is where no copy was ever made', () => {
    expect(sinceCopy(world([item('a', 10), item('b', 30)]), [], null)).toEqual({
      items: 2,
      others: 0,
      first: 10,
      last: 30,
    });
  });

  it('is what was made or changed since, each item once, and when that began', () => {
    const records = world([item('a', 10), item('b', 10), item('c', 70)], { a: [20, 60, 80], gone: [90] });
    expect(sinceCopy(records, [], 50)).toEqual({ items: 2, others: 0, first: 60, last: 80 });
  });

  it('other records count as far as they are known, and an item’s own only with it', () => {
    const journal = [
      { at: 40, edits: [{ collection: 'hauls' as const, id: 'early' }] },
      {
        at: 60,
        edits: [
          { collection: 'hauls' as const, id: 'h' },
          { collection: 'pictures' as const, id: 'p' },
        ],
      },
      { at: 70, edits: [{ collection: 'hauls' as const, id: 'h' }] },
    ];
    expect(sinceCopy(world([item('a', 10)]), journal, 50)).toEqual({
      items: 0,
      others: 1,
      first: 60,
      last: 70,
    });
  });

  it('is nothing once a copy holds it', () => {
    const nothing = { items: 0, others: 0, first: null, last: null };
    expect(sinceCopy(world([item('a', 10)], { a: [50] }), [], 50)).toEqual(nothing);
    expect(sinceCopy(world([]), [], null)).toEqual(nothing);
  });
});

describe('a copy', () => {
  const since = (part: Partial<SinceCopy>): SinceCopy => ({
    items: 1,
    others: 0,
    first: NOW - HOUR,
    last: NOW - HOUR,
    ...part,
  });
  const due = (part: Partial<SinceCopy>, failedAt: number | null = null, copiedAt: number | null = null) =>
    copyDue({ since: since(part), failedAt, copiedAt }, NOW);

  it('is made once the day’s work is done, and not for nothing', () => {
    expect(due({ last: NOW - 31 * MINUTE })).toBe(true);
    expect(due({ last: NOW - 29 * MINUTE })).toBe(false);
    expect(due({ items: 0, first: null, last: null })).toBe(false);
  });

  it('of much is made as soon as nobody is in the middle of something', () => {
    expect(due({ items: 100, last: NOW - 2 * MINUTE })).toBe(true);
    expect(due({ items: 60, others: 40, last: NOW - 2 * MINUTE })).toBe(true);
    expect(due({ items: 100, last: NOW - 30_000 })).toBe(false);
    expect(due({ items: 99, last: NOW - 2 * MINUTE })).toBe(false);
  });

  it('is made after four hours without a rest', () => {
    expect(due({ first: NOW - 5 * HOUR, last: NOW - 2 * MINUTE })).toBe(true);
    expect(due({ first: NOW - 3 * HOUR, last: NOW - 2 * MINUTE })).toBe(false);
  });

  it('that failed is tried again a quarter of an hour later, not at once', () => {
    expect(due({ last: NOW - HOUR }, NOW - 14 * MINUTE)).toBe(false);
    expect(due({ last: NOW - HOUR }, NOW - 16 * MINUTE)).toBe(true);
  });

  it('by hand is reminded of when much would be lost, or something has been at risk for days', () => {
    expect(isReminderDue(since({ items: 24 }), NOW)).toBe(false);
    expect(isReminderDue(since({ items: 24, others: 1 }), NOW)).toBe(true);
    expect(isReminderDue(since({ first: NOW - 73 * HOUR }), NOW)).toBe(true);
    expect(isReminderDue(since({ items: 0, first: null, last: null }), NOW)).toBe(false);
  });
});
