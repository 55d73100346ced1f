import type { OwnListing } from '@/contract/ownListing';
import { planId } from '@/contract/records';
import { shownDraft } from '@/core/bringIn/shownDraft';
import { draftHash } from '@/core/listing/draft';
import { hashNow } from '@/core/listing/examine';
import { useAttic } from '@/store/attic/attic';
import { markDown } from '@/store/fulfilment/consignors';
import { addItem, editPlan, editItem } from '@/store/items/items';
import { commandsIn, fakeServer, listed, told } from '@/testing/courier';
import { emptyAttic, market, SHEETS } from '@/testing/world';

import { listingId, lookThere, takeApart, takeIn, useBringIn } from './bringIn';
import { useCourier } from './courierLink';
import { examine, send } from './sending';

const state = () => useBringIn.getState();
const there = (where: string, ref: string, title: string, part: Partial<OwnListing> = {}): OwnListing => ({
  market: where,
  ref,
  remoteId: ref,
  url: `/outside/${where}/${ref}`,
  state: 'live',
  title,
  text: '',
  price: 2_400,
  postage: 420,
  category: 'x',
  condition: 'g',
  specifics: {},
  pictures: [],
  listedAt: 1_000,
  ...part,
});

beforeEach(async () => {
  await emptyAttic();
  useCourier.setState({
    markets: SHEETS.map((s) => market(s, s.marketplace === 'oldhollow' ? { link: 'off' } : {})),
  });
});

/** What these marketplaces show; the others show nothing, one does not answer. */
function shown(...listings: (OwnListing & { item?: string | null })[]) {
  return fakeServer({
    '/own/': ({ path }) =>
      path === '/own/nearstile'
        ? { refused: 'It did not answer.', status: 502 }
        : {
            listings: listings.filter((l) => path === `/own/${l.market}`).map((l) => ({ item: null, ...l })),
          },
  });
}

describe('what was brought in', () => {
  const put = there('brackenmoor', 'a', 'Kittiwake gansey', {
    category: 'knitwear',
    condition: 'good',
    postage: 390,
  });
  /** Brought in and live there; what is shown differs from the record in postage and more. */
  async function brought() {
    const id = addItem({
      kind: 'jumper',
      title: 'Kittiwake gansey',
      use: 'light',
      price: 2_400,
      weightG: 900,
      description: 'Navy wool, tightly spun, knitted in the round. Darned once at the elbow.',
    });
    const asked = shown(put);
    await takeIn({ listings: [put], item: id, kind: 'jumper', chosen: {}, picturesOf: null });
    const sheet = SHEETS.find((s) => s.marketplace === 'brackenmoor')!;
    told(id, { listings: [listed('brackenmoor', { draftHash: draftHash(shownDraft(put, 'EUR')) })] });
    return { asked, now: () => examine(useAttic.getState().items[id]!, sheet), id, sheet };
  }
  it('is not changed by being brought in, nor by planning it elsewhere', async () => {
    const { now, id } = await brought();
    const differs = hashNow(now()) !== draftHash(shownDraft(put, 'EUR'));
    expect(differs).toBe(true);
    expect(now().plan?.adoptedHash).toBe(hashNow(now()));
    editPlan(id, 'threadwick', 'planned', { wanted: true });
    expect(hashNow(now())).toBe(now().plan?.adoptedHash);
    editItem(id, 'title', { description: 'Navy wool, and newly washed. Knitted in the round.' });
    expect(hashNow(now())).not.toBe(now().plan?.adoptedHash);
  });
  it('is not written over by anything before the person saw what changes', async () => {
    const { asked, id, sheet } = await brought();
    const record = () => useAttic.getState().items[id]!;
    await expect(send(record(), sheet)).rejects.toThrow('look at what would change there first');
    markDown(record());
    await new Promise((done) => setTimeout(done, 50));
    expect(commandsIn(asked).filter((c) => c.type === 'send')).toEqual([]);
  });
});

describe('looking what is listed', () => {
  it('asks all that can be asked, and says of each what came of it', async () => {
    shown(there('brackenmoor', 'a', 'Brass ship’s lamp'), {
      ...there('brackenmoor', 'b', 'Known'),
      item: 'item-1',
    });
    await lookThere();
    const looked = Object.fromEntries(state().looked.map((l) => [l.market, l.found ?? l.trouble]));
    expect(looked).toEqual({
      brackenmoor: { all: 2, known: 1 },
      threadwick: { all: 0, known: 0 },
      nearstile: 'It did not answer.',
      quirestack: { all: 0, known: 0 },
      lanternyard: { all: 0, known: 0 },
    });
    expect(Object.values(state().listings).map((l) => l.ref)).toEqual(['a']);
    expect(state().looking).toBe(false);
  });
  it('puts the same item of several marketplaces together, and beside what is in the attic', async () => {
    const id = addItem({ title: 'Green pressed-glass vase, diamond pattern', price: 2_400 });
    shown(
      there('brackenmoor', 'a', 'Hobley Lamp Works brass ship’s oil lamp, port No. 7'),
      there('threadwick', 'c', 'Hobley Lamp Works brass ship’s oil lamp port No 7'),
      there('lanternyard', 'd', 'Green pressed-glass vase, diamond pattern'),
    );
    await lookThere();
    const groups = state().groups.map((g) => [g.item, g.listings.length]);
    expect(groups).toEqual(
      expect.arrayContaining([
        [null, 2],
        [id, 1],
      ]),
    );
  });
  it('what is up there already with another listing is another item', async () => {
    const id = addItem({ title: 'Green pressed-glass vase, diamond pattern', price: 2_400 });
    told(id, { listings: [listed('lanternyard')] });
    shown(there('lanternyard', 'd', 'Green pressed-glass vase, diamond pattern'));
    await lookThere();
    expect(state().groups.map((g) => g.item)).toEqual([null]);
  });
  it('a person may say that two are two', async () => {
    const [one, two] = [
      there('brackenmoor', 'a', 'Brass ship’s oil lamp No. 7'),
      there('threadwick', 'c', 'Brass ship’s oil lamp No. 7'),
    ];
    shown(one, two);
    await lookThere();
    expect(state().groups).toHaveLength(1);
    takeApart(listingId(two));
    expect(state().groups.map((g) => g.listings)).toEqual([[listingId(one)], [listingId(two)]]);
  });
});

describe('taking in', () => {
  const lamp = there('brackenmoor', 'a', 'Brass lamp', { category: 'lamps', price: 2_900 });
  const taken = (part: object = {}) =>
    takeIn({
      listings: [lamp],
      item: null,
      kind: 'lamp',
      chosen: { title: 'Brass lamp', price: '2400' },
      picturesOf: null,
      ...part,
    });
  it('makes an item of it, remembers how it is there, and has the courier look after it', async () => {
    const asked = fakeServer({});
    const id = await taken();
    const { items, plans } = useAttic.getState();
    expect(items[id]).toMatchObject({ kind: 'lamp', title: 'Brass lamp' });
    expect(plans[planId(id, 'brackenmoor')]).toMatchObject({
      wanted: true,
      adopted: 'a',
      category: 'lamps',
      title: null,
    });
    expect(asked.find((a) => a.path === '/commands')?.body).toMatchObject({
      type: 'adopt',
      item: id,
      ref: 'a',
      market: 'brackenmoor',
    });
  });
  it('a courier that does not take it says why; the item stays, to be tried again', async () => {
    fakeServer({ '/commands': () => ({ accepted: false, refusal: 'belongsAlready' }) });
    await expect(taken()).rejects.toThrow('Brass lamp: That listing belongs to an item already.');
    expect(Object.keys(useAttic.getState().items)).toHaveLength(1);
  });
  it('pictures that can’t be fetched are counted, not passed over', async () => {
    fakeServer({ '/own/': () => ({ refused: 'Gone.', status: 404 }) });
    await expect(taken({ picturesOf: { ...lamp, pictures: ['p1', 'p2'] } })).rejects.toThrow(
      'It is brought in, but 2 pictures could not be fetched from brackenmoor.',
    );
  });
});
