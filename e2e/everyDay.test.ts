import { Attic } from './attic';
import { closeBrowser, openBrowser, PHONE } from './browser';
import { garmentPicture } from './pictures';
import { ServerProcess, until } from './serverProcess';
import { startTestServer } from './testServer';
import { itemsReady, jumper, jumpersReady } from './world';

describe('an attic of one’s own', () => {
  const at = startTestServer();

  it('asks four things once, and leaves out where this person does not sell', async () => {
    const attic = await Attic.open(at, PHONE);
    await attic.sees('A new attic');
    expect(await attic.page.title()).toBe('Yonder Attic');
    await attic.fill('Your name', 'Ysolde');
    await attic.press('Inches, ounces');
    await attic.press('GBP');
    await attic.sees('in GBP nothing can be sent to them');
    await attic.press('EUR');
    await attic.press('Oldhollow');
    await attic.press('Quirestack');
    // What was answered so far outlives a reload.
    await attic.reload();
    await attic.holds('Your name', 'Ysolde');
    await attic.press('Begin');
    await attic.sees('Begin with a picture');
    await attic.reload();
    await attic.sees('Begin with a picture');
    await attic.visit('/connections');
    for (const market of ['Oldhollow', 'Quirestack']) await attic.waitFor(`[aria-label="Connect ${market}"]`);
    expect(await attic.page.$$('[aria-label^="Connect "]')).toHaveLength(2);
    await attic.visit('/attic');
    await attic.sees('Your own attic');
    await attic.holds('Your name', 'Ysolde');
    expect(attic.complaints).toEqual([]);
    await attic.page.close();
  });
});

it('own attic and demo share nothing in the browser, even at one address', async () => {
  const world = await jumpersReady(['Demo jumper, of the demo alone']);
  const own = await ServerProcess.start();
  const browser = await openBrowser();
  const attic = await Attic.open({ server: own, browser }, PHONE);
  await attic.press('Skip all of this');
  await attic.beginItem();
  await attic.choose([await garmentPicture('own.jpg', {}, 1)]);
  await attic.sees('YA-0001');
  await attic.saved();
  await own.kill();
  const demo = await ServerProcess.start(world, 'demo', own.port);
  await attic.page.goto(demo.address);
  // Nothing of one’s own is offered to it, and it says what it is on every page.
  await attic.sees('Demo attic: nothing here is real');
  expect(await attic.page.title()).toBe('Yonder Attic, demo');
  await attic.openItem('Demo jumper, of the demo alone');
  await attic.sees('Demo attic: nothing here is real');
  // It is refused by the server, too, whatever a page asks.
  const names = await attic.page.evaluate(async () => (await indexedDB.databases()).map((d) => d.name ?? ''));
  const ownName = names.find((name) => name.startsWith('attic-own-'))?.slice('attic-'.length);
  const refused = await attic.page.evaluate(async (name) => {
    const { token } = (await (await fetch('/api/session')).json()) as { token: string };
    const headers = { 'content-type': 'application/json', 'x-attic-session': token };
    const answer = await fetch('/api/attic', {
      method: 'POST',
      headers,
      body: JSON.stringify({ attic: name }),
    });
    return answer.status;
  }, ownName);
  expect(refused).toBe(409);
  await demo.kill();
  await own.up();
  await attic.page.goto(own.address);
  await attic.go('Stock');
  await attic.sees('YA-0001');
  const text = await attic.text();
  expect(text).not.toContain('Demo jumper');
  expect(text).not.toContain('Demo attic');
  expect(await attic.page.title()).toBe('Yonder Attic');
  await closeBrowser(browser);
  await own.kill();
});

describe('a scanner', () => {
  const CODES = 18;
  const at = startTestServer({
    world: () =>
      itemsReady(Array.from({ length: CODES }, (_, i) => jumper(`Gansey number ${i + 1}`, [], { spot: '' }))),
  });

  it('does a session of twenty codes without a tap', async () => {
    const attic = await Attic.open(at, PHONE);
    await attic.visit('/spots');
    for (const spot of ['Shelf A', 'Shelf B']) {
      await attic.fill('Name of a new spot', spot);
      await attic.press('Add this spot');
      await attic.sees(spot);
    }
    await attic.page.waitForSelector('input[aria-label="Scan a spot, then items"]');
    const tapped = attic.taps;
    const code = (i: number) => `YA-${String(i).padStart(4, '0')}`;
    const session = [
      'Shelf A',
      ...Array.from({ length: 9 }, (_, i) => code(i + 1)),
      'Shelf B',
      ...Array.from({ length: 9 }, (_, i) => code(i + 10)),
    ];
    expect(session).toHaveLength(20);
    // Key by key, with Enter behind each, as such devices type; into no field.
    for (const text of [...session, 'Shelf B']) {
      await attic.page.keyboard.type(text);
      await attic.page.keyboard.press('Enter');
    }
    await attic.sees('9 items now in Shelf B.');
    expect(attic.taps).toBe(tapped);
    await attic.press('What is in Shelf A');
    await attic.sees('Labels for 9 items and the spot');
    expect(await attic.text()).toContain(code(9));
    expect(attic.complaints).toEqual([]);
    await attic.page.close();
  });
});

describe('pictures that another app hands over', () => {
  const at = startTestServer();

  it('wait in Intake until the person takes them, also with no connection', async () => {
    const attic = await Attic.open(at, PHONE, { offline: true });
    const { page } = attic;
    await attic.press('Skip all of this');
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.reload();
    await until('the app is kept', () => page.evaluate(() => navigator.serviceWorker.controller !== null));
    const files = [
      await garmentPicture('shared-1.jpg', {}, 1),
      await garmentPicture('shared-2.jpg', { side: 'back' }, 2),
    ];
    const manifest = (await (await fetch(`${at.server.address}/manifest.webmanifest`)).json()) as {
      name: string;
      icons: { src: string }[];
      share_target: { action: string; params: { files: [{ name: string }] } };
    };
    expect(manifest.name).toBe('Yonder Attic');
    for (const { src } of manifest.icons) {
      const icon = await fetch(`${at.server.address}${src}`);
      expect(icon.headers.get('content-type')).toBe('image/png');
    }
    const { action, params } = manifest.share_target;
    // As the phone does it: a form is sent to where the manifest says.
    const share = async () => {
      await page.goto('about:blank');
      await page.setContent(
        `<form action="${at.server.address}${action}" method="post" enctype="multipart/form-data">
          <input type="file" multiple name="${params.files[0].name}"><button>Share</button></form>`,
      );
      const input = await page.$('input');
      await input?.uploadFile(...files);
      await Promise.all([page.waitForNavigation(), page.click('button')]);
      await page.waitForSelector('[role=main][aria-label="Intake"]');
    };
    await at.server.kill();
    await share();
    await attic.sees('2 pictures shared with the attic');
    await page.reload();
    await attic.sees('2 pictures shared with the attic');
    expect(await attic.text()).toContain('A new item');
    await attic.press('Take as a new item');
    await attic.seesNot('shared with the attic');
    await attic.sees('YA-0001');
    await attic.saved();
    await share();
    await attic.press('Leave them out');
    await attic.seesNot('shared with the attic');
    await page.reload();
    await attic.sees('YA-0001');
    expect(await attic.text()).not.toContain('shared with the attic');
    await at.server.up();
    await page.close();
  });

  it('and do not arrive, are not said to have', async () => {
    const attic = await Attic.open(at, PHONE);
    const answer = await fetch(`${at.server.address}/share`, { method: 'POST', redirect: 'manual' });
    expect(answer.status).toBe(303);
    await attic.page.goto(new URL(answer.headers.get('location') ?? '', at.server.address).href);
    await attic.sees('The shared pictures did not arrive.');
    await attic.page.close();
  });
});
