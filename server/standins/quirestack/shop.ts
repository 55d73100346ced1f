import { html } from 'hono/html';
import { randomInt } from 'node:crypto';

import { POSTAGE, seenAt, type Kept, type Offer } from './documents';
import { withheld } from './fees';
import { copiesOf, titleOf } from './records';
import { SHEET } from './sheet';
import { paidOrder } from '../kit/orders';
import { pagesOf, type Pages } from '../kit/page';
import { euros, isOut, type Frame } from '../kit/service';
import { serveTalks, type Forms } from '../kit/talks';

const LOOK = { ground: '#eef0f4', ink: '#1d2330', accent: '#39456b', face: '"Segoe UI", Tahoma, sans-serif' };

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
          ${all.map(
            (o) =>
              html`<p>
                <a href="${seenAt(base, o.ref)}">${titleOf(o.line.barcode)?.name}</a>,
                ${titleOf(o.line.barcode)?.by}: ${label(o.line.condition)},
                <b>${euros(Number(o.line.cents))}</b>
              </p>`,
          )}
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
        html`
          <h1>${title.name}</h1>
          <p>${title.by} · ${title.barcode}</p>
          ${
            o.pictures.length > 0
              ? html`<div class="strip">
                  ${o.pictures.map((p) => html`<img src="${base}/picture/${p}" alt="The copy itself" />`)}
                </div>`
              : ''
          }
          <p>
            <span class="price">${euros(Number(o.line.cents))}</span>
            ${o.line.keptAt ? 'posted by us, nothing on top' : `and ${euros(POSTAGE)} postage`}
          </p>
          <p>${label(o.line.condition)}</p>
          <div class="words">${o.line.note}</div>
          ${
            o.status === 'offered'
              ? html`<form method="post" action="${seenAt(base, o.ref)}/order">
                    <button>Order this copy</button>
                  </form>
                  ${forms(encodeURIComponent(o.ref))}`
              : html`<p class="note">
                  ${o.status === 'sold' ? 'This copy is sold.' : 'This copy is no longer on the rack.'}
                </p>`
          }
          <h1>Other copies</h1>
          ${others.map(
            (x) =>
              html`<p>
                ${x.seller} (${x.rating} %): ${label(x.condition)}, ${euros(x.cents)}, leaves in ${x.leavesIn}
                days
              </p>`,
          )}
        `,
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
        const kept = ours ? await store.get<Kept>('depot', o.line.keptAt) : null;
        await store.write(
          [
            { sort: 'offer', id: o.ref, body: { ...o, status: 'sold', order } satisfies Offer },
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
