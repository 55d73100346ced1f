import type { Page } from 'puppeteer-core';

import { Picture, Plan, planId, Settings, Item } from '@/contract/records';
import { codeFor } from '@/core/identity/code';
import { pageOf, recordId } from '@/core/identity/recordId';
import { BUILT_IN } from '@/core/kinds/tree';

import { tell } from './figure';
import { timed, Watch } from './watch';
import { Attic } from '../e2e/attic';
import { openBrowser, PHONE } from '../e2e/browser';
import { ServerProcess } from '../e2e/serverProcess';
import { Random } from '../sim/random';

const ITEMS = 20_000;
const PICTURES_EACH = 6;
const WORDS = [
  'gansey',
  'Kittiwake',
  'wool',
  'navy',
  'lamp',
  'brass',
  'pressed',
  'glass',
  'waxed',
  'coat',
  'linen',
  'oak',
  'enamel',
  'vase',
];
const QUERY = 'kittiwake gansey navy';

/**
 * A large attic as it is stored: pages of records as JSON text, by key.
 *
 * @param marketplaces where every item is planned
 */
export function pages(count = ITEMS, marketplaces: readonly string[] = []): Record<string, string> {
  const random = new Random(7);
  const settings = Settings.parse({ id: 'settings', nextNumber: count + 1, nextRecord: count * 7 + 1 });
  const all: Record<string, Record<string, unknown>> = {};
  const put = (collection: string, id: string, record: unknown) => {
    const key = `${collection}:${pageOf(id)}`;
    (all[key] ??= {})[id] = record;
  };
  let running = 1;
  const kinds = BUILT_IN.leaves;
  for (let n = 1; n <= count; n += 1) {
    const id = recordId(running++, 'bench');
    const pictureIds = Array.from({ length: PICTURES_EACH }, () => recordId(running++, 'bench'));
    // Within the list.
    const some = () => WORDS[random.between(0, WORDS.length - 1)]!;
    const at = 1_700_000_000_000 + n * 60_000;
    const title = [some(), some(), some(), some(), some()].join(' ');
    put(
      'items',
      id,
      Item.parse({
        id,
        code: codeFor(settings.codePattern, { number: n }),
        number: n,
        // Within the list.
        kind: kinds[random.between(0, kinds.length - 1)]!.id,
        title,
        description: `${title}.\n`.repeat(6),
        facts: { brand: some(), colour: some(), material: some(), size: 'M' },
        use: 'light',
        measurements: { chest: 540, length: 680 },
        cost: 600,
        price: 1_000 + random.between(0, 9_000),
        spot: `A${random.between(1, 40)}-${random.between(1, 40)}`,
        pictureIds,
        author: 'Me',
        createdAt: at,
        updatedAt: at,
      }),
    );
    for (const market of marketplaces)
      put(
        'plans',
        planId(id, market),
        Plan.parse({ id: planId(id, market), itemId: id, market, wanted: true }),
      );
    for (const picture of pictureIds)
      put(
        'pictures',
        picture,
        Picture.parse({
          id: picture,
          itemId: id,
          origin: 'file',
          author: 'Me',
          addedAt: at,
          width: 1_600,
          height: 1_600,
          bytes: 300_000,
        }),
      );
  }
  return {
    ...Object.fromEntries(Object.entries(all).map(([key, page]) => [key, JSON.stringify(page)])),
    settings: JSON.stringify(settings),
  };
}

/** Puts the pages where the app looks for them, a few at a time. */
export async function fill(page: Page, entries: [string, string][]): Promise<void> {
  for (let at = 0; at < entries.length; at += 20)
    await page.evaluate(
      async (some) => {
        const [found] = (await indexedDB.databases()).filter((d) => d.name?.includes('attic-'));
        const db = await new Promise<IDBDatabase>((done, fail) => {
          const open = indexedDB.open(found?.name ?? '');
          open.onsuccess = () => done(open.result);
          open.onerror = () => fail(new Error('the attic’s storage did not open'));
        });
        const table = db.objectStoreNames[0] ?? '';
        await new Promise<void>((done, fail) => {
          const writing = db.transaction(table, 'readwrite');
          for (const [key, text] of some) writing.objectStore(table).put(text, key);
          writing.oncomplete = () => done();
          writing.onerror = () => fail(new Error('the pages were not stored'));
        });
        db.close();
      },
      entries.slice(at, at + 20),
    );
}

/** An attic of 20,000 items with 120,000 pictures' records: opening, searching, scrolling, changing many. */
export async function benchStock(): Promise<void> {
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, PHONE);
    await attic.go('Stock');
    await fill(attic.page, Object.entries(pages()));
    // Nothing may be written over what was just put there.
    await attic.page.goto('about:blank');
    const open = await timed(async () => {
      await attic.page.goto(`${server.address}/stock`);
      await attic.sees(`${ITEMS} items`, 120_000);
    });
    tell({ name: 'stock.coldOpen', value: open, unit: 'ms' });
    const watch = await Watch.on(attic.page);
    await watch.tell('stock.settling', await timed(() => new Promise((done) => setTimeout(done, 3_000))));
    await watch.tell('stock.keystroke95th', await keystroke95th(attic));
    await attic.fill('Search', '');
    await attic.sees(`${ITEMS} items`);
    await watch.longest();
    const blank = await blankFrames(attic.page);
    tell({ name: 'stock.scrollFramesWithoutRows', value: blank, unit: 'share', goal: 0.02 });
    tell({ name: 'stock.scroll.longestBlock', value: await watch.longest(), unit: 'ms', goal: 50 });
    for (const [order, first] of [
      ['Newest first', 'By title'],
      ['By title', 'By spot'],
      ['By spot', 'Dearest first'],
    ] as const) {
      await attic.press('Put them in another order');
      await attic.press(first, '[aria-label="Order"]');
      await attic.seesNot(order);
    }
    tell({ name: 'stock.sort.longestBlock', value: await watch.longest(), unit: 'ms', goal: 50 });
    await attic.press('Not listed');
    await attic.sees(`${ITEMS} items`);
    await attic.press('All');
    tell({ name: 'stock.filter.longestBlock', value: await watch.longest(), unit: 'ms', goal: 50 });
    await attic.fill('Search', 'kittiwake brass');
    await attic.press('Select');
    const many = Number(/(\d+) items/u.exec(await attic.text())?.[1] ?? 0);
    await attic.press(`All ${many}`);
    await attic.press('Spot');
    await attic.fill('Spot', 'Box 9');
    await watch.longest();
    const bulk = await timed(async () => {
      await attic.page
        .locator('::-p-xpath(//*[@role="button"][starts-with(., "Change ")][contains(., "items")])')
        .click();
      await attic.sees('items changed.');
    });
    tell({ name: 'stock.bulkItems', value: many, unit: 'items' });
    await watch.tell('stock.bulkPer1000', (bulk / many) * 1_000);
    const { JSHeapUsedSize = 0 } = await attic.page.metrics();
    tell({ name: 'stock.memory', value: JSHeapUsedSize / 1e6, unit: 'MB' });
  } finally {
    await browser.close();
    await server.kill();
  }
}

/** From a key to the list it leads to being drawn; the 95th percentile. */
async function keystroke95th(attic: Attic): Promise<number> {
  await attic.page.locator('input[aria-label="Search"]').click();
  await attic.page.evaluate(() => {
    const took: number[] = [];
    Object.assign(window, { took });
    document.querySelector('input[aria-label="Search"]')?.addEventListener(
      'keydown',
      () => {
        const from = performance.now();
        requestAnimationFrame(() => setTimeout(() => took.push(performance.now() - from)));
      },
      true,
    );
  });
  // Letters of the query: all of them keys.
  for (const key of QUERY) await attic.page.keyboard.press(key as 'a', { delay: 30 });
  // Put there by the lines above.
  const took = await attic.page.evaluate(() => (window as unknown as { took: number[] }).took);
  return took.sort((a, b) => a - b)[Math.floor(took.length * 0.95)] ?? NaN;
}

/** Flings through the list: the share of frames in which the middle of the page shows no row. */
export async function blankFrames(page: Page): Promise<number> {
  return page.evaluate(async () => {
    const scroller = document.querySelector<HTMLElement>('[role=main]');
    if (!scroller) return 1;
    let blank = 0;
    const frames = 120;
    for (let n = 0; n < frames; n += 1) {
      scroller.scrollTop += 900;
      await new Promise((done) => requestAnimationFrame(done));
      const box = scroller.getBoundingClientRect();
      // The gap between two rows is no blank: one of two places further apart than a gap has a row.
      const hasRow = [0, 20].some((down) =>
        document
          .elementFromPoint(box.left + box.width / 2, box.top + box.height / 2 + down)
          ?.closest('[role=listitem], [role=row]'),
      );
      if (!hasRow) blank += 1;
    }
    return blank / frames;
  });
}
