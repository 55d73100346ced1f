import fc from 'fast-check';

import { Batch, BatchDefaults, Item } from '@/contract/records';
import { checkDigit } from '@/core/identity/gtin';

import { batchName, begunWith, closedAt, lacksSpot, batchPrice, scannedAs } from './scan';
import { SIGNALS, SOUNDS } from './signals';

const item = (id: string, part: object = {}): Item =>
  Item.parse({ id, code: id, author: '', createdAt: 0, updatedAt: 0, ...part });
const withCheck = (twelve: string) => twelve + checkDigit(twelve);
const CODE = withCheck('200000000001');
const isHere = ({ left }: Item) => left === null;
const calm = { waitsForSpot: false, isHere };

describe('what is scanned', () => {
  it('begins an item where nothing has that barcode, however it is written', () => {
    expect(scannedAs(` ${CODE} `, {}, calm)).toEqual({ as: 'new', digits: CODE });
    // UPC-A is EAN-13 with a zero in front (GS1 General Specifications).
    const upc = '036000291452';
    const here = { a: item('a', { facts: { barcode: `0${upc}` } }) };
    expect(scannedAs(upc, here, calm)).toEqual({ as: 'here', digits: `0${upc}`, itemIds: ['a'] });
  });
  it('is new again once what had it is gone', () => {
    const gone = { a: item('a', { facts: { barcode: CODE }, left: { how: 'given', at: 1 } }) };
    expect(scannedAs(CODE, gone, calm).as).toBe('new');
  });
  it('is a spot only while one is asked for, and no code then', () => {
    const waits = { waitsForSpot: true, isHere };
    expect(scannedAs('A3-12', {}, waits)).toEqual({ as: 'spot', spot: 'A3-12' });
    expect(scannedAs(CODE, {}, waits)).toEqual({ as: 'spotMissing' });
    expect(scannedAs('A3-12', {}, calm)).toEqual({ as: 'misread', text: 'A3-12' });
  });
  it('begins nothing where one digit was misread', () =>
    fc.assert(
      fc.property(
        fc.stringMatching(/^\d{12}$/u),
        fc.integer({ min: 0, max: 12 }),
        fc.integer({ min: 1, max: 9 }),
        (twelve, at, by) => {
          const digits = [...withCheck(twelve)];
          digits[at] = String((Number(digits[at]) + by) % 10);
          // Of single misread digits the check digit finds every one (GS1 General Specifications, 7.9).
          expect(scannedAs(digits.join(''), {}, calm).as).toBe('misread');
        },
      ),
    ));
});

it('what a batch begins with is what its items have', () => {
  const defaults = BatchDefaults.parse({
    kind: 'jumper',
    use: 'light',
    phrase: 'Corners bumped.',
    price: { by: 'timesCost', times: 9 },
    cost: 50,
    spot: 'A1',
    depot: 'quirestack',
    taxCode: 'B7',
  });
  const begun = item(
    'a',
    begunWith(Batch.parse({ id: 'b', name: 'x', startedAt: 0, defaults }), CODE, [0], 'EUR'),
  );
  expect(begun).toMatchObject({
    batchId: 'b',
    kind: 'jumper',
    use: 'light',
    conditionNote: 'Corners bumped.',
    // Nine times fifty is 450, and whole units end in nothing.
    price: 500,
    cost: 50,
    spot: 'A1',
    meantFor: 'quirestack',
    taxCode: 'B7',
    facts: { barcode: CODE },
  });
});

describe('a price by rule', () => {
  const at = (amount: number) => ({ amount, currency: 'EUR', at: 0 });
  it.each([
    // 40 % of 31.45 is 12.58: worked by hand.
    [{ by: 'ofNew', shareBp: 4_000 } as const, at(3_145), null, [0], 1_300],
    [{ by: 'ofNew', shareBp: 4_000 } as const, at(3_145), null, [], 1_258],
    [{ by: 'ofNew', shareBp: 4_000 } as const, at(3_145), null, [49, 99], 1_299],
    [{ by: 'ofNew', shareBp: 4_000 } as const, null, 100, [0], null],
    // 1.10 times three is 3.30, though no binary fraction is.
    [{ by: 'timesCost', times: 3 } as const, null, 110, [30], 330],
    [{ by: 'timesCost', times: 3 } as const, at(900), null, [0], null],
    [{ by: 'fixed', amount: 333 } as const, null, null, [0], 333],
    [{ by: 'none' } as const, at(900), 100, [0], null],
  ])('%j', (rule, priceNew, cost, endings, price) => {
    expect(batchPrice(rule, { priceNew, cost }, endings, 'EUR')).toBe(price);
  });
  it('is not made of another currency', () =>
    expect(
      batchPrice({ by: 'ofNew', shareBp: 5_000 }, { priceNew: at(900), cost: null }, [0], 'GBP'),
    ).toBeNull());
  it('ends as the person likes, and is never less than the rule says', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 100_000 }),
        fc.integer({ min: 1, max: 20_000 }),
        fc.uniqueArray(fc.integer({ min: 0, max: 99 }), { minLength: 1, maxLength: 4 }),
        (amount, shareBp, endings) => {
          const price = batchPrice(
            { by: 'ofNew', shareBp },
            { priceNew: at(amount), cost: null },
            endings,
            'EUR',
          );
          expect(endings).toContain((price ?? -1) % 100);
          expect(price).toBeGreaterThanOrEqual((amount * shareBp) / 10_000 - 0.001);
          expect(price).toBeLessThan((amount * shareBp) / 10_000 + 101);
        },
      ),
    ));
});

it('marketplaces that have a record closed are named', () => {
  const sheet = (name: string, closed: boolean) =>
    ({ name, records: [{ barcode: CODE, rack: 'books', closed }] }) as never;
  expect(closedAt(CODE, [sheet('One', true), sheet('Two', false)])).toEqual(['One']);
  expect(closedAt('2000000000022', [sheet('One', true)])).toEqual([]);
});

it('a batch is called by its day, a later one of the day with a number', () => {
  expect(batchName('8 November 2026', [])).toBe('8 November 2026');
  expect(batchName('8 November 2026', [{ name: '8 November 2026' }, { name: '8 November 2026, 2' }])).toBe(
    '8 November 2026, 3',
  );
});

it('only a batch that asks for spots lacks them', () => {
  expect(lacksSpot({ spot: ' ' }, { askSpot: true })).toBe(true);
  expect(lacksSpot({ spot: ' ' }, { askSpot: false })).toBe(false);
});

it('no two signals sound alike, and what needs a look is rough', () => {
  const heard = SIGNALS.map((signal) => SOUNDS[signal].map(({ rough }) => (rough ? 'buzz' : 'beep')).join());
  expect(new Set(heard).size).toBe(SIGNALS.length);
  for (const signal of ['here', 'closed', 'unknown', 'refused'] as const)
    expect(SOUNDS[signal].some(({ rough }) => rough)).toBe(true);
  for (const signal of ['found', 'taken'] as const)
    expect(SOUNDS[signal].some(({ rough }) => rough)).toBe(false);
});
