import type { CourierItemView } from '@/contract/courier';
import { planId, type Item } from '@/contract/records';
import { isAsFound } from '@/core/bringIn/asFound';
import type { ConsignorStatement } from '@/core/consign/statement';
import { isHeard } from '@/core/courier/known';
import { formatAmount } from '@/core/money/money';
import { csvTable } from '@/core/tables/csv';
import { change, newId, useAttic } from '@/store/attic/attic';
import { isoDay } from '@/store/base/isoDay';
import { CourierTrouble, useCourier } from '@/store/courier/courierLink';
import { enqueue } from '@/store/courier/sendQueue';
import { editItem, itemWith } from '@/store/items/items';

/** A consignor was paid. */
export function payConsignor(ownerId: string, amount: number, note: string): void {
  const id = newId();
  change('paid', [{ collection: 'payments', id, record: { id, ownerId, amount, at: Date.now(), note } }]);
}

const COLUMNS = ['day', 'what', 'item', 'code', 'marketplace', 'price', 'costs', 'yours', 'balance'] as const;

/**
 * A statement as a table (RFC 4180), amounts with the currency's own decimals; nothing in it is taken for a
 * formula.
 */
export function statementCsv(s: ConsignorStatement, market: (id: string) => string, currency: string): Blob {
  const rows = s.lines.map((l) => [
    isoDay(l.at),
    l.sort,
    l.what,
    l.code,
    l.market && market(l.market),
    ...[l.price, l.costs, l.amount, l.balance].map((amount) => formatAmount(amount, currency)),
  ]);
  return new Blob([csvTable(COLUMNS, rows)], { type: 'text/csv' });
}

/**
 * Takes items out of what is sold: they come down everywhere, and are put away. What is sold stays as it is.
 *
 * @throws CourierTrouble while the courier can't be asked: a listing would stay up that nobody stands for
 */
export function letLeave(items: readonly Item[], how: NonNullable<Item['left']>['how']): void {
  if (!isHeard(useCourier.getState()))
    throw new CourierTrouble('The courier can’t be reached: it stays until it can be taken down everywhere.');
  const { here, up } = leaving(items, useCourier.getState().items);
  if (here.length === 0) return;
  change(
    LEFT_WORDS[how],
    here.map((t) => itemWith(t, { left: { how, at: Date.now() } })),
  );
  enqueue(up.map(({ item, market }) => ({ item, market, action: 'withdraw' as const })));
}

/** What can be put away of some items, and what of it has to come down. */
export function leaving(items: readonly Item[], views: Readonly<Record<string, CourierItemView>>) {
  const here = items.filter((t) => t.left === null && !views[t.id]?.sale);
  const up = here.flatMap(({ id }) =>
    (views[id]?.listings ?? []).flatMap((l) => (l.want === 'live' ? { item: id, market: l.market } : [])),
  );
  return { here, up };
}

/** Puts items back among those that are here; they are listed again only when somebody says so. */
export function bringBack(items: readonly Item[]): void {
  const back = items.filter((t) => t.left !== null);
  if (back.length === 0) return;
  change(
    'here again',
    back.map((t) => itemWith(t, { left: null })),
  );
}
export const LEFT_WORDS = {
  back: 'given back to its owner',
  given: 'given away',
  bought: 'bought by us',
  thrown: 'thrown away',
} as const;

/** The consignor gave it more time. */
export function moreTime(item: Item, days: number): void {
  editItem(item.id, `${days} more days`, (t) => ({ moreDays: t.moreDays + days }));
}

/** Bought from its consignor: ours from now on, for what was agreed. */
export function buyFromOwner(item: Item, cost: number | null): void {
  editItem(item.id, 'bought by us', { ownerId: null, cost, patientFrom: Date.now() });
}

/**
 * A price cut by a tenth, and patience begins anew; live listings are sent again with it, except what was
 * brought in and has to be looked at first.
 */
export function markDown(item: Item): void {
  const price = item.price === null ? null : Math.max(0, Math.round((item.price * 0.9) / 10) * 10);
  editItem(item.id, 'marked down', { price, patientFrom: Date.now() });
  const live =
    useCourier.getState().items[item.id]?.listings.filter((l) => l.state === 'live' && l.want === 'live') ??
    [];
  const { plans } = useAttic.getState();
  const ours = live.filter((l) => !isAsFound(plans[planId(item.id, l.market)]));
  enqueue(ours.map((l) => ({ item: item.id, market: l.market, action: 'send' as const })));
}

/** It is to be tried as long again. */
export function waitLonger(item: Item): void {
  editItem(item.id, 'tried longer', { patientFrom: Date.now() });
}

/** Marketplaces where an item is not up yet and could be tried. */
export function elsewhereFor(item: Item): string[] {
  const up =
    useCourier
      .getState()
      .items[item.id]?.listings.filter((l) => l.want === 'live')
      .map((l) => l.market) ?? [];
  const planned = Object.values(useAttic.getState().plans)
    .filter((p) => p.itemId === item.id && p.wanted)
    .map((p) => p.market);
  return useCourier
    .getState()
    .markets.filter((m) => !up.includes(m.id) && !planned.includes(m.id))
    .map((m) => m.id);
}
