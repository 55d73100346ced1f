import { useMemo } from 'react';

import type { StatementLine } from '@/contract/orders';
import { reconcileMoney, type Expected, type Reconciled } from '@/core/payout/reconcile';
import { useAttic } from '@/store/attic/attic';

import { useSales, type SoldItem } from './useSales';

const expectedOf = ({ sale, takeHome, undone, back }: SoldItem): Expected => ({
  order: sale.order,
  amount: sale.amount,
  postage: sale.postage,
  fees: takeHome?.feeTotal ?? null,
  undone,
  ...back,
});
const NO_LINES: StatementLine[] = [];

/** One marketplace's statement against its sales. */
export function useReconciled(market: string): Reconciled {
  const sales = useSales(true);
  const lines = useAttic((s) => s.statements[market]?.lines ?? NO_LINES);
  return useMemo(
    () => reconcileMoney(sales.filter((s) => s.sale.market === market).map(expectedOf), lines),
    [sales, lines, market],
  );
}

/** By marketplace: orders whose statement is off and nobody has seen that. */
export function useMoneyOff(): { market: string; orders: number; off: number; at: number }[] {
  const sales = useSales(true);
  const statements = useAttic((s) => s.statements);
  return useMemo(
    () =>
      Object.values(statements).flatMap(({ id, lines, seen, readAt }) => {
        const mine = sales.filter((s) => s.sale.market === id).map(expectedOf);
        const off = reconcileMoney(mine, lines).orders.filter((o) => o.off !== 0 && !seen.includes(o.order));
        const sum = off.reduce((total, o) => total + o.off, 0);
        return off.length > 0 ? [{ market: id, orders: off.length, off: sum, at: readAt }] : [];
      }),
    [sales, statements],
  );
}
