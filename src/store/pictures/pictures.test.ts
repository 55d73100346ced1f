import { isFingerprint } from '@/core/pixels/fingerprint';
import { pictureKey, readBlob, undo, useAttic } from '@/store/attic/attic';
import { addItem } from '@/store/items/items';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { emptyAttic } from '@/testing/world';

import { cleaning, previewOf } from './cleaning';
import {
  addPictures,
  editPicture,
  examineMissing,
  orderPictures,
  readOriginal,
  readShown,
  removePicture,
} from './pictures';
import { pictureWorker } from './pictureWorker';

furnishCanvas();

const item = (id: string) => useAttic.getState().items[id]!;
const picture = (id: string) => useAttic.getState().pictures[id]!;

/** A blue vest on a floor, somewhat crooked. */
const vest = (name = 'vest.jpg', side = 600) =>
  pictureFile(name, side, Math.round(side * 0.75), (pen) => {
    pen.fillStyle = '#c9c2b4';
    pen.fillRect(0, 0, side, side);
    pen.translate(side * 0.5, side * 0.375);
    pen.rotate(0.06);
    pen.fillStyle = '#2f4a86';
    pen.fillRect(-side * 0.2, -side * 0.25, side * 0.4, side * 0.5);
  });

beforeEach(() => emptyAttic());

describe('taking in', () => {
  it('the first picture makes the item; each is stored with a small copy and its findings', async () => {
    const told: [number, string | null][] = [];
    const { itemId, notTaken } = await addPictures(null, [await vest(), await vest('b.jpg')], {
      origin: 'file',
      shows: 'front',
      onEach: (n, id) => told.push([n, id]),
    });
    expect(notTaken).toEqual([]);
    const ids = item(itemId!).pictureIds;
    expect(ids).toHaveLength(2);
    expect(told).toEqual([
      [1, itemId],
      [2, itemId],
    ]);
    expect(ids.map((id) => picture(id).shows)).toEqual(['front', '']);
    const { exam, width, height } = picture(ids[0]!);
    expect([width, height]).toEqual([600, 450]);
    // 0.4 · 0.5 of a picture three quarters as high as wide.
    expect(exam?.area).toBeCloseTo((0.4 * 0.5) / 0.75, 1);
    for (const size of ['original', 'thumb'] as const)
      expect((await readBlob(pictureKey(ids[0]!, size)))?.type).toBe('image/jpeg');
  });
  it('where it is not looked at by itself its front says its colour, once; a detail does not', async () => {
    const { itemId } = await addPictures(null, [await vest(), await vest('b.jpg')], {
      origin: 'file',
      shows: 'front',
      look: false,
    });
    const { readings, pictureIds, facts } = item(itemId!);
    expect(readings).toMatchObject([{ field: 'fact:colour', value: 'Blue', pictureId: pictureIds[0] }]);
    expect(facts.colour).toBeUndefined();
    await addPictures(itemId, [await vest('detail.jpg')], { origin: 'file', shows: 'detail', look: false });
    expect(item(itemId!).readings).toHaveLength(1);
    undo();
    undo();
    undo();
    expect(useAttic.getState().items[itemId!]?.readings ?? []).toEqual([]);
  });
  it('no colour is asked of an item whose colour is known', async () => {
    addItem({ id: 'known', kind: 'jumper', facts: { colour: 'Navy' } });
    await addPictures('known', [await vest()], { origin: 'file', shows: 'front' });
    expect(item('known').readings).toEqual([]);
  });
  it('what can’t be read is told of, file by file, and the others go on', async () => {
    const junk = new File([new Uint8Array([1, 2, 3])], 'notes.txt');
    const cut = new File([(await vest()).slice(0, 300)], 'cut.jpg', { type: 'image/jpeg' });
    const { itemId, notTaken } = await addPictures(null, [junk, cut, await vest()], { origin: 'file' });
    expect(notTaken.map((n) => n.name)).toEqual(['notes.txt', 'cut.jpg']);
    expect(notTaken.every((n) => n.why.length > 10)).toBe(true);
    expect(item(itemId!).pictureIds).toHaveLength(1);
  });
  it('none that can be read makes no item', async () => {
    const junk = new File([new Uint8Array([1, 2, 3])], 'notes.txt');
    expect(await addPictures(null, [junk], { origin: 'file' })).toMatchObject({ itemId: null });
    expect(useAttic.getState().items).toEqual({});
  });
});

describe('an item’s pictures', () => {
  it('are put in order, told about, taken away and brought back', async () => {
    const { itemId } = await addPictures(null, [await vest(), await vest('b.jpg')], { origin: 'file' });
    const [a, b] = item(itemId!).pictureIds as [string, string];
    orderPictures(item(itemId!), [b, a]);
    expect(item(itemId!).pictureIds).toEqual([b, a]);
    editPicture(a, 'what it shows', { shows: 'back' });
    expect(picture(a).shows).toBe('back');
    removePicture(item(itemId!), a);
    expect(item(itemId!).pictureIds).toEqual([b]);
    expect(picture(a)).toBeUndefined();
    undo();
    expect(picture(a).shows).toBe('back');
  });
  it('that came without are looked at later; one whose bytes are gone stays as it is', async () => {
    const { itemId } = await addPictures(addItem(), [await vest()], { origin: 'file' });
    const [id] = item(itemId!).pictureIds as [string];
    editPicture(id, 'forgotten', { exam: null });
    await examineMissing([id, 'nobody']);
    expect(picture(id).exam?.area).toBeGreaterThan(0.2);
  });
  it('are looked at again where that was done in an older way', async () => {
    const { itemId } = await addPictures(addItem(), [await vest()], { origin: 'file' });
    const [id] = item(itemId!).pictureIds as [string];
    const { exam } = picture(id);
    editPicture(id, 'older', { exam: { ...exam!, print: 'a3'.repeat(80), area: 0 } });
    await examineMissing([id]);
    expect(isFingerprint(picture(id).exam?.print ?? '')).toBe(true);
    expect(picture(id).exam?.area).toBeCloseTo(exam?.area ?? NaN, 1);
  });
});

describe('cleaning up', () => {
  const taken = async () => {
    const { itemId } = await addPictures(null, [await vest(), await vest('b.jpg')], { origin: 'file' });
    return item(itemId!).pictureIds as [string, string];
  };
  it('what it lies on becomes white, the original stays, and all of it is taken back', async () => {
    const [id] = await taken();
    const original = await (await readOriginal(id))!.arrayBuffer();
    await cleaning.automatic(id, 'white');
    expect(picture(id).steps).toMatchObject([{ type: 'white' }]);
    const worker = pictureWorker();
    const corner = await worker.part({ key: id, blob: (await readShown(id))! }, [0, 0, 0.1, 0.1], 20);
    // As good as white: a JPEG of one colour is small.
    expect(corner.size).toBeLessThan(900);
    expect((await readOriginal(id))!.size).toBe(original.byteLength);
    await cleaning.undo(id);
    expect(picture(id)).toMatchObject({ steps: [], undone: [{ type: 'white' }] });
    await cleaning.redo(id);
    await cleaning.reset(id);
    expect(picture(id).steps).toEqual([]);
    expect(await readBlob(pictureKey(id, 'full'))).toBeNull();
  });
  it('a quarter turn turns it; straightening finds how crooked it is', async () => {
    const [id] = await taken();
    await cleaning.step(id, { type: 'turn', quarters: 1 });
    expect(picture(id).width).toBeLessThan(picture(id).height);
    await cleaning.reset(id);
    await cleaning.automatic(id, 'straighten');
    const [step] = picture(id).steps;
    // It was drawn turned by 0.06 radians.
    expect(step).toMatchObject({ type: 'straighten' });
    expect(Math.abs(step?.type === 'straighten' ? step.degrees : 0)).toBeCloseTo((0.06 * 180) / Math.PI, 0);
  });
  it('crops to a square around it, and does the same to the rest', async () => {
    const [id, other] = await taken();
    await cleaning.automatic(id, 'crop');
    await cleaning.automatic(id, 'light');
    expect(picture(id).width).toBe(picture(id).height);
    const seen: [number, number][] = [];
    await cleaning.sameToTheRest(item(picture(id).itemId), id, (n, of) => seen.push([n, of]));
    expect(seen).toEqual([[1, 1]]);
    expect(picture(other).steps.map((s) => s.type)).toEqual(['light', 'crop']);
  });
  it('a preview is made once for the same steps; as a ghost what was there shines through', async () => {
    const [id] = await taken();
    const white = [{ type: 'white' as const, shadow: 'dropped' as const }];
    const first = previewOf(id, white);
    expect(previewOf(id, white)).toBe(first);
    const { width, height, blob } = await first;
    expect(Math.max(width, height)).toBeLessThanOrEqual(1_600);
    const ghost = await previewOf(id, white, true);
    expect(ghost.blob.size).not.toBe(blob.size);
    await expect(previewOf('nobody', [])).rejects.toThrow('This picture’s bytes are not on this device.');
  });
});

it('a rendition for a marketplace has its shape, its size and no more bytes than it takes', async () => {
  const made = await pictureWorker().rendition(await vest('large.jpg', 1_400), {
    maxLongSide: 500,
    shape: 'square',
    maxBytes: 9_000,
  });
  expect(made.size).toBeLessThan(9_000);
  const seen = await pictureWorker().glance(made);
  expect(isFingerprint(seen?.print ?? '')).toBe(true);
  expect(await pictureWorker().glance(new Blob(['no picture']))).toBeNull();
});
