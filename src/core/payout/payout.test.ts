import fc from 'fast-check';
import Papa from 'papaparse';

import type { StatementLine } from '@/contract/orders';
import { Order } from '@/contract/orders';
import { StatementFormat } from '@/contract/ruleSheet';

import { realMoney } from './realMoney';
import { reconcileMoney } from './reconcile';
import { readStatement, withLines } from './statement';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as LANTERNYARD } from '../../../server/standins/lanternyard/sheet';
import { SHEET as OLDHOLLOW } from '../../../server/standins/oldhollow/sheet';
import { SHEET as QUIRESTACK } from '../../../server/standins/quirestack/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';

const FORMATS = [BRACKENMOOR, THREADWICK, OLDHOLLOW, QUIRESTACK, LANTERNYARD].map(
  (s) => [s.marketplace, StatementFormat.parse(s.statement)] as const,
);
const line = (
  sort: StatementLine['sort'],
  order: string,
  amount: number,
  day = '2026-11-20',
): StatementLine => ({ sort, order, amount, day });

describe.each(FORMATS)('a statement of %s', (_, format) => {
  const write = (lines: readonly StatementLine[]) => {
    const { columns: c, separator, decimal, sorts } = format;
    const rows = lines.map((l) => [
      l.day,
      sorts[l.sort],
      l.order,
      (l.amount / 100).toFixed(2).replace('.', decimal),
    ]);
    return Papa.unparse([[c.day, c.sort, c.order, c.amount], ...rows], { delimiter: separator });
  };
  it('is read back as it was written, to the cent', () => {
    const lines = fc.array(
      fc.record({
        sort: fc.constantFrom('sale', 'postage', 'fee', 'back', 'feeBack', 'payout') as fc.Arbitrary<
          StatementLine['sort']
        >,
        order: fc.stringMatching(/^[A-Z]{2}-\d{1,9}$/u),
        amount: fc.integer({ min: -9_999_999, max: 9_999_999 }),
        day: fc.constantFrom('2026-11-01', '2026-12-31'),
      }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(lines, (all) =>
        expect(readStatement(write(all), format, 'EUR')).toEqual({ lines: all, trouble: [] }),
      ),
    );
  });
  it('leaves out rows it cannot read, and says which and why', () => {
    const row = (...cells: string[]) => ['2026-11-20', ...cells].join(format.separator);
    const text = [
      write([line('sale', 'A-1', 100)]),
      row('magic', 'A-2', `1${format.decimal}00`),
      row(format.sorts.fee, 'A-3', 'lots'),
    ].join('\r\n');
    const read = readStatement(text, format, 'EUR');
    expect(read?.lines).toEqual([line('sale', 'A-1', 100)]);
    expect(read?.trouble.map((t) => [t.row, t.why.code])).toEqual([
      [3, 'unknownSort'],
      [4, 'amountUnread'],
    ]);
  });
  it('that is too long is read up to a row’s end, never half an amount, and says so', () => {
    const { columns: c, separator, sorts } = format;
    const row = (n: number) =>
      ['2026-11-01', sorts.sale, `o${n}`, format.decimal === ',' ? '1234,56' : '1234.56'].join(separator);
    const rows = Array.from({ length: 80_000 }, (_, n) => row(n));
    const read = readStatement(
      [[c.day, c.sort, c.order, c.amount].join(separator), ...rows].join('\n'),
      format,
      'EUR',
    );
    expect(read?.lines.length).toBeGreaterThan(50_000);
    expect(new Set(read?.lines.map((l) => l.amount))).toEqual(new Set([123_456]));
    expect(read?.trouble).toEqual([
      { row: read!.lines.length + 2, why: { code: 'fileTooLong', params: {} } },
    ]);
  });
  it.each([
    ['5.00', 500],
    ['+5.00', 500],
    ['(5.00)', -500],
    ['€5.00', 500],
    ['-€5.00', -500],
    ['€-5.00', -500],
    ['5.00 €', 500],
    ['EUR 5.00', 500],
    ['5.00-', -500],
    ['−5.00', -500],
    ['(€1,234.50)', -123_450],
    ['0.00', 0],
    ['(-5.00)', null],
    ['--5.00', null],
    ['-5.00-', null],
    ['(5.00', null],
    ['5.00)', null],
    ['€', null],
    ['5.00 EURO', null],
    ['5.0.0', null],
  ])('reads %s as %p', (written, amount) => {
    const { columns: c, separator, sorts, decimal } = format;
    // The figures above are written with points; swapped where it writes commas.
    const cell = decimal === '.' ? written : written.replace(/[.,]/gu, (sign) => (sign === '.' ? ',' : '.'));
    const read = readStatement(
      [
        [c.day, c.sort, c.order, c.amount].join(separator),
        ['2026-11-01', sorts.fee, 'o1', `"${cell}"`].join(separator),
      ].join('\n'),
      format,
      'EUR',
    );
    expect(read?.lines.map((l) => l.amount)).toEqual(amount === null ? [] : [amount]);
    expect(read?.trouble).toHaveLength(amount === null ? 1 : 0);
  });
  it('with the other sign for decimals is not read as a hundred times as much', () => {
    const { columns: c, separator, sorts, decimal } = format;
    const amount = decimal === ',' ? '12.50' : '12,50';
    const read = readStatement(
      [
        [c.day, c.sort, c.order, c.amount].join(separator),
        ['2026-11-01', sorts.sale, 'o1', `"${amount}"`].join(separator),
      ].join('\n'),
      format,
      'EUR',
    );
    expect(read).toMatchObject({ lines: [], trouble: [{ row: 2, why: { code: 'amountUnread' } }] });
  });
  it('with a quotation mark that is never closed says so', () => {
    const { columns: c, separator, sorts } = format;
    const text = [
      [c.day, c.sort, c.order, c.amount].join(separator),
      ['2026-11-01', sorts.sale, '"o1', '1'].join(separator),
      'more',
    ].join('\n');
    expect(readStatement(text, format, 'EUR')?.trouble.some((t) => t.why.code === 'quoteNotClosed')).toBe(
      true,
    );
  });
  it('is told from any other file', () => expect(readStatement('a,b\n1,2', format, 'EUR')).toBeNull());
});

// ISO 4217: the yen has no decimals, the dinar of Kuwait three.
it.each([
  ['1,000', 'JPY', 1_000],
  ['1,000.00', 'JPY', 1_000],
  ['12.50', 'JPY', null],
  ['1.234', 'KWD', 1_234],
  ['1.2', 'KWD', 1_200],
  ['1.234', 'EUR', null],
])('a statement’s %s in %s is %p', (cell, currency, amount) => {
  const format = { ...FORMATS[0]![1], decimal: '.' as const, separator: ';' as const };
  const { columns: c, sorts } = format;
  const text = `${[c.day, c.sort, c.order, c.amount].join(';')}\n2026-11-01;${sorts.sale};o1;${cell}`;
  expect(readStatement(text, format, currency)?.lines.map((l) => l.amount)).toEqual(
    amount === null ? [] : [amount],
  );
});

describe('lines of several files', () => {
  it('count once where files overlap, and twice where one file has them twice', () => {
    const a = line('fee', 'A', -50);
    expect(withLines([a], [a])).toEqual([a]);
    expect(withLines([], [a, a])).toEqual([a, a]);
    expect(withLines([a, a], [a, a, a])).toEqual([a, a, a]);
  });
});

describe('reconciling', () => {
  const expected = { order: 'A', amount: 4_800, postage: 390, fees: 762, undone: false };
  // By hand: 48.00 + 3.90 - 7.62 = 44.28.
  it('is quiet where the statement says what was told', () => {
    const lines = [
      line('sale', 'A', 4_800),
      line('postage', 'A', 390),
      line('fee', 'A', -762),
      line('payout', 'P1', -4_428),
    ];
    expect(reconcileMoney([expected], lines)).toEqual({
      orders: [{ order: 'A', expected: 4_428, real: 4_428, fees: { expected: 762, real: 762 }, off: 0 }],
      strange: [],
      earned: 4_428,
      paidOut: 4_428,
      owed: 0,
    });
  });
  it('finds a fee that is half a euro too much', () => {
    const lines = [line('sale', 'A', 4_800), line('postage', 'A', 390), line('fee', 'A', -812)];
    const { orders, owed } = reconcileMoney([expected], lines);
    expect(orders[0]).toMatchObject({ off: -50, fees: { expected: 762, real: 812 } });
    expect(owed).toBe(4_378);
  });
  it('expects nothing of what came back, and names orders nobody knows', () => {
    const lines = [line('sale', 'A', 4_800), line('back', 'A', -4_800), line('sale', 'X', 100)];
    const { orders, strange } = reconcileMoney([{ ...expected, undone: true }], lines);
    expect(orders[0]).toMatchObject({ expected: 0, off: 0 });
    expect(strange).toEqual(['X']);
  });
  const gone = { ...expected, undone: true };
  const sold = [line('sale', 'A', 4_800), line('postage', 'A', 390), line('fee', 'A', -762)];
  it.each<[string, Parameters<typeof reconcileMoney>[0][number], StatementLine[], number]>([
    ['nothing where all of it went back', gone, [line('back', 'A', -5_190), line('feeBack', 'A', 762)], 0],
    ['the fee that was kept', gone, [line('back', 'A', -5_190)], -762],
    ['half the fee that was kept', gone, [line('back', 'A', -5_190), line('feeBack', 'A', 381)], -381],
    ['what was given back too much', gone, [line('back', 'A', -5_690), line('feeBack', 'A', 762)], -500],
    ['nothing where it is not given back yet', gone, [], 0],
    // Given back 30.00 of 51.90, with 4.76 of the fee: 21.90 - 7.62 + 4.76 = 19.04 stays.
    [
      'nothing where part of it went back, as was said',
      { ...gone, given: 3_000, feesBack: 476 },
      [line('back', 'A', -3_000), line('feeBack', 'A', 476)],
      0,
    ],
    [
      'more given back than was said',
      { ...gone, given: 3_000, feesBack: 476 },
      [line('back', 'A', -3_100), line('feeBack', 'A', 476)],
      -100,
    ],
    [
      'nothing where nobody knew the fees, and all went back',
      { ...gone, fees: null },
      [line('back', 'A', -5_190), line('feeBack', 'A', 762)],
      0,
    ],
    [
      'the fee that was kept, where nobody knew it before',
      { ...gone, fees: null },
      [line('back', 'A', -5_190)],
      -762,
    ],
  ])('of what came back finds %s', (_, order, lines, off) => {
    expect(reconcileMoney([order], [...sold, ...lines]).orders[0]?.off).toBe(off);
  });
  it('finds every fee kept and every cent too much that was given back, whatever the order', () => {
    const order = fc.record({
      amount: fc.integer({ min: 100, max: 90_000 }),
      postage: fc.integer({ min: 0, max: 2_000 }),
      fee: fc.integer({ min: 1, max: 90 }),
      kept: fc.integer({ min: 0, max: 90 }),
      more: fc.integer({ min: 0, max: 500 }),
    });
    fc.assert(
      fc.property(order, ({ amount, postage, fee, kept, more }) => {
        const notBack = Math.min(kept, fee);
        const lines = [
          line('sale', 'A', amount),
          line('postage', 'A', postage),
          line('fee', 'A', -fee),
          line('back', 'A', -amount - postage - more),
          line('feeBack', 'A', fee - notBack),
        ];
        const { off } = reconcileMoney([{ order: 'A', amount, postage, fees: fee, undone: true }], lines)
          .orders[0]!;
        expect(off).toBe(0 - notBack - more);
      }),
    );
  });
  it('is not off where the statement does not have it yet, or nobody knew the fees', () => {
    expect(reconcileMoney([expected], []).orders[0]).toMatchObject({ real: null, off: 0 });
    expect(reconcileMoney([{ ...expected, fees: null }], [line('sale', 'A', 1)]).orders[0]?.off).toBe(0);
  });
});

describe('what a sale really left', () => {
  const sale = { market: 'moor', order: 'A', amount: 4_800, postage: 390, fees: 762, at: 1, knownAt: 1 };
  const computed = { fees: [], feeTotal: 762, postageCost: 420, packaging: 60, takeHome: 3_948 };
  const order = (part: Partial<Order>) =>
    Order.parse({ id: 't_A', itemId: 't', market: 'moor', order: 'A', ...part });
  const label = { carrier: 'P', tracking: 'PN', cost: 580, at: 1 };
  it('is as expected until more is known', () => {
    expect(realMoney(sale, computed, null, [])).toMatchObject({
      takeHome: 3_948,
      feesFrom: 'marketplace',
      postageFrom: 'tariff',
    });
  });
  it('takes the label’s postage and the statement’s fees', () => {
    const real = realMoney(sale, computed, order({ label }), [line('fee', 'A', -812)]);
    // By hand: 51.90 - 8.12 - 5.80 - 0.60 = 37.38.
    expect(real).toMatchObject({
      fees: 812,
      postage: 580,
      takeHome: 3_738,
      feesFrom: 'statement',
      postageFrom: 'label',
    });
  });
  it('is a loss of the postage where it came back with everything given back', () => {
    const back = {
      reason: 'damaged' as const,
      words: '',
      openedAt: 1,
      hereAt: 2,
      given: 5_190,
      feesBack: 762,
      doneAt: null,
    };
    expect(realMoney(sale, computed, order({ label, back }), []).takeHome).toBe(-640);
  });
  it('is nothing where it was cancelled before it was posted', () => {
    expect(realMoney(sale, computed, order({ cancelled: { at: 2, why: '' } }), []).takeHome).toBe(0);
  });
});
