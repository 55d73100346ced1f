import type { Comp } from '@/contract/comps';
import { planId } from '@/contract/records';
import { undo, useAttic } from '@/store/attic/attic';
import { addItem, editItem, wantEverywhere } from '@/store/items/items';
import { fillInMany } from '@/store/items/many';
import { fill, open, press, said, sees } from '@/testing/page';
import { emptyAttic } from '@/testing/world';

import { WriteMany } from './WriteMany';

const item = (id: string) => useAttic.getState().items[id]!;
const JUMPER = {
  kind: 'jumper',
  use: 'light',
  facts: { brand: 'Kittiwake Mills', department: 'Men', size: 'M', colour: 'Navy', material: 'Wool' },
} as const;
const comp = (i: number): Comp => ({
  market: 'brackenmoor',
  id: `c${i}`,
  title: 'Kittiwake Mills jumper',
  brand: 'Kittiwake Mills',
  category: 'knitwear',
  wear: 2,
  price: 4_000 + i * 100,
  sold: true,
  listedAt: Date.now() - 40 * 86_400_000,
  endedAt: Date.now() - 20 * 86_400_000,
});

let [first, second] = ['', ''];
beforeEach(async () => {
  await emptyAttic();
  first = addItem(JUMPER);
  second = addItem({ ...JUMPER, title: 'Grandfather’s gansey' });
  fillInMany([first, second]);
});

it('writes the words of all chosen, leaves a person’s own, and takes all of it back', async () => {
  await open(WriteMany);
  await sees('Kittiwake Mills Men jumper Wool Navy size M');
  await sees('1 left as it is. Title: you wrote them yourself.');
  await press('Write for 2 items');
  await sees('Written for 2 items.');
  expect(item(first).title).toMatch(/^Kittiwake Mills/u);
  expect(item(second)).toMatchObject({ title: 'Grandfather’s gansey' });
  expect(item(second).description).toContain('Kittiwake Mills jumper');
  // Written from the facts, they are so again when the facts change.
  editItem(first, 'size', { facts: { ...item(first).facts, size: 'L' } });
  await sees('size L');
  undo();
  undo();
  expect([item(first).title, item(second).description]).toEqual(['', '']);
});

it('writes over a person’s own words only when told', async () => {
  await open(WriteMany);
  await press('My own words, too');
  await sees('instead of Grandfather’s gansey');
  await press('Write for 2 items');
  await sees('Written for');
  expect(item(second).title).toMatch(/^Kittiwake/u);
});

it('prices all from a take-home, each marketplace with what it brings', async () => {
  for (const id of [first, second]) wantEverywhere(id, ['brackenmoor', 'threadwick']);
  await open(WriteMany);
  await press('From a take-home');
  await fill('Take-home wanted of each', '30');
  await sees(/Price on Brackenmoor: brings €30\.\d\d after fees/u);
  await press('Write for 2 items');
  await sees('Written for 2 items.');
  const { plans } = useAttic.getState();
  for (const id of [first, second]) {
    expect(item(id).price).toBeGreaterThan(3_000);
    const own = ['brackenmoor', 'threadwick'].map((m) => plans[planId(id, m)]?.price ?? item(id).price!);
    expect(Math.max(...own)).toBe(item(id).price);
  }
  undo();
  expect(item(first).price).toBeNull();
  expect(useAttic.getState().plans[planId(first, 'threadwick')]?.price).toBeNull();
});

it('prices all from what others sold for, asks where nobody did, and says why one is left', async () => {
  const answer = (path: string) =>
    path.includes('coat')
      ? { refused: 'It rests.', status: 503 }
      : { comps: Array.from({ length: 9 }, (_, i) => comp(i)), missing: [] };
  await open(WriteMany, { answers: { '/comps': ({ path }) => answer(path) } });
  await press('From what others sold for');
  await sees('2 left as they are. Price: nobody asked yet what others sold for.');
  await press('Ask what others sold for, of 2');
  await sees(/of 9 sold half went for less; \S+/u);
  expect(said()).toContain('€44.00');
  await press('The lower ones');
  await sees('of 9 sold a quarter went for less');
  await press('Write for 2 items');
  await sees('Written for 2 items.');
  expect([item(first).price, item(second).price]).toEqual([4_200, 4_200]);
});
