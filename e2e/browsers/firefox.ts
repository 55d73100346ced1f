import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Page } from 'puppeteer-core';

import { polling, type Evaluate } from './polling';
import type { Walked } from './walk';

/** Firefox ESR, by WebDriver BiDi. */
export const firefox: Walked = {
  name: 'Firefox ESR',
  async open() {
    const browser = await puppeteer.launch({
      browser: 'firefox',
      executablePath: '/usr/bin/firefox-esr',
      headless: true,
      // The size of a view is not among what this version can be told; that of its window is.
      defaultViewport: null,
      args: ['--width=420', '--height=940'],
      userDataDir: mkdtempSync(join(tmpdir(), 'attic-firefox-')),
    });
    const page = await browser.newPage();
    page.setDefaultTimeout(90_000);
    const evaluate: Evaluate = (work, ...args) => page.evaluate(work as string, ...args);
    // As it is called by what walks: nobody looks at what comes of it.
    page.waitForFunction = polling(evaluate) as unknown as Page['waitForFunction'];
    // Text in one go is not among what it can be told: it is typed.
    page.keyboard.sendCharacter = (text) => page.keyboard.type(text);
    return { page, close: () => browser.close() };
  },
};
