import { unzipSync } from 'fflate';
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

import { Attic } from './attic';
import { PHONE } from './browser';
import { garmentPicture } from './pictures';
import { buyAt, until } from './serverProcess';
import { startTestServer, type TestServer } from './testServer';
import { jumper, itemsReady } from './world';

const BY_HAND = 'Gansey jumper by hand';
const LOCKED = 'Gansey jumper behind a locked door';
const SHOP = 'Gansey jumper for the shop & its window';
const BID = 'Gansey jumper for the highest bid';
const BOOK = 'Seabirds of the Northern Coasts';
const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';

const at: TestServer = startTestServer({
  world: () =>
    itemsReady([
      jumper(BY_HAND, ['brackenmoor', 'handbill'], { price: 4_100 }),
      jumper(LOCKED, ['threadwick'], { price: 4_200 }),
      jumper(SHOP, ['lanternyard'], { price: 4_400, description: LONG }),
      jumper(BID, ['brackenmoor', 'oldhollow'], { price: 4_300, description: LONG }),
      {
        part: {
          kind: 'book',
          title: BOOK,
          description: 'Cloth boards a little sunned, plates all present.',
          use: 'regular',
          cost: 100,
          price: 900,
          weightG: 480,
          facts: { model: BOOK, author: 'E. Farrowdale', brand: 'Drumlin Press', barcode: '2000000002415' },
          spot: 'Box 2',
        },
        markets: ['quirestack'],
      },
    ]),
});

it('prepares what nobody can call, and is red until it was taken down by hand', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(BY_HAND);
  await attic.press('Send to Brackenmoor and Handbill');
  await attic.waitForSign('Brackenmoor: live');
  await attic.sees('Nobody can call Handbill');
  await attic.go('Today');
  await attic.sees('To put up on Handbill by hand');
  await attic.press('List it');

  // A person fills in the board's form with what was prepared.
  await attic.page.waitForSelector('[aria-label="By hand on Handbill"]');
  const prepared = () =>
    attic.page.$eval('[aria-label="By hand on Handbill"]', (e) => (e as HTMLElement).innerText);
  for (const words of [BY_HAND, '41.00', 'For wearing', 'Fair'])
    await until(`“${words}” is prepared`, async () => (await prepared()).includes(words));
  const form = new FormData();
  for (const [name, value] of Object.entries({
    heading: BY_HAND,
    words: LONG,
    price: '41.00',
    board: 'wear',
    state: 'fair',
  }))
    form.set(name, value);
  form.append(
    'photos',
    new Blob([readFileSync(await garmentPicture('hand.jpg', {}, 1, 800))], { type: 'image/jpeg' }),
    '1.jpg',
  );
  const put = await fetch(`${at.server.address}/outside/handbill/put-up`, {
    method: 'POST',
    body: form,
    redirect: 'manual',
  });
  expect(put.status).toBe(303);
  const address = put.headers.get('location') ?? '';
  await attic.fill('Its address on Handbill', address);
  await attic.press('It is up on Handbill');
  await attic.waitForSign('Handbill: live');

  await buyAt(await attic.publicPage('Brackenmoor'));
  await attic.waitForSign('Brackenmoor: sold');
  await attic.go('Today');
  await attic.sees('Take it down on Handbill yourself');
  await attic.press('I took it down on Handbill');
  await attic.sees('Gone everywhere');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('says when a key has run out, keeps what was sent, and goes on with a new code', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(LOCKED);
  // Its rules were read while it still let us in.
  await attic.page.waitForSelector('::-p-aria(Send to Threadwick)');
  await at.server.switchboard('threadwick', { tokenExpired: true });
  await attic.press('Send to Threadwick');
  await attic.go('Today');
  await attic.sees('Threadwick no longer lets us in');
  await attic.press('Bring a new code');
  await attic.sees('Its key has run out');
  await attic.fill('Code from Threadwick', '00000000');
  await attic.press('Connect Threadwick');
  await attic.sees('That code is wrong or too old');
  const page = await (
    await fetch(`${at.server.address}/outside/threadwick/access`, { method: 'POST' })
  ).text();
  await attic.fill('Code from Threadwick', /id="code">(\d+)</u.exec(page)?.[1] ?? '');
  await attic.press('Connect Threadwick');
  await attic.seesNot('Its key has run out');
  await attic.press('Test Threadwick');
  await attic.sees('It answers, in');
  await attic.openItem(LOCKED);
  await attic.waitForSign('Threadwick: live', 60_000);
  // No page ever saw the key.
  expect(await attic.page.evaluate(() => JSON.stringify(Object.values(localStorage)))).not.toMatch(/Bearer/u);

  // Paused: nothing new goes there, and it says so.
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Marketplaces');
  await attic.press('Pause Threadwick');
  await attic.sees('paused');
  await attic.press('Go on with Threadwick');
  await attic.seesNot('paused\n');
  await attic.page.close();
});

it('auctions it to the highest bid, and takes it down elsewhere when the auction ends', async () => {
  await at.server.switchboard('oldhollow', { dayLasts: 30_000 });
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(BID);
  await attic.page.waitForSelector('::-p-aria(Send to Brackenmoor and Oldhollow)');
  await attic.openMarket('Oldhollow');
  await attic.press('How it is sold on Oldhollow');
  await attic.press('Auction', '[aria-label="How it is sold on Oldhollow"]');
  await attic.fill('Opens at', '20');
  await attic.fill('Outright for', '');
  await attic.fill('Runs for days', '1');
  await attic.fill('Relist, times', '0');
  await attic.press('Send to Brackenmoor and Oldhollow');
  await attic.waitForSign('Oldhollow: live');
  // How it stands there, without going there.
  await attic.sees('No bid yet');
  await attic.sees(/Ends in .* Round 1 of \d/u);
  const page = await attic.publicPage('Oldhollow');
  await fetch(`${page}/bid`, {
    method: 'POST',
    redirect: 'manual',
    body: new URLSearchParams({ who: 'Ines', euros: '23.50' }),
  });
  await attic.waitForSign('Oldhollow: sold', 60_000);
  await attic.waitForSign('Brackenmoor: ended', 60_000);
  await attic.go('Sales');
  await attic.sees('€23.50');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
  await at.server.switchboard('oldhollow', { dayLasts: 86_400_000 });
});

it('lists against a record, priced beside the copies of others, and hears by the report', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(BOOK);
  await attic.openMarket('Quirestack');
  await attic.sees('Listed against its record, under Books');
  await attic.press('What do others ask on Quirestack?');
  await attic.page.waitForSelector('[aria-label="Competing copies"] [role=listitem]');
  await attic.press('Under the cheapest');
  await attic.fill('Under it by', '0.10');
  await attic.sees(/€0\.10 under \S.*with postage/u);
  await attic.page.locator('[role=button][aria-label^="Ask "][aria-label$=" on Quirestack"]').click();
  await attic.press('Send to Quirestack');
  await attic.waitForSign('Quirestack: live');
  await buyAt(await attic.publicPage('Quirestack'));
  await attic.waitForSign('Quirestack: sold', 60_000);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('saves the shop as files that open from a disk', async () => {
  const attic = await Attic.open(at, PHONE);
  // What is only planned for it is not in it.
  await attic.openItem(SHOP);
  await attic.press('Send to Lanternyard');
  await attic.waitForSign('Lanternyard: live');
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Marketplaces');
  await attic.page.evaluate(() => {
    const made: Blob[] = [];
    Object.assign(window, { made });
    const create = URL.createObjectURL.bind(URL);
    URL.createObjectURL = (blob: Blob) => (made.push(blob), create(blob));
  });
  await attic.press('Save Lanternyard as files');
  await attic.sees('saved as shop.zip');
  const packed = await attic.page.evaluate(async () => {
    const zip = (window as unknown as { made: Blob[] }).made.find((b) => b.type === 'application/zip');
    const bytes = new Uint8Array((await zip?.arrayBuffer()) ?? []);
    let text = '';
    for (let i = 0; i < bytes.length; i += 8_192)
      text += String.fromCharCode(...bytes.subarray(i, i + 8_192));
    return btoa(text);
  });
  const folder = mkdtempSync(join(tmpdir(), 'attic-shop-'));
  for (const [path, bytes] of Object.entries(unzipSync(Buffer.from(packed, 'base64')))) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  const page = await at.browser.newPage();
  await page.goto(`file://${folder}/index.html`);
  await page.locator('a.tile').click();
  await page.waitForSelector('.strip img');
  expect(await page.$eval('h1', (h) => h.textContent)).toBe(SHOP);
  await until('its picture is there', () =>
    page.$eval('.strip img', (img) => (img as HTMLImageElement).naturalWidth > 300),
  );
  await page.close();
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('notices new rules while it runs, and says what of ours no longer passes', async () => {
  await at.server.switchboard('threadwick', { asksOrigin: true });
  const attic = await Attic.open(at, PHONE);
  await attic.go('Today');
  await attic.sees('Threadwick has new rules', 60_000);
  await attic.sees('1 live listing would be refused. Threadwick asks for where it was made.');
  await attic.press('Seen: the new rules of Threadwick');
  await attic.seesNot('Threadwick has new rules');
  await until('it stays seen after a reload', async () => {
    await attic.reload();
    await attic.page.waitForSelector('[role=main]');
    return !(await attic.text()).includes('has new rules');
  });
  await attic.page.close();
});
