import { Attic } from './attic';
import { WIDE } from './browser';
import { listJumper, pressThere } from './listing';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const TITLES = [
  'Gansey jumper sold on Threadwick, size M',
  'Gansey jumper sold to a neighbour, size M',
] as const;
const at = startTestServer({ world: () => jumpersReady(TITLES) });

it('takes an item down everywhere when Threadwick sells it, which calls nobody', async () => {
  const attic = await Attic.open(at, WIDE);
  await listJumper(attic, TITLES[0]);
  const wick = await attic.publicPage('Threadwick');
  const buyer = await at.browser.newPage();
  await buyer.goto(wick);
  await pressThere(buyer, 'Buy');
  await attic.page.bringToFront();
  await attic.waitForSign('Threadwick: sold');
  await attic.waitForSign('Brackenmoor: ended');
  await attic.waitForSign('Nearstile: ended');
  await attic.go('Today');
  await attic.sees('Sold on Threadwick for €48.00');
  await attic.page.close();
});

it('takes it down everywhere when the seller marks a Nearstile deal as sold', async () => {
  const attic = await Attic.open(at, WIDE);
  await listJumper(attic, TITLES[1]);
  const stile = await attic.publicPage('Nearstile');
  await attic.page.bringToFront();
  // The neighbour haggled.
  await attic.fill('Agreed on Nearstile', '45');
  await attic.press('Sold on Nearstile for €45.00');
  await attic.waitForSign('Nearstile: sold');
  await attic.waitForSign('Brackenmoor: ended');
  await attic.waitForSign('Threadwick: ended');
  expect(await (await fetch(stile)).text()).toContain('Gone to a neighbour.');
  await attic.go('Today');
  await attic.sees('Sold on Nearstile for €45.00');
  await attic.sees('Take-home €45.00');
  expect(attic.complaints).toEqual([]);
});
