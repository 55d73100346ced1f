import type { CourierListingView, CourierThingView, Sale } from '@/contract/courier';
import { Plan, Thing } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { takingsOf } from '../ledger/takings';
import type { Finding } from '../listing/check';
import { BUILT_IN } from '../kinds/tree';
import { STARTING_RATES } from '../postage/rates';
import { saleTakeHome } from './saleTakeHome';
import { isAlarm, todayLines } from './today';

const thing = (id: string, part: Partial<Thing> = {}) =>
  Thing.parse({ id, code: 'YA-0001', author: 'me', createdAt: 5, updatedAt: 5, ...part });
const sale = (market: string, at: number, part: Partial<Sale> = {}): Sale => ({
  market, order: `${market}-${at}`, amount: 4800, postage: 390, fees: null, at, knownAt: at + 100, ...part,
}); // prettier-ignore
const listing = (market: string, part: Partial<CourierListingView> = {}): CourierListingView => ({
  market, state: 'live', want: 'live', doing: null, tries: 0, nextTryAt: null, trouble: null, url: null, title: '', price: 4800,
  category: '', postage: 0, reasons: [], since: 1, listedAt: 1, draftPrint: '', ...part,
}); // prettier-ignore
const view = (id: string, part: Partial<CourierThingView> = {}): CourierThingView => ({
  id, listings: [], sale: null, laterSales: [], closing: null, ...part,
}); // prettier-ignore
const open = (market: string) => ({
  startedAt: 10,
  doneAt: null,
  entries: [{ market, outcome: 'withdrawing' as const, at: null, tries: 3, trouble: 'closed' }],
});
const done = { startedAt: 10, doneAt: 400, entries: [] };
const lines = (
  views: CourierThingView[],
  things: Thing[] = [thing('t')],
  plans: Plan[] = [],
  findings: Finding[] = [],
) =>
  todayLines({
    things: Object.fromEntries(things.map((t) => [t.id, t])),
    courier: Object.fromEntries(views.map((v) => [v.id, v])),
    plans,
    findings: () => findings,
  });

describe('Today', () => {
  it('is calm when nothing needs a person', () => {
    expect(lines([view('t', { listings: [listing('moor')] })])).toEqual([]);
    expect(
      lines([view('t', { sale: sale('moor', 9), closing: done })], [thing('t', { packedAt: 12 })]),
    ).toEqual([]);
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
      ['a', 'b', 'c', 'd'].map((id) => thing(id)),
    );
    expect(found.map((l) => l.sort)).toEqual(['soldTwice', 'notGoneYet', 'refused', 'toFetch', 'toFetch']);
    expect(found.filter(isAlarm)).toHaveLength(2);
    expect(found[1]).toMatchObject({
      markets: [{ market: 'wick', tries: 3, trouble: 'closed', nextTryAt: 77 }],
    });
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
      sale: sale('moor', 9), laterSales: [{ ...sale('wick', 11), settled: true }], closing: done,
      listings: [listing('stile', { state: 'refused' })],
    }); // prettier-ignore
    expect(lines([settled], [thing('t', { packedAt: 1 })])).toEqual([]);
  });

  it('names what is one fact away from ready, and only that', () => {
    const plan = Plan.parse({ id: 't_moor', thingId: 't', market: 'moor', wanted: true });
    const blocker: Finding = { level: 'blocker', field: 'price', message: 'It needs a price.' };
    expect(lines([], [thing('t')], [plan], [blocker])).toMatchObject([
      { sort: 'nearlyReady', finding: blocker },
    ]);
    expect(lines([], [thing('t')], [plan], [blocker, blocker])).toEqual([]);
    expect(lines([], [thing('t')], [{ ...plan, wanted: false }], [blocker])).toEqual([]);
    expect(lines([view('t', { listings: [listing('moor')] })], [thing('t')], [plan], [blocker])).toEqual([]);
  });
});

describe('what a sale leaves', () => {
  const jumper = thing('t', { kind: 'jumper', weightG: 820 });
  it('takes the fees as charged where the marketplace says them', () => {
    const sheet = RuleSheet.parse(THREADWICK);
    // By hand: 48.00 + 3.90 - 8.40 (17.5 %) - 4.20 postage - 0.60 packaging = 38.70.
    expect(
      saleTakeHome(sale('threadwick', 1), jumper, sheet, 'knits', BUILT_IN, STARTING_RATES).takeHome,
    ).toBe(3870);
    const charged = saleTakeHome(
      sale('threadwick', 1, { fees: 900 }),
      jumper,
      sheet,
      'knits',
      BUILT_IN,
      STARTING_RATES,
    );
    expect(charged).toMatchObject({ feeTotal: 900, takeHome: 3810 });
  });
  it('is the whole price where things are collected', () =>
    expect(
      saleTakeHome(
        sale('nearstile', 1, { postage: 0, fees: 0 }),
        jumper,
        RuleSheet.parse(NEARSTILE),
        '',
        BUILT_IN,
        STARTING_RATES,
      ).takeHome,
    ).toBe(4800));
  it('adds up to takings, with unknown costs told apart', () =>
    expect(
      takingsOf([
        { sale: sale('a', 1), takeHome: 3870, cost: 600 },
        { sale: sale('b', 2), takeHome: 4800, cost: null },
      ]),
    ).toEqual({ count: 2, turnover: 9600, takeHome: 8670, profit: 3270, costUnknown: 1 }));
});
