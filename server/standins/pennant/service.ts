import { html } from 'hono/html';

import { labelPdf, type Addressed } from './label';
import { trackingNumber } from './number';
import { page } from '../kit/page';
import { euros, frame, isOut, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { Turns } from '../kit/turns';

const NAME = 'Pennant Post';
const LOOK = { ground: '#f1f4f8', ink: '#1b2733', accent: '#234a73', face: 'Verdana, sans-serif' };

/** Up to so many grams, so many cents; by where it goes. */
const TARIFF = {
  valid: '2026-07-01',
  /** A parcel counts as heavy as the room it takes: cubic centimetres a kilogram. */
  room: 5_000,
  limits: { longestMm: 1_200, lengthAndGirthMm: 3_000 },
  destinations: [
    {
      id: 'inland',
      name: 'Inland',
      steps: [
        [250, 290],
        [1_000, 420],
        [2_000, 580],
        [5_000, 890],
        [10_000, 1_250],
        [31_500, 1_900],
      ],
    },
    {
      id: 'near',
      name: 'Neighbouring countries',
      steps: [
        [250, 690],
        [1_000, 1_150],
        [2_000, 1_480],
        [5_000, 1_990],
        [10_000, 2_790],
        [31_500, 4_400],
      ],
    },
    {
      id: 'far',
      name: 'Rest of the world',
      steps: [
        [250, 990],
        [1_000, 1_890],
        [2_000, 2_690],
        [5_000, 4_490],
        [20_000, 9_900],
      ],
    },
  ],
};

const UNDER_WAY_DAYS = 2;

interface Parcel {
  number: string;
  cents: number;
  /** The label to print, a PDF in base64. */
  label: string;
  handedAt: number | null;
}

interface LabelOrder {
  grams: number;
  sides: [number, number, number] | null;
  destination: string;
  to: Addressed;
  from: string;
}

function readOrder(body: unknown): LabelOrder | null {
  const b = (body ?? {}) as Record<string, unknown>;
  const to = (b.to ?? {}) as Record<string, unknown>;
  const lines = Array.isArray(to.lines) ? to.lines.map((l) => String(l).slice(0, 80)) : [];
  const sides = Array.isArray(b.sides) ? b.sides.map(Number) : null;
  const [l, w, h] = sides ?? [];
  if (!Number.isInteger(b.grams) || Number(b.grams) < 1 || typeof to.name !== 'string') return null;
  if (sides && !(sides.length === 3 && sides.every((s) => Number.isInteger(s) && s > 0))) return null;
  return {
    grams: Number(b.grams),
    sides: sides ? [l!, w!, h!] : null,
    destination: String(b.destination ?? ''),
    to: { name: to.name.slice(0, 80), lines: lines.slice(0, 6) },
    from: String(b.from ?? '').slice(0, 120),
  };
}

/** Cents, or why the parcel is not taken. */
function priceOf({ grams, sides, destination, to }: LabelOrder): number | string {
  if (to.name.trim() === '' || to.lines.every((l) => l.trim() === '')) return 'The address is not complete.';
  const steps = TARIFF.destinations.find((d) => d.id === destination)?.steps;
  if (!steps) return 'We do not go there.';
  const [long, mid, short] = [...(sides ?? [0, 0, 0])].sort((a, b) => b - a) as [number, number, number];
  if (long > TARIFF.limits.longestMm) return 'It is too long for us.';
  if (long + 2 * (mid + short) > TARIFF.limits.lengthAndGirthMm)
    return 'Length and girth are too much for us.';
  const counted = Math.max(grams, Math.ceil((long * mid * short) / TARIFF.room));
  return steps.find(([upTo]) => counted <= (upTo ?? 0))?.[1] ?? 'It is too heavy for us.';
}

/** The carrier: takes parcels by weight, room and destination. */
export function pennant(options: { store: Store; token: string; base: string }): Service {
  const { store } = options;
  const turns = new Turns();
  const { app, switches } = frame({
    name: NAME,
    store: options.store,
    token: options.token,
    seller: '/post',
  });

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
  const where = ({ number, handedAt }: Parcel) => {
    const arrives = handedAt === null ? null : handedAt + UNDER_WAY_DAYS * switches.dayLasts;
    const state = arrives === null ? 'announced' : arrives > Date.now() ? 'on its way' : 'delivered';
    return { number, state, at: state === 'delivered' ? arrives : handedAt };
  };

  app.get('/', (c) => {
    const head = html`<header>${NAME}</header>`;
    if (isOut(switches))
      return c.html(
        page(
          'Closed',
          LOOK,
          html`${head}
            <main><h1>The counter is closed</h1></main>`,
        ),
        503,
      );
    return c.html(
      page(
        NAME,
        LOOK,
        html`${head}
          <main>
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
          </main>`,
      ),
    );
  });

  return { id: 'pennant', name: NAME, app, start: () => undefined, stop: () => undefined };
}
