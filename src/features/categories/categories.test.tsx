import { mappingId } from '@/contract/mapping';
import { planId } from '@/contract/records';
import { undo, useAttic } from '@/store/attic/attic';
import { addItem, editPlan } from '@/store/items/items';
import { fillInMany } from '@/store/items/many';
import { canPress, fill, open, press, said, sees } from '@/testing/page';
import { emptyAttic } from '@/testing/world';

import { Categories } from './Categories';

const wanted = (id: string, market: string, category: string | null = null) =>
  editPlan(id, market, 'test', { wanted: true, category });
const mapped = (market: string, kind: string) =>
  useAttic.getState().mappings[mappingId(market, kind)]?.category;
const own = (ids: readonly string[], market: string) =>
  ids.map((id) => useAttic.getState().plans[planId(id, market)]?.category ?? null);

/** Eight jumpers that are to go to Brackenmoor. */
async function eightJumpers(): Promise<string[]> {
  await emptyAttic();
  const ids = Array.from({ length: 8 }, (_, i) => addItem({ kind: 'jumper', title: `Jumper ${i}` }));
  for (const id of ids) wanted(id, 'brackenmoor');
  fillInMany(ids);
  return ids;
}

it('one press takes all that are sure, and takes them back', async () => {
  const ids = await eightJumpers();
  for (const id of ids) wanted(id, 'threadwick');
  await open(Categories);
  await sees('Jumper on Brackenmoor: To wear › Knitwear');
  await press('Take all 2 sure ones');
  expect([mapped('brackenmoor', 'jumper'), mapped('threadwick', 'jumper')]).toEqual(['wear.knit', 'knits']);
  await sees('Decided: 2');
  undo();
  expect(mapped('brackenmoor', 'jumper')).toBeUndefined();
});

it('a category is put right for eight at once: asked again, found by any word, pressed', async () => {
  const ids = await eightJumpers();
  // Two say something of their own: one decision holds for all of them.
  for (const id of ids.slice(0, 2)) wanted(id, 'brackenmoor', 'wear.outer');
  await open(Categories);
  await sees('2 listings say so');
  await press('Find another for Jumper on Brackenmoor');
  await fill('Find a category on Brackenmoor', 'blousse');
  await press('To wear › Shirts and tops');
  expect(mapped('brackenmoor', 'jumper')).toBe('wear.tops');
  expect(own(ids, 'brackenmoor')).toEqual(ids.map(() => null));
  // It stays where it is, and can be put right once more.
  await press('To wear › Knitwear');
  expect(mapped('brackenmoor', 'jumper')).toBe('wear.knit');
  undo();
  expect(mapped('brackenmoor', 'jumper')).toBe('wear.tops');
});

it('holds only for those that are chosen, where that is wanted', async () => {
  const ids = await eightJumpers();
  await open(Categories);
  await press('Another category for Jumper on Brackenmoor');
  await press('Only these 8, jumper on Brackenmoor');
  await press('Find another for Jumper on Brackenmoor');
  // By its number, as it stands beside each.
  await fill('Find a category on Brackenmoor', 'wear.tops');
  await press('To wear › Shirts and tops');
  expect(own(ids, 'brackenmoor')).toEqual(ids.map(() => 'wear.tops'));
  expect(mapped('brackenmoor', 'jumper')).toBeUndefined();
});

it('is walked branch by branch, and what was used last stands first', async () => {
  await eightJumpers();
  await open(Categories);
  await press('Another category for Jumper on Brackenmoor');
  await press('Find another for Jumper on Brackenmoor');
  await press('Walk through the categories on Brackenmoor');
  await press('Cameras and optics: open');
  await press('Up one branch');
  await press('House: open');
  await press('House › Glass and china');
  expect(mapped('brackenmoor', 'jumper')).toBe('house.glass');
  await press('Find another for Jumper on Brackenmoor');
  await sees('house.glass · used lately');
});

it('says what keeps an item from having one, and when nothing goes by some words', async () => {
  await emptyAttic();
  fillInMany([addItem({ title: 'Something' })]);
  await open(Categories);
  await sees('Of one item the kind is not said');
  expect(canPress('Say what they are')).toBe(true);
  const ids = await eightJumpers();
  fillInMany(ids);
  await open(Categories);
  await press('Another category for Jumper on Brackenmoor');
  await press('Find another for Jumper on Brackenmoor');
  await fill('Find a category on Brackenmoor', 'zzzz qqqq');
  await sees('Nothing on Brackenmoor goes by that');
  expect(said()).not.toContain('used lately');
});

it('one answer serves for all that is doubtful on a marketplace', async () => {
  await emptyAttic();
  const kinds = ['vase', 'clock', 'coat', 'book'];
  const ids = kinds.map((kind) => addItem({ kind, title: kind }));
  for (const id of ids) wanted(id, 'lanternyard');
  fillInMany(ids);
  await open(Categories);
  await press('All 4 on Lanternyard: In the shop');
  expect(kinds.map((kind) => mapped('lanternyard', kind))).toEqual(kinds.map(() => 'shop'));
  undo();
  expect(mapped('lanternyard', 'vase')).toBeUndefined();
});
