import 'fake-indexeddb/auto';

import Papa from 'papaparse';

import { RuleSheet } from '@/contract/ruleSheet';
import type { ConsignorStatement } from '@/core/consign/statement';
import { openAttic, undo, useAttic } from '@/store/attic/attic';
import { CourierTrouble, useCourier } from '@/store/courier/courierLink';
import { useQueue } from '@/store/courier/sendQueue';
import { addItem, editPlan } from '@/store/items/items';
import { fakeServer, listed, sold, told } from '@/testing/courier';

import {
  buyFromOwner,
  elsewhereFor,
  bringBack,
  letLeave,
  markDown,
  moreTime,
  payConsignor,
  statementCsv,
  waitLonger,
} from './consignors';
import { fetchStatement, keepStatement, sawMoney } from './statements';
import { SHEET } from '../../../server/standins/brackenmoor/sheet';

const MOOR = 'brackenmoor';
const sheet = RuleSheet.parse(SHEET);
const { separator, columns, sorts } = sheet.statement!;
const item = (id: string) => useAttic.getState().items[id]!;
const queued = () => Object.values(useQueue.getState()).map((j) => [j.item, j.market, j.action]);

/** A statement file as that marketplace writes it. */
const file = (rows: [sort: keyof typeof sorts, order: string, amount: string][]) =>
  [
    [columns.day, columns.sort, columns.order, columns.amount],
    ...rows.map(([s, o, a]) => ['2026-11-20', sorts[s], o, a]),
  ]
    .map((row) => row.join(separator))
    .join('\r\n');

beforeEach(async () => {
  useCourier.setState({ items: {}, sheets: [sheet], markets: [] });
  useQueue.setState({}, true);
  await openAttic(`money-${Math.random()}`);
});

describe('statements', () => {
  it('are kept line by line, and read again nothing is counted twice', () => {
    const first = file([
      ['sale', 'B-1', '48.00'],
      ['fee', 'B-1', '-3.00'],
    ]);
    keepStatement(MOOR, first);
    keepStatement(MOOR, first);
    keepStatement(
      MOOR,
      file([
        ['fee', 'B-1', '-3.00'],
        ['payout', 'P1', '-45.00'],
      ]),
    );
    const { lines } = useAttic.getState().statements[MOOR]!;
    expect(lines.map((l) => [l.sort, l.amount])).toEqual([
      ['sale', 4_800],
      ['fee', -300],
      ['payout', -4_500],
    ]);
  });

  it('another file is refused with words, and what was known is kept', () => {
    keepStatement(MOOR, file([['sale', 'B-1', '48.00']]));
    for (const text of ['', 'Name,Street\nAda,Mill Bank', '{"day":"2026-11-20"}'])
      expect(() => keepStatement(MOOR, text)).toThrow(
        new CourierTrouble(
          'That is no statement of Brackenmoor: its columns are missing. What was known is kept.',
        ),
      );
    expect(() => keepStatement('handbill', file([]))).toThrow(CourierTrouble);
    expect(useAttic.getState().statements[MOOR]?.lines).toHaveLength(1);
  });

  it('are fetched from the marketplace; one that is away leaves what was known', async () => {
    fakeServer({ '/statements/brackenmoor': () => ({ statement: file([['sale', 'B-1', '48.00']]) }) });
    expect((await fetchStatement(MOOR)).lines).toHaveLength(1);
    fakeServer({ '/statements/': () => ({ refused: 'It is closed just now.', status: 503 }) });
    await expect(fetchStatement(MOOR)).rejects.toThrow('It is closed just now.');
    expect(useAttic.getState().statements[MOOR]?.lines).toHaveLength(1);
  });

  it('what was seen stays seen when the next one comes', () => {
    sawMoney(MOOR, ['B-0']);
    expect(useAttic.getState().statements[MOOR]).toBeUndefined();
    keepStatement(MOOR, file([['sale', 'B-1', '48.00']]));
    sawMoney(MOOR, ['B-1']);
    sawMoney(MOOR, ['B-1', 'B-2']);
    keepStatement(MOOR, file([['sale', 'B-3', '9.00']]));
    expect(useAttic.getState().statements[MOOR]?.seen).toEqual(['B-1', 'B-2']);
  });
});

describe('a consignor’s statement as a table', () => {
  const line = (what: string, amount: number): ConsignorStatement['lines'][number] =>
    ({
      at: Date.parse('2026-11-20T10:00:00Z'),
      sort: 'sale',
      itemId: 't',
      what,
      code: 'YA-0001',
      market: MOOR,
      price: 4_800,
      costs: 300,
      amount,
      balance: amount,
    }) as never;
  const table = async (lines: ConsignorStatement['lines'], currency = 'EUR') => {
    const blob = statementCsv({ lines, balance: 0 } as never, (id) => id.toUpperCase(), currency);
    const text = await new Promise<string>((done) => {
      const reader = new FileReader();
      reader.onload = () => done(String(reader.result));
      reader.readAsText(blob);
    });
    return Papa.parse<Record<string, string>>(text, { header: true }).data;
  };

  it.each([
    ['JPY', '4800', '2700'],
    ['KWD', '4.800', '2.700'],
  ])('has amounts in %s with its own decimals', async (currency, price, yours) => {
    const [row] = await table([line('Gansey', 2_700)], currency);
    expect(row).toMatchObject({ price, yours });
  });

  it('has every amount in hundredths, those below zero as figures', async () => {
    const [one, two] = await table([line('Gansey', 2_700), line('Paid', -2_000)]);
    expect(one).toMatchObject({
      day: '2026-11-20',
      item: 'Gansey',
      marketplace: 'BRACKENMOOR',
      price: '48.00',
      yours: '27.00',
    });
    expect(two?.yours).toBe('-20.00');
  });

  it.each(['=HYPERLINK("http://x")', '+1', '@SUM(A1)', '-cmd', '\tx'])(
    'takes nothing for a formula: %s',
    async (what) => {
      const [row] = await table([line(what, 1)]);
      expect(row?.item).toBe(`'${what}`);
    },
  );

  it('gives words with commas, quotes and line ends back as they were', async () => {
    const what = 'Jug, "glazed"\nwith a lid';
    expect((await table([line(what, 1)]))[0]?.item).toBe(what);
  });
});

describe('items past their days', () => {
  const up = (id: string) =>
    told(id, { listings: [listed(MOOR), listed('threadwick', { state: 'ended', want: 'gone' })] });

  it('marked down by a tenth, to whole ten hundredths, where they are live', () => {
    const id = addItem({ price: 4_830 });
    up(id);
    markDown(item(id));
    expect(item(id).price).toBe(4_350);
    expect(item(id).patientFrom).not.toBeNull();
    expect(queued()).toEqual([[id, MOOR, 'send']]);
    undo();
    expect(item(id).price).toBe(4_830);
  });

  it('without a price there is nothing to mark down', () => {
    const id = addItem({ price: null });
    markDown(item(id));
    expect(item(id).price).toBeNull();
    expect(queued()).toEqual([]);
  });

  it.each([
    ['back', 'given back to its owner'],
    ['given', 'given away'],
  ] as const)('let go (%s), they come down wherever they are up', (how, words) => {
    const id = addItem({});
    up(id);
    // What is up might stay up: while nobody can take it down, it is ours.
    useCourier.setState({ connected: false });
    expect(() => letLeave([item(id)], how)).toThrow('it stays until it can be taken down everywhere');
    expect(item(id).left).toBeNull();
    useCourier.setState({ connected: true, caughtUp: true });
    letLeave([item(id)], how);
    expect(item(id).left?.how).toBe(how);
    expect(queued()).toEqual([[id, MOOR, 'withdraw']]);
    expect(useAttic.getState().diary[id]?.lines.at(-1)?.what).toBe(words);
    bringBack([item(id)]);
    expect(item(id).left).toBeNull();
  });
  it('are not put away once they are sold', () => {
    const id = addItem({});
    told(id, { listings: [listed(MOOR)], sale: sold(MOOR, 'B-7') });
    letLeave([item(id)], 'given');
    expect(item(id).left).toBeNull();
  });

  it('get more days on top of those they had, or are tried as long again', () => {
    const id = addItem({});
    moreTime(item(id), 30);
    moreTime(item(id), 14);
    expect(item(id).moreDays).toBe(44);
    waitLonger(item(id));
    expect(Date.now() - (item(id).patientFrom ?? 0)).toBeLessThan(5_000);
  });

  it('bought from the consignor, they are ours for what was agreed', () => {
    const id = addItem({ ownerId: 'wren', cost: null });
    buyFromOwner(item(id), 1_200);
    expect(item(id)).toMatchObject({ ownerId: null, cost: 1_200 });
  });

  it('may be tried where they are neither up nor planned', () => {
    const id = addItem({});
    up(id);
    editPlan(id, 'nearstile', 'planned', { wanted: true });
    const markets = ['brackenmoor', 'threadwick', 'nearstile', 'oldhollow'];
    useCourier.setState({ markets: markets.map((m) => ({ id: m })) as never });
    expect(elsewhereFor(item(id))).toEqual(['threadwick', 'oldhollow']);
  });
});

it('a payment to a consignor is kept with its day and note, and can be taken back', () => {
  payConsignor('wren', 2_000, 'in cash');
  expect(Object.values(useAttic.getState().payments)).toMatchObject([
    { ownerId: 'wren', amount: 2_000, note: 'in cash' },
  ]);
  undo();
  expect(Object.values(useAttic.getState().payments)).toEqual([]);
});
