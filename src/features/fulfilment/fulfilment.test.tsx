import { orderId } from '@/contract/orders';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { editItem } from '@/store/items/items';
import { commandsIn, listed, sold, told } from '@/testing/courier';
import { canPress, fill, leave, open, press, said, scan, sees } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { emptyAttic, manyItems, type Many } from '@/testing/world';

import { ConsignorPage } from './ConsignorPage';
import { Holds } from './Holds';
import { MoneyPage } from './MoneyPage';
import { OrderPage } from './OrderPage';
import { Packing } from './Packing';
import { Talks } from './Talks';

const BUYER = { name: 'Ada Harrow', lines: ['Mill Bank 4', '4410 Saltreach'], zone: 'inland' as const };
const AT_MARKET = {
  order: 'B-1',
  state: 'paid',
  buyer: BUYER,
  amount: 4_800,
  postage: 390,
  fees: 300,
  back: 0,
  feesBack: 0,
};
const LABEL = { carrier: 'Pennant', tracking: 'PN100000017', cost: 390, pdf: btoa('%PDF-1.4 label') };
const SERVER = { '/orders/': () => AT_MARKET, '/labels': () => LABEL, '/parcels/': () => ({}) };

let many: Many;
beforeEach(async () => {
  many = await manyItems();
});

/** Sold and gone everywhere else. */
function sell(title: string, order: string, market = 'brackenmoor'): string {
  const id = many.id(title);
  const at = Date.now() - 3_600_000;
  const closing = { startedAt: at, doneAt: at + 2_000, entries: [] };
  told(id, { sale: sold(market, order, { at, knownAt: at }), closing });
  return id;
}
const orderOf = (id: string) => Object.values(useAttic.getState().orders).find((o) => o.itemId === id);

describe('packing', () => {
  it('goes from the shelf to the post, and says what is wrong on the way', async () => {
    const id = sell('Kittiwake', 'B-1');
    const asked = await open(Packing, { answers: SERVER });
    await sees('To pick: 1');
    await scan('Code on YA-1', 'YA-2');
    await sees('This order is for');
    await scan('Code on YA-1', 'XX-99');
    await sees('No item here has the code “XX-99”');
    await scan('Code on YA-1', 'YA-1');
    expect(orderOf(id)?.fetchedAt).toBeTruthy();
    // All that tells it from its like, without its sheet.
    await sees(/YA-1 · A3-12 · €48\.00/u);
    await sees('pit to pit 54 cm');
    expect(document.querySelectorAll('[aria-label="Pictures of YA-1"] > * > *')).toHaveLength(5);
    // Who gets it is asked for by itself, once.
    await sees(/Ada Harrow/u);
    expect(asked.filter((a) => a.path.startsWith('/orders/'))).toHaveLength(1);
    await fill('Weight as packed', '300');
    await sees('520 g lighter than recorded: is something missing?');
    await fill('Weight as packed', '8 g');
    await sees('Whole grams, in figures.');
    await fill('Weight as packed', '825');
    await sees('The weight is as recorded.');
    await press(/^Packed: Kittiwake/u);
    await press('Buy its label');
    expect(orderOf(id)?.label).toMatchObject({ tracking: LABEL.tracking });
    await sees('Postage paid: €3.90');
    await press('Handed in');
    expect(asked.map((a) => a.path)).toContain(`/parcels/${LABEL.tracking}/handed`);
    await sees('Nothing to pack');
  });
  it('says that nobody could be asked who gets it, and what goes to the same buyer', async () => {
    sell('Kittiwake', 'B-1');
    sell('Ostler', 'B-2');
    const page = await open(Packing, {
      answers: { ...SERVER, '/orders/': () => ({ refused: 'It is out.' }) },
    });
    await scan('Code on YA-1', 'YA-1');
    await sees('It is out. Who gets a parcel is asked again when its label is bought.');
    expect(page.filter((a) => a.path.startsWith('/orders/'))).toHaveLength(1);
    leave();
    await open(Packing, {
      answers: { ...SERVER, '/orders/': () => ({ refused: 'It is out.' }) },
      wide: true,
    });
    await sees('It is out. Who gets a parcel is asked again when its label is bought.');
    leave();
    await open(Packing, { answers: SERVER });
    await scan('Code on YA-2', 'YA-2');
    await sees(/Goes to the same buyer: Ostler/u);
    await sees(/Goes to the same buyer: Kittiwake/u);
  });
  it('of several labels tells which could not be bought, and why', async () => {
    for (const [title, order] of [
      ['Kittiwake', 'B-1'],
      ['Ostler', 'B-2'],
    ] as const)
      sell(title, order);
    const heavy = ({ body }: { body: Record<string, unknown> }) =>
      (body.weightG as number) > 1_000 ? { refused: 'At most 1 kg.', status: 422 } : LABEL;
    await open(Packing, { answers: { ...SERVER, '/labels': heavy } });
    await scan('Code on YA-1', 'YA-1');
    await scan('Code on YA-2', 'YA-2');
    await press(/^Packed: Kittiwake/u);
    await press(/^Packed: Ostler/u);
    await press('Buy 2 labels');
    await sees(/Ostler.*: At most 1 kg\./u);
    await sees('To drop off: 1');
    await press(/^Order of Kittiwake/u);
    expect(went.at(-1)).toMatch(/^\/order\//u);
  });
});

describe('an order', () => {
  const idOf = (title: string, order: string) => {
    const id = sell(title, order);
    return { id, row: orderId(id, order) };
  };
  it('says who gets it, what it left, and can be cancelled before it is posted', async () => {
    const { id, row } = idOf('Kittiwake', 'B-1');
    const asked = await open(OrderPage, { params: { id: row }, answers: SERVER });
    await sees('Order B-1');
    await press('Ask where it goes');
    await sees('Ada Harrow');
    await sees('Left');
    await press('Cancel this order');
    await fill('What the buyer is told', 'It broke.');
    await press('Cancel it and give everything back');
    expect(commandsIn(asked)).toEqual([{ type: 'undo', item: id, order: 'B-1', why: 'cancelled' }]);
    expect(orderOf(id)?.cancelled?.why).toBe('It broke.');
  });
  it('that comes back is paid back once it is in hand, and may go up again', async () => {
    const { id, row } = idOf('Kittiwake', 'B-1');
    await open(Packing, { answers: SERVER });
    await scan('Code on YA-1', 'YA-1');
    await press(/^Packed: Kittiwake/u);
    const asked = await open(OrderPage, {
      params: { id: row },
      answers: {
        ...SERVER,
        '/orders/': ({ body }) => ({
          ...AT_MARKET,
          state: body.type === 'giveBack' ? 'givenBack' : 'paid',
          back: 4_000,
          feesBack: 250,
        }),
      },
    });
    await press('Posted without a label from here');
    await press('It has arrived');
    expect(orderOf(id)?.arrivedAt).toBeTruthy();
    await press('It comes back');
    await press('Not as described');
    await fill('In the buyer’s words', 'The elbow is darned.');
    await press('Expect it back');
    await press('It is back in hand');
    await fill('Given back', '40.00');
    await press('Give €40.00 back');
    expect(commandsIn(asked)).toContainEqual({ type: 'undo', item: id, order: 'B-1', why: 'returned' });
    await sees('€40.00 given back; €2.50 of the fees came back.');
    await press('Leave it in stock');
    expect(orderOf(id)?.back?.doneAt).toBeTruthy();
  });
  it('between two people is sent where the seller writes', async () => {
    const { id, row } = idOf('Ostler', 'deal-x');
    await open(OrderPage, { params: { id: row } });
    await fill('Name and address', 'Ada Harrow\nMill Bank 4\n4410 Saltreach');
    await press('Keep this address');
    expect(orderOf(id)?.address).toMatchObject({
      name: 'Ada Harrow',
      lines: ['Mill Bank 4', '4410 Saltreach'],
    });
  });
});

describe('promises', () => {
  const promised = (meet: boolean): void =>
    editItem(many.id('Kittiwake'), 'promised', () => ({
      holds: [
        {
          from: Date.now() - 9_000,
          to: null,
          who: 'Imke',
          market: 'nearstile',
          meet: meet
            ? {
                at: Date.now() + 3_600_000,
                place: 'Harbour steps',
                amount: 4_000,
                pay: 'cash' as const,
                receivedAt: null,
                toldAt: null,
                remindedAt: null,
                handedAt: null,
                missedAt: null,
              }
            : null,
        },
      ],
    }));
  const holds = () => useAttic.getState().items[many.id('Kittiwake')]!.holds;

  it('money comes before the item', async () => {
    promised(true);
    const asked = await open(Holds);
    await sees(/Imke, today, .*Harbour steps: €40\.00 in cash/u);
    expect(canPress(`Handed over: ${useAttic.getState().items[many.id('Kittiwake')]?.title}`)).toBe(false);
    await press(/^Money received for/u);
    expect(holds()[0]?.meet?.receivedAt).toBeTruthy();
    await press(/^Handed over/u);
    expect(commandsIn(asked)[0]).toMatchObject({ type: 'sold', item: many.id('Kittiwake'), amount: 4_000 });
  });
  it('let go, they are over; where the courier can’t be told they stand', async () => {
    promised(false);
    await open(Holds, { offline: true });
    await press(/^Release the hold/u);
    await sees('The courier can’t be reached');
    expect(holds()[0]?.to).toBeNull();
  });
  it('places to meet at are kept, each once', async () => {
    await open(Holds);
    await fill('Another place', 'Market hall');
    await press('Add this place');
    await press('Remove Harbour steps');
    expect(useAttic.getState().settings.meetingPlaces).toEqual(['Market hall']);
    await fill('Another place', 'Market hall');
    expect(canPress('Add this place')).toBe(false);
  });
});

describe('messages and offers', () => {
  const talk = (part: object = {}) => ({
    id: 'k1',
    ref: 'item-0.brackenmoor.1',
    market: 'brackenmoor',
    item: many.id('Kittiwake'),
    remoteId: 'x0',
    title: 'Kittiwake',
    who: 'Imke',
    at: Date.now() - 60_000,
    lines: [{ by: 'buyer', at: Date.now() - 60_000, text: 'Is it still there?' }],
    offer: null,
    canWrite: true,
    canOffer: true,
    waits: true,
    ...part,
  });
  it('say plainly where they could not be asked for', async () => {
    await open(Talks, { offline: true });
    await sees('No marketplace was asked yet.');
    expect(canPress('Ask again')).toBe(true);
  });
  it('an offer on what is promised to another can only be refused; its question is answered', async () => {
    const id = many.id('Kittiwake');
    editItem(id, 'promised', () => ({
      holds: [{ from: 1, to: null, who: 'Odo', market: 'threadwick', meet: null }],
    }));
    const asking = {
      market: 'brackenmoor',
      id: 'k1',
      ref: 'r',
      what: 'Kittiwake',
      who: 'Imke',
      item: id,
      changedAt: 5,
      takesOffers: true,
      lines: [{ by: 'buyer', words: 'Is it still there?', at: 5 }],
      offers: [{ id: 'o1', amount: 4_000, at: 5, state: 'open', counter: null }],
    };
    const asked = await open(Talks, {
      answers: { '/talks/': () => ({}), '/talks': () => ({ talks: [asking], missing: [] }) },
    });
    await sees('It is promised to Odo on Threadwick: let that go first to take this offer, or say no.');
    expect(canPress('Take Imke’s offer')).toBe(false);
    await press('Firm price, to Imke');
    await sees('“Firm price” is for what can be had; it is promised to Odo on Threadwick.');
    await press('Send to Imke');
    expect(asked.find((a) => a.path === '/talks/brackenmoor/k1')?.body.words).toMatch(
      /^Hello Imke, it is promised to somebody/u,
    );
    await press('Say no to Imke');
    expect(asked.find((a) => a.path.endsWith('/offers/o1'))?.body).toMatchObject({ answer: 'refuse' });
    editItem(id, 'let go', () => ({ holds: [] }));
  });
  const asking = (part: object) => ({
    ...{ market: 'nearstile', id: 'k1', ref: 'r', what: 'Kittiwake', who: 'Imke', changedAt: Date.now() },
    ...{ item: many.id('Kittiwake'), takesOffers: false, offers: [] },
    lines: [{ by: 'buyer', words: 'May I fetch it?', at: Date.now() }],
    ...part,
  });
  const answering = (...talks: object[]) => ({
    answers: { '/talks/': () => ({}), '/talks': () => ({ talks, missing: [] }) },
  });
  it('a meeting is picked and told with one press; the buyer is reminded of it', async () => {
    const id = many.id('Kittiwake');
    told(id, { listings: [listed('nearstile', { price: 4_000 })] });
    const asked = await open(Talks, answering(asking({})));
    await press('Arrange a meeting with Imke');
    await press('Market cross');
    await press(/^tomorrow, 18:00$/u);
    await sees('It may be dark');
    await press('Promise it and tell Imke');
    const words = () => asked.filter((a) => a.path === '/talks/nearstile/k1').map((a) => a.body.words);
    await waitFor(() =>
      expect(words()[0]).toMatch(/^Hello Imke, it is promised to you\..* at 18:00: Market/u),
    );
    expect(commandsIn(asked)).toContainEqual({
      ...{ type: 'hold', item: id, market: 'nearstile', elsewhere: 'withdraw' },
    });
    await sees('Told just now.');
    await press('Remind Imke of the meeting');
    await waitFor(() => expect(words()[1]).toMatch(/^Hello Imke, see you on .* at 18:00: Market cross/u));
    await sees('Reminded just now.');
    editItem(id, 'let go', () => ({ holds: [] }));
  });
  it('what could not be told stays to be told, where the meeting stands', async () => {
    const id = many.id('Kittiwake');
    told(id, { listings: [listed('nearstile')] });
    await open(Talks, {
      answers: {
        '/talks/': () => ({ refused: 'Closed just now.', status: 503 }),
        '/talks': () => ({ talks: [asking({})], missing: [] }),
      },
    });
    await press('Arrange a meeting with Imke');
    await press('Promise it and tell Imke');
    await sees('Tell Imke where and when');
    expect(useAttic.getState().items[id]?.holds[0]?.meet?.toldAt).toBeNull();
    editItem(id, 'let go', () => ({ holds: [] }));
  });
  it('are filtered by what waits, what is offered, and meetings; buyers show their past', async () => {
    const met = { place: 'Quay', at: 1, pay: 'cash' as const, amount: 1, receivedAt: 1, toldAt: null };
    editItem(many.id('Ostler'), 'sold before', () => ({
      holds: [
        {
          ...{ from: 1, to: 2, who: 'Imke', market: 'nearstile' },
          meet: { ...met, remindedAt: null, handedAt: Date.now(), missedAt: null },
        },
      ],
    }));
    await open(
      Talks,
      answering(
        asking({}),
        asking({
          ...{ market: 'brackenmoor', id: 'k2', who: 'Odo', item: many.id('Silk'), lines: [] },
          ...{ takesOffers: true, offers: [{ id: 'o', amount: 900, at: 1, state: 'open', counter: null }] },
        }),
      ),
    );
    await sees('Here before: bought once, never haggled');
    await press('Offers');
    await sees('Odo offers €9.00');
    expect(said()).not.toContain('May I fetch it?');
    await press('Meetings');
    await sees('Nothing of that kind just now.');
    await press('All');
    await sees('May I fetch it?');
  });
  it('tell that what came could not be read, and go on', async () => {
    await open(Talks, { answers: { '/talks': () => ({ talks: [{ ...talk(), id: 5 }], missing: [] }) } });
    expect(canPress('Ask again')).toBe(true);
  });
});

describe('payouts', () => {
  it('say which marketplace could not be asked', async () => {
    await open(MoneyPage, { offline: true });
    await press('Fetch the statement of Brackenmoor');
    await sees('The courier can’t be reached');
  });
});

describe('a consignor’s statement', () => {
  it('shows what is owed, and keeps what was paid', async () => {
    const id = sell('Silk', 'B-7');
    await open(ConsignorPage, { params: { owner: many.owner } });
    expect(useAttic.getState().items[id]?.ownerId).toBe(many.owner);
    await sees('Mrs Aldous');
  });
  it('of nobody says so', async () => {
    await emptyAttic();
    await open(ConsignorPage, { params: { owner: 'x' } });
    await sees('There is no such consignor.');
    expect(useCourier.getState().connected).toBe(true);
  });
});
