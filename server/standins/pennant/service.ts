import { html } from 'hono/html';

import { euros, frame, isOut, page, type Service } from '../kit/service';
import type { Store } from '../kit/store';

const NAME = 'Pennant Post';
const LOOK = { ground: '#f1f4f8', ink: '#1b2733', accent: '#234a73', face: 'Verdana, sans-serif' };

/** Up to so many grams, so many cents; by where it goes. */
const TARIFF = {
  valid: '2026-07-01',
  /** A parcel counts as heavy as the room it takes: cubic centimetres a kilogram. */
  room: 5_000,
  limits: { longestMm: 1_200, lengthAndGirthMm: 3_000 },
  destinations: [
    { id: 'inland', name: 'Inland', steps: [[250, 290], [1_000, 420], [2_000, 580], [5_000, 890], [10_000, 1_250], [31_500, 1_900]] },
    { id: 'near', name: 'Neighbouring countries', steps: [[250, 690], [1_000, 1_150], [2_000, 1_480], [5_000, 1_990], [10_000, 2_790], [31_500, 4_400]] },
    { id: 'far', name: 'Rest of the world', steps: [[250, 990], [1_000, 1_890], [2_000, 2_690], [5_000, 4_490], [20_000, 9_900]] },
  ],
}; // prettier-ignore

/** The carrier: takes parcels by weight, room and destination. */
export function pennant(options: { store: Store; token: string; base: string }): Service {
  const { app, switches } = frame({
    name: NAME,
    store: options.store,
    token: options.token,
    seller: '/post',
  });

  app.get('/post/tariff', (c) => c.json(TARIFF));

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
      page(NAME, LOOK, html`${head}<main><h1>What a parcel costs</h1>
        <p>At most ${TARIFF.limits.longestMm / 10} cm long; length and girth together at most ${TARIFF.limits.lengthAndGirthMm / 10} cm. Light, bulky parcels count a kilogram for every ${TARIFF.room} cm³.</p>
        ${TARIFF.destinations.map((d) => html`<h1>${d.name}</h1><dl>${d.steps.map(([g, cents]) => html`<dt>up to ${(g ?? 0) / 1_000} kg</dt><dd>${euros(cents ?? 0)}</dd>`)}</dl>`)}
        </main>`),
    ); // prettier-ignore
  });

  return { id: 'pennant', name: NAME, app, start: () => undefined, stop: () => undefined };
}
