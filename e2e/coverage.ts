import type { ChildProcess } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, CDPSession, Page } from 'puppeteer-core';

/**
 * COVERAGE=folder in the environment: what runs in pages, their workers and the server is counted and written
 * there.
 */
export const COVERAGE = process.env.COVERAGE ?? null;

/** What the server is started with where it is counted. */
export const SERVER_COUNTS = COVERAGE ? ['--require', './scripts/coverage/server.cjs'] : [];

interface Script {
  url: string;
}

let written = 0;

/** Begins to count what runs in this page and in its workers; written down when the page is closed. */
export async function countPage(page: Page): Promise<void> {
  if (!COVERAGE) return;
  const sessions = new Set<CDPSession>();
  const begin = async (session: CDPSession) => {
    await session.send('Profiler.enable');
    await session.send('Profiler.startPreciseCoverage', { callCount: false, detailed: true });
    sessions.add(session);
  };
  page.on('workercreated', (worker) => {
    // One that ends at once is none to count.
    begin(worker.client).catch(() => sessions.delete(worker.client));
  });
  page.on('workerdestroyed', (worker) => sessions.delete(worker.client));
  const own = await page.createCDPSession();
  await begin(own);
  const close = page.close.bind(page);
  page.close = async (options) => {
    await Promise.all([...sessions].map(write));
    return close(options);
  };
}

async function write(session: CDPSession): Promise<void> {
  // A worker that has ended meanwhile has nothing more to tell.
  const taken = await session.send('Profiler.takePreciseCoverage').catch(() => null);
  const result = (taken?.result ?? []).filter((s: Script) => s.url.includes('/_expo/'));
  if (!COVERAGE || result.length === 0) return;
  mkdirSync(COVERAGE, { recursive: true });
  written += 1;
  writeFileSync(
    join(COVERAGE, `page-${process.pid}-${Date.now()}-${written}.json`),
    JSON.stringify({ result }),
  );
}

/** Writes down what ran in the pages of this browser; they are closed after that. */
export async function writeCounted(browser: Browser): Promise<void> {
  if (COVERAGE) for (const page of await browser.pages()) await page.close();
}

/** Before a server is killed: it writes down what ran in it. */
export async function serverWrites(child: ChildProcess): Promise<void> {
  if (!COVERAGE || !child.connected) return;
  const done = new Promise((resolve) => child.once('message', resolve));
  child.send('coverage');
  await Promise.race([done, new Promise((resolve) => child.once('exit', resolve))]);
}
