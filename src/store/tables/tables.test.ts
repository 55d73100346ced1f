import 'fake-indexeddb/auto';

import { unzipSync } from 'fflate';
import ICAL from 'ical.js';

import { planId, Plan } from '@/contract/records';
import { change, pictureKey, putBlob, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { keepOwner } from '@/store/items/hauls';
import { addItem, editItem } from '@/store/items/items';
import { listed, told } from '@/testing/courier';
import { savedFiles, type SavedFile } from '@/testing/savedFiles';
import { emptyAttic } from '@/testing/world';

import { saveCalendar } from './calendar';
import { saveLiveStock } from './liveStock';
import { savePictures } from './tableOut';

const NOW = Date.UTC(2026, 10, 8, 12);
let files: SavedFile[] = [];
beforeEach(async () => {
  await emptyAttic();
  files = savedFiles();
});

// Read by another library than the one it is written with: ical.js.
it('what is planned is a calendar that another program reads (RFC 5545)', async () => {
  const id = addItem({ title: 'Gansey; navy, wool\nsecond line' });
  const startAt = NOW + 3_600_000;
  const plan = Plan.parse({
    id: planId(id, 'brackenmoor'),
    itemId: id,
    market: 'brackenmoor',
    wanted: true,
    startAt,
  });
  change('planned', [{ collection: 'plans', id: plan.id, record: plan }]);
  const owner = keepOwner({
    name: 'Mrs Aldous',
    note: '',
    tiers: [{ under: null, shareBp: 6_000 }],
    of: 'afterFees',
    least: null,
    days: 90,
    atEnd: 'back',
  });
  const hers = addItem({ title: 'Lamp', ownerId: owner });
  expect(await saveCalendar(NOW)).toBe(2);
  const events = new ICAL.Component(ICAL.parse(await files[0]!.blob.text()) as unknown[])
    .getAllSubcomponents('vevent')
    .map((e) => new ICAL.Event(e));
  expect(events.map((e) => e.uid).sort()).toEqual(
    [`end-${hers}@yonder-attic`, `plan-${plan.id}@yonder-attic`].sort(),
  );
  const goesUp = events.find((e) => e.uid.startsWith('plan'));
  expect(goesUp?.startDate.toJSDate().getTime()).toBe(startAt);
  expect(goesUp?.summary).toContain('Gansey; navy, wool');
  const end = events.find((e) => e.uid.startsWith('end'));
  expect([end?.startDate.isDate, end?.summary]).toEqual([
    true,
    'Lamp: time of Mrs Aldous is over, to go back',
  ]);
});

it('what is live is told to other programs, with links that lead to its marketplace alone', async () => {
  const id = addItem({ title: 'Gansey', facts: { brand: 'Kittiwake Mills' } });
  const away = addItem({ title: 'Lamp' });
  useCourier.setState({ caughtUp: true });
  told(id, { listings: [listed('brackenmoor', { url: '/outside/brackenmoor/7' })] });
  told(away, { listings: [listed('brackenmoor', { url: 'https://evil.example/7' })] });
  expect(saveLiveStock(NOW)).toBe(2);
  const { itemListElement } = JSON.parse(await files[0]!.blob.text()) as {
    itemListElement: { item: object }[];
  };
  expect(itemListElement[0]?.item).toMatchObject({
    offers: { price: '48.00', url: 'http://localhost/outside/brackenmoor/7' },
  });
  expect(JSON.stringify(itemListElement[1])).not.toContain('evil');
  useCourier.setState({ caughtUp: false });
  expect(() => saveLiveStock(NOW)).toThrow('not heard yet');
});

it('pictures are saved by their items’ codes; where there are none nothing is', async () => {
  const id = addItem({ title: 'Gansey' });
  const all = () => Object.values(useAttic.getState().items);
  expect(await savePictures(all(), () => undefined)).toBe(0);
  expect(files).toEqual([]);
  putBlob(pictureKey('p1', 'original'), new Blob(['one']));
  putBlob(pictureKey('p2', 'original'), new Blob(['two']));
  editItem(id, 'pictures', { pictureIds: ['p1', 'gone', 'p2'] });
  expect(await savePictures(all(), () => undefined)).toBe(2);
  const inside = unzipSync(new Uint8Array(await files[0]!.blob.arrayBuffer()));
  expect(Object.keys(inside)).toEqual(['YA-0001-1.jpg', 'YA-0001-3.jpg']);
});
