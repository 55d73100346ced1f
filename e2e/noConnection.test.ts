import { Attic } from './attic';
import { PHONE } from './browser';
import { listJumper } from './listing';
import { buyAt, until, writeAt } from './serverProcess';
import { startTestServer } from './testServer';
import { itemsReady, jumper } from './world';

const [UP, SOLD, NEVER] = ['Gansey that is up', 'Gansey that was sold', 'Gansey nobody planned'];
const MARKETS = ['brackenmoor', 'threadwick', 'nearstile'];
const at = startTestServer({
  world: () => itemsReady([jumper(UP, MARKETS), jumper(SOLD, MARKETS), jumper(NEVER, [])]),
});

/** Waits for the button that takes the item out. @returns whether it is locked */
async function isLocked(attic: Attic, words: string): Promise<boolean> {
  await attic.sees(words);
  return attic.page.evaluate((text) => {
    const all = [...document.querySelectorAll<HTMLElement>('button, [role=button]')];
    const button = all.find((one) => one.innerText.includes(text));
    return button?.matches('[aria-disabled=true], :disabled') ?? false;
  }, words);
}

it('with no connection shows what was last known and since when, and lets nothing live go', async () => {
  const attic = await Attic.open(at, PHONE, { offline: true });
  await attic.page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await listJumper(attic, UP);
  const moor = await attic.publicPage('Brackenmoor');
  await writeAt(moor, { who: 'Merle', words: 'Is it still there?' });
  await listJumper(attic, SOLD);
  await buyAt(await attic.publicPage('Threadwick'));
  await attic.waitForSign('Brackenmoor: ended');
  await attic.visit('/talks');
  await attic.press('Ask again');
  await attic.sees('Is it still there?');
  const name = `attic-${await attic.page.evaluate(() => localStorage.getItem('yonder-attic-name'))}`;
  // What was heard is kept within a moment.
  const kept = () =>
    attic.page.evaluate(
      (of) =>
        new Promise<string>((done) => {
          const open = indexedDB.open(of);
          open.onsuccess = () => {
            const db = open.result;
            const store = [...db.objectStoreNames][0] ?? '';
            const all = db.transaction(store).objectStore(store).getAll();
            all.onsuccess = () => {
              db.close();
              done(all.result.map((value) => JSON.stringify(value)).join(' '));
            };
          };
        }),
      name,
    );
  await until('the sale and the message are kept', async () => {
    const text = await kept();
    return text.includes('goneAlready') || (text.includes('soldHere') && text.includes('Is it still there?'));
  });
  await at.server.kill();
  await attic.reload();
  await attic.sees(/The courier can’t be reached just now\. .* shown as they were .* ago,/u);
  await attic.go('Today');
  // Today: the sale, and what is to be done about it.
  await attic.sees('Sold on Threadwick for €48.00');
  await attic.visit('/sales');
  await attic.sees(SOLD);
  await attic.visit('/talks');
  await attic.sees('Is it still there?');
  await attic.sees(/As it was .*\./u);
  await attic.openItem(UP);
  for (const market of ['Brackenmoor', 'Threadwick', 'Nearstile']) await attic.waitForSign(`${market}: live`);
  expect(await isLocked(attic, 'Listed: withdraw it before removing it')).toBe(true);
  await attic.openItem(SOLD);
  await attic.waitForSign('Threadwick: sold');
  expect(await isLocked(attic, 'It may be listed: remove it when the courier can be asked')).toBe(true);
  await attic.openItem(NEVER);
  expect(await isLocked(attic, 'Remove it from the attic')).toBe(false);
  // Sold meanwhile: heard as soon as there is a courier again.
  await at.server.up();
  await attic.seesNot('The courier can’t be reached just now');
  await buyAt(moor);
  await attic.go('Today');
  await attic.sees('Sold on Brackenmoor for €48.00');
  await attic.openItem(UP);
  await attic.waitForSign('Threadwick: ended');
  expect(attic.complaints).toEqual([]);
});
