import type { ComponentType } from 'react';

import type { MarketView } from '@/contract/courier';
import { ConsignorPage } from '@/features/fulfilment/ConsignorPage';
import { Holds } from '@/features/fulfilment/Holds';
import { MoneyPage } from '@/features/fulfilment/MoneyPage';
import { OrderPage } from '@/features/fulfilment/OrderPage';
import { Packing } from '@/features/fulfilment/Packing';
import { Talks } from '@/features/fulfilment/Talks';
import { useCourier, type CourierLink } from '@/store/courier/courierLink';
import { addItem } from '@/store/items/items';
import { sold, told } from '@/testing/courier';
import { nameless, open, said, sees, SLIPS, type PageOptions } from '@/testing/page';
import { emptyAttic, manyItems, market, SHEETS, troubledEvening, type Many } from '@/testing/world';

import { Copies } from './attic/Copies';
import { Groups } from './attic/Groups';
import { HaulPage } from './attic/HaulPage';
import { Hauls } from './attic/Hauls';
import { Owners } from './attic/Owners';
import { Patterns } from './attic/Patterns';
import { Setup } from './attic/Setup';
import { Spots } from './attic/Spots';
import { BringIn } from './bringIn/BringIn';
import { Buying } from './buying/Buying';
import { Categories } from './categories/Categories';
import { Connections } from './connections/Connections';
import { Mappings } from './connections/Mappings';
import { TermsPage } from './connections/TermsPage';
import { Crosslist } from './crosslist/Crosslist';
import { SideBySide } from './crosslist/SideBySide';
import { Depot } from './depot/Depot';
import { Intake } from './intake/Intake';
import { ItemSheet } from './item/ItemSheet';
import { Kinds } from './kinds/Kinds';
import { CourierLines } from './ledger/CourierLines';
import { Ledger } from './ledger/Ledger';
import { Many as ManyPage } from './many/Many';
import { Outgoing } from './outgoing/Outgoing';
import { Underway } from './outgoing/Underway';
import { Planned } from './planned/Planned';
import { Sales } from './sales/Sales';
import { Says } from './says/Says';
import { SaysMany } from './says/SaysMany';
import { Taught } from './says/Taught';
import { Scanning } from './scanning/Scanning';
import { StartingPoint } from './startingPoint/StartingPoint';
import { StencilsPage } from './stencils/StencilsPage';
import { Stock } from './stock/Stock';
import { TableIn } from './tables/TableIn';
import { TablesOut } from './tables/TablesOut';
import { Today } from './today/Today';
import { ToLookAt } from './warnings/ToLookAt';
import { WriteMany } from './write/WriteMany';

interface Tried {
  page: ComponentType;
  /** What its address says. */
  params?: (many: Many) => Record<string, string>;
}

const PAGES: Record<string, Tried> = {
  Copies: { page: Copies },
  Groups: { page: Groups },
  Haul: { page: HaulPage, params: ({ haul }) => ({ id: haul }) },
  Hauls: { page: Hauls },
  Owners: { page: Owners },
  Patterns: { page: Patterns },
  Setup: { page: Setup },
  Spots: { page: Spots },
  Scanning: { page: Scanning },
  BringIn: { page: BringIn },
  Buying: { page: Buying },
  Categories: { page: Categories },
  Connections: { page: Connections },
  Mappings: { page: Mappings, params: () => ({ market: 'brackenmoor' }) },
  Planned: { page: Planned },
  Terms: { page: TermsPage, params: () => ({ market: 'brackenmoor' }) },
  Crosslist: { page: Crosslist },
  Depot: { page: Depot, params: () => ({ market: 'quirestack' }) },
  Consignor: { page: ConsignorPage, params: ({ owner }) => ({ owner }) },
  Money: { page: MoneyPage },
  Order: { page: OrderPage, params: (many) => ({ id: many.id('Kittiwake') }) },
  Packing: { page: Packing },
  Promises: { page: Holds },
  Talks: { page: Talks },
  Intake: { page: Intake },
  SideBySide: { page: SideBySide, params: (many) => ({ id: many.id('Kittiwake') }) },
  Item: { page: ItemSheet, params: (many) => ({ id: many.id('Kittiwake') }) },
  Kinds: { page: Kinds },
  Ledger: { page: Ledger },
  'Ledger, by part': { page: Ledger, params: () => ({ view: 'parts' }) },
  'Ledger, cash': { page: Ledger, params: () => ({ view: 'cash' }) },
  'Ledger, in stock': { page: Ledger, params: () => ({ view: 'stock' }) },
  'Ledger, what earns its keep': { page: Ledger, params: () => ({ view: 'keep' }) },
  CourierLines: { page: CourierLines },
  Many: { page: ManyPage },
  Outgoing: { page: Outgoing },
  Underway: { page: Underway },
  Sales: { page: Sales },
  Says: { page: Says, params: (many) => ({ id: many.id('Kittiwake') }) },
  SaysMany: { page: SaysMany },
  StartingPoint: { page: StartingPoint },
  Stencils: { page: StencilsPage, params: () => ({ market: 'brackenmoor' }) },
  Stock: { page: Stock },
  TableIn: { page: TableIn },
  TablesOut: { page: TablesOut },
  Taught: { page: Taught },
  Today: { page: Today },
  ToLookAt: { page: ToLookAt },
  WriteMany: { page: WriteMany },
};
const NOBODY: Many = { id: () => 'nobody', haul: 'nobody', owner: 'nobody' };

/** How an attic may be found by whoever opens a page. */
const FOUND: Record<string, { world: () => Promise<Many>; options?: PageOptions }> = {
  'with nothing in it': { world: () => emptyAttic().then(() => NOBODY) },
  'with many items': { world: manyItems },
  'in a troubled evening': { world: troubledEvening },
  'without the courier': { world: manyItems, options: { offline: true } },
  'on a wide screen': { world: troubledEvening, options: { wide: true } },
};

let complained: jest.SpyInstance;
beforeEach(() => {
  complained = jest.spyOn(console, 'error');
});
afterEach(() => complained.mockRestore());

describe.each(Object.entries(FOUND))('in an attic %s', (_, { world, options }) => {
  it.each(Object.entries(PAGES))('%s says what there is, in words', async (name, { page, params }) => {
    const many = await world();
    await open(page, { ...options, params: params?.(many) ?? {} });
    expect(document.querySelectorAll('[role=main]')).toHaveLength(1);
    expect(said().length).toBeGreaterThan(20);
    expect(said()).not.toMatch(SLIPS);
    expect(nameless()).toEqual([]);
    expect(complained.mock.calls.map((c) => String(c[0]).slice(0, 300))).toEqual([]);
  });
});

/** What is said only where it was asked and answered. */
const CALM =
  /nobody wait|nothing to pack|Nothing to look at|No sales yet|Nothing needs you|Nothing sold yet|is looked after\.|Nothing of it is sold|Nobody has written/iu;
const away = (i: number): Partial<MarketView> =>
  i === 1 ? { health: 'away', silentSince: Date.now() - 300_000 } : i === 2 ? { locked: true } : {};

describe.each([
  [
    'the courier was not heard since the page was opened',
    { connected: false, caughtUp: false, items: {}, markets: [], sheets: [] },
  ],
  ['the courier has been lost', { connected: false, heardAt: Date.now() - 120_000, items: {} }],
  [
    'one place is out and one does not let us in',
    { items: {}, markets: SHEETS.map((s, i) => market(s, away(i))) },
  ],
])('where %s', (_, courier) => {
  it.each(Object.entries(PAGES))('%s says nothing calm that nobody knows', async (name, { page, params }) => {
    const many = await manyItems();
    useCourier.setState(courier as Partial<CourierLink>);
    await open(page, { params: params?.(many) ?? {}, offline: 'connected' in courier });
    expect(said()).not.toMatch(CALM);
  });
});

it('where all was asked and answered, calm is said', async () => {
  await emptyAttic();
  await open(Sales);
  expect(said()).toMatch(/No sales yet/u);
  expect(said()).toMatch(/nothing to pack/u);
  await manyItems();
  useCourier.setState({ items: {} });
  await open(Packing);
  expect(said()).toMatch(/Nothing to pack/u);
});

it('what a barcode’s record named goes by that name in every list, not by its code', async () => {
  await emptyAttic();
  const id = addItem({
    kind: 'book',
    facts: { model: 'Seabirds of the Northern Coasts', barcode: '2000000002415' },
  });
  const sale = sold('quirestack', 'Q-1', { at: Date.now(), knownAt: Date.now() });
  for (const [page, params, part] of [
    [Stock, {}, {}],
    [Crosslist, {}, {}],
    [Depot, { market: 'quirestack' }, {}],
    [Sales, {}, { sale }],
    [Packing, {}, { sale }],
  ] as const) {
    told(id, { ...part });
    await open(page, { params });
    await sees('Seabirds of the Northern Coasts');
  }
});
