import type { ComponentType } from 'react';

import type { Item } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { canPress, fill, open, press, said, sees, type PageOptions } from '@/testing/page';
import { manyItems } from '@/testing/world';

import { Comps } from './Comps';
import { MorePrice } from './MorePrice';

const DAY = 86_400_000;

/** One section of the sheet of an item, drawn again whenever the item changes. */
async function openFor(Section: ComponentType<{ item: Item }>, title: string, options: PageOptions = {}) {
  const id = (await manyItems()).id(title);
  const Page = () => <Section item={useAttic((s) => s.items[id]!)} />;
  const asked = await open(Page, options);
  return { asked, item: () => useAttic.getState().items[id]! };
}

describe('more about the price', () => {
  it('offers: taken from, refused under, and not under the floor in silence', async () => {
    const { item } = await openFor(MorePrice, 'Ostler');
    await press('Offers');
    await fill('Accept from', '70.00');
    await fill('Decline below', '50.00');
    expect(item().offers).toMatchObject({ acceptFrom: 7_000, refuseUnder: 5_000 });
    await fill('Decline below', '80.00');
    await sees('Refusing by itself ends above where taking begins.');
    await fill('Accept from', '');
    expect(item().offers?.acceptFrom ?? null).toBeNull();
  });
  it('coming down: step by step on a calendar, a way for the kind, and off again', async () => {
    const { item } = await openFor(MorePrice, 'Ostler');
    await press('Coming down');
    await press('Let the price come down by itself');
    const steps = () => item().markdown?.steps ?? [];
    const usual = steps().length;
    expect(usual).toBeGreaterThan(0);
    await fill('Step 1: days', '5');
    await fill('Step 1: off', '12');
    expect(steps()[0]).toEqual({ day: 5, offBp: 1_200 });
    const lines = document.querySelectorAll('[aria-label="Markdown schedule"] [role=listitem]');
    expect(lines[0]?.textContent).toContain('€65.');
    await press('Take step 1 away');
    expect(steps()).toHaveLength(usual - 1);
    await press('Hold its price');
    await sees('Held for somebody since');
    expect(item().holds).toMatchObject([{ who: '', to: null }]);
    await press('No longer held');
    expect(item().holds[0]?.to).not.toBeNull();
  });
  it('auction or fixed: says what either would leave', async () => {
    await openFor(MorePrice, 'Ostler');
    await press('Auction or fixed');
    await fill('Opening price', '20.00');
    await sees('The opening price is under your floor: one bid would sell it.');
    await sees('Too little is known of what others sold for: ask above.');
    await fill('Opening price', '');
    await sees('An auction opens somewhere.');
  });
});

describe('what others sold for', () => {
  const comp = (i: number, price: number, part: object = {}) => ({
    id: `c${i}`,
    market: 'brackenmoor',
    title: `Ostler chore coat ${i}`,
    brand: 'Ostler',
    category: 'coats',
    wear: 2,
    sold: true,
    price,
    listedAt: Date.now() - 30 * DAY,
    endedAt: Date.now() - (3 + i) * DAY,
    ...part,
  });
  const ANSWERS = {
    '/comps': () => ({
      comps: [7_000, 7_200, 7_400, 7_600, 8_000, 30_000].map((p, i) => comp(i, p)),
      missing: [{ market: 'threadwick', why: 'It did not answer.' }],
    }),
  };
  it('is asked for, judged record by record, and taken as the price', async () => {
    const { item } = await openFor(Comps, 'Ostler', { answers: ANSWERS });
    await press('What did others sell for?');
    await sees(/Asked .* for “/u);
    await press('Look at the 6 records');
    await sees('Ostler chore coat 5');
    // Far from all others, it does not count unless a person says so.
    await press('Keep Ostler chore coat 5, €300.00');
    await press('Drop Ostler chore coat 5, €300.00');
    expect(canPress('Keep Ostler chore coat 5, €300.00')).toBe(true);
    await press(/^Price it/u);
    expect(item().price).toBeGreaterThan(6_000);
    expect(item().price).toBeLessThan(9_000);
    await fill('Leave out titles that say', 'coat 0');
    expect(useAttic.getState().research[item().id]?.leftOut).toEqual(['coat 0']);
    await sees('Threadwick could not be asked: It did not answer.');
  });
  it('without the courier can’t be asked, and nothing is invented', async () => {
    await openFor(Comps, 'Ostler', { offline: true });
    await press('What did others sell for?');
    await sees('The courier can’t be reached');
    expect(said()).not.toMatch(/Asked .* for “/u);
  });
});
