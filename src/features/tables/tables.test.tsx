import { undo, useAttic } from '@/store/attic/attic';
import { addItem } from '@/store/items/items';
import { picturesOfLine } from '@/store/tables/beside';
import { putTableAway } from '@/store/tables/tableIn';
import { choose, fill, leave, open, press, said, sees } from '@/testing/page';
import { savedFiles } from '@/testing/savedFiles';
import { emptyAttic } from '@/testing/world';

import { TableIn } from './TableIn';
import { TablesOut } from './TablesOut';

const items = () => Object.values(useAttic.getState().items);
const byCode = (code: string) => items().find((i) => i.code === code);

async function paste(text: string): Promise<void> {
  await open(TableIn);
  await fill('Or paste it here', text);
  await press('Read what was pasted');
  await sees('columns taken');
}

beforeEach(emptyAttic);
afterEach(() => {
  leave();
  // One table at a time: the next test begins with none.
  putTableAway();
});

describe('a table that comes in', () => {
  it('is matched, put right where it stands, and taken with one undo', async () => {
    const id = addItem({ title: 'Jug', price: 2_400 });
    const { code } = byCode('YA-0001') ?? {};
    await paste(`SKU;Titel;Preis;Lagerplatz\n${code};;26,00;B2\nX-9;Lampe;abc;B3\nX-10;Buch;4,50;\n`);
    await sees('4 of 4 columns taken');
    await press('See what it would do');
    await sees('Not taken 1');
    await sees('Price 24 EUR → 26 EUR');
    await press(/^Line 3/u);
    await sees('Use digits only');
    await fill('Preis', '12,50');
    await press('Done');
    await press('Take 3 lines: 2 new items');
    await sees('2 items made, 1 item changed.');
    expect(useAttic.getState().items[id]).toMatchObject({ price: 2_600, spot: 'B2', title: 'Jug' });
    expect(byCode('X-9')).toMatchObject({ title: 'Lampe', price: 1_250 });
    undo();
    expect(items().map((i) => [i.code, i.price])).toEqual([['YA-0001', 2_400]]);
  });

  it('of several makes pieces that are named by their own item, whatever the lines called it', async () => {
    await paste(
      'SKU,Title,Option 1,Choice 1,Pieces in stock\n,Mug,,,3\nX-9,Cap,,,2\n,Coat,Size,M,1\n,Belt,Size,M,1\n',
    );
    await press('See what it would do');
    await press('Make 4 new items');
    await sees('4 items made.');
    const codes = Object.fromEntries(
      items().map((i) => [i.title, i.choices?.pieces.map((p) => p.code.replace(i.code, '#'))]),
    );
    expect(codes).toEqual({ Mug: ['#'], Cap: ['#'], Coat: ['#/1'], Belt: ['#/1'] });
    expect(byCode('X-9')?.choices).toMatchObject({ options: [], pieces: [{ stock: 2, code: 'X-9' }] });
  });

  it('takes what is ticked; a column is said otherwise by a tap, and remembered', async () => {
    await paste('Nr,What,Shelf mark\n1,Jug,A1\n2,Lamp,A2\n');
    await press('Shelf mark: left out');
    await press('Spot');
    await sees('as you said');
    await press('See what it would do');
    await sees('Line 2 · new');
    await press('Take line 2');
    await press('Make 1 new item');
    await sees('1 item made.');
    expect(items().map((i) => [i.title, i.spot])).toEqual([['Lamp', 'A2']]);
    await press('Another table');
    await fill('Or paste it here', 'Nr,What,Shelf mark\n7,Vase,C1\n');
    await press('Read what was pasted');
    await sees('as last time');
  });

  it('of barcodes is looked up, and made with what was said of each', async () => {
    const record = { barcode: '2000000000015', title: 'Wading Birds', sort: ['Print'] };
    await open(TableIn, { answers: { '/lookup/': () => ({ found: true, record }) } });
    await fill('Or paste it here', 'ean;qty;price\n2000000000015;3;4,50\n2000000000019;1;1,00\n');
    await press('Read what was pasted');
    await press('See what it would do');
    await sees('Not taken 1');
    await press('Look the barcodes up');
    await sees('1 of 1 known');
    await sees('Wading Birds × 3');
    await press('All of it is right');
    await press('Make 3 new items');
    await sees('3 items made.');
    expect(items().map((i) => [i.price, i.readings.length])).toEqual([
      [450, 0],
      [450, 0],
      [450, 0],
    ]);
  });

  it('that is none says so, and nothing is lost', async () => {
    await open(TableIn);
    await choose(new File(['PK\u0003\u0004 but no spreadsheet'], 'stock.xlsx'));
    await sees('It can’t be read: it is damaged');
    await choose(new File([new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0, 1, 0, 0, 7])], 'old.xls'));
    await sees('It can’t be read: it is damaged');
    await choose(new File([' \n , \n'], 'blank.csv'));
    await sees('Nothing stands in it. Nothing was changed.');
    expect(items()).toEqual([]);
  });

  it('of purchases becomes a haul with its lines', async () => {
    await open(TableIn);
    await fill(
      'Or paste it here',
      'Description,Cases,Pieces per case,Price each\nmugs,3,12,0.50\n,1,1,2.00\n',
    );
    await press('Read what was pasted');
    await sees('1 line, 36 pieces, €18.00');
    await press('Line 3: nothing');
    await fill('What it is', 'a crate');
    await sees('2 lines, 37 pieces, €20.00');
    await fill('Name of the haul', 'Quayside');
    await press('Make the haul of 2 lines');
    expect(Object.values(useAttic.getState().hauls)).toMatchObject([
      {
        name: 'Quayside',
        cost: 2_000,
        lines: [
          { what: 'mugs', count: 36, each: 50 },
          { what: 'a crate', count: 1, each: 200 },
        ],
      },
    ]);
    const [haul] = Object.values(useAttic.getState().hauls);
    const crate = addItem({ lineId: haul!.lines[1]!.id });
    // What is taken in of it cost what it was bought at.
    expect(useAttic.getState().items[crate]).toMatchObject({ haulId: haul!.id, cost: 200 });
  });
});

describe('a table that goes out', () => {
  it('has the columns a person chose, in that order, and is written their way', async () => {
    addItem({ title: '=Jug', price: 2_450, spot: 'A1' });
    const files = savedFiles();
    await open(TablesOut);
    await press('Choose the columns');
    await press('Move Price, EUR up');
    await press('Leave out Spot');
    await press('Semicolon');
    await press('24,50');
    await press('Marked as UTF-8 for old spreadsheets');
    await press('Save 1 item');
    await sees('Saved.');
    expect(files[0]?.name).toMatch(/^stock-\d{4}-\d\d-\d\d\.csv$/u);
    const [head, line] = (await files[0]!.blob.text()).split('\r\n');
    expect(head?.startsWith('Code;Kind;')).toBe(true);
    expect(head).not.toContain('Spot');
    expect(line).toContain("'=Jug");
    expect(line).toContain('24,5');
    leave();
    await open(TablesOut);
    await press('Choose the columns');
    expect(said()).not.toContain('Move Spot up');
  });

  it('of every sort is saved, also where there is nothing yet', async () => {
    const files = savedFiles();
    await open(TablesOut);
    for (const table of ['Sales', 'Hauls', 'Payouts', 'Consignors', 'Diary']) {
      await press(table);
      await sees('There is nothing to save yet.');
    }
    await press('What is planned, as a calendar');
    await sees('Nothing is planned: nothing was saved.');
    addItem({ title: 'Jug' });
    await press('JSON Lines');
    await sees('Save 1 line');
    await press('Save 1 line');
    await sees('Saved.');
    expect(JSON.parse(await files[0]!.blob.text())).toMatchObject({ what: 'new item', code: 'YA-0001' });
  });
});

it('finds a line’s pictures by the names it says, else by its code', () => {
  const files = ['in/YA-0001-2.jpg', 'YA-0001-1.JPG', 'YA-00010-1.jpg', 'front.png', 'YA-0001.webp'].map(
    (filename) => ({ filename }),
  );
  const found = (named: string[], code: string) => picturesOfLine(files, named, code).map((f) => f.filename);
  expect(found(['Front.PNG', 'gone.jpg'], 'YA-0001')).toEqual(['front.png']);
  expect(found([], 'YA-0001')).toEqual(['YA-0001.webp', 'YA-0001-1.JPG', 'in/YA-0001-2.jpg']);
  expect(found([], '')).toEqual([]);
});
