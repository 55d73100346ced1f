import { strToU8, unzipSync, zipSync } from 'fflate';

import { COPY_FORMAT } from '@/contract/copy';

import { Attic } from './attic';
import { openBrowser, PHONE } from './browser';
import { house } from './house';
import { keep } from './pictures';
import { buyAt } from './serverProcess';
import { jumpersReady } from './world';

const LISTED = 'Gansey jumper that outlives its browser, size M';
const PLAIN = 'Gansey jumper beside it, size M';
const at = house({ world: () => jumpersReady([LISTED, PLAIN], ['brackenmoor', 'threadwick']) });

const readCopy = async (attic: Attic, file: string) => {
  await attic.page.goto(`${at.server.address}/copies`);
  await attic.choose([file], 'Choose a copy');
};

it('brings an attic back that its browser has lost, and what is listed is looked after as before', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openThing(LISTED);
  await attic.press('Send to Brackenmoor and Threadwick');
  await attic.waitForWindow('Brackenmoor: live');
  await attic.waitForWindow('Threadwick: live');
  const moor = await attic.publicPage('Brackenmoor');
  await attic.go('Today');
  await attic.page.goto(`${at.server.address}/copies`);
  await attic.sees('None was saved yet.');
  const bytes = await attic.saves('Save a copy of the attic');
  await attic.sees('The last one was saved');
  const inside = unzipSync(bytes);
  expect(JSON.parse(new TextDecoder().decode(inside['records/things.json']))).toHaveLength(2);
  expect(Object.keys(inside).filter((name) => name.startsWith('picture/'))).toHaveLength(16);
  await at.browser.close();

  // Another browser, and no demo world to begin with.
  at.server.world = null;
  await at.server.kill();
  await at.server.up();
  at.browser = await openBrowser();
  const fresh = await Attic.open(at, PHONE);
  await fresh.sees('One thing is listed that is not in this attic');
  await fresh.press('Read a copy of the attic');
  await fresh.choose([keep('attic.zip', bytes)], 'Choose a copy');
  await fresh.sees('Missing here: 2 things, 8 pictures and ');
  await fresh.press('Bring back what is missing');
  await fresh.sees('records brought back.');
  await fresh.reload();
  await fresh.openThing(LISTED);
  await fresh.waitForWindow('Brackenmoor: live');
  await fresh.holds('Price', '48.00');
  await fresh.page.waitForFunction(() =>
    [...document.querySelectorAll<HTMLImageElement>('[data-picture] img')].some((i) => i.naturalWidth > 100),
  );
  await buyAt(moor);
  await fresh.waitForWindow('Brackenmoor: sold');
  await fresh.waitForWindow('Threadwick: ended');

  // What differs stays, unless the copy's is wanted; and that is taken back like anything else.
  await fresh.openThing(PLAIN);
  await fresh.fill('Price', '60');
  await fresh.saved();
  await readCopy(fresh, keep('attic.zip', bytes));
  await fresh.sees('Nothing is missing here');
  await fresh.sees('One record is in both and not the same.');
  await fresh.press('Take it from the copy');
  await fresh.press('Take what differs from the copy');
  await fresh.sees('Nothing was missing.');
  await fresh.openThing(PLAIN);
  await fresh.holds('Price', '48.00');
  expect(fresh.complaints).toEqual([]);
  await fresh.page.close();
});

it('takes what is whole of a damaged copy, says what is not, and nothing from any other file', async () => {
  const attic = await Attic.open(at, PHONE);
  const head = { format: COPY_FORMAT, schema: 1, at: 1, author: 'Wren', records: 6, bytes: 3 };
  const good = { id: 'p00001-brought', code: 'YA-9000', title: 'Brought from elsewhere', pictureIds: ['p00002-torn'], author: 'Wren', createdAt: 1, updatedAt: 1 }; // prettier-ignore
  const picture = { id: 'p00002-torn', thingId: good.id, author: 'Wren', addedAt: 1, width: 10, height: 10, bytes: 9, origin: 'demo' }; // prettier-ignore
  const json = (value: unknown) => strToU8(JSON.stringify(value));
  const damaged = zipSync({
    'attic.json': json(head),
    'records/things.json': json([good, { ...good, id: '../../x' }, { id: 'p00003-x', price: 'much' }]),
    'records/pictures.json': json([picture]),
    'records/hauls.json': strToU8('{'),
    'picture/p00002-torn/full.jpg': strToU8('<svg onload="alert(1)">'),
  });
  await readCopy(attic, keep('damaged.zip', damaged));
  await attic.sees('2 of the things could not be read.');
  await attic.sees('The list of hauls could not be read.');
  await attic.sees('2 records are not in it any more.');
  await attic.sees('2 pictures or labels are not in it any more.');
  await attic.press('Bring back what is missing');
  await attic.sees('1 picture file in the copy could not be read');
  await attic.openThing(good.title);
  for (const [name, bytes, why] of [
    ['words.zip', strToU8('Not an archive at all.'), 'This is no copy of an attic, or it was cut short.'],
    ['cut.zip', damaged.slice(0, 300), 'This is no copy of an attic, or it was cut short.'],
    [
      'shop.zip',
      zipSync({ 'index.html': strToU8('<p>') }),
      'This is no copy of an attic. Nothing was changed.',
    ],
    [
      'newer.zip',
      zipSync({ 'attic.json': json({ ...head, schema: 99 }) }),
      'made by a newer version of the app',
    ],
  ] as const) {
    await readCopy(attic, keep(name, bytes));
    await attic.sees(why);
  }
  expect(attic.complaints).toEqual([]);
});
