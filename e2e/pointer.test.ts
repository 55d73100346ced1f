import type { Browser, Page } from 'puppeteer-core';

import { closeBrowser, openBrowser, PHONE } from './browser';
import { pressOn } from './pointer';

let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await openBrowser();
  page = await browser.newPage();
  await page.setViewport(PHONE);
});
afterAll(() => closeBrowser(browser));

/** Shows these things; what presses the one of this selector is counted. */
const show = (things: string, counted: string) =>
  page.setContent(
    `${things}<output></output><script>{
      let presses = 0;
      document.querySelector('${counted}').onclick = () =>
        (document.querySelector('output').textContent = ++presses);
      // As a picture does that comes in just then.
      const comesIn = () => (document.querySelector('i').style.display = 'block');
      addEventListener('pointerdown', comesIn, { once: true });
    }</script>`,
  );
const presses = () => page.$eval('output', (e) => e.textContent);

it('presses again where a button moved away between down and up', async () => {
  await show('<main><i style="display:none;height:300px"></i><button>Pass over</button></main>', 'button');
  await pressOn(page, { name: 'Pass over' });
  expect(await presses()).toBe('1');
});

it('presses once what lies beneath something around it that takes its presses', async () => {
  const beneath = '<button style="pointer-events:none">Both</button>';
  await show(`<p style="padding:20px">${beneath}, said of all <i></i></p>`, 'p');
  await pressOn(page, { name: 'Both' });
  expect(await presses()).toBe('1');
});
