import { readdirSync, readFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';

import { Attic } from './attic';
import { PHONE } from './browser';
import { until } from './serverProcess';
import { startTestServer } from './testServer';
import { itemsReady, jumper } from './world';

const TITLES = ['Gansey jumper with a shawl collar', 'Gansey jumper in grey'] as const;
const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';
const at = startTestServer({
  world: () =>
    itemsReady(TITLES.map((title) => jumper(title, ['lanternyard', 'brackenmoor'], { description: LONG }))),
});

/** Presses what is called so on a page that runs no scripts, and waits for where it leads. */
async function goes(page: Page, name: string): Promise<void> {
  const found = await page.waitForSelector(
    `::-p-xpath(//button[normalize-space()='${name}'] | //a[normalize-space()='${name}'])`,
  );
  await Promise.all([page.waitForNavigation(), found?.click()]);
}
const reads = (page: Page) => page.evaluate(() => document.body.innerText);

it('sells two things in one basket, abroad, by transfer, and writes the order as a mail', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/terms?market=lanternyard');
  await attic.press('Make the usual terms');
  await attic.press('To neighbours');
  await attic.press('Transfer');
  await attic.fill('Each further piece', '1.00');
  const pages: string[] = [];
  for (const title of TITLES) {
    await attic.openItem(title);
    await attic.press('Send to Brackenmoor and Lanternyard');
    await attic.waitForSign('Lanternyard: live');
    await attic.waitForSign('Brackenmoor: live');
    pages.push(await attic.publicPage('Lanternyard'));
  }

  // A buyer with a browser of her own, as phone and thumb have it.
  const hers = await attic.page.browser().createBrowserContext();
  const shop = await hers.newPage();
  await shop.setViewport(PHONE);
  await shop.goto(pages[0] ?? '');
  expect(await reads(shop)).toContain('Paid by card, transfer');
  // Its picture fills the page, and goes back.
  await (await shop.waitForSelector('.strip a'))?.click();
  await shop.waitForSelector('.large:target', { visible: true });
  await (await shop.$('.large:target'))?.click();
  await goes(shop, 'Put it in the basket');
  await goes(shop, 'Go on looking');
  await goes(shop, 'Your basket (1)');
  await shop.goto(pages[1] ?? '');
  await goes(shop, 'Put it in the basket');
  const home = await reads(shop);
  for (const title of TITLES) expect(home).toContain(title);
  await shop.select('[name=country]', 'vell');
  await shop.select('[name=way]', 'transfer');
  await goes(shop, 'Reckon again');
  // To a neighbour a parcel of this weight costs 11.50, the second piece in it 1.00.
  expect(await reads(shop)).toMatch(/Postage to Vell\s+12\.50/u);
  await shop.type('[name=name]', 'Inès Øst');
  await shop.type('[name=street]', 'Mill Bank 4');
  await shop.type('[name=town]', '4410 Saltreach');
  await goes(shop, 'Pay');
  expect(await reads(shop)).toContain('Bank transfer, before it is sent: 108.50');
  const folder = mkdtempSync(join(tmpdir(), 'attic-saved-'));
  const session = await shop.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: folder,
    browserContextId: hers.id,
  });
  await (await shop.waitForSelector(`::-p-text(Your order as a mail)`))?.click();
  await until('the mail is saved', () => readdirSync(folder).some((f) => f.endsWith('.eml')));
  const mail = readFileSync(join(folder, readdirSync(folder)[0] ?? ''), 'utf8');
  for (const words of [...TITLES, 'Please transfer it', '4410 Saltreach', 'Vell'])
    expect(mail).toContain(words);
  await hers.close();

  // Both are gone elsewhere, and go in one parcel to where she lives.
  for (const title of TITLES) {
    await attic.openItem(title);
    await attic.waitForSign('Lanternyard: sold');
    await attic.waitForSign('Brackenmoor: ended');
  }
  await attic.visit('/packing');
  await attic.sees('To pick: 2');
  for (const code of ['YA-0001', 'YA-0002']) await attic.scan(`Code on ${code}`, code);
  await attic.sees('Inès Øst');
  await attic.sees('Mill Bank 4');
  await attic.sees(`Goes to the same buyer: ${TITLES[1]}.`);
  expect(attic.complaints).toEqual([]);
});
