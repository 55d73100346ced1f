import { ParcelAnnounced, ParcelsAnswer, type DepotBack, type DepotParcel } from '@/contract/atMarket';
import type { Item } from '@/contract/records';
import { countedIn } from '@/core/depot/depot';
import { csvTable } from '@/core/tables/csv';
import { change, useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { saveFile } from '@/store/base/files';
import { repeating } from '@/store/base/repeating';
import { itemWith } from '@/store/items/items';
import { nameOf } from '@/store/items/names';

import { ask, askWith, marketName, useCourier } from './courierLink';

/**
 * Says at the depot what a parcel will hold, and notes it on the items.
 *
 * @returns the parcel's number
 * @throws CourierTrouble with words for a person
 */
export async function announceParcel(market: string, items: readonly Item[]): Promise<string> {
  const contents = items.map((t) => ({ code: t.code, barcode: t.facts.barcode ?? '' }));
  const answer = await askWith(`/depot/${market}`, contents);
  const { parcel } = ParcelAnnounced.parse(await answer.json());
  const depot = { market, parcel, state: 'sent' as const, no: null, since: Date.now() };
  change(
    `parcel ${parcel} to ${marketName(market)}`,
    items.map((t) => itemWith(t, { depot, spot: `On its way to ${marketName(market)}` })),
  );
  return parcel;
}

/**
 * The parcels as the depot knows them; what was counted since is noted on the items.
 *
 * @throws CourierTrouble
 */
export async function readParcels(market: string): Promise<ParcelsAnswer> {
  const { parcels, stock } = ParcelsAnswer.parse(await (await ask(`/depot/${market}`)).json());
  const { items } = useAttic.getState();
  const counted = countedIn(Object.values(items), parcels, market, `${marketName(market)}’s depot`);
  if (counted.length > 0)
    change(
      `counted at ${marketName(market)}’s depot`,
      counted.flatMap(({ item, depot, spot }) => {
        const known = items[item];
        return known ? [itemWith(known, { depot, ...(spot === null ? {} : { spot }) })] : [];
      }),
      // It is the depot's word, not something the person did: there is nothing to take back.
      { ownUndo: true },
    );
  return { parcels: [...parcels].sort((a, b) => b.at - a.at), stock };
}

/**
 * Has it sent back from the depot it is at.
 *
 * @throws CourierTrouble with words for a person, for one where it is still offered from there
 */
export async function callBack(item: Item): Promise<void> {
  const { depot } = item;
  if (!depot || depot.no === null) return;
  await askWith(`/depot/${depot.market}/back`, { nos: [depot.no] } satisfies DepotBack);
  const name = marketName(depot.market);
  change(
    `called back from ${name}’s depot`,
    [
      itemWith(item, {
        depot: { ...depot, state: 'back', since: Date.now() },
        spot: `On its way back from ${name}`,
      }),
    ],
    // The parcel is under way, whatever is taken back here.
    { ownUndo: true },
  );
}

/** It never left, or came back. */
export function backFromDepot(item: Item): void {
  change('back from the depot', [itemWith(item, { depot: null, spot: '' })]);
}

/** The list of what a parcel holds, to be laid into it. */
export function saveContents(parcel: DepotParcel): void {
  const { items } = useAttic.getState();
  const titles = new Map(Object.values(items).map((t) => [t.code, nameOf(t)]));
  const arrived = (depotNo: string | null) =>
    parcel.countedAt === null ? '' : depotNo === null ? 'no' : 'yes';
  const rows = parcel.contents.map((x) => [
    parcel.parcel,
    x.code,
    x.barcode,
    titles.get(x.code) ?? '',
    arrived(x.depotNo),
  ]);
  const csv = csvTable(['parcel', 'code', 'barcode', 'title', 'arrived'], rows);
  saveFile(new Blob([csv], { type: 'text/csv' }), `${parcel.parcel}.csv`);
}

/** How often parcels on their way are asked about while a page is open, milliseconds. */
const EVERY = 60_000;

/** From now on what is counted at a depot is noted while a page is open. @returns stops */
export function beginDepot(): () => void {
  const look = async () => {
    if (!useCourier.getState().connected) return;
    const waiting = Object.values(useAttic.getState().items).flatMap(({ depot }) =>
      depot?.state === 'sent' ? [depot.market] : [],
    );
    for (const market of new Set(waiting)) await readParcels(market).catch(unlessExpected('asking a depot'));
  };
  return repeating('asking depots', look, { first: EVERY, every: EVERY });
}
