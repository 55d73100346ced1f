import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';

import { openBrowser, PHONE, WIDE } from '../e2e/browser';
import { garmentPicture, itemPicture, labelPicture, phonePicture, whiteboardPicture } from '../e2e/pictures';
import { showing } from '../e2e/testServer';
import { catalogue } from '../server/standins/indexhall/catalogue';

/**
 * Pictures of the main views, from the demo that is running:
 * `tsx scripts/screenshots.ts [folder] [name ...]`.
 */
const ADDRESS = 'http://127.0.0.1:8417';
const folder = process.argv[2] ?? 'docs/screenshots';
const only = process.argv.slice(3);

const item = async (page: Page, title: string, section?: string) => {
  await page.goto(`${ADDRESS}/stock`);
  await page.locator('input[aria-label="Search"]').fill(title);
  await page.locator(`:is([role=listitem], [role=row]) ::-p-text(${title})`).click();
  await page.waitForSelector('[aria-label="Item sheet"]');
  // What is said of its pictures takes a moment.
  await page.waitForFunction(() => !/Not looked at yet|Comparing it/u.test(document.body.innerText));
  if (section) {
    // The lower parts of a sheet follow a moment later.
    const found = await page.waitForSelector(`#sheet-${section}`);
    await found?.evaluate((part) => part.scrollIntoView({ block: 'start' }));
  }
};

const ledger = async (page: Page) => {
  await page.goto(`${ADDRESS}/ledger?view=parts`);
  await page.locator('::-p-aria(Tax year)').click();
  await page.waitForSelector('::-p-text(By marketplace)');
};

const cleaned = async (page: Page) => {
  await item(page, 'Kittiwake Mills');
  await page.locator('[data-picture]:nth-child(1)').click();
  await page.locator('::-p-aria(Clean up picture 1)').click();
  await page.waitForSelector('[data-stage] img');
  for (const [tool, words] of [
    ['White', 'Kept, 1 step'],
    ['Square', 'Kept, 2 steps'],
  ] as const) {
    await page.locator(`::-p-aria(${tool})`).click();
    await page.waitForSelector(`::-p-text(${words})`);
  }
};

const VIEWS: { name: string; wide?: boolean; open: (page: Page) => Promise<unknown> }[] = [
  {
    name: 'today',
    open: async (page) => {
      await page.goto(`${ADDRESS}/`);
      await page.waitForSelector('::-p-text(received)');
    },
  },
  { name: 'intake', open: (page) => page.goto(`${ADDRESS}/intake`) },
  { name: 'stock', open: (page) => page.goto(`${ADDRESS}/stock`) },
  {
    name: 'sales',
    open: async (page) => {
      await page.goto(`${ADDRESS}/sales`);
      // A year of sales is laid out first.
      await page.waitForSelector('::-p-text(After the sale), ::-p-text(Messages and offers)');
    },
  },
  { name: 'ledger-wide', wide: true, open: ledger },
  { name: 'item', open: (page) => item(page, 'Kittiwake Mills') },
  {
    name: 'to-look-at',
    open: async (page) => {
      await page.goto(`${ADDRESS}/to-look-at`);
      await page.waitForSelector('::-p-text(would be refused)');
    },
  },
  {
    name: 'says',
    open: async (page) => {
      await page.goto(`${ADDRESS}/intake`);
      // What the camera took before is an item of its own.
      const next = await page.$('::-p-aria(Next item)');
      await next?.click();
      const files = await page.waitForSelector('input[type=file][aria-label="Choose pictures: files"]');
      // What files are chosen with is an input.
      await (files as ElementHandle<HTMLInputElement>).uploadFile(
        await phonePicture(),
        await labelPicture('says-label.jpg', ['KITTIWAKE MILLS', 'SIZE M', '85% WOOL', '15% NYLON']),
        await whiteboardPicture('says-board.jpg', ['PIT TO PIT 54', '740 g', 'small hole cuff']),
        await garmentPicture('says-back.jpg', { side: 'back' }, 2),
      );
      await page.waitForSelector('::-p-text(Saved, 4 pictures)');
      await page.waitForFunction(() => !document.body.innerText.includes('Looking at'));
      await page.locator('::-p-aria(What the pictures say)').click();
      await page.locator('::-p-aria(Jumper)').click();
      await page.waitForSelector('::-p-text(read plainly)');
    },
  },
  {
    name: 'scanning',
    open: async (page) => {
      await page.goto(`${ADDRESS}/scanning`);
      await page.locator('::-p-aria(Begin a batch)').click();
      await page.locator('::-p-aria(What all begin with)').click();
      await page.locator('::-p-aria(Share of the price new)').click();
      await page.locator('::-p-aria(Enough of that)').click();
      for (const { code } of catalogue().slice(20, 25)) {
        await page.keyboard.type(code, { delay: 2 });
        await page.keyboard.press('Enter');
        await page.waitForSelector(`::-p-text(${code})`);
      }
      await page.waitForSelector('::-p-text(5 items)');
      await page.waitForSelector('[data-row] img');
    },
  },
  { name: 'clean-up', open: (page) => cleaned(page) },
  {
    name: 'measure',
    open: async (page) => {
      await item(page, 'Kittiwake Mills');
      await page.locator('[data-picture]:nth-child(5)').click();
      await page.locator('::-p-aria(Measure in picture 5)').click();
      await page.locator('::-p-aria(A4 sheet)').click();
      await page.waitForSelector('::-p-text(A4 sheet found)');
      for (const line of ['Pit to pit', 'Length']) {
        await page.locator(`::-p-aria(${line})`).click();
        await page.waitForSelector(`::-p-aria(${line} lies right)`);
      }
      await page.locator('::-p-aria(Pit to pit lies right)').click();
    },
  },
  {
    name: 'crosslist',
    wide: true,
    open: async (page) => {
      await page.goto(`${ADDRESS}/crosslist`);
      await page.waitForSelector('::-p-text(to send)');
    },
  },
  {
    name: 'outgoing',
    open: async (page) => {
      await page.goto(`${ADDRESS}/stock`);
      await page.locator('input[aria-label="Search"]').fill('enamel');
      await page.locator('::-p-aria(Select)').click();
      await page.locator('::-p-xpath(//*[@role="button" and starts-with(., "All ")])').click();
      await page.locator('::-p-aria(List on…)').click();
      await page.waitForFunction(() => /\d+ go/u.test(document.body.innerText));
    },
  },
  {
    name: 'talks',
    open: async (page) => {
      await page.goto(`${ADDRESS}/talks`);
      await page.waitForSelector('::-p-text(Imke offers)');
    },
  },
  { name: 'packing', open: (page) => page.goto(`${ADDRESS}/packing`) },
  {
    name: 'sourcing',
    open: async (page) => {
      await page.goto(`${ADDRESS}/buying`);
      const input = await page.waitForSelector('input[type=file][aria-label="Photograph it: files"]');
      // The selector says so.
      await (input as ElementHandle<HTMLInputElement>).uploadFile(await itemPicture('boots', 4_243));
      await page.waitForSelector('[role=listitem] img');
      await page.waitForSelector('::-p-text(Pay at most)');
    },
  },
  {
    name: 'bring-in',
    open: async (page) => {
      await page.goto(`${ADDRESS}/bring-in`);
      await page.locator('::-p-aria(Look what is listed)').click();
      await page.waitForSelector('::-p-text(the same picture)');
    },
  },
  { name: 'stock-wide', wide: true, open: (page) => page.goto(`${ADDRESS}/stock`) },
  { name: 'item-wide', wide: true, open: (page) => item(page, 'Kittiwake Mills') },
];

async function main(): Promise<void> {
  mkdirSync(folder, { recursive: true });
  const scene = await garmentPicture('screenshots.mjpeg', {}, 11);
  const browser = await openBrowser(showing(scene));
  const page = await browser.newPage();
  page.on('pageerror', (error) => console.error('page:', error));
  page.on('console', (m) => m.type() === 'error' && console.error('console:', m.text()));
  await page.setViewport(PHONE);
  await page.goto(ADDRESS);
  await page.waitForSelector('[role=main]');
  // In a fresh profile the demo's pictures come in first.
  await page.waitForNetworkIdle({ concurrency: 1, idleTime: 2_000, timeout: 180_000 });
  for (const view of VIEWS) {
    if (only.length > 0 && !only.includes(view.name)) continue;
    await page.setViewport(view.wide ? WIDE : PHONE);
    await view.open(page);
    await page.waitForNetworkIdle({ concurrency: 1, idleTime: 700, timeout: 8_000 }).catch(() => undefined);
    // Ends in .png, as can be seen.
    await page.screenshot({ path: join(folder, `${view.name}.png`) as `${string}.png` });
  }
  await browser.close();
}

void main();
