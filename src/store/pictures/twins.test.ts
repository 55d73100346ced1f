import { Picture } from '@/contract/picture';
import type { Item } from '@/contract/records';
import { change, useAttic } from '@/store/attic/attic';
import { addItem } from '@/store/items/items';
import { EXAM } from '@/testing/exam';
import { emptyAttic } from '@/testing/world';
import type { Change } from '@/workers/twins.worker';

import { removePicture } from './pictures';
import { twinOf, twinsBy } from './twins';

const print = (at: number) =>
  Array.from({ length: 256 }, (_, i) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'[(i + at) % 16]).join('') +
  'g'.repeat(128);
const item = (id: string): Item => useAttic.getState().items[id]!;
const picture = (id: string) => useAttic.getState().pictures[id]!;

function withPicture(itemId: string, id: string): void {
  const record = Picture.parse({
    id,
    itemId,
    origin: 'file',
    author: 'Bas',
    addedAt: 1,
    width: 1600,
    height: 1600,
    bytes: 9,
    exam: { ...EXAM, print: print(0) },
  });
  change('picture', [
    { collection: 'pictures', id, record },
    {
      collection: 'items',
      id: itemId,
      record: { ...item(itemId), pictureIds: [...item(itemId).pictureIds, id] },
    },
  ]);
}

beforeEach(() => emptyAttic());

it('names one of the item by its place, one of another by its code, and none that is gone', async () => {
  const [own, other] = [addItem(), addItem()];
  withPicture(own, 'a');
  expect(await twinOf(item(own), picture('a'))).toBeNull();
  withPicture(other, 'x');
  expect(await twinOf(item(own), picture('a'))).toEqual({ itemCode: item(other).code });
  withPicture(own, 'b');
  expect(await twinOf(item(own), picture('a'))).toEqual({ position: 2 });
  removePicture(item(own), 'b');
  removePicture(item(other), 'x');
  expect(await twinOf(item(own), picture('a'))).toBeNull();
});

it('tells a new worker everything anew, and gives up on one that is lost again and again', async () => {
  const own = addItem();
  withPicture(own, 'a');
  withPicture(own, 'b');
  let lost = 0;
  let told: string[] = [];
  const ask = {
    know: (changes: readonly Change[]) => {
      told.push(...changes.map(([id]) => id));
      return Promise.resolve();
    },
    twinOf: (_: string, __: readonly string[], known: number) => {
      if (lost > 0) {
        lost -= 1;
        told = [];
      }
      return Promise.resolve(told.length === known ? 'b' : 'behind');
    },
  };
  const find = twinsBy(() => ({ ask, begin: () => undefined }));
  expect(await find(item(own), picture('a'))).toEqual({ position: 2 });
  lost = 1;
  expect(await find(item(own), picture('a'))).toEqual({ position: 2 });
  expect(told).toEqual(['a', 'b']);
  lost = 9;
  await expect(find(item(own), picture('a'))).rejects.toThrow('Nothing was changed');
});
