import { randomBytes } from 'node:crypto';

import { SEED, SHELVES } from './past';
import { inAuction, PLACE_DAYS, seenAt, type Hollow, type Standing } from './pieces';
import { SHEET } from './sheet';
import { complaintsOf, readPiece, type Piece } from './validate';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg, type Measured } from '../kit/pictures';
import { portion, sheetToday } from '../kit/service';

/** Before an auction's end, hours, in which a piece with bids can't be taken away. */
const LAST_HOURS = 8;

/** The seller's calls. */
export function serveSeller(hollow: Hollow): void {
  serveImages(hollow);
  servePutting(hollow);
  serveTaking(hollow);
  serveReading(hollow);
}

const shown = (base: string, s: Standing) => ({
  ref: s.ref,
  status: s.status,
  seen: seenAt(base, s.ref),
  bids: s.bids.length,
  sale: s.sale,
});

function serveImages({ app, store, switches }: Hollow): void {
  app.get('/hollow/rulebook', (c) => c.json(sheetToday(SHEET, switches)));

  app.post('/hollow/images', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const size = measureJpeg(bytes);
    if (!size) return c.json({ complaints: [{ about: 'images', words: 'That is no JPEG.' }] }, 422);
    const id = randomBytes(8).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'image', id, body: { ...size, bytes: bytes.length } }]);
    return c.json({ image: id }, 201);
  });
}

function servePutting(hollow: Hollow): void {
  const { app, store, base, turns } = hollow;
  app.put('/hollow/pieces/:ref', (c) =>
    turns.run(async () => {
      const ref = c.req.param('ref');
      const old = await store.get<Standing>('piece', ref);
      if (old && old.status !== 'shown') return c.json(shown(base, old), 409);
      if (old && c.req.query('first') === 'yes') return c.json(shown(base, old));
      const piece = readPiece(await c.req.json().catch(() => null));
      if (!piece) return c.json({ message: 'We can’t read that.' }, 400);
      const complaints = await complaintsAbout(hollow, piece, old);
      if (complaints.length > 0) return c.json({ complaints }, 422);
      const s = standing(ref, piece, old, hollow.switches.dayLasts);
      await store.write([{ sort: 'piece', id: ref, body: s }]);
      return c.json(shown(base, s), old ? 200 : 201);
    }),
  );
}

async function complaintsAbout({ store, switches }: Hollow, piece: Piece, old: Standing | null) {
  const sizes = await Promise.all(
    piece.images.map((id) => store.get<Measured & { bytes: number }>('image', id)),
  );
  const complaints = complaintsOf(
    piece,
    sizes.flatMap((s) => s ?? []),
    switches,
  );
  if (sizes.some((s) => s === null)) complaints.push({ about: 'images', words: 'An image is not here.' });
  if (old && old.bids.length > 0)
    complaints.push({ about: 'auction.open', words: 'There are bids: nothing can be changed now.' });
  return complaints;
}

/** As it stands from now on. @param day how long one lasts, milliseconds */
function standing(ref: string, piece: Piece, old: Standing | null, day: number): Standing {
  const now = Date.now();
  return {
    ref,
    piece,
    status: 'shown',
    since: old?.since ?? now,
    until:
      old && old.piece.auction?.days === piece.auction?.days
        ? old.until
        : now + (piece.auction?.days ?? PLACE_DAYS) * day,
    fixedCents: null,
    round: old?.round ?? 1,
    bids: [],
    sale: null,
  };
}

function serveTaking({ app, store, base, switches, turns }: Hollow): void {
  app.delete('/hollow/pieces/:ref', (c) =>
    turns.run(async () => {
      const s = await store.get<Standing>('piece', c.req.param('ref'));
      if (!s) return c.json({ message: 'We know no such piece.' }, 404);
      if (s.status === 'sold') return c.json(shown(base, s), 409);
      const late = s.until - Date.now() < (LAST_HOURS / 24) * switches.dayLasts;
      if (s.status === 'shown' && inAuction(s) && s.bids.length > 0 && late)
        return c.json({ message: `There are bids, and it ends within ${LAST_HOURS} hours: it stays.` }, 423);
      const away: Standing = { ...s, status: 'taken away' };
      await store.write([{ sort: 'piece', id: s.ref, body: away }]);
      return c.json(shown(base, away));
    }),
  );
}

function serveReading({ app, store, base }: Hollow): void {
  app.get('/hollow/pieces/:ref', async (c) => {
    const s = await store.get<Standing>('piece', c.req.param('ref'));
    return s ? c.json(shown(base, s)) : c.json({ message: 'We know no such piece.' }, 404);
  });

  app.get('/hollow/shelf', async (c) => {
    const here = (await store.all<Standing>('piece')).filter((s) => s.status === 'shown');
    const { part, next } = portion(here, c.req.query('from'), 50);
    return c.json({ shelf: part.map((s) => ({ ...shown(base, s), piece: s.piece, since: s.since })), next });
  });

  /** Auctions that run just now, with the best bid and what is left of their rounds. */
  app.get('/hollow/auctions', async (c) => {
    const here = (await store.all<Standing>('piece')).filter((s) => s.status === 'shown' && inAuction(s));
    return c.json({
      auctions: here.map((s) => ({
        ref: s.ref,
        bids: s.bids.length,
        bestCents: s.bids.at(-1)?.cents ?? null,
        until: s.until,
        round: s.round,
        again: s.piece.auction?.again ?? 0,
        becomesCents: s.piece.auction?.becomesCents ?? null,
      })),
    });
  });

  app.get('/hollow/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1.1, Date.now()),
      c.req.query('room') ?? '',
      c.req.query('words') ?? '',
    );
    const state = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'wreck';
    return c.json({
      pieces: found.map((p) => ({
        number: p.no,
        name: p.words,
        maker: p.house,
        room: p.shelf,
        state: state(p.wear),
        sold: p.went,
        cents: p.cents,
        from: p.from,
        to: p.to,
      })),
    });
  });
  app.get('/hollow/sought', (c) =>
    c.json({
      sought: searched(SEED, SHELVES, c.req.query('room') ?? '').map((s) => ({
        word: s.word,
        often: s.times,
      })),
    }),
  );

  app.get('/hollow/tidings', async (c) => {
    const after = Number(c.req.query('after') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(after, 60);
    return c.json({ tidings: rows.map((r) => r.body), upTo: String(rows.at(-1)?.n ?? after) });
  });
}
