import { Item, Owner, Plan } from '@/contract/records';

import { toCome } from './calendar';

const DAY = 86_400_000;
const item = (id: string, part: Partial<Item> = {}): Item =>
  Item.parse({ id, code: id, author: 'me', createdAt: 0, updatedAt: 0, ...part });
const owner = Owner.parse({
  id: 'o',
  name: 'Mrs Aldous',
  days: 90,
  tiers: [{ under: null, shareBp: 6_000 }],
});
const plan = (itemId: string, part: Partial<Plan>): Plan =>
  Plan.parse({ id: `${itemId}_moor`, itemId, market: 'moor', wanted: true, ...part });
const meet = { place: 'Clock tower', at: 40 * DAY, pay: 'cash', amount: 900 } as const;

const NOT_DONE = { receivedAt: null, toldAt: null, remindedAt: null, handedAt: null, missedAt: null };

it('has what goes up by itself, who is met, and whose time is over, the earliest first', () => {
  const held = (part: object) =>
    item('b', {
      holds: [
        {
          from: 5,
          to: null,
          who: 'Ines',
          market: 'stile',
          meet: { ...meet, ...NOT_DONE, ...part },
        },
      ],
    });
  const items = {
    a: item('a'),
    b: held({}),
    c: item('c', { ownerId: 'o', moreDays: 10 }),
    d: item('d', { ownerId: 'o', left: { how: 'back', at: 1 } }),
    e: item('e', { ownerId: 'o' }),
  };
  const plans = [
    plan('a', { startAt: 20 * DAY }),
    plan('a', { startAt: 5 }),
    plan('b', { wanted: false, startAt: 20 * DAY }),
    plan('gone', { startAt: 20 * DAY }),
  ];
  const found = toCome(items, plans, { o: owner }, (i) => i.id === 'e', 10 * DAY);
  expect(found.map((f) => [f.sort, f.item.id, f.at / DAY])).toEqual([
    ['goesUp', 'a', 20],
    ['meeting', 'b', 40],
    // Ninety days agreed, and ten given on top.
    ['ending', 'c', 100],
  ]);
  expect(new Set(found.map((f) => f.uid)).size).toBe(3);
  const over = { b: held({ handedAt: 7 }) };
  expect(toCome(over, [], {}, () => false, 0)).toEqual([]);
});
