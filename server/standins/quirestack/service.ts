import type { Context } from 'hono';
import { html } from 'hono/html';
import { randomBytes, randomInt } from 'node:crypto';
import Papa from 'papaparse';

import { withheld } from './fees';
import { SEED, SHELVES } from './past';
import { copiesOf, TITLES, titleOf } from './records';
import { SHEET } from './sheet';
import { faultOf, pictureFault, type Line } from './validate';
import { lateWork } from '../kit/faults';
import { serveOrders, paidOrder } from '../kit/orders';
import { page } from '../kit/page';
import { pastOf, search, searched } from '../kit/past';
import { measureJpeg } from '../kit/pictures';
import { euros, frame, isOut, sheetToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { serveTalks } from '../kit/talks';
import { Turns } from '../kit/turns';

interface Offer {
  ref: string;
  line: Line;
  /** A copy's own picture, where the seller sent one. */
  pictures: string[];
  status: 'offered' | 'sold' | 'removed';
  order: { order: string; cents: number; withheld: number; at: number } | null;
}

/** An item at the depot. */
interface Kept {
  depotNo: string;
  code: string;
  barcode: string;
  /** When it was posted to its buyer. */
  postedAt?: number;
  /** When it was sent back to the seller. */
  returnedAt?: number;
}

/** What a seller sends to the depot. */
interface Parcel {
  parcel: string;
  at: number;
  countedAt: number | null;
  contents: { code: string; barcode: string; depotNo: string | null }[];
}

interface Ticket {
  id: string;
  at: number;
  lines: Line[];
  report: Outcome[] | null;
}

interface Outcome {
  row: number;
  ref: string;
  outcome: 'accepted' | 'rejected' | 'removed' | 'sold' | 'unknown';
  code: string;
  words: string;
}

const LOOK = { ground: '#eef0f4', ink: '#1d2330', accent: '#39456b', face: '"Segoe UI", Tahoma, sans-serif' };
const POSTAGE = 280;
/** How many times a list's time a parcel takes. */
const PARCEL_TAKES = 3;
const COLUMNS = ['action', 'ref', 'barcode', 'condition', 'note', 'cents', 'origin', 'keptAt'] as const;
const MOST_LINES = 2_000;

/**
 * Quirestack: books, music, film and games against records found by barcode. Nothing is answered at once:
 * lists are uploaded, a ticket comes back, and a processing report says later what became of each line.
 */
export function quirestack(options: { store: Store; token: string; base: string }): Service {
  const { store, base } = options;
  const { app, switches } = frame({
    name: SHEET.name,
    store,
    token: options.token,
    seller: '/feed',
    usual: { reviewTime: 1_200 },
  });
  const turns = new Turns();
  let timer: NodeJS.Timeout | null = null;

  app.get('/feed/rules', (c) =>
    c.json({
      ...sheetToday(SHEET, switches),
      records: [...TITLES.values()].map((t) => ({ barcode: t.barcode, rack: t.rack, closed: t.closed })),
    }),
  );

  app.put('/feed/pictures/:ref', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const size = measureJpeg(bytes);
    const place = Number(c.req.query('place') ?? 0);
    const fault = pictureFault(size ? Math.max(size.width, size.height) : 0, bytes.length, place);
    if (fault) return c.json({ message: fault }, 422);
    const id = `${randomBytes(8).toString('hex')}`;
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'picture', id: `${c.req.param('ref')} ${place}`, body: { id } }]);
    return c.body(null, 204);
  });

  app.post('/feed/lists', async (c) => {
    const parsed = Papa.parse<Record<string, string>>(await c.req.text(), {
      header: true,
      skipEmptyLines: true,
    });
    const fields = parsed.meta.fields ?? [];
    if (!COLUMNS.every((name) => fields.includes(name)) || parsed.data.length > MOST_LINES)
      return c.json(
        { message: `A list has the columns ${COLUMNS.join(', ')} and up to ${MOST_LINES} lines.` },
        400,
      );
    const lines = parsed.data.map(
      (row) =>
        Object.fromEntries(COLUMNS.map((k) => [k, String(row[k] ?? '').slice(0, 4_000)])) as unknown as Line,
    );
    const ticket: Ticket = { id: `T${randomInt(1e8, 9e8)}`, at: Date.now(), lines, report: null };
    await store.write([{ sort: 'ticket', id: ticket.id, body: ticket }]);
    return c.json({ ticket: ticket.id, lines: lines.length }, 202);
  });

  app.get('/feed/lists/:ticket', async (c) => {
    const ticket = await store.get<Ticket>('ticket', c.req.param('ticket'));
    if (!ticket) return c.json({ message: 'No such ticket.' }, 404);
    return c.json({ ticket: ticket.id, done: ticket.report !== null, report: ticket.report ?? [] });
  });

  /** Lists are worked through in the order they came. */
  const work = () =>
    turns.run(async () => {
      await count();
      const due = (await store.all<Ticket>('ticket')).filter(
        (t) => t.report === null && t.at + switches.reviewTime <= Date.now(),
      );
      for (const ticket of due) {
        const report: Outcome[] = [];
        for (const [i, line] of ticket.lines.entries()) {
          const { doc, told, ...outcome } = await workLine(line);
          const said = { row: i + 1, ref: line.ref, ...outcome };
          report.push(said);
          await store.write(
            doc ? [doc] : [],
            told ? [{ kind: 'report', ...said, seen: seen(line.ref) }] : [],
          );
        }
        await store.write([{ sort: 'ticket', id: ticket.id, body: { ...ticket, report } }]);
      }
    });

  const workLine = async (line: Line) => {
    const old = await store.get<Offer>('offer', line.ref);
    const no = (outcome: Outcome['outcome'], code: string, words: string) => ({
      // A change that is rejected leaves the offer as it was: that is told in the report alone.
      outcome,
      code,
      words,
      told: outcome === 'rejected' && !old,
      doc: null,
    });
    if (line.action === 'remove') {
      if (!old) return no('unknown', 'Q02', 'There was no such offer.');
      if (old.status === 'sold') return no('sold', 'Q03', 'It is sold.');
      const removed: Offer = { ...old, status: 'removed' };
      return {
        outcome: 'removed' as const,
        code: '',
        words: '',
        told: false,
        doc: { sort: 'offer', id: line.ref, body: removed },
      };
    }
    if (line.action !== 'put') return no('rejected', 'Q01', 'A line puts or removes.');
    if (old && old.status !== 'offered')
      return no(old.status === 'sold' ? 'sold' : 'removed', 'Q04', 'It was offered before and is over.');
    const stored = line.keptAt === '' ? null : await store.get<Kept>('depot', line.keptAt);
    const fault =
      faultOf(line, switches) ??
      (line.keptAt !== '' &&
      (!stored || stored.postedAt || stored.returnedAt || titleOf(stored.barcode) !== titleOf(line.barcode))
        ? { code: 'Q50', words: 'No such item is at our depot.' }
        : null);
    if (fault) return no('rejected', fault.code, fault.words);
    const pictures: string[] = [];
    for (let place = 0; place < 4; place += 1) {
      const kept = await store.get<{ id: string }>('picture', `${line.ref} ${place}`);
      if (kept) pictures.push(kept.id);
    }
    const offer: Offer = { ref: line.ref, line, pictures, status: 'offered', order: null };
    return {
      outcome: 'accepted' as const,
      code: '',
      words: '',
      told: true,
      doc: { sort: 'offer', id: line.ref, body: offer },
    };
  };

  const seen = (ref: string) => `${base}/copy/${encodeURIComponent(ref)}`;

  app.get('/feed/offers/:ref', async (c) => {
    const offer = await store.get<Offer>('offer', c.req.param('ref'));
    if (!offer) return c.json({ message: 'No such offer.' }, 404);
    return c.json({ ref: offer.ref, status: offer.status, seen: seen(offer.ref), order: offer.order });
  });

  /** What is on the racks today, as lines of a list. */
  app.get('/feed/stock', async (c) => {
    const offered = (await store.all<Offer>('offer')).filter((o) => o.status === 'offered');
    const lines = offered.map((o) => ({
      ref: o.ref,
      barcode: o.line.barcode,
      name: titleOf(o.line.barcode)?.name ?? '',
      rack: titleOf(o.line.barcode)?.rack ?? '',
      condition: o.line.condition,
      note: o.line.note,
      cents: o.line.cents,
      keptAt: o.line.keptAt,
      seen: seen(o.ref),
      pictures: o.pictures.join(' '),
    }));
    return c.json({ day: new Date().toISOString().slice(0, 10), report: Papa.unparse(lines) });
  });

  app.post('/feed/parcels', async (c) => {
    const { contents } = (await c.req.json().catch(() => ({}))) as { contents?: unknown };
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
    const { depotNos } = (await c.req.json().catch(() => ({}))) as { depotNos?: unknown };
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

  /** Parcels come in after a while and are counted; on a bad day the last item of one is missing. */
  const count = async () => {
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
  };

  app.get('/feed/log', async (c) => {
    const after = Number(c.req.query('after') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(after, 100);
    return c.json({ log: rows.map((r) => r.body), upTo: String(rows.at(-1)?.n ?? after) });
  });

  app.get('/feed/copies', (c) => {
    const title = titleOf(c.req.query('barcode') ?? '');
    return title
      ? c.json({ copies: copiesOf(title, Date.now()).map((x) => ({ ...x, postCents: POSTAGE })) })
      : c.json({ message: 'We have no record under that barcode.' }, 404);
  });

  app.get('/feed/past', (c) => {
    const found = search(
      pastOf(SEED, SHELVES, 1, Date.now()),
      c.req.query('rack') ?? '',
      c.req.query('words') ?? '',
    );
    const condition = (wear: number) => SHEET.conditions.find((x) => x.wear >= wear)?.code ?? 'D';
    return c.json({
      copies: found.map((p) => ({
        no: p.no,
        name: p.words,
        house: p.house,
        rack: p.shelf,
        condition: condition(p.wear),
        sold: p.went,
        cents: p.cents,
        from: p.from,
        to: p.to,
      })),
    });
  });
  app.get('/feed/sought', (c) =>
    c.json({ words: searched(SEED, SHELVES, c.req.query('rack') ?? '').map((s) => [s.word, s.times]) }),
  );

  serveOrders(app, { store, switches, at: '/feed/orders', style: SHEET.statement });

  // ---- the buyers' side -------------------------------------------------------------------------

  const head = html`<header><a href="${base}/">QUIRESTACK</a></header>`;
  const talks = serveTalks(app, {
    store,
    switches,
    base,
    look: LOOK,
    head,
    at: '/feed/questions',
    about: async (id) => {
      const o = await store.get<Offer>('offer', id);
      return (
        o && {
          ref: o.ref,
          what: titleOf(o.line.barcode)?.name ?? '',
          seen: seen(o.ref),
          open: o.status === 'offered',
        }
      );
    },
  });
  const note = (words: string) =>
    page(
      words,
      LOOK,
      html`${head}
        <main><h1>${words}</h1></main>`,
    );
  const closed = (c: Context) => c.html(note('Stocktaking: closed for now'), 503);
  const label = (code: string) => SHEET.conditions.find((x) => x.code === code)?.label ?? code;

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    const all = (await store.all<Offer>('offer')).filter((o) => o.status === 'offered').reverse();
    return c.html(
      page(
        'Quirestack',
        LOOK,
        html`${head}
          <main>
            <h1>Lately put on the racks</h1>
            ${all.map(
              (o) =>
                html`<p>
                  <a href="${seen(o.ref)}">${titleOf(o.line.barcode)?.name}</a>,
                  ${titleOf(o.line.barcode)?.by}: ${label(o.line.condition)},
                  <b>${euros(Number(o.line.cents))}</b>
                </p>`,
            )}
            ${all.length === 0 ? html`<p>Nothing new just now.</p>` : ''}
          </main>`,
      ),
    );
  });

  app.get('/copy/:ref', async (c) => {
    if (isOut(switches)) return closed(c);
    const o = await store.get<Offer>('offer', c.req.param('ref'));
    const title = o && titleOf(o.line.barcode);
    if (!o || !title) return c.html(note('No such copy'), 404);
    const others = copiesOf(title, Date.now());
    return c.html(
      page(
        title.name,
        LOOK,
        html`${head}
          <main>
            <h1>${title.name}</h1>
            <p>${title.by} · ${title.barcode}</p>
            ${o.pictures.length > 0 ? html`<div class="strip">${o.pictures.map((p) => html`<img src="${base}/picture/${p}" alt="The copy itself" />`)}</div>` : ''}
            <p>
              <span class="price">${euros(Number(o.line.cents))}</span>
              ${o.line.keptAt ? 'posted by us, nothing on top' : `and ${euros(POSTAGE)} postage`}
            </p>
            <p>${label(o.line.condition)}</p>
            <div class="words">${o.line.note}</div>
            ${
              o.status === 'offered'
                ? html`<form method="post" action="${seen(o.ref)}/order">
                      <button>Order this copy</button>
                    </form>
                    ${talks.forms(encodeURIComponent(o.ref))}`
                : html`<p class="note">
                    ${o.status === 'sold' ? 'This copy is sold.' : 'This copy is no longer on the rack.'}
                  </p>`
            }
            <h1>Other copies</h1>
            ${others.map((x) => html`<p>${x.seller} (${x.rating} %): ${label(x.condition)}, ${euros(x.cents)}, leaves in ${x.leavesIn} days</p>`)}
          </main>`,
      ),
    );
  });

  app.post('/copy/:ref/order', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const o = await store.get<Offer>('offer', c.req.param('ref'));
      if (!o) return c.notFound();
      if (o.status === 'offered') {
        const cents = Number(o.line.cents);
        const rack = titleOf(o.line.barcode)?.rack ?? 'pages';
        const ours = o.line.keptAt !== '';
        const order = {
          order: `QS${randomInt(1e8, 9e8)}`,
          cents,
          withheld: withheld(rack, cents, ours),
          at: Date.now(),
        };
        const kept = ours ? await store.get<Kept>('depot', o.line.keptAt) : null;
        await store.write(
          [
            { sort: 'offer', id: o.ref, body: { ...o, status: 'sold', order } satisfies Offer },
            paidOrder({
              no: order.order,
              ref: o.ref,
              what: titleOf(o.line.barcode)?.name ?? '',
              cents,
              postCents: ours ? 0 : POSTAGE,
              feeCents: order.withheld,
              at: order.at,
            }),
            ...(kept ? [{ sort: 'depot', id: kept.depotNo, body: { ...kept, postedAt: Date.now() } }] : []),
          ],
          [{ kind: 'sold', ref: o.ref, postCents: ours ? 0 : POSTAGE, ...order }],
        );
      }
      return c.redirect(seen(o.ref), 303);
    }),
  );

  return {
    id: 'quirestack',
    name: SHEET.name,
    app,
    start: () => {
      timer = setInterval(() => void work().catch(lateWork), 200);
    },
    stop: () => {
      if (timer) clearInterval(timer);
    },
  };
}
