import type { Browser, Page } from 'puppeteer-core';

import { Attic } from './attic';
import { closeBrowser, killBrowser, openBrowser, PHONE } from './browser';
import { garmentPicture } from './pictures';
import { ServerProcess, until } from './serverProcess';

/** KILLS=50 in the environment: so often; each is another moment. */
const KILLS = Number(process.env.KILLS ?? 4);
/** The latest moment, milliseconds after the pictures were chosen. */
const LATEST = 2_500;
const CHOSEN = 4;

let server: ServerProcess;
let browser: Browser;
beforeAll(async () => {
  server = await ServerProcess.start();
  browser = await openBrowser();
});
afterAll(async () => {
  await closeBrowser(browser);
  await server?.kill();
});

/** What the screen says of the item at hand: pictures drawn, and those it calls stored. */
function shownNow(page: Page): Promise<{ status: string; shown: number; drawn: number }> {
  return page.evaluate(() => {
    const card = document.querySelector('[aria-label="This item"]');
    const status = card?.querySelector('[role=status]')?.textContent ?? '';
    const images = [...(card?.querySelectorAll<HTMLImageElement>('img[alt^="Picture "]') ?? [])];
    const drawn = images.filter((img) => img.naturalWidth > 0).length;
    const stored = /^Stored; reading (?:(\d+) pictures|a picture)/u.exec(status);
    const saved = /^Saved, (\d+) /u.exec(status);
    return {
      status,
      drawn,
      shown: Math.max(drawn + (stored ? Number(stored[1] ?? 1) : 0), Number(saved?.[1] ?? 0)),
    };
  });
}

/**
 * Reloads the page the moment it says that so many are pictures: they are records by then, and hardly stored.
 */
async function reloadOnceSaid(page: Page, pictures: number): Promise<void> {
  const there = page.waitForNavigation();
  await page.evaluate((most) => {
    const look = () => {
      const status = document.querySelector('[aria-label="This item"] [role=status]')?.textContent ?? '';
      const left = /^Stored; reading (?:(\d+) pictures|a picture)/u.exec(status);
      if (left ? Number(left[1] ?? 1) <= most : /^Sav/u.test(status)) location.reload();
      else requestAnimationFrame(look);
    };
    look();
  }, CHOSEN - pictures);
  await there;
}

/** What the browser has stored, by database: it tells a lost picture from a lost note of what is at hand. */
function keptBy(page: Page): Promise<Record<string, unknown>> {
  return page.evaluate(async () => {
    const answer = <T>(request: IDBRequest<T>) =>
      new Promise<T>((done, fail) => {
        request.onsuccess = () => done(request.result);
        request.onerror = () => fail(request.error ?? new Error('no answer'));
      });
    const kept: Record<string, unknown> = {};
    for (const { name = '' } of await indexedDB.databases()) {
      const database = await answer(indexedDB.open(name));
      for (const store of database.objectStoreNames)
        kept[`${name}/${store}`] = await answer(database.transaction(store).objectStore(store).getAllKeys());
      database.close();
    }
    return kept;
  });
}

it('killed or reloaded at any moment of taking in: no picture shown is lost, none is twice', async () => {
  const files = await Promise.all(
    Array.from({ length: CHOSEN }, (_, i) => garmentPicture(`kill-${i}.jpg`, {}, 70 + i)),
  );
  const shownAt: number[] = [];
  let attic = await Attic.open({ server, browser }, PHONE);
  await attic.go('Intake');
  for (let round = 0; round < KILLS; round += 1) {
    await attic.sees('A new item');
    // Spread evenly, and never twice at the same.
    const moment = (LATEST * (round + ((round * 0.618) % 1))) / KILLS;
    await attic.choose(files);
    let shown = 0;
    // A page that is reloaded has time to note down what it did, but not to store pictures.
    if (round % 2 === 1) {
      shown = 1 + (((round - 1) / 2) % CHOSEN);
      await reloadOnceSaid(attic.page, shown);
    } else {
      const end = Date.now() + moment;
      do {
        shown = Math.max(shown, (await shownNow(attic.page)).shown);
      } while (Date.now() < end);
      browser = await openBrowser([], await killBrowser(browser));
      attic = await Attic.open({ server, browser }, PHONE);
    }
    await attic.go('Intake');
    shownAt.push(shown);
    // What was kept is worked up now; then the screen says that all of it is saved.
    let there = 0;
    let now = { status: '', shown: 0, drawn: 0 };
    await until(`after ${moment} ms, ${shown} shown, all of them are there with their bytes`, async () => {
      now = await shownNow(attic.page);
      there = Number(/^Saved, (\d+) /u.exec(now.status)?.[1] ?? 0);
      return there >= shown && now.drawn === there && !/reading|Saving/u.test(now.status);
    }).catch(async (error: unknown) => {
      const kept = JSON.stringify(await keptBy(attic.page));
      throw new Error(`${String(error)}: ${JSON.stringify(now)}, stored ${kept}`);
    });
    expect(there).toBeLessThanOrEqual(CHOSEN);
    if (there > 0) await attic.press('Next item');
  }
  // Some were killed before all was shown, some after.
  process.stdout.write(`killed and reloaded ${KILLS} times, with ${shownAt.join(', ')} of ${CHOSEN} shown\n`);
});
