import { Attic } from './attic';
import { PHONE } from './browser';
import { keep } from './pictures';
import { startTestServer } from './testServer';

const at = startTestServer({ afresh: true });
/** The first cards of the product look-up: a book, a record, a game; and a number it has no card for. */
const [BOOK, RECORD, GAME, UNKNOWN] = ['2000000000015', '2000000000022', '2000000000039', '9781234567897'];

const toTables = async (attic: Attic) => {
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Bring in a table');
};
const readList = async (attic: Attic, list: string) => {
  await toTables(attic);
  await attic.fill('Or paste it here', list);
  await attic.press('Read what was pasted');
  await attic.press('See what it would do');
};

it('looks a list of barcodes up, keeps the unknown ones, makes items that wait to be confirmed', async () => {
  const attic = await Attic.open(at, PHONE);
  await toTables(attic);
  const list = `what;code\nbook;${BOOK}\nbook;${BOOK}\nodd;${UNKNOWN}\nslip;2000000000019\n`;
  await attic.choose([keep('list.csv', Buffer.from(list))], 'Choose a file');
  // Whatever the column is called, barcodes stand in it; what each is, the product look-up knows better.
  await attic.press('what: Title');
  await attic.press('Left out');
  await attic.press('See what it would do');
  await attic.press('Look the barcodes up');
  await attic.sees('1 of 2 known');
  await attic.sees('“2000000000019”: The last digit does not fit the others');
  await attic.press('Make 3 new items');
  await attic.sees('3 items made.');
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
  await toTables(attic);
  await attic.press('Another table');
  await attic.fill('Or paste it here', `${RECORD}\n${GAME}`);
  await attic.press('Read what was pasted');
  await attic.press('See what it would do');
  await attic.press('Look the barcodes up');
  await attic.sees('2 of 2 known');
  await attic.press('All of it is right');
  await attic.press('Make 2 new items');
  await attic.sees('2 items made.');
  await attic.press('To the stock');
  await attic.sees('5 items');
  await attic.press('Undo');
  await attic.sees('3 items');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('looks a typed barcode up by itself, says when it can’t, leaves it when switched off', async () => {
  const attic = await Attic.open(at, PHONE);
  await readList(attic, UNKNOWN);
  await attic.press('Look the barcodes up');
  await attic.sees('0 of 1 known');
  await attic.press('Make 1 new item');
  await attic.sees('1 item made.');
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
