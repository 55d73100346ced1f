import type { Page } from 'puppeteer-core';

import { tell } from './figure';

/** The longest a finger may wait, milliseconds: the browser reports tasks from 50 ms up. */
const BLOCK = 50;

/** How long the page could not answer a finger, since it was last asked. */
export class Watch {
  private constructor(private readonly page: Page) {}

  static async on(page: Page): Promise<Watch> {
    await page.evaluate(() => {
      const blocks: number[] = [];
      // Kept on the page, by this file alone.
      (window as unknown as { blocks: number[] }).blocks = blocks;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) blocks.push(entry.duration);
      }).observe({ type: 'longtask', buffered: false });
    });
    return new Watch(page);
  }

  async longest(): Promise<number> {
    return this.page.evaluate(() => {
      // Kept on the page, by this file alone.
      const own = window as unknown as { blocks: number[] };
      return Math.max(0, ...own.blocks.splice(0));
    });
  }

  async tell(name: string, ms: number): Promise<void> {
    tell({ name: `${name}.time`, value: ms, unit: 'ms' });
    tell({ name: `${name}.longestBlock`, value: await this.longest(), unit: 'ms', goal: BLOCK });
  }
}

export async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}
