import { openAttic, openDisk, useAttic } from '@/store/attic/attic';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { waitFor } from '@/testing/patience';
import { emptyAttic } from '@/testing/world';

import { leftIncoming } from './incoming';
import {
  dropSorted,
  goOnSorting,
  lookForUnsorted,
  proposedFor,
  sortPictures,
  takeSorted,
  useSorting,
} from './sorting';

// Barcodes are read by a worker that needs a browser.
jest.mock('./reading', () => ({ ...jest.requireActual('./reading'), barcodeIn: async () => null }));

furnishCanvas();

const items = () => Object.values(useAttic.getState().items);
const thing = (colour: string, name: string) =>
  pictureFile(name, 300, 240, (pen) => {
    pen.fillStyle = '#c9c2b4';
    pen.fillRect(0, 0, 300, 240);
    pen.fillStyle = colour;
    pen.fillRect(90, 50, 120, 140);
  });
const files = async () => [
  await thing('#2f4a86', 'a.jpg'),
  await thing('#2f4a86', 'b.jpg'),
  await thing('#a83f36', 'c.jpg'),
];
const NONE = { sorted: [], begun: [], left: 0, kept: 0, notTaken: [], taking: null };

describe('pictures of several items', () => {
  let name = '';
  beforeEach(async () => {
    await emptyAttic();
    name = `sorted-${Math.random()}`;
    await openAttic(name);
    useSorting.setState(NONE);
  });

  it('are no items before it is agreed, and then one of each row, in order', async () => {
    await sortPictures(await files(), 'file');
    const { sorted } = useSorting.getState();
    expect(items()).toEqual([]);
    const { rows } = proposedFor(sorted);
    expect(rows.map((row) => row.length)).toEqual([2, 1]);
    await takeSorted(rows);
    expect(items().map((t) => t.pictureIds)).toEqual(rows);
    expect(items().every((t) => t.pictureIds.every((p) => useAttic.getState().pictures[p]?.awaits))).toBe(
      true,
    );
    expect(useSorting.getState().taking).toMatchObject({ done: 3, of: 3, itemIds: items().map((t) => t.id) });
    await waitFor(async () =>
      expect((await openDisk()!.keys()).filter((k) => k.startsWith('incoming:'))).toEqual([]),
    );
  });

  it('wait through a reload, are nobody’s work meanwhile, and are looked at again', async () => {
    await sortPictures(await files(), 'file');
    useSorting.setState(NONE);
    await openAttic(name);
    expect(await leftIncoming()).toEqual([]);
    await lookForUnsorted();
    expect(useSorting.getState().kept).toBe(3);
    await goOnSorting();
    await goOnSorting();
    expect(useSorting.getState()).toMatchObject({ left: 0, kept: 0 });
    expect(useSorting.getState().sorted).toHaveLength(3);
  });

  it('count from the moment they are chosen, also where what is kept is asked for meanwhile', async () => {
    const counted: number[] = [];
    const stop = useSorting.subscribe(({ sorted, left }) => counted.push(sorted.length + left));
    const chosen = sortPictures(await files(), 'file');
    // The page that shows them opens while they are being kept.
    await Promise.all([chosen, goOnSorting()]);
    stop();
    expect(Math.min(...counted)).toBe(3);
    expect(useSorting.getState()).toMatchObject({ left: 0, kept: 0 });
    expect(new Set(useSorting.getState().begun).size).toBe(3);
    expect(useSorting.getState().sorted).toHaveLength(3);
  });

  it('that are left out are let go, as are all of them where none is wanted', async () => {
    await sortPictures(await files(), 'file');
    const [first] = useSorting.getState().sorted;
    await takeSorted([[first!.waiting.about.id]]);
    expect(items()).toHaveLength(1);
    await sortPictures(await files(), 'file');
    await dropSorted();
    expect(items()).toHaveLength(1);
    await lookForUnsorted();
    expect((await openDisk()!.keys()).filter((k) => k.startsWith('incoming:'))).toEqual([]);
  });

  it('that can’t be read are named, and the others wait', async () => {
    await sortPictures([new File(['no picture'], 'notes.txt'), await thing('#2f4a86', 'a.jpg')], 'file');
    expect(useSorting.getState().notTaken.map((n) => n.name)).toEqual(['notes.txt']);
    expect(useSorting.getState().sorted).toHaveLength(1);
  });
});
