import type { HttpBindings } from '@hono/node-server';
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { stream } from 'hono/streaming';

import {
  Coupon,
  DepotBack,
  DepotContents,
  type CouponsAnswer,
  type ParcelAnnounced,
  type ParcelsAnswer,
} from '@/contract/atMarket';
import type { LookUpAnswer } from '@/contract/catalogue';
import { RecordId, Sha256 } from '@/contract/common';
import type { CompetingAnswer, CompsAnswer, SearchDemandAnswer } from '@/contract/comps';
import {
  AtticWish,
  Command,
  CommandBy,
  ConnectionWish,
  FaultTold,
  type ConnectionTested,
  type DraftsAnswer,
  type LedgerAnswer,
  type SessionAnswer,
  type SheetsAnswer,
} from '@/contract/courier';
import type { CompareAnswer, OwnAnswer } from '@/contract/ownListing';
import { pictureGate } from '@/core/picture/gate';
import { letInTrouble, notWritten, reasonsWords, troubleWords } from '@/wording/courier';
import { pictureTroubleWords } from '@/wording/pictures';

import type { EventStream } from './eventStream';
import { fulfilmentRoutes, type OfMarket } from './fulfilment';
import { fromOwnPage, sessionCheck } from './guard';
import { jsonBody } from './jsonBody';
import { readable, TABLE_HEAD, tableRows } from './ledgerLines';
import type { Carrier } from '../carrier/carrier';
import { CallFailed, Refused, type Adapter } from '../courier/adapter';
import { NotLetIn, type Connections } from '../courier/connections';
import { CannotWrite, type Courier } from '../courier/courier';
import type { Ledger } from '../courier/ledger';
import type { PictureShelf } from '../courier/pictureShelf';
import type { Log } from '../faults/log';
import { databaseCode } from '../faults/startTrouble';
import type { ProductLookup } from '../lookup/productLookup';

/** The largest picture a marketplace could ask for, with room. */
const PICTURE_LIMIT = 8_000_000;
/** A clip as large as a marketplace could take, with room; under what the server takes at all. */
const CLIP_LIMIT = 31_000_000;
const COMMAND_LIMIT = 200_000;
/** Marketplaces asked in one go. */
const MOST_ASKED = 20;

export interface ApiParts {
  courier: Courier;
  ledger: Ledger;
  shelf: PictureShelf;
  desk: ProductLookup;
  carrier: Carrier;
  connections: Connections;
  port: number;
  session: () => SessionAnswer;
  /** From now on this courier works for the attic of that name. */
  goOnWith: (attic: string) => Promise<void>;
  events: EventStream;
  log: Log;
}

/** The courier's HTTP interface for the app. */
export function api(parts: ApiParts): Hono<{ Bindings: HttpBindings }> {
  const { courier, ledger, shelf, desk, carrier, connections, port, session, events, log } = parts;
  const app = new Hono<{ Bindings: HttpBindings }>();

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
    if (error instanceof CannotWrite) return c.json({ error: notWritten(error.why) }, 503);
    log.fault('answering the page', error, { path: c.req.routePath, method: c.req.method });
    const full = databaseCode(error) === 'full' || databaseCode(error) === 'unwritable';
    const words = full
      ? 'The server’s disk takes nothing more: nothing was changed. Make room on it, then try again.'
      : 'Something went wrong on the server: it is in its log. Nothing more was done; try again.';
    return c.json({ error: words }, 500);
  });

  app.post('/faults', tooLarge(20_000, 'That is too long.'), async (c) => {
    const told = FaultTold.safeParse(await jsonBody(c));
    if (!told.success) return c.json({ error: 'That is no fault.' }, 400);
    const { doing, message, stack } = told.data;
    log.fault(`page: ${doing}`, Object.assign(new Error(message), { stack }));
    return c.body(null, 204);
  });

  /**
   * The attic that the page has open becomes the one this courier works for; its ledger is another than it
   * was.
   */
  app.post('/attic', tooLarge(1_000, 'That is too long.'), async (c) => {
    const wish = AtticWish.safeParse(await jsonBody(c));
    if (!wish.success) return c.json({ error: 'That is no name of an attic.' }, 400);
    await parts.goOnWith(wish.data.attic);
    return c.json(session());
  });

  app.get('/drafts/:item', (c) =>
    c.json({ drafts: courier.drafts(c.req.param('item')) } satisfies DraftsAnswer),
  );
  app.get('/marketplaces', (c) => c.json(courier.markets()));
  app.get('/sheets', async (c) => c.json((await courier.ruleSheets()) satisfies SheetsAnswer));

  /**
   * Asks each marketplace of `?at=market:category` on its own; one that fails does not keep the others from
   * answering.
   */
  const askAll = async <T>(
    at: readonly string[],
    ask: (adapter: Adapter, category: string) => Promise<T>,
  ) => {
    const missing: CompsAnswer['missing'] = [];
    const answers = await Promise.all(
      at.slice(0, MOST_ASKED).map(async (one) => {
        const [market = '', category = ''] = one.split(/:(.*)/su);
        const adapter = courier.adapter(market);
        if (!adapter) return [];
        try {
          return [{ market, answer: await ask(adapter, category.slice(0, 80)) }];
        } catch (error) {
          if (!(error instanceof CallFailed)) throw error;
          missing.push({ market, why: error.trouble });
          return [];
        }
      }),
    );
    return { answers: answers.flat(), missing };
  };

  app.get('/comps', async (c) => {
    const words = (c.req.query('words') ?? '').slice(0, 200);
    const { answers, missing } = await askAll(c.req.queries('at') ?? [], (a, category) =>
      a.history(category, words),
    );
    return c.json({ comps: answers.flatMap((a) => a.answer), missing } satisfies CompsAnswer);
  });

  app.get('/search-demand', async (c) => {
    const { answers, missing } = await askAll(c.req.queries('at') ?? [], (a, category) =>
      a.searchDemand(category),
    );
    return c.json({
      markets: answers.map(({ market, answer }) => ({ market, words: answer.slice(0, 500) })),
      missing,
    } satisfies SearchDemandAnswer);
  });

  app.get('/competing', async (c) => {
    const adapter = courier.adapter(c.req.query('market') ?? '');
    const barcode = c.req.query('barcode') ?? '';
    if (!adapter?.competing || !/^\d{7,13}[\dX]$/u.test(barcode))
      return c.json({ error: 'Nobody lists against such a number there.' }, 400);
    try {
      return c.json({ offers: await adapter.competing(barcode) } satisfies CompetingAnswer);
    } catch (error) {
      if (!(error instanceof CallFailed)) throw error;
      return c.json({ error: `${adapter.name}: ${troubleWords(error.trouble)}` }, 502);
    }
  });

  /** What is asked of one marketplace; its trouble becomes an answer with words. */
  const ofMarket: OfMarket = async (c, ask) => {
    const adapter = courier.adapter(c.req.param('market') ?? '');
    if (!adapter) return c.json({ error: 'There is no such marketplace.' }, 404);
    try {
      return await ask(adapter);
    } catch (error) {
      if (error instanceof Refused)
        return c.json({ error: `${adapter.name}: ${reasonsWords(error.reasons)}` }, 422);
      if (error instanceof CallFailed)
        return c.json({ error: `${adapter.name}: ${troubleWords(error.trouble)}` }, 502);
      throw error;
    }
  };
  fulfilmentRoutes(app, { courier, carrier, ofMarket });
  const cannot = (c: Context) => c.json({ error: 'That can’t be done there.' }, 400);

  app.get('/own/:market', (c) =>
    ofMarket(c, async (adapter) => {
      if (!adapter.listOwnListings) return cannot(c);
      const listings = (await adapter.listOwnListings()).map((l) => ({
        ...l,
        item: courier.itemBehind(l.ref),
      }));
      return c.json({ listings } satisfies OwnAnswer);
    }),
  );
  app.post('/own/:market/compare', (c) =>
    ofMarket(c, async (adapter) => {
      const strays = await courier.compare(adapter.id);
      return strays === null
        ? c.json({ error: `${adapter.name} can’t be asked just now.` }, 502)
        : c.json({ strays } satisfies CompareAnswer);
    }),
  );
  app.get('/own/:market/pictures/:name', (c) =>
    ofMarket(c, async (adapter) => {
      if (!adapter.picture) return cannot(c);
      const bytes = await adapter.picture(c.req.param('name'));
      const gate = pictureGate(bytes);
      if (!gate.ok) return c.json({ error: `${adapter.name}: ${pictureTroubleWords(gate.why)}` }, 422);
      // Whatever was sent, it leaves here as a picture to be drawn anew, never as a page.
      return c.body(bytes, 200, { 'Content-Type': 'image/jpeg' });
    }),
  );

  app.get('/coupons/:market', (c) =>
    ofMarket(c, async ({ coupons }) =>
      coupons ? c.json({ coupons: await coupons.all() } satisfies CouponsAnswer) : cannot(c),
    ),
  );
  app.put('/coupons/:market', tooLarge(1_000, 'That is too long.'), (c) =>
    ofMarket(c, async ({ coupons }) => {
      const coupon = Coupon.safeParse(await jsonBody(c));
      if (!coupons || !coupon.success) return cannot(c);
      await coupons.put(coupon.data);
      return c.body(null, 204);
    }),
  );
  app.delete('/coupons/:market/:code', (c) =>
    ofMarket(c, async ({ coupons }) => {
      const code = Coupon.shape.code.safeParse(c.req.param('code'));
      if (!coupons || !code.success) return cannot(c);
      await coupons.end(code.data);
      return c.body(null, 204);
    }),
  );

  app.get('/depot/:market', (c) =>
    ofMarket(c, async ({ depot }) =>
      depot
        ? c.json({ parcels: await depot.parcels(), stock: await depot.stock() } satisfies ParcelsAnswer)
        : cannot(c),
    ),
  );
  app.post('/depot/:market', tooLarge(50_000, 'That is too much for one parcel.'), (c) =>
    ofMarket(c, async ({ depot }) => {
      const contents = DepotContents.safeParse(await jsonBody(c));
      if (!depot || !contents.success) return cannot(c);
      return c.json({ parcel: await depot.announce(contents.data) } satisfies ParcelAnnounced);
    }),
  );
  app.post('/depot/:market/back', tooLarge(20_000, 'That is too much at a time.'), (c) =>
    ofMarket(c, async ({ depot }) => {
      const wanted = DepotBack.safeParse(await jsonBody(c));
      if (!depot || !wanted.success) return cannot(c);
      await depot.sendBack(wanted.data.nos);
      return c.json({ ok: true });
    }),
  );

  const LINKS = { resume: 'connected', pause: 'paused', disconnect: 'off' } as const;
  app.post('/connections/:market', tooLarge(1_000, 'That is too long.'), async (c) => {
    const market = c.req.param('market');
    const wish = ConnectionWish.safeParse(await jsonBody(c));
    const adapter = courier.adapter(market);
    if (!adapter || !wish.success) return c.json({ error: 'The courier could not read that.' }, 400);
    const { data } = wish;
    try {
      if (data.type === 'test') {
        const from = Date.now();
        await adapter.ruleSheet();
        return c.json({ milliseconds: Date.now() - from } satisfies ConnectionTested);
      }
      if (data.type === 'connect') await connections.letIn(market, data.code);
      await courier.take({
        type: 'connection',
        market,
        link: data.type === 'connect' ? 'connected' : LINKS[data.type],
      });
      return c.json({ milliseconds: null } satisfies ConnectionTested);
    } catch (error) {
      if (error instanceof CallFailed)
        return c.json({ error: `${adapter.name}: ${troubleWords(error.trouble)}` }, 502);
      if (error instanceof NotLetIn)
        return c.json({ error: `${adapter.name}: ${letInTrouble(error.why)}` }, 502);
      throw error;
    }
  });

  app.get('/lookup/:barcode', async (c) => {
    const barcode = c.req.param('barcode');
    if (!/^\d{7,13}[\dX]$/u.test(barcode)) return c.json({ error: 'That is no barcode.' }, 400);
    try {
      return c.json((await desk.ask(barcode)) satisfies LookUpAnswer);
    } catch (error) {
      if (!(error instanceof CallFailed)) throw error;
      return c.json(
        { error: `The product look-up: ${troubleWords(error.trouble)}` },
        error.retryAfter !== null ? 429 : 502,
      );
    }
  });

  app.get('/pictures/:hash', async (c) => {
    const hash = Sha256.safeParse(c.req.param('hash'));
    return hash.success && (await shelf.has(hash.data))
      ? c.body(null, 204)
      : c.json({ error: 'Not here.' }, 404);
  });
  app.put('/pictures/:hash', tooLarge(PICTURE_LIMIT, 'The picture is over 8 MB.'), async (c) => {
    const hash = Sha256.safeParse(c.req.param('hash'));
    if (!hash.success) return c.json({ error: 'A picture goes by its SHA-256.' }, 400);
    const kept = await shelf.put(hash.data, new Uint8Array(await c.req.arrayBuffer()));
    return kept === 'kept' ? c.body(null, 204) : c.json({ error: `The file is ${kept}.` }, 422);
  });

  app.put('/clips/:hash', tooLarge(CLIP_LIMIT, 'The clip is over 31 MB.'), async (c) => {
    const hash = Sha256.safeParse(c.req.param('hash'));
    if (!hash.success) return c.json({ error: 'A clip goes by its SHA-256.' }, 400);
    const kept = await shelf.put(hash.data, new Uint8Array(await c.req.arrayBuffer()), 'clip');
    return kept === 'kept' ? c.body(null, 204) : c.json({ error: `The file is ${kept}.` }, 422);
  });

  app.post('/commands', tooLarge(COMMAND_LIMIT, 'The command is too long.'), async (c) => {
    const told = await jsonBody(c);
    const command = Command.safeParse(told);
    const by = CommandBy.safeParse(told);
    if (!command.success) return c.json({ error: 'The courier could not read that command.' }, 400);
    if (command.data.type === 'send')
      for (const hash of [...command.data.draft.pictures, command.data.draft.clip?.hash ?? []].flat())
        if (!(await shelf.has(hash))) return c.json({ error: 'A picture has not arrived yet.' }, 409);
    return c.json(await courier.command(command.data, by.success ? by.data.by : undefined));
  });

  app.get('/ledger', async (c) => {
    const before = Number(c.req.query('before') ?? Number.MAX_SAFE_INTEGER);
    const item = RecordId.safeParse(c.req.query('item'));
    const { lines, more } = await ledger.newest(
      Number.isInteger(before) ? before : Number.MAX_SAFE_INTEGER,
      100,
      item.success ? item.data : null,
    );
    const { currency } = session();
    return c.json({
      lines: lines.flatMap((line) => readable(line, currency)),
      more,
    } satisfies LedgerAnswer);
  });

  /** The whole ledger as a table: every line, who and what, when, and the answer. */
  app.get('/ledger/file', (c) => {
    c.header('Content-Type', 'text/csv; charset=utf-8');
    const { currency } = session();
    return stream(c, async (out) => {
      await out.write(TABLE_HEAD);
      for await (const line of ledger.read())
        for (const row of tableRows(line, currency)) await out.write(row);
    });
  });

  app.get('/events', (c) => events.answer(c));

  return app;
}

function tooLarge(maxSize: number, error: string) {
  return bodyLimit({ maxSize, onError: (c) => c.json({ error }, 413) });
}
