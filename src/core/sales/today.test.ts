import type { CourierListingView, CourierItemView, Sale } from '@/contract/courier';
import { Order as OrderRecord, orderId, type Order } from '@/contract/orders';
import { Plan, planId, Item } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { saleTakeHome } from './saleTakeHome';
import { isAlarm, LONG_HOLD, SOON, todayLines, type TodayInput } from './today';
import { anItem } from '../../../e2e/anItem';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';
import type { Finding } from '../listing/findings';
import { ordersOf } from '../orders/orders';
import { STARTING_RATES } from '../postage/rates';

const item = (id: string, part: Partial<Item> = {}) =>
  Item.parse({ id, code: 'YA-0001', author: 'me', createdAt: 5, updatedAt: 5, ...part });
const sale = (market: string, at: number, part: Partial<Sale> = {}): Sale => ({
  market,
  order: `${market}-${at}`,
  amount: 4800,
  postage: 390,
  fees: null,
  at,
  knownAt: at + 100,
  ...part,
});
const listing = (market: string, part: Partial<CourierListingView> = {}): CourierListingView => ({
  market,
  state: 'live',
  want: 'live',
  doing: null,
  tries: 0,
  nextTryAt: null,
  trouble: null,
  remoteId: null,
  url: null,
  title: '',
  price: 4800,
  category: '',
  postage: 0,
  reasons: [],
  since: 1,
  listedAt: 1,
  firstPrice: null,
  draftHash: '',
  edited: null,
  held: false,
  stopped: false,
  ...part,
});
const view = (id: string, part: Partial<CourierItemView> = {}): CourierItemView => ({
  id,
  listings: [],
  sale: null,
  laterSales: [],
  pieceSales: [],
  pastSales: [],
  hold: null,
  closing: null,
  ...part,
});
const open = (market: string) => ({
  startedAt: 10,
  doneAt: null,
  entries: [{ market, outcome: 'withdrawing' as const, at: null, tries: 3, trouble: 'closed' }],
});
const done = { startedAt: 10, doneAt: 400, entries: [] };
const lines = (
  views: CourierItemView[],
  items: Item[] = [item('t')],
  plans: Plan[] = [],
  findings: Finding[] = [],
  desk: Partial<TodayInput> & { records?: Order[] } = {},
) => {
  const { records = [], ...more } = desk;
  const courier = Object.fromEntries(views.map((v) => [v.id, v]));
  const byId = Object.fromEntries(items.map((t) => [t.id, t]));
  const orders = ordersOf(courier, byId, Object.fromEntries(records.map((r) => [r.id, r])), [], 100);
  return todayLines({
    items: byId,
    courier,
    orders,
    plans,
    now: 100,
    tonight: 1_000,
    findings: () => findings,
    ...more,
  });
};
/** The order is fetched and packed. */
const packedNow = (itemId: string, order: string): Order =>
  OrderRecord.parse({
    id: orderId(itemId, order),
    itemId,
    market: 'moor',
    order,
    fetchedAt: 12,
    packedAt: 12,
    postedAt: 13,
  });

describe('Today', () => {
  it('is calm when nothing needs a person', () => {
    expect(lines([view('t', { listings: [listing('moor')] })])).toEqual([]);
    expect(
      lines([view('t', { sale: sale('moor', 9), closing: done })], [item('t')], [], [], {
        records: [packedNow('t', 'moor-9')],
      }),
    ).toEqual([]);
  });

  it('tells of what is not tried any more, though nobody refused it', () => {
    const stopped = listing('moor', {
      state: 'onItsWay',
      doing: 'publish',
      tries: 5,
      trouble: 'Ours.',
      stopped: true,
    });
    expect(lines([view('t', { listings: [stopped] })]).map((l) => l.sort)).toEqual(['refused']);
    expect(lines([view('t', { listings: [{ ...stopped, stopped: false }] })])).toEqual([]);
  });

  it('tells of a change that was not taken: buyers go on seeing what was', () => {
    const reasons = [{ field: 'price', message: 'Too low.' }];
    const refused = listing('moor', { reasons });
    const found = lines([view('t', { listings: [refused] })]);
    expect(found).toEqual([{ sort: 'changeRefused', itemId: 't', listing: refused }]);
    // Being sent again, or taken down, it needs nobody.
    expect(lines([view('t', { listings: [{ ...refused, doing: 'revise' }] })])).toEqual([]);
    expect(lines([view('t', { listings: [{ ...refused, want: 'gone', doing: 'withdraw' }] })])).toEqual([]);
    // A change that is not tried any more is none that was taken.
    const stopped = listing('moor', { doing: 'revise', stopped: true, trouble: 'Ours.' });
    expect(lines([view('t', { listings: [stopped] })]).map((l) => l.sort)).toEqual(['changeRefused']);
  });

  it('asks about what ended or was changed there, as long as it is wanted there', () => {
    const plan = (wanted: boolean) =>
      Plan.parse({ id: planId('t', 'moor'), itemId: 't', market: 'moor', wanted });
    const why = [{ field: '', message: 'It was found to be no longer shown there.' }];
    const ended = view('t', { listings: [listing('moor', { state: 'ended', want: 'gone', reasons: why })] });
    const sorts = (v: CourierItemView, plans: Plan[]) => lines([v], [item('t')], plans).map((l) => l.sort);
    expect(sorts(ended, [plan(true)])).toEqual(['endedThere']);
    expect(sorts(ended, [plan(false)])).toEqual([]);
    const withdrawn = view('t', { listings: [listing('moor', { state: 'ended', want: 'gone' })] });
    expect(sorts(withdrawn, [plan(true)])).toEqual([]);
    const edited = { title: null, price: 3_000 };
    expect(sorts(view('t', { listings: [listing('moor', { edited })] }), [])).toEqual(['editedThere']);
    // What is being put right needs nobody.
    expect(sorts(view('t', { listings: [listing('moor', { edited, doing: 'revise' })] }), [])).toEqual([]);
  });

  it('has every piece of an item with variations fetched, and tells of one sold too often', () => {
    const mug = sale('moor', 9, { piece: 'A' });
    const jug = sale('moor', 12, { piece: 'B' });
    const both = view('t', { pieceSales: [mug, jug] });
    expect(lines([both]).map((l) => l.sort === 'toFetch' && l.sale.piece)).toEqual(['A', 'B']);
    const records = [packedNow('t', mug.order)];
    expect(
      lines([both], [item('t')], [], [], { records }).map((l) => l.sort === 'toFetch' && l.sale.piece),
    ).toEqual(['B']);
    const twice = view('t', {
      pieceSales: [mug],
      laterSales: [{ ...sale('wick', 10, { piece: 'A' }), settled: false }],
    });
    expect(lines([twice], [item('t')], [], [], { records }).map((l) => l.sort)).toEqual(['soldTwice']);
  });

  it('puts promises at risk first, red, and says how the trying goes', () => {
    const found = lines(
      [
        view('a', { sale: sale('moor', 9), closing: done }),
        view('b', { listings: [listing('stile', { state: 'refused' })] }),
        view('c', {
          sale: sale('moor', 20),
          closing: open('wick'),
          listings: [listing('wick', { nextTryAt: 77 })],
        }),
        view('d', {
          sale: sale('moor', 9),
          laterSales: [{ ...sale('wick', 11), settled: false }],
          closing: done,
        }),
      ],
      ['a', 'b', 'c', 'd'].map((id) => item(id)),
    );
    expect(found.map((l) => l.sort)).toEqual(['soldTwice', 'notGoneYet', 'refused', 'toFetch', 'toFetch']);
    expect(found.filter(isAlarm)).toHaveLength(2);
    expect(found[1]).toMatchObject({
      markets: [{ market: 'wick', tries: 3, trouble: 'closed', nextTryAt: 77 }],
    });
    // From the sale on, as buyers count, however late it was heard of.
    expect(found[3]).toMatchObject({ closedIn: 391 });
  });

  it('does not ask to fetch what is not gone everywhere yet', () =>
    expect(lines([view('t', { sale: sale('moor', 9), closing: open('wick') })]).map((l) => l.sort)).toEqual([
      'notGoneYet',
    ]));

  it('shows a sale of something that is not in this attic', () =>
    expect(lines([view('x', { sale: sale('moor', 9), closing: done })]).map((l) => l.sort)).toEqual([
      'toFetch',
    ]));

  it('keeps quiet about a settled second sale, and a refusal after the sale', () => {
    const settled = view('t', {
      sale: sale('moor', 9),
      laterSales: [{ ...sale('wick', 11), settled: true }],
      closing: done,
      listings: [listing('stile', { state: 'refused' })],
    });
    expect(lines([settled], [item('t')], [], [], { records: [packedNow('t', 'moor-9')] })).toEqual([]);
  });

  it('says what waits at the desk: parcels, meetings, promises, buyers, money, endings', () => {
    const sold = view('t', { sale: sale('moor', 9), closing: done });
    const at = (part: Partial<Order>) => [{ ...packedNow('t', 'moor-9'), postedAt: null, ...part }];
    expect(lines([sold], [item('t')], [], [], { records: at({}) })).toMatchObject([
      { sort: 'parcels', toLabel: 1, toPost: 0, late: 0 },
    ]);
    const label = { carrier: 'P', tracking: 'PN1', cost: 420, at: 14 };
    expect(lines([sold], [item('t')], [], [], { records: at({ label }) })).toMatchObject([
      { sort: 'parcels', toLabel: 0, toPost: 1 },
    ]);
    const meet = {
      place: 'Harbour steps',
      at: 500,
      pay: 'cash' as const,
      amount: 4_000,
      receivedAt: null,
      toldAt: null,
      remindedAt: null,
      handedAt: null,
      missedAt: null,
    };
    const held = item('t', { holds: [{ from: 5, to: null, who: 'Imke', market: 'stile', meet }] });
    expect(lines([view('t')], [held])).toMatchObject([{ sort: 'meeting', late: false }]);
    expect(lines([view('t')], [held], [], [], { now: 600 })).toMatchObject([{ sort: 'meeting', late: true }]);
    // Late in the evening the next hours are tomorrow's, and count all the same.
    const at500 = (now: number) => lines([view('t')], [held], [], [], { now, tonight: now + 100 });
    expect(at500(500 - SOON)).toEqual([]);
    expect(at500(501 - SOON)).toMatchObject([{ sort: 'meeting', late: false }]);
    expect(lines([view('t')], [held], [], [], { now: 500 - SOON, tonight: 501 })).toHaveLength(1);
    const loose = item('t', { holds: [{ from: 5, to: null, who: 'Imke', market: null, meet: null }] });
    expect(lines([view('t')], [loose])).toEqual([]);
    expect(lines([view('t')], [loose], [], [], { now: 6 + LONG_HOLD })).toMatchObject([{ sort: 'heldLong' }]);
    // Sold to somebody else: that is a promise broken, and red.
    const broken = lines([sold], [held], [], [], { records: at({ postedAt: 15 }) });
    expect(broken).toMatchObject([{ sort: 'promisedSold', who: 'Imke' }]);
    expect(broken.filter(isAlarm)).toHaveLength(1);
    // Sold where it was promised, by an offer that was taken and paid: the promise is kept.
    const kept = item('t', { holds: [{ from: 5, to: null, who: 'Imke', market: 'moor', meet: null }] });
    expect(lines([sold], [kept], [], [], { records: at({ postedAt: 15 }) })).toEqual([]);
    expect(
      lines([view('t')], [item('t')], [], [], {
        moneyOff: [{ market: 'moor', orders: 2, off: -100, at: 3 }],
      }),
    ).toMatchObject([{ sort: 'moneyOff', off: -100 }]);
    const back = {
      reason: 'doesNotFit' as const,
      words: '',
      openedAt: 20,
      hereAt: 30,
      given: null,
      feesBack: 0,
      doneAt: null,
    };
    expect(lines([sold], [item('t')], [], [], { records: at({ postedAt: 15, back }) })).toMatchObject([
      { sort: 'cameBack' },
    ]);
    expect(
      lines([sold], [item('t')], [], [], { records: at({ postedAt: 15, back: { ...back, hereAt: null } }) }),
    ).toEqual([]);
  });

  it('names what is one fact away from ready, and only that', () => {
    const plan = Plan.parse({ id: 't_moor', itemId: 't', market: 'moor', wanted: true });
    const blocker: Finding = { level: 'blocker', field: 'price', code: 'priceMissing', params: {} };
    expect(lines([], [item('t')], [plan], [blocker])).toMatchObject([
      { sort: 'nearlyReady', finding: blocker },
    ]);
    expect(lines([], [item('t')], [plan], [blocker, blocker])).toEqual([]);
    expect(lines([], [item('t')], [{ ...plan, wanted: false }], [blocker])).toEqual([]);
    expect(lines([view('t', { listings: [listing('moor')] })], [item('t')], [plan], [blocker])).toEqual([]);
  });
});

describe('what a sale leaves', () => {
  const jumper = item('t', { kind: 'jumper', weightG: 820 });
  it('takes the fees as charged where the marketplace says them', () => {
    const sheet = RuleSheet.parse(THREADWICK);
    // By hand: 48.00 + 3.90 - 8.40 (17.5 %) - 4.20 postage - 0.60 packaging = 38.70.
    expect(
      saleTakeHome(sale('threadwick', 1), jumper, sheet, 'knits', BUILT_IN, STARTING_RATES, {}).takeHome,
    ).toBe(3870);
    const charged = saleTakeHome(
      sale('threadwick', 1, { fees: 900 }),
      jumper,
      sheet,
      'knits',
      BUILT_IN,
      STARTING_RATES,
      {},
    );
    expect(charged).toMatchObject({ feeTotal: 900, takeHome: 3810 });
  });
  it('is the whole price where items are collected', () =>
    expect(
      saleTakeHome(
        sale('nearstile', 1, { postage: 0, fees: 0 }),
        jumper,
        RuleSheet.parse(NEARSTILE),
        '',
        BUILT_IN,
        STARTING_RATES,
        {},
      ).takeHome,
    ).toBe(4800));
});

it('an auction that ends tonight with no bid is told of, with the item it is', () => {
  const auction = {
    market: 'oldhollow',
    remoteId: 'oh-1',
    bids: 0,
    highest: null,
    endsAt: 5_000,
    round: 1,
    rounds: 2,
    becomes: null,
  };
  const lines = (part: object, remoteId: string | null = 'oh-1') =>
    todayLines({
      items: { a: anItem({ id: 'a' }) },
      plans: [],
      courier: { a: view('a', { listings: [listing('oldhollow', { remoteId })] }) },
      orders: [],
      now: 1_000,
      tonight: 9_000,
      findings: () => [],
      auctions: [{ ...auction, ...part }],
    });
  expect(lines({})).toEqual([{ sort: 'unbid', itemId: 'a', auction }]);
  expect(lines({ bids: 1, highest: 900 })).toEqual([]);
  expect(lines({ endsAt: 20_000 })).toEqual([]);
  expect(lines({}, 'another')).toEqual([]);
});

describe('what nobody asked about', () => {
  const DAYS = 86_400_000;
  const NOW = 20 * DAYS;
  const lines = (about: {
    listedAt?: number | null;
    talkAt?: number;
    waitFrom?: number;
    collects?: string[];
    held?: boolean;
  }) => {
    const { listedAt = 1, talkAt, waitFrom, collects = ['board'], held } = about;
    const a = { ...item('a'), holds: held ? [{ from: 1, to: null, who: '', market: null, meet: null }] : [] };
    const talk = { item: 'a', market: 'board', changedAt: talkAt, lines: [], offers: [] };
    return todayLines({
      items: { a },
      plans:
        waitFrom === undefined
          ? []
          : [Plan.parse({ id: 'p', itemId: 'a', market: 'board', wanted: true, unaskedFrom: waitFrom })],
      courier: { a: view('a', { listings: [listing('board', { listedAt })] }) },
      orders: [],
      talks: talkAt === undefined ? [] : [{ item: 'a', what: '', talks: [talk as never] }],
      collects: new Set(collects),
      now: NOW,
      tonight: NOW,
      findings: () => [],
    }).filter((l) => l.sort === 'unasked');
  };
  it('is told after five days, where buyers write before they come', () => {
    expect(lines({ listedAt: NOW - 5 * DAYS })).toMatchObject([{ itemId: 'a', since: NOW - 5 * DAYS }]);
    expect(lines({ listedAt: NOW - 5 * DAYS + 1 })).toEqual([]);
    expect(lines({ listedAt: null })).toEqual([]);
    expect(lines({ collects: ['shop'] })).toEqual([]);
  });
  it('is counted from the last enquiry, and anew where one waits on', () => {
    expect(lines({ talkAt: NOW - 4 * DAYS })).toEqual([]);
    expect(lines({ talkAt: NOW - 6 * DAYS })).toMatchObject([{ since: NOW - 6 * DAYS }]);
    expect(lines({ waitFrom: NOW - DAYS })).toEqual([]);
  });
  it('is asked about a few at a time, the longest first, with how many there are', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const found = todayLines({
      items: Object.fromEntries(ids.map((id) => [id, item(id)])),
      plans: [],
      courier: Object.fromEntries(
        ids.map((id, i) => [id, view(id, { listings: [listing('board', { listedAt: 9 - i })] })]),
      ),
      orders: [],
      collects: new Set(['board']),
      now: NOW,
      tonight: NOW,
      findings: () => [],
    });
    expect(found.map((l) => [l.itemId, l.sort === 'unasked' && l.of])).toEqual([
      ['e', 5],
      ['d', 5],
      ['c', 5],
    ]);
  });
  it('is not what is promised to somebody', () => expect(lines({ held: true })).toEqual([]));
});
