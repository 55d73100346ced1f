import { Item } from '@/contract/records';

import { meetingsSoon } from './soon';

const NOW = Date.parse('2026-11-20T14:00:00Z');
const MINUTE = 60_000;
const meeting = (id: string, at: number, part: object = {}): Item =>
  Item.parse({
    ...{ id, code: id, author: 'me', createdAt: 0, updatedAt: 0 },
    holds: [
      { from: 1, to: null, who: 'Ines', meet: { place: 'Quay', at, pay: 'cash', amount: 900, ...part } },
    ],
  });
const ids = (items: Item[]) => meetingsSoon(items, NOW, 60).map((m) => m.item.id);

it('is told of from an hour before until a quarter of an hour after, the nearest first', () => {
  const items = [
    meeting('far', NOW + 61 * MINUTE),
    meeting('hour', NOW + 60 * MINUTE),
    meeting('now', NOW),
    meeting('late', NOW - 15 * MINUTE),
    meeting('over', NOW - 16 * MINUTE),
  ];
  expect(ids(items)).toEqual(['late', 'now', 'hour']);
});

it('is not told of once the money is there, or the hold was let go', () => {
  const gone = meeting('gone', NOW);
  expect(
    ids([
      meeting('paid', NOW, { receivedAt: NOW - 1 }),
      { ...gone, holds: gone.holds.map((h) => ({ ...h, to: NOW })) },
    ]),
  ).toEqual([]);
});
