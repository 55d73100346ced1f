import { Attic } from './attic';
import { PHONE } from './browser';
import { barcodePicture, itemPicture } from './pictures';
import { buyAt } from './serverProcess';
import { startTestServer } from './testServer';

/* From the pictures to the closing by thumb, as few taps as it takes. */

const at = startTestServer();
/** A record that the product look-up has a card of. */
const RECORD = '2000000000022';

/** From here on taps are counted: three pictures, looked at, and what they say. */
async function photographed(attic: Attic, pictures: string[]): Promise<void> {
  await attic.beginItem();
  attic.taps = attic.typed = 0;
  await attic.choose(pictures);
  await attic.sees('Saved, 3 pictures');
  await attic.looked();
  await attic.press('What the pictures say');
}

it('takes a record from its pictures to the closing', async () => {
  const attic = await Attic.open(at, PHONE);
  await photographed(attic, [
    await itemPicture('record', 31),
    await itemPicture('record', 32),
    await barcodePicture('code.jpg', RECORD),
  ]);
  await attic.press('Right: all of it');
  await attic.press('Use: Lightly used');
  await attic.fill('Price', '18');
  await attic.press('To all 5 that take it');
  await attic.press('Harbour steps');
  await attic.press('Send to 5 marketplaces');
  for (const place of ['Nearstile', 'Oldhollow', 'Quirestack', 'Lanternyard'])
    await attic.waitForSign(`${place}: live`);
  process.stdout.write(`a record, pictures to closing: ${attic.taps} taps, ${attic.typed} characters\n`);
  expect([attic.taps <= 10, attic.typed <= 2]).toEqual([true, true]);
  await attic.press('The whole sheet');
  await buyAt(await attic.publicPage('Quirestack'));
  await attic.waitForSign('Quirestack: sold');
  for (const place of ['Nearstile', 'Oldhollow', 'Lanternyard']) await attic.waitForSign(`${place}: ended`);
  await attic.go('Sales');
  await attic.sees(/Listed there on .* for €18\.00, sold the same day for that\./u);
  await attic.sees('when it was listed');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('takes a set in choices from its pictures to the closing', async () => {
  const attic = await Attic.open(at, PHONE);
  await photographed(attic, [
    await itemPicture('vase', 41),
    await itemPicture('vase', 42),
    await itemPicture('bowl', 43),
  ]);
  await attic.press('Other kinds');
  await attic.fill('Find a kind', 'service');
  await attic.press('Plate or service');
  await attic.press('Right: all of it');
  await attic.press('Drop: Maker');
  await attic.press('Use: Lightly used');
  await attic.fill('Price', '24');
  await attic.press(`To all ${/All (\d) that take it/u.exec(await attic.text())?.[1]} that take it`);
  await attic.press('The whole sheet');
  await attic.unfold('How many');
  await attic.press('Sell it in variations');
  await attic.fill('Option 1', 'Piece');
  await attic.fill('Values 1', 'plate, bowl, jug');
  await attic.press('Keep these variations');
  for (const piece of ['plate', 'bowl', 'jug']) await attic.fill(`In stock: ${piece}`, '1');
  await attic.fill('Price: jug', '31');
  await attic.sees('3 in stock');
  await attic.press('Material: Glass');
  // The check has caught up with what was just said.
  for (const place of ['Nearstile', 'Oldhollow', 'Handbill']) await attic.sees(`Not to ${place}: `);
  await attic.seesNot('Brackenmoor asks for material.');
  await attic.press('Send to 2 of 5');
  await attic.waitForSign('Brackenmoor: live');
  await attic.waitForSign('Lanternyard: live');
  process.stdout.write(
    `a set in choices, pictures to closing: ${attic.taps} taps, ${attic.typed} characters\n`,
  );
  expect([attic.taps <= 22, attic.typed <= 40]).toEqual([true, true]);
  const pages = [await attic.publicPage('Lanternyard'), await attic.publicPage('Brackenmoor')] as const;
  const code = /YA-\d{4}/u.exec(await attic.text())?.[0] ?? '';
  await buyAt(pages[0], `${code}/3`);
  await attic.sees('2 in stock · €24.00');
  await buyAt(pages[1], `${code}/1`);
  await attic.sees('1 in stock · €24.00');
  await buyAt(pages[1], `${code}/2`);
  await attic.waitForSign('Brackenmoor: sold');
  await attic.waitForSign('Lanternyard: ended');
  await attic.go('Sales');
  await attic.sees('€31.00');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
