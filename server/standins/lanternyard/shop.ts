import type { Context } from 'hono';
import { html, raw } from 'hono/html';

import { basketId, basketLink, serveBaskets } from './baskets';
import { COUNTRIES } from './countries';
import { isOffered, leftOf, seenAt, type Shelved } from './goods';
import { SHEET } from './sheet';
import { gallery, itemLaidOut, pagesOf, pieceShown, type Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = {
  ground: '#faf6ec',
  ink: '#2a2018',
  accent: '#7a4b1e',
  face: 'Cambria, Georgia, serif',
  // A lamp over the door at night.
  css: `body { --round: 10px; }
    header { padding: 30px 16px; text-align: center; font-size: 28px; color: #ffe9b8;
      background: radial-gradient(circle at 50% 0, #7d6a3a 0, #1f2a3d 60%) #1f2a3d; }
    .sections { display: flex; flex-wrap: wrap; gap: 8px; }
    .sections a { color: inherit; text-decoration: none; border: 1px solid var(--line); border-radius: 999px;
      padding: 8px 16px; background: #fff; }
    .sections a:hover { border-color: currentColor; }
    a { color: var(--accent); }
    .basket { max-width: 620px; margin: 0 auto; }
    .line { grid-template-columns: 56px 1fr auto; align-items: center; margin: 0; padding: 10px 0;
      border-bottom: 1px solid var(--line); }
    .line img { width: 56px; height: 56px; object-fit: cover; border-radius: var(--round); }
    .side button { background: none; color: inherit; border: 1px solid var(--line); padding: 0 16px; }
    .sum { display: grid; grid-template-columns: 1fr auto; margin: 6px 0;
      font-variant-numeric: tabular-nums; }
    .sum.whole { font-size: 24px; }
    @media (min-width: 480px) { .pair { display: flex; align-items: end; } .pair label { flex: 1; } }`,
};

/** The buyers' side. */
export function serveShop(frame: Frame): void {
  const { store, base } = frame;
  const pages = pagesOf(LOOK, html`<header><a href="${base}/">The shop at Lanternyard</a></header>`, {
    heading: 'The lamp is out: closed for now',
  });
  const forms = serveTalks(frame, {
    pages,
    at: '/admin/questions',
    about: async (id) => {
      const s = await store.get<Shelved>('good', id);
      return (
        s && {
          ref: s.ref,
          what: s.good.title,
          seen: seenAt(base, s.ref),
          open: isOffered(s),
        }
      );
    },
  });
  serveShelves(frame, pages);
  serveGood(frame, pages, forms);
  serveBaskets(frame, pages);
}

const goodsOf = async (frame: Frame) => (await frame.store.all<Shelved>('good')).reverse();

const tile = (base: string, s: Shelved) =>
  html`<a href="${seenAt(base, s.ref)}">
    <img src="${base}/picture/${s.good.photos[0]}" alt="" />${s.good.title}<br /><b
      >${euros(s.good.cents)}</b
    ></a
  >`;

function serveShelves(frame: Frame, pages: Pages): void {
  const { app, base, switches } = frame;
  const shelf = async (c: Context, title: string, list: Shelved[]) =>
    pages.show(
      title,
      html`
        ${await basketLink(frame, c)}
        <p class="sections">
          ${SHEET.categories.map((x) => html`<a href="${base}/section/${x.id}">${x.name}</a> `)}
        </p>
        <h1>${title}</h1>
        <div class="grid">${list.map((s) => tile(base, s))}</div>
        ${list.length === 0 ? html`<p>The shelves are empty just now.</p>` : ''}
      `,
    );

  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    return c.html(await shelf(c, 'Come in', (await goodsOf(frame)).filter(isOffered)));
  });
  app.get('/section/:id', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const section = SHEET.categories.find((x) => x.id === c.req.param('id'));
    if (!section) return c.html(pages.note('There is no such section'), 404);
    return c.html(
      await shelf(
        c,
        section.name,
        (await goodsOf(frame)).filter((s) => isOffered(s) && s.good.section === section.id),
      ),
    );
  });
}

function serveGood(frame: Frame, pages: Pages, forms: Forms): void {
  const { app, store, base, switches } = frame;
  app.get('/g/:ref', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const s = await store.get<Shelved>('good', c.req.param('ref'));
    if (!s) return c.html(pages.note('Not in the shop'), 404);
    const { good } = s;
    const related = (await goodsOf(frame))
      .filter((x) => isOffered(x) && x.ref !== s.ref && x.good.section === good.section)
      .slice(0, 4);
    const condition = SHEET.conditions.find((x) => x.code === good.condition);
    const basket = await basketId(frame, c);
    return c.html(
      pages.show(
        good.search.title || good.title,
        html`${await basketLink(frame, c)}
          ${itemLaidOut(
            gallery(base, good.photos, 'Photo'),
            html`<h1>${good.title}</h1>
              <p>
                <span class="price">${euros(good.cents)}</span> and ${euros(good.postCents)} postage ·
                ${condition?.label}
              </p>
              ${
                good.abroadCents?.length
                  ? html`<p class="soft">
                      ${COUNTRIES.flatMap((x) => {
                        const there = good.abroadCents?.find((a) => a.zone === x.zone);
                        return there ? [`${x.name} ${euros(there.cents)}`] : [];
                      }).join(', ')}
                    </p>`
                  : ''
              }
              ${
                good.furtherCents === undefined
                  ? ''
                  : html`<p>Each further piece in the same parcel: ${euros(good.furtherCents)}</p>`
              }
              <p class="soft">Paid by ${(good.paidBy ?? ['card']).join(', ')}</p>
              ${
                good.sentInDays === undefined
                  ? ''
                  : html`<p>${whenSent(good.sentInDays, good.backInDays)}</p>`
              }
              ${s.left > 1 && !good.variants ? html`<p class="soft">${s.left} of it left</p>` : ''}
              ${
                isOffered(s)
                  ? html`<form method="post" action="${seenAt(base, s.ref)}/basket">
                        <input type="hidden" name="basket" value="${basket}" />${variants(base, s)}<button>
                          Put it in the basket
                        </button>
                      </form>
                      ${forms(encodeURIComponent(s.ref))}`
                  : html`<p class="note">${s.left === 0 ? 'Sold.' : 'No longer in the shop.'}</p>`
              }`,
          )}
          <div class="words">${raw(good.text)}</div>
          ${
            related.length > 0
              ? html`<h2>Beside it</h2>
                  <div class="grid">${related.map((x) => tile(base, x))}</div>`
              : ''
          } `,
      ),
    );
  });
}

/** Which of its variants, each with its picture, price and what is left. */
function variants(base: string, s: Shelved) {
  const { good } = s;
  if (!good.variants) return '';
  return html`<p>${good.variants.names.join(', ')}</p>
    ${good.variants.pieces.map(
      (p) =>
        html`<label
          ><input
            type="radio"
            name="piece"
            value="${p.code}"
            required
            ${leftOf(s, p.code) === 0 ? raw('disabled') : ''}
          />
          ${pieceShown(base, good.photos, p.shownIn)} ${p.values.join(', ')}, ${euros(p.cents)}
          (${leftOf(s, p.code) === 0 ? 'gone' : `${leftOf(s, p.code)} left`})</label
        >`,
    )}`;
}

function whenSent(days: number, back: number | undefined): string {
  return `Sent within ${days} days${back ? `; may come back within ${back} days` : ''}`;
}
