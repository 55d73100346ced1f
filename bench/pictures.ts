import type { Page } from 'puppeteer-core';

import { Attic } from '../e2e/attic';
import { openBrowser, PHONE } from '../e2e/browser';
import { barcodePicture, garmentPicture, labelPicture, phonePicture } from '../e2e/pictures';
import { ServerProcess } from '../e2e/serverProcess';
import { segment } from '@/core/pixels/mask';
import { shrunk } from '@/core/pixels/pixels';
import { maskScaled } from '@/core/pixels/whiten';

import { gansey } from '../demo/draw/clothes';
import { photograph } from '../demo/draw/studio';
import { median, tell } from './figure';

/** The longest a finger may wait, milliseconds: the browser reports tasks from 50 ms up. */
const BLOCK = 50;

/** What was loaded and how long the page could not answer, since it was last asked. */
class Watch {
  private loaded = 0;

  private constructor(private readonly page: Page) {}

  static async on(page: Page): Promise<Watch> {
    const watch = new Watch(page);
    const session = await page.createCDPSession();
    await session.send('Network.enable');
    session.on('Network.loadingFinished', ({ encodedDataLength }) => {
      watch.loaded += encodedDataLength;
    });
    await page.evaluate(() => {
      const blocks: number[] = [];
      (window as unknown as { blocks: number[] }).blocks = blocks;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) blocks.push(entry.duration);
      }).observe({ type: 'longtask', buffered: false });
    });
    return watch;
  }

  async tell(name: string, ms: number): Promise<void> {
    const longest = await this.page.evaluate(() => {
      const own = window as unknown as { blocks: number[] };
      return Math.max(0, ...own.blocks.splice(0));
    });
    tell({ name: `${name}.time`, value: ms, unit: 'ms' });
    tell({ name: `${name}.longestBlock`, value: longest, unit: 'ms', goal: BLOCK });
    tell({ name: `${name}.bytesLoaded`, value: this.loaded, unit: 'bytes' });
    this.loaded = 0;
  }
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

/** The mask of a picture of 1 600 pixels, as the worker makes it: found at 1 000, drawn at 1 600. */
function benchMask(): void {
  const canvas = photograph(gansey, { name: 'front' }, 82, 1_600);
  const { data } = canvas.getContext('2d').getImageData(0, 0, 1_600, 1_600);
  const picture = { width: 1_600, height: 1_600, data: new Uint8ClampedArray(data) };
  const times = [0, 1, 2, 3, 4].map(() => {
    const from = performance.now();
    maskScaled(segment(shrunk(picture, 1_000)).mask, 1_600, 1_600);
    return performance.now() - from;
  });
  tell({ name: 'mask.of1600', value: median(times), unit: 'ms' });
}

/**
 * Pictures, from a phone's point of view: a 12-megapixel file examined and stored, a mask, a barcode, a label. The first
 * of each carries what has to be loaded for it.
 */
export async function benchPictures(): Promise<void> {
  const [phone, garment, code, label] = [
    await phonePicture(),
    await garmentPicture('bench.jpg', {}, 81),
    await barcodePicture('bench-code.jpg', '2001234567893'),
    await labelPicture('bench-label.jpg', ['KITTIWAKE MILLS', 'SIZE M', '85% WOOL', '15% NYLON']),
  ];
  benchMask();
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open(browser, server.address, PHONE);
    // Without the worker that keeps the app at hand, so that what is loaded is seen.
    await attic.page.setBypassServiceWorker(true);
    await attic.reload();
    await attic.page.waitForSelector('[role=main]');
    await attic.go('Intake');
    const watch = await Watch.on(attic.page);

    const store = async (file: string, words: string) => {
      await attic.choose([file]);
      await attic.sees(words);
    };
    await watch.tell('picture.first', await timed(() => store(phone, 'Saved, 1 picture')));
    await watch.tell('picture.next', await timed(() => store(phone, 'Saved, 2 pictures')));

    await store(garment, 'Saved, 3 pictures');
    await attic.press('Fill in its sheet');
    await attic.page.locator('[data-picture]:nth-child(3)').click();
    await attic.press('Clean up picture 3');
    await attic.page.waitForSelector('[data-stage] img');
    await watch.tell('mask.open', 0);
    await watch.tell('mask.whitened', await timed(async () => {
      await attic.press('White');
      await attic.sees('Kept, 1 step');
    })); // prettier-ignore
    await attic.press('Back to the sheet');

    for (const [name, file, words, n] of [
      ['barcode', code, '2001234567893', 4],
      ['label', label, 'Kittiwake Mills', 5],
    ] as const) {
      await attic.choose([file], 'Add pictures');
      await attic.page.waitForSelector(`[data-picture]:nth-child(${n})`);
      await attic.page.locator(`[data-picture]:nth-child(${n})`).click();
      await attic.saved();
      await watch.tell(`${name}.before`, 0);
      await watch.tell(`${name}.read`, await timed(async () => {
        await attic.press(`Read words in picture ${n}`);
        await attic.sees(words, 60_000);
      })); // prettier-ignore
    }
  } finally {
    await browser.close();
    await server.kill();
  }
}
