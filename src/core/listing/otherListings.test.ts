import type { CourierItemView } from '@/contract/courier';
import { Plan } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { examineListing } from './examine';
import { otherListingsOf, placeOf } from './otherListings';
import { plainSetup } from './setup';
import { anItem } from '../../../e2e/anItem';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { keeps } from '../../../server/standins/oldhollow/fees';
import { SHEET as OLDHOLLOW } from '../../../server/standins/oldhollow/sheet';
import { BUILT_IN } from '../kinds/tree';
import { STARTING_RATES } from '../postage/rates';
import { saleTakeHome } from '../sales/saleTakeHome';

const view = (id: string, market: string, title: string, listedAt: number | null = 10): CourierItemView => ({
  id,
  sale: null,
  laterSales: [],
  pieceSales: [],
  pastSales: [],
  hold: null,
  closing: null,
  listings: [
    {
      market,
      state: 'live',
      want: 'live',
      doing: null,
      tries: 0,
      nextTryAt: null,
      trouble: null,
      remoteId: null,
      url: null,
      title,
      price: 4_800,
      category: '',
      postage: 0,
      reasons: [],
      since: 1,
      listedAt,
      firstPrice: null,
      draftHash: '',
      edited: null,
      held: false,
      stopped: false,
    },
  ],
});
const jumper = anItem({ kind: 'jumper', title: 'Gansey', price: 4_800, use: 'light' });
const said = (
  market: typeof BRACKENMOOR | typeof OLDHOLLOW,
  views: CourierItemView[],
  plan: Partial<Plan> = {},
  allowance?: number,
) => {
  const sheet = {
    ...RuleSheet.parse(market),
    ...(allowance === undefined ? {} : { monthlyAllowance: allowance }),
  };
  const own = Plan.parse({
    id: `t_${sheet.marketplace}`,
    itemId: 't',
    market: sheet.marketplace,
    wanted: true,
    ...plan,
  });
  return examineListing(
    jumper,
    own,
    sheet,
    () => undefined,
    BUILT_IN,
    plainSetup(),
    otherListingsOf(views, 5),
  ).findings;
};
const auction = { opening: 2_000, outright: null, days: 7, again: 0, becomes: null };

it('stops the same title at the same price where the marketplace takes no twins', () => {
  const twin = said(BRACKENMOOR, [view('u', 'brackenmoor', ' GANSEY ')]);
  expect(twin).toContainEqual(
    expect.objectContaining({
      level: 'blocker',
      code: 'twin',
    }),
  );
  const others = [
    view('t', 'brackenmoor', 'Gansey'),
    view('u', 'oldhollow', 'Gansey'),
    view('v', 'brackenmoor', 'Jumper'),
  ];
  expect(said(BRACKENMOOR, others).some((f) => f.code === 'twin')).toBe(false);
});
it('warns of an auction of what is up elsewhere', () => {
  expect(
    said(OLDHOLLOW, [view('t', 'brackenmoor', 'Gansey')], { auction }).some((f) => f.code === 'upElsewhere'),
  ).toBe(true);
  expect(said(OLDHOLLOW, [], { auction }).some((f) => f.code === 'upElsewhere')).toBe(false);
});
it('warns near the end of a month’s allowance, and stops past it', () => {
  const used = (n: number) => Array.from({ length: n }, (_, i) => view(`u${i}`, 'brackenmoor', `Item ${i}`));
  const about = (n: number) =>
    said(BRACKENMOOR, used(n), {}, 10).filter((f) => f.code.startsWith('allowance'));
  expect(about(8)).toEqual([]);
  expect(about(9)).toMatchObject([{ level: 'caution' }]);
  expect(about(10)).toMatchObject([{ level: 'blocker' }]);
  // Those of the month before do not count.
  expect(
    said(
      BRACKENMOOR,
      used(10).map((v) => ({ ...v, listings: v.listings.map((l) => ({ ...l, listedAt: 4 })) })),
      {},
      10,
    ).some((f) => f.code.startsWith('allowance')),
  ).toBe(false);
});
it('offers what one press puts right', () => {
  const long = said(BRACKENMOOR, [], { title: 'x'.repeat(81) }).find((f) => f.field === 'title');
  expect(long?.fix).toEqual({ code: 'writeShorter', params: {}, plan: { title: null } });
  const days = said(OLDHOLLOW, [], { auction: { ...auction, days: 14 } }).find((f) => f.field === 'format');
  expect(days?.fix?.plan?.auction).toMatchObject({ days: 10 });
});

describe('what its place costs', () => {
  const DAY = 86_400_000;
  const now = Date.UTC(2026, 10, 20);
  const oldhollow = RuleSheet.parse(OLDHOLLOW);
  const vase = anItem({ kind: 'vase', title: 'Vase', price: 4_800, use: 'light' });
  const fees = (views: CourierItemView[], sheet: RuleSheet) => {
    const examined = examineListing(
      vase,
      undefined,
      sheet,
      () => undefined,
      BUILT_IN,
      { ...plainSetup(), now },
      otherListingsOf(views, Date.UTC(2026, 10)),
    );
    return { ...examined, place: examined.takeHome!.fees.find((f) => f.label.startsWith('Place'))?.amount };
  };
  // The marketplace's own calculation is the stand-in's, which shares nothing with ours.
  it.each([
    [1, 22],
    [89, 22],
    [90, 22],
    [91, 44],
    [200, 66],
  ])('after %i days', (days, amount) => {
    const { place, takeHome, effective } = fees(
      [view('t', 'oldhollow', 'Vase', now - days * DAY)],
      oldhollow,
    );
    expect(place).toBe(amount);
    expect(takeHome!.feeTotal).toBe(keeps(4_800, effective.postage!, days));
  });
  it('is for one period where it is not up yet', () => expect(fees([], oldhollow).place).toBe(22));
  it('is nothing for the first of a month where some are free, whether up already or about to be', () => {
    const rules = oldhollow.fees.rules.map((r) => (r.type === 'listing' ? { ...r, freeAMonth: 2 } : r));
    const some = { ...oldhollow, fees: { ...oldhollow.fees, rules } };
    const up = (id: string, day: number) => view(id, 'oldhollow', id, Date.UTC(2026, 10, day));
    expect(fees([], some).place).toBe(0);
    expect(fees([up('a', 3)], some).place).toBe(0);
    expect(fees([up('a', 3), up('b', 4)], some).place).toBe(22);
    // Its own turn counts, not how many came after it; another month has its own.
    expect(fees([up('t', 2), up('a', 3), up('b', 4)], some).place).toBe(0);
    expect(fees([up('a', 3), up('b', 4), up('t', 5)], some).place).toBe(22);
    expect(
      fees(
        [
          view('a', 'oldhollow', 'a', Date.UTC(2026, 9, 30)),
          view('b', 'oldhollow', 'b', Date.UTC(2026, 9, 31)),
        ],
        some,
      ).place,
    ).toBe(0);
    expect(fees([view('a', 'brackenmoor', 'a', now), view('b', 'brackenmoor', 'b', now)], some).place).toBe(
      0,
    );
  });
  it('counts for what a sale left as well', () => {
    const views = [view('t', 'oldhollow', 'Vase', now - 200 * DAY)];
    const sale = {
      market: 'oldhollow',
      order: '1',
      amount: 4_800,
      postage: 420,
      fees: null,
      at: now,
      knownAt: now,
    };
    const left = (place: Parameters<typeof saleTakeHome>[6]) =>
      saleTakeHome(sale, vase, oldhollow, 'x', BUILT_IN, STARTING_RATES, place);
    const placed = placeOf(otherListingsOf(views, 0), 't', 'oldhollow', sale.at);
    expect(left(placed).feeTotal).toBe(keeps(4_800, 420, 200));
  });
});
