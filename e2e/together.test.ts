import { Attic } from './attic';
import { PHONE } from './browser';
import { startTestServer } from './testServer';
import { jumper, itemsReady } from './world';

/*
 * What a seller does with many at once on a phone, and how many taps it may cost. Before, each cell of item
 * and marketplace was a tap of its own.
 */
/** Ten of them on hooks, ten on pegs; all are found as “gansey”. */
const TWENTY = Array.from(
  { length: 20 },
  (_, i) => `Gansey jumper of ${i < 10 ? 'hook' : 'peg'} ${(i % 10) + 1}`,
);
const at = startTestServer({
  world: () =>
    itemsReady(
      TWENTY.map((title, i) =>
        jumper(title, [], {
          description: 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.',
          price: 6_000 + i * 100,
          facts: { decade: '1970s' },
        }),
      ),
    ),
});

async function chosen(attic: Attic, words: string, count: number): Promise<void> {
  await attic.go('Stock');
  await attic.fill('Search', words);
  await attic.sees(`${count} items`);
  attic.taps = 0;
  await attic.press('Select');
  await attic.press(`All ${count}`);
}
const say = (what: string, attic: Attic, before: string) =>
  process.stdout.write(`${what}: ${attic.taps} taps (before: ${before})\n`);

it('twenty go into a group of their own, made where one stands', async () => {
  const attic = await Attic.open(at, PHONE);
  await chosen(attic, 'gansey', 20);
  await attic.press('More…');
  await attic.press('Put in a group');
  await attic.fill('Name of a new group', 'Autumn');
  await attic.press('Make this group');
  await attic.press('Change 20 items');
  await attic.sees('20 items changed. Undo takes all of it back.');
  say('twenty items into a new group', attic, '9, and only after making it elsewhere');
  expect(attic.taps).toBeLessThanOrEqual(7);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('ten go at a date and time, twenty minutes apart', async () => {
  const attic = await Attic.open(at, PHONE);
  await chosen(attic, 'hook', 10);
  await attic.press('List on…');
  await attic.press('One after the other');
  await attic.setMoment('The first goes on', new Date(Date.now() + 2 * 86_400_000).setHours(18, 0, 0, 0));
  await attic.sees('60 go', 60_000);
  await attic.press('Schedule 60');
  await attic.sees('wait for their time', 90_000);
  say('a date and time for ten items on six marketplaces', attic, '20 an item');
  expect(attic.taps).toBeLessThanOrEqual(7);
  await attic.visit('/planned');
  await attic.sees('18:00');
  await attic.sees('18:20');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('a set-up kept at the first listing lies under the next twenty', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(TWENTY[15]!);
  await attic.press('List it on Brackenmoor');
  await attic.openMarket('Brackenmoor');
  await attic.press('Paid places on Brackenmoor');
  await attic.fill('Better place, per cent', '3');
  await attic.press('Keep this as a stencil for Brackenmoor');
  await attic.press('Keep it');
  await attic.sees('From the stencil “Jumper”: promotion.');
  await chosen(attic, 'gansey', 20);
  await attic.press('List on…');
  await attic.sees(/[1-9]\d* go/u, 60_000);
  await attic.seesNot('being checked');
  await attic.seesNot('hearing what is listed already');
  // By itself, since they are of its kind; a tap would choose another.
  await attic.press(/Send \d+/u.exec(await attic.text())?.[0] ?? '');
  await attic.sees(/\d+ of \d+/u, 60_000);
  say('a saved set-up for twenty items', attic, '6 an item');
  expect(attic.taps).toBeLessThanOrEqual(5);
  await attic.sees(/is done|are done/u, 240_000);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
