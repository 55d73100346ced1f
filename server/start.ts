import { randomBytes } from 'node:crypto';
import { mkdir } from 'node:fs/promises';
import type { Server } from 'node:http';
import { join } from 'node:path';

import { serve, type HttpBindings } from '@hono/node-server';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';

import { brackenmoorAdapter } from './courier/adapters/brackenmoor';
import { handbillAdapter } from './courier/adapters/handbill';
import { lanternyardAdapter } from './courier/adapters/lanternyard';
import { nearstileAdapter } from './courier/adapters/nearstile';
import { oldhollowAdapter } from './courier/adapters/oldhollow';
import { quirestackAdapter } from './courier/adapters/quirestack';
import { threadwickAdapter } from './courier/adapters/threadwick';
import { Connections } from './courier/connections';
import { Courier } from './courier/courier';
import { Ledger } from './courier/ledger';
import { PictureShelf } from './courier/pictureShelf';
import { api } from './http/api';
import { hostCheck, securityHeaders } from './http/guard';
import { demoFiles, pages } from './http/pages';
import { carrier } from './carrier/carrier';
import { lookUpDesk } from './lookup/desk';
import { openOutside, OUTSIDE, outsidePage, SERVICES, type ServiceId } from './outside';

export interface Running {
  address: string;
  courier: Courier;
  shelf: PictureShelf;
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
}

/** How often it is looked at whether a marketplace has new rules, milliseconds. */
const RULES_EVERY = 20_000;

/** How often it is compared what marketplaces show, milliseconds. */
const COMPARE_EVERY = 10 * 60_000;

export class PortTaken extends Error {}

/** Puts the parts together: app, courier and the simulated outside on one port of the loopback. */
export async function start(options: StartOptions): Promise<Running> {
  const { port, data, dist, demo } = options;
  await mkdir(data, { recursive: true });
  const app = new Hono<{ Bindings: HttpBindings }>({ strict: false });
  let ready = false;
  const server = await listen(
    // The router must not be asked before all routes are in it.
    (request, env) =>
      ready ? app.fetch(request, env as HttpBindings) : new Response('Starting.', { status: 503 }),
    port,
  );
  const address = `http://127.0.0.1:${port}`;

  const ledger = await Ledger.open(`file:${join(data, 'ledger.db')}`);
  const secret = (name: string) => ledger.keptOnce(name, () => randomBytes(24).toString('base64url'));
  const attic = await ledger.keptOnce(
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
    ],
    (hash) => shelf.get(hash),
    Date.now,
    (market) => (market === 'handbill' ? null : `${OUTSIDE}/${market}/access`),
  );

  app.post('/hooks/:market', bodyLimit({ maxSize: 100_000 }), async (c) => {
    const adapter = courier.adapter(c.req.param('market'));
    const news = adapter?.readHook?.((name) => c.req.header(name), await c.req.text(), Date.now());
    if (!adapter || !news) return c.text('Not genuine.', 401);
    // Answered only once it is in the ledger: what is answered is never lost.
    await courier.take({ type: 'news', market: adapter.id, news, cursor: null });
    return c.body(null, 204);
  });
  // The token is kept, so that an open page goes on after a restart.
  const session = {
    token: await secret('session'),
    attic,
    demo: demo !== null,
    currency: 'EUR',
  };
  app.route(
    '/api',
    api({
      courier,
      ledger,
      shelf,
      connections,
      desk: lookUpDesk(at('indexhall')),
      carrier: carrier(at('pennant')),
      port,
      session,
    }),
  );
  app.all('/api/*', (c) => c.json({ error: 'There is nothing here.' }, 404));
  if (demo) app.route('/demo', demoFiles(demo, '/demo'));
  app.all('/demo/*', (c) => c.text('No such file.', 404));
  app.route('/', pages(dist));
  ready = true;
  await courier.begin();
  courier.watchRules(RULES_EVERY);
  courier.watchShown(COMPARE_EVERY);

  return {
    address,
    courier,
    shelf,
    stop: async () => {
      courier.stop();
      outside.stop();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      ledger.close();
    },
  };
}

type Fetch = Parameters<typeof serve>[0]['fetch'];

function listen(fetch: Fetch, port: number): Promise<Server> {
  return new Promise((done, fail) => {
    const server = serve({ fetch, port, hostname: '127.0.0.1' }, () => done(server)) as Server;
    server.on('error', (error: NodeJS.ErrnoException) =>
      fail(error.code === 'EADDRINUSE' ? new PortTaken(`Port ${port} is taken.`) : error),
    );
  });
}
