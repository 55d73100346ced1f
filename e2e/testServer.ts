import type { Browser } from 'puppeteer-core';

import { closeBrowser, openBrowser } from './browser';
import { ServerProcess } from './serverProcess';

/** The real server and a browser, for the tests of a file. */
export interface TestServer {
  server: ServerProcess;
  browser: Browser;
}

/**
 * Opens them before the tests and closes them afterwards.
 *
 * @param afresh for each test, not once for all
 * @param scene draws what the browser's camera shows
 * @param world writes the world the app begins with; left out, the attic is empty
 */
export function startTestServer({
  afresh = false,
  scene,
  world,
}: {
  afresh?: boolean;
  scene?: () => Promise<string>;
  world?: () => Promise<string>;
} = {}) {
  const opened: Partial<TestServer> = {};
  (afresh ? beforeEach : beforeAll)(async () => {
    opened.server = await ServerProcess.start(world ? await world() : null);
    opened.browser = await openBrowser(scene ? showing(await scene()) : []);
  });
  (afresh ? afterEach : afterAll)(async () => {
    if (opened.browser) await closeBrowser(opened.browser);
    await opened.server?.kill();
  });
  return opened as TestServer;
}

/** How a browser is told that its camera shows this picture. */
export function showing(scene: string): string[] {
  return [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-video-capture=${scene}`,
  ];
}
