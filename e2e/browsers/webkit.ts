import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { Builder, By, Key, Origin, type WebDriver } from 'selenium-webdriver';

import { freePort, until } from '../serverProcess';
import { polling, type Evaluate } from './polling';
import type { Walked } from './walk';

const BROWSERS = ['4.1', '6.0', '4.0'].map(
  (version) =>
    `/usr/lib/${process.arch === 'arm64' ? 'aarch64' : 'x86_64'}-linux-gnu/webkit2gtk-${version}/MiniBrowser`,
);

/** WebKit as Debian has it, by WebDriver, on a screen that nobody sees. */
export const webkit: Walked = {
  name: 'WebKit',
  async open() {
    const processes: ChildProcess[] = [];
    const end = () => processes.forEach((one) => one.kill());
    try {
      const display = await screen(processes);
      const port = await freePort();
      processes.push(
        spawn('WebKitWebDriver', [`--port=${port}`, '--host=127.0.0.1'], {
          stdio: 'ignore',
          env: { ...process.env, DISPLAY: display, LIBGL_ALWAYS_SOFTWARE: '1' },
        }),
      );
      const address = `http://127.0.0.1:${port}`;
      await until('WebKit’s driver answers', () =>
        fetch(`${address}/status`).then(
          (r) => r.ok,
          () => false,
        ),
      );
      const driver = await new Builder()
        .usingServer(address)
        .withCapabilities({
          browserName: 'MiniBrowser',
          'webkitgtk:browserOptions': { binary: BROWSERS.find(existsSync), args: ['--automation'] },
        })
        .build();
      await driver.manage().window().setRect({ width: 420, height: 900 });
      const close = async () => {
        // One that is gone has nothing left to close.
        await driver.quit().catch(() => undefined);
        end();
      };
      // Only what a walk asks of a page.
      return { page: pageOf(driver) as unknown as Page, close };
    } catch (error) {
      end();
      throw error;
    }
  },
};

/** A screen in memory. @returns its name */
async function screen(processes: ChildProcess[]): Promise<string> {
  const server = spawn('Xvfb', ['-displayfd', '3', '-screen', '0', '1280x1024x24', '-nolisten', 'tcp'], {
    stdio: ['ignore', 'ignore', 'ignore', 'pipe'],
  });
  processes.push(server);
  const told = server.stdio[3];
  let name = '';
  told?.on('data', (data: Buffer) => (name += data.toString()));
  await until('there is a screen', () => name.includes('\n'));
  return `:${name.trim()}`;
}

/** What is asked of a page, in the words of the other browsers' driver. */
function pageOf(driver: WebDriver) {
  const evaluate: Evaluate = async (work, ...args) => {
    const said = typeof work === 'string' ? `() => (${work})` : work.toString();
    // Some compilers give functions their names by a helper, which pages do not have.
    const answer = (await driver.executeAsyncScript(
      `globalThis.__name ??= (made) => made;
       const [args, done] = arguments;
       Promise.resolve().then(() => (${said})(...args))
         .then((value) => done({ value }), (error) => done({ error: String(error) }));`,
      args,
    )) as { value?: unknown; error?: string };
    if (answer.error !== undefined) throw new Error(answer.error);
    return answer.value;
  };
  const waitForFunction = polling(evaluate);
  const handleOf = (selector: string) => ({
    evaluate: (work: (element: never) => unknown) =>
      evaluate(`(${work.toString()})(document.querySelector(${JSON.stringify(selector)}))`),
    uploadFile: (...files: string[]) => driver.findElement(By.css(selector)).sendKeys(files.join('\n')),
  });
  const waitForSelector = async (selector: string) => {
    await waitForFunction(`!!document.querySelector(${JSON.stringify(selector)})`);
    return handleOf(selector);
  };
  return {
    evaluate,
    waitForFunction,
    waitForSelector,
    evaluateOnNewDocument: async () => undefined,
    on: () => undefined,
    goto: (address: string) => driver.get(address),
    reload: () => driver.navigate().refresh(),
    mouse: {
      click: (x: number, y: number) =>
        driver
          .actions({ async: true })
          .move({ x: Math.round(x), y: Math.round(y), origin: Origin.VIEWPORT })
          .click()
          .perform(),
    },
    keyboard: {
      press: (key: keyof typeof Key) => driver.actions().sendKeys(keyNamed(key)).perform(),
      sendCharacter: (text: string) => driver.actions().sendKeys(text).perform(),
    },
  };
}

function keyNamed(name: string): string {
  return name === 'Backspace' ? Key.BACK_SPACE : name === 'Enter' ? Key.ENTER : name;
}
