import { openBrowser, PHONE } from '../e2e/browser';
import { Attic } from '../e2e/attic';
import { phonePicture } from '../e2e/pictures';
import { ServerProcess } from '../e2e/serverProcess';
import { median, tell } from './figure';

const ROUNDS = 5;

/** A 12-megapixel picture from file to stored, and the longest time the page could not answer a finger. */
export async function benchPicture(): Promise<void> {
  const file = await phonePicture();
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open(browser, server.address, PHONE);
    await attic.go('Intake');
    await attic.page.evaluate(() => {
      const blocks: number[] = [];
      (window as unknown as { blocks: number[] }).blocks = blocks;
      // The browser reports tasks from 50 ms up; shorter ones are no block.
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) blocks.push(entry.duration);
      }).observe({ type: 'longtask', buffered: false });
    });
    // The first one also starts the worker.
    const times: number[] = [];
    for (let round = 1; round <= ROUNDS; round += 1) {
      const from = performance.now();
      await attic.choose([file]);
      await attic.sees(round === 1 ? 'Saved, 1 picture' : `Saved, ${round} pictures`);
      times.push(performance.now() - from);
    }
    const blocks = await attic.page.evaluate(() => (window as unknown as { blocks: number[] }).blocks);
    tell({ name: 'picture.firstStored', value: times[0] ?? NaN, unit: 'ms' });
    tell({ name: 'picture.stored', value: median(times.slice(1)), unit: 'ms' });
    tell({ name: 'picture.longestBlock', value: Math.max(0, ...blocks), unit: 'ms', goal: 50 });
  } finally {
    await browser.close();
    await server.kill();
  }
}
