import { AxePuppeteer } from '@axe-core/puppeteer';
import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { house } from './house';
import { listJumper } from './listing';
import { ServerProcess } from './serverProcess';
import { jumpersReady } from './world';

const TITLE = 'Gansey jumper that is easy to reach, size M';
const at = house({ world: () => jumpersReady([TITLE]) });

/** What axe finds wrong by WCAG 2.2 AA and its best practices, in short. */
async function wrongs(attic: Attic, rules?: string[]): Promise<string[]> {
  const axe = new AxePuppeteer(attic.page);
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
}

it('has nothing axe objects to where the attic is still empty', async () => {
  const server = await ServerProcess.start();
  try {
    const attic = await Attic.open({ server, browser: at.browser }, PHONE);
    expect(await wrongs(attic)).toEqual([]);
    await attic.page.close();
  } finally {
    await server.kill();
  }
});

it('has nothing axe objects to on any main screen, by day and by night, narrow and wide', async () => {
  const attic = await Attic.open(at, PHONE);
  await listJumper(attic, TITLE);
  const sheet = new URL(attic.page.url()).pathname;
  const picture = await attic.page.$eval('[data-picture]', (e) => e.getAttribute('data-picture') ?? '');
  for (const scheme of ['light', 'dark'])
    for (const view of [PHONE, WIDE]) {
      // Names, roles and order do not change after dark: then only what can is looked at once more.
      const rules = scheme === 'dark' ? ['color-contrast', 'link-in-text-block'] : undefined;
      await attic.page.setViewport(view);
      await attic.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
      for (const place of ['Today', 'Intake', 'Stock', 'Sales', 'Ledger'] as const) {
        await attic.go(place);
        expect({ place, scheme, width: view.width, wrong: await wrongs(attic, rules) }).toMatchObject({
          wrong: [],
        });
      }
      await attic.openThing('Gansey jumper that is easy');
      expect({ place: 'item', scheme, width: view.width, wrong: await wrongs(attic, rules) }).toMatchObject({
        wrong: [],
      });
      for (const work of ['clean', 'measure']) {
        await attic.page.goto(new URL(`${sheet}/${work}/${picture}`, at.server.address).href);
        await attic.page.waitForSelector('[data-stage] img');
        expect({ place: work, scheme, width: view.width, wrong: await wrongs(attic, rules) }).toMatchObject({
          wrong: [],
        });
      }
    }
});

it('has nothing axe objects to in the attic’s own lists and where many are filled in', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.page.goto(`${at.server.address}/groups`);
  await attic.fill('Name of a new group', 'Winter');
  await attic.press('Add this group');
  await attic.press('Change the group Winter');
  for (const [scheme, view] of [
    ['light', PHONE],
    ['dark', WIDE],
  ] as const) {
    await attic.page.setViewport(view);
    await attic.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    for (const path of ['attic', 'hauls', 'spots', 'owners', 'kinds?at=jumper', 'groups', 'barcodes']) {
      await attic.page.goto(`${at.server.address}/${path}`);
      await attic.page.waitForSelector('[role=main] [role=heading]');
      if (path.startsWith('kinds')) await attic.press('Change what shows on the sheet');
      expect({ path, scheme, wrong: await wrongs(attic) }).toMatchObject({ wrong: [] });
    }
    await attic.go('Stock');
    await attic.press('More filters');
    await attic.press('Choose several');
    await attic.press('All 1');
    expect({ path: 'stock, narrowed', scheme, wrong: await wrongs(attic) }).toMatchObject({ wrong: [] });
    await attic.press('Fill it in');
    await attic.page.waitForSelector('[role=main][aria-label="Fill in one thing"]');
    expect({ path: 'many', scheme, wrong: await wrongs(attic) }).toMatchObject({ wrong: [] });
  }
  await attic.page.close();
}, 180_000);

it('has nothing axe objects to where marketplaces, words and prices are set up', async () => {
  const attic = await Attic.open(at, PHONE);
  for (const [scheme, view] of [
    ['light', PHONE],
    ['dark', WIDE],
  ] as const) {
    await attic.page.setViewport(view);
    await attic.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    for (const path of [
      'crosslist',
      'connections',
      'terms?market=brackenmoor',
      'mappings?market=oldhollow',
      'patterns',
      'buying',
      'planned',
    ]) {
      await attic.page.goto(`${at.server.address}/${path}`);
      await attic.page.waitForSelector('[role=main] [role=heading]');
      if (path.startsWith('terms') && scheme === 'light') await attic.press('Make the usual terms');
      if (path === 'patterns' && scheme === 'light') await attic.press('Begin with the tone Told');
      if (path.startsWith('mappings')) await attic.press('Decide for Clothes');
      expect({ path, scheme, wrong: await wrongs(attic) }).toMatchObject({ wrong: [] });
    }
  }
  await attic.page.close();
}, 180_000);
