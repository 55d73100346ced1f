import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

import { Attic } from './attic';
import { closeBrowser, openBrowser, PHONE } from './browser';
import { until } from './serverProcess';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const ONE = 'Gansey jumper that goes to the folder, size M';
const OTHER = 'Gansey jumper beside it, size L';
/** Four of each. */
const PICTURES = 8;
const at = startTestServer({ world: () => jumpersReady([ONE, OTHER], ['brackenmoor']) });

/**
 * The browser's own dialog can't be pressed from here: a folder is handed over as if it had been chosen in
 * it, one that the browser keeps for itself. Handles, permissions asked of them, writing and reading are its
 * own; what it would answer about permission is set by the test.
 */
const chosenInDialog = `
  const answers = () => localStorage.getItem('test permission') ?? 'granted';
  const folder = () => navigator.storage.getDirectory()
    .then((root) => root.getDirectoryHandle('Backups', { create: true }));
  window.showDirectoryPicker = folder;
  FileSystemHandle.prototype.queryPermission = () => Promise.resolve(answers());
  FileSystemHandle.prototype.requestPermission = () => {
    localStorage.removeItem('test permission');
    return Promise.resolve('granted');
  };
  const shift = Number(localStorage.getItem('test hours') ?? 0) * 3600000;
  const now = Date.now.bind(Date);
  Date.now = () => now() + shift;
`;

/** What lies in the folder: paths, and bytes as Latin-1. */
const inFolder = (attic: Attic) =>
  attic.page.evaluate(async () => {
    const root = await navigator.storage.getDirectory();
    const found: [string, string][] = [];
    const walk = async (folder: FileSystemDirectoryHandle, at: string) => {
      for await (const [name, handle] of folder.entries()) {
        const path = `${at}${name}`;
        if (handle.kind === 'directory') await walk(await folder.getDirectoryHandle(name), `${path}/`);
        else {
          const bytes = new Uint8Array(
            await (await (await folder.getFileHandle(name)).getFile()).arrayBuffer(),
          );
          let text = '';
          for (let from = 0; from < bytes.length; from += 8_192)
            text += String.fromCharCode(...bytes.subarray(from, from + 8_192));
          found.push([path, text]);
        }
      }
    };
    await walk(await root.getDirectoryHandle('Backups'), '');
    return found;
  });

const copiesOf = (files: [string, string][]) => files.filter(([path]) => path.endsWith('.zip')).length;

/** The page anew, at another time or with another answer about permission. */
async function later(attic: Attic, set: Record<string, string>): Promise<void> {
  await attic.page.evaluate((all) => {
    for (const [key, value] of Object.entries(all)) localStorage.setItem(key, value);
  }, set);
  await attic.reload();
}

it('copies go to a folder by themselves, tell when they stop, and come back in a new browser', async () => {
  const page = await at.browser.newPage();
  await page.setViewport(PHONE);
  await page.evaluateOnNewDocument(chosenInDialog);
  // The small world's pictures follow after what is shown first: a copy made before has one less of them.
  let came = 0;
  page.on('response', (response) => {
    if (/\/demo\/pictures\/.*-full\.jpg$/u.test(response.url())) came += 1;
  });
  const attic = await Attic.on(page, at.server.address);
  await attic.go('Today');
  await until('all pictures came', () => came === PICTURES);
  await attic.visit('/copies');
  await attic.press('Choose a folder');
  await attic.sees(/In the folder “Backups”: one copy, the last one .*, read back and whole\./u);
  await attic.sees('Nothing was changed since the last copy.');
  const first = await inFolder(attic);
  expect(copiesOf(first)).toBe(1);
  expect(first.filter(([path]) => path.startsWith('attic-pictures/'))).toHaveLength(2 * PICTURES);

  // The day's work is done: half an hour later a copy is there that nobody asked for. Pictures are not
  // written again.
  await attic.openItem(ONE);
  await attic.fill('Price', '61');
  await attic.saved();
  await later(attic, { 'test hours': '1' });
  await attic.go('Today');
  await attic.visit('/copies');
  await attic.sees('In the folder “Backups”: 2 copies');
  await attic.sees('Nothing was changed since the last copy.');
  const second = await inFolder(attic);
  expect([copiesOf(second), second.length]).toEqual([2, first.length + 1]);

  // The browser no longer lets it be written: Today says so as soon as something would be lost, and by one
  // tap it is mended.
  await attic.openItem(ONE);
  await attic.fill('Price', '62');
  await attic.saved();
  await later(attic, { 'test permission': 'prompt' });
  await attic.go('Today');
  await attic.sees('No copies go to “Backups” any more');
  await attic.sees('1 item, since ');
  await attic.press('Allow it again');
  await attic.seesNot('No copies go to “Backups” any more');
  await attic.visit('/copies');
  await attic.sees('In the folder “Backups”: 3 copies');
  const third = await inFolder(attic);
  expect(copiesOf(third)).toBe(3);
  expect(attic.complaints).toEqual([]);
  await closeBrowser(at.browser);

  // A new profile, and nothing in it.
  const folder = mkdtempSync(join(tmpdir(), 'attic-folder-'));
  for (const [path, bytes] of third) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), Buffer.from(bytes, 'latin1'));
  }
  at.server.world = null;
  await at.server.kill();
  await at.server.up();
  at.browser = await openBrowser();
  const fresh = await Attic.open(at, PHONE);
  await fresh.press('Bring back a copy');
  await fresh.choose([folder], 'Choose a folder of copies');
  await fresh.sees('Missing here: 2 items, 8 pictures');
  expect(await fresh.page.$$eval('[aria-label="Which copy"] [role=radio]', (all) => all.length)).toBe(3);
  await fresh.press('Bring back what is missing');
  await fresh.sees('records brought back.');
  await fresh.seesNot('could not be read');
  await fresh.openItem(OTHER);
  await fresh.openItem(ONE);
  await fresh.holds('Price', '62.00');
  await fresh.page.waitForFunction(() =>
    [...document.querySelectorAll<HTMLImageElement>('[data-picture] img')].some((i) => i.naturalWidth > 100),
  );
  expect(fresh.complaints).toEqual([]);
  await fresh.page.close();
});
