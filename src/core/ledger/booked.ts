import type { PastSale, Sale } from '@/contract/courier';
import type { Order, StatementLine } from '@/contract/orders';
import type { Item, Owner } from '@/contract/records';

import type { Minor } from '../money/money';
import { realMoney, type OrderMoney } from '../payout/realMoney';
import { sharesOf } from '../price/profit';
import type { TakeHome } from '../price/takeHome';

/** A sale as it truly was, with what became of it later. Minor units; moments in milliseconds since 1970. */
export interface Booked {
  itemId: string;
  market: string;
  order: string;
  /** What it was. */
  kind: string;
  brand: string;
  haulId: string | null;
  source: string;
  ownerId: string | null;
  /** Who took it in. */
  person: string;
  takenInAt: number;
  /** When it was up first anywhere; null: nobody knows. */
  listedAt: number | null;
  soldAt: number;
  /** The price it began with; null: it is not kept. */
  asked: Minor | null;
  /** Paid for the item, and for its postage. */
  amount: Minor;
  postage: Minor;
  /** As charged at first. */
  fees: Minor;
  /** Posting and packing. */
  sent: Minor;
  /** What it had cost; null: nobody said. A consignor's item cost nothing. */
  cost: Minor | null;
  /** The consignor's. */
  share: Minor;
  /** What was given back, and of the fees; null: nothing. */
  back: { at: number; given: Minor; fees: Minor } | null;
  /** It came to nothing: the item is here again, and nobody has a share in it. */
  undone: { at: number; why: PastSale['why'] } | null;
}

/** What is known of a sale besides it. */
export interface BesideSale {
  itemId: string;
  item: Item | undefined;
  /** Where its haul came from. */
  source: string;
  owner: Pick<Owner, 'tiers' | 'of'> | null;
  listedAt: number | null;
  /** As expected at the sale. */
  computed: TakeHome;
  order: Order | null;
  /** The statement's lines of this order. */
  lines: readonly StatementLine[];
}

/** A sale, and whether it came to nothing. */
export type AnySale = Sale & Partial<Pick<PastSale, 'why' | 'undoneAt'>>;

/** A sale for the ledger: fees, postage and what was given back as they truly were, as far as it is known. */
export function bookedOf(sale: AnySale, beside: BesideSale): Booked {
  const { item, owner, computed, order, lines } = beside;
  const undone =
    sale.undoneAt === undefined ? null : { at: sale.undoneAt, why: sale.why ?? ('returned' as const) };
  const real = realMoney(sale, computed, orderMoney(sale, order, undone, lines), lines);
  const backAt = undone?.at ?? givenAt(order) ?? sale.at;
  // What coming back cost is the business's own: the consignor's share is that of the sale as it was.
  const left = undone ? computed.takeHome : real.takeHome;
  return {
    itemId: beside.itemId,
    market: sale.market,
    order: sale.order,
    kind: item?.kind ?? '',
    brand: item?.facts.brand ?? '',
    haulId: item?.haulId ?? null,
    source: beside.source,
    ownerId: item?.ownerId ?? null,
    person: item?.author ?? '',
    takenInAt: Math.min(item?.createdAt ?? sale.at, sale.at),
    listedAt: beside.listedAt,
    soldAt: sale.at,
    asked: item?.price ?? null,
    amount: sale.amount,
    postage: sale.postage,
    fees: real.fees + real.feesBack,
    sent: real.postage + real.packaging,
    cost: item?.ownerId ? 0 : (item?.cost ?? null),
    share: sharesOf(sale.amount, left, owner).consignor,
    back:
      real.back !== 0 || real.feesBack !== 0 ? { at: backAt, given: real.back, fees: real.feesBack } : null,
    undone,
  };
}

function givenAt(order: Order | null): number | undefined {
  const { back, cancelled } = order ?? {};
  return back ? (back.doneAt ?? back.hereAt ?? back.openedAt) : cancelled?.at;
}

/**
 * What the order's record says. Where a sale came to nothing and nobody wrote down what was given back, it
 * was all of it; of one that was cancelled nothing was posted and the fees came back, too. Common practice.
 */
function orderMoney(
  sale: Sale,
  order: Order | null,
  undone: Booked['undone'],
  lines: readonly StatementLine[],
): OrderMoney | null {
  const said =
    order?.cancelled != null || (order?.back?.given ?? null) !== null || lines.some((l) => l.sort === 'back');
  if (!undone || said) return order;
  const label = order?.label ?? null;
  if (undone.why === 'cancelled') return { label, back: null, cancelled: { at: undone.at, why: '' } };
  const back = {
    reason: 'other' as const,
    words: '',
    openedAt: undone.at,
    hereAt: undone.at,
    doneAt: undone.at,
    given: sale.amount + sale.postage,
    feesBack: order?.back?.feesBack ?? 0,
  };
  return { label, cancelled: null, back: order?.back ? { ...order.back, given: back.given } : back };
}
