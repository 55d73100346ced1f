import { serve, type HttpBindings } from '@hono/node-server';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { randomBytes } from 'node:crypto';
import type { Server } from 'node:http';
import { join } from 'node:path';

import { carrier } from './carrier/carrier';
import type { Adapter } from './courier/adapter';
import { brackenmoorAdapter } from './courier/adapters/brackenmoor';
import { handbillAdapter } from './courier/adapters/handbill';
import { lanternyardAdapter } from './courier/adapters/lanternyard';
import { nearstileAdapter } from './courier/adapters/nearstile';
import { oldhollowAdapter } from './courier/adapters/oldhollow';
import { quirestackAdapter } from './courier/adapters/quirestack';
import { threadwickAdapter } from './courier/adapters/threadwick';
import { Connections } from './courier/connections';
import { Courier } from './courier/courier';
import { copiedAt, LedgerCopies, openLedger, takeKept } from './courier/ledgerCopies';
import { PictureShelf } from './courier/pictureShelf';
import { openLog, type Log } from './faults/log';
import { databaseCode, StartTrouble } from './faults/startTrouble';
import { holdFolder } from './folderLock';
import { api } from './http/api';
import { EventStream } from './http/eventStream';
import { hostCheck, securityHeaders } from './http/guard';
import { demoFiles, pages } from './http/pages';
import { productLookup } from './lookup/productLookup';
import { openOutside, OUTSIDE, outsidePage, SERVICES, type ServiceId } from './outside';

export interface Running {
  address: string;
  courier: Courier;
  shelf: PictureShelf;
  log: Log;
  stop(): Promise<void>;
}

export interface StartOptions {
  port: number;
  /** Where ledger, pictures and the stand-ins' databases are. */
  data: string;
  /** The exported app. */
  dist: string;
  /** Folder of the demo world, served to an app that is empty; null: start empty. */
  demo: string | null;
  /** Goes on with the kept copy of the ledger. */
  restore?: boolean;
  /**
   * Feeds are read at so much of their usual intervals: 1 as in life, less for tests that would only wait.
   */
  pace?: number;
}

/** How often it is looked at whether a marketplace has new rules, milliseconds. */
const RULES_EVERY = 20_000;

/** How often it is compared what marketplaces show, milliseconds. */
const COMPARE_EVERY = 10 * 60_000;

/** How the kept copy of the ledger is taken, as it is typed. */
const RESTORE = 'npm run demo -- --restore';

/**
 * Puts the parts together: app, courier and the simulated outside on one port of the loopback.
 *
 * @throws StartTrouble in words for the person who starts it; then nothing is left open
 */
export async function start(options: StartOptions): Promise<Running> {
  const opened: (() => unknown)[] = [];
  const close = async () => {
    for (const one of opened.splice(0).reverse()) await one();
  };
  try {
    return await open(options, (one) => opened.push(one), close);
  } catch (error) {
    await close();
    if (error instanceof StartTrouble || databaseCode(error) === null) throw error;
    throw new StartTrouble(
      'cannotOpen',
      `The attic’s folder “${options.data}” can’t be used: it is no folder, may not be written, or its disk is full. Nothing was changed. Put that right, then start again.`,
    );
  }
}

/** @param closing what is to be closed at the end, the last one first */
async function open(
  options: StartOptions,
  closing: (close: () => unknown) => void,
  stop: () => Promise<void>,
): Promise<Running> {
  const { port, data, dist, demo, restore = false, pace = 1 } = options;
  closing(await holdFolder(data, `http://127.0.0.1:${port}`));
  const log = await openLog(join(data, 'logs'));
  closing(() => log.close());
  const app = new Hono<{ Bindings: HttpBindings }>({ strict: false });
  let ready = false;
  const server = await listen(
    // The router must not be asked before all routes are in it.
    (request, env) =>
      ready ? app.fetch(request, env as HttpBindings) : new Response('Starting.', { status: 503 }),
    port,
  );
  closing(async () => {
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  });
  const address = `http://127.0.0.1:${port}`;

  const ledgerFile = join(data, 'ledger.db');
  const aside = restore ? await takeKept(ledgerFile) : null;
  if (restore)
    log.note('went on with the kept copy of the ledger', { aside: aside === null ? 'none' : 'put aside' });
  const ledger = await openLedger(ledgerFile, RESTORE);
  closing(() => ledger.close());
  const copies = new LedgerCopies(ledger, ledgerFile, log);
  const earlierLedger = ledger.isNew ? copiedAt(ledgerFile) : null;
  const secret = (name: string) => ledger.keptOnce(name, () => randomBytes(24).toString('base64url'));
  let attic = await ledger.keptOnce(
    'attic',
    () => `${demo ? 'demo' : 'own'}-${randomBytes(6).toString('hex')}`,
  );
  const addressOf = (id: string) => `${address}${OUTSIDE}/${id}`;
  const connections = await Connections.open(
    ledger,
    SERVICES,
    () => randomBytes(24).toString('base64url'),
    addressOf,
  );
  const hooks = {
    brackenmoor: { url: `${address}/hooks/brackenmoor`, secret: await secret('hook.brackenmoor') },
    oldhollow: { url: `${address}/hooks/oldhollow`, secret: await secret('hook.oldhollow') },
  };
  const outside = await openOutside(join(data, 'outside'), (id) => connections.token(id), hooks);
  closing(() => outside.stop());
  const shelf = new PictureShelf(join(data, 'pictures'));
  const at = (id: ServiceId) => ({ address: addressOf(id), token: () => connections.token(id) });

  app.use(securityHeaders());
  app.use(hostCheck(port));
  // Room for the largest of calls, a form with eight pictures; the API's own limits are much smaller.
  app.use(bodyLimit({ maxSize: 32_000_000 }));
  for (const service of outside.services) app.route(`${OUTSIDE}/${service.id}`, service.app);
  app.get(OUTSIDE, (c) => {
    c.header(
      'Content-Security-Policy',
      "sandbox allow-popups; default-src 'none'; style-src 'unsafe-inline'",
    );
    return c.html(outsidePage(outside.services));
  });

  const courier = await Courier.open(
    ledger,
    [
      brackenmoorAdapter({ ...at('brackenmoor'), hookSecret: hooks.brackenmoor.secret }),
      threadwickAdapter(at('threadwick')),
      nearstileAdapter(at('nearstile')),
      oldhollowAdapter({ ...at('oldhollow'), hookSecret: hooks.oldhollow.secret }),
      quirestackAdapter(at('quirestack')),
      lanternyardAdapter(at('lanternyard')),
      handbillAdapter(),
    ].map((adapter) => paced(adapter, pace)),
    (hash) => shelf.get(hash),
    {
      accessPage: (market) => (market === 'handbill' ? null : `${OUTSIDE}/${market}/access`),
      log,
      incomplete: restore,
    },
  );
  closing(() => courier.stop());
  const events = new EventStream(courier);
  closing(() => events.stop());

  app.post('/hooks/:market', bodyLimit({ maxSize: 100_000 }), async (c) => {
    const adapter = courier.adapter(c.req.param('market'));
    const news = adapter?.readHook?.((name) => c.req.header(name), await c.req.text(), Date.now());
    if (!adapter || !news) return c.text('Not genuine.', 401);
    // Answered only once it is in the ledger: what is answered is never lost.
    await courier.take({ type: 'news', market: adapter.id, news, cursor: null });
    // Acted on, but not written down: it is to be told again.
    if (courier.health().cannotWrite !== null) return c.text('Not kept yet.', 503);
    return c.body(null, 204);
  });
  // The token is kept, so that an open page goes on after a restart.
  const token = await secret('session');
  const session = () => ({ token, attic, demo: demo !== null, currency: 'EUR', earlierLedger });
  const goOnWith = async (name: string) => {
    await ledger.keep('attic', name);
    attic = name;
    log.note('went on with the attic of a browser');
    for (const { id } of courier.markets())
      void courier.compare(id).catch((error: unknown) => log.fault('comparing', error, { market: id }));
  };
  app.route(
    '/api',
    api({
      courier,
      ledger,
      shelf,
      connections,
      desk: productLookup(at('indexhall')),
      carrier: carrier(at('pennant')),
      port,
      session,
      goOnWith,
      events,
      log,
    }),
  );
  app.all('/api/*', (c) => c.json({ error: 'There is nothing here.' }, 404));
  if (demo) app.route('/demo', demoFiles(demo, '/demo'));
  app.all('/demo/*', (c) => c.text('No such file.', 404));
  app.route('/', pages(dist));
  app.onError((error, c) => {
    log.fault('answering', error, { path: c.req.routePath, method: c.req.method });
    return c.text('Something went wrong.', 500);
  });
  ready = true;
  await copies.start();
  closing(() => copies.stop());
  await courier.begin();
  courier.watchRules(RULES_EVERY);
  courier.watchShown(COMPARE_EVERY);

  return { address, courier, shelf, log, stop };
}

function paced(adapter: Adapter, pace: number): Adapter {
  const pollEvery = Math.max(200, adapter.capabilities.pollEvery * pace);
  return pace === 1 ? adapter : { ...adapter, capabilities: { ...adapter.capabilities, pollEvery } };
}

type Fetch = Parameters<typeof serve>[0]['fetch'];

/**
 * How long a connection that nothing is said on is kept, milliseconds: longer than the app is quiet between two
 * questions, so that none meets the moment in which its connection is closed.
 */
const KEEP_CONNECTIONS = 75_000;

function listen(fetch: Fetch, port: number): Promise<Server> {
  return new Promise((done, fail) => {
    const server = serve({ fetch, port, hostname: '127.0.0.1' }, () => done(server)) as Server;
    server.keepAliveTimeout = KEEP_CONNECTIONS;
    server.on('error', (error: NodeJS.ErrnoException) =>
      fail(
        error.code === 'EADDRINUSE'
          ? new StartTrouble(
              'portTaken',
              `Port ${port} is taken. Another Yonder Attic may be running; or choose a port: npm run demo -- --port ${port + 1}`,
            )
          : error,
      ),
    );
  });
}
