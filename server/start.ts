import { serve, type HttpBindings } from '@hono/node-server';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import { join } from 'node:path';

import { sortOf, type AtticSort } from '@/core/identity/atticSort';

import { Bustle, bustlePage, type Pace } from './bustle/bustle';
import { carrier } from './carrier/carrier';
import type { Adapter } from './courier/adapter';
import { Connections } from './courier/connections';
import { Courier } from './courier/courier';
import type { Ledger } from './courier/ledger';
import { copiedAt, LedgerCopies, openLedger, takeKept } from './courier/ledgerCopies';
import { PictureShelf } from './courier/pictureShelf';
import { openLog, type Log } from './faults/log';
import { databaseCode, StartTrouble } from './faults/startTrouble';
import { holdFolder } from './folderLock';
import { api, type ApiParts } from './http/api';
import { EventStream } from './http/eventStream';
import { hostCheck, securityHeaders } from './http/guard';
import { homeScreen } from './http/homeScreen';
import { demoFiles, pages } from './http/pages';
import { likenessDesk } from './lookup/likenessDesk';
import { pictureFrom } from './lookup/pictureFrom';
import { productLookup } from './lookup/productLookup';
import { MARKETPLACES } from './marketplaces/marketplaces';
import { openOutside, OUTSIDE, outsidePage, SERVICES, type Hook } from './outside';
import type { Service } from './standins/kit/service';

export interface Running {
  address: string;
  courier: Courier;
  shelf: PictureShelf;
  log: Log;
  bustle: Bustle;
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
  /** What the attic is for. */
  sort?: AtticSort;
  /** How it is started, as it is typed. */
  command?: string;
  /** Simulated buyers come by from the start; they can be switched on later, too. */
  bustle?: Pace;
  /** Writes into a ledger before the courier reads it: what is to have happened before. */
  before?: (ledger: Ledger) => Promise<void>;
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
      `The attic’s folder “${options.data}” can’t be used: it is no folder, may not be written, or ` +
        'its disk is full. Nothing was changed. Put that right, then start again.',
    );
  }
}

type App = Hono<{ Bindings: HttpBindings }>;
type Closing = (close: () => unknown) => void;

/** @param closing what is to be closed at the end, the last one first */
async function open(options: StartOptions, closing: Closing, stop: () => Promise<void>): Promise<Running> {
  const { port, data, dist, demo, restore = false, pace = 1 } = options;
  const { sort = demo === null ? 'own' : 'demo', command = 'npm start --' } = options;
  const address = `http://127.0.0.1:${port}`;
  closing(await holdFolder(data, address));
  const log = await openLog(join(data, 'logs'));
  closing(() => log.close());
  const app = new Hono<{ Bindings: HttpBindings }>({ strict: false });
  const answerNow = await answeringLater(app, port, closing);

  const { ledger, copies, earlierLedger } = await openBooks({ data, restore, log, command }, closing);
  await options.before?.(ledger);
  const secret = (name: string) => ledger.keptOnce(name, () => randomBytes(24).toString('base64url'));
  const addressOf = (id: string) => `${address}${OUTSIDE}/${id}`;
  const token = () => randomBytes(24).toString('base64url');
  const connections = await Connections.open(ledger, SERVICES, token, addressOf);
  const hooks = new Map<string, Hook>();
  for (const { id, callsBack } of MARKETPLACES)
    if (callsBack) hooks.set(id, { url: `${address}/hooks/${id}`, secret: await secret(`hook.${id}`) });
  const outside = await openOutside({
    folder: join(data, 'outside'),
    token: (id) => connections.token(id),
    hook: (id) => hooks.get(id) ?? { url: '', secret: '' },
  });
  closing(() => outside.stop());
  const shelf = new PictureShelf(join(data, 'pictures'));
  const seatOf = (id: string) => ({
    address: addressOf(id),
    token: () => connections.token(id),
    hookSecret: hooks.get(id)?.secret ?? '',
  });
  const courier = await Courier.open(
    ledger,
    MARKETPLACES.map(({ id, open: opened }) => paced(opened(seatOf(id)), pace)),
    (hash) => shelf.get(hash),
    { accessPage, log, incomplete: restore },
  );
  closing(() => courier.stop());
  const events = new EventStream(courier);
  closing(() => events.stop());

  app.use(securityHeaders());
  app.use(hostCheck(port));
  // Room for the largest of calls, a form with eight pictures; the API's own limits are much smaller.
  app.use(bodyLimit({ maxSize: 32_000_000 }));
  const bustle = openBustle(app, { port, pace: options.bustle ?? 'off', log });
  closing(() => bustle.stop());
  outsideRoutes(app, outside.services, bustle);
  hookRoutes(app, courier);
  const identity = await identityOf(ledger, { sort, demo: demo !== null, earlierLedger, courier, log });
  const desk = productLookup(seatOf('indexhall'));
  const likeness = likenessDesk(seatOf('twinpane'));
  // The simulated outside is on this machine, and may be asked all the same.
  const hosts = ['127.0.0.1', 'localhost'];
  const pictureAt = pictureFrom({ ownOutside: hosts.map((host) => `http://${host}:${port}${OUTSIDE}/`) });
  const research = { desk, likeness, pictureAt };
  const parts = { courier, ledger, shelf, connections, ...research, port, events, log, ...identity };
  app.route('/api', api({ ...parts, carrier: carrier(seatOf('pennant')) }));
  const worlds = demo === null ? [] : [demo, join(data, 'demo')].filter(existsSync);
  pageRoutes(app, { demo: worlds, dist, log, sort });
  answerNow();
  await copies.start();
  closing(() => copies.stop());
  await courier.begin();
  courier.watchRules(RULES_EVERY);
  courier.watchShown(COMPARE_EVERY);
  return { address, courier, shelf, log, bustle, stop };
}

/** Takes the port at once; answers once it is told to. */
async function answeringLater(app: App, port: number, closing: Closing): Promise<() => void> {
  let ready = false;
  const server = await listen(
    // The router must not be asked before all routes are in it.
    (request, env) =>
      // The server is HTTP/1 only: what comes with a request is its own pair of streams.
      ready ? app.fetch(request, env as HttpBindings) : new Response('Starting.', { status: 503 }),
    port,
  );
  closing(async () => {
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  });
  return () => {
    ready = true;
  };
}

/** The ledger, and what keeps copies of it; its kept copy where it is asked for. */
async function openBooks(
  { data, restore, log, command }: { data: string; restore: boolean; log: Log; command: string },
  closing: Closing,
) {
  const file = join(data, 'ledger.db');
  const aside = restore ? await takeKept(file) : null;
  if (restore)
    log.note('went on with the kept copy of the ledger', { aside: aside === null ? 'none' : 'put aside' });
  const ledger = await openLedger(file, `${command} --restore`);
  closing(() => ledger.close());
  const earlierLedger = ledger.isNew ? copiedAt(file) : null;
  return { ledger, copies: new LedgerCopies(ledger, file, log), earlierLedger };
}

/** Which attic this server works for, and by what its pages are known. */
async function identityOf(
  ledger: Ledger,
  about: { sort: AtticSort; demo: boolean; earlierLedger: number | null; courier: Courier; log: Log },
): Promise<Pick<ApiParts, 'session' | 'goOnWith'>> {
  const { sort, demo, earlierLedger, courier, log } = about;
  const begun = () => `${sort}-${randomBytes(6).toString('hex')}`;
  let attic = await ledger.keptOnce('attic', begun);
  // The token is kept, so that an open page goes on after a restart.
  const token = await ledger.keptOnce('session', () => randomBytes(24).toString('base64url'));
  return {
    session: () => ({ token, attic, demo, currency: 'EUR', earlierLedger }),
    async goOnWith(name) {
      // What is tried in the demo never ends up among a person’s own, nor the other way.
      if (sortOf(name) !== sort) return false;
      await ledger.keep('attic', name);
      attic = name;
      log.note('went on with the attic of a browser');
      for (const { id } of courier.markets())
        void courier.compare(id).catch((error: unknown) => log.fault('comparing', error, { market: id }));
      return true;
    },
  };
}

/** Where a person is shown a code that lets us in; null: there is none. */
function accessPage(market: string): string | null {
  const manifest = MARKETPLACES.find(({ id }) => id === market);
  return manifest?.letsInByCode ? `${OUTSIDE}/${market}/access` : null;
}

/** Buyers come in by the same door as everybody else. */
function openBustle(app: App, { port, pace, log }: { port: number; pace: Pace; log: Log }): Bustle {
  return new Bustle({
    ask: (path, init) => app.request(path, { ...init, headers: { host: `127.0.0.1:${port}` } }),
    base: OUTSIDE,
    markets: MARKETPLACES.map(({ id }) => id),
    pace,
    seed: 1,
    onFault: (error) => log.fault('simulating a buyer', error),
  });
}

function outsideRoutes(app: App, services: readonly Service[], bustle: Bustle): void {
  app.route(`${OUTSIDE}/bustle`, bustlePage(bustle));
  for (const service of services) app.route(`${OUTSIDE}/${service.id}`, service.app);
  app.get(OUTSIDE, (c) => {
    c.header(
      'Content-Security-Policy',
      "sandbox allow-popups; default-src 'none'; style-src 'unsafe-inline'",
    );
    return c.html(outsidePage(services));
  });
}

/** What marketplaces tell by themselves. */
function hookRoutes(app: App, courier: Courier): void {
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
}

/** The app's own files, and what there is nothing of. */
function pageRoutes(
  app: App,
  { demo, dist, log, sort }: { demo: string[]; dist: string; log: Log; sort: AtticSort },
): void {
  app.all('/api/*', (c) => c.json({ error: 'There is nothing here.' }, 404));
  for (const folder of demo) app.route('/demo', demoFiles(folder, '/demo'));
  app.all('/demo/*', (c) => c.text('No such file.', 404));
  app.route('/', homeScreen(sort));
  app.route('/', pages(dist));
  app.onError((error, c) => {
    log.fault('answering', error, { path: c.req.routePath, method: c.req.method });
    return c.text('Something went wrong.', 500);
  });
}

function paced(adapter: Adapter, pace: number): Adapter {
  const pollEvery = Math.max(200, adapter.capabilities.pollEvery * pace);
  return pace === 1 ? adapter : { ...adapter, capabilities: { ...adapter.capabilities, pollEvery } };
}

type Fetch = Parameters<typeof serve>[0]['fetch'];

/**
 * How long a connection that nothing is said on is kept, milliseconds: longer than the app is quiet between
 * two questions, so that none meets the moment in which its connection is closed.
 */
const KEEP_CONNECTIONS = 75_000;

function listen(fetch: Fetch, port: number): Promise<Server> {
  return new Promise((done, fail) => {
    // Without other options it is the plain HTTP server.
    const server = serve({ fetch, port, hostname: '127.0.0.1' }, () => done(server)) as Server;
    server.keepAliveTimeout = KEEP_CONNECTIONS;
    server.on('error', (error: NodeJS.ErrnoException) =>
      fail(
        error.code === 'EADDRINUSE'
          ? new StartTrouble(
              'portTaken',
              `Port ${port} is taken. Another Yonder Attic may be running; or choose a port: npm ` +
                `run demo -- --port ${port + 1}`,
            )
          : error,
      ),
    );
  });
}
