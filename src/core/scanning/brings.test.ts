import { Item, Owner } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';
import { BUILT_IN } from '@/core/kinds/tree';
import { effectiveListing, listingTakeHome } from '@/core/listing/effective';
import { plainSetup } from '@/core/listing/setup';

import { mostLeft } from './brings';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as OLDHOLLOW } from '../../../server/standins/oldhollow/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';

const SHEETS = [NEARSTILE, OLDHOLLOW, THREADWICK].map((sheet) => RuleSheet.parse(sheet));
const jumper = Item.parse({
  id: 'a',
  code: 'a',
  author: '',
  createdAt: 0,
  updatedAt: 0,
  kind: 'jumper',
  use: 'light',
  weightG: 600,
  price: 3_000,
  cost: 500,
});
const setup = plainSetup();

it('the best of all marketplaces is no worse than any one of them', () => {
  const best = mostLeft(jumper, SHEETS, BUILT_IN, setup, null);
  const each = SHEETS.map((sheet) => mostLeft(jumper, [sheet], BUILT_IN, setup, null)?.takeHome ?? -Infinity);
  expect(best?.takeHome).toBe(Math.max(...each));
  expect(best?.profit).toBe((best?.takeHome ?? 0) - 500);
});

it('says what the sheet itself charges', () => {
  for (const sheet of SHEETS) {
    const said = mostLeft(jumper, [sheet], BUILT_IN, setup, null);
    if (!said) continue;
    const left = listingTakeHome(effectiveListing(jumper, undefined, sheet, BUILT_IN, setup), sheet);
    expect([said.fees, said.takeHome]).toEqual([left?.feeTotal, left?.takeHome]);
  }
});

it('leaves the owner’s share out, and knows no profit without a cost', () => {
  const owner = Owner.parse({ id: 'o', name: 'Oda', tiers: [{ under: null, shareBp: 5_000 }] });
  const own = mostLeft(jumper, SHEETS, BUILT_IN, setup, null);
  const theirs = mostLeft(jumper, SHEETS, BUILT_IN, setup, owner);
  expect(theirs?.profit).toBeLessThan(own?.profit ?? 0);
  expect(mostLeft({ ...jumper, cost: null }, SHEETS, BUILT_IN, setup, null)?.profit).toBeNull();
});

it('says nothing without a price', () =>
  expect(mostLeft({ ...jumper, price: null }, SHEETS, BUILT_IN, setup, null)).toBeNull());
