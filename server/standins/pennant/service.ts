import { html } from 'hono/html';

import { labelPdf } from './label';
import { trackingNumber } from './number';
import { priceOf, readOrder, TARIFF } from './tariff';
import { pagesOf } from '../kit/page';
import { AT_REST, euros, frame, isOut, type Frame, type Opening, type Service } from '../kit/service';

const NAME = 'Pennant Post';
const LOOK = { ground: '#f1f4f8', ink: '#1b2733', accent: '#234a73', face: 'Verdana, sans-serif' };

const UNDER_WAY_DAYS = 2;

interface Parcel {
  number: string;
  cents: number;
  /** The label to print, a PDF in base64. */
  label: string;
  handedAt: number | null;
}

/** The carrier: takes parcels by weight, room and destination. */
export function pennant(opening: Opening): Service {
  const made = frame({ name: NAME, opening, seller: '/post' });
  serveLabels(made);
  serveParcels(made);
  serveCounter(made);
  return { id: 'pennant', name: NAME, app: made.app, ...AT_REST };
}

function serveLabels({ app, store, turns }: Frame): void {
  app.get('/post/tariff', (c) => c.json(TARIFF));

  // The same key again gives the same label: nobody pays twice for one parcel.
  app.post('/post/labels', (c) =>
    turns.run(async () => {
      const key = c.req.header('idempotency-key') ?? '';
      if (!/^[\w.:-]{8,120}$/.test(key)) return c.json({ message: 'A key is needed.' }, 400);
      const before = await store.get<Parcel>('parcel-of-key', key);
      if (before) return c.json(before, 200);
      const order = readOrder(await c.req.json().catch(() => null));
      if (!order) return c.json({ message: 'We can’t read that.' }, 400);
      const cents = priceOf(order);
      if (typeof cents === 'string') return c.json({ message: cents }, 422);
      const number = trackingNumber(10_000_000 + ((await store.all('parcel')).length + 1) * 37);
      const service = TARIFF.destinations.find((d) => d.id === order.destination)?.name ?? '';
      const pdf = await labelPdf({ number, service, grams: order.grams, to: order.to, from: order.from });
      const parcel: Parcel = { number, cents, label: Buffer.from(pdf).toString('base64'), handedAt: null };
      await store.write([
        { sort: 'parcel', id: number, body: parcel },
        { sort: 'parcel-of-key', id: key, body: parcel },
      ]);
      return c.json(parcel, 201);
    }),
  );
}

function serveParcels({ app, store, switches, turns }: Frame): void {
  const where = ({ number, handedAt }: Parcel) => {
    const arrives = handedAt === null ? null : handedAt + UNDER_WAY_DAYS * switches.dayLasts;
    const state = arrives === null ? 'announced' : arrives > Date.now() ? 'on its way' : 'delivered';
    return { number, state, at: state === 'delivered' ? arrives : handedAt };
  };

  /** The first scan, at the counter. */
  app.post('/post/parcels/:number/handed', (c) =>
    turns.run(async () => {
      const parcel = await store.get<Parcel>('parcel', c.req.param('number'));
      if (!parcel) return c.json({ message: 'No such parcel.' }, 404);
      const next = { ...parcel, handedAt: parcel.handedAt ?? Date.now() };
      await store.write([{ sort: 'parcel', id: parcel.number, body: next }]);
      return c.json(where(next));
    }),
  );
  app.get('/post/parcels/:number', async (c) => {
    const parcel = await store.get<Parcel>('parcel', c.req.param('number'));
    return parcel ? c.json(where(parcel)) : c.json({ message: 'No such parcel.' }, 404);
  });
}

function serveCounter({ app, switches }: Frame): void {
  const pages = pagesOf(LOOK, html`<header>${NAME}</header>`, { heading: 'The counter is closed' });
  app.get('/', (c) => {
    if (isOut(switches)) return pages.closed(c);
    return c.html(
      pages.show(
        NAME,
        html`
          <h1>What a parcel costs</h1>
          <p>
            At most ${TARIFF.limits.longestMm / 10} cm long; length and girth together at most
            ${TARIFF.limits.lengthAndGirthMm / 10} cm. Light, bulky parcels count a kilogram for every
            ${TARIFF.room} cm³.
          </p>
          ${TARIFF.destinations.map(
            (d) =>
              html`<h1>${d.name}</h1>
                <dl>
                  ${d.steps.map(
                    ([g, cents]) =>
                      html`<dt>up to ${(g ?? 0) / 1_000} kg</dt>
                        <dd>${euros(cents ?? 0)}</dd>`,
                  )}
                </dl>`,
          )}
        `,
      ),
    );
  });
}
