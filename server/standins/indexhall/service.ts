import { html } from 'hono/html';

import { catalogue, filedUnder, placeOn } from './catalogue';
import { coverOf } from './cover';
import { page } from '../kit/page';
import { AT_REST, euros, frame, isOut, type Opening, type Service } from '../kit/service';

const NAME = 'Index Hall';
const LOOK = { ground: '#f2f4ee', ink: '#24301f', accent: '#4a6233', face: 'Georgia, serif' };
/** Calls in ten seconds before "slow down". */
const PACE = 60;

/**
 * The product look-up: a barcode in, a card of its catalogue out; nothing for most of the world's barcodes.
 */
export function indexhall(opening: Opening): Service {
  const { app, switches } = frame({ name: NAME, opening, seller: '/desk' });
  const cards = catalogue();
  const drawer = new Map(cards.map((card) => [filedUnder(card.code), card]));
  let calls: number[] = [];

  app.use('/desk/*', async (c, next) => {
    const now = Date.now();
    calls = calls.filter((t) => t > now - 10_000);
    if (calls.length >= PACE) return c.text('One at a time, please.', 429, { 'Retry-After': '2' });
    calls.push(now);
    // Somebody has to walk to the drawer.
    await new Promise((done) => setTimeout(done, 60 + Number(c.req.path.slice(-2, -1) || 0) * 12));
    return next();
  });

  app.get('/desk/cards/:code', (c) => {
    const code = c.req.param('code');
    if (!/^\d{7,13}[\dX]$/u.test(code)) return c.json({ sorry: 'That is no number of ours.' }, 400);
    const card = drawer.get(filedUnder(code));
    if (!card) return c.json({ sorry: 'No card under that number.' }, 404);
    const { usualPlace: _, of, ...told } = card;
    const cover = hasCover(card.code) ? card.code : null;
    return c.json({
      ...told,
      cover,
      standing: { place: placeOn(card, Date.now()), among: card.under[0], of },
    });
  });

  // Some cards never got a picture.
  const hasCover = (code: string) => !code.slice(-4, -1).startsWith('07');
  app.get('/covers/picture/:code', (c) => {
    const card = drawer.get(filedUnder(c.req.param('code')));
    if (!card || !hasCover(card.code)) return c.text('No picture.', 404);
    return c.body(coverOf(card), 200, { 'Content-Type': 'image/png' });
  });

  app.get('/', (c) =>
    isOut(switches)
      ? c.text('Closed for repairs.', 503)
      : c.html(
          page(
            NAME,
            LOOK,
            html`<header>${NAME}</header>
              <main>
                <p>
                  A made-up catalogue of made-up items. Every number is from a range that no real article has.
                </p>
                ${cards.map(
                  (card) =>
                    html`<p>
                      <b>${card.code}</b> ${card.heading} · ${card.house} · ${card.under.join(', ')}
                      ${card.newAt ? `· ${euros(card.newAt.cents)} new` : ''}
                    </p>`,
                )}
              </main>`,
          ),
        ),
  );

  return { id: 'indexhall', name: NAME, app, ...AT_REST };
}
