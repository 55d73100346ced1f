import type { Context } from 'hono';
import { randomBytes, randomInt } from 'node:crypto';

import { SEED, SHELVES } from './past';
import { piecesOf, type Shown } from './pieces';
import { SHEET } from './sheet';
import { objections, readPiece } from './validate';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg } from '../kit/pictures';
import { portion, sheetToday, type Frame } from '../kit/service';

/** Calls in ten seconds before "slow down". */
const PACE = 40;

/** The seller's calls. */
export function serveRail(frame: Frame): void {
  keepPace(frame);
  servePieces(frame);
  serveReading(frame);
}

function keepPace({ app }: Frame): void {
  let calls: number[] = [];

  app.use('/rail/*', async (c, next) => {
    const now = Date.now();
    calls = calls.filter((t) => t > now - 10_000);
    if (calls.length >= PACE) {
      const wait = Math.ceil(((calls[0] ?? now) + 10_000 - now) / 1_000);
      return c.text('Gently, please.', 429, { 'Retry-After': String(Math.max(1, wait)) });
    }
    calls.push(now);
    return next();
  });
}

const where = (base: string, s: Shown) => ({
  no: s.no,
  ref: s.piece.ref,
  status: s.status,
  seen: `${base}/p/${s.no}`,
  sale: s.sale,
});

async function readForm(c: Context) {
  const form = await c.req.formData().catch(() => null);
  const piece = readPiece(form?.get('piece'));
  const files = (form?.getAll('photo') ?? []).filter((f): f is File => f instanceof File);
  if (!piece || files.length > 20) return null;
  const photos = await Promise.all(
    files.map(async (file) => {
      const bytes = new Uint8Array(await file.arrayBuffer());
      return { bytes, size: measureJpeg(bytes) };
    }),
  );
  return { piece, photos };
}

async function hang({ store, base, switches }: Frame, c: Context, old: Shown | null) {
  const form = await readForm(c);
  if (!form) return c.json({ words: 'We could not read that.' }, 400);
  const measured = form.photos.flatMap((p) => (p.size ? [{ ...p.size, bytes: p.bytes.length }] : []));
  const no = objections(form.piece, measured, switches);
  if (measured.length < form.photos.length) no.push(['photos', 'One of the photos is no JPEG.']);
  if (no.length > 0) return c.json({ objections: no }, 406);
  const photos: string[] = [];
  for (const p of form.photos) {
    const id = randomBytes(8).toString('base64url');
    await store.putPicture(id, p.bytes);
    photos.push(id);
  }
  const shown: Shown = {
    no: old?.no ?? String(randomInt(10_000_000, 99_999_999)),
    piece: form.piece,
    photos,
    status: 'hanging',
    sale: null,
  };
  await store.write([{ sort: 'piece', id: shown.no, body: shown }]);
  return c.json(where(base, shown), old ? 200 : 201);
}

function servePieces(frame: Frame): void {
  const { app, store, base, turns } = frame;
  app.post('/rail/pieces', (c) =>
    turns.run(async () => {
      const ref = c.req.query('ref') ?? '';
      const twin = (await piecesOf(frame, ref))[0];
      return twin ? c.json(where(base, twin), 303) : hang(frame, c, null);
    }),
  );

  app.post('/rail/pieces/:no', (c) =>
    turns.run(async () => {
      const shown = await store.get<Shown>('piece', c.req.param('no'));
      if (!shown) return c.json({ words: 'We know no such piece.' }, 404);
      if (shown.status !== 'hanging') return c.json(where(base, shown), 410);
      return hang(frame, c, shown);
    }),
  );

  app.get('/rail/pieces', async (c) =>
    c.json((await piecesOf(frame, c.req.query('ref') ?? '')).map((s) => where(base, s))),
  );

  app.delete('/rail/pieces/:no', (c) =>
    turns.run(async () => {
      const shown = await store.get<Shown>('piece', c.req.param('no'));
      if (!shown) return c.json({ words: 'We know no such piece.' }, 404);
      if (shown.status === 'sold') return c.json(where(base, shown), 410);
      const down: Shown = { ...shown, status: 'taken down' };
      await store.write([{ sort: 'piece', id: shown.no, body: down }]);
      return c.json(where(base, down));
    }),
  );
}

function serveReading({ app, store, base, switches }: Frame): void {
  app.get('/rail/rules', (c) => c.json(sheetToday(SHEET, switches)));

  app.get('/rail/mine', async (c) => {
    const hanging = (await store.all<Shown>('piece')).filter((s) => s.status === 'hanging');
    const { part, next } = portion(hanging, c.req.query('from'), 100);
    return c.json({
      pieces: part.map((s) => ({ ...where(base, s), piece: s.piece, photos: s.photos })),
      next,
    });
  });

  app.get('/rail/gone', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 0.95, Date.now()),
      c.req.query('shelf') ?? '',
      c.req.query('words') ?? '',
    );
    const worn = (wear: number) => SHEET.conditions.find((w) => w.wear >= wear)?.code ?? '4';
    return c.json(
      found.map((p) => ({
        no: p.no,
        name: p.words,
        label: p.house,
        shelf: p.shelf,
        worn: worn(p.wear),
        gone: p.went,
        price: (p.cents / 100).toFixed(2),
        hung: new Date(p.from).toISOString(),
        down: new Date(p.to).toISOString(),
      })),
    );
  });
  app.get('/rail/asked', (c) =>
    c.json(
      Object.fromEntries(searched(SEED, SHELVES, c.req.query('shelf') ?? '').map((s) => [s.word, s.times])),
    ),
  );

  app.get('/rail/journal', async (c) => {
    const since = Number(c.req.query('since') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(since, 50);
    return c.json({ lines: rows.map((r) => r.body), next: String(rows.at(-1)?.n ?? since) });
  });
}
