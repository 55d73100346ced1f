import type { PublicListing } from '@/contract/publicListing';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { furnishCanvas, pictureFile } from '@/testing/canvas';
import { canPress, fill, leave, open, press, said, sees } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { emptyAttic, manyItems, market, SHEETS } from '@/testing/world';

import { StartingPoint } from './StartingPoint';

jest.mock('@/store/pictures/reading', () => ({
  ...jest.requireActual('@/store/pictures/reading'),
  standingIn: async () => ({ code: null, read: { page: [], line: [] } }),
}));
furnishCanvas();

const ADDRESS = 'http://127.0.0.1:1/outside/brackenmoor/other/o103/picture';
const THEIRS: PublicListing = {
  market: 'brackenmoor',
  number: 'o103',
  seller: 'Tinder Row',
  url: '/outside/brackenmoor/other/o103',
  title: 'Vantrell gansey jumper, blue',
  text: '<script>x</script>Knitted by us.',
  price: 4_400,
  category: 'wear.knit',
  condition: 'sound',
  specifics: { brand: 'Vantrell', colour: 'Blue', material: 'Wool | Silk' },
  pictures: [ADDRESS],
};
const picture = () =>
  pictureFile('theirs.jpg', 640, 640, (pen) => {
    pen.fillStyle = '#345';
    pen.fillRect(0, 0, 640, 640);
  });
const answers = async (found: readonly PublicListing[] = [THEIRS]) => {
  const bytes = await (await picture()).arrayBuffer();
  return { '/public-listings': () => ({ listings: found }), '/picture-at': () => bytes };
};
const items = () => Object.values(useAttic.getState().items);
const pictures = () => Object.values(useAttic.getState().pictures);
const begin = async () => {
  await emptyAttic();
  useCourier.setState({ sheets: [...SHEETS], markets: SHEETS.map((s) => market(s)) });
};

// From what somebody else lists to an item of one's own: words typed, then three taps.
it('begins an item with what somebody else’s listing says, in three taps', async () => {
  await begin();
  const asked = await open(StartingPoint, { answers: await answers() });
  expect(canPress('Look on Brackenmoor')).toBe(false);
  await fill('Words', 'vantrell gansey');
  await press('Look on Brackenmoor');
  await sees('€44.00 · Tinder Row · number o103');
  await press(/^Start from Vantrell/u);
  expect(said()).toContain('never sent without their leave');
  await press(/^Begin an item with/u);
  const [item] = items();
  expect(item).toMatchObject({
    kind: 'jumper',
    title: '',
    description: '',
    price: null,
    use: null,
    pictureIds: [],
  });
  expect(item?.facts).toMatchObject({ brand: 'Vantrell', material: 'Wool, Silk' });
  expect(went.at(-1)).toBe(`/item/${item?.id}`);
  expect(asked.find((a) => a.path.startsWith('/public-listings'))?.path).toContain('words=vantrell+gansey');
});

it('copies to an item only what it does not say itself, unless that is asked for', async () => {
  const many = await manyItems();
  const id = many.id('Ostler');
  const before = useAttic.getState().items[id]!;
  await open(StartingPoint, { params: { item: id }, answers: await answers() });
  await fill('Or its number or address there', 'http://elsewhere.example/other/o103?x=1');
  await press('Look on Brackenmoor');
  await press(/^Start from Vantrell/u);
  expect(said()).toContain(`(now ${before.facts.brand})`);
  await press(/^Category there: Knitwear/u);
  await press(/^Copy .* to /u);
  const now = () => useAttic.getState().items[id]!;
  expect(now().facts.brand).toBe(before.facts.brand);
  expect([now().title, now().price]).toEqual([before.title, before.price]);
  expect(useAttic.getState().plans[`${id}_brackenmoor`]?.category).toBe('wear.knit');
  await leave();
  await open(StartingPoint, { params: { item: id }, answers: await answers() });
  await press('Look on Brackenmoor');
  await press(/^Start from Vantrell/u);
  await press(/^Brand/u);
  await press('Keep 1 picture to compare');
  const had = pictures().length;
  await press(/^Copy .* to /u);
  await waitFor(() => expect(pictures()).toHaveLength(had + 1));
  expect(now().facts.brand).toBe('Vantrell');
  // What it says already is not offered.
  expect(said()).not.toContain('Brand');
  const theirs = pictures().find((p) => p.address === ADDRESS);
  expect(theirs).toMatchObject({ itemId: id, origin: 'copied', sendAnyway: false });
});

it('begins nothing where their picture can’t be fetched, and one item once it is left out', async () => {
  await begin();
  const refused = () => ({ refused: 'a.example did not answer to the end. Try again.', status: 422 });
  await open(StartingPoint, { answers: { ...(await answers()), '/picture-at': refused } });
  await fill('Words', 'gansey');
  await press('Look on Brackenmoor');
  await press(/^Start from Vantrell/u);
  await press('Keep 1 picture to compare');
  await press(/^Begin an item with/u);
  await sees('did not answer to the end');
  expect(items()).toEqual([]);
  await press('Keep 1 picture to compare');
  await press(/^Begin an item with/u);
  expect(items()).toHaveLength(1);
});

it('asks for the kind where none is told, and says what is not there', async () => {
  await begin();
  const found = { ...THEIRS, title: 'Curious find', specifics: {} };
  await open(StartingPoint, { answers: await answers([found]) });
  await fill('Words', 'curious');
  await press('Look on Brackenmoor');
  await press(/^Start from Curious/u);
  await sees('Its kind has to be said later.');
  await leave();
  await open(StartingPoint, { answers: await answers([]) });
  await fill('Words', 'nothing such');
  await press('Look on Brackenmoor');
  await sees('Nothing with these words is offered there.');
  await fill('Or its number or address there', 'o999');
  await press('Look on Brackenmoor');
  await sees('Nothing has that number there.');
});

it('says why where the place does not answer, and where none can be looked through', async () => {
  await begin();
  await open(StartingPoint, {
    answers: { '/public-listings': () => ({ refused: 'Brackenmoor: it did not answer.', status: 502 }) },
  });
  await fill('Words', 'gansey');
  await press('Look on Brackenmoor');
  await sees('Brackenmoor: it did not answer.');
  await leave();
  useCourier.setState({ markets: SHEETS.map((s) => market(s, { browsable: false })) });
  await open(StartingPoint);
  await sees('No marketplace that is connected can be looked through.');
});
