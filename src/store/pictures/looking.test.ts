import { Picture, type TextRead } from '@/contract/picture';
import { dropBlob, newId, pictureKey, putBlob, useAttic } from '@/store/attic/attic';
import { changeKind, editItem } from '@/store/items/items';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { waitFor } from '@/testing/patience';
import { emptyAttic } from '@/testing/world';

import { keepLooking, lookAt, stopLooking, useLooking } from './looking';
import { addPictures, editPicture, readOriginal } from './pictures';
import { standingIn, type Standing } from './reading';
import { confirmReading, dropReading } from './readings';
import { keepUnderstanding } from './understanding';

// What stands in a picture is read by others, which need a browser.
jest.mock('./reading', () => ({ ...jest.requireActual('./reading'), standingIn: jest.fn() }));
const standing = jest.mocked(standingIn);

furnishCanvas();

const item = (id: string) => useAttic.getState().items[id]!;
const pictures = (id: string) => item(id).pictureIds.map((p) => useAttic.getState().pictures[p]!);
const read = (id: string, field: string) =>
  item(id)
    .readings.filter((r) => r.field === field)
    .map((r) => r.value);

/** A blue thing on a light floor. */
const vest = (name = 'front.jpg') =>
  pictureFile(name, 600, 450, (pen) => {
    pen.fillStyle = '#c9c2b4';
    pen.fillRect(0, 0, 600, 450);
    pen.fillStyle = '#2f4a86';
    pen.fillRect(180, 110, 240, 220);
  });

const lines = (...texts: string[]): TextRead => {
  const all = texts.map((text, i) => ({
    text,
    confidence: 94,
    box: [0.2, 0.2 + i * 0.12, 0.6, 0.1] as [number, number, number, number],
  }));
  return { page: all, line: all };
};
const WORDLESS: Standing = { code: null, read: { page: [], line: [] } };
const LABEL: Standing = { code: null, read: lines('SIZE M', '85% WOOL 15% NYLON', 'MADE IN PORTUGAL') };
const BOARD: Standing = { code: null, read: lines('PIT TO PIT 54', 'LENGTH 68', 'SLEEVE 60', '740 g') };

const stops: (() => void)[] = [];
beforeEach(async () => {
  await emptyAttic();
  standing.mockReset();
  standing.mockResolvedValue(WORDLESS);
  stops.push(keepLooking(), keepUnderstanding());
});
afterEach(() => stops.splice(0).forEach((stop) => stop()));

const until = (isSo: () => boolean) => waitFor(() => expect(isSo()).toBe(true));
const looked = (id: string) => until(() => pictures(id).every((p) => !p.awaits));

async function taken(...says: Standing[]): Promise<string> {
  for (const one of says) standing.mockResolvedValueOnce(one);
  const files = await Promise.all(says.map((_, i) => vest(`${i}.jpg`)));
  const { itemId } = await addPictures(newId(), files, { origin: 'file', shows: 'front', showsBy: 'list' });
  await looked(itemId!);
  return itemId!;
}

describe('pictures that came in', () => {
  it('say by themselves what they show, whatever the list asked for, and what stands in them', async () => {
    const id = await taken(LABEL, WORDLESS, WORDLESS, BOARD);
    expect(pictures(id).map((p) => p.shows)).toEqual(['label', 'front', 'back', 'board']);
    expect(pictures(id).every((p) => p.showsBy === 'sight')).toBe(true);
    expect(read(id, 'fact:size')).toEqual(['M']);
    expect(read(id, 'fact:country')).toEqual(['Portugal']);
    expect(read(id, 'weight')).toEqual(['740']);
    // The label is white, and no colour of the item; its front says it, once.
    expect(read(id, 'fact:colour')).toEqual(['Blue']);
  });

  it('give a board’s measurements before a kind is said, and its own once it is', async () => {
    const id = await taken(BOARD);
    expect(read(id, 'measure:chest')).toEqual(['540']);
    expect(read(id, 'measure:length')).toEqual(['680']);
    changeKind(id, 'trousers');
    await until(() => read(id, 'measure:chest').length === 0);
    expect(read(id, 'measure:length')).toEqual(['680']);
    changeKind(id, 'jumper');
    await until(() => read(id, 'measure:chest').length === 1);
    expect(read(id, 'measure:sleeve')).toEqual(['600']);
  });

  it('are read once: what was confirmed or dropped is not proposed again', async () => {
    const id = await taken(BOARD);
    const one = (field: string) => item(id).readings.find((r) => r.field === field)!;
    confirmReading(item(id), one('weight'));
    dropReading(item(id), one('measure:chest'));
    standing.mockResolvedValueOnce(BOARD);
    expect(await lookAt(pictures(id)[0]!.id)).toBe(0);
    changeKind(id, 'jumper');
    await until(() => item(id).kind === 'jumper');
    expect([read(id, 'weight'), read(id, 'measure:chest')]).toEqual([[], []]);
    expect(item(id).weightG).toBe(740);
  });

  it('keep what a person says they show', async () => {
    standing.mockResolvedValueOnce(LABEL);
    const { itemId } = await addPictures(newId(), [await vest()], { origin: 'file', shows: 'back' });
    await looked(itemId!);
    expect(pictures(itemId!)[0]).toMatchObject({ shows: 'back', showsBy: 'person' });
  });

  it('are left as they are once the rest is left, even the one at work', async () => {
    let go = (_: Standing) => {};
    standing.mockReturnValueOnce(new Promise((done) => (go = done)));
    const { itemId } = await addPictures(newId(), [await vest(), await vest('b.jpg')], { origin: 'file' });
    await until(() => standing.mock.calls.length === 1);
    stopLooking(item(itemId!));
    go(LABEL);
    await lookAt('nothing');
    expect(read(itemId!, 'fact:size')).toEqual([]);
    expect(pictures(itemId!).map((p) => [p.awaits, p.shows])).toEqual([
      [false, ''],
      [false, ''],
    ]);
    expect(standing).toHaveBeenCalledTimes(1);
  });

  it('that fail wait, with words why, and hold the others up no longer than themselves', async () => {
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const first = await vest();
    const second = await pictureFile('b.jpg', 500, 400, (pen) => pen.fillRect(100, 100, 200, 200));
    // However often it is tried, and whenever the other one comes.
    let failing: number | null = null;
    standing.mockImplementation(({ blob: { size } }) => {
      failing ??= size;
      return size === failing ? Promise.reject(new Error('no reader')) : Promise.resolve(LABEL);
    });
    const { itemId } = await addPictures(newId(), [first, second], { origin: 'file' });
    await until(() => pictures(itemId!)[1]?.awaits === false);
    expect(pictures(itemId!)[0]?.awaits).toBe(true);
    expect(read(itemId!, 'fact:size')).toEqual(['M']);
    expect(said).toHaveBeenCalled();
    said.mockRestore();
  });

  it('keep of a wall of words no more than a record takes', async () => {
    const id = await taken({ code: null, read: lines(...Array.from({ length: 90 }, () => 'x'.repeat(900))) });
    const [picture] = pictures(id);
    expect(picture?.read?.page).toHaveLength(60);
    expect(Picture.parse(picture)).toEqual(picture);
  });

  it('wait for their bytes, which another page may be storing still', async () => {
    const { itemId } = await addPictures(newId(), [await vest()], { origin: 'file', look: false });
    const [picture] = pictures(itemId!);
    const bytes = (await readOriginal(picture!.id))!;
    dropBlob(pictureKey(picture!.id, 'original'));
    standing.mockResolvedValue(LABEL);
    editPicture(picture!.id, 'as another page has it', { awaits: true });
    expect(await lookAt(picture!.id)).toBe(0);
    expect(pictures(itemId!)[0]?.awaits).toBe(true);
    putBlob(pictureKey(picture!.id, 'original'), bytes);
    await looked(itemId!);
    expect(read(itemId!, 'fact:size')).toEqual(['M']);
  });

  it('of an item that turns out to be another while they are read say what it is asked', async () => {
    let go = (_: Standing) => {};
    standing.mockReturnValueOnce(new Promise((done) => (go = done)));
    const { itemId } = await addPictures(newId(), [await vest()], { origin: 'file' });
    await until(() => standing.mock.calls.length === 1);
    changeKind(itemId!, 'trousers');
    go({ code: null, read: lines('WAIST 42', 'INSIDE LEG 78', '9 g') });
    await looked(itemId!);
    expect(read(itemId!, 'measure:inseam')).toEqual(['780']);
    editItem(itemId!, 'title', () => ({ title: 'Cords' }));
    expect(useLooking.getState().trouble).toBeNull();
  });
});
