import fc from 'fast-check';

import { Choices } from '@/contract/choices';
import type { CourierItemView, Sale } from '@/contract/courier';
import { Order, orderId } from '@/contract/orders';
import { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { goesAlong, ordersOf, postBy, RETURN_TIME, STAGES, type OrderRow } from './orders';
import { customsLine, judgeWeight, promised } from './packing';
import { judgeScan, lookAlikes, walked } from './picking';
import { trackingSound } from './tracking';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { trackingNumber } from '../../../server/standins/pennant/number';
import { SHEET as QUIRESTACK } from '../../../server/standins/quirestack/sheet';

const SHEETS = [BRACKENMOOR, NEARSTILE, QUIRESTACK] as unknown as RuleSheet[];
const item = (id: string, part: Partial<Item> = {}) =>
  Item.parse({ id, code: `YA-${id}`, author: 'me', createdAt: 5, updatedAt: 5, ...part });
const sale = (market: string, at = 9): Sale => ({
  market,
  order: `${market}-${at}`,
  amount: 4_800,
  postage: 390,
  fees: null,
  at,
  knownAt: at,
});
const view = (id: string, part: Partial<CourierItemView>): CourierItemView => ({
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
const stage = (
  record: Partial<Order>,
  v = view('t', { sale: sale('brackenmoor') }),
  now = 100,
  items = [item('t')],
) => {
  const [first] = [...v.pieceSales, ...(v.sale ? [v.sale] : []), ...v.pastSales];
  const id = orderId('t', first?.order ?? '');
  const o = Order.parse({ id, itemId: 't', market: first?.market, order: first?.order, ...record });
  const byId = Object.fromEntries(items.map((x) => [x.id, x]));
  return ordersOf({ t: v }, byId, { [id]: o }, SHEETS, now)[0]?.stage;
};

describe('how far an order is', () => {
  const label = { carrier: 'P', tracking: 'PN1', cost: 420, at: 5 };
  it('follows what was done, in the order it is worked', () => {
    expect(stage({})).toBe('toFetch');
    expect(stage({ fetchedAt: 1 })).toBe('toPack');
    expect(stage({ fetchedAt: 1, packedAt: 2 })).toBe('toLabel');
    expect(stage({ packedAt: 2, label })).toBe('toPost');
    expect(stage({ packedAt: 2, label, postedAt: 3 })).toBe('underWay');
    expect(stage({ postedAt: 3, arrivedAt: 4 })).toBe('arrived');
    expect(stage({ postedAt: 3, arrivedAt: 4 }, undefined, 5 + RETURN_TIME)).toBe('over');
    expect(stage({ postedAt: 3, arrivedAt: 4, closedAt: 5 })).toBe('over');
    expect(stage({ cancelled: { at: 3, why: 'x' } })).toBe('over');
  });
  it('waits for a return until somebody decided what becomes of the item, the sale being over or not', () => {
    const back = {
      reason: 'damaged' as const,
      words: '',
      openedAt: 5,
      hereAt: null,
      given: null,
      feesBack: 0,
      doneAt: null,
    };
    const past = view('t', { pastSales: [{ ...sale('brackenmoor'), why: 'returned', undoneAt: 7 }] });
    expect(stage({ postedAt: 3, back })).toBe('back');
    expect(stage({ postedAt: 3, back: { ...back, hereAt: 6, given: 100 } }, past)).toBe('back');
    expect(stage({ postedAt: 3, back: { ...back, doneAt: 8 } }, past)).toBe('over');
    expect(stage({}, past)).toBe('over');
  });
  it('asks for no parcel where the two meet, or the depot posts it', () => {
    const met = view('t', { sale: sale('nearstile') });
    expect(stage({}, met)).toBe('toFetch');
    expect(stage({ packedAt: 1 }, met)).toBe('over');
    const kept = item('t', {
      depot: { market: 'quirestack', parcel: 'P', state: 'there', no: 'D1', since: 1 },
    });
    expect(stage({ packedAt: 1 }, view('t', { sale: sale('quirestack') }), 100, [kept])).toBe('over');
    expect(stage({ packedAt: 1 }, view('t', { sale: sale('quirestack') }))).toBe('toLabel');
  });
  it('never goes back by doing more', () => {
    const steps: (keyof Order)[] = ['fetchedAt', 'packedAt', 'postedAt', 'arrivedAt', 'closedAt'];
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4 }), (done) => {
        const upTo = (n: number) => Object.fromEntries(steps.slice(0, n).map((s) => [s, 10]));
        const place = (n: number) => STAGES.indexOf(stage(upTo(n)) ?? 'toFetch');
        expect(place(done + 1)).toBeGreaterThanOrEqual(place(done));
      }),
    );
  });
  it('goes along with what the same buyer has bought at the same place, until it is labelled', () => {
    const at = (id: string, name: string, part: Partial<OrderRow> = {}): OrderRow => {
      const address = { name, lines: ['Mill Bank 4'], zone: 'inland' as const };
      const order = sale('brackenmoor');
      const record = Order.parse({ id, itemId: id, market: order.market, order: order.order, address });
      return { id, itemId: id, sale: order, record, stage: 'toPack', way: 'post', ...part };
    };
    const mine = at('a', 'Ada');
    const rows = [
      mine,
      at('b', 'Ada'),
      at('c', 'Odo'),
      at('d', 'Ada', { stage: 'toPost' }),
      at('e', 'Ada', { sale: sale('threadwick') }),
      at('f', 'Ada', { record: null }),
    ];
    expect(goesAlong(mine, rows).map((r) => r.id)).toEqual(['b']);
    expect(goesAlong(at('g', '', { record: null }), rows)).toEqual([]);
  });
  it('is to be posted within the days that were promised', () => {
    expect(postBy(sale('brackenmoor', 1_000), 2)).toBe(1_000 + 2 * 86_400_000);
  });
  it('has an id that is safe as a record’s', () => {
    expect(orderId('000001-ab', 'LY-12/34.x')).toBe('000001-ab_LY-1234x');
    fc.assert(
      fc.property(fc.string({ maxLength: 120 }), (o) =>
        /^[A-Za-z0-9_-]{1,64}$/u.test(orderId('000001-ab', o)),
      ),
    );
  });
});

describe('fetching', () => {
  const vase = item('a', {
    kind: 'vase',
    title: 'Green pressed-glass vase, diamond pattern',
    spot: 'B2-04',
  });
  const twin = item('b', {
    kind: 'vase',
    title: 'Green pressed-glass vase, diamond pattern, the second',
    spot: 'B2-05',
  });
  const lamp = item('c', {
    kind: 'lamp',
    title: 'Brass ship’s oil lamp',
    spot: 'B10-01',
    facts: { barcode: '4006381333931' },
  });
  const all = [vase, twin, lamp];
  it('goes past the shelves, B2 before B10, what has no spot last', () => {
    const loose = item('d');
    expect(walked([lamp, loose, twin, vase], (t) => t).map((t) => t.id)).toEqual(['a', 'b', 'c', 'd']);
  });
  it('takes the right code however it is typed, and names what was scanned instead', () => {
    expect(judgeScan(' ya-A ', vase, all)).toEqual({ is: 'right' });
    expect(judgeScan('YA-b', vase, all)).toEqual({ is: 'another', item: twin });
    expect(judgeScan('nonsense', vase, all)).toEqual({ is: 'unknown' });
    expect(judgeScan('', vase, all)).toEqual({ is: 'unknown' });
  });
  it('takes a barcode only where it tells items apart', () => {
    expect(judgeScan('4006381333931', lamp, all)).toEqual({ is: 'right' });
    const same = item('e', { facts: { barcode: '4006381333931' } });
    expect(judgeScan('4006381333931', lamp, [...all, same])).toMatchObject({ is: 'another' });
    expect(judgeScan('4006381333931', vase, all)).toEqual({ is: 'another', item: lamp });
  });
  it('wants the piece that was sold, not another of the same item', () => {
    const pieces = ['MUG', 'JUG'].map((code) => ({
      code,
      values: [code],
      price: 900,
      stock: 2,
      pictureIds: [],
    }));
    const set = item('s', {
      choices: Choices.parse({ options: [{ name: 'Piece', values: ['MUG', 'JUG'] }], pieces }),
    });
    expect(judgeScan('mug', set, [set], 'MUG')).toEqual({ is: 'right' });
    expect(judgeScan('JUG', set, [set], 'MUG')).toMatchObject({ is: 'another' });
  });
  it('warns of look-alikes that are still here', () => {
    expect(lookAlikes(vase, all, () => false).map((t) => t.id)).toEqual(['b']);
    expect(lookAlikes(vase, all, (id) => id === 'b')).toEqual([]);
    expect(lookAlikes(lamp, all, () => false)).toEqual([]);
  });
});

describe('packing', () => {
  // Common practice: scales and paper differ by a few dozen grams.
  it.each([
    [820, 820, 'asExpected'],
    [855, 820, 'asExpected'],
    [700, 820, 'lighter'],
    [960, 820, 'heavier'],
    [2_150, 2_000, 'asExpected'],
    [2_200, 2_000, 'heavier'],
  ] as const)('%i g against %i g recorded is %s', (weighed, recorded, is) => {
    expect(judgeWeight(weighed, recorded).is).toBe(is);
  });
  it('says nothing where nobody weighed it before', () =>
    expect(judgeWeight(500, null)).toEqual({ is: 'unknown' }));
  it('recalls what was promised', () => {
    const t = item('a', {
      included: 'its box',
      missing: 'one key',
      flaws: [
        { id: 'f', type: 'chip', place: 'rim', severity: 'slight', sizeMm: null, pictureId: null, pin: null },
      ],
    });
    expect(promised(t)).toEqual([
      'With it: its box',
      'Said to be missing: one key',
      'Flaws told of: chip, rim',
    ]);
  });
  it('tells customs the private wording kept for it, else what it is and of what', () => {
    const t = item('a', { facts: { material: 'Wool', country: 'Osmark' } });
    expect(customsLine(t, 'Jumper', 4_800, 820)).toEqual({
      what: 'Used jumper of wool',
      origin: 'Osmark',
      value: 4_800,
      weightG: 820,
    });
    expect(customsLine({ ...t, facts: { customs: 'Knitted garment, worn' } }, 'Jumper', 1, null).what).toBe(
      'Knitted garment, worn',
    );
  });
});

describe('tracking numbers', () => {
  // UPU standard S10, its published example RR 473 124 829 GB (from memory).
  it('agree with the published example', () => {
    expect(trackingSound('RR 473 124 829 GB')).toBe(true);
    expect(trackingSound('RR473124828GB')).toBe(false);
    expect(trackingSound('1Z999')).toBeNull();
  });
  it('of the carrier are all sound, and no single wrong digit is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.nat(7),
        fc.integer({ min: 1, max: 9 }),
        (serial, place, by) => {
          const number = trackingNumber(serial);
          expect(trackingSound(number)).toBe(true);
          const at = 2 + place;
          const wrong = `${number.slice(0, at)}${(Number(number[at]) + by) % 10}${number.slice(at + 1)}`;
          // 10 and 11 both end in a digit that another remainder has too: S10 itself lets those few pass.
          const remainder = (n: string) =>
            [...n.slice(2, 10)].reduce((s, d, i) => s + Number(d) * [8, 6, 4, 2, 3, 5, 9, 7][i]!, 0) % 11;
          const shared = new Set([[1, 0].join(), [0, 6].join(), [6, 0].join()]);
          if (!shared.has([remainder(number), remainder(wrong)].join()) && trackingSound(wrong))
            expect(number.at(10)).not.toBe(undefined);
        },
      ),
    );
  });
});
