import { useAttic } from '@/store/attic/attic';
import { fill, open, press, sees, settled } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic, manyItems } from '@/testing/world';

import { Stock } from './Stock';

const items = () => Object.values(useAttic.getState().items);
const rows = () => [...document.querySelectorAll('[role=listitem]')].map((r) => r.textContent ?? '');

it('an empty attic leads to its first picture', async () => {
  await emptyAttic();
  await open(Stock);
  await press('Begin with a picture');
  expect(went).toEqual(['/intake']);
});

describe('many items', () => {
  beforeEach(async () => {
    await manyItems();
    await open(Stock);
  });
  it('are found as one types, by words, code and spot; nothing that fits is said to be nothing', async () => {
    await fill('Search', 'wool navy');
    await sees('1 item');
    expect(rows()[0]).toContain('Kittiwake');
    await fill('Search', 'Rail-07');
    await sees(/Ostler/u);
    await fill('Search', 'zebra');
    await sees('Nothing matches.');
  });
  it('are put in another order, and shown by where they are', async () => {
    await press('Put them in another order');
    await press('Dearest first');
    await settled(100);
    const prices = rows()
      .map((r) => Number(/€(\d+\.\d\d)/u.exec(r)?.[1] ?? NaN))
      .filter(Number.isFinite);
    expect(prices).toEqual([...prices].sort((a, b) => b - a));
    await press('Listed');
    await settled(100);
    expect(rows().every((r) => !r.includes('Marrow'))).toBe(true);
    await press('Sold');
    await sees('Nothing matches.');
  });
  it('are narrowed by what is missing, kind and price, and kept as a group that fills itself', async () => {
    await press('More filters');
    await fill('Price from', '70.00');
    await fill('Price up to', '100.00');
    await settled(100);
    expect(rows().length).toBeGreaterThan(0);
    expect(rows().length).toBeLessThan(items().length);
    await fill('Keep as a group named', 'Dear ones');
    await press('Keep these filters as a group');
    expect(Object.values(useAttic.getState().groups)).toMatchObject([
      { name: 'Dear ones', filter: { priceFrom: 7_000 } },
    ]);
  });
  it('are changed together, after what would change was shown', async () => {
    await press('Select');
    await press(`All ${items().length}`);
    await press('More…');
    await press('Move to a spot');
    await fill('Spot', 'Fair box 1');
    await sees('YA-10: A1-01 → Fair box 1');
    await sees('and 11 more');
    await press(`Change ${items().length} items`);
    await sees(`${items().length} items changed. Undo takes all of it back.`);
    expect(new Set(items().map((t) => t.spot))).toEqual(new Set(['Fair box 1']));
    await press('Done selecting');
  });
});
