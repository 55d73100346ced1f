import type { Comp } from '@/contract/comps';
import { canPress, fill, open, press, sees } from '@/testing/page';
import { emptyAttic } from '@/testing/world';

import { Buying } from './Buying';

const DAY = 86_400_000;
/** Sold lately, at these prices. */
const comps = (...prices: number[]): Comp[] =>
  prices.map((price, i) => ({
    id: `c${i}`,
    market: 'brackenmoor',
    title: `Hartley waxed jacket ${i}`,
    brand: 'Hartley',
    category: 'coats',
    wear: 1,
    sold: true,
    price,
    listedAt: Date.now() - 20 * DAY,
    endedAt: Date.now() - 5 * DAY,
  }));
const ASK = 'What would it bring?';

beforeEach(() => emptyAttic());

it('says the most to pay, from what others sold for and what is left of it', async () => {
  const asked = await open(Buying, {
    answers: {
      '/comps': () => ({ comps: comps(6_000, 6_200, 6_400, 6_600, 7_000, 6_100, 6_300), missing: [] }),
    },
  });
  expect(canPress(ASK)).toBe(false);
  await fill('What is it', 'waxed jacket');
  await fill('Brand or maker', 'Hartley');
  await press(ASK);
  await sees(/It would sell for about €6\d\.\d\d/u);
  await sees(/Pay at most, for \d/u);
  await sees(/leaves €\d/u);
  expect(asked[0]?.path).toContain('Hartley');
});

it('with no connection goes by what was asked before, and says from when', async () => {
  await open(Buying, {
    answers: { '/comps': () => ({ comps: comps(6_000, 6_200, 6_400, 6_600, 7_000), missing: [] }) },
  });
  await fill('What is it', 'waxed jacket');
  await press(ASK);
  await sees(/Pay at most/u);
  globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
  await press(ASK);
  await sees(/The courier can’t be reached.*Below is what was found out/u);
});

it('where nothing like it sold says so instead of a price', async () => {
  await open(Buying, { answers: { '/comps': () => ({ comps: [], missing: [] }) } });
  await fill('What is it', 'waxed jacket');
  await press(ASK);
  await sees('Nothing like it sold lately: the price is a guess.');
  expect(document.body.textContent).not.toContain('Pay at most');
});
