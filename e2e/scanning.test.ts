import { checkDigit } from '@/core/identity/gtin';

import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { startTestServer } from './testServer';
import { catalogue } from '../server/standins/indexhall/catalogue';

const at = startTestServer();
const codes = catalogue().map(({ code }) => code);
/** Between two keys of a hand scanner, milliseconds. */
const KEY = { delay: 2 };

/** What a hand scanner types. */
async function scanned(attic: Attic, code: string): Promise<void> {
  await attic.page.keyboard.type(code, KEY);
  await attic.page.keyboard.press('Enter');
}

it('takes forty codes from a hand scanner without a touch; nothing is lost by a reload', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Intake');
  await attic.press('Scan codes one after the other');
  await attic.sees('A hand scanner needs no tap');
  attic.taps = 0;
  const forty = codes.slice(0, 40);
  for (const code of forty) await scanned(attic, code);
  await attic.sees('40 items');
  expect(attic.taps).toBe(0);
  // A number that no catalogue has, one with a digit misread, and one that is here already.
  await scanned(attic, `299999999999${checkDigit('299999999999')}`);
  await attic.sees('Not known to the product look-up');
  await scanned(attic, '2000000000017');
  await attic.sees('That is no barcode');
  await scanned(attic, forty[3]!);
  await attic.sees('Already here');
  await attic.sees('41 items');
  await attic.reload();
  await attic.sees('41 items');
  await attic.seesNot('not looked up yet');
  const [card] = catalogue();
  await attic.sees(card!.house);
  // With the pictures of their cards.
  await attic.waitFor('[data-row] img');
});

it('begins each with what the batch begins with; rows are changed and removed by keyboard', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.go('Intake');
  await attic.press('Scan codes one after the other');
  await attic.sees('41 items');
  await attic.press('This batch is done');
  await attic.press('Begin a batch');
  await attic.press('What all begin with');
  await attic.press('Share of the price new');
  await attic.fill('Cost of one', '1');
  await attic.press('More phrases');
  await attic.press('Corners a little bumped.');
  await attic.press('Asked of each');
  await attic.press('Enough of that');
  await attic.sees('at 40 % of the price new, cost €1.00, spot asked of each');
  await scanned(attic, codes[60]!);
  await attic.sees('1 item');
  // Its spot comes before the next code.
  await scanned(attic, codes[61]!);
  await attic.sees('First the spot of the one before');
  await scanned(attic, 'A3-12');
  await attic.sees('Noted as its spot');
  await scanned(attic, codes[61]!);
  await attic.sees('2 items');
  await scanned(attic, 'A3-13');
  await attic.sees('profit');
  // Down to the first row, open, away from the second; a code that is scanned into a price is no price.
  await attic.page.keyboard.press('ArrowDown');
  await attic.page.keyboard.press('Enter');
  await attic.sees('Close the row');
  await attic.fill('Price', '7.50');
  await attic.page.focus('input[aria-label^="Price"]');
  await scanned(attic, codes[62]!);
  await attic.sees('3 items');
  await scanned(attic, 'A3-14');
  await attic.sees('€7.50');
  await attic.page.keyboard.press('Delete');
  await attic.sees('2 items');
  await attic.press('Undo');
  await attic.sees('3 items');
  await attic.press('Remove all rows');
  await attic.press('Remove them');
  await attic.sees('0 items');
});
