import { source, type AxeResults, type RunOptions } from 'axe-core';

import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { listJumper } from './listing';
import { ServerProcess } from './serverProcess';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const TITLE = 'Gansey jumper that is easy to reach, size M';
const at = startTestServer({ world: () => jumpersReady([TITLE]) });

/** Names, roles and order do not change after dark: then only what can is looked at once more. */
const AFTER_DARK = ['color-contrast', 'link-in-text-block'];
/** A page whose kind of device changes is loaded again, so both views are touched. */
const TABLET = { ...PHONE, width: WIDE.width, height: WIDE.height };
/** Narrow and wide by day, wide by night. */
const VIEWS = [
  ['light', PHONE],
  ['light', TABLET],
  ['dark', TABLET],
] as const;
const NARROW_AND_NIGHT = [VIEWS[0], VIEWS[2]] as const;

/** What axe finds wrong by WCAG 2.2 AA and its best practices, in short. */
async function wrongs({ page }: Attic, scheme = 'light'): Promise<string[]> {
  // Once a page: to read it anew each time takes as long as the looking.
  await page.evaluate(`window.axe ?? (() => { ${source} })()`);
  return page.evaluate(
    async (runOnly) => {
      const { axe } = window as Window & { axe?: { run(options: RunOptions): Promise<AxeResults> } };
      if (!axe) throw new Error('axe is not in the page');
      const { violations } = await axe.run({
        resultTypes: ['violations'],
        preload: false,
        ...(runOnly ? { runOnly } : {}),
      });
      return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
    },
    scheme === 'dark' ? AFTER_DARK : null,
  );
}

/** Looks at the page that is open in each of these views; none is loaded again for it. */
async function lookAt(attic: Attic, place: string, views: readonly (typeof VIEWS)[number][]): Promise<void> {
  for (const [scheme, view] of views) {
    await attic.page.setViewport(view);
    await attic.page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
    let wrong = await wrongs(attic, scheme);
    // What is only just being drawn otherwise is no fault: one that stays is.
    for (let again = 0; wrong.length > 0 && again < 3; again += 1) {
      await new Promise((done) => setTimeout(done, 300));
      wrong = await wrongs(attic, scheme);
    }
    expect({ place, scheme, width: view.width, wrong }).toMatchObject({ wrong: [] });
  }
}

it('has nothing axe objects to, the attic empty or the courier away', async () => {
  const server = await ServerProcess.start();
  try {
    const attic = await Attic.open({ server, browser: at.browser }, PHONE);
    expect(await wrongs(attic)).toEqual([]);
    await server.kill();
    await attic.sees('The courier can’t be reached');
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
  await lookAt(attic, 'item', VIEWS);
  await attic.page.setViewport(PHONE);
  await attic.press('All its marketplaces at a glance');
  await attic.press('Brackenmoor at a glance');
  await lookAt(attic, 'item at a glance', NARROW_AND_NIGHT);
  await attic.visit(`${sheet}/buyers`);
  await attic.page.waitForSelector('[aria-label="What buyers on Brackenmoor read"] img');
  await lookAt(attic, 'as buyers see it', VIEWS);
  for (const place of ['Today', 'Intake', 'Stock', 'Sales', 'Ledger'] as const) {
    await attic.go(place);
    await lookAt(attic, place, VIEWS);
  }
  for (const work of ['clean', 'measure']) {
    await attic.visit(`${sheet}/${work}/${picture}`);
    await attic.page.waitForSelector('[data-stage] img');
    await lookAt(attic, work, VIEWS);
  }
  await attic.page.close();
});

it('leads on from addresses that were called otherwise before', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(TITLE);
  const { pathname } = new URL(attic.page.url());
  await attic.page.goto(`${at.server.address}${pathname.replace('/item/', '/thing/')}?at=price`);
  await attic.page.waitForSelector('[role=main][aria-label="Item sheet"]');
  const { pathname: after, search } = new URL(attic.page.url());
  expect(after + search).toBe(`${pathname}?at=price`);
  await attic.page.goto(`${at.server.address}/promises`);
  await attic.sees('Holds and meetings');
  await attic.page.close();
});

it('has nothing axe objects to in the attic’s own lists and where many are filled in', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/groups');
  await attic.fill('Name of a new group', 'Winter');
  await attic.press('Add this group');
  await attic.press('Change the group Winter');
  for (const path of [
    'attic',
    'hauls',
    'spots',
    'owners',
    'kinds?at=jumper',
    'groups',
    'bring-table',
    'save-tables',
    'copies',
  ]) {
    await attic.visit(`/${path}`);
    await attic.page.waitForSelector('[role=main] [role=heading]');
    if (path.startsWith('kinds')) await attic.press('Change what shows on the sheet');
    await lookAt(attic, path, NARROW_AND_NIGHT);
  }
  await attic.page.setViewport(PHONE);
  await attic.go('Stock');
  await attic.press('More filters');
  await attic.press('Select');
  await attic.press('All 1');
  await attic.press('More…');
  await lookAt(attic, 'stock, narrowed', NARROW_AND_NIGHT);
  await attic.press('Fill in');
  await attic.page.waitForSelector('[role=main][aria-label="Fill in one item"]');
  await lookAt(attic, 'many', NARROW_AND_NIGHT);
  for (const [path, title] of [
    ['categories', 'Categories of one item'],
    ['write', 'Write for one item'],
    ['outgoing', 'List one item'],
    ['underway', 'On their way'],
    ['says', 'What the pictures say'],
    ['taught', 'What corrections taught'],
    ['scanning', 'Scanning'],
    ['to-look-at', 'To look at'],
    ['starting-point', 'Another’s listing'],
  ] as const) {
    await attic.visit(`/${path}`);
    await attic.page.waitForSelector(`[role=main][aria-label="${title}"]`);
    await lookAt(attic, path, NARROW_AND_NIGHT);
  }
  await attic.page.close();
});

it('has nothing axe objects to where marketplaces, words and prices are set up', async () => {
  const attic = await Attic.open(at, PHONE);
  for (const path of [
    'crosslist',
    'connections',
    'bring-in',
    'depot?market=quirestack',
    'terms?market=brackenmoor',
    'mappings?market=oldhollow',
    'patterns',
    'buying',
    'planned',
    'stencils?market=oldhollow',
    'talks',
    'packing',
    'holds',
    'payouts',
    'consignor',
  ]) {
    await attic.page.setViewport(PHONE);
    await attic.visit(`/${path}`);
    await attic.page.waitForSelector('[role=main] [role=heading]');
    if (path.startsWith('terms')) await attic.press('Make the usual terms');
    if (path.startsWith('stencils')) {
      await attic.press('Make a stencil');
      await attic.press('Auction');
      await attic.press('At a time of the week');
    }
    if (path === 'patterns') await attic.press('Begin with the tone Told');
    if (path.startsWith('mappings')) await attic.press('Decide for Clothes');
    await lookAt(attic, path, NARROW_AND_NIGHT);
  }
  await attic.page.close();
});
