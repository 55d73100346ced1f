import { html } from 'hono/html';
import { randomInt } from 'node:crypto';

import { copiesLeft, POSTAGE, seenAt, soldOf, type Kept, type Offer } from './documents';
import { withheld } from './fees';
import { copiesOf, titleOf } from './records';
import { SHEET } from './sheet';
import { paidOrder } from '../kit/orders';
import { gallery, itemLaidOut, pagesOf, type Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = {
  ground: '#eef0f4',
  ink: '#1d2330',
  accent: '#39456b',
  face: '"Segoe UI", Tahoma, sans-serif',
  // Bars of a code along the head, and rows as on a rack.
  css: `header { font-weight: 700; letter-spacing: .2em; padding-bottom: 24px;
      background: repeating-linear-gradient(90deg, #fff 0 2px, transparent 2px 5px, #fff 5px 6px,
        transparent 6px 11px) bottom / 100% 10px no-repeat var(--accent); }
    .rack { list-style: none; margin: 0; padding: 0; background: #fff; border: 1px solid var(--line); }
    .rack li { display: flex; gap: 16px; justify-content: space-between; padding: 10px 14px;
      border-top: 1px solid var(--line); }
    .rack li:first-child { border-top: 0; }
    .rack b { white-space: nowrap; font-variant-numeric: tabular-nums; }`,
};

/** The buyers' side. */
export function serveShop(frame: Frame): void {
  const { store, base } = frame;
  const pages = pagesOf(LOOK, html`<header><a href="${base}/">QUIRESTACK</a></header>`, {
    heading: 'Stocktaking: closed for now',
  });
  const forms = serveTalks(frame, {
    pages,
    at: '/feed/questions',
    about: async (id) => {
      const o = await store.get<Offer>('offer', id);
      return (
        o && {
          ref: o.ref,
          what: titleOf(o.line.barcode)?.name ?? '',
          seen: seenAt(base, o.ref),
          open: o.status === 'offered',
        }
      );
    },
  });
  serveRacks(frame, pages);
  serveCopy(frame, pages, forms);
  serveOrdering(frame, pages);
}

const label = (code: string) => SHEET.conditions.find((x) => x.code === code)?.label ?? code;

function serveRacks({ app, store, base, switches }: Frame, pages: Pages): void {
  app.get('/', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const all = (await store.all<Offer>('offer')).filter((o) => o.status === 'offered').reverse();
    return c.html(
      pages.show(
        'Quirestack',
        html`
          <h1>Lately put on the racks</h1>
          <ul class="rack">
            ${all.map(
              (o) =>
                html`<li>
                  <span>
                    <a href="${seenAt(base, o.ref)}">${titleOf(o.line.barcode)?.name}</a>,
                    ${titleOf(o.line.barcode)?.by}: ${label(o.line.condition)}</span
                  >
                  <b>${euros(Number(o.line.cents))}</b>
                </li>`,
            )}
          </ul>
          ${all.length === 0 ? html`<p>Nothing new just now.</p>` : ''}
        `,
      ),
    );
  });
}

function serveCopy({ app, store, base, switches }: Frame, pages: Pages, forms: Forms): void {
  app.get('/copy/:ref', async (c) => {
    if (isOut(switches)) return pages.closed(c);
    const o = await store.get<Offer>('offer', c.req.param('ref'));
    const title = o && titleOf(o.line.barcode);
    if (!o || !title) return c.html(pages.note('No such copy'), 404);
    const others = copiesOf(title, Date.now());
    return c.html(
      pages.show(
        title.name,
        html`${itemLaidOut(
            o.pictures.length > 0 ? gallery(base, o.pictures, 'The copy itself,') : '',
            html`<h1>${title.name}</h1>
              <p class="soft">${title.by} · ${title.barcode}</p>
              <p>
                <span class="price">${euros(Number(o.line.cents))}</span>
                ${o.line.keptAt ? 'posted by us, nothing on top' : `and ${euros(POSTAGE)} postage`}
              </p>
              <p>${label(o.line.condition)}</p>
              ${copiesLeft(o) > 1 ? html`<p class="soft">${copiesLeft(o)} copies left</p>` : ''}
              <div class="words">${o.line.note}</div>
              ${
                o.status === 'offered'
                  ? html`<form method="post" action="${seenAt(base, o.ref)}/order">
                        <button>Buy</button>
                      </form>
                      ${forms(encodeURIComponent(o.ref))}`
                  : html`<p class="note">
                      ${o.status === 'sold' ? 'This copy is sold.' : 'This copy is no longer on the rack.'}
                    </p>`
              }`,
          )}
          <h2>Other copies</h2>
          <ul class="rack">
            ${others.map(
              (x) =>
                html`<li>
                  <span
                    >${x.seller} (${x.rating} %): ${label(x.condition)}, leaves in ${x.leavesIn} days</span
                  >
                  <b>${euros(x.cents)}</b>
                </li>`,
            )}
          </ul>`,
      ),
    );
  });
}

function serveOrdering({ app, store, base, switches, turns }: Frame, pages: Pages): void {
  app.post('/copy/:ref/order', (c) =>
    turns.run(async () => {
      if (isOut(switches)) return pages.closed(c);
      const o = await store.get<Offer>('offer', c.req.param('ref'));
      if (!o) return c.notFound();
      if (o.status === 'offered') {
        const cents = Number(o.line.cents);
        const rack = titleOf(o.line.barcode)?.rack ?? 'pages';
        const ours = o.line.keptAt !== '';
        const order = {
          order: `QS${randomInt(1e8, 9e8)}`,
          cents,
          withheld: withheld(rack, cents, ours),
          at: Date.now(),
        };
        const after: Offer = {
          ...o,
          status: copiesLeft(o) > 1 ? 'offered' : 'sold',
          sold: soldOf(o) + 1,
          order,
        };
        const kept = ours ? await store.get<Kept>('depot', o.line.keptAt) : null;
        await store.write(
          [
            { sort: 'offer', id: o.ref, body: after },
            paidOrder({
              no: order.order,
              ref: o.ref,
              what: titleOf(o.line.barcode)?.name ?? '',
              cents,
              postCents: ours ? 0 : POSTAGE,
              feeCents: order.withheld,
              at: order.at,
            }),
            ...(kept ? [{ sort: 'depot', id: kept.depotNo, body: { ...kept, postedAt: Date.now() } }] : []),
          ],
          [{ kind: 'sold', ref: o.ref, postCents: ours ? 0 : POSTAGE, ...order }],
        );
      }
      return c.redirect(seenAt(base, o.ref), 303);
    }),
  );
}
