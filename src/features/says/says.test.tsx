import { within } from '@testing-library/react';

import { Picture, type Reading } from '@/contract/records';
import { change, undo, useAttic } from '@/store/attic/attic';
import { addItem, editItem } from '@/store/items/items';
import { fillInMany } from '@/store/items/many';
import { saidBy } from '@/store/pictures/reading';
import { addReadings, confirmAll, confirmReading, dropReading, type Found } from '@/store/pictures/readings';
import { fill, leave, open, press, said, sees, settled } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic } from '@/testing/world';

import { Says } from './Says';
import { SaysMany } from './SaysMany';
import { Taught } from './Taught';

let id = '';
const item = (which = id) => useAttic.getState().items[which]!;
const lessons = () => useAttic.getState().settings.lessons;

const found = (field: string, value: string, part: Partial<Found> = {}): Found => ({
  field,
  value,
  words: value,
  box: [0.1, 0.1, 0.5, 0.05],
  confidence: 90,
  ...part,
});
const line = (text: string, y: number) => ({
  text,
  confidence: 90,
  box: [0.1, y, 0.5, 0.05] as Reading['box'],
});

/** An item with one picture in which these lines were read. */
function itemWith(texts: readonly string[], readings: readonly Found[], kind = 'jumper'): string {
  const made = addItem({ kind });
  const record = Picture.parse({
    id: `p-${made}`,
    itemId: made,
    origin: 'camera',
    author: 'Odile',
    addedAt: 1,
    width: 900,
    height: 900,
    bytes: 9,
    read: { page: texts.map((text, i) => line(text, 0.5 + i / 10)), line: [] },
  });
  change('picture', [
    { collection: 'pictures', id: record.id, record },
    { collection: 'items', id: made, record: { ...item(made), pictureIds: [record.id] } },
  ]);
  addReadings(made, record.id, readings);
  return made;
}

beforeEach(emptyAttic);

it('takes what is plain in one press, asks the rest one by one, and writes the words of it', async () => {
  id = itemWith(
    [],
    [
      found('fact:brand', 'Kittiwake Mills'),
      found('fact:size', 'M'),
      found('fact:colour', 'Navy', { doubt: 'light' }),
      found('measure:chest', '540', { doubt: 'unusual' }),
    ],
  );
  await open(Says, { params: { id } });
  await sees('All of it is right: these 2');
  await sees('Not with it: 2 that are doubtful are asked below.');
  expect(item().title).toBe('');
  await press('Right: all of it');
  expect(item().facts).toMatchObject({ brand: 'Kittiwake Mills', size: 'M' });
  await sees('Kittiwake Mills jumper size M');
  // What is not confirmed is in no public word, and marks the check.
  expect(item().title + item().description).not.toMatch(/navy|54 cm/iu);
  expect(item().facts.colour).toBeUndefined();
  await press('Right: Colour Navy');
  await press('Drop: Pit to pit');
  expect(item()).toMatchObject({ measurements: {}, readings: [], facts: { colour: 'Navy' } });
  await sees('Kittiwake Mills jumper Navy size M');
  // A person's own title is theirs.
  editItem(id, 'title', { title: 'Grandfather’s gansey' });
  editItem(id, 'colour', { facts: { ...item().facts, colour: 'Petrol' } });
  await settled();
  expect(item().title).toBe('Grandfather’s gansey');
  expect(item().description).toContain('petrol');
  await press('Where does each word come from?');
  await sees('Brand, read and confirmed');
  await sees('Typed: nothing recorded says it');
});

it('neither loses nor takes along what was read between the drawing and the press', async () => {
  id = itemWith([], [found('fact:size', 'M'), found('weight', '740')]);
  const drawn = item();
  addReadings(id, `p-${id}`, [found('fact:brand', 'Kittiwake Mills')]);
  confirmAll(drawn);
  expect(item().facts).toEqual({ size: 'M' });
  expect(item().readings.map((r) => r.field)).toEqual(['fact:brand']);
  addReadings(id, `p-${id}`, [found('fact:colour', 'Navy')]);
  dropReading(drawn, drawn.readings[0]!);
  confirmReading(drawn, item().readings[0]!);
  expect(item().facts).toEqual({ size: 'M', brand: 'Kittiwake Mills' });
  expect(item().readings.map((r) => r.field)).toEqual(['fact:colour']);
});

it('learns from a brand put right, and forgets it when told', async () => {
  id = itemWith([], [found('fact:brand', 'Kitfiwoke Nllls')]);
  await open(Says, { params: { id } });
  await press('Type another: Brand Kitfiwoke Nllls');
  await fill('Brand, put right', 'Kittiwake Mills');
  await press('Take this');
  expect(item().facts.brand).toBe('Kittiwake Mills');
  const next = addItem({ kind: 'jumper' });
  const read = { page: [line('KITFIWOKE NLLLS', 0.1), line('SIZE M', 0.3)], line: [] };
  const brandRead = async () => (await saidBy(read, item(next))).find((s) => s.field === 'fact:brand')?.value;
  expect(await brandRead()).toBe('Kittiwake Mills');
  leave();
  await open(Taught);
  await sees('“kitfiwoke nllls” is Kittiwake Mills');
  await press('Forget: “kitfiwoke nllls” is Kittiwake Mills');
  await sees('Nothing was taught yet.');
  expect(await brandRead()).not.toBe('Kittiwake Mills');
});

it('takes what is typed before a kind is said, beside what came meanwhile', async () => {
  id = itemWith([], [found('fact:brand', 'Kitfiwoke Nllls')], '');
  await open(Says, { params: { id } });
  await press('Type another: Brand Kitfiwoke Nllls');
  editItem(id, 'size', { facts: { size: 'M' } });
  await fill('Brand, put right', 'Kittiwake Mills');
  await press('Take this');
  expect(item().facts).toEqual({ size: 'M', brand: 'Kittiwake Mills' });
});

it('asks what a line is that nobody understood, once for all of its kind', async () => {
  id = itemWith(['Brust 54', 'Zeile 9'], [found('fact:size', 'M')]);
  await open(Says, { params: { id } });
  await press('2 lines were not understood');
  await sees('“Brust 54”');
  await press('It is: Pit to pit');
  expect(item().measurements.chest).toBe(540);
  expect(lessons()).toMatchObject([{ type: 'name', name: 'brust', measure: 'chest' }]);
  await press('It is nothing');
  await settled();
  expect(said()).not.toContain('Zeile');
  const next = addItem({ kind: 'jumper' });
  const read = { page: [line('BRUST 58', 0.1)], line: [] };
  expect(await saidBy(read, item(next))).toMatchObject([{ field: 'measure:chest', value: '580' }]);
});

it('refuses what a question can’t take, and keeps the reading', async () => {
  id = itemWith([], [found('measure:chest', '540')]);
  await open(Says, { params: { id } });
  await press('Type another: Pit to pit 54 cm');
  await fill('Pit to pit, put right', 'about so');
  await press('Take this');
  await sees('Type centimetres');
  expect(item().readings).toHaveLength(1);
  await fill('Pit to pit, put right', '56');
  await press('Take this');
  expect(item()).toMatchObject({ measurements: { chest: 560 }, readings: [] });
});

it('asks what no picture says, and what it says no more', async () => {
  id = itemWith([], [found('fact:size', 'M')]);
  await open(Says, { params: { id } });
  const asked = () => within(document.querySelector<HTMLElement>('[aria-label="No picture says"]')!);
  expect(asked().queryByLabelText('Size on the label')).toBeNull();
  await press('Use: Lightly used');
  await press('Who it is for: Men');
  await fill('Price', '48');
  expect(item()).toMatchObject({ use: 'light', price: 4_800, facts: { department: 'Men' } });
});

it('goes through several one after the other, or takes all of them at once beside a table', async () => {
  const first = itemWith([], [found('fact:size', 'M'), found('weight', '740')]);
  const second = itemWith([], [found('fact:size', 'L'), found('fact:colour', 'Navy', { doubt: 'light' })]);
  fillInMany([first, second]);
  await open(SaysMany);
  await sees('1 of 2');
  await press('Next item');
  await sees('2 of 2');
  await sees('Is it right?');
  leave();
  await open(SaysMany, { wide: true });
  await sees('Size on the label M · Weight 740 g');
  await sees('1 doubtful');
  await press('All of it is right: 3 of 2 items');
  expect([item(first).facts.size, item(second).facts.size, item(first).weightG]).toEqual(['M', 'L', 740]);
  expect(item(second).readings).toHaveLength(1);
  undo();
  expect([item(first).readings.length, item(second).readings.length]).toEqual([2, 2]);
  await press('The next item');
  await press('Write for all of them');
  expect(went.at(-1)).toBe('/write');
});
