import Papa from 'papaparse';

import { POSTAGE, seenAt, type Offer } from './documents';
import { SEED, SHELVES } from './past';
import { copiesOf, TITLES, titleOf } from './records';
import { SHEET } from './sheet';
import { pastOf, search, searched } from '../kit/past';
import { sheetToday, type Frame } from '../kit/service';

/** What the seller may read: the rules, what stands on the racks, what happened, and what others ask. */
export function serveStock(frame: Frame): void {
  const { app, store, base, switches } = frame;
  app.get('/feed/rules', (c) =>
    c.json({
      ...sheetToday(SHEET, switches),
      records: [...TITLES.values()].map((t) => ({ barcode: t.barcode, rack: t.rack, closed: t.closed })),
    }),
  );

  app.get('/feed/offers/:ref', async (c) => {
    const offer = await store.get<Offer>('offer', c.req.param('ref'));
    if (!offer) return c.json({ message: 'No such offer.' }, 404);
    return c.json({
      ref: offer.ref,
      status: offer.status,
      seen: seenAt(base, offer.ref),
      order: offer.order,
    });
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
      seen: seenAt(base, o.ref),
      pictures: o.pictures.join(' '),
    }));
    return c.json({ day: new Date().toISOString().slice(0, 10), report: Papa.unparse(lines) });
  });

  app.get('/feed/log', async (c) => {
    const after = Number(c.req.query('after') ?? 0) || 0;
    const rows = await store.happeningsAfter<unknown>(after, 100);
    return c.json({ log: rows.map((r) => r.body), upTo: String(rows.at(-1)?.n ?? after) });
  });

  serveOthers(frame);
}

/** Other sellers' copies, copies sold before, and what people search. */
function serveOthers({ app, store }: Frame): void {
  app.get('/feed/copies', async (c) => {
    const title = titleOf(c.req.query('barcode') ?? '');
    if (!title) return c.json({ message: 'We have no record under that barcode.' }, 404);
    const theirs = copiesOf(title, Date.now()).map((x) => ({ ...x, postCents: POSTAGE, yours: false }));
    // The seller's own stand among them, as buyers see them.
    const own = (await store.all<Offer>('offer')).filter(
      (o) => o.status === 'offered' && titleOf(o.line.barcode)?.barcode === title.barcode,
    );
    const yours = own.map((o) => ({
      seller: 'Your own rack',
      cents: Number(o.line.cents),
      postCents: o.line.keptAt ? 0 : POSTAGE,
      condition: o.line.condition,
      rating: 100,
      leavesIn: 2,
      yours: true,
    }));
    return c.json({ copies: [...theirs, ...yours] });
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
}
