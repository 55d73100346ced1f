import fc from 'fast-check';

import type { CourierListingView } from '@/contract/courier';
import { Plan } from '@/contract/records';

import { addTotals, deedOf, NO_TOTALS, totalsOf, type Cell } from './cells';
import type { CellCheck } from './examine';
import type { Finding } from './findings';

const check = (part: Partial<CellCheck> = {}): CellCheck => ({
  market: 'moor',
  title: 'Gansey',
  refusesTwins: false,
  blockers: [],
  cautions: [],
  coming: [],
  price: 4_800,
  takeHome: 3_900,
  fees: 700,
  category: 'c',
  startAt: null,
  changed: false,
  ...part,
});
const plan = (wanted = true) => Plan.parse({ id: 't_moor', itemId: 't', market: 'moor', wanted });
const listing = (part: Partial<CourierListingView> = {}): CourierListingView => ({
  market: 'moor',
  state: 'live',
  want: 'live',
  doing: null,
  tries: 0,
  nextTryAt: null,
  trouble: null,
  remoteId: null,
  url: null,
  title: '',
  price: 4_800,
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
const blocker: Finding = { level: 'blocker', field: 'title', code: 'titleMissing', params: {} };

describe('what a cell is ready for', () => {
  it.each([
    ['not planned', check(), plan(false), undefined, 'nothing'],
    ['planned and sound', check(), plan(), undefined, 'send'],
    ['not checked yet', undefined, plan(), undefined, 'nothing'],
    ['planned with a blocker', check({ blockers: [blocker] }), plan(), undefined, 'fix'],
    ['live as sent', check(), plan(), listing(), 'nothing'],
    ['live and changed', check({ changed: true }), plan(), listing(), 'resend'],
    ['live, changing already', check({ changed: true }), plan(), listing({ doing: 'revise' }), 'nothing'],
    ['on its way', check(), plan(), listing({ state: 'onItsWay', doing: 'publish' }), 'nothing'],
    ['ended', check(), plan(), listing({ state: 'ended', want: 'gone' }), 'again'],
    ['refused', check(), plan(), listing({ state: 'refused', want: 'gone' }), 'again'],
    ['coming down', check(), plan(), listing({ want: 'gone', doing: 'withdraw' }), 'nothing'],
  ] as const)('%s', (_, c, p, l, deed) => expect(deedOf(c, p, l, false)).toBe(deed));
  it('is nothing once the item is sold', () =>
    expect(deedOf(check(), plan(), undefined, true)).toBe('nothing'));
});

describe('totals before sending', () => {
  const cell = (item: string, deed: Cell['deed'], part: Partial<CellCheck> = {}, live = false): Cell => ({
    item,
    deed,
    live,
    check: check(part),
  });
  // By hand: t sells once, for 39.00 or 41.00; u for 10.00. Fees: the dearer of t's two, 9.00, and 2.00.
  it('count an item once, however many places it goes to', () =>
    expect(
      totalsOf([
        cell('t', 'send', { takeHome: 3_900, fees: 900 }),
        cell('t', 'again', { takeHome: 4_100, fees: 700 }),
        cell('t', 'fix'),
        cell('u', 'resend', { takeHome: 1_000, fees: 200 }, true),
        cell('v', 'nothing'),
      ]),
    ).toEqual({ ready: 3, toFix: 1, live: 1, fees: 1_100, takeHomeLeast: 4_900, takeHomeMost: 5_100 }));
});

describe('totals of parts', () => {
  it('are those of the whole', () => {
    const deed = fc.constantFrom<Cell['deed']>('send', 'again', 'resend', 'fix', 'nothing');
    const cells = fc.array(
      fc.record({
        item: fc.constantFrom('a', 'b', 'c'),
        deed,
        live: fc.boolean(),
        takeHome: fc.integer({ min: 0, max: 9_000 }),
      }),
    );
    fc.assert(
      fc.property(cells, (some) => {
        const all = some.map((c): Cell => ({ ...c, check: check({ takeHome: c.takeHome, fees: 1 }) }));
        const parts = ['a', 'b', 'c'].map((id) => totalsOf(all.filter((c) => c.item === id)));
        expect(parts.reduce(addTotals, NO_TOTALS)).toEqual(totalsOf(all));
      }),
    );
  });
});
