import { randomBytes } from 'node:crypto';

import { stateOf, type Ad } from './ads';
import { SEED, SHELVES } from './past';
import { SHEET } from './sheet';
import { faultsOf, photoFaults } from './validate';
import { bodyOf } from '../kit/body';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg } from '../kit/pictures';
import { portion, sheetToday, type Frame } from '../kit/service';

/** The seller's calls. */
export function serveBoard(frame: Frame): void {
  servePutting(frame);
  serveAds(frame);
  serveReading(frame);
}

const readPhotos = (list: unknown) =>
  (Array.isArray(list) ? list : []).slice(0, 30).map((p) => {
    const bytes = new Uint8Array(Buffer.from(String(p), 'base64'));
    const size = measureJpeg(bytes);
    return { bytes, longSide: size ? Math.max(size.width, size.height) : 0 };
  });

/** Days are those bought in all: what is more than before goes on where that ends, or begins now. */
function higher(days: number, old: Ad | null): Pick<Ad, 'higherDays' | 'higherUntil'> {
  if (days === 0) return {};
  const more = Math.max(0, days - (old?.higherDays ?? 0));
  const until = more === 0 ? (old?.higherUntil ?? 0) : Math.max(Date.now(), old?.higherUntil ?? 0);
  return { higherDays: days, higherUntil: until + more * 86_400_000 };
}

function servePutting({ app, store, base, switches, turns }: Frame): void {
  app.put('/board/ads/:id', (c) =>
    turns.run(async () => {
      const id = c.req.param('id');
      const old = await store.get<Ad>('ad', id);
      if (old && (old.status === 'closed' || old.status === 'turned down'))
        return c.json(stateOf(base, old), 409);
      if (old && c.req.query('new') === 'yes') return c.json(stateOf(base, old));
      const b = await bodyOf(c);
      const photos = readPhotos(b.photos);
      const faults = [
        ...faultsOf(b, switches),
        ...photoFaults(
          photos.map((p) => ({ longSide: p.longSide, bytes: p.bytes.length })),
          switches,
        ),
      ];
      if (faults.length > 0) return c.json({ faults }, 400);
      const names: string[] = [];
      for (const { bytes } of photos) {
        const name = randomBytes(8).toString('hex');
        await store.putPicture(name, bytes);
        names.push(name);
      }
      const ad: Ad = {
        id,
        heading: String(b.heading).trim(),
        body: String(b.body),
        euros: Number(b.euros),
        board: String(b.board),
        state: String(b.state),
        place: String(b.place),
        boards: Array.isArray(b.boards) ? b.boards.map(String) : [],
        tags: Array.isArray(b.tags) ? b.tags.map(String) : [],
        ...higher(Number(b.higherDays ?? 0), old),
        photos: names,
        held: b.held === true,
        // Small changes to an ad that is up are not looked over again.
        status: old?.status ?? 'waiting',
        closedAs: null,
        why: null,
        putAt: Date.now(),
      };
      await store.write([{ sort: 'ad', id, body: ad }]);
      return c.json(stateOf(base, ad), old ? 200 : 202);
    }),
  );
}

function serveAds({ app, store, base, turns }: Frame): void {
  app.get('/board/mine', async (c) => {
    const mine = (await store.all<Ad>('ad')).filter((ad) => ad.status === 'up' || ad.status === 'waiting');
    const { part, next } = portion(mine, c.req.query('from'), 40);
    return c.json({
      ads: part.map((ad) => ({
        ...stateOf(base, ad),
        heading: ad.heading,
        body: ad.body,
        euros: ad.euros,
        board: ad.board,
        state: ad.state,
        place: ad.place,
        photos: ad.photos,
        putAt: ad.putAt,
      })),
      next,
    });
  });
  app.get('/board/ads/:id', async (c) => {
    const ad = await store.get<Ad>('ad', c.req.param('id'));
    return ad ? c.json(stateOf(base, ad)) : c.json({ faults: ['no such ad'] }, 404);
  });

  app.post('/board/ads/:id/close', (c) =>
    turns.run(async () => {
      const ad = await store.get<Ad>('ad', c.req.param('id'));
      if (!ad) return c.json({ faults: ['no such ad'] }, 404);
      if (ad.status === 'closed') return c.json(stateOf(base, ad));
      const b = await bodyOf(c);
      const closed: Ad = { ...ad, status: 'closed', closedAs: b.as === 'sold' ? 'sold' : 'withdrawn' };
      await store.write([{ sort: 'ad', id: ad.id, body: closed }]);
      return c.json(stateOf(base, closed));
    }),
  );
}

function serveReading({ app, store, switches }: Frame): void {
  app.get('/board/rules', (c) => c.json(sheetToday(SHEET, switches)));

  app.get('/board/old', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 0.8, Date.now()),
      c.req.query('board') ?? '',
      c.req.query('words') ?? '',
    );
    const state = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'fix';
    return c.json({
      ads: found.map((p) => ({
        id: p.no,
        heading: p.words,
        board: p.shelf,
        state: state(p.wear),
        dealt: p.went,
        euros: p.cents / 100,
        up: p.from,
        down: p.to,
      })),
    });
  });
  app.get('/board/searches', (c) =>
    c.json({ searches: searched(SEED, SHELVES, c.req.query('board') ?? '').map((s) => [s.word, s.times]) }),
  );

  app.get('/board/news/:from', async (c) => {
    const from = Number(c.req.param('from')) || 0;
    const rows = await store.happeningsAfter<unknown>(from, 50);
    return c.json({ news: rows.map((r) => r.body), upTo: rows.at(-1)?.n ?? from });
  });
}
