import { tell } from './figure';
import { blankFrames, fill, pages } from './stock';
import { timed, Watch } from './watch';
import { Attic } from '../e2e/attic';
import { openBrowser, WIDE } from '../e2e/browser';
import { ServerProcess, until } from '../e2e/serverProcess';

const ITEMS = 2_000;
const CHECKED = 1_000;
const MARKETS = [
  'brackenmoor',
  'threadwick',
  'nearstile',
  'oldhollow',
  'quirestack',
  'lanternyard',
  'handbill',
];

/** The crosslist view of 2,000 items planned on seven marketplaces: checking in the worker, scrolling. */
export async function benchCrosslist(): Promise<void> {
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, WIDE);
    await attic.go('Stock');
    await fill(attic.page, Object.entries(pages(ITEMS, MARKETS)));
    await attic.page.goto('about:blank');
    await attic.page.goto(`${server.address}/stock`);
    await attic.sees(`${ITEMS} items`, 120_000);
    const watch = await Watch.on(attic.page);
    await new Promise((done) => setTimeout(done, 3_000));
    await watch.longest();
    const all = await timed(async () => {
      await attic.press('Crosslist');
      await attic.sees('to put right', 60_000);
      await until('all are checked', async () => !(await attic.text()).includes('checking…'), 180_000);
    });
    tell({ name: 'check.worker.per1000Items', value: (all / ITEMS) * CHECKED, unit: 'ms for 7000' });
    tell({ name: 'check.worker.longestBlock', value: await watch.longest(), unit: 'ms', goal: 50 });
    const blank = await blankFrames(attic.page);
    tell({ name: 'crosslist.scrollFramesWithoutRows', value: blank, unit: 'share', goal: 0.02 });
    tell({ name: 'crosslist.scroll.longestBlock', value: await watch.longest(), unit: 'ms', goal: 50 });
  } finally {
    await browser.close();
    await server.kill();
  }
}
