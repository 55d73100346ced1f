import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';

import { countPage } from './coverage';
import { injectLatency, patience } from './injectLatency';
import { pressOn } from './pointer';
import { until } from './serverProcess';
import type { TestServer } from './testServer';

/** How often a page that still moves is waited for again. */
const ROUNDS = 4;

export interface OpenOptions {
  /** The app is kept for when there is no connection. */
  offline?: boolean;
}

/** The app in a page, in the words of the person who uses it. Items are found by role and name. */
export class Attic {
  /** Whatever the page complained about; a test ends by looking. */
  readonly complaints: string[] = [];
  /** What it cost the person so far. */
  taps = 0;
  typed = 0;

  private constructor(readonly page: Page) {}

  static async open(
    { server, browser }: TestServer,
    viewport: Parameters<Page['setViewport']>[0],
    options: OpenOptions = {},
  ): Promise<Attic> {
    const page = await browser.newPage();
    page.setDefaultTimeout(patience(30_000));
    await page.setViewport(viewport);
    return Attic.on(page, server.address, options);
  }

  /** The app in a page that somebody has got ready. */
  static async on(page: Page, address: string, { offline = false }: OpenOptions = {}): Promise<Attic> {
    // Some compilers give functions their names by a helper, which pages do not have.
    await page.evaluateOnNewDocument('globalThis.__name ??= (made) => made');
    // Keeping the app for a day without a connection costs a second of work, which only tests of such days
    // need.
    if (!offline)
      await page.evaluateOnNewDocument(
        'navigator.serviceWorker.register = () => Promise.reject(new Error("not in this test"))',
      );
    await injectLatency(page);
    await countPage(page);
    const attic = new Attic(page);
    page.on('pageerror', (error) => attic.complaints.push(String(error)));
    page.on('console', (message) => {
      const text = message.text();
      // A courier that is down on purpose is no complaint.
      if (
        message.type() === 'error' &&
        !/ERR_CONNECTION_REFUSED|ERR_INCOMPLETE_CHUNKED|net::ERR|status of 503/u.test(text)
      )
        attic.complaints.push(text);
    });
    await page.goto(address);
    await page.waitForSelector('[role=main]');
    return attic;
  }

  async go(place: 'Today' | 'Intake' | 'Stock' | 'Sales' | 'Ledger'): Promise<void> {
    await pressOn(this.page, { selector: `[role=navigation] [role=link][aria-label^="${place}"]` });
    await this.page.waitForSelector(`[role=main][aria-label="${place}"]`);
  }

  /** To Intake for another item: it remembers the one that was at hand. */
  async beginItem(): Promise<void> {
    await this.go('Intake');
    await this.page.waitForSelector('[aria-label="This item"]');
    if (await this.page.$('::-p-aria(Next item)')) await this.press('Next item');
    await this.sees('A new item');
  }

  /**
   * Goes to an address of the app as its links do: the app is not started anew, which costs a second each
   * time.
   */
  async visit(path: string): Promise<void> {
    await this.page.evaluate((to) => {
      document.querySelector('[role=main]')?.setAttribute('data-left', '');
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, path);
    await this.page.waitForSelector('[role=main]:not([data-left])');
  }

  /** Presses what has this name: a button, chip or link. */
  async press(name: string, within = ''): Promise<void> {
    this.taps += 1;
    await pressOn(this.page, { name, ...(within ? { within } : {}) });
  }

  /** Opens a section or a marketplace's card, where it is folded. */
  async unfold(name: string): Promise<void> {
    const head = `[aria-expanded][aria-label="${name}"]`;
    await this.page.waitForSelector(head);
    const isFolded = () => this.page.$eval(head, (e) => e.getAttribute('aria-expanded') === 'false');
    if (!(await isFolded())) return;
    this.taps += 1;
    await until(`“${name}” is open`, async () => {
      if (await isFolded()) await pressOn(this.page, { selector: head });
      return !(await isFolded());
    });
  }

  /** Opens the card of a marketplace. */
  async openMarket(name: string): Promise<void> {
    await this.unfold(`${name}, all of it`);
  }

  /** As a scanner does: into the field of that name, and Enter; no tap and no key of the person's. */
  async scan(label: string, text: string): Promise<void> {
    await this.page.locator(`input[aria-label="${label}"]`).click();
    await this.page.keyboard.type(text);
    await this.page.keyboard.press('Enter');
  }

  /** Buys a parcel’s label. A carrier of a busy machine may not answer in time: a person asks again. */
  async buyLabel(): Promise<void> {
    for (let paid = false; !paid;) {
      await this.press('Buy its label');
      const said = await this.page.waitForFunction(
        () => /Postage paid: €|No answer in time/u.exec(document.body.innerText)?.[0],
      );
      paid = (await said.jsonValue()) !== 'No answer in time';
    }
  }

  async fill(label: string, text: string): Promise<void> {
    this.taps += 1;
    this.typed += text.length;
    // Cells of a table that nobody writes in are no fields.
    const field = `:is(input:not([readonly]), textarea)[aria-label^="${label}"]`;
    const inIt = (act: 'select' | 'blur') =>
      this.page.evaluate(
        (selector, what) => {
          const element = document.querySelector<HTMLInputElement>(selector);
          element?.[what]();
          return element !== null;
        },
        field,
        act,
      );
    for (let begun = true; begun;) {
      await pressOn(this.page, { selector: field });
      if (!(await inIt('select'))) continue;
      await this.page.keyboard.press('Backspace');
      // In one go, as pasting does: what a keystroke costs is measured elsewhere.
      await this.page.keyboard.sendCharacter(text);
      // A page that was still being left took the field along: a person types it again where it is now.
      begun = !(await inIt('blur'));
    }
  }

  /** Sets a day and a time by the device's own chooser: one tap, since what comes after is not ours. */
  async setMoment(label: string, at: number): Promise<void> {
    this.taps += 1;
    const field = await this.page.waitForSelector(`input[type=datetime-local][aria-label="${label}"]`);
    const text = new Date(at - new Date(at).getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
    await field?.evaluate((element, value) => {
      // As the browser's own chooser does: React listens to the prototype's setter.
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(element, value);
      element.dispatchEvent(new Event('input', { bubbles: true }));
      element.dispatchEvent(new Event('change', { bubbles: true }));
    }, text);
  }

  async value(label: string): Promise<string> {
    const found = await this.page.waitForSelector(`:is(input, textarea)[aria-label^="${label}"]`);
    return found ? found.evaluate((element) => (element as HTMLInputElement).value) : '';
  }

  /** Waits until the field holds just this, or something like it. */
  async holds(label: string, text: string | RegExp): Promise<void> {
    let there = '';
    const fits = () => (typeof text === 'string' ? there === text : text.test(there));
    await until(`“${label}” holds “${text}”`, async () => {
      there = await this.value(label);
      return fits();
    }).catch((error: unknown) => {
      throw new Error(`${String(error)} It holds “${there}”.`);
    });
  }

  async choose(files: string[], button = 'Choose pictures'): Promise<void> {
    this.taps += 1;
    const input = (await this.page.waitForSelector(
      `input[type=file][aria-label="${button}: files"]`,
    )) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(...files);
  }

  /** Waits until the words are on the page. */
  async sees(words: string | RegExp, ms = 30_000): Promise<void> {
    await this.becomes(`the page says “${words}”`, says, ms, sought(words), true);
  }

  async seesNot(words: string, ms = 30_000): Promise<void> {
    await this.becomes(`the page no longer says “${words}”`, says, ms, sought(words), false);
  }

  /** Waits until all pictures were looked at, however many: each in turn has as long as one takes. */
  async looked(): Promise<void> {
    const still = () => /Looking at [^\n]*/u.exec(document.body.innerText)?.[0] ?? '';
    const movedOn = (before: string) =>
      (/Looking at [^\n]*/u.exec(document.body.innerText)?.[0] ?? '') !== before;
    for (let before = await this.page.evaluate(still); before; before = await this.page.evaluate(still))
      await this.becomes(`“${before}” is over or goes on`, movedOn, 30_000, before);
  }

  async text(): Promise<string> {
    return this.page.evaluate(() => document.body.innerText);
  }

  /** The signs of the marketplaces, as they are said aloud. */
  async signs(): Promise<string[]> {
    return this.page.$$eval('[role=group][aria-label="Where it is listed"] [role=img]', (all) =>
      all.map((w) => w.getAttribute('aria-label') ?? ''),
    );
  }

  async waitForSign(label: string, ms = 30_000): Promise<void> {
    const lit = (start: string) =>
      [...document.querySelectorAll('[role=group][aria-label="Where it is listed"] [role=img]')].some((w) =>
        w.getAttribute('aria-label')?.startsWith(start),
      );
    await this.becomes(`a sign says “${label}”`, lit, ms, label);
  }

  /**
   * Waits until something holds in the page; looked at there, so that looking costs little. A page that is
   * still getting on with its work is waited for again: in vain is only what stands still.
   */
  private async becomes<P extends unknown[]>(
    what: string,
    holds: (...args: P) => boolean,
    ms: number,
    ...args: P
  ): Promise<void> {
    const inPage = holds as (...args: unknown[]) => boolean;
    const held = () =>
      this.page.waitForFunction(inPage, { polling: 120, timeout: patience(ms) }, ...args).then(
        () => undefined,
        (error: unknown) => error,
      );
    for (let round = 1; ; round += 1) {
      const before = await this.text().catch(() => '');
      const error = await held();
      if (error === undefined) return;
      const stands = before === (await this.text().catch(() => ''));
      if (stands || round === ROUNDS) return this.inVain(what, error);
    }
  }

  /** Waits until something is there that has no words of its own. */
  async waitFor(selector: string): Promise<void> {
    await this.page
      .waitForSelector(selector)
      .catch((error: unknown) => this.inVain(`there is ${selector}`, error));
  }

  private async inVain(what: string, error: unknown): Promise<never> {
    // A page that is gone says nothing any more.
    const there = await this.text().catch(() => '');
    throw new Error(`waited in vain: ${what} (${String(error)}). It says:\n${there}`);
  }

  async openItem(title: string, { folded = false } = {}): Promise<void> {
    await this.go('Stock');
    const row = `:is([role=listitem], [role=row]) ::-p-text(${title})`;
    // Only what is in sight is there: a person scrolls to what is further down.
    await until(`“${title}” is in the list`, async () => {
      if (await this.page.$(row)) return true;
      await this.page.$eval('[role=main]', (list) => list.scrollBy(0, 400));
      return false;
    });
    // What has only just come in may move the list under the finger: a person taps again.
    await until(`the sheet of “${title}” is open`, async () => {
      if (await this.page.$(row)) await this.page.locator(row).click();
      return this.page.waitForSelector('[role=main][aria-label="Item sheet"]', { timeout: 8_000 }).then(
        () => true,
        () => false,
      );
    });
    if (!folded) await this.openAll();
  }

  /** Has every section open, from now on; how they fold has tests of its own. */
  private async openAll(): Promise<void> {
    const all = await this.page.waitForSelector('[aria-label$=" all sections"]');
    const isFolded = await all?.evaluate((e) => e.textContent === 'Open all sections');
    if (!isFolded) return;
    await pressOn(this.page, { name: 'Open all sections' });
    await this.page.waitForSelector('::-p-aria(Fold all sections)');
  }

  async addFlaw(
    kind: string,
    place: string,
    how: 'Slight' | 'Shows' | 'Serious',
    size?: string,
  ): Promise<void> {
    await this.press('Add a flaw');
    await this.fill('What is wrong', kind);
    await this.fill('Where on the item', place);
    await this.press(how, '[aria-label="New flaw"]');
    if (size) await this.fill('Size of the flaw', size);
    await this.press('Keep this flaw');
  }

  /** Presses what saves a file. @returns its bytes */
  async saves(name: string): Promise<Buffer> {
    const folder = mkdtempSync(join(tmpdir(), 'attic-saved-'));
    const session = await this.page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    await this.press(name);
    const finished = () => readdirSync(folder).filter((f) => !f.endsWith('.crdownload'));
    await until(`“${name}” saved a file`, () => finished().length > 0);
    await session.detach();
    return readFileSync(join(folder, finished()[0] ?? ''));
  }

  async saved(): Promise<void> {
    await this.sees('Saved');
    await this.seesNot('Saving…');
  }

  async reload(): Promise<void> {
    await this.page.reload();
  }

  /** Opens a live listing's public page with its button. @returns the address it went to */
  async publicPage(market: string): Promise<string> {
    const path = `/outside/${market.toLowerCase()}/`;
    const opened = this.page.browser().waitForTarget((target) => target.url().includes(path));
    await this.openMarket(market);
    await this.press(`See it on ${market}`);
    const target = await opened;
    const address = target.url();
    await (await target.page())?.close();
    await this.page.bringToFront();
    return address;
  }
}

/** Words, or a pattern, in a form that goes into the page. */
function sought(words: string | RegExp): { text: string; flags: string | null } {
  return typeof words === 'string'
    ? { text: words, flags: null }
    : { text: words.source, flags: words.flags };
}

/** In the page: whether it says so, or does not. */
function says({ text, flags }: { text: string; flags: string | null }, yes: boolean): boolean {
  const there = document.body.innerText;
  return (flags === null ? there.includes(text) : new RegExp(text, flags).test(there)) === yes;
}
