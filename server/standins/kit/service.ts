import { Hono, type MiddlewareHandler } from 'hono';
import { html, raw } from 'hono/html';

import { Access } from './access';
import { bodyOf } from './body';
import {
  enforceAnnounced,
  faulty,
  lasting,
  lateWork,
  NO_FAULTS,
  setSwitches,
  TICKS,
  type Switches,
} from './faults';
import { page, type ServiceApp } from './page';
import type { Store } from './store';
import { Turns } from './turns';

/** What every simulated service offers the process that starts it. */
export interface Service {
  id: string;
  name: string;
  app: ServiceApp;
  /** Starts timers (reviews, webhooks). */
  start(): void;
  stop(): void;
}

/** Of a service that does nothing by itself. */
export const AT_REST: Pick<Service, 'start' | 'stop'> = { start: () => undefined, stop: () => undefined };

/** Work that a service does by itself, every so many milliseconds; where it fails that is logged. */
export function everyWhile(ms: number, work: () => Promise<void>): Pick<Service, 'start' | 'stop'> {
  let timer: NodeJS.Timeout | null = null;
  return {
    start: () => {
      timer = setInterval(() => void work().catch(lateWork), ms);
    },
    stop: () => {
      if (timer) clearInterval(timer);
    },
  };
}

/** What a service is opened with. */
export interface Opening {
  store: Store;
  /** By which it lets the seller in at first. */
  token: string;
  /** Path its pages are served under. */
  base: string;
  /** Where it tells the seller by itself what happens, and what it signs with. */
  hook: { url: string; secret: string };
}

/** What the parts of one service share. */
export interface Frame {
  app: ServiceApp;
  store: Store;
  base: string;
  switches: Switches;
  /** One change at a time. */
  turns: Turns;
}

/**
 * The parts all services share as services: token, faults, pictures, switchboard. Rules, words,
 * pages and ways of being called are each service's own.
 *
 * @param seller path under which the seller's calls live, `/v1`
 */
export function frame(options: {
  name: string;
  opening: Omit<Opening, 'hook'>;
  seller: string;
  /** How its days usually are, where they are not calm. */
  usual?: Partial<Switches>;
}): Frame {
  const { name, seller } = options;
  const { store, token, base } = options.opening;
  const app: ServiceApp = new Hono({ strict: false });
  const switches: Switches = { ...NO_FAULTS, ...options.usual };
  const access = new Access(store, token, switches);
  // A service that is out stays out when its process starts again.
  const ready = store.get<Partial<Switches>>('switches', 'board').then((kept) => {
    Object.assign(switches, kept);
  });

  app.use(async (_, next) => {
    await ready;
    await access.ready;
    enforceAnnounced(switches, Date.now());
    await next();
  });
  app.use(readToTheEnd);
  app.use(`${seller}/*`, async (c, next) => {
    if (!access.admits(c.req.header('authorization'))) return c.json({ message: 'Who are you?' }, 401);
    return next();
  });
  app.use(`${seller}/*`, faulty(switches));

  app.use(sandboxed);
  servePictures(app, store);
  access.routes(app, name);
  serveSwitchboard(app, { name, store, switches });
  return { app, store, base, switches, turns: new Turns() };
}

/**
 * What was answered without being read is read to its end: else the connection would be closed under the next
 * call.
 */
const readToTheEnd: MiddlewareHandler = async (c, next) => {
  await next();
  if (c.req.method !== 'GET') await c.req.arrayBuffer().catch(() => undefined);
};

/** Visitors' pages may not touch anything but themselves: whatever a listing holds, it stays in here. */
const sandboxed: MiddlewareHandler = async (c, next) => {
  await next();
  c.header(
    'Content-Security-Policy',
    'sandbox allow-forms allow-popups allow-downloads; ' +
      "default-src 'none'; img-src 'self'; media-src 'self'; " +
      "style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
  );
};

function servePictures(app: ServiceApp, store: Store): void {
  app.get('/picture/:id', async (c) => {
    const bytes = await store.picture(c.req.param('id'));
    if (!bytes) return c.notFound();
    // A sandboxed page has no origin of its own, so its pictures are cross-origin to it.
    return c.body(bytes, 200, {
      'Content-Type': 'image/jpeg',
      'Cache-Control': 'max-age=3600',
      'Cross-Origin-Resource-Policy': 'cross-origin',
    });
  });
}

function serveSwitchboard(
  app: ServiceApp,
  { name, store, switches }: { name: string; store: Store; switches: Switches },
): void {
  app.get('/switchboard', (c) => c.html(switchboardPage(name, switches)));
  app.post('/switchboard', async (c) => {
    const isForm = (c.req.header('content-type') ?? '').includes('form');
    const wanted = isForm
      ? { ...Object.fromEntries(TICKS.map((key) => [key, false])), ...(await c.req.parseBody()) }
      : await bodyOf(c);
    setSwitches(switches, wanted);
    await store.write([{ sort: 'switches', id: 'board', body: lasting(switches) }]);
    return isForm ? c.redirect('switchboard', 303) : c.json(switches);
  });
}

interface Sheet {
  photos: { max: number; min: number };
  categories: readonly { leaf: boolean; specifics: readonly object[] }[];
}

/** What a published sheet says today: its own words, the rules that changed since, and those to come. */
export function sheetToday<S extends Sheet>(sheet: S, switches: Switches) {
  const { announced, rulesVersion } = switches;
  return {
    ...bySwitches(sheet, switches),
    version: rulesVersion,
    ...(announced
      ? {
          announced: {
            from: announced.from,
            rules: { ...bySwitches(sheet, { ...switches, ...announced }), version: rulesVersion + 1 },
          },
        }
      : {}),
  };
}

function bySwitches<S extends Sheet>(sheet: S, switches: Switches) {
  const most = picturesToday(sheet.photos.max, switches);
  return {
    ...sheet,
    photos: { ...sheet.photos, max: most, min: Math.min(sheet.photos.min, most) },
    categories: switches.asksOrigin
      ? sheet.categories.map((x) => (x.leaf ? { ...x, specifics: [...x.specifics, ORIGIN] } : x))
      : sheet.categories,
  };
}

const ORIGIN = { id: 'origin', label: 'Where it was made', need: 'required', maxLength: 40 };

/** How many pictures are taken today. */
export function picturesToday(usual: number, switches: Switches): number {
  return switches.fewerPictures ? Math.ceil(usual / 2) : usual;
}

/** A list in portions: what comes from a place on, and where the next portion begins; null after the last. */
export function portion<T>(list: readonly T[], from: string | undefined, size: number) {
  const at = Math.max(0, Math.trunc(Number(from ?? 0)) || 0);
  return { part: list.slice(at, at + size), next: at + size < list.length ? at + size : null };
}

/** Pages are closed too while the whole service is out. */
export function isOut(switches: Switches): boolean {
  return switches.outageUntil > Date.now();
}

/** Until announced rules hold; 0: none are announced. */
function hoursLeft({ announced }: Switches): number {
  return announced ? Math.max(1, Math.ceil((announced.from - Date.now()) / 3_600_000)) : 0;
}

function switchboardPage(name: string, s: Switches) {
  const look = { ground: '#f4f1ea', ink: '#2b2b2b', accent: '#5a5a5a', face: 'sans-serif' };
  const left = Math.max(0, Math.ceil((s.outageUntil - Date.now()) / 60_000));
  const number = (key: string, label: string, value: number) =>
    html`<label><input type="number" min="0" name="${key}" value="${value}" /> ${label}</label>`;
  const tick = (key: string, label: string, on: boolean) =>
    html`<label><input type="checkbox" name="${key}" ${on ? raw('checked') : ''} /> ${label}</label>`;
  return page(
    `${name}: switchboard`,
    look,
    html`<header>${name}: switchboard</header>
      <main>
        <p>Bad days of this simulated service, to try out what happens.</p>
        <form method="post">
          ${number('outageMinutes', 'minutes of outage from now (0 ends it)', left)}
          ${number('latency', 'milliseconds added to every call', s.latency)}
          ${number('tooMany', 'next calls answered with “slow down”', s.tooMany)}
          ${number('broken', 'next calls answered with an error', s.broken)}
          ${number('hangUp', 'next changes carried out, then no answer', s.hangUp)}
          ${number('reviewTime', 'milliseconds a review takes', s.reviewTime)}
          ${number('dayLasts', 'milliseconds that a day lasts', s.dayLasts)}
          ${tick('hooksTwice', 'messages to the seller sent twice', s.hooksTwice)}
          ${tick('hooksLost', 'messages to the seller lost', s.hooksLost)}
          ${tick('hooksReordered', 'messages to the seller out of order', s.hooksReordered)}
          ${tick('tokenExpired', 'the seller’s token has run out', s.tokenExpired)}
          ${tick('fewerPictures', 'new rule: half as many pictures', s.fewerPictures)}
          ${tick('parcelShort', 'parcels to a depot come one item short', s.parcelShort)}
          ${tick('feesWrong', 'statements take half a euro too much of each order', s.feesWrong)}
          ${number('rulesInHours', 'hours until new rules hold (0: at once)', hoursLeft(s))}
          ${tick('asksOrigin', 'new rule: every item says where it was made', s.asksOrigin)}
          <button>Set</button>
        </form>
      </main>`,
  );
}

/** `24.00 €` the way these services write it. */
export function euros(minor: number): string {
  return `${(minor / 100).toFixed(2)} €`;
}
