import { Find } from '@/contract/likeness';
import { lookAlikes } from '@/core/likeness/finds';
import { change, setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { addItem } from '@/store/items/items';
import { addPictures } from '@/store/pictures/pictures';
import { confirmAll } from '@/store/pictures/readings';
import { findAlikeAsSeen, takeFind, useLikeness } from '@/store/research/likeness';
import { askComps, putLookAlikes, questionOf } from '@/store/research/research';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { fakeServer } from '@/testing/courier';
import { canPress, choose, fill, open, press, said, sees } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { emptyAttic, SHEETS } from '@/testing/world';

import { ItsLike } from './ItsLike';
import { Buying } from '../buying/Buying';

furnishCanvas();

const DAY = 86_400_000;
const find = (part: Partial<Find> = {}): Find =>
  Find.parse({
    id: '1',
    market: 'brackenmoor',
    title: 'Ostler felt hat, brown',
    maker: 'Ostler',
    sort: ['hat'],
    wear: 1,
    price: { amount: 4_000, currency: 'EUR' },
    listedAt: Date.now() - 30 * DAY,
    soldAt: Date.now() - 6 * DAY,
    score: 92,
    ...part,
  });
const HATS = [
  find(),
  find({ id: '2', title: 'Tansy felt hat, grey', maker: 'Tansy', price: { amount: 3_000, currency: 'EUR' } }),
  find({ id: '3', sort: ['bag'], title: 'Round bag', maker: '', score: 55 }),
];
const photo = () =>
  pictureFile('hat.jpg', 900, 700, (pen) => {
    pen.fillStyle = '#ddd';
    pen.fillRect(0, 0, 900, 700);
    pen.fillStyle = '#642';
    pen.fillRect(250, 200, 400, 300);
  });
const item = (id: string) => useAttic.getState().items[id]!;
const PHOTOGRAPH = 'What is it? Look for its like';

beforeEach(() => {
  useLikeness.setState({}, true);
  return emptyAttic();
});

/** An item with a picture, before anybody said what it is. */
async function photographed(): Promise<string> {
  const { itemId } = await addPictures(addItem({}), [await photo()], { origin: 'file', shows: 'front' });
  return itemId!;
}

/** Its own part of whatever page it stands on. */
function On({ id }: { id: string }) {
  const now = useAttic((s) => s.items[id]);
  return now ? <ItsLike item={now} /> : null;
}

it('asks only when told to, with a small picture, and shows what looks like it', async () => {
  const id = await photographed();
  const sent: Blob[] = [];
  const asked = await open(() => <On id={id} />, { answers: { '/likeness': () => ({ finds: HATS }) } });
  const answering = globalThis.fetch;
  globalThis.fetch = ((address: string, init?: RequestInit) => {
    if (init?.body instanceof Blob) sent.push(init.body);
    return answering(address, init);
  }) as typeof fetch;
  expect(asked.filter(({ path }) => path === '/likeness')).toEqual([]);
  await press(PHOTOGRAPH);
  await sees('Ostler felt hat, brown');
  expect(said()).toMatch(/sold for €40\.00 · .* · 6 days ago · 92 % alike/u);
  expect(sent).toHaveLength(1);
  expect(sent[0]!.type).toBe('image/jpeg');
  expect(sent[0]!.size).toBeLessThan(100_000);
  // Nothing of it is the item's own.
  expect(item(id)).toMatchObject({ kind: '', title: '', readings: [] });
});

it('lets kind, words and maker be taken, to be confirmed, and the kind be said with a tap', async () => {
  const id = await photographed();
  await open(() => <On id={id} />, { answers: { '/likeness': () => ({ finds: HATS }) } });
  await press(PHOTOGRAPH);
  await press('Take what is said of Ostler felt hat, brown');
  await sees('3 wait to be confirmed');
  expect(item(id).readings.map(({ field, value, from }) => [field, value, from])).toEqual([
    ['kind', 'hat', 'likeness'],
    ['title', 'Ostler felt hat, brown', 'likeness'],
    ['fact:brand', 'Ostler', 'likeness'],
  ]);
  // It was another one's: no press for all of it takes it along.
  expect(item(id).readings.map(({ doubt }) => doubt)).toEqual(['alike', 'alike', 'alike']);
  confirmAll(item(id));
  expect(item(id)).toMatchObject({ kind: '', title: '' });
  expect(item(id).facts.brand).toBeUndefined();
  await press('Hat or cap');
  expect(item(id).kind).toBe('hat');
  expect(takeFind(id, HATS[0]!)).toBe(0);
});

it('puts prices of its kind among the comparables, marked; asking by words leaves them there', async () => {
  const id = await photographed();
  await open(() => <On id={id} />, { answers: { '/likeness': () => ({ finds: HATS }) } });
  await press(PHOTOGRAPH);
  // Of the bag that it may be as well, none.
  await press('2 prices to the comparables');
  await sees('marked as look-alikes');
  const comps = () => useAttic.getState().research[id]!.comps;
  expect(comps().map(({ price, alike }) => [price, alike])).toEqual([
    [4_000, 92],
    [3_000, 92],
  ]);
  expect(item(id).price).toBeNull();
  await press('Hat or cap');
  const [comp] = lookAlikes([find({ id: 'x' })], 'EUR').map(({ alike: _, ...told }) => told);
  fakeServer({ '/comps': () => ({ comps: [comp], missing: [] }) });
  useCourier.setState({ sheets: [...SHEETS] });
  await askComps(questionOf(item(id)));
  expect(comps().map(({ alike }) => alike)).toEqual([92, 92, undefined]);
  // When they were asked is not moved by what is found beside.
  const { at } = useAttic.getState().research[id]!;
  await new Promise((done) => setTimeout(done, 5));
  putLookAlikes(id, [], '');
  expect(useAttic.getState().research[id]).toMatchObject({ at, comps: [comp] });
});

it('says honestly that nothing is like it, and why it could not be asked', async () => {
  const id = await photographed();
  let answer: () => unknown = () => ({ finds: [] });
  await open(() => <On id={id} />, { answers: { '/likeness': () => answer() } });
  await press(PHOTOGRAPH);
  await sees('Nothing like it was sold before, as far as the likeness desk knows.');
  answer = () => ({ refused: 'The likeness desk: It is closed just now.', status: 502 });
  await press('Look for its like again');
  await sees('The likeness desk: It is closed just now. Nothing else was changed.');
  answer = () => ({ finds: [{ ...find(), score: 'very' }] });
  await press('Look for its like again');
  await sees('answer could not be read');
});

it('looks by itself where that is switched on: the front of what is not known yet, once', async () => {
  const id = await photographed();
  const asked = fakeServer({ '/likeness': () => ({ finds: HATS }) });
  const stop = findAlikeAsSeen();
  const [pictureId] = item(id).pictureIds;
  const seen = (awaits: boolean, shows = 'front') => {
    const record = { ...useAttic.getState().pictures[pictureId!]!, awaits, shows };
    change('looked at', [{ collection: 'pictures', id: record.id, record }]);
  };
  seen(true);
  seen(false);
  expect(asked).toEqual([]);
  setSettings({ findAlike: true });
  seen(true);
  seen(false);
  await waitFor(() => expect(useLikeness.getState()[id]).toHaveProperty('finds'));
  seen(true);
  seen(false);
  stop();
  expect(asked.filter(({ path }) => path === '/likeness')).toHaveLength(1);
});

it('on the stall: a picture, what it is, what it would bring, what to pay at most', async () => {
  const many = [4_000, 4_200, 3_900, 4_400, 4_100, 3_800].map((amount, i) =>
    find({ id: `m${i}`, price: { amount, currency: 'EUR' } }),
  );
  let finds = [...many, HATS[2]];
  await open(Buying, { answers: { '/likeness': () => ({ finds }) } });
  expect(canPress('What would it bring?')).toBe(false);
  await choose(await photo());
  await sees(/It would sell for about €40\.50/u);
  await sees(/Pay at most, for \d/u);
  expect(said()).toMatch(/sold 6 times, €38\.00 to €44\.00 · .* · last 6 days ago · 92 % alike/u);
  await press('It is like Round bag');
  await sees(/It would sell for about €40\.00/u);
  // What the last one was answered with says nothing of the next.
  finds = [];
  await choose(await photo());
  await sees('Nothing like it was sold before');
  expect(said()).not.toContain('It would sell for');
  await fill('What is it', 'felt hat');
  await sees(/It would sell for about €40\.50/u);
  expect(said()).not.toContain('Nothing like it');
});
