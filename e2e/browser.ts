import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser } from 'puppeteer-core';

import { writeCounted } from './coverage';

/** `VISIBLE=1` shows the browser, for whoever wants to watch a test; that needs the one with windows. */
const VISIBLE = process.env.VISIBLE === '1';
const PLACES = [
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];

/** Phone and wide views that every screen is tried at. */
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true, deviceScaleFactor: 1 };
export const WIDE = { width: 1280, height: 800, deviceScaleFactor: 1 };

/** What a browser keeps of scripts it has compiled, in its profile. */
const COMPILED = ['Cache', 'Code Cache'];
/** Where it is kept from one browser to the next, as long as they fetch the app from the same port. */
const KEPT = join(tmpdir(), `attic-compiled-${process.ppid}-${process.env.JEST_WORKER_ID ?? '0'}`);
const profiles = new WeakMap<Browser, string>();

/**
 * Starts headless Chromium with a profile that is empty but for scripts compiled before: a page starts twice
 * as fast.
 *
 * @param left the profile of one that was killed, with all it had stored
 */
export async function openBrowser(extra: string[] = [], left?: string): Promise<Browser> {
  const executablePath = PLACES.slice(VISIBLE ? 1 : 0).find(existsSync);
  if (!executablePath)
    throw new Error('Chromium is not installed: npm test installs it from Debian’s packages.');
  const userDataDir = left ?? mkdtempSync(join(tmpdir(), 'attic-browser-'));
  if (!left && existsSync(KEPT)) cpSync(KEPT, join(userDataDir, 'Default'), { recursive: true });
  const browser = await puppeteer.launch({
    executablePath,
    headless: !VISIBLE,
    userDataDir,
    // What is waited for has a limit of its own, and its own words.
    protocolTimeout: 0,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      ...extra,
    ],
  });
  profiles.set(browser, userDataDir);
  return browser;
}

/** Ends the browser as a dead battery does: nothing is said, nothing is finished. @returns its profile */
export async function killBrowser(browser: Browser): Promise<string> {
  const main = browser.process();
  const gone = new Promise((done) => main?.once('exit', done));
  // All its processes are of one group; one that lived on would keep the store locked.
  if (main?.pid) process.kill(-main.pid, 'SIGKILL');
  await gone;
  const profile = profiles.get(browser) ?? '';
  // The mark that a browser has it open.
  for (const mark of ['SingletonLock', 'SingletonSocket', 'SingletonCookie'])
    rmSync(join(profile, mark), { force: true });
  return profile;
}

/** Closes the browser; what ran in its pages is written down first where that is wanted. */
export async function closeBrowser(browser: Browser): Promise<void> {
  await writeCounted(browser);
  await browser.close();
  const profile = profiles.get(browser);
  if (!profile) return;
  rmSync(KEPT, { recursive: true, force: true });
  for (const part of COMPILED)
    if (existsSync(join(profile, 'Default', part)))
      cpSync(join(profile, 'Default', part), join(KEPT, part), { recursive: true });
  // A process of the browser may write its last words still.
  rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 50 });
}
