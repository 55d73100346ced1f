import type { HttpBindings } from '@hono/node-server';
import { RESPONSE_ALREADY_SENT } from '@hono/node-server/utils/response';
import type { MiddlewareHandler } from 'hono';

/** The bad days a service can have. All off by default; for tests and for the switchboard page. */
export interface Switches {
  /** Added to every call, milliseconds. */
  latency: number;
  /** Answer the next so many calls with 429. */
  tooMany: number;
  /** Answer the next so many calls with 500, nothing done. */
  broken: number;
  /** Do the work of the next so many changing calls, then hang up without an answer. */
  hangUp: number;
  /** Webhooks: sent twice, not sent, or held back behind the next one. */
  hooksTwice: boolean;
  hooksLost: boolean;
  hooksReordered: boolean;
  /** How long a review takes, milliseconds. */
  reviewTime: number;
  /** Nothing answers before this moment. */
  outageUntil: number;
  /** How long a day lasts, milliseconds: auctions and paid places go by days. */
  dayLasts: number;
  /** The seller's token is no longer good: a new one has to be fetched. */
  tokenExpired: boolean;
  /** The rules of the day: half the pictures; every item has to say where it was made. */
  fewerPictures: boolean;
  asksOrigin: boolean;
  /** Rules that hold from a moment on; null: none are announced. */
  announced: { from: number; fewerPictures: boolean; asksOrigin: boolean } | null;
  /** A parcel to the depot is one item short when it is counted. */
  parcelShort: boolean;
  /** Statements take half a euro more of each order than was told at the sale. */
  feesWrong: boolean;
  /** Goes up with every change of the rules. */
  rulesVersion: number;
}

export const NO_FAULTS: Switches = {
  latency: 0,
  tooMany: 0,
  broken: 0,
  hangUp: 0,
  hooksTwice: false,
  hooksLost: false,
  hooksReordered: false,
  reviewTime: 4_000,
  outageUntil: 0,
  dayLasts: 86_400_000,
  tokenExpired: false,
  fewerPictures: false,
  asksOrigin: false,
  announced: null,
  parcelShort: false,
  feesWrong: false,
  rulesVersion: 1,
};

/** What a restart does not end; "the next so many calls" are over with it. */
export function lasting(switches: Switches): Switches {
  return { ...switches, tooMany: 0, broken: 0, hangUp: 0 };
}

/** Switches that are on or off. */
export const TICKS = [
  'hooksTwice',
  'hooksLost',
  'hooksReordered',
  'tokenExpired',
  'fewerPictures',
  'asksOrigin',
  'parcelShort',
  'feesWrong',
] as const;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Applies the switches to a seller's calls. */
export function faulty(switches: Switches): MiddlewareHandler<{ Bindings: HttpBindings }> {
  return async (c, next) => {
    if (switches.latency > 0) await pause(switches.latency);
    if (switches.outageUntil > Date.now()) return c.text('We are closed for repairs.', 503);
    if (switches.tooMany > 0) {
      switches.tooMany -= 1;
      return c.text('Slow down.', 429, { 'Retry-After': '2' });
    }
    if (switches.broken > 0) {
      switches.broken -= 1;
      return c.text('Something went wrong here.', 500);
    }
    await next();
    if (switches.hangUp > 0 && c.req.method !== 'GET') {
      switches.hangUp -= 1;
      c.env.outgoing.destroy();
      c.res = RESPONSE_ALREADY_SENT;
    }
    return undefined;
  };
}

/** Rules that were announced hold from their moment on. */
export function enforceAnnounced(switches: Switches, now: number): void {
  const { announced } = switches;
  if (!announced || announced.from > now) return;
  const { fewerPictures, asksOrigin } = announced;
  Object.assign(switches, { fewerPictures, asksOrigin, announced: null });
  switches.rulesVersion += 1;
}

/** Reads new switch positions from outside; what is not understood is left as it was. */
export function setSwitches(switches: Switches, wanted: Record<string, unknown>): void {
  for (const key of ['latency', 'tooMany', 'broken', 'hangUp', 'reviewTime'] as const) {
    const value = Number(wanted[key]);
    if (wanted[key] !== undefined && Number.isFinite(value) && value >= 0)
      switches[key] = Math.min(value, 600_000);
  }
  const day = Number(wanted.dayLasts);
  if (wanted.dayLasts !== undefined && day >= 100 && day <= 86_400_000) switches.dayLasts = day;
  const rules = () => JSON.stringify([switches.fewerPictures, switches.asksOrigin, switches.announced]);
  const before = rules();
  const { fewerPictures, asksOrigin } = switches;
  for (const key of TICKS)
    if (wanted[key] !== undefined) switches[key] = wanted[key] === true || wanted[key] === 'on';
  const hours = Number(wanted.rulesInHours ?? 0);
  if (hours > 0 && hours <= 24 * 365) {
    // Told of today, in force later: until then the rules are as they were.
    const later = { fewerPictures: switches.fewerPictures, asksOrigin: switches.asksOrigin };
    switches.announced = { from: Date.now() + hours * 3_600_000, ...later };
    Object.assign(switches, { fewerPictures, asksOrigin });
  } else if (wanted.rulesInHours !== undefined) switches.announced = null;
  if (rules() !== before) switches.rulesVersion += 1;
  const minutes = Number(wanted.outageMinutes);
  if (wanted.outageMinutes !== undefined && Number.isFinite(minutes) && minutes >= 0)
    switches.outageUntil = minutes === 0 ? 0 : Date.now() + minutes * 60_000;
}

/**
 * Work of its own accord that failed: a database that was just closed, or a full disk. It is tried again;
 * each sort is said once.
 */
export function lateWork(error: unknown): void {
  const words = String(error);
  if (said.has(words)) return;
  said.add(words);
  console.error('a stand-in, at work by itself:', error);
}
const said = new Set<string>();
