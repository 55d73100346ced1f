import { Attic } from './attic';
import { PHONE } from './browser';
import { startTestServer } from './testServer';
import { itemsReady, jumper } from './world';

const NAMES = ['stairs', 'landing', 'loft'] as const;
const SHOWN = 'Gansey in the window';

const at = startTestServer({
  world: () =>
    itemsReady([
      // Taken out of what a jumper has: both marketplaces ask for a size and for whom it is.
      ...NAMES.map((name) =>
        jumper(`Gansey of the ${name}`, ['brackenmoor', 'threadwick'], {
          facts: { size: '', department: '' },
        }),
      ),
      { ...jumper(SHOWN, ['brackenmoor']), sent: true },
    ]),
});

/** How many warnings there are of a marketplace, as its filter says. */
const count = (attic: Attic, name: string) =>
  attic.page.evaluate(
    (market) => Number(new RegExp(`${market} (\\d+)`, 'u').exec(document.body.innerText)?.[1] ?? 0),
    name,
  );

it('a seller with one thumb works off twelve warnings of three items: each answer given once', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Today');
  attic.taps = 0;
  await attic.press('To look at');
  await attic.sees('6 drafts would be refused.');
  await attic.sees('Brackenmoor and Threadwick ask for size.');
  const before = (await count(attic, 'Brackenmoor')) + (await count(attic, 'Threadwick'));
  await attic.press('Men', '[aria-label="Brackenmoor and Threadwick ask for whom."]');
  await attic.press('Put in: For whom for all 3');
  await attic.fill('Size for all 3', 'M');
  await attic.press('Put in: Size for all 3');
  await attic.seesNot('would be refused');
  expect(before - (await count(attic, 'Brackenmoor')) - (await count(attic, 'Threadwick'))).toBe(12);
  // The page, then each answer and its press; item by item it is three times as many at the least.
  expect(attic.taps).toBe(5);
  await attic.saved();
  await attic.reload();
  await attic.sees('To think of');
  await attic.seesNot('would be refused');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('lets a caution be, which stays so with its date, and looks at it again', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Today');
  await attic.press('To look at');
  const words = 'Only 4 pictures: six or more sell better.';
  await attic.press(`Let be: ${words}`);
  await attic.seesNot(words);
  await attic.saved();
  await attic.reload();
  await attic.sees('7 are let be');
  await attic.press('What is let be');
  await attic.sees(words);
  await attic.sees(/7 listings, since \d+ \w+ 20\d\d/u);
  await attic.press(`Look again at: ${words}`);
  await attic.page.waitForSelector(`::-p-aria(Let be: ${words})`);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('tells what rules to come would refuse, and is led to from Today and the marketplace', async () => {
  const attic = await Attic.open(at, PHONE);
  await at.server.switchboard('brackenmoor', { asksOrigin: true, rulesInHours: 48 });
  await attic.go('Today');
  await attic.sees('Brackenmoor tells of new rules');
  await attic.sees(/on: 1 live listing and 3 drafts would be refused/u);
  await attic.press('Look at what Brackenmoor would refuse');
  await attic.sees('Would be refused by new rules');
  await attic.fill('Where it was made for all 4', 'Norway');
  await attic.press('Put in: Where it was made for all 4');
  await attic.seesNot('Would be refused by new rules');
  await attic.go('Today');
  await attic.sees('Everything of yours passes.');
  await attic.press('Seen: the new rules of Brackenmoor');
  await attic.seesNot('Brackenmoor tells of new rules');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
