import { randomInt } from 'node:crypto';
import Papa from 'papaparse';

import type { Kept, Offer } from './documents';
import { titleOf } from './records';
import { bodyOf } from '../kit/body';
import type { Frame } from '../kit/service';

/** What a seller sends to the depot. */
interface Parcel {
  parcel: string;
  at: number;
  countedAt: number | null;
  contents: { code: string; barcode: string; depotNo: string | null }[];
}

/** How many times a list's time a parcel takes. */
const PARCEL_TAKES = 3;

/** Parcels to the depot, what it holds, and what the seller wants back. */
export function serveDepot({ app, store }: Frame): void {
  app.post('/feed/parcels', async (c) => {
    const { contents } = await bodyOf(c);
    const lines = (Array.isArray(contents) ? contents : []).map((x: Record<string, unknown>) => ({
      code: String(x.code ?? '').slice(0, 60),
      barcode: String(x.barcode ?? '').slice(0, 14),
      depotNo: null,
    }));
    const fault =
      lines.length < 1 || lines.length > 200
        ? 'A parcel holds 1 to 200 items.'
        : lines.some((l) => l.code === '' || !titleOf(l.barcode))
          ? 'Everything in a parcel has a code and a barcode that we have a record of.'
          : null;
    if (fault) return c.json({ message: fault }, 422);
    const parcel: Parcel = {
      parcel: `P${randomInt(1e6, 9e6)}`,
      at: Date.now(),
      countedAt: null,
      contents: lines,
    };
    await store.write([{ sort: 'parcel', id: parcel.parcel, body: parcel }]);
    return c.json({ parcel: parcel.parcel }, 201);
  });
  app.get('/feed/parcels', async (c) => c.json({ parcels: await store.all<Parcel>('parcel') }));

  /** What the depot holds, made once a day as lines of a list. */
  app.get('/feed/depot', async (c) => {
    const lines = (await store.all<Kept>('depot')).map((x) => ({
      depotNo: x.depotNo,
      code: x.code,
      barcode: x.barcode,
      state: x.postedAt ? 'posted' : x.returnedAt ? 'returned' : 'kept',
    }));
    return c.json({ day: new Date().toISOString().slice(0, 10), report: Papa.unparse(lines) });
  });

  /** What the seller wants back leaves the depot, all of it or nothing. Asked again, nothing leaves twice. */
  app.post('/feed/returns', async (c) => {
    const { depotNos } = await bodyOf(c);
    const nos = Array.isArray(depotNos) ? depotNos.map(String) : [];
    const there = await Promise.all(nos.map((no) => store.get<Kept>('depot', no)));
    const offered = (await store.all<Offer>('offer'))
      .filter((o) => o.status === 'offered')
      .map((o) => o.line.keptAt);
    const fault =
      nos.length < 1 || nos.length > 200
        ? 'Between 1 and 200 items leave at a time.'
        : there.some((k) => !k)
          ? 'Something of that is not at our depot.'
          : there.some((k) => k?.postedAt)
            ? 'Something of that was posted to its buyer.'
            : nos.some((no) => offered.includes(no))
              ? 'Something of that is still offered from here: take it down first.'
              : null;
    if (fault) return c.json({ message: fault }, 422);
    const leaving = there.flatMap((k) =>
      k && !k.returnedAt ? [{ ...k, returnedAt: Date.now() } satisfies Kept] : [],
    );
    await store.write(leaving.map((k) => ({ sort: 'depot', id: k.depotNo, body: k })));
    return c.json({ returned: nos.length });
  });
}

/** Parcels come in after a while and are counted; on a bad day the last item of one is missing. */
export async function countParcels({ store, switches }: Frame): Promise<void> {
  for (const p of await store.all<Parcel>('parcel')) {
    if (p.countedAt !== null || p.at + switches.reviewTime * PARCEL_TAKES > Date.now()) continue;
    const missing = switches.parcelShort ? p.contents.length - 1 : -1;
    const contents = p.contents.map((x, i) => ({
      ...x,
      depotNo: i === missing ? null : `D${randomInt(1e6, 9e6)}`,
    }));
    await store.write([
      { sort: 'parcel', id: p.parcel, body: { ...p, contents, countedAt: Date.now() } satisfies Parcel },
      ...contents.flatMap((x) => (x.depotNo ? [{ sort: 'depot', id: x.depotNo, body: x }] : [])),
    ]);
  }
}
