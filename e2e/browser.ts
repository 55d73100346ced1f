import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import puppeteer, { type Browser } from 'puppeteer-core';

const PLACES = [
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];

/** Phone and wide views that every screen is tried at. */
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true, deviceScaleFactor: 1 };
export const WIDE = { width: 1280, height: 800, deviceScaleFactor: 1 };

/** Starts headless Chromium with an empty profile. */
export function openBrowser(extra: string[] = []): Promise<Browser> {
  const executablePath = PLACES.find(existsSync);
  if (!executablePath)
    throw new Error('Chromium is not installed: npm test installs it from Debian’s packages.');
  return puppeteer.launch({
    executablePath,
    headless: true,
    userDataDir: mkdtempSync(join(tmpdir(), 'attic-browser-')),
    args: [
      '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
      '--disable-component-update', '--disable-sync', ...extra,
    ],
  }); // prettier-ignore
}
