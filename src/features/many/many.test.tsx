import { useAttic } from '@/store/attic/attic';
import { fillInMany, useMany } from '@/store/items/many';
import { fill, open, press, sees } from '@/testing/page';
import { emptyAttic, manyItems } from '@/testing/world';

import { Many } from './Many';

const items = () => Object.values(useAttic.getState().items);
const WIDE = { wide: true };

it('several new ones of one kind are begun at once, with numbers in a row', async () => {
  await emptyAttic();
  fillInMany([]);
  await open(Many);
  await press('Jumper');
  await fill('How many', '3');
  await press('Begin 3 items');
  await sees('Fill in 3 items');
  expect(items().map((t) => [t.kind, t.code])).toEqual([
    ['jumper', 'YA-0001'],
    ['jumper', 'YA-0002'],
    ['jumper', 'YA-0003'],
  ]);
});

describe('at a desk, one beside the other', () => {
  it('what differs is said beside its picture, item after item', async () => {
    const many = await manyItems();
    const [first, second] = [many.id('Kittiwake'), many.id('Ostler')];
    fillInMany([first, second]);
    await open(Many, WIDE);
    await press('One beside the other');
    await fill('Spot', 'Rail-9');
    expect(useAttic.getState().items[first]?.spot).toBe('Rail-9');
    await press('The next item');
    await fill('Spot', 'Rail-10');
    expect(useAttic.getState().items[second]?.spot).toBe('Rail-10');
    await fill('Price', 'a lot');
    await sees('Use digits only, like 24.00.');
    expect(useAttic.getState().items[second]?.price).not.toBeNull();
  });
  it('one that is left out stays in stock', async () => {
    const many = await manyItems();
    const [first, second] = [many.id('Kittiwake'), many.id('Ostler')];
    fillInMany([first, second]);
    await open(Many, WIDE);
    await press('One beside the other');
    await press(/^Leave Kittiwake.+: it stays in stock$/u);
    expect(useMany.getState().ids).toEqual([second]);
    expect(useAttic.getState().items[first]).toBeDefined();
  });
});
