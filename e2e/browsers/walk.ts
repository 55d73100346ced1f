import type { Page } from 'puppeteer-core';

import { Attic } from '../attic';
import { fillInTheSheet, MARKETS } from '../listing';
import { fourPictures } from '../pictures';
import { buyAt, ServerProcess, until } from '../serverProcess';

/** A browser that the path is walked in. */
export interface Walked {
  name: string;
  /** Opens a page of a size like a phone's, and what closes the browser again. */
  open(): Promise<{ page: Page; close: () => Promise<void> }>;
}

/**
 * The path of one item, from its pictures to "gone elsewhere", and a day without a connection after it.
 *
 * @param tell told of each step once it is done, and how long it took
 */
export async function walk(browser: Walked, tell: (step: string, ms: number) => void): Promise<void> {
  const server = await ServerProcess.start();
  const { page, close } = await browser.open();
  let began = Date.now();
  const done = (step: string) => {
    tell(step, Date.now() - began);
    began = Date.now();
  };
  try {
    const attic = await Attic.on(page, server.address, { offline: true });
    await attic.press('Skip all of this');
    await attic.press('Begin with a picture');
    done('the app opens');
    await intake(attic);
    done('pictures are taken in');
    await sheet(attic);
    done('the sheet is filled in');
    await sendIt(attic);
    done('it is live on three marketplaces');
    await sellIt(attic, server);
    done('it is sold, and gone elsewhere');
    await withoutConnection(attic, server);
    done('it opens with no connection, and shows what was known');
    // A connection that is down on purpose is no complaint, nor is what a driver stumbles over: pages of one
    // origin are never refused a property.
    const complaints = attic.complaints.filter(
      (line) =>
        !/NetworkError|Could not connect|access control|Permission denied to access property/u.test(line),
    );
    if (complaints.length > 0) throw new Error(`the page complained:\n${complaints.join('\n')}`);
  } finally {
    await close();
    await server.kill();
  }
}

async function intake(attic: Attic): Promise<void> {
  await attic.choose(await fourPictures());
  await attic.sees('Saved, 4 pictures', 90_000);
  await attic.sees('YA-0001');
}

async function sheet(attic: Attic): Promise<void> {
  await attic.press('Fill in its sheet');
  await attic.waitFor('[role=main][aria-label="Item sheet"]');
  await fillInTheSheet(attic);
  for (const market of MARKETS) await plan(attic, market);
  await attic.openMarket('Threadwick');
  await attic.press('Own title on Threadwick');
  await attic.fill('Title on Threadwick', 'Kittiwake Mills gansey jumper, navy wool, size M');
  await attic.press('Harbour steps');
  await attic.saved();
  // All of it is there after the page is loaded anew.
  await attic.reload();
  for (const section of ['Measurements', 'Condition']) await attic.unfold(section);
  await attic.holds('Length', '68.5');
  await attic.sees('Darned, right elbow');
}

/** A press that comes late may have been given twice: a person sees that, and ticks it again. */
async function plan(attic: Attic, market: string): Promise<void> {
  const name = `List it on ${market}`;
  const isTicked = () =>
    attic.page.evaluate(
      (label) => document.querySelector(`[aria-label="${label}"]`)?.getAttribute('aria-checked') === 'true',
      name,
    );
  await until(`it is planned for ${market}`, async () => {
    if (!(await isTicked())) await attic.press(name);
    return isTicked();
  });
}

async function sendIt(attic: Attic): Promise<void> {
  await attic.press('Send to 3 marketplaces');
  for (const market of MARKETS) await attic.waitForSign(`${market}: live`, 90_000);
}

async function sellIt(attic: Attic, server: ServerProcess): Promise<void> {
  const [there] = await server.offered('brackenmoor');
  if (!there) throw new Error('nothing is offered on Brackenmoor');
  await buyAt(server.address + there);
  await attic.waitForSign('Brackenmoor: sold');
  for (const market of ['Threadwick', 'Nearstile']) await attic.waitForSign(`${market}: ended`);
  for (const market of ['threadwick', 'nearstile'])
    await until(`it is gone from ${market}`, async () => (await server.offered(market)).length === 0);
}

async function withoutConnection(attic: Attic, server: ServerProcess): Promise<void> {
  await attic.page.evaluate(async () => void (await navigator.serviceWorker.ready));
  // What is heard is gathered for a moment before it is kept.
  await attic.go('Today');
  await attic.sees('Sold on Brackenmoor for €48.00');
  await attic.page.evaluate(() => new Promise((then) => setTimeout(then, 2_000)));
  await server.kill();
  await attic.reload();
  await attic.sees('The courier can’t be reached just now');
  await attic.sees('Sold on Brackenmoor for €48.00');
  await attic.go('Stock');
  await attic.sees('Kittiwake Mills gansey jumper');
}
