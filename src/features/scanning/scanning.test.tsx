import { setSettings, useAttic } from '@/store/attic/attic';
import { addItem } from '@/store/items/items';
import { batchAtHand, itemsOf } from '@/store/scanning/batches';
import { useScanning } from '@/store/scanning/scan';
import { fakeServer } from '@/testing/courier';
import { fill, open, press, said, scan, sees } from '@/testing/page';
import { emptyAttic } from '@/testing/world';

import { Scanning } from './Scanning';

const CODE = '2000000000015';
const OTHER = '2000000000022';
const rows = () => itemsOf(batchAtHand()?.id ?? '', useAttic.getState().items);

beforeEach(async () => {
  await emptyAttic();
  useScanning.setState({ last: null, asking: [], troubles: {}, held: 0 });
});

/** The page, with a product look-up that knows nothing. */
async function opened() {
  await open(Scanning);
  fakeServer({ '/lookup/': () => ({ found: false }) });
}

it('rows are changed where they stand, and removed after asking', async () => {
  await opened();
  await scan('Barcode', CODE);
  await sees('Not known to the product look-up: give it a title');
  await press(/^Row /u);
  await fill('Title', 'Songs from the Fells');
  await fill('Price', '7.50');
  expect(rows()[0]).toMatchObject({ title: 'Songs from the Fells', price: 750 });
  await press('Close the row');
  await sees('€7.50');
  await press('Remove all rows');
  await press('Leave them');
  expect(rows()).toHaveLength(1);
  await press('Remove all rows');
  await press('Remove them');
  expect(rows()).toEqual([]);
});

it('what all begin with is set once, in words of its own', async () => {
  await opened();
  await press('Begin a batch');
  await press('What all begin with');
  await press('Lightly used');
  await press('More phrases');
  await press('Corners a little bumped.');
  await press('Times the cost');
  await fill('Cost of one', '2');
  await fill('Spot of all', 'B1');
  await fill('Tax code', 'B7');
  await press('Only taken in');
  await press('Enough of that');
  await scan('Barcode', CODE);
  expect(rows()[0]).toMatchObject({
    conditionNote: 'Corners a little bumped.',
    cost: 200,
    spot: 'B1',
    taxCode: 'B7',
    price: 600,
  });
  expect(said()).toContain('at 3 times the cost');
});

it('a code that is here already leads to what has it', async () => {
  const id = addItem({ facts: { barcode: OTHER }, title: 'Peat & Plough', spot: 'C4' });
  await opened();
  await scan('Barcode', OTHER);
  await sees('Already here');
  await sees('Peat & Plough');
  expect(rows()).toEqual([]);
  await press('One more of it');
  expect(rows()).toHaveLength(1);
  expect(rows()[0]?.id).not.toBe(id);
});

it('asks for the spot where each is asked for it, and tells what was refused', async () => {
  await opened();
  await press('Begin a batch');
  await press('What all begin with');
  await press('Asked of each');
  await press('Enough of that');
  await scan('Barcode', CODE);
  await scan('Its spot', OTHER);
  await sees('First the spot of the one before');
  await scan('Its spot', 'A3-12');
  await sees('Noted as its spot.');
  expect(rows()[0]?.spot).toBe('A3-12');
});

it('earlier batches can be gone on with; no sounds where none are wanted', async () => {
  await opened();
  await scan('Barcode', CODE);
  await press('Beep and buzz');
  expect(useAttic.getState().settings.sounds).toBe(false);
  await fill('Name of the batch', 'The blue crate');
  await press('This batch is done');
  await press('Go on with The blue crate');
  await sees('The blue crate · 1 item');
  setSettings({ sounds: true });
});
