import fc from 'fast-check';

import { CompetingOffer } from '@/contract/comps';
import { FollowRule, UsualFollowRule, type Followed } from '@/contract/following';

import {
  followBounds,
  followDue,
  followOnce,
  lowestOf,
  takenInAgain,
  whyNotCounted,
  type Ours,
} from './following';

const copy = (seller: string, price: number, part: Partial<CompetingOffer> = {}): CompetingOffer =>
  CompetingOffer.parse({ seller, price, postage: 280, wear: 2, rating: 98, leavesIn: 2, ...part });
const rule = (part: Partial<FollowRule> = {}): FollowRule =>
  FollowRule.parse({ way: 'undercut', by: 10, leaveOut: [], ...part });
const ours: Ours = { shared: 1_200, postage: 280, wear: 2, bounds: { floor: 300, ceiling: 5_000 } };
const HOUR = 3_600_000;

describe('which copies count', () => {
  const others = [
    copy('Mudlark Books', 620),
    copy('Cheap by the Yard', 120, { wear: 4 }),
    copy('Newly', 1_220, { wear: 0 }),
    copy('Grumbled at', 500, { rating: 81 }),
    copy('You', 100, { own: true }),
  ];
  const counted = (part: Partial<FollowRule>, wear: number | null = 2) =>
    others.filter((c) => whyNotCounted(c, rule(part), wear, null) === null).map((c) => c.seller);

  it('of the condition asked for, of sellers people were content with, never one’s own', () => {
    expect(counted({})).toEqual(['Mudlark Books', 'Newly', 'Grumbled at']);
    expect(counted({ condition: 'same' })).toEqual(['Mudlark Books', 'Grumbled at']);
    expect(counted({ condition: 'any', minRating: 90 })).toEqual([
      'Mudlark Books',
      'Cheap by the Yard',
      'Newly',
    ]);
    expect(counted({ leaveOut: [' mudlark books '] })).toEqual(['Newly', 'Grumbled at']);
    // Not judged yet: nothing can be said of their condition beside ours.
    expect(counted({}, null)).toHaveLength(4);
  });
  it('tells the lowest new and the lowest used, with postage', () => {
    expect(lowestOf(others)).toEqual({ new: 1_500, used: 400 });
    expect(lowestOf([copy('You', 100, { own: true })])).toEqual({ new: null, used: null });
  });
});

describe('one look', () => {
  const look = (others: CompetingOffer[], part: Partial<FollowRule> = {}, before: Followed | null = null) =>
    followOnce(others, rule(part), ours, before, 0);

  it('goes beside the cheapest that counts, its postage compared, and says why', () => {
    // 620 and 280 postage is 900; ten under it, without our own postage of 280, is 610.
    expect(look([copy('Mudlark Books', 620), copy('Newly', 900)])).toMatchObject({
      price: 610,
      cheapest: 900,
      counted: 2,
      reason: { code: 'beside', params: { seller: 'Mudlark Books', total: 900, held: null } },
    });
    expect(look([copy('Mudlark Books', 620)], { way: 'match' }).price).toBe(620);
    expect(look([copy('Mudlark Books', 620)], { way: 'above', by: 100 }).price).toBe(720);
    // Free postage there: we ask so much less.
    expect(look([copy('Mudlark Books', 900, { postage: 0 })], { way: 'match' }).price).toBe(620);
  });
  it('is held at the floor and the ceiling', () => {
    expect(look([copy('a', 50)])).toMatchObject({ price: 300, reason: { params: { held: 'floor' } } });
    expect(look([copy('a', 9_000)])).toMatchObject({ price: 5_000, reason: { params: { held: 'ceiling' } } });
    expect(followBounds({ floor: 700, ceiling: null }, 500, [{ min: 100, max: 9_000 }])).toEqual({
      floor: 700,
      ceiling: 9_000,
    });
    expect(followBounds({ floor: null, ceiling: 400 }, 500, [])).toEqual({ floor: 500, ceiling: 500 });
  });
  it('where none counts it stays, goes back, or up, as was said', () => {
    const before = look([copy('a', 600)]);
    expect(look([], { none: 'stay' }, before).price).toBe(590);
    expect(look([], { none: 'shared' }, before).price).toBe(1_200);
    expect(look([], { none: 'ceiling' }, before).price).toBe(5_000);
  });
  it('keeps what it changed, the newest first, and when it looked', () => {
    const once = followOnce([copy('a', 600)], rule(), ours, null, 0);
    const same = followOnce([copy('a', 600)], rule(), ours, once, HOUR);
    const later = followOnce([copy('a', 700)], rule(), ours, same, 2 * HOUR);
    expect(same.history).toHaveLength(1);
    expect(later.history.map((h) => [h.at, h.price])).toEqual([
      [2 * HOUR, 690],
      [0, 590],
    ]);
    expect(followDue(rule({ everyHours: 6 }), once, 5 * HOUR)).toBe(false);
    expect(followDue(rule({ everyHours: 6 }), once, 6 * HOUR)).toBe(true);
    expect(followDue(rule(), null, 0)).toBe(true);
  });
});

describe('followers among each other', () => {
  interface Follower {
    name: string;
    rule: FollowRule;
    price: number;
    floor: number;
    every: number;
    state: Followed | null;
  }
  const follower = (name: string, price: number, part: Partial<Follower> = {}): Follower => ({
    name,
    price,
    rule: rule(),
    floor: 50,
    every: 1,
    state: null,
    ...part,
  });
  /** Rounds of followers looking at each other, and at copies that never move. @returns changes of prices */
  function evening(some: Follower[], still: CompetingOffer[], rounds: number): number {
    let changes = 0;
    for (let round = 0; round < rounds; round++)
      for (const me of some) {
        if (round % me.every !== 0) continue;
        const copies = [...some.map((f) => copy(f.name, f.price, { own: f === me })), ...still];
        const bounds = { floor: me.floor, ceiling: 5_000 };
        me.state = followOnce(copies, me.rule, { ...ours, shared: me.price, bounds }, me.state, round * HOUR);
        if (me.state.price !== me.price) changes += 1;
        me.price = me.state.price;
        expect(me.price).toBeGreaterThanOrEqual(me.floor);
      }
    return changes;
  }

  it('two under each other come to rest after a few steps, far above their floors', () => {
    const [a, b] = [follower('a', 600), follower('b', 500)];
    const changes = evening([a, b], [], 500);
    // By hand: 490 480, 470 460, 450 440, 430: then the other has answered three times.
    expect(changes).toBeLessThanOrEqual(8);
    expect(Math.min(a.price, b.price)).toBeGreaterThanOrEqual(500 - 8 * 10);
    expect([a.state?.reason.code, b.state?.reason.code]).toContain('onlyFollowers');
  });
  it('two above each other do not climb to the ceiling', () => {
    const above = rule({ way: 'above', by: 50 });
    const [a, b] = [follower('a', 600, { rule: above }), follower('b', 500, { rule: above })];
    evening([a, b], [], 500);
    expect(Math.max(a.price, b.price)).toBeLessThanOrEqual(600 + 8 * 50);
  });
  it('one that follows is passed by, not answered: the others are followed on', () => {
    const [a, b] = [follower('a', 900), follower('b', 800)];
    evening([a, b], [copy('still', 700)], 200);
    // Under the one that never moves; where the other follows us down is its own affair.
    expect(Math.min(a.price, b.price)).toBeGreaterThanOrEqual(700 - 8 * 10);
  });
  it('a person takes one in again', () => {
    const [a, b] = [follower('a', 600), follower('b', 500)];
    evening([a, b], [], 100);
    const state = [a, b].map((f) => f.state!).find((s) => s.reason.code === 'onlyFollowers')!;
    const [seller] = Object.keys(state.answers);
    expect(whyNotCounted(copy(seller!, 100), rule(), null, state)).toBe('follows');
    expect(whyNotCounted(copy(seller!, 100), rule(), null, takenInAgain(state, seller!))).toBeNull();
  });
  it('any of them, however many: never under the floor, never for ever', () => {
    const one = fc.record({
      price: fc.integer({ min: 200, max: 4_000 }),
      floor: fc.integer({ min: 0, max: 200 }),
      every: fc.integer({ min: 1, max: 5 }),
      way: fc.constantFrom('match' as const, 'undercut' as const, 'above' as const),
      by: fc.integer({ min: 1, max: 60 }),
    });
    fc.assert(
      fc.property(fc.array(one, { minLength: 2, maxLength: 4 }), fc.boolean(), (all, isStill) => {
        const some = all.map(({ way, by, ...f }, i) =>
          follower(`f${i}`, f.price, { ...f, rule: rule({ way, by }) }),
        );
        const still = isStill ? [copy('still', 1_500)] : [];
        evening(some, still, 150);
        // After that long everybody stands still.
        expect(evening(some, still, 30)).toBe(0);
      }),
    );
  });
});

it('a rule of before keeps what it said of conditions', () => {
  const before = { way: 'match', by: 10, leaveOut: ['x'] };
  expect(UsualFollowRule.parse({ ...before, likeForLike: false })).toMatchObject({
    condition: 'any',
    leaveOut: ['x'],
  });
  expect(UsualFollowRule.parse({ ...before, likeForLike: true })).toMatchObject({ condition: 'asGood' });
});
