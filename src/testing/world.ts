import type { CourierItemView, MarketView } from '@/contract/courier';
import { Haul, Owner, Picture, Plan, planId, Spot, Item } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';
import { change, openAttic, setSettings, type Put } from '@/store/attic/attic';
import { useFaults } from '@/store/base/faults';
import { useCourier } from '@/store/courier/courierLink';
import { useQueue } from '@/store/courier/sendQueue';

import { listed, sold, told } from './courier';
import { DEMO_ITEMS } from '../../demo/items';
import { SHEET as BRACKENMOOR } from '../../server/standins/brackenmoor/sheet';
import { SHEET as HANDBILL } from '../../server/standins/handbill/sheet';
import { SHEET as LANTERNYARD } from '../../server/standins/lanternyard/sheet';
import { SHEET as NEARSTILE } from '../../server/standins/nearstile/sheet';
import { SHEET as OLDHOLLOW } from '../../server/standins/oldhollow/sheet';
import { SHEET as QUIRESTACK } from '../../server/standins/quirestack/sheet';
import { SHEET as THREADWICK } from '../../server/standins/threadwick/sheet';

export const SHEETS: readonly RuleSheet[] = [
  BRACKENMOOR,
  THREADWICK,
  NEARSTILE,
  OLDHOLLOW,
  QUIRESTACK,
  LANTERNYARD,
  HANDBILL,
].map((s) => RuleSheet.parse(s));

const DAY = 86_400_000;
let attics = 0;

export function market(sheet: RuleSheet, part: Partial<MarketView> = {}): MarketView {
  return {
    id: sheet.marketplace,
    name: sheet.name,
    letters: sheet.name.slice(0, 2),
    health: 'well',
    link: 'connected',
    locked: false,
    byHand: sheet.marketplace === 'handbill',
    home: `/outside/${sheet.marketplace}`,
    accessPage: null,
    trouble: null,
    sheetVersion: sheet.version,
    browsable: sheet.marketplace === 'brackenmoor',
    comparedAt: Date.now() - 60_000,
    unknown: 0,
    resting: false,
    silentSince: null,
    ...part,
  };
}

/** An attic of its own with nothing in it, and a courier that is well. */
export async function emptyAttic(): Promise<void> {
  attics += 1;
  useQueue.setState({}, true);
  useFaults.setState({ last: null, count: 0 });
  useCourier.setState({
    session: {
      token: 't'.repeat(20),
      attic: `t-${attics}`,
      demo: false,
      currency: 'EUR',
      earlierLedger: null,
    },
    attic: `t-${attics}`,
    connected: true,
    caughtUp: true,
    items: {},
    markets: SHEETS.map((s) => market(s)),
    sheets: [...SHEETS],
    sheetsMissing: [],
    health: null,
    misfits: {},
    otherAttic: false,
  });
  await openAttic(`t-${attics}-${Math.random()}`);
  // What a new one asks first has tests of its own.
  setSettings({ begunAt: 1 });
}

/** Where what in the attic of {@link manyItems} is found. */
export interface Many {
  /** Title's beginning -> id. */
  id(title: string): string;
  haul: string;
  owner: string;
}

/**
 * An attic as it is after some weeks: items of all kinds, from hauls and a consignor, most with pictures and
 * prices.
 */
export async function manyItems(): Promise<Many> {
  await emptyAttic();
  const hauls = ['quayside', 'fennick', 'aldous'].map(haulOf);
  const owner = Owner.parse({
    id: 'owner-1',
    name: 'Mrs Aldous',
    days: 90,
    atEnd: 'back',
    of: 'afterFees',
    tiers: [{ under: null, shareBp: 6_000 }],
  });
  const spots = [...new Set(DEMO_ITEMS.map((made) => made.item.spot))].filter(Boolean);
  change('begun', [
    ...hauls.map((record): Put => ({ collection: 'hauls', id: record.id, record })),
    { collection: 'owners', id: owner.id, record: owner },
    ...DEMO_ITEMS.flatMap((made, i) => putsOf(made, i, { hauls, owner })),
    ...spots.map((name, i): Put => {
      const id = `spot-${i}`;
      return { collection: 'spots', id, record: Spot.parse({ id, name }) };
    }),
  ]);
  for (const [i, made] of DEMO_ITEMS.entries()) if (made.sent) tellSent(made, i);
  setSettings({
    author: 'Odile',
    nextNumber: DEMO_ITEMS.length + 1,
    meetingPlaces: ['Harbour steps'],
    remembered: { nearstile: { place: 'Harbour steps' } },
  });
  return {
    id: (title) => `item-${DEMO_ITEMS.findIndex((t) => t.item.title.startsWith(title))}`,
    haul: 'haul-0',
    owner: owner.id,
  };
}

type Made = (typeof DEMO_ITEMS)[number];

const cameInAt = (made: Made) => Date.now() - made.daysAgo * DAY;

function haulOf(key: string, i: number): Haul {
  return Haul.parse({
    id: `haul-${i}`,
    name: `Haul ${key}`,
    source: 'Car boot',
    date: '2026-11-08',
    cost: 4_000 * i,
    createdAt: Date.now() - 20 * DAY,
    lines: [{ id: 'l1', what: 'crates', count: 9 }],
  });
}

/** The records of one of them: its pictures, itself, and its plans. */
function putsOf(made: Made, i: number, of: { hauls: readonly Haul[]; owner: Owner }): Put[] {
  const id = `item-${i}`;
  const pictureIds = made.shots.map((_, k) => `picture-${i}-${k}`);
  const at = cameInAt(made);
  const item = Item.parse({
    id,
    code: `YA-${i + 1}`,
    number: i + 1,
    haulId: of.hauls.find((h) => made.haul !== null && h.name.endsWith(made.haul))?.id ?? null,
    lineId: 'l1',
    ownerId: made.haul === 'aldous' ? of.owner.id : null,
    ...made.item,
    holds: [],
    pictureIds,
    author: 'Odile',
    createdAt: at,
    updatedAt: at,
  });
  return [
    ...pictureIds.map((pictureId, k): Put => ({
      collection: 'pictures',
      id: pictureId,
      record: pictureOf(pictureId, { itemId: id, addedAt: at, shows: k === 0 ? 'front' : '' }),
    })),
    { collection: 'items', id, record: item },
    ...made.wanted.map((where): Put => {
      const plan = { id: planId(id, where), itemId: id, market: where, wanted: true };
      return { collection: 'plans', id: plan.id, record: Plan.parse({ ...plan, ...made.own?.[where] }) };
    }),
  ];
}

function pictureOf(id: string, part: { itemId: string; addedAt: number; shows: string }): Picture {
  return Picture.parse({
    id,
    ...part,
    origin: 'demo',
    author: 'Odile',
    width: 1_200,
    height: 1_200,
    bytes: 90_000,
  });
}

/** It is live wherever it is wanted. */
function tellSent(made: Made, i: number): void {
  const { title, price } = made.item;
  told(`item-${i}`, {
    listings: made.wanted.map((where) =>
      listed(where, {
        title,
        price: price ?? 0,
        url: `/outside/${where}/x${i}`,
        listedAt: cameInAt(made),
      }),
    ),
  });
}

/** What goes wrong in an evening, all at once: each of it needs a person. */
export async function troubledEvening(): Promise<Many> {
  const many = await manyItems();
  const now = Date.now();
  const at = (where: string, part: Parameters<typeof listed>[1] = {}) =>
    listed(where, { url: `/outside/${where}/x`, ...part });
  const tell = (title: string, part: Partial<CourierItemView>) => told(many.id(title), part);
  // Sold, and one marketplace does not answer.
  tell('Kittiwake', {
    sale: sold('brackenmoor', 'B-1', { at: now - 60_000, knownAt: now - 59_000 }),
    listings: [
      at('brackenmoor', { state: 'sold', want: 'gone' }),
      at('threadwick', {
        want: 'gone',
        doing: 'withdraw',
        tries: 4,
        trouble: 'It did not answer.',
        nextTryAt: now + 20_000,
      }),
    ],
    closing: {
      startedAt: now - 59_000,
      doneAt: null,
      entries: [
        { market: 'brackenmoor', outcome: 'soldHere', at: now - 60_000, tries: 0, trouble: null },
        { market: 'threadwick', outcome: 'withdrawing', at: null, tries: 4, trouble: 'It did not answer.' },
      ],
    },
  });
  // Sold twice.
  tell('Ostler', {
    sale: sold('brackenmoor', 'B-2', { at: now - 90_000 }),
    laterSales: [{ ...sold('threadwick', 'T-9', { at: now - 80_000 }), settled: false }],
    listings: [
      at('brackenmoor', { state: 'sold', want: 'gone' }),
      at('threadwick', { state: 'sold', want: 'gone' }),
    ],
    closing: { startedAt: now - 90_000, doneAt: now - 70_000, entries: [] },
  });
  tell('Marrow', {
    listings: [
      at('brackenmoor', {
        state: 'refused',
        want: 'gone',
        reasons: [{ field: 'description', message: 'It has an address in it.' }],
      }),
    ],
  });
  tell('Silk', {
    listings: [
      at('threadwick', {
        state: 'ended',
        want: 'gone',
        reasons: [{ field: '', message: 'It was taken down there.' }],
      }),
    ],
  });
  tell('Stout', { listings: [at('nearstile', { edited: { title: 'Boots!!', price: 1 } })] });
  useCourier.setState({
    markets: SHEETS.map((s, i) =>
      market(
        s,
        i === 1
          ? { health: 'away', trouble: 'It did not answer.', resting: true }
          : i === 2
            ? { locked: true, accessPage: '/outside/nearstile/access' }
            : i === 3
              ? { unknown: 3 }
              : {},
      ),
    ),
    sheetsMissing: [{ market: 'farfield', name: 'Farfield', why: 'Its rules can’t be read.' }],
    health: { cannotWrite: 'full', since: now, unreadLines: 1 },
  });
  return many;
}
