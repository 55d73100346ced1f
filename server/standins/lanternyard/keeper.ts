import { randomBytes } from 'node:crypto';

import { isOffered, leftNow, seenAt, soldOf, type Coupon, type Shelved } from './goods';
import { SEED, SHELVES } from './past';
import { SHEET } from './sheet';
import { hitches, readGood } from './validate';
import { bodyOf } from '../kit/body';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg, type Measured } from '../kit/pictures';
import { portion, sheetToday, type Frame } from '../kit/service';

/** The calls of whoever keeps the shop. */
export function serveKeeper(frame: Frame): void {
  servePutting(frame);
  serveGoods(frame);
  serveCoupons(frame);
  serveReading(frame);
}

const told = (base: string, s: Shelved) => ({
  ref: s.ref,
  left: s.left,
  removed: s.removed,
  seen: seenAt(base, s.ref),
});

function servePutting({ app, store, base, switches, turns }: Frame): void {
  app.post('/admin/photos', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const size = measureJpeg(bytes);
    if (!size) return c.json({ hitches: { photos: 'That is no JPEG.' } }, 422);
    const id = randomBytes(8).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'photo', id, body: { ...size, bytes: bytes.length } }]);
    return c.json({ photo: id }, 201);
  });

  app.put('/admin/goods/:ref', (c) =>
    turns.run(async () => {
      const ref = c.req.param('ref');
      const old = await store.get<Shelved>('good', ref);
      const good = readGood(await c.req.json().catch(() => null));
      const sold = old ? soldOf(old) : 0;
      // What sold out is offered again once there is more of it.
      const gone = old?.gone ?? {};
      const isMore = good !== null && old !== null && !old.removed && leftNow(good, gone, sold) > 0;
      if (old && !isOffered(old) && !isMore) return c.json(told(base, old), 409);
      if (!good) return c.json({ message: 'We can’t read that.' }, 400);
      const sizes = await Promise.all(
        good.photos.map((id) => store.get<Measured & { bytes: number }>('photo', id)),
      );
      const found = hitches(
        good,
        sizes.flatMap((s) => s ?? []),
        switches,
        sold,
      );
      if (Object.keys(found).length > 0) return c.json({ hitches: found }, 422);
      const s: Shelved = {
        ref,
        good,
        left: leftNow(good, gone, sold),
        sold,
        gone,
        removed: false,
        at: old?.at ?? Date.now(),
      };
      await store.write([{ sort: 'good', id: ref, body: s }]);
      return c.json(told(base, s), old ? 200 : 201);
    }),
  );
}

function serveGoods({ app, store, base, turns }: Frame): void {
  app.get('/admin/goods', async (c) => {
    const { part, next } = portion(
      (await store.all<Shelved>('good')).filter(isOffered),
      c.req.query('from'),
      80,
    );
    return c.json({ goods: part.map((s) => ({ ...told(base, s), good: s.good, at: s.at })), next });
  });

  app.get('/admin/goods/:ref', async (c) => {
    const s = await store.get<Shelved>('good', c.req.param('ref'));
    return s ? c.json(told(base, s)) : c.json({ message: 'Not in the shop.' }, 404);
  });

  app.delete('/admin/goods/:ref', (c) =>
    turns.run(async () => {
      const s = await store.get<Shelved>('good', c.req.param('ref'));
      if (!s) return c.json({ message: 'Not in the shop.' }, 404);
      if (s.left === 0) return c.json(told(base, s), 409);
      await store.write([{ sort: 'good', id: s.ref, body: { ...s, removed: true } satisfies Shelved }]);
      return c.json(told(base, { ...s, removed: true }));
    }),
  );
}

function serveCoupons({ app, store }: Frame): void {
  app.put('/admin/coupons/:code', async (c) => {
    const { percentOff } = await bodyOf(c);
    const code = c.req.param('code').toUpperCase();
    if (
      !/^[A-Z0-9]{3,20}$/.test(code) ||
      !Number.isInteger(percentOff) ||
      Number(percentOff) < 1 ||
      Number(percentOff) > 90
    )
      return c.json({ message: 'A coupon has 3 to 20 letters and figures and takes off 1 to 90 %.' }, 422);
    await store.write([
      { sort: 'coupon', id: code, body: { code, percentOff: Number(percentOff) } satisfies Coupon },
    ]);
    return c.body(null, 204);
  });
  app.delete('/admin/coupons/:code', async (c) => {
    await store.drop('coupon', c.req.param('code').toUpperCase());
    return c.body(null, 204);
  });
  app.get('/admin/coupons', async (c) => c.json({ coupons: await store.all<Coupon>('coupon') }));
}

function serveReading({ app, store, switches }: Frame): void {
  app.get('/admin/rules', (c) => c.json(sheetToday(SHEET, switches)));

  app.get('/admin/orders', async (c) => {
    const after = Number(c.req.query('after') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(after, 100);
    return c.json({ orders: rows.map((r) => r.body), upTo: String(rows.at(-1)?.n ?? after) });
  });

  app.get('/admin/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1.05, Date.now()),
      c.req.query('section') ?? '',
      c.req.query('words') ?? '',
    );
    const condition = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'worn';
    return c.json({
      goods: found.map((p) => ({
        no: p.no,
        title: p.words,
        maker: p.house,
        section: p.shelf,
        condition: condition(p.wear),
        sold: p.went,
        cents: p.cents,
        from: p.from,
        to: p.to,
      })),
    });
  });
  app.get('/admin/sought', (c) =>
    c.json({ words: searched(SEED, SHELVES, c.req.query('section') ?? '').map((s) => [s.word, s.times]) }),
  );
}
