import { act, screen } from '@testing-library/react';

import { orderId, Order } from '@/contract/orders';
import { change, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useHandedOver } from '@/store/items/choice';
import { listed, sold, told } from '@/testing/courier';
import { nameless, open, press, said, sees, settled, SLIPS } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { savedFiles } from '@/testing/savedFiles';
import { emptyAttic, manyItems, type Many } from '@/testing/world';

import { CourierLines } from './CourierLines';
import { Ledger } from './Ledger';

const DAY = 86_400_000;
const line = (seq: number) => ({
  seq,
  at: 1_000 + seq,
  type: 'news',
  market: null,
  item: null,
  words: `number ${seq}`,
});
const shown = () => screen.queryAllByText(/^number \d+$/u).map((e) => e.textContent);

it('what the courier did is asked at first, when something happened, and for earlier lines', async () => {
  await emptyAttic();
  let newest = 5;
  const asked = await open(CourierLines, {
    answers: {
      '/ledger': ({ path }) =>
        path.includes('before')
          ? { lines: [line(2), line(1)], more: false }
          : { lines: [line(newest), line(3)], more: true },
    },
  });
  await sees('number 5');
  expect(asked.map((a) => a.path)).toEqual(['/ledger']);
  await press('Show earlier lines');
  await sees('number 1');
  expect(shown()).toEqual(['number 5', 'number 3', 'number 2', 'number 1']);
  expect(said()).not.toContain('Show earlier lines');
  newest = 7;
  act(() => useCourier.setState((s) => ({ items: { ...s.items } })));
  await sees('number 7');
  expect(shown()).toEqual(['number 7', 'number 3', 'number 2', 'number 1']);
});

it('what the courier did names the place, and says so where it can’t be saved now', async () => {
  await emptyAttic();
  const told = { lines: [{ ...line(9), market: 'brackenmoor', words: 'sold' }], more: false };
  await open(CourierLines, { answers: { '/ledger': ({ path }) => (path === '/ledger' ? told : undefined) } });
  await sees('Brackenmoor: sold');
  globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
  await press('Save the whole ledger');
  await sees('The courier can’t be reached');
});

/** Two sales of this month, one of them sent back today, and one of the month before. */
async function someSales(): Promise<Many> {
  const many = await manyItems();
  const now = Date.now();
  const month = new Date(now).setDate(1);
  const first = new Date(month).setHours(0, 1);
  // On the first of the month before: whatever day this is, as much of that month was over.
  const before = new Date(new Date(first - DAY).setDate(1)).setHours(0, 1);
  const [silk, jumper, radio] = Object.values(useAttic.getState().items).map((t) => t.id);
  const up = { state: 'sold' as const, listedAt: before - 10 * DAY };
  told(silk!, {
    sale: sold('brackenmoor', 'BM-1', { at: first, amount: 4_800, postage: 390, fees: 700 }),
    listings: [listed('brackenmoor', up)],
  });
  told(jumper!, {
    pastSales: [
      {
        ...sold('threadwick', 'TW-1', { at: first + 1, amount: 2_000, postage: 0, fees: 0 }),
        why: 'cancelled',
        undoneAt: first + 2,
      },
    ],
    listings: [listed('threadwick', { listedAt: before })],
  });
  told(radio!, {
    sale: sold('brackenmoor', 'BM-0', { at: before, amount: 9_000, postage: 0, fees: 1_000 }),
    listings: [listed('brackenmoor', up)],
  });
  change('labels', [
    {
      collection: 'orders',
      id: orderId(silk!, 'BM-1'),
      record: Order.parse({
        id: orderId(silk!, 'BM-1'),
        itemId: silk,
        market: 'brackenmoor',
        order: 'BM-1',
        label: { carrier: 'Pennant', tracking: 'PN1', cost: 500, at: first },
      }),
    },
  ]);
  return many;
}

it('an attic that sold nothing says so, and what is in stock all the same', async () => {
  await manyItems();
  await open(Ledger);
  await sees('Nothing sold yet.');
  await press('In stock');
  expect(nameless()).toEqual([]);
});

it('tells what came in, what went out of it and what stays, against the month before', async () => {
  await someSales();
  await open(Ledger);
  await sees('2 sold, 1 came back or came to nothing');
  // By hand: 48.00 + 20.00 + 3.90 - 20.00 given back - 7.00 - 5.00 - 0.60.
  await sees('Take-home€39.30');
  await sees('Takings€68.00€90.00');
  expect(said()).not.toMatch(SLIPS);
  const [first] = [new Date(new Date().setDate(1))];
  await press('Earlier');
  await sees(new Date(first.getTime() - DAY).toLocaleDateString('en-GB', { month: 'long', year: 'numeric' }));
  await sees('Takings€90.00');
  await press('Later');
  await sees('Takings€68.00');
  await press('Tax year');
  await sees('Month by month');
  expect(nameless()).toEqual([]);
});

it('every drawing has its table, which is copied and saved', async () => {
  await someSales();
  const files = savedFiles();
  const copied: string[] = [];
  Object.defineProperty(navigator, 'clipboard', {
    configurable: true,
    value: { writeText: (text: string) => Promise.resolve(void copied.push(text)) },
  });
  await open(Ledger, { params: { view: 'parts' } });
  await press('Show as a table: By marketplace');
  await press('Copy the table: By marketplace');
  await waitFor(() => expect(copied).toHaveLength(1));
  const [head, ...rows] = copied[0]!
    .trim()
    .split('\r\n')
    .map((row) => row.split('\t'));
  expect(head?.slice(0, 3)).toEqual(['Marketplace', 'Sold', 'Takings, EUR']);
  expect(rows.map((r) => r.slice(0, 3))).toEqual([
    ['Brackenmoor', '1', '48'],
    ['Threadwick', '1', '20'],
  ]);
  await press('Save the table: By marketplace');
  await waitFor(() => expect(files).toHaveLength(1));
  expect(files[0]?.name).toMatch(/^by-market-.*\.csv$/u);
  for (const part of ['Kind', 'Brand', 'Haul', 'Source', 'Consignor', 'Person']) {
    await press(part);
    await sees(`By ${part.toLowerCase()}`);
    expect(said()).not.toMatch(SLIPS);
  }
});

it('cash is what moved, and says of which marketplaces nothing was read', async () => {
  await someSales();
  await open(Ledger, { params: { view: 'cash' } });
  await sees('No statement was read yet of Brackenmoor, Threadwick');
  await sees('Labels and packaging: −€5.60');
  expect(said()).not.toMatch(SLIPS);
});

it('stock by age leads to a change of all that is of one age', async () => {
  await manyItems();
  const old = Object.values(useAttic.getState().items).slice(0, 3);
  change(
    'older',
    old.map((t) => ({
      collection: 'items' as const,
      id: t.id,
      record: { ...t, createdAt: Date.now() - 100 * DAY, price: t.price ?? 1_000 },
    })),
  );
  await open(Ledger, { params: { view: 'stock' } });
  await press(/^Change all \d+: 91 to 180 days$/u);
  expect(went).toEqual(['/stock']);
  const { ids } = useHandedOver.getState();
  expect(old.map((t) => ids?.has(t.id))).toEqual([true, true, true]);
  expect(ids?.size).toBeLessThan(Object.keys(useAttic.getState().items).length);
});

it('what earns its keep says where there is too little to tell', async () => {
  await someSales();
  await open(Ledger, { params: { view: 'keep' } });
  await settled(200);
  await sees('What a listing left');
  expect(said()).not.toMatch(SLIPS);
  expect(nameless()).toEqual([]);
});

it('what can’t be booked, since nobody knows what is kept there, is said before the figures', async () => {
  await someSales();
  const { sheets } = useCourier.getState();
  useCourier.setState({ sheets: sheets.filter((s) => s.marketplace !== 'brackenmoor') });
  await open(Ledger);
  await sees(/Not in these figures: (?:one sale|\d+ sales) on Brackenmoor\./u);
  act(() => useCourier.setState({ sheets }));
  await sees('Takings€68.00');
  expect(said()).not.toContain('Not in these figures');
});

it('follows what sells while it is open', async () => {
  await someSales();
  await open(Ledger);
  await sees('Takings€68.00');
  const [one, other] = Object.keys(useAttic.getState().items).slice(5);
  // The second comes while the first is still being worked out.
  for (const [id, order] of [
    [one, 'BM-8'],
    [other, 'BM-9'],
  ] as const)
    act(() => told(id!, { sale: sold('brackenmoor', order, { at: Date.now() - 1_000, amount: 1_000 }) }));
  await sees('Takings€88.00');
});
