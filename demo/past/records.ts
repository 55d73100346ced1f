import { orderId, Order, Statement, ConsignorPayment, type StatementLine } from '@/contract/orders';
import { Diary, Haul, Item, Owner, Picture, type CodePattern } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { codeFor } from '@/core/identity/code';
import { recordId } from '@/core/identity/recordId';

import { DAY, HOUR, ORIGINS, type Origin } from './rules';
import type { PastSale } from './year';

/** What the browser holds of the past. */
export interface PastRecords {
  hauls: Haul[];
  owners: Owner[];
  items: Item[];
  pictures: Picture[];
  diary: Diary[];
  orders: Order[];
  statements: Statement[];
  payments: ConsignorPayment[];
  /** Which drawing a picture is of, by its id. */
  files: Record<string, string>;
}

const TIERS = [
  { under: 10_000, shareBp: 6_000 },
  { under: null, shareBp: 7_000 },
];
const isoDay = (at: number) => new Date(at).toISOString().slice(0, 10);

/** The ids of the past: its items come first, in the order of their sales. */
export const pastItem = (no: number) => recordId(no + 1, 'past');
const IDS = { pictures: 1_001, origins: 2_001, payments: 3_001 };
const originId = (origin: Origin) => recordId(IDS.origins + ORIGINS.indexOf(origin), 'past');

/** Which drawing is of a sale's item: one for each good in each colour. */
export const drawingOf = ({ good, dye }: Pick<PastSale, 'good' | 'dye'>) =>
  `past-${good.kind}-${dye.word.replaceAll(' ', '-')}`;

/** @param sizeOf the bytes of a drawing's picture */
export function recordsOf(
  sales: readonly PastSale[],
  today: number,
  sheets: readonly RuleSheet[],
  pattern: CodePattern,
  sizeOf: (drawing: string) => number,
): PastRecords {
  const records: PastRecords = {
    hauls: ORIGINS.flatMap((origin) => haulOf(origin, today)),
    owners: ORIGINS.flatMap((origin) => ownerOf(origin)),
    items: [],
    pictures: [],
    diary: [],
    orders: [],
    statements: statementsOf(sales, today, sheets),
    payments: paymentsOf(sales, today),
    files: {},
  };
  for (const sale of sales) {
    const picture = recordId(IDS.pictures + sale.no, 'past');
    records.files[picture] = drawingOf(sale);
    records.pictures.push(
      Picture.parse({
        id: picture,
        itemId: pastItem(sale.no),
        origin: 'demo',
        author: sale.good.by,
        takenAt: sale.listedAt - 3 * HOUR,
        addedAt: sale.listedAt - 3 * HOUR,
        width: 600,
        height: 600,
        bytes: sizeOf(drawingOf(sale)),
        shows: 'front',
      }),
    );
    records.items.push(itemOf(sale, picture, pattern));
    records.diary.push(diaryOf(sale));
    records.orders.push(orderOf(sale, today));
  }
  return records;
}

function haulOf(origin: Origin, today: number): Haul[] {
  if (!origin.haul) return [];
  const { name, source, cost, what } = origin.haul;
  const at = today - origin.boughtBefore * DAY;
  return [
    Haul.parse({
      id: originId(origin),
      name,
      source,
      date: isoDay(at),
      cost,
      lines: [{ id: 'l1', what, count: origin.sold }],
      putAwayAt: origin.key === 'chandler' ? null : at + 300 * DAY,
      createdAt: at,
    }),
  ];
}

function ownerOf(origin: Origin): Owner[] {
  if (!origin.owner) return [];
  const { name, days } = origin.owner;
  return [Owner.parse({ id: originId(origin), name, days, tiers: TIERS })];
}

function itemOf(sale: PastSale, picture: string, pattern: CodePattern): Item {
  const { good, version, origin, listedAt, soldAt, asked, markdown, back } = sale;
  const at = listedAt - 4 * HOUR;
  const isGone = back !== null && origin.owner !== undefined;
  return Item.parse({
    id: pastItem(sale.no),
    code: codeFor(pattern, { number: sale.no + 1 }),
    number: sale.no + 1,
    haulId: origin.haul ? originId(origin) : null,
    lineId: origin.haul ? 'l1' : null,
    ownerId: origin.owner ? originId(origin) : null,
    kind: good.kind,
    title: version.title,
    facts: version.facts,
    description: `${version.title}. Looked over, cleaned, ready to be used again.`,
    use: 'light',
    looked: true,
    cost: sale.cost,
    price: asked.first,
    markdown: markdown && { steps: [{ day: markdown.day, offBp: markdown.offBp }], from: listedAt },
    weightG: good.weightG,
    spot: back && !isGone ? good.spot : '',
    // A consignor’s item that came back went back to them.
    left: isGone ? { how: 'back', at: back.at + 4 * DAY } : null,
    pictureIds: [picture],
    author: good.by,
    createdAt: at,
    updatedAt: back?.at ?? soldAt,
  });
}

function diaryOf({ no, good, listedAt, soldAt, market, wasOffer, back }: PastSale): Diary {
  const who = good.by;
  const lines = [
    { at: listedAt - 4 * HOUR, who, what: 'taken in' },
    { at: listedAt - HOUR, who, what: 'price' },
    ...(wasOffer ? [{ at: soldAt - HOUR, who, what: `offer taken on ${market}` }] : []),
    { at: soldAt + 20 * HOUR, who, what: 'fetched and packed' },
    ...(back ? [{ at: back.at, who, what: 'money given back' }] : []),
  ];
  return Diary.parse({ id: pastItem(no), lines });
}

function orderOf({ no, market, order, soldAt, sent, back }: PastSale, today: number): Order {
  const item = pastItem(no);
  const packedAt = soldAt + 20 * HOUR;
  return Order.parse({
    id: orderId(item, order),
    itemId: item,
    market,
    order,
    fetchedAt: packedAt,
    packedAt,
    ...(sent
      ? {
          weightG: sent.weightG,
          label: {
            carrier: 'Pennant',
            tracking: `PN${String(40_000_000 + no * 37)}`,
            cost: sent.label,
            at: packedAt,
          },
          postedAt: packedAt + HOUR,
          toldAt: packedAt + HOUR,
          arrivedAt: Math.min(soldAt + 3 * DAY, today - 3 * HOUR),
          closedAt: Math.min(soldAt + 4 * DAY, today - HOUR),
        }
      : {}),
    back: back && {
      reason: back.reason,
      openedAt: back.at - 5 * DAY,
      hereAt: back.at - DAY,
      given: back.given,
      feesBack: back.feesBack,
      doneAt: back.at,
    },
  });
}

/** What each marketplace says it took and paid: all that is earned by a Monday is paid on it. */
function statementsOf(sales: readonly PastSale[], today: number, sheets: readonly RuleSheet[]): Statement[] {
  return sheets.flatMap((sheet) => {
    const market = sheet.marketplace;
    const mine = sales.filter((s) => s.market === market);
    if (!sheet.statement || mine.length === 0) return [];
    const dated = mine.flatMap((s) => linesOf(s)).sort((a, b) => a.at - b.at);
    const lines: StatementLine[] = [];
    let owed = 0;
    let monday = mondayAfter(dated[0]?.at ?? today);
    const payOut = () => {
      if (owed > 0) {
        lines.push({ sort: 'payout', order: `P${isoDay(monday)}`, amount: -owed, day: isoDay(monday) });
        owed = 0;
      }
      monday += 7 * DAY;
    };
    for (const { at, ...line } of dated) {
      while (at >= monday) payOut();
      lines.push(line);
      owed += line.amount;
    }
    while (monday < today) payOut();
    return [Statement.parse({ id: market, readAt: today - 2 * HOUR, lines })];
  });
}

function mondayAfter(at: number): number {
  const day = Math.floor(at / DAY) * DAY;
  return day + ((8 - new Date(day).getUTCDay()) % 7 || 7) * DAY;
}

function linesOf({
  order,
  soldAt,
  amount,
  postage,
  fees,
  back,
}: PastSale): (StatementLine & { at: number })[] {
  const line = (sort: StatementLine['sort'], cents: number, at: number) =>
    cents === 0 ? [] : [{ sort, order, amount: cents, day: isoDay(at), at }];
  return [
    ...line('sale', amount, soldAt),
    ...line('postage', postage, soldAt),
    ...line('fee', -fees.charged, soldAt),
    ...(back ? [...line('back', -back.given, back.at), ...line('feeBack', back.feesBack, back.at)] : []),
  ];
}

/** What a consignor gets of a sale: by tier of its price, of what it left, rounded half up. */
export function shareOfConsignor({ origin, amount, takeHome, back }: PastSale): number {
  if (!origin.owner || back || takeHome <= 0) return 0;
  return Math.round((takeHome * (amount < 10_000 ? 60 : 70)) / 100);
}

/** Each quarter a consignor is paid what is owed by then. */
function paymentsOf(sales: readonly PastSale[], today: number): ConsignorPayment[] {
  const payments: ConsignorPayment[] = [];
  for (const origin of ORIGINS.filter((o) => o.owner))
    for (const before of [270, 180, 90]) {
      const [from, to] = [today - (before + 90) * DAY, today - before * DAY];
      const amount = sales
        .filter((s) => s.origin === origin && s.soldAt >= from && s.soldAt < to)
        .reduce((sum, s) => sum + shareOfConsignor(s), 0);
      if (amount > 0)
        payments.push(
          ConsignorPayment.parse({
            id: recordId(IDS.payments + payments.length, 'past'),
            ownerId: originId(origin),
            amount,
            at: to + 10 * HOUR,
            note: 'transfer',
          }),
        );
    }
  return payments;
}
