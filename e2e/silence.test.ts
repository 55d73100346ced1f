import { readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';

import { Attic } from './attic';
import { PHONE } from './browser';
import { listJumper } from './listing';
import { buyAt, until } from './serverProcess';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const TITLE = 'Gansey jumper that nobody forgets, size M';
const at = startTestServer({ afresh: true, world: () => jumpersReady([TITLE]) });

/** Everything the courier wrote down is gone; the marketplaces and the browser are as they were. */
async function loseLedger(): Promise<void> {
  await at.server.kill();
  for (const name of readdirSync(at.server.data))
    if (name.startsWith('ledger.')) rmSync(join(at.server.data, name));
  await at.server.up();
}

it('a lost ledger takes no attic with it: the courier goes on, and closes what sells', async () => {
  const attic = await Attic.open(at, PHONE);
  await listJumper(attic, TITLE);
  const moor = await attic.publicPage('Brackenmoor');
  const wick = await attic.publicPage('Threadwick');
  await attic.page.bringToFront();
  await attic.go('Today');
  at.server.world = null;
  await loseLedger();
  // The page that is open says so, and sends nothing to a courier that works for somebody else.
  await attic.sees('The courier works for another attic now');
  await attic.reload();
  await attic.sees('The courier does not know this attic (its ledger is new)');
  await attic.sees('1 item');
  // It is not written over, and not forgotten by looking away.
  await attic.reload();
  await attic.press('Go on with the attic with 1 item');
  await attic.sees('The courier looks after 3 listings of this attic again.');
  await attic.press('All right');
  await attic.openItem(TITLE);
  await attic.waitForSign('Brackenmoor: live');
  await attic.waitForSign('Threadwick: live');
  await buyAt(moor);
  await attic.waitForSign('Threadwick: ended');
  expect(await (await fetch(wick)).text()).toContain('It was taken down.');
  await attic.reload();
  await attic.seesNot('does not know this attic');
  // The page that was open asked once with the key of the old ledger.
  expect(attic.complaints.filter((line) => !line.includes('status of 401'))).toEqual([]);
});

it('a new, empty attic may be begun instead; the other one stays and is offered again', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Stock');
  at.server.world = null;
  await loseLedger();
  await attic.page.goto(at.server.address);
  await attic.press('Begin a new, empty attic');
  await attic.sees('A new attic');
  await loseLedger();
  await attic.page.goto(at.server.address);
  // The empty one is not worth asking about; the one with an item is still here.
  await attic.page.evaluate(() => localStorage.removeItem('yonder-attic-name'));
  await attic.reload();
  await attic.sees('Another one found here');
  await attic.press('Go on with the attic with 1 item');
  await attic.openItem(TITLE);
});

it('a full disk is the reddest item there is, keeps no sold item up, and is over by itself', async () => {
  const attic = await Attic.open(at, PHONE);
  await listJumper(attic, TITLE);
  const moor = await attic.publicPage('Brackenmoor');
  const wick = await attic.publicPage('Threadwick');
  await attic.page.bringToFront();
  // The ledger's file may not grow any more: to whoever writes it the disk is full.
  const before = statSync(join(at.server.data, 'ledger.db-wal')).size;
  at.server.limitFiles(before);
  await buyAt(moor);
  await attic.sees('The courier cannot write: ');
  await attic.sees('sales are not being closed');
  await until(
    'it is gone from Threadwick',
    async () => (await (await fetch(wick)).text()).includes('It was taken down.'),
    60_000,
  );
  await attic.go('Ledger');
  await attic.sees('The courier cannot write: ');
  at.server.limitFiles(null);
  await attic.seesNot('The courier cannot write: ', 90_000);
  await attic.go('Today');
  await attic.sees('Sold on Brackenmoor for €48.00');
  await at.server.kill();
  await at.server.up();
  await attic.sees('Sold on Brackenmoor for €48.00');
});

it('a browser that stores no Blobs keeps pictures all the same, and says that nothing lasts', async () => {
  const page = await at.browser.newPage();
  await page.setViewport(PHONE);
  await page.evaluateOnNewDocument(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (value: unknown, ...key: [IDBValidKey]) {
      if (value instanceof Blob) throw new DOMException('BlobURLs are not yet supported', 'DataCloneError');
      return put.call(this, value, ...key);
    };
  });
  const attic = await Attic.on(page, at.server.address);
  await attic.sees('A private window: all of this goes when you close it.');
  await attic.openItem(TITLE);
  const shown = () =>
    page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLImageElement>('[data-picture] img')].some(
        (i) => i.naturalWidth > 100,
      ),
    );
  await shown();
  await attic.saved();
  await attic.reload();
  await shown();
  await attic.seesNot('could not be stored');
  expect(attic.complaints).toEqual([]);
});

it('of two pages one leads, and the other takes over when it is closed', async () => {
  const leading = (page: Attic['page']) =>
    page.evaluate(async () => {
      const { held = [] } = await navigator.locks.query();
      return held.filter((lock) => lock.name?.endsWith('-lead')).map((lock) => lock.clientId);
    });
  const one = await Attic.open(at, PHONE);
  const [first] = await leading(one.page);
  const two = await Attic.open(at, PHONE);
  await two.go('Stock');
  expect(await leading(two.page)).toEqual([first]);
  await one.page.close();
  await until('the other one leads', async () => {
    const [now] = await leading(two.page);
    return now !== undefined && now !== first;
  });
});
