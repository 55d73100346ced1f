import 'fake-indexeddb/auto';

import { Choices } from '@/contract/choices';
import type { Item } from '@/contract/records';
import { openHold } from '@/core/holds/holds';
import type { TalkOf } from '@/core/talks/talks';
import { openAttic, setSettings, useAttic } from '@/store/attic/attic';
import { CourierTrouble, useCourier } from '@/store/courier/courierLink';
import { addItem, editItem } from '@/store/items/items';
import { commandsIn, fakeServer, listed, sold, told, type Asked } from '@/testing/courier';

import { arrangeMeeting, markHandedOver, releaseHold, markReceived, holdFor, type Meeting } from './holds';
import { answerFor, answerView, keepAnswer, STARTING_ANSWERS } from './savedAnswers';
import { answer, answerAlone, beginTalks, judged, readTalks, reply, useTalks } from './talks';
import { whatItLeaves } from './whatItLeaves';

const MOOR = 'brackenmoor';
const WICK = 'threadwick';
const offer = (amount: number, id = 'o1'): TalkOf['offers'][number] => ({
  id,
  amount,
  at: 5,
  state: 'open',
  counter: null,
});
const talk = (item: string | null, part: Partial<TalkOf> = {}): TalkOf => ({
  market: MOOR,
  id: 't1',
  ref: 'r',
  what: 'Gansey',
  who: 'Wilma',
  lines: [],
  offers: [],
  changedAt: 5,
  takesOffers: true,
  item,
  ...part,
});
const CHOICES = Choices.parse({
  options: [{ name: 'Size', values: ['M', 'L'] }],
  pieces: ['M', 'L'].map((v) => ({ code: `YA/${v}`, values: [v], stock: 1 })),
});
const item = (id: string) => useAttic.getState().items[id]!;

beforeEach(async () => {
  jest.useRealTimers();
  useCourier.setState({ items: {}, sheets: [], markets: [] });
  useTalks.setState({ talks: [], missing: [], readAt: null });
  await openAttic(`talks-${Math.random()}`);
});

/** An item that is listed, with limits for offers. */
function forSale(part: Partial<Item> = {}): string {
  const id = addItem({
    title: 'Gansey',
    price: 4_800,
    cost: 600,
    offers: { acceptFrom: 4_300, refuseUnder: 3_000 },
    ...part,
  });
  told(id, { listings: [listed(MOOR), listed(WICK)] });
  return id;
}

describe('what buyers say', () => {
  it('of a marketplace that can’t be asked stays as it was told last', async () => {
    let missing: { market: string; why: string }[] = [];
    let talks = [talk(null), talk(null, { market: WICK, id: 't2' })];
    fakeServer({ '/talks': () => ({ talks, missing }) });
    await readTalks();
    expect(useTalks.getState().talks).toHaveLength(2);
    talks = [talk(null, { who: 'Odo' })];
    missing = [{ market: WICK, why: 'It is closed just now.' }];
    await readTalks();
    expect(useTalks.getState().talks.map((t) => [t.market, t.who])).toEqual([
      [MOOR, 'Odo'],
      [WICK, 'Wilma'],
    ]);
    expect(useTalks.getState().missing).toEqual(missing);
  });

  it('is answered there, and an answer that could not be given is told', async () => {
    let closed = false;
    const asked = fakeServer({
      '/talks/': () => (closed ? { refused: 'It is closed just now.', status: 503 } : {}),
      '/talks': () => ({ talks: [], missing: [] }),
    });
    await reply(talk(null, { id: 'a b/c' }), 'Yes.');
    expect(asked[0]).toEqual({ path: '/talks/brackenmoor/a%20b%2Fc', body: { words: 'Yes.' } });
    closed = true;
    await expect(reply(talk(null), 'Yes.')).rejects.toThrow(new CourierTrouble('It is closed just now.'));
  });
});

describe('offers', () => {
  const server = (talks: TalkOf[]): Asked[] =>
    fakeServer({ '/talks/': () => ({}), '/talks': () => ({ talks, missing: [] }) });
  const answersIn = (asked: readonly Asked[]) =>
    asked.filter((a) => a.path.includes('/offers/')).map((a) => [a.path.split('/')[3], a.body.answer]);
  /** What happens by itself in the first moments of an open page. */
  const pageIsOpen = async () => {
    jest.useFakeTimers();
    answerAlone();
    beginTalks();
    await jest.advanceTimersByTimeAsync(2_500);
    jest.clearAllTimers();
    jest.useRealTimers();
  };

  it.each([
    [4_500, 'accept'],
    [4_300, 'accept'],
    [3_600, 'ask'],
    [2_900, 'refuse'],
  ])('of %i are judged by the limits: %s', (amount, says) => {
    expect(judged(talk(forSale(), { offers: [offer(amount)] }))?.type).toBe(says);
  });

  it.each<[string, (id: string) => void, RegExp]>([
    [
      'promised to somebody else',
      (id) =>
        editItem(id, 'promised', () => ({
          holds: [{ from: 1, to: null, who: 'Odo', market: WICK, meet: null }],
        })),
      /promised to Odo on threadwick. Let that go first/u,
    ],
    [
      'agreed with somebody else',
      (id) =>
        useTalks.setState({
          talks: [talk(id, { id: 't9', who: 'Ines', offers: [{ ...offer(4_000), state: 'accepted' }] })],
        }),
      /promised to Ines on brackenmoor/u,
    ],
    [
      'sold',
      (id) => told(id, { listings: [listed(MOOR)], sale: sold(WICK, 'W-1') }),
      /It is sold on threadwick. Say no/u,
    ],
  ])(
    'for an item that is %s are not taken by one press, nor met with a price; but refused',
    async (_, make, words) => {
      const asked = server([]);
      const id = forSale();
      make(id);
      const one = talk(id, { offers: [offer(4_500)] });
      await expect(answer(one, 'accept')).rejects.toThrow(words);
      await expect(answer(one, 'counter', 4_600)).rejects.toThrow(words);
      expect(asked).toEqual([]);
      await answer(one, 'refuse');
      expect(answersIn(asked)).toEqual([['t1', 'refuse']]);
    },
  );

  it('of whom it is promised to are taken', async () => {
    const asked = server([]);
    const id = forSale({ holds: [{ from: 1, to: null, who: 'Wilma', market: MOOR, meet: null }] });
    await answer(talk(id, { offers: [offer(4_500)] }), 'accept');
    expect(answersIn(asked)).toEqual([['t1', 'accept']]);
  });

  it('are judged only of what is known and listed there', () => {
    const id = forSale();
    expect(judged(talk(null, { offers: [offer(4_500)] }))).toBeNull();
    expect(judged(talk(id))).toBeNull();
    expect(judged(talk(id, { offers: [offer(4_500)], market: 'nearstile' }))).toBeNull();
  });

  it('above the limits are taken by themselves, below refused, between them left to the person', async () => {
    const [good, poor, between] = [forSale(), forSale(), forSale()];
    const asked = server([
      talk(good, { id: 'good', offers: [offer(4_500)] }),
      talk(poor, { id: 'poor', offers: [offer(1_000)] }),
      talk(between, { id: 'between', offers: [offer(3_500)] }),
      talk(good, { id: 'closed', offers: [{ ...offer(1_000), state: 'refused' }] }),
    ]);
    await pageIsOpen();
    expect(answersIn(asked)).toEqual([
      ['good', 'accept'],
      ['poor', 'refuse'],
    ]);
    expect(openHold(item(good))?.who).toBe('Wilma');
    expect(openHold(item(poor))).toBeUndefined();
  });

  it('a second good one is not taken while the item is promised, or somebody may still pay', async () => {
    const [held, agreed] = [forSale(), forSale()];
    editItem(held, 'promised', { holds: [{ from: 1, to: null, who: 'Odo', market: MOOR, meet: null }] });
    const asked = server([
      talk(held, { id: 'held', offers: [offer(4_700)] }),
      talk(agreed, { id: 'agreed', market: WICK, offers: [{ ...offer(4_400), state: 'accepted' }] }),
      talk(agreed, { id: 'later', offers: [offer(4_700)] }),
    ]);
    await pageIsOpen();
    expect(answersIn(asked)).toEqual([]);
  });

  it('nothing is answered by itself where a person wants to, it is sold, or has no limits', async () => {
    const [gone, free] = [forSale(), forSale({ offers: null })];
    told(gone, { listings: [listed(MOOR)], sale: sold(WICK, 'W-1') });
    const asked = server([
      talk(gone, { id: 'gone', offers: [offer(4_700)] }),
      talk(free, { id: 'free', offers: [offer(4_700)] }),
    ]);
    await pageIsOpen();
    setSettings({ answerOffers: false });
    useTalks.setState({ talks: [talk(forSale(), { offers: [offer(4_700)] })] });
    await pageIsOpen();
    expect(answersIn(asked)).toEqual([]);
  });

  it('taking one promises the item; of an item with variations none is promised', async () => {
    const one = forSale();
    const many = forSale({ choices: CHOICES });
    const asked = server([]);
    await answer(talk(one, { offers: [offer(4_500)] }), 'accept');
    await answer(talk(many, { offers: [offer(4_500)] }), 'accept');
    await answer(talk(one, { offers: [offer(4_000)] }), 'counter', 4_400);
    expect(commandsIn(asked)).toEqual([{ type: 'hold', item: one, market: MOOR, elsewhere: 'withdraw' }]);
    expect(asked.filter((a) => a.body.answer === 'counter')[0]?.body).toEqual({
      answer: 'counter',
      amount: 4_400,
    });
  });

  it('what they leave is said only where it can be known', () => {
    expect(whatItLeaves({ market: MOOR, item: forSale() }, 4_000)).toBeNull();
    expect(whatItLeaves({ market: MOOR, item: null }, 4_000)).toBeNull();
  });
});

describe('promises', () => {
  const MEET: Meeting = {
    place: 'Harbour steps',
    at: 90_000,
    pay: 'cash',
    amount: 4_000,
    receivedAt: null,
    toldAt: null,
    remindedAt: null,
    handedAt: null,
    missedAt: null,
  };
  const hold = (id: string) => item(id).holds.at(-1);

  it('are made as the person chose: elsewhere taken down, or left up', async () => {
    const asked = fakeServer({});
    const [one, two] = [forSale(), forSale()];
    await holdFor(item(one), 'Wilma', MEET, MOOR);
    setSettings({ whenPromised: 'leave' });
    await holdFor(item(two), 'Odo', null, MOOR);
    expect(commandsIn(asked).map((c) => c.elsewhere)).toEqual(['withdraw', 'leave']);
    expect(hold(one)).toMatchObject({ who: 'Wilma', market: MOOR, meet: MEET, to: null });
  });

  it('are not made where the courier does not take them, nor twice', async () => {
    fakeServer({ '/commands': () => ({ accepted: false, refusal: 'soldAlready' }) });
    const id = forSale();
    await expect(holdFor(item(id), 'Wilma', null, MOOR)).rejects.toThrow('It is sold already.');
    expect(item(id).holds).toEqual([]);
    const asked = fakeServer({});
    await holdFor(item(id), 'Wilma', null, MOOR);
    await holdFor(item(id), 'Odo', null, MOOR);
    expect(commandsIn(asked)).toHaveLength(1);
    expect(item(id).holds.map((h) => h.who)).toEqual(['Wilma']);
  });

  it('to somebody nowhere the courier knows hold only the price', async () => {
    const asked = fakeServer({});
    const id = forSale();
    await holdFor(item(id), 'A neighbour', null, null);
    expect(asked).toEqual([]);
    expect(openHold(item(id))?.market).toBeNull();
  });

  it('nobody came: it is let go everywhere, and that is remembered', async () => {
    const asked = fakeServer({});
    const id = forSale();
    await holdFor(item(id), 'Wilma', null, MOOR);
    arrangeMeeting(item(id), MEET, MOOR);
    await releaseHold(item(id), true);
    expect(commandsIn(asked).map((c) => c.type)).toEqual(['hold', 'release']);
    expect(hold(id)?.to).not.toBeNull();
    expect(hold(id)?.meet?.missedAt).toBe(hold(id)?.to);
  });

  it('a courier that knows of no promise is no trouble; one not reached keeps it promised', async () => {
    fakeServer({});
    const id = forSale();
    await holdFor(item(id), 'Wilma', null, MOOR);
    fakeServer({ '/commands': () => ({ accepted: false, why: 'That item is not known.' }) });
    await expect(releaseHold(item(id))).rejects.toThrow(CourierTrouble);
    expect(openHold(item(id))).toBeDefined();
    fakeServer({ '/commands': () => ({ accepted: false, refusal: 'notPromised' }) });
    await releaseHold(item(id));
    expect(openHold(item(id))).toBeUndefined();
  });

  it('it is handed over only once the money is here, and then it is sold for what was agreed', async () => {
    const asked = fakeServer({});
    const id = forSale();
    await holdFor(item(id), 'Wilma', MEET, MOOR);
    await markHandedOver(item(id));
    expect(commandsIn(asked).map((c) => c.type)).toEqual(['hold']);
    markReceived(item(id));
    await markHandedOver(item(id));
    expect(commandsIn(asked).at(-1)).toEqual({ type: 'sold', item: id, market: MOOR, amount: 4_000 });
    expect(hold(id)?.meet?.handedAt).not.toBeNull();
    const [order] = Object.values(useAttic.getState().orders);
    expect(order).toMatchObject({ itemId: id, market: MOOR });
    expect(order?.order).toMatch(/^deal-/u);
    expect(order?.closedAt).not.toBeNull();
  });
});

describe('saved answers', () => {
  it('say the item’s public facts, and what it asks there', () => {
    const id = addItem({
      kind: 'jumper',
      price: 4_800,
      measurements: { chest: 540 },
      conditionNote: 'A darn.',
    });
    told(id, { listings: [listed(MOOR, { price: 4_500 })] });
    const view = answerView(item(id), { who: 'Wilma', market: MOOR });
    expect(view).toMatchObject({ buyer: 'Wilma', price: '€45.00', condition: 'A darn.' });
    expect(view.measurements).toContain('54 cm');
    expect(answerView(item(id), { who: 'Odo', market: WICK }).price).toBe('€48.00');
  });

  it.each<[string, (id: string) => void, RegExp]>([
    ['sold', (id) => told(id, { sale: sold(WICK, 'W-1') }), /sorry, it is sold/u],
    [
      'promised',
      (id) =>
        editItem(id, 'promised', () => ({
          holds: [{ from: 1, to: null, who: 'Odo', market: WICK, meet: null }],
        })),
      /promised to somebody/u,
    ],
    [
      'given away',
      (id) => editItem(id, 'gone', () => ({ left: { at: 1, how: 'given' } })),
      /no longer for sale/u,
    ],
  ])('do not say that an item is here which is %s', async (_, make, words) => {
    const asked = fakeServer({ '/talks/': () => ({}), '/talks': () => ({ talks: [], missing: [] }) });
    const id = forSale();
    make(id);
    for (const name of ['stillHere', 'lowest'])
      expect(
        answerFor(
          STARTING_ANSWERS.find((a) => a.id === name)!,
          item(id),
          talk(id),
        ),
      ).toMatchObject({ words: expect.stringMatching(words), missing: [] });
    // What does not say so stays as it is.
    expect(
      answerFor(
        STARTING_ANSWERS.find((a) => a.id === 'flaws')!,
        item(id),
        talk(id),
      ).gaveWay,
    ).toBe(false);
    // Typed by hand it is asked about, and sent where it is meant.
    await expect(reply(talk(id), 'Yes, it is still available!')).rejects.toThrow(
      /these words say it can be had. Nothing was sent/u,
    );
    expect(asked).toEqual([]);
    await reply(talk(id), 'Yes, it is still available!', true);
    await reply(talk(id), 'Sorry, it is not available any more.');
    expect(asked.filter((a) => a.path.startsWith('/talks/'))).toHaveLength(2);
  });

  it('say that what is free is still here, and what it costs', () => {
    const id = forSale();
    expect(
      answerFor(
        STARTING_ANSWERS.find((a) => a.id === 'stillHere')!,
        item(id),
        talk(id),
      ),
    ).toMatchObject({
      words: 'Hello Wilma, yes, it is still here. It costs €48.00.',
      gaveWay: false,
    });
  });

  it('are kept for other buyers and items: names and figures become tokens', () => {
    const id = addItem({ kind: 'jumper', price: 4_800, measurements: { chest: 540 } });
    keepAnswer('Width', 'Hello Wilma, it is 54 cm across and costs €48.00.', item(id), talk(id));
    const [kept] = useAttic.getState().settings.savedAnswers;
    expect(kept?.name).toBe('Width');
    expect(kept?.text).toBe('Hello {{buyer}}, it is {{chest}} across and costs {{price}}.');
  });
});
