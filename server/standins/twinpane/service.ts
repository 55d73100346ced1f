import { html } from 'hono/html';
import { join } from 'node:path';

import { openShelves, read, type Shelves } from './shelves';
import { page } from '../kit/page';
import { AT_REST, euros, frame, isOut, type Opening, type Service } from '../kit/service';

const NAME = 'Twinpane';
const LOOK = { ground: '#eef1f5', ink: '#1d2733', accent: '#8a4b2d', face: 'Trebuchet MS, sans-serif' };
/** Pictures in ten seconds before "slow down". */
const PACE = 12;

const FILE = join('assets', 'twinpane.bin');

/**
 * The likeness desk: a picture in, and what was sold before that looks like it, from every marketplace's
 * past. It looks with means of its own, and says so when it never had anything like it.
 */
export function twinpane(opening: Opening): Service {
  const { app, switches } = frame({ name: NAME, opening, seller: '/desk' });
  let kept: Shelves | null = null;
  // Read when somebody asks: most days nobody does.
  const shelves = () => (kept ??= openShelves(FILE));
  let asked: number[] = [];

  app.post('/desk/alike', async (c) => {
    const now = Date.now();
    asked = asked.filter((t) => t > now - 10_000);
    if (asked.length >= PACE) return c.text('One picture at a time, please.', 429, { 'Retry-After': '3' });
    asked.push(now);
    const picture = read(new Uint8Array(await c.req.arrayBuffer()));
    if (typeof picture === 'string') return c.json({ sorry: picture }, 400);
    // Somebody lays it under the lamp.
    await new Promise((done) => setTimeout(done, 150));
    return c.json({ alike: shelves().like(picture, now) });
  });

  app.get('/panes/picture/:name', (c) => {
    const look = shelves().holdings.looks[Number(c.req.param('name'))];
    if (!look) return c.text('No picture.', 404);
    return c.body(look.picture, 200, { 'Content-Type': 'image/jpeg' });
  });

  app.get('/', (c) => (isOut(switches) ? c.text('Closed for repairs.', 503) : c.html(front(shelves()))));

  return { id: 'twinpane', name: NAME, app, ...AT_REST };
}

function front({ holdings, sold }: Shelves) {
  return page(
    NAME,
    LOOK,
    html`<header>${NAME}</header>
      <main>
        <p>
          Bring a picture, and see what was sold before that looks like it. ${String(holdings.looks.length)}
          made-up things, drawn for trying out.
        </p>
        ${holdings.looks.map(
          (look, i) =>
            html`<p>
              <img src="panes/picture/${String(i)}" alt="" width="60" height="60" />
              ${look.sold[0]?.words ?? ''} · ${euros(look.cents[0])} to ${euros(look.cents[1])} ·
              ${String(sold[i]?.length ?? 0)} sold
            </p>`,
        )}
      </main>`,
  );
}
