import type { Context } from 'hono';
import { html } from 'hono/html';
import { randomBytes } from 'node:crypto';

import { boardFee } from './fees';
import { SHEET } from './sheet';
import { page } from '../kit/page';
import { measureJpeg } from '../kit/pictures';
import { euros, frame, isOut, picturesToday, type Service } from '../kit/service';
import type { Store } from '../kit/store';
import { Turns } from '../kit/turns';

interface Notice {
  id: string;
  /** Whoever has it may take the notice down. */
  key: string;
  heading: string;
  words: string;
  cents: number;
  postCents?: number;
  board: string;
  state: string;
  photos: string[];
  status: 'up' | 'bought' | 'down';
  at: number;
}

const LOOK = { ground: '#fffdf5', ink: '#222', accent: '#8c2f2f', face: '"Courier New", monospace' };
const chars = (text: string) => [...new Intl.Segmenter().segment(text)].length;

/** What the board's form says of a notice that can't be put up. */
export function objectionsTo(
  n: Pick<Notice, 'heading' | 'words' | 'cents' | 'board' | 'state'>,
  photos: readonly { long: number; bytes: number }[],
  most: number,
): string[] {
  const found: string[] = [];
  if (chars(n.heading.trim()) < 1 || chars(n.heading) > 70) found.push('heading: 1 to 70 characters.');
  if (chars(n.words) > 2_000) found.push('words: up to 2000 characters.');
  if ([n.heading, n.words].some((words) => /<[a-z!/][^>]*>/i.test(words)))
    found.push('words: plain words only.');
  if (!(Number.isInteger(n.cents) && n.cents >= 100 && n.cents <= 1_000_000))
    found.push('price: 1.00 to 10000.00.');
  if (!SHEET.categories.some((b) => b.id === n.board)) found.push('board: one of ours.');
  if (!SHEET.conditions.some((s) => s.code === n.state)) found.push('state: good, fair or poor.');
  if (photos.length < 1 || photos.length > most) found.push(`photos: 1 to ${most}.`);
  if (photos.some((p) => p.long < 300)) found.push('photos: at least 300 pixels.');
  if (photos.some((p) => p.bytes > 2_000_000)) found.push('photos: up to 2 MB.');
  return found;
}

/**
 * Handbill: a board with a form and no way to call it. Whoever puts up a notice gets a key to take it down.
 */
export function handbill(options: { store: Store; token: string; base: string }): Service {
  const { store, base } = options;
  // Nothing answers under a seller's path: there is none.
  const { app, switches } = frame({ name: SHEET.name, store, token: options.token, seller: '/nobody' });
  const turns = new Turns();
  const head = html`<header><a href="${base}/">HANDBILL</a></header>`;
  const note = (title: string, words: unknown) =>
    page(
      title,
      LOOK,
      html`${head}
        <main>
          <h1>${title}</h1>
          ${words}
        </main>`,
    );
  const closed = (c: Context) => c.html(note('Closed', html`<p>Come again.</p>`), 503);
  const option = (list: readonly { id?: string; code?: string; name?: string; label?: string }[]) =>
    list.map((x) => html`<option value="${x.id ?? x.code}">${x.name ?? x.label}</option>`);

  app.get('/', async (c) => {
    if (isOut(switches)) return closed(c);
    const up = (await store.all<Notice>('notice')).filter((n) => n.status === 'up').reverse();
    return c.html(
      note(
        'On the board',
        html`<p><a href="${base}/put-up">Put up a notice</a></p>
          <div class="grid">
            ${up.map((n) => html`<a href="${base}/notice/${n.id}"><img src="${base}/picture/${n.photos[0]}" alt="" />${n.heading}<br /><b>${euros(n.cents)}</b></a>`)}
          </div>`,
      ),
    );
  });

  app.get('/put-up', (c) =>
    isOut(switches)
      ? closed(c)
      : c.html(
          note(
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

  app.post('/put-up', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return closed(c);
      const form = await c.req.formData().catch(() => null);
      if (!form) return c.html(note('We could not read that', ''), 400);
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

  app.get('/notice/:id', async (c) => {
    if (isOut(switches)) return closed(c);
    const n = await store.get<Notice>('notice', c.req.param('id'));
    if (!n) return c.html(note('No such notice', ''), 404);
    const mine = c.req.query('key') === n.key;
    return c.html(
      note(
        n.heading,
        html`<div class="strip">
            ${n.photos.map((p, i) => html`<img src="${base}/picture/${p}" alt="Photo ${i + 1}" />`)}
          </div>
          <p class="price">${euros(n.cents)}</p>
          ${n.postCents ? html`<p>and ${euros(n.postCents)} postage</p>` : ''}
          <p>${SHEET.conditions.find((s) => s.code === n.state)?.label}</p>
          <div class="words">${n.words}</div>
          ${n.status === 'up' ? html`<form method="post" action="${base}/notice/${n.id}/buy"><button>I take it</button></form>` : html`<p class="note">${n.status === 'bought' ? 'Taken.' : 'Down.'}</p>`}
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
    );
  });

  const ending = (path: string, status: 'bought' | 'down', keyed: boolean) =>
    app.post(path, (c) =>
      turns.run(async () => {
        if (isOut(switches)) return closed(c);
        const n = await store.get<Notice>('notice', c.req.param('id') ?? '');
        if (!n) return c.notFound();
        if (keyed && c.req.query('key') !== n.key) return c.html(note('Not yours', ''), 403);
        if (n.status === 'up') await store.write([{ sort: 'notice', id: n.id, body: { ...n, status } }]);
        return c.redirect(`${base}/notice/${n.id}${keyed ? `?key=${n.key}` : ''}`, 303);
      }),
    );
  ending('/notice/:id/buy', 'bought', false);
  ending('/notice/:id/down', 'down', true);

  return { id: 'handbill', name: SHEET.name, app, start: () => undefined, stop: () => undefined };
}
