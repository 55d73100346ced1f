import { Attic } from './attic';
import { PHONE } from './browser';
import { listJumper, openReady } from './listing';
import { buyAt, until } from './serverProcess';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const TITLE = 'Gansey jumper on a bad evening, size M';
const at = startTestServer({ afresh: true, world: () => jumpersReady([TITLE]) });

it('stays red while Threadwick is out, keeps trying by itself, is calm once it is gone there', async () => {
  const attic = await Attic.open(at, PHONE);
  await listJumper(attic, TITLE);
  const moor = await attic.publicPage('Brackenmoor');
  const wick = await attic.publicPage('Threadwick');
  await attic.page.bringToFront();

  await at.server.switchboard('threadwick', { outageMinutes: 5 });
  await buyAt(moor);
  await attic.go('Today');
  await attic.sees('Sold on Brackenmoor, not gone everywhere yet');
  await attic.sees('Still up on Threadwick.');
  await attic.sees('It is closed just now. Tried');
  await attic.page.waitForSelector('[role=link][aria-label="Today, 1 urgent"]');
  // Growing waits: the number of tries goes up without anybody doing anything.
  await attic.sees('Tried 3 times');
  await attic.seesNot('Fetch it from');

  // The whole evening goes wrong: the power goes too, and comes back.
  await at.server.kill();
  await attic.sees('The courier can’t be reached just now.');
  await at.server.up();
  // The page tries to reach it again at growing intervals.
  await attic.sees('Sold on Brackenmoor, not gone everywhere yet', 60_000);

  await at.server.switchboard('threadwick', { outageMinutes: 0 });
  await attic.sees('Fetch it from A3-12', 90_000);
  await attic.seesNot('Still up on Threadwick.');
  expect(await (await fetch(wick)).text()).toContain('It was taken down.');
  expect(attic.complaints).toEqual([]);
});

it('lists nothing twice when answers are lost and the power goes while sending', async () => {
  const attic = await Attic.open(at, PHONE);
  await openReady(attic, TITLE);
  // Each carries out the call and hangs up without an answer.
  for (const market of ['brackenmoor', 'threadwick', 'nearstile'])
    await at.server.switchboard(market, { hangUp: 1 });
  await attic.press('Send to 3 marketplaces');
  await until('something is on its way', async () =>
    (await attic.signs()).some((w) => /on its way|live/u.test(w)),
  );
  await at.server.kill();
  await at.server.up();
  await attic.page.reload();
  // What had not been given to the courier yet is given now; what had been is not given twice.
  await until('everything was sent', async () => {
    const windows = (await attic.signs()).filter((w) => !w.endsWith('not planned'));
    if (windows.length === 3 && windows.every((w) => /on its way|in review|live/u.test(w))) return true;
    const button = await attic.page.$('::-p-xpath(//*[@role="button"][starts-with(., "Send to")])');
    await button?.click();
    return false;
  });
  for (const market of ['Brackenmoor', 'Threadwick', 'Nearstile'])
    await attic.waitForSign(`${market}: live`, 60_000);
  for (const market of ['brackenmoor', 'threadwick', 'nearstile'])
    expect(await at.server.offered(market)).toHaveLength(1);
});

it('knows of a sale that happened while the page was closed and the power was off', async () => {
  const attic = await Attic.open(at, PHONE);
  await listJumper(attic, TITLE);
  const moor = await attic.publicPage('Brackenmoor');
  const wick = await attic.publicPage('Threadwick');
  await attic.page.close();
  // The webhook is lost, and the process dies right after the sale.
  await at.server.switchboard('brackenmoor', { hooksLost: true });
  await buyAt(moor);
  await at.server.kill();
  await at.server.up();
  await until('it is gone from Threadwick', async () =>
    (await (await fetch(wick)).text()).includes('It was taken down.'),
  );

  const again = await Attic.open(at, PHONE);
  await again.sees('Sold on Brackenmoor for €48.00');
  await again.sees('Fetch it from A3-12');
});

it('never keeps a second sale quiet', async () => {
  const attic = await Attic.open(at, PHONE);
  await listJumper(attic, TITLE);
  const moor = await attic.publicPage('Brackenmoor');
  const wick = await attic.publicPage('Threadwick');
  await attic.page.bringToFront();
  await Promise.all([buyAt(moor), buyAt(wick)]);
  await attic.go('Today');
  await attic.sees('Sold twice');
  await attic.sees('that sale stays.');
  await attic.press('I have cancelled the later order');
  await attic.seesNot('Sold twice');
  await attic.sees('sold here as well');
});
