import { Attic } from './attic';
import { PHONE } from './browser';
import { keep } from './pictures';
import { startTestServer } from './testServer';

const at = startTestServer({ afresh: true });
/** The first cards of the product look-up: a book, a record, a game; and a number it has no card for. */
const [BOOK, RECORD, GAME, UNKNOWN] = ['2000000000015', '2000000000022', '2000000000039', '9781234567897'];

const toBarcodes = async (attic: Attic) => {
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Barcodes');
};

it('looks a list of barcodes up, keeps the unknown ones, makes items that wait to be confirmed', async () => {
  const attic = await Attic.open(at, PHONE);
  await toBarcodes(attic);
  await attic.choose(
    [
      keep(
        'list.csv',
        Buffer.from(`what;code\nbook;${BOOK}\nbook;${BOOK}\nodd;${UNKNOWN}\nslip;2000000000019\n`),
      ),
    ],
    'Choose a file',
  );
  await attic.sees('1 of 2 known');
  await attic.sees('2000000000019: The last digit does not fit the others');
  await attic.sees('2 copies');
  await attic.sees('no card: kept, to be filled in by hand');
  await attic.press('Make 3 items, to be confirmed one by one');
  await attic.sees('3 items made. Undo takes all of it back.');
  await attic.openItem('YA-0001');
  // Nothing of it counts before a person says so.
  await attic.sees('Say what it is first');
  await attic.sees('from the product look-up');
  await attic.sees('Sales rank');
  await attic.press('Right: all of it');
  await attic.sees('Books and paper › Book');
  await attic.holds('Title of the book', /./u);
  await attic.holds('Author', /./u);
  await attic.holds('Year', /^\d{4}$/u);
  await attic.openItem('YA-0003');
  await attic.holds('Barcode', UNKNOWN);

  // All at once, by the person's word; one undo takes the list back.
  await toBarcodes(attic);
  await attic.fill('Barcodes', `${RECORD} ${GAME}`.replace(' ', '\n'));
  await attic.press('Look them up');
  await attic.sees('2 of 2 known');
  await attic.press('All of it is right: make 2 items');
  await attic.sees('2 items made');
  await attic.go('Stock');
  await attic.sees('5 items');
  await attic.press('Undo');
  await attic.sees('3 items');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('looks a typed barcode up by itself, says when it can’t, leaves it when switched off', async () => {
  const attic = await Attic.open(at, PHONE);
  await toBarcodes(attic);
  await attic.fill('Barcodes', UNKNOWN);
  await attic.press('Look them up');
  await attic.sees('0 of 1 known');
  await attic.press('Make one item, to be confirmed one by one');
  await attic.sees('one item made');
  await attic.openItem('YA-0001');

  await at.server.switchboard('indexhall', { outageMinutes: 5 });
  await attic.fill('Barcode', GAME);
  await attic.sees(
    'The product look-up: It is closed just now. The barcode is kept; nothing else was changed.',
  );
  await attic.holds('Barcode', GAME);
  await at.server.switchboard('indexhall', { outageMinutes: 0, tooMany: 1 });
  // The desk asks to slow down once: it is asked again by itself.
  await attic.press('Look it up again');
  await attic.sees('Looked up and read: is it right?');
  await attic.page.waitForSelector('::-p-aria(Right: Kind Board game)');
  await attic.sees('Cost €28.45 when new. Sales rank');

  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Only when I ask');
  await attic.openItem('YA-0001');
  await attic.press('Drop: Kind Board game');
  await attic.fill('Barcode', BOOK);
  await attic.saved();
  await attic.page.waitForSelector('::-p-aria(Look the barcode up)');
  expect(await attic.text()).not.toContain('Looking up');
  await attic.press('Look the barcode up');
  await attic.page.waitForSelector('::-p-aria(Right: Kind Book)');
  // The desk has no way in for others, and the server none for what is no barcode.
  const token = ((await (await fetch(`${at.server.address}/api/session`)).json()) as { token: string }).token;
  const ask = (path: string, session = token) =>
    fetch(`${at.server.address}${path}`, { headers: { 'x-attic-session': session } }).then((r) => r.status);
  expect(await ask(`/api/lookup/${BOOK}`)).toBe(200);
  expect(await ask(`/api/lookup/${BOOK}`, 'wrong')).toBe(401);
  expect(await ask('/api/lookup/..%2F..%2Fswitchboard')).toBe(400);
  expect(await ask(`/outside/indexhall/desk/cards/${BOOK}`)).toBe(401);
  await attic.page.close();
});
