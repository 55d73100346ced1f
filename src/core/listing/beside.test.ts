import type { CourierThingView } from '@/contract/courier';
import { RuleSheet } from '@/contract/ruleSheet';

import { aThing } from '../../../e2e/aThing';
import { SHEET as OLDHOLLOW } from '../../../server/standins/oldhollow/sheet';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { BUILT_IN } from '../kinds/tree';
import { Plan } from '@/contract/records';
import { besideOf } from './beside';
import { examineListing } from './examine';
import { plainSetup } from './setup';

const view = (id: string, market: string, title: string, listedAt: number | null = 10): CourierThingView => ({
  id, sale: null, laterSales: [], pieceSales: [], pastSales: [], hold: null, closing: null,
  listings: [{ market, state: 'live', want: 'live', doing: null, tries: 0, nextTryAt: null, trouble: null, url: null, title, price: 4_800, category: '', postage: 0, reasons: [], since: 1, listedAt, draftPrint: '' , edited: null, held: false, stopped: false}],
}); // prettier-ignore
const jumper = aThing({ kind: 'jumper', title: 'Gansey', price: 4_800, use: 'light' });
const said = (market: typeof BRACKENMOOR | typeof OLDHOLLOW, views: CourierThingView[], plan: Partial<Plan> = {}, allowance?: number) => {
  const sheet = { ...RuleSheet.parse(market), ...(allowance === undefined ? {} : { monthlyAllowance: allowance }) };
  const own = Plan.parse({ id: `t_${sheet.marketplace}`, thingId: 't', market: sheet.marketplace, wanted: true, ...plan });
  return examineListing(jumper, own, sheet, () => undefined, BUILT_IN, plainSetup(), besideOf(views, 5)).findings;
}; // prettier-ignore
const auction = { opening: 2_000, outright: null, days: 7, again: 0, becomes: null };

it('stops the same title at the same price where the marketplace takes no twins', () => {
  const twin = said(BRACKENMOOR, [view('u', 'brackenmoor', ' GANSEY ')]);
  expect(twin).toContainEqual(expect.objectContaining({ level: 'blocker', message: expect.stringContaining('same title at the same price') })); // prettier-ignore
  const others = [view('t', 'brackenmoor', 'Gansey'), view('u', 'oldhollow', 'Gansey'), view('v', 'brackenmoor', 'Jumper')]; // prettier-ignore
  expect(said(BRACKENMOOR, others).some((f) => f.message.includes('same title'))).toBe(false);
});
it('warns of an auction of what is up elsewhere', () => {
  expect(said(OLDHOLLOW, [view('t', 'brackenmoor', 'Gansey')], { auction }).some((f) => f.message.includes('sold twice'))).toBe(true); // prettier-ignore
  expect(said(OLDHOLLOW, [], { auction }).some((f) => f.message.includes('sold twice'))).toBe(false);
});
it('warns near the end of a month’s allowance, and stops past it', () => {
  const used = (n: number) => Array.from({ length: n }, (_, i) => view(`u${i}`, 'brackenmoor', `Thing ${i}`));
  const about = (n: number) => said(BRACKENMOOR, used(n), {}, 10).filter((f) => f.message.includes('month’s 10 listings')); // prettier-ignore
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
    ).some((f) => f.message.includes('month’s 10')),
  ).toBe(false);
});
it('offers what one press puts right', () => {
  const long = said(BRACKENMOOR, [], { title: 'x'.repeat(81) }).find((f) => f.field === 'title');
  expect(long?.fix).toEqual({ words: 'Write it shorter', plan: { title: null } });
  const days = said(OLDHOLLOW, [], { auction: { ...auction, days: 14 } }).find((f) => f.field === 'format');
  expect(days?.fix?.plan?.auction).toMatchObject({ days: 10 });
});
