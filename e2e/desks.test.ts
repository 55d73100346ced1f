import { Attic } from './attic';
import { WIDE } from './browser';
import { buyAt, until } from './serverProcess';
import { startTestServer } from './testServer';
import { jumper, itemsReady } from './world';

/*
 * At a desk a list stands at the left and what is chosen of it at the right: from one to the next is one
 * press or one key. Before, each was a page of its own: there, back, and there again, beside an empty third.
 */
const TITLES = ['Gansey, navy', 'Gansey, oat', 'Gansey, moss'];
const at = startTestServer({
  world: () =>
    itemsReady(
      TITLES.map((title, i) => ({
        ...jumper(title, ['brackenmoor'], {
          description: 'Tightly spun wool, knitted in the round.',
          price: 4_000 + i * 100,
          spot: `A1-0${i + 1}`,
        }),
        sent: true,
      })),
    ),
});

/** What is chosen in the list, said aloud. */
const chosen = (attic: Attic) =>
  attic.page
    .waitForSelector('[role=region] [aria-current=true]')
    .then((e) => e?.evaluate((line) => line.getAttribute('aria-label')));
const isChosen = (attic: Attic, name: string) =>
  until(`${name} is chosen`, async () => (await chosen(attic)) === name);
/** Where the keys go. */
const focus = (attic: Attic) =>
  attic.page.evaluate(
    () => `${document.activeElement?.role ?? ''}: ${document.activeElement?.ariaLabel ?? ''}`,
  );

it('goes from sale to sale and from parcel to parcel without leaving the page', async () => {
  const attic = await Attic.open(at, WIDE);
  await until('all are live', async () => (await at.server.offered('brackenmoor')).length === TITLES.length);
  for (const path of await at.server.offered('brackenmoor')) await buyAt(`${at.server.address}${path}`);

  await attic.visit('/sales');
  await until('three are sold', async () => {
    const lines = await attic.page.$$('[role=region] [aria-label^="Order of "]');
    return lines.length === TITLES.length;
  });
  const names = await attic.page.$$eval('[role=region] [role=link][aria-label^="Order of "]', (lines) =>
    lines
      .sort((a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top)
      .map((line) => line.getAttribute('aria-label') ?? ''),
  );
  const [first = '', second = '', third = ''] = names;
  await attic.press(second);
  await isChosen(attic, second);
  await attic.page.waitForSelector(`[role=region][aria-label="${second}"]`);
  await attic.page.keyboard.press('ArrowDown');
  await isChosen(attic, third);
  await attic.page.keyboard.press('ArrowUp');
  await isChosen(attic, second);
  await attic.page.keyboard.press('ArrowUp');
  await isChosen(attic, first);
  // Into what is chosen, and on to what can be done there.
  await until('the line has the focus', async () => (await focus(attic)) === `link: ${first}`);
  await attic.page.keyboard.press('Enter');
  await until('what is chosen has the focus', async () => (await focus(attic)) === `region: ${first}`);

  // A parcel is picked, packed and labelled beside the list of all of them.
  await attic.press('Fetch and pack');
  await isChosen(attic, `Parcel: ${TITLES[0] ?? ''}`);
  await attic.press(`Parcel: ${TITLES[1] ?? ''}`);
  await attic.scan('Code on YA-0002', 'YA-0002');
  await attic.press(`Packed: ${TITLES[1] ?? ''}`);
  await attic.sees('To label: 1');
  // The two that are still on their shelves were never out of sight.
  await attic.page.waitForSelector(`[aria-label="Parcel: ${TITLES[2] ?? ''}"]`);
  expect(attic.complaints).toEqual([]);
});

it('has marketplaces, consignors and hauls beside their lists', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.visit('/connections');
  await attic.press('Threadwick');
  await isChosen(attic, 'Threadwick');
  await attic.page.waitForSelector('::-p-aria(Test Threadwick)');
  await attic.page.keyboard.press('?');
  await attic.sees('The line below, in the list');
  await attic.press('Close');
  await attic.visit('/owners');
  for (const name of ['Mrs Aldous', 'Mr Brandreth']) {
    await attic.fill('Name of a consignor', name);
    await attic.press('Add this consignor');
  }
  await attic.press('Mr Brandreth');
  await attic.page.waitForSelector('::-p-aria(Statement for Mr Brandreth)');
  await attic.visit('/hauls');
  await attic.fill('Name of a new haul', 'Quay clearance');
  await attic.press('Start this haul');
  await isChosen(attic, 'Quay clearance');
  const name = await attic.page.waitForSelector('[role=region] input[aria-label="Name"]');
  expect(await name?.evaluate((field) => (field as HTMLInputElement).value)).toBe('Quay clearance');
  expect(attic.complaints).toEqual([]);
});
