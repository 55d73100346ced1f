import type { HttpBindings } from '@hono/node-server';
import { Hono } from 'hono';
import { HTTPException } from 'hono/http-exception';

import {
  AtticWish,
  FaultTold,
  type DraftsAnswer,
  type SessionAnswer,
  type SheetsAnswer,
} from '@/contract/courier';
import { notWritten } from '@/wording/courier';

import { body, askingOf, tooLarge, type Api } from './asking';
import { couponRoutes, depotRoutes, ownListingRoutes } from './atMarket';
import { connectionRoutes } from './connections';
import type { EventStream } from './eventStream';
import { fulfilmentRoutes } from './fulfilment';
import { fromOwnPage, sessionCheck } from './guard';
import { ledgerRoutes } from './ledgerRoutes';
import { researchRoutes, type ResearchParts } from './research';
import { sendingRoutes } from './sending';
import type { Carrier } from '../carrier/carrier';
import type { Connections } from '../courier/connections';
import type { Courier } from '../courier/courier';
import type { Ledger } from '../courier/ledger';
import { CannotWrite } from '../courier/ledgerWriter';
import type { PictureShelf } from '../courier/pictureShelf';
import type { Log } from '../faults/log';
import { databaseCode } from '../faults/startTrouble';
import type { LikenessDesk } from '../lookup/likenessDesk';
import type { ProductLookup } from '../lookup/productLookup';

export interface ApiParts {
  courier: Courier;
  ledger: Ledger;
  shelf: PictureShelf;
  desk: ProductLookup;
  likeness: LikenessDesk;
  pictureAt: ResearchParts['pictureAt'];
  carrier: Carrier;
  connections: Connections;
  port: number;
  session: () => SessionAnswer;
  /** From now on this courier works for the attic of that name; false: it is of another sort. */
  goOnWith: (attic: string) => Promise<boolean>;
  events: EventStream;
  log: Log;
}

/** The courier's HTTP interface for the app. */
export function api(parts: ApiParts): Api {
  const { courier, ledger, shelf, carrier, connections, session, events } = parts;
  const app: Api = new Hono<{ Bindings: HttpBindings }>();
  guarded(app, parts);
  pageRoutes(app, parts);
  app.get('/drafts/:item', (c) =>
    c.json({ drafts: courier.drafts(c.req.param('item')) } satisfies DraftsAnswer),
  );
  app.get('/marketplaces', (c) => c.json(courier.markets()));
  app.get('/sheets', async (c) => c.json((await courier.ruleSheets()) satisfies SheetsAnswer));
  const ofMarket = askingOf(courier);
  researchRoutes(app, parts);
  fulfilmentRoutes(app, { courier, carrier, ofMarket });
  ownListingRoutes(app, courier, ofMarket);
  couponRoutes(app, ofMarket);
  depotRoutes(app, ofMarket);
  connectionRoutes(app, courier, connections);
  sendingRoutes(app, courier, shelf);
  ledgerRoutes(app, ledger, session);
  app.get('/events', (c) => events.answer(c));
  return app;
}

/** Who may ask, and what becomes of an error nobody expected. */
function guarded(app: Api, { port, session, log }: ApiParts): void {
  app.get('/session', (c) => {
    c.header('Cache-Control', 'no-store');
    return fromOwnPage(port, c.req.header('origin'), c.req.header('sec-fetch-site'))
      ? c.json(session())
      : c.json({ error: 'Only the app’s own pages may ask this.' }, 403);
  });

  app.use(sessionCheck(port, session().token));
  app.use(async (c, next) => {
    await next();
    c.header('Cache-Control', 'no-store');
  });

  app.onError((error, c) => {
    // What was sent is no JSON.
    if (error instanceof HTTPException)
      return c.json({ error: 'The server could not read that.' }, error.status);
    if (error instanceof CannotWrite) return c.json({ error: notWritten(error.why) }, 503);
    log.fault('answering the page', error, { path: c.req.routePath, method: c.req.method });
    const full = databaseCode(error) === 'full' || databaseCode(error) === 'unwritable';
    const words = full
      ? 'The server’s disk takes nothing more: nothing was changed. Make room on it, then try again.'
      : 'Something went wrong on the server: it is in its log. Nothing more was done; try again.';
    return c.json({ error: words }, 500);
  });
}

/** What a page tells of itself: its faults, and which attic it has open. */
function pageRoutes(app: Api, { log, session, goOnWith }: ApiParts): void {
  app.post('/faults', tooLarge(20_000, 'That is too long.'), body(FaultTold, 'That is no fault.'), (c) => {
    const { doing, message, stack } = c.req.valid('json');
    log.fault(`page: ${doing}`, Object.assign(new Error(message), { stack }));
    return c.body(null, 204);
  });

  /**
   * The attic that the page has open becomes the one this courier works for; its ledger is another than it
   * was.
   */
  const wish = body(AtticWish, 'That is no name of an attic.');
  app.post('/attic', tooLarge(1_000, 'That is too long.'), wish, async (c) => {
    if (await goOnWith(c.req.valid('json').attic)) return c.json(session());
    return c.json({ error: 'This server is not for that attic: demo and own ones are kept apart.' }, 409);
  });
}
