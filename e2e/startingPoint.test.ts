import { Attic } from './attic';
import { PHONE } from './browser';
import { startTestServer } from './testServer';
import { itemsReady, jumper } from './world';

const GANSEY = 'Gansey jumper with a page of its own';
const at = startTestServer({ world: () => itemsReady([jumper(GANSEY, ['brackenmoor'])]) });

/*
 * A seller finds that somebody else lists the same, and begins with what is said there instead of typing it.
 * Before: not possible. Words and number are typed; everything else is a tap.
 */
it('begins an item with what somebody else lists, their picture kept to compare and never sent', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Intake');
  attic.taps = 0;
  await attic.press('From another’s listing');
  await attic.fill('Words', 'gansey jumper');
  await attic.press('Look on Brackenmoor');
  const first = await attic.page.waitForSelector('[aria-label^="Start from"][aria-label*="gansey"]');
  const name = (await first?.evaluate((e) => e.getAttribute('aria-label'))) ?? '';
  const maker = /^Start from (.+?) gansey/u.exec(name)?.[1] ?? '';
  await attic.press(name);
  await attic.press('Keep 1 picture to compare');
  const begin = await attic.page.waitForSelector(
    '::-p-xpath(//*[starts-with(text(), "Begin an item with")])',
  );
  await attic.press((await begin?.evaluate((e) => e.textContent)) ?? '');
  await attic.page.waitForSelector('img[alt="Picture 1 of 1, large"]');
  process.stdout.write(`begun with somebody else’s listing, picture and all: ${attic.taps} taps\n`);
  expect(attic.taps).toBeLessThanOrEqual(6);
  await attic.unfold('Kind and specifics');
  await attic.holds('Brand', maker);
  await attic.saved();
  // By its number, too.
  const number = /number (\S+)$/u.exec(name)?.[1] ?? '';
  await attic.visit('/starting-point');
  await attic.fill(
    'Or its number or address there',
    `${at.server.address}/outside/brackenmoor/other/${number}`,
  );
  await attic.press('Look on Brackenmoor');
  await attic.page.waitForSelector(`[aria-label$="number ${number}"]`);
  expect((await attic.page.$$('[aria-label^="Start from"]')).length).toBe(1);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('a page in an order of one’s own goes out, and is found by words that nobody reads', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/patterns');
  attic.taps = 0;
  await attic.press('Put pages together');
  await attic.press('The facts further up');
  await attic.sees('On a phone, at Brackenmoor and Lanternyard:');
  process.stdout.write(`pages with facts before the description: ${attic.taps} taps\n`);
  expect(attic.taps).toBe(2);
  await attic.openItem(GANSEY);
  await attic.openMarket('Brackenmoor');
  await attic.press('Search words on Brackenmoor');
  await attic.fill('Search words on Brackenmoor', 'fisherfolk, winter');
  await attic.press('Send to Brackenmoor');
  await attic.waitForSign('Brackenmoor: live');
  const page = await (await fetch(await attic.publicPage('Brackenmoor'))).text();
  const [title, facts, story] = ['<p><b>Gansey', '<b>The facts</b>', 'Navy wool gansey, size M.'].map(
    (words) => page.indexOf(words),
  );
  expect(title).toBeGreaterThan(0);
  expect(facts).toBeGreaterThan(title ?? 0);
  expect(story).toBeGreaterThan(facts ?? 0);
  expect(page).not.toContain('fisherfolk');
  const found = async (words: string) =>
    (await (await fetch(`${at.server.address}/outside/brackenmoor/?words=${words}`)).text()).includes(GANSEY);
  expect([await found('fisherfolk'), await found('gansey'), await found('lantern')]).toEqual([
    true,
    true,
    false,
  ]);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
