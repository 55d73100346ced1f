import { html } from 'hono/html';
import type { HtmlEscapedString } from 'hono/utils/html';
import { randomBytes } from 'node:crypto';

import { boardFee } from './fees';
import { objectionsTo, type Notice } from './notices';
import { SHEET } from './sheet';
import { gallery, itemLaidOut, pagesOf, type Pages } from '../kit/page';
import { measureJpeg } from '../kit/pictures';
import { euros, isOut, picturesToday, type Frame } from '../kit/service';

const LOOK = {
  ground: '#fffdf5',
  ink: '#222',
  accent: '#8c2f2f',
  face: '"Courier New", monospace',
  // Printed in two colours, and pasted up.
  css: `body { --round: 0; }
    header { text-align: center; font-size: 38px; font-weight: bold; letter-spacing: .12em;
      border-bottom: 6px double #fff; }
    .grid a, .said { border: 2px solid #222; padding: 12px; background: #fff; }
    .price { font-weight: bold; }
    h1 { text-transform: uppercase; }`,
};

/** All there is: pages with forms. */
export function servePages(frame: Frame): void {
  const pages = pagesOf(LOOK, html`<header><a href="${frame.base}/">HANDBILL</a></header>`, {
    heading: 'Closed',
    words: 'Come again.',
  });
  serveFront(frame, pages);
  serveForm(frame, pages);
  servePuttingUp(frame, pages);
  serveNotice(frame, pages);
  serveEnding(frame, pages);
}

const note = (pages: Pages, title: string, words: HtmlEscapedString | Promise<HtmlEscapedString>) =>
  pages.show(
    title,
    html`<h1>${title}</h1>
      ${words}`,
  );

const option = (list: readonly { id?: string; code?: string; name?: string; label?: string }[]) =>
  list.map((x) => html`<option value="${x.id ?? x.code}">${x.name ?? x.label}</option>`);

function serveFront({ app, store, base, switches }: Frame, pages: Pages): void {
  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const up = (await store.all<Notice>('notice')).filter((n) => n.status === 'up').reverse();
    return c.html(
      note(
        pages,
        'On the board',
        html`<p><a href="${base}/put-up">Put up a notice</a></p>
          <div class="grid">
            ${up.map(
              (n) =>
                html`<a href="${base}/notice/${n.id}"
                  ><img src="${base}/picture/${n.photos[0]}" alt="" />${n.heading}<br /><b
                    >${euros(n.cents)}</b
                  ></a
                >`,
            )}
          </div>`,
      ),
    );
  });
}

function serveForm({ app, switches }: Frame, pages: Pages): void {
  app.get('/put-up', (c) =>
    isOut(switches)
      ? pages.closed(c)
      : c.html(
          note(
            pages,
            'Put up a notice',
            html`<form method="post" enctype="multipart/form-data">
              <label>Heading <input name="heading" size="60" /></label>
              <label>Words <textarea name="words" rows="10" cols="60"></textarea></label>
              <label>Price in euros <input name="price" /></label>
              <label>Postage in euros <input name="post" /></label>
              <label
                >Board
                <select name="board">
                  ${option(SHEET.categories)}
                </select></label
              >
              <label
                >State
                <select name="state">
                  ${option(SHEET.conditions)}
                </select></label
              >
              <label
                >Photos, the first in front <input type="file" name="photos" multiple accept="image/jpeg"
              /></label>
              <p>
                Up to ${picturesToday(6, switches)} photos. When it sells the board keeps 8 %, at least 0.50
                and at most 40.00.
              </p>
              <button>Put it up</button>
            </form>`,
          ),
        ),
  );
}

function servePuttingUp({ app, store, base, switches, turns }: Frame, pages: Pages): void {
  app.post('/put-up', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const form = await c.req.formData().catch(() => null);
      if (!form) return c.html(note(pages, 'We could not read that', html``), 400);
      const words = (name: string) => String(form.get(name) ?? '').slice(0, 20_000);
      const files = form.getAll('photos').filter((f): f is File => f instanceof File && f.size > 0);
      const photos = await Promise.all(
        files.slice(0, 30).map(async (f) => {
          const bytes = new Uint8Array(await f.arrayBuffer());
          const size = measureJpeg(bytes);
          return { bytes, long: size ? Math.max(size.width, size.height) : 0 };
        }),
      );
      const n: Notice = {
        id: randomBytes(5).toString('hex'),
        key: randomBytes(8).toString('hex'),
        heading: words('heading'),
        words: words('words').replace(/\r\n/g, '\n'),
        cents: Math.round(Number(words('price').replace(',', '.')) * 100),
        postCents: Math.round(Number(words('post').replace(',', '.')) * 100) || 0,
        board: words('board'),
        state: words('state'),
        photos: [],
        status: 'up',
        at: Date.now(),
      };
      const against = objectionsTo(
        n,
        photos.map((p) => ({ long: p.long, bytes: p.bytes.length })),
        picturesToday(6, switches),
      );
      if (against.length > 0)
        return c.html(
          note(
            pages,
            'Not like this',
            html`<ul>
              ${against.map((a) => html`<li>${a}</li>`)}
            </ul>`,
          ),
          422,
        );
      for (const [i, p] of photos.entries()) {
        await store.putPicture(`${n.id}-${i}`, p.bytes);
        n.photos.push(`${n.id}-${i}`);
      }
      await store.write([{ sort: 'notice', id: n.id, body: n }]);
      return c.redirect(`${base}/notice/${n.id}?key=${n.key}`, 303);
    }),
  );
}

function serveNotice({ app, store, base, switches }: Frame, pages: Pages): void {
  app.get('/notice/:id', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const n = await store.get<Notice>('notice', c.req.param('id'));
    if (!n) return c.html(note(pages, 'No such notice', html``), 404);
    const mine = c.req.query('key') === n.key;
    return c.html(
      note(
        pages,
        n.heading,
        itemLaidOut(
          gallery(base, n.photos, 'Photo'),
          html`<p class="price">${euros(n.cents)}</p>
            ${n.postCents ? html`<p>and ${euros(n.postCents)} postage</p>` : ''}
            <p>${SHEET.conditions.find((s) => s.code === n.state)?.label}</p>
            <div class="words">${n.words}</div>
            ${
              n.status === 'up'
                ? html`<form method="post" action="${base}/notice/${n.id}/buy">
                    <button>Buy</button>
                  </form>`
                : html`<p class="note">${n.status === 'bought' ? 'Taken.' : 'Down.'}</p>`
            }
            ${
              mine
                ? html`<p class="note">
                      Yours.
                      ${n.status === 'bought' ? `Taken: the board keeps ${euros(boardFee(n.cents))}.` : ''}
                    </p>
                    <form method="post" action="${base}/notice/${n.id}/down?key=${n.key}">
                      <button>Take it down</button>
                    </form>`
                : ''
            }`,
        ),
      ),
    );
  });
}

function serveEnding({ app, store, base, switches, turns }: Frame, pages: Pages): void {
  const ending = (path: string, status: 'bought' | 'down', keyed: boolean) =>
    app.post(path, (c) =>
      turns.run(async () => {
        if (isOut(switches)) return pages.closed(c);
        const n = await store.get<Notice>('notice', c.req.param('id') ?? '');
        if (!n) return c.notFound();
        if (keyed && c.req.query('key') !== n.key) return c.html(note(pages, 'Not yours', html``), 403);
        if (n.status === 'up') await store.write([{ sort: 'notice', id: n.id, body: { ...n, status } }]);
        return c.redirect(`${base}/notice/${n.id}${keyed ? `?key=${n.key}` : ''}`, 303);
      }),
    );
  ending('/notice/:id/buy', 'bought', false);
  ending('/notice/:id/down', 'down', true);
}
