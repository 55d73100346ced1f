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

/** What the screen says of the thing at hand: pictures drawn, and those it calls stored. */
function shownNow(page: Page): Promise<{ status: string; shown: number }> {
  return page.evaluate(() => {
    const card = document.querySelector('[aria-label="This thing"]');
    const status = card?.querySelector('[role=status]')?.textContent ?? '';
    const drawn = card?.querySelectorAll('img[alt^="Picture "]').length ?? 0;
    const stored = /^Stored; reading (?:(\d+) pictures|a picture)/u.exec(status);
    const saved = /^Saved, (\d+) /u.exec(status);
    return {
      status,
      shown: Math.max(drawn + (stored ? Number(stored[1] ?? 1) : 0), Number(saved?.[1] ?? 0)),
    };
  });
}

it('the browser killed at any moment of taking in: no picture is lost that the screen had shown, none is there twice', async () => {
  const files = await Promise.all(
    Array.from({ length: CHOSEN }, (_, i) => garmentPicture(`kill-${i}.jpg`, {}, 70 + i)),
  );
  const shownAt: number[] = [];
  let attic = await Attic.open({ server, browser }, PHONE);
  await attic.go('Intake');
  for (let round = 0; round < KILLS; round += 1) {
    await attic.sees('A new thing');
    // Spread evenly, and never twice at the same.
    const moment = (LATEST * (round + ((round * 0.618) % 1))) / KILLS;
    await attic.choose(files);
    const end = Date.now() + moment;
    let shown = 0;
    do {
      shown = Math.max(shown, (await shownNow(attic.page)).shown);
    } while (Date.now() < end);
    browser = await openBrowser([], await killBrowser(browser));

    attic = await Attic.open({ server, browser }, PHONE);
    await attic.go('Intake');
    shownAt.push(shown);
    // What was kept is worked up now; then the screen says that all of it is saved.
    const saved = async () => Number(/^Saved, (\d+) /u.exec((await shownNow(attic.page)).status)?.[1] ?? 0);
    await until(
      `after ${moment} ms, ${shown} shown, all of them are there`,
      async () => (await saved()) >= shown,
    );
    await attic.seesNot('Stored; reading');
    const there = await saved();
    expect(there).toBeLessThanOrEqual(CHOSEN);
    if (there > 0) await attic.press('Next thing');
  }
  // Some were killed before all was shown, some after.
  process.stdout.write(`killed ${KILLS} times, with ${shownAt.join(', ')} of ${CHOSEN} shown\n`);
});
