import { randomBytes } from 'node:crypto';

import { anyLeft, type Listing, type Moor, type Order } from './listings';
import { OTHERS, type Other } from './others';
import { isMeant } from './pages';
import { SEED, SHELVES } from './past';
import { SHEET } from './sheet';
import { areTwins, problemsOf, readEntry, type Entry } from './validate';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg, type Measured } from '../kit/pictures';
import { portion, sheetToday } from '../kit/service';

/** The seller's calls. */
export function serveSeller(moor: Moor): void {
  serveFiles(moor);
  serveListing(moor);
  serveChanging(moor);
  serveReading(moor);
}

function serveFiles({ app, store }: Moor): void {
  app.post('/v1/pictures', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const measured = measureJpeg(bytes);
    if (!measured)
      return c.json({ problems: [{ code: 'PH-0', field: 'pictures', message: 'That is no JPEG.' }] }, 422);
    const id = randomBytes(9).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'picture', id, body: { ...measured, bytes: bytes.length } }]);
    return c.json({ picture: id }, 201);
  });

  app.post('/v1/clips', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const seconds = Number(c.req.query('seconds'));
    const no = (code: string, message: string) =>
      c.json({ problems: [{ code, field: 'clip', message }] }, 422);
    const type = filmType(bytes);
    if (!type) return no('CL-1', 'That is no film we can show.');
    if (bytes.length > 30_000_000) return no('CL-2', 'Films go up to 30 MB.');
    if (!(seconds > 0 && seconds <= 60)) return no('CL-3', 'Films go up to a minute.');
    const id = randomBytes(9).toString('hex');
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'clip', id, body: { type } }]);
    return c.json({ clip: id }, 201);
  });
}

async function measure({ store }: Moor, entry: Entry) {
  const sizes = await Promise.all(
    entry.pictures.map((id) => store.get<Measured & { bytes: number }>('picture', id)),
  );
  return sizes.every((s) => s !== null) ? sizes : null;
}

/** What is wrong with an entry, as it would stand beside all others. */
async function judge(moor: Moor, entry: Entry, own: Listing | null) {
  const { store, switches } = moor;
  const pictures = await measure(moor, entry);
  if (!pictures) return [{ code: 'PH-9', field: 'pictures', message: 'A picture is not here.' }];
  if (entry.clip && !(await store.get('clip', entry.clip)))
    return [{ code: 'CL-9', field: 'clip', message: 'The film is not here.' }];
  const problems = problemsOf(entry, pictures, switches, own?.gone);
  const others = (await store.all<Listing>('listing')).filter((l) => l.id !== own?.id);
  if (others.some((l) => l.state === 'live' && areTwins(l.entry, entry)))
    problems.push({ code: 'TW-1', field: 'headline', message: 'You list the same item already.' });
  const month = new Date().toISOString().slice(0, 7);
  const used = others.filter((l) => new Date(l.listedAt).toISOString().startsWith(month)).length;
  if (!own && used >= SHEET.monthlyAllowance)
    problems.push({ code: 'AL-1', field: '', message: 'This month’s listings are used up.' });
  return problems;
}

const shown = (base: string, l: Listing) => ({
  listing: l.id,
  reference: l.entry.reference,
  state: l.state,
  page: `${base}/item/${l.id}`,
  order: l.order,
});

function serveListing(moor: Moor): void {
  const { app, store, base, turns } = moor;
  app.post('/v1/listings', (c) =>
    turns.run(async () => {
      const key = c.req.header('idempotency-key') ?? '';
      if (!/^[\w.:-]{8,120}$/.test(key)) return c.json({ message: 'An idempotency key is needed.' }, 400);
      const before = await store.get<{ listing: string }>('key', key);
      const earlier = before && (await store.get<Listing>('listing', before.listing));
      if (earlier) return c.json(shown(base, earlier), 200);
      const entry = readEntry(await c.req.json().catch(() => null));
      if (!entry) return c.json({ message: 'Not a listing.' }, 400);
      const problems = await judge(moor, entry, null);
      if (problems.length > 0) return c.json({ problems }, 422);
      const id = randomBytes(6).toString('hex');
      const listing: Listing = { id, entry, state: 'live', listedAt: Date.now(), order: null };
      await store.write([
        { sort: 'listing', id, body: listing },
        { sort: 'key', id: key, body: { listing: id } },
      ]);
      return c.json(shown(base, listing), 201);
    }),
  );
}

function serveChanging(moor: Moor): void {
  const { app, store, base, turns } = moor;
  app.put('/v1/listings/:id', (c) =>
    turns.run(async () => {
      const listing = await store.get<Listing>('listing', c.req.param('id'));
      if (!listing) return c.json({ message: 'No such listing.' }, 404);
      const entry = readEntry(await c.req.json().catch(() => null));
      // What sold out is offered again once there is more of it; nothing else that is over is changed.
      const isMore = entry !== null && listing.state === 'sold' && anyLeft({ ...listing, entry });
      if (listing.state !== 'live' && !isMore) return c.json(shown(base, listing), 409);
      if (!entry) return c.json({ message: 'Not a listing.' }, 400);
      const problems = await judge(moor, entry, listing);
      if (problems.length > 0) return c.json({ problems }, 422);
      const next: Listing = { ...listing, entry, state: 'live' };
      await store.write([{ sort: 'listing', id: listing.id, body: next }]);
      return c.json(shown(base, next));
    }),
  );

  app.post('/v1/listings/:id/end', (c) =>
    turns.run(async () => {
      const listing = await store.get<Listing>('listing', c.req.param('id'));
      if (!listing) return c.json({ message: 'No such listing.' }, 404);
      if (listing.state === 'sold') return c.json(shown(base, listing), 409);
      const next: Listing = { ...listing, state: 'ended' };
      await store.write([{ sort: 'listing', id: listing.id, body: next }]);
      return c.json(shown(base, next));
    }),
  );
}

function serveReading({ app, store, base, switches }: Moor): void {
  app.get('/v1/rules', (c) => c.json(sheetToday(SHEET, switches)));

  app.get('/v1/listings', async (c) => {
    const reference = c.req.query('reference');
    const all = await store.all<Listing>('listing');
    return c.json({
      listings: all.filter((l) => l.entry.reference === reference).map((l) => shown(base, l)),
    });
  });

  app.get('/v1/stall', async (c) => {
    const live = (await store.all<Listing>('listing')).filter((l) => l.state === 'live');
    const { part, next } = portion(live, c.req.query('from'), 60);
    return c.json({
      stall: part.map((l) => ({ ...shown(base, l), ...l.entry, listedAt: l.listedAt })),
      next,
    });
  });

  app.get('/v1/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1, Date.now()),
      c.req.query('category') ?? '',
      c.req.query('words') ?? '',
    );
    const worn = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'rough';
    return c.json({
      past: found.map((p) => ({
        number: p.no,
        headline: p.words,
        maker: p.house,
        category: p.shelf,
        condition: worn(p.wear),
        outcome: p.went ? 'sold' : 'unsold',
        cents: p.cents,
        listedAt: p.from,
        endedAt: p.to,
      })),
    });
  });
  // What others offer, as anybody may read it.
  app.get('/v1/offered', (c) => {
    const [words, category, no] = ['words', 'category', 'no'].map((name) => c.req.query(name) ?? '');
    const found = likeliest(
      OTHERS.filter((o) => (no === '' || o.no === no) && (category === '' || o.offer.category === category)),
      words ?? '',
    );
    return c.json({
      offered: found.slice(0, 40).map(({ no: number, seller, offer }) => ({
        ...{ number, seller, ...offer },
        page: `${base}/other/${number}`,
        pictures: [`${base}/other/${number}/picture`],
      })),
    });
  });
  app.get('/v1/sought', (c) => c.json({ words: searched(SEED, SHELVES, c.req.query('category') ?? '') }));

  app.get('/v1/happenings', async (c) => {
    const after = Number(c.req.query('after') ?? 0);
    const rows = await store.happeningsAfter<Order>(Number.isInteger(after) && after >= 0 ? after : 0, 100);
    return c.json({
      happenings: rows.map((r) => ({ kind: 'sold', ...r.body })),
      cursor: String(rows.at(-1)?.n ?? after),
    });
  });
}

/** Those that hold any of the words, most of them first. */
function likeliest(others: readonly Other[], words: string): Other[] {
  const wanted = words
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length > 1);
  const held = ({ offer }: Other) => wanted.filter((word) => isMeant(offer, word)).length;
  return others.filter((o) => wanted.length === 0 || held(o) > 0).sort((a, b) => held(b) - held(a));
}

/** What a film's first bytes say it is; null for anything else. */
function filmType(bytes: Uint8Array): string | null {
  if (bytes[0] === 0x1a && bytes[1] === 0x45 && bytes[2] === 0xdf && bytes[3] === 0xa3) return 'video/webm';
  return String.fromCharCode(...bytes.subarray(4, 8)) === 'ftyp' ? 'video/mp4' : null;
}
