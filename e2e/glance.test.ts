import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { startTestServer } from './testServer';
import { jumper, itemsReady } from './world';

const WHOLE = 'Gansey of the back stairs';
const LACKS = 'Gansey without a size';

const at = startTestServer({
  world: () =>
    itemsReady([
      jumper(WHOLE, ['brackenmoor', 'threadwick', 'nearstile'], { price: 4_800 }),
      // Taken out of what a jumper has: who says nothing of its size.
      jumper(LACKS, ['brackenmoor', 'threadwick'], { price: 3_900, facts: { size: '' } }),
    ]),
});

/** How many screens of a phone the sheet is long. */
const screens = (attic: Attic) =>
  attic.page.$eval('[aria-label="The item"]', (e) => e.scrollHeight / e.clientHeight);

it('a seller with one thumb sees where an item stands, and why, without a long way down', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(WHOLE, { folded: true });
  await attic.page.waitForSelector('::-p-aria(Send to 3 marketplaces)');
  // It was twelve screens.
  expect(await screens(attic)).toBeLessThan(5);
  await attic.press('All its marketplaces at a glance');
  await attic.press('Brackenmoor at a glance');
  for (const words of ['the shared price', 'Fees', 'Leaves', '€39.78']) await attic.sees(words);
  // One more place with one tap; off again with another.
  await attic.press('Listed on Lanternyard');
  await attic.page.waitForSelector('[role=switch][aria-label="Listed on Lanternyard"][aria-checked=true]');
  await attic.press('Listed on Lanternyard');
  await attic.page.waitForSelector('[role=switch][aria-label="Listed on Lanternyard"][aria-checked=false]');
  await attic.press('Send to 3 marketplaces');
  await attic.waitForSign('Brackenmoor: live');
  await attic.page.waitForFunction(() => /Number there\s+\S+/u.test(document.body.innerText));
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('what is missing stands on top and is two taps away: to it, and answered', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(LACKS, { folded: true });
  await attic.page.waitForSelector('[aria-label="What is missing"]');
  attic.taps = 0;
  await attic.press('Put right: Brackenmoor asks for size.');
  await attic.fill('Size on the label', 'M');
  await attic.page.waitForFunction(() => !document.querySelector('[aria-label="What is missing"]'));
  expect(attic.taps).toBe(2);
  await attic.page.close();
});

it('a value of one marketplace’s own is given back there: its card, and the press', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(WHOLE, { folded: true });
  await attic.openMarket('Threadwick');
  await attic.press('Fields on Threadwick');
  await attic.fill('Label there, Threadwick', 'Mills of Kittiwake');
  await attic.sees('instead of Kittiwake Mills');
  await attic.saved();
  await attic.reload();
  await attic.page.waitForSelector('[aria-label="Threadwick, all of it"]');
  attic.taps = 0;
  await attic.openMarket('Threadwick');
  await attic.press('Give back own label on Threadwick');
  await attic.page.waitForFunction(() => !document.querySelector('[aria-label="Own on Threadwick"]'));
  // Its card, and the press, with the shared value in sight before it is pressed.
  expect(attic.taps).toBe(2);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('a table at the desk; and what buyers see everywhere, side by side', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.openItem(WHOLE, { folded: true });
  const row = (name: string) =>
    attic.page.$eval(`[role=table] [role=row][aria-label="${name}"]`, (e) => (e as HTMLElement).innerText);
  await attic.page.waitForSelector('[role=table] [role=row][aria-label="Nearstile"]');
  expect(await row('Nearstile')).toMatch(/€48\.00/u);
  await attic.press('To Threadwick, all of it');
  await attic.sees('What buyers see\n');
  await attic.press('What buyers see everywhere');
  for (const market of ['Brackenmoor', 'Threadwick', 'Nearstile'])
    await attic.page.waitForSelector(`[aria-label="What buyers on ${market} read"] img`);
  const lefts = await attic.page.$$eval('[aria-label^="What buyers on"]', (all) =>
    all.map((e) => Math.round(e.getBoundingClientRect().left)),
  );
  // Beside each other, not below.
  expect(new Set(lefts).size).toBe(3);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
