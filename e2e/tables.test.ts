import { zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { read as openSheet, utils } from 'xlsx';

import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { keep, phonePicture } from './pictures';
import { startTestServer } from './testServer';

const at = startTestServer({ afresh: true });

/** What another program wrote: title lines, its own tongue, signs and units, a slip, pictures by code. */
const FOREIGN =
  'Mein Bestand;;;;;;;\nStand 8.11.2026;;;;;;;\n' +
  'Artikelnr;Bezeichnung;Marke;Brustweite flach (in);EK;Preis;Zustand;Lagerplatz\n' +
  'A-17;Grüner Pullover;Kittiwake Mills;21,5;4,00;1.234,50 €;sehr gut;R2\n' +
  'A-18;Jacke;;;;60,00;gebraucht;R3\n' +
  'A-19;Lampe;Plover;;;sechzig;neu;R3\n';

/** As Windows-1252 writes it: the euro sign is the one letter here that Latin-1 has not. */
const windows1252 = (text: string) => Buffer.from(text.replaceAll('€', '\u0080'), 'latin1');

it('takes a foreign table in, put right, with its pictures; out and in again it is the same', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/bring-table');
  await attic.choose([keep('bestand.csv', windows1252(FOREIGN))], 'Choose a file');
  await attic.sees('7 of 8 columns taken');
  await attic.sees('WINDOWS-1252');
  await attic.press('Brustweite flach (in): left out');
  await attic.fill('Find what Brustweite', 'pit to pit');
  await attic.press('Pit to pit, cm');
  await attic.press('See what it would do');
  await attic.sees('Not taken 1');
  await attic.sees('“sechzig”: Use digits only, like 24.00.');
  await attic.press('Line 6: A-19 · Lampe');
  await attic.fill('Preis', '60,00');
  await attic.sees('Price 60 EUR');
  await attic.press('Done');
  const picture = readFileSync(await phonePicture());
  const pictures = zipSync({ 'alle/A-17-1.jpg': picture, 'alle/A-17-2.jpg': picture, 'A-170.jpg': picture });
  await attic.choose([keep('bilder.zip', pictures)], 'Pictures from a ZIP');
  await attic.sees('3 pictures in bilder.zip');
  await attic.press('Make 3 new items');
  await attic.sees('3 items made.');
  await attic.sees('Its pictures are taken.');
  await attic.openItem('Grüner Pullover');
  await attic.waitFor('[data-picture]:nth-child(2)');
  await attic.holds('Title', 'Grüner Pullover');

  // A spreadsheet that another reader opens (SheetJS): numbers are numbers.
  await attic.visit('/save-tables');
  await attic.press('Spreadsheet (.xlsx)');
  const book = openSheet(await attic.saves('Save 3 items'));
  const rows = utils.sheet_to_json<Record<string, unknown>>(book.Sheets[book.SheetNames[0]!]!);
  expect(rows.map((row) => [row.Code, row.Title, row['Price, EUR'], row['Cost, EUR'], row.Spot])).toEqual([
    ['A-17', 'Grüner Pullover', 1_234.5, 4, 'R2'],
    ['A-18', 'Jacke', 60, undefined, 'R3'],
    ['A-19', 'Lampe', 60, undefined, 'R3'],
  ]);
  // 21.5 inches are 54.61 cm.
  expect(rows[0]?.['Pit to pit, cm']).toBe(54.61);

  await attic.press('CSV');
  await attic.press('Choose the columns');
  await attic.page
    .locator('::-p-xpath(//*[@role="button"][starts-with(., "All ")][contains(., "columns")])')
    .click();
  const csv = await attic.saves('Save 3 items');
  await attic.visit('/bring-table');
  await attic.press('Another table');
  await attic.choose([keep('own.csv', csv)], 'Choose a file');
  await attic.press('See what it would do');
  await attic.sees('The same 3');
  expect(await attic.text()).not.toMatch(/New \d|Changes \d|Not taken \d/u);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

const MANY = 20_000;

it('reads 20,000 lines while a finger is answered, tells how far it is, and can be stopped', async () => {
  const attic = await Attic.open(at, WIDE);
  const lines = Array.from(
    { length: MANY },
    (_, i) => `B-${i},Wool jumper ${i},${i % 90}.50,A${i % 40},navy`,
  );
  const file = keep('many.csv', Buffer.from(`sku,title,price,location,colour\n${lines.join('\n')}\n`));
  await attic.visit('/bring-table');
  await attic.choose([file], 'Choose a file');
  await attic.sees('5 of 5 columns taken');
  await attic.press('See what it would do');
  await attic.sees(/Working out many\.csv: [1-9]\d* of 20000 lines/u);
  await attic.press('Stop');
  await attic.sees('5 of 5 columns taken');
  await attic.press('See what it would do');
  await attic.sees(`New ${MANY}`, 120_000);
  await attic.press('Tick none');
  await attic.sees('Nothing to take');
  await attic.press('Tick all');
  await attic.press(`Make ${MANY} new items`);
  await attic.sees(`${MANY} items made.`, 120_000);
  // As a spreadsheet, too: what packs and reads one that large is as ready as for a small one.
  await attic.visit('/save-tables');
  await attic.press('Spreadsheet (.xlsx)');
  const saved = await attic.saves(`Save ${MANY} items`);
  await attic.visit('/bring-table');
  await attic.press('Another table');
  await attic.choose([keep('many.xlsx', saved)], 'Choose a file');
  await attic.press('See what it would do');
  await attic.sees(`The same ${MANY}`, 120_000);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
