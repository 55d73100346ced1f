import fc from 'fast-check';

import { FollowRule } from '@/contract/following';
import { Plan } from '@/contract/records';
import { Stencil, STENCIL_PARTS } from '@/contract/stencil';

import {
  auctionFor,
  inOrder,
  isOwnPart,
  laidUnder,
  offersFor,
  onStencil,
  says,
  sharesOf,
  stencilFor,
  stencilOf,
  stillUnder,
} from './stencils';
import { anItem } from '../../../e2e/anItem';
import { BUILT_IN } from '../kinds/tree';

/** A Wednesday, 13:00 in the zone tests run in. */
const NOW = Date.UTC(2026, 10, 25, 12);
const made = (id: string, part: Partial<Stencil> = {}) =>
  Stencil.parse({ id, market: 'brackenmoor', name: id, ...part });
const plan = (part: Partial<Plan> = {}) =>
  Plan.parse({ id: 't_brackenmoor', itemId: 't', market: 'brackenmoor', wanted: true, ...part });
const jumper = anItem({ kind: 'jumper', price: 2_400 });
const whole = made('whole', {
  kinds: ['jumper'],
  format: { openingBp: 5_000, outrightBp: 15_000, days: 7, again: 2, becomesBp: 9_000 },
  termsId: 'terms1',
  offers: { acceptFromBp: 9_500, refuseUnderBp: 7_000 },
  promotionBp: 200,
  extras: { subtitle: 'Hand-knitted' },
  pictures: ['front', 'label'],
  patternId: 'plain',
  start: { day: 7, minute: 18 * 60 },
  follow: FollowRule.parse({ way: 'undercut', by: 10, leaveOut: [] }),
});
const lay = (own: Plan | undefined, stencils = [whole]) =>
  laidUnder({
    item: jumper,
    market: 'brackenmoor',
    plan: own,
    stencils,
    kinds: BUILT_IN,
    now: NOW,
    describedBy: (id) => `by ${id}`,
  });

describe('which stencil lies under a listing', () => {
  const clothes = made('clothes', { kinds: ['clothes'] });
  const chosen = made('chosen');
  const elsewhere = made('elsewhere', { market: 'oldhollow', kinds: ['jumper'] });
  it.each([
    ['the one chosen for it', { id: 'chosen' }, [whole, chosen], 'chosen'],
    ['its kind’s before the branch’s', null, [clothes, whole], 'whole'],
    ['the branch’s', null, [clothes], 'clothes'],
    ['its kind’s where the chosen one was removed', { id: 'gone' }, [whole], 'whole'],
    ['none where it was taken off', { id: null }, [whole], undefined],
    ['none of another marketplace', null, [elsewhere, chosen], undefined],
  ])('%s', (_, stencil, all, id) =>
    expect(stencilFor(jumper, 'brackenmoor', { stencil }, all, BUILT_IN)?.id).toBe(id),
  );
});

describe('what lies under', () => {
  it('says all that the listing does not', () => {
    const { plan: laid, by } = lay(undefined);
    expect(laid).toMatchObject({
      id: 't_brackenmoor',
      wanted: false,
      auction: { opening: 1_200, outright: 3_600, days: 7, again: 2, becomes: 2_160 },
      termsId: 'terms1',
      promotionBp: 200,
      extras: { subtitle: 'Hand-knitted' },
      description: 'by plain',
      // The Sunday after.
      startAt: Date.UTC(2026, 10, 29, 17),
    });
    expect([...by]).toEqual([...STENCIL_PARTS]);
  });
  it('leaves what the listing says itself, also that it wants none of it', () => {
    const own = plan({ promotionBp: 500, description: 'Its own.', ownParts: ['format', 'start'] });
    const { plan: laid, by } = lay(own);
    expect(laid).toMatchObject({ promotionBp: 500, description: 'Its own.', auction: null, startAt: null });
    expect([...by]).toEqual(['terms', 'offers', 'extras', 'pictures', 'follow']);
  });
  it('goes by the listing’s own price, and is no auction without one', () => {
    expect(lay(plan({ price: 1_000 })).plan?.auction?.opening).toBe(500);
    const { plan: laid } = laidUnder({
      item: anItem({ kind: 'jumper' }),
      market: 'brackenmoor',
      plan: undefined,
      stencils: [whole],
      kinds: BUILT_IN,
      now: NOW,
      describedBy: () => null,
    });
    expect(laid).toMatchObject({ auction: null, description: null, promotionBp: 200 });
  });
  it('is nothing where there is none', () => {
    const own = plan();
    expect(lay(own, [])).toEqual({ plan: own, stencil: null, by: new Set() });
    expect(lay(own, [made('empty', { kinds: ['jumper'] })]).plan).toBe(own);
  });
  it('says each part or none, and once laid the listing says it', () => {
    for (const part of STENCIL_PARTS) {
      expect([says(whole, part), says(made('empty'), part)]).toEqual([true, false]);
      if (part !== 'offers' && part !== 'pictures') expect(isOwnPart(lay(plan()).plan, part)).toBe(true);
    }
  });
});

describe('what a change builds on', () => {
  it('is what stands now; of the stencil only what is still not said there', () => {
    const under = lay(plan());
    const now = plan({ price: 1_234, promotionBp: 300 });
    const base = stillUnder(now, under);
    expect(base.price).toBe(1_234);
    expect(base.promotionBp).toBe(300);
    expect(base.auction?.days).toBe(7);
    expect(base.auction).toEqual(under.plan?.auction);
    expect(stillUnder({ ...now, ownParts: ['format'] }, under).auction).toBeNull();
    expect(stillUnder(now, { plan: undefined, by: new Set() })).toBe(now);
  });
});

describe('a stencil of a listing', () => {
  const first = plan({
    auction: { opening: 1_200, outright: null, days: 5, again: 1, becomes: 2_000 },
    termsId: 'terms1',
    promotionBp: 300,
    pictureIds: ['a', 'b', 'c'],
    startAt: Date.UTC(2026, 10, 29, 17),
  });
  it('says for the next what this one says', () => {
    const kept = Stencil.parse({
      id: 's',
      name: 'Knitwear',
      ...stencilOf(jumper, first, ['label', 'front', 'flaw:f1']),
    });
    expect(kept).toMatchObject({
      kinds: ['jumper'],
      format: { openingBp: 5_000, outrightBp: null, becomesBp: 8_333 },
      pictures: ['label', 'front', 'flaw'],
      start: { day: 7, minute: 1_080 },
    });
    const dearer = laidUnder({
      item: anItem({ kind: 'jumper', price: 4_800 }),
      market: 'brackenmoor',
      plan: undefined,
      stencils: [kept],
      kinds: BUILT_IN,
      now: NOW,
      describedBy: () => null,
    });
    expect(dearer.plan).toMatchObject({ auction: { opening: 2_400 }, termsId: 'terms1', promotionBp: 300 });
  });
  it('leaves the listing itself as it was, now by its stencil', () => {
    const kept = Stencil.parse({ id: 's', name: 'Knitwear', ...stencilOf(jumper, first, []) });
    const { plan: laid } = lay(onStencil(first, 's'), [kept]);
    expect(laid).toMatchObject({ auction: first.auction, termsId: 'terms1', startAt: first.startAt });
  });
  it('brings the same auction back for the same price, to a cent in ten thousand', () => {
    const amount = fc.integer({ min: 100, max: 1_000_000 });
    fc.assert(
      fc.property(amount, fc.integer({ min: 1_000, max: 20_000 }), (price, bp) => {
        const auction = auctionFor(
          { openingBp: bp, outrightBp: null, days: 7, again: 0, becomesBp: null },
          price,
        );
        const again = sharesOf(auction, price);
        const opening = again && auctionFor(again, price).opening;
        expect(Math.abs((opening ?? 0) - auction.opening)).toBeLessThanOrEqual(Math.ceil(price / 20_000));
      }),
    );
    expect(sharesOf({ opening: 1, outright: null, days: 1, again: 0, becomes: null }, 0)).toBeNull();
  });
});

describe('limits of offers', () => {
  it('are the item’s own, else shares of the price there', () => {
    expect(offersFor(jumper, whole, 2_000)).toEqual({ acceptFrom: 1_900, refuseUnder: 1_400 });
    const own = { acceptFrom: 1, refuseUnder: null };
    expect(offersFor({ offers: own }, whole, 2_000)).toBe(own);
    expect(offersFor(jumper, made('empty'), 2_000)).toBeNull();
    expect(offersFor(jumper, null, 2_000)).toBeNull();
  });
});

it('pictures go in a stencil’s order, and lose none', () => {
  const shot = fc.record({
    shows: fc.constantFrom('front', 'back', 'label', 'flaw:f1', 'detail:cuff', ''),
    made: fc.constantFrom(null, {}),
  });
  fc.assert(
    fc.property(fc.array(shot, { maxLength: 12 }), (pictures) => {
      const order = inOrder(pictures, ['label', 'flaw', 'measured']);
      expect(new Set(order)).toEqual(new Set(pictures));
      const places = order.map((p) =>
        p.made !== null ? 2 : p.shows === 'label' ? 0 : p.shows.startsWith('flaw') ? 1 : 3,
      );
      expect(places).toEqual([...places].sort((a, b) => a - b));
      expect(order.filter((_, i) => places[i] === 3)).toEqual(
        pictures.filter((p) => p.made === null && p.shows !== 'label' && !p.shows.startsWith('flaw')),
      );
    }),
  );
});
