import { strToU8, unzipSync, zipSync } from 'fflate';

import { COPY_FORMAT } from '@/contract/copy';

import { Attic } from './attic';
import { closeBrowser, openBrowser, PHONE } from './browser';
import { keep } from './pictures';
import { buyAt } from './serverProcess';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const LISTED = 'Gansey jumper that outlives its browser, size M';
const PLAIN = 'Gansey jumper beside it, size M';
const at = startTestServer({ world: () => jumpersReady([LISTED, PLAIN], ['brackenmoor', 'threadwick']) });

const readCopy = async (attic: Attic, file: string) => {
  await attic.page.goto(`${at.server.address}/copies`);
  await attic.choose([file], 'Choose a copy');
};

it('brings back an attic its browser has lost, and what is listed is looked after as before', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(LISTED);
  await attic.press('Send to Brackenmoor and Threadwick');
  await attic.waitForSign('Brackenmoor: live');
  await attic.waitForSign('Threadwick: live');
  const moor = await attic.publicPage('Brackenmoor');
  await attic.go('Today');
  await attic.visit('/copies');
  await attic.sees('None was saved yet.');
  const bytes = await attic.saves('Save a copy of the attic');
  await attic.sees('The last one was saved');
  const inside = unzipSync(bytes);
  expect(JSON.parse(new TextDecoder().decode(inside['records/items.json']))).toHaveLength(2);
  expect(Object.keys(inside).filter((name) => name.startsWith('picture/'))).toHaveLength(16);
  await closeBrowser(at.browser);

  // Another browser, and no demo world to begin with.
  at.server.world = null;
  await at.server.kill();
  await at.server.up();
  at.browser = await openBrowser();
  const fresh = await Attic.open(at, PHONE);
  await fresh.sees('One item is listed that is not in this attic');
  await fresh.press('Read a copy of the attic');
  await fresh.choose([keep('attic.zip', bytes)], 'Choose a copy');
  await fresh.sees('Missing here: 2 items, 8 pictures and ');
  await fresh.press('Bring back what is missing');
  await fresh.sees('records brought back.');
  await fresh.reload();
  await fresh.openItem(LISTED);
  await fresh.waitForSign('Brackenmoor: live');
  await fresh.holds('Price', '48.00');
  await fresh.page.waitForFunction(() =>
    [...document.querySelectorAll<HTMLImageElement>('[data-picture] img')].some((i) => i.naturalWidth > 100),
  );
  await buyAt(moor);
  await fresh.waitForSign('Brackenmoor: sold');
  await fresh.waitForSign('Threadwick: ended');

  // What differs stays, unless the copy's is wanted; and that is taken back like anything else.
  await fresh.openItem(PLAIN);
  await fresh.fill('Price', '60');
  await fresh.saved();
  await readCopy(fresh, keep('attic.zip', bytes));
  await fresh.sees('Nothing is missing here');
  await fresh.sees('One record is in both and not the same.');
  await fresh.press('Take it from the copy');
  await fresh.press('Take what differs from the copy');
  await fresh.sees('Nothing was missing.');
  await fresh.openItem(PLAIN);
  await fresh.holds('Price', '48.00');
  expect(fresh.complaints).toEqual([]);
  await fresh.page.close();
});

it('takes what is whole of a damaged copy, says what is not, and nothing from any other file', async () => {
  const attic = await Attic.open(at, PHONE);
  const head = { format: COPY_FORMAT, schema: 1, at: 1, author: 'Wren', records: 6, bytes: 3 };
  const good = {
    id: 'p00001-brought',
    code: 'YA-9000',
    title: 'Brought from elsewhere',
    pictureIds: ['p00002-torn'],
    author: 'Wren',
    createdAt: 1,
    updatedAt: 1,
  };
  const picture = {
    id: 'p00002-torn',
    itemId: good.id,
    author: 'Wren',
    addedAt: 1,
    width: 10,
    height: 10,
    bytes: 9,
    origin: 'demo',
  };
  const json = (value: unknown) => strToU8(JSON.stringify(value));
  const damaged = zipSync({
    'attic.json': json(head),
    'records/items.json': json([good, { ...good, id: '../../x' }, { id: 'p00003-x', price: 'much' }]),
    'records/pictures.json': json([picture]),
    'records/hauls.json': strToU8('{'),
    'picture/p00002-torn/full.jpg': strToU8('<svg onload="alert(1)">'),
  });
  await readCopy(attic, keep('damaged.zip', damaged));
  await attic.sees('2 of the items could not be read.');
  await attic.sees('The list of hauls could not be read.');
  await attic.sees('2 records are not in it any more.');
  await attic.sees('2 pictures or labels are not in it any more.');
  await attic.press('Bring back what is missing');
  await attic.sees('1 picture file in the copy could not be read');
  await attic.openItem(good.title);
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

/**
 * The size that an archive says one of its files unpacks to, written over wherever it stands (APPNOTE 4.3.7,
 * 4.3.12).
 */
function lyingAbout(zip: Uint8Array, name: string, says: number): Uint8Array {
  const bytes = Buffer.from(zip);
  for (const [mark, sizeAt, nameAt] of [
    [0x04034b50, 22, 30],
    [0x02014b50, 24, 46],
  ] as const)
    for (let at = 0; at + nameAt < bytes.length; at += 1)
      if (
        bytes.readUInt32LE(at) === mark &&
        bytes.subarray(at + nameAt, at + nameAt + name.length).toString() === name
      )
        bytes.writeUInt32LE(says, at + sizeAt);
  return bytes;
}

it('is not brought down by a copy that was made to do that', async () => {
  const attic = await Attic.open(at, PHONE);
  const json = (text: string) => strToU8(text);
  const record = (id: string, title: string, pictures: string[] = []) =>
    JSON.stringify({
      id,
      code: `YA-8${id.length}00`,
      title,
      pictureIds: pictures,
      author: 'Wren',
      createdAt: 1,
      updatedAt: 1,
      facts: { brand: 'Ostler' },
    });
  const picture = (id: string) =>
    JSON.stringify({
      id,
      itemId: 'p00009-good',
      author: 'Wren',
      addedAt: 1,
      width: 10,
      height: 10,
      bytes: 9,
      origin: 'demo',
    });
  const ids = ['p00011-zeros', 'p00012-lies', 'p00013-bomb'];
  // A quarter of a gigabyte of nothing; bytes that say they are few; and a few that say they are an enormous
  // picture.
  const zeros = new Uint8Array(250_000_000);
  const long = new Uint8Array(70_000_000);
  long.set([0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0]);
  const bomb = new Uint8Array([
    0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0, 0xff, 0xc0, 0, 11, 8, 0xff, 0xff, 0xff, 0xff, 1, 1, 0x11, 0, 0xff,
    0xd9,
  ]);
  const hostile = zipSync(
    {
      'attic.json': json(
        JSON.stringify({ format: COPY_FORMAT, schema: 1, at: 1, author: 'Wren', records: 8, bytes: 3 }),
      ),
      'records/items.json': json(
        `[${[
          record('p00009-good', 'Brought past the traps', ids),
          record('__proto__', 'polluted'),
          record('constructor', 'built in'),
          '{"__proto__":{"polluted":true},"id":"p00010-x"}',
        ].join()}]`,
      ),
      'records/pictures.json': json(`[${ids.map(picture).join()},${picture('toString')}]`),
      'records/hauls.json': zeros,
      'picture/p00011-zeros/full.jpg': zeros,
      'picture/p00012-lies/full.jpg': long,
      'picture/p00013-bomb/full.jpg': bomb,
    },
    { level: 1 },
  );
  await readCopy(attic, keep('hostile.zip', lyingAbout(hostile, 'picture/p00012-lies/full.jpg', 900)));
  await attic.sees('3 of the items could not be read.');
  await attic.sees('1 of the pictures could not be read.');
  await attic.sees('The list of hauls could not be read.');
  await attic.press('Bring back what is missing');
  await attic.sees('3 picture files in the copy could not be read', 60_000);
  await attic.openItem('Brought past the traps');
  expect(await attic.page.evaluate(() => 'polluted' in {})).toBe(false);
  await attic.page.close();
});
