import { isAsFound } from '@/core/bringIn/asFound';
import type { ConsignorStatement } from '@/core/consign/statement';
import { formatAmount } from '@/core/money/money';
import { csvTable } from '@/core/tables/csv';
import { planId, type Thing } from '@/contract/records';

import { change, newId, useAttic } from '../attic';
import { useCourier } from '../courierLink';
import { isoDay } from '../isoDay';
import { enqueue } from '../sendQueue';
import { editThing } from '../things';

/** A consignor was paid. */
export function payConsignor(ownerId: string, amount: number, note: string): void {
  const id = newId();
  change('paid', [{ collection: 'payments', id, record: { id, ownerId, amount, at: Date.now(), note } }]);
}

const COLUMNS = [
  'day',
  'what',
  'thing',
  'code',
  'marketplace',
  'price',
  'costs',
  'yours',
  'balance',
] as const;

/** A statement as a table (RFC 4180), amounts with the currency's own decimals; nothing in it is taken for a formula. */
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

/** Takes a thing out of what is sold: it comes down everywhere, and is no longer ours. */
export function letLeave(thing: Thing, how: NonNullable<Thing['left']>['how']): void {
  const up = useCourier.getState().things[thing.id]?.listings.filter((l) => l.want === 'live') ?? [];
  editThing(thing.id, LEFT_WORDS[how], { left: { how, at: Date.now() } });
  enqueue(up.map((l) => ({ thing: thing.id, market: l.market, action: 'withdraw' as const })));
}
export const LEFT_WORDS = {
  back: 'given back to its owner',
  given: 'given away',
  bought: 'bought by us',
  thrown: 'thrown away',
} as const;

/** The consignor gave it more time. */
export function moreTime(thing: Thing, days: number): void {
  editThing(thing.id, `${days} more days`, (t) => ({ moreDays: t.moreDays + days }));
}

/** Bought from its consignor: ours from now on, for what was agreed. */
export function buyFromOwner(thing: Thing, cost: number | null): void {
  editThing(thing.id, 'bought by us', { ownerId: null, cost, patientFrom: Date.now() });
}

/** A price cut by a tenth, and patience begins anew; live listings are sent again with it, except what was brought in and has to be looked at first. */
export function markDown(thing: Thing): void {
  const price = thing.price === null ? null : Math.max(0, Math.round((thing.price * 0.9) / 10) * 10);
  editThing(thing.id, 'marked down', { price, patientFrom: Date.now() });
  const live = useCourier.getState().things[thing.id]?.listings.filter((l) => l.state === 'live' && l.want === 'live') ?? [];
  const { plans } = useAttic.getState();
  const ours = live.filter((l) => !isAsFound(plans[planId(thing.id, l.market)]));
  enqueue(ours.map((l) => ({ thing: thing.id, market: l.market, action: 'send' as const })));
} // prettier-ignore

/** It is to be tried as long again. */
export function waitLonger(thing: Thing): void {
  editThing(thing.id, 'tried longer', { patientFrom: Date.now() });
}

/** Marketplaces where a thing is not up yet and could be tried. */
export function elsewhereFor(thing: Thing): string[] {
  const up = useCourier.getState().things[thing.id]?.listings.filter((l) => l.want === 'live').map((l) => l.market) ?? [];
  const planned = Object.values(useAttic.getState().plans).filter((p) => p.thingId === thing.id && p.wanted).map((p) => p.market);
  return useCourier.getState().markets.filter((m) => !up.includes(m.id) && !planned.includes(m.id)).map((m) => m.id);
} // prettier-ignore
