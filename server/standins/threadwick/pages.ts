import { html } from 'hono/html';

import { piecesOf, POSTAGE, takeHome, type Shown } from './pieces';
import { SHEET } from './sheet';
import { cents } from './validate';
import { gallery, itemLaidOut, pagesOf, type Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = {
  ground: '#fbf3f1',
  ink: '#3a2530',
  accent: '#8a3b5c',
  face: '"Trebuchet MS", sans-serif',
  // Cloth with a seam along its edge.
  css: `body { --round: 14px; }
    header { background: #f2dfe0; color: #8a3b5c; font-size: 30px; font-weight: bold; letter-spacing: -.02em;
      border-bottom: 3px dashed #c98ba2; }
    button { border-radius: 999px; }
    .grid img { aspect-ratio: 3 / 4; }
    .said > form:first-of-type button { width: 100%; }`,
};

/** The buyers' side. */
export function servePages(frame: Frame): void {
  const { store, base, turns } = frame;
  const pages = pagesOf(LOOK, html`<header><a href="${base}/">threadwick</a></header>`, {
    heading: 'We are mending',
    words: 'Please look in later.',
  });
  const forms = serveTalks(frame, {
    pages,
    at: '/rail/notes',
    about: async (id) => {
      const s = await store.get<Shown>('piece', id);
      return (
        s && { ref: s.piece.ref, what: s.piece.name, seen: `${base}/p/${s.no}`, open: s.status === 'hanging' }
      );
    },
    offers: {
      pay: (ref, amount) =>
        turns.run(async () => {
          const s = (await piecesOf(frame, ref)).find((x) => x.status === 'hanging');
          return s !== undefined && takeHome(frame, s, amount);
        }),
    },
  });
  serveFront(frame, pages);
  servePiece(frame, pages, forms);
  serveTaking(frame, pages);
}

function serveFront({ app, store, base, switches }: Frame, pages: Pages): void {
  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const hanging = (await store.all<Shown>('piece')).filter((s) => s.status === 'hanging').reverse();
    return c.html(
      pages.show(
        'Threadwick',
        html`
          <h1>On the rail</h1>
          <div class="grid">
            ${hanging.map(
              (s) =>
                html`<a href="${base}/p/${s.no}"
                  ><img src="${base}/picture/${s.photos[0]}" alt="" /> <b>${s.piece.price} €</b> ·
                  ${s.piece.size}<br />${s.piece.name}</a
                >`,
            )}
          </div>
          ${hanging.length === 0 ? html`<p>The rail is empty just now.</p>` : ''}
        `,
      ),
    );
  });
}

function servePiece({ app, store, base, switches }: Frame, pages: Pages, forms: Forms): void {
  app.get('/p/:no', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const s = await store.get<Shown>('piece', c.req.param('no'));
    if (!s) return c.html(pages.show('Nothing here', html`<h1>Nothing here</h1>`), 404);
    const worn = SHEET.conditions.find((w) => w.code === s.piece.worn);
    return c.html(
      pages.show(
        s.piece.name,
        html`${itemLaidOut(
            gallery(base, s.photos, 'Photo'),
            html`<h1>${s.piece.name}</h1>
              <p><span class="price">${s.piece.price} €</span> and ${euros(POSTAGE)} for the post</p>
              ${
                s.status === 'hanging'
                  ? html`<form method="post" action="${base}/p/${s.no}/take">
                        <button>Buy</button>
                      </form>
                      ${forms(s.no)}`
                  : html`<p class="note">
                      ${s.status === 'sold' ? 'Somebody took it home.' : 'It was taken down.'}
                    </p>`
              }
              <dl>
                <dt>Worn</dt>
                <dd>${worn?.label}</dd>
                <dt>Size</dt>
                <dd>${s.piece.size}</dd>
                <dt>Colour</dt>
                <dd>${s.piece.colour}</dd>
                <dt>Department</dt>
                <dd>${s.piece.department}</dd>
                ${
                  s.piece.label
                    ? html`<dt>Label</dt>
                        <dd>${s.piece.label}</dd>`
                    : ''
                }${
                  s.piece.cloth
                    ? html`<dt>Cloth</dt>
                        <dd>${s.piece.cloth}</dd>`
                    : ''
                }
              </dl>`,
          )}
          <div class="words">${s.piece.story}</div>`,
      ),
    );
  });
}

function serveTaking(frame: Frame, pages: Pages): void {
  const { app, store, base, switches, turns } = frame;
  app.post('/p/:no/take', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const s = await store.get<Shown>('piece', c.req.param('no'));
      if (!s) return c.notFound();
      await takeHome(frame, s, cents(s.piece.price));
      return c.redirect(`${base}/p/${s.no}`, 303);
    }),
  );
}
