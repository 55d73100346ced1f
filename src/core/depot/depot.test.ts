import { Plan, planId, Settings, Item } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { compareStock, countedIn, isAway, parcelState, postedBy, whyNotToDepot } from './depot';
import { withheld } from '../../../server/standins/quirestack/fees';
import { TITLES } from '../../../server/standins/quirestack/records';
import { SHEET } from '../../../server/standins/quirestack/sheet';
import { BUILT_IN } from '../kinds/tree';
import { checkListing } from '../listing/check';
import { draftOf } from '../listing/draft';
import { effectiveListing, listingTakeHome } from '../listing/effective';
import { plainSetup } from '../listing/setup';

const titles = [...TITLES.values()];
const open = titles.find((t) => !t.closed && t.rack === 'pages')!;
const closed = titles.find((t) => t.closed)!;
const records = titles.map(({ barcode, rack, closed: shut }) => ({ barcode, rack, closed: shut }));
const sheet = RuleSheet.parse({ ...SHEET, records });
const book = (part: Partial<Item> = {}): Item =>
  Item.parse({
    id: 'b1',
    code: 'YA-00001',
    kind: 'book',
    title: 'A book',
    use: 'light',
    price: 900,
    facts: { barcode: open.barcode },
    author: 'Me',
    createdAt: 1,
    updatedAt: 1,
    weightG: 400,
    ...part,
  });
const depot = { market: 'quirestack', parcel: 'P1', state: 'sent' as const, no: null, since: 5 };
const parcel = (no: string | null, countedAt: number | null) => ({
  parcel: 'P1',
  at: 5,
  countedAt,
  contents: [
    { code: 'YA-00001', barcode: open.barcode, depotNo: no },
    { code: 'YA-00002', barcode: open.barcode, depotNo: 'D2' },
  ],
});

describe('what may go to a depot', () => {
  it('is what has an open record, and is not there already', () => {
    expect(whyNotToDepot(book(), sheet)).toBeNull();
    expect(whyNotToDepot(book({ facts: {} }), sheet)).toBe('noBarcode');
    expect(whyNotToDepot(book({ facts: { barcode: '4006381333931' } }), sheet)).toBe('noRecord');
    expect(whyNotToDepot(book({ facts: { barcode: closed.barcode } }), sheet)).toBe('recordClosed');
    expect(whyNotToDepot(book({ depot }), sheet)).toBe('onItsWay');
    expect(whyNotToDepot(book({ depot: { ...depot, state: 'there', no: 'D1' } }), sheet)).toBe('there');
    expect(whyNotToDepot(book({ depot: { ...depot, state: 'missing' } }), sheet)).toBeNull();
    expect(whyNotToDepot(book({ depot: { ...depot, state: 'back', no: 'D1' } }), sheet)).toBe('comingBack');
  });
});

describe('counting at the depot', () => {
  const sent = book({ depot });
  it('waits while the parcel is on its way', () => {
    expect(countedIn([sent], [parcel(null, null)], 'quirestack', 'There')).toEqual([]);
    expect(parcelState(parcel(null, null))).toEqual({ sent: 2, arrived: 0, missing: [] });
  });
  it('takes in what arrived under the depot’s number, and says what did not', () => {
    expect(countedIn([sent], [parcel('D1', 9)], 'quirestack', 'There')).toEqual([
      { item: 'b1', depot: { ...depot, state: 'there', no: 'D1', since: 9 }, spot: 'There' },
    ]);
    const short = countedIn([sent], [parcel(null, 9)], 'quirestack', 'There');
    expect(short).toEqual([{ item: 'b1', depot: { ...depot, state: 'missing', since: 9 }, spot: null }]);
    expect(parcelState(parcel(null, 9))).toEqual({ sent: 2, arrived: 1, missing: ['YA-00001'] });
    // Told once, unless it turns up after all.
    const missing = book({ depot: short[0]!.depot });
    expect(countedIn([missing], [parcel(null, 9)], 'quirestack', 'There')).toEqual([]);
    expect(countedIn([missing], [parcel('D7', 9)], 'quirestack', 'There')[0]?.depot.no).toBe('D7');
  });
  it('leaves items of other parcels and other depots alone', () => {
    expect(
      countedIn([book({ depot: { ...depot, parcel: 'P9' } })], [parcel('D1', 9)], 'quirestack', 'There'),
    ).toEqual([]);
    expect(
      countedIn([book({ depot: { ...depot, market: 'other' } })], [parcel('D1', 9)], 'quirestack', 'There'),
    ).toEqual([]);
    expect(countedIn([book()], [parcel('D1', 9)], 'quirestack', 'There')).toEqual([]);
  });
});

describe('the depot’s report of the day', () => {
  const there = book({ depot: { ...depot, state: 'there', no: 'D1' } });
  const report = (lines: [string, 'kept' | 'posted'][]) => ({
    day: '2026-11-25',
    lines: lines.map(([no, state]) => ({ no, code: `code of ${no}`, state })),
  });
  const compared = (lines: [string, 'kept' | 'posted'][], sold: string[] = []) =>
    compareStock([there, book({ id: 'b2' })], report(lines), 'quirestack', new Set(sold));
  it('agrees where everything is there', () => {
    expect(compared([['D1', 'kept']])).toEqual({ absent: [], strange: [] });
    expect(compared([['D1', 'posted']], ['b1'])).toEqual({ absent: [], strange: [] });
  });
  it('says what is not there, was posted unsold, or nobody knows', () => {
    expect(compared([])).toEqual({ absent: ['b1'], strange: [] });
    expect(compared([['D1', 'posted']])).toEqual({ absent: ['b1'], strange: [] });
    expect(
      compared([
        ['D1', 'kept'],
        ['D9', 'kept'],
      ]),
    ).toEqual({ absent: [], strange: ['code of D9'] });
  });
});

describe('an item that is called back', () => {
  const back = book({ depot: { ...depot, state: 'back', no: 'D1' } });
  it('is neither counted in again, nor missed, nor strange', () => {
    expect(countedIn([back], [parcel('D1', 9)], 'quirestack', 'There')).toEqual([]);
    for (const state of ['kept', 'back'] as const) {
      const stock = { day: '2026-11-25', lines: [{ no: 'D1', code: 'YA-00001', state }] };
      expect(compareStock([back], stock, 'quirestack', new Set())).toEqual({ absent: [], strange: [] });
    }
  });
  it('is posted by the seller again, and away until it is here', () => {
    expect(postedBy('quirestack', book({ depot: { ...depot, state: 'there', no: 'D1' } }))).toBe(true);
    expect(postedBy('other', book({ depot: { ...depot, state: 'there', no: 'D1' } }))).toBe(false);
    expect(postedBy('quirestack', back)).toBe(false);
    expect(isAway(back)).toBe(true);
    expect(isAway(book({ depot }))).toBe(false);
    expect(isAway(book())).toBe(false);
  });
});

describe('an item at the depot', () => {
  const there = book({ depot: { ...depot, state: 'there', no: 'D1' } });
  const plan = Plan.parse({
    id: planId('b1', 'quirestack'),
    itemId: 'b1',
    market: 'quirestack',
    wanted: true,
  });
  const setup = { ...plainSetup(), settings: Settings.parse({ id: 'settings' }) };
  const effective = effectiveListing(there, plan, sheet, BUILT_IN, setup);

  it('is posted by the marketplace: no postage, its number in the draft', () => {
    expect(effective).toMatchObject({ postage: 0, postageCost: 0, depotNo: 'D1' });
    expect(draftOf(effective, sheet, []).depotNo).toBe('D1');
    const back = effectiveListing(
      book({ depot: { ...depot, state: 'back', no: 'D1' } }),
      plan,
      sheet,
      BUILT_IN,
      setup,
    );
    expect(back).toMatchObject({ postage: 280, depotNo: null });
    const here = effectiveListing(book(), plan, sheet, BUILT_IN, setup);
    expect(here).toMatchObject({ postage: 280, depotNo: null });
    expect('depotNo' in draftOf(here, sheet, [])).toBe(false);
  });
  // Against the stand-in's own code, which shares nothing with ours.
  it('leaves what the marketplace’s own figures leave', () => {
    for (const price of [50, 444, 900, 12_345]) {
      const at = { ...effective, price };
      expect(listingTakeHome(at, sheet)?.feeTotal).toBe(withheld(open.rack, price, true));
      expect(listingTakeHome(at, sheet)?.takeHome).toBe(price - withheld(open.rack, price, true));
    }
  });
  it('is warned of elsewhere, and while it is on its way', () => {
    const said = (item: Item, on: RuleSheet) =>
      checkListing(item, effectiveListing(item, undefined, on, BUILT_IN, setup), on, [], BUILT_IN)
        .filter((f) => f.field === 'parcel')
        .map((f) => `${f.level}: ${f.code}`);
    const other = RuleSheet.parse({ ...SHEET, marketplace: 'elsewhere', depot: undefined, records });
    expect(said(there, sheet)).toEqual([]);
    expect(said(there, other)).toEqual(['caution: depotElsewhere']);
    expect(said(book({ depot }), sheet)).toEqual(['caution: depotOnItsWay']);
    expect(said(book({ depot: { ...depot, state: 'missing' } }), sheet)).toEqual(['caution: depotMissing']);
  });
});
