import { min } from 'd3-array';
import { dequal } from 'dequal';
import { createParser } from 'eventsource-parser';

import { CourierHealth, CourierItemView, MarketView } from '@/contract/courier';
import { fieldsOf } from '@/contract/fields';
import { fault, onFault, unlessExpected } from '@/store/base/faults';
import { listeners } from '@/store/base/listeners';

import { ask, askWith, beginSession, loadSheets, useCourier } from './courierLink';

const sales = listeners<[itemId: string, at: number]>();

/** Who is told of every sale heard of, old ones when the page opens included. @returns no longer */
export const onSale = sales.listen;

const listed = listeners<[itemId: string, at: number]>();

/** Who is told of when an item was listed first, heard of as often as the item is. @returns no longer */
export const onListed = listed.listen;

/** Listens until it is stopped; after sleep or a restart it goes on where it was. @returns stops */
export function listen(): () => void {
  const hearing = new Hearing();
  hearing.begin();
  return () => hearing.stop();
}

/** A fault that can't be reported is in the console; reporting that, too, would never end. */
const unlessReported = (): void => undefined;

/** Nothing was heard for longer than the server ever says nothing. */
class Quiet extends Error {}

/** A connection that broke off, or was left: no fault of anybody. */
function isBroken(error: unknown): boolean {
  return error instanceof TypeError || (error instanceof DOMException && error.name === 'AbortError');
}

/** A sleeping machine leaves connections half open: the server says "still" every 15 seconds. */
const LONGEST_QUIET = 40_000;
/** How soon a connection that broke is tried again, milliseconds: at first, and at the longest. */
const FIRST_WAIT = 500;
const LONGEST_WAIT = 5_000;

/** One hearing of the courier's events, over as many connections as it takes. */
class Hearing {
  private open = true;
  private lastEventId = '0';
  private lastHeard = 0;
  private hasSheets = false;
  /** Which items were told of, as long as not all were. */
  private told: Set<string> | null = new Set();
  private connection: AbortController | null = null;
  private wake: () => void = () => undefined;
  private stopTelling: () => void = () => undefined;

  begin(): void {
    // A page that the browser keeps aside, for the way back, must not hold a connection: there are only six
    // for all.
    window.addEventListener('pagehide', this.leave);
    this.stopTelling = onFault((told) => void askWith('/faults', told).catch(unlessReported));
    void this.goOn();
  }

  stop(): void {
    this.open = false;
    window.removeEventListener('pagehide', this.leave);
    this.stopTelling();
    this.leave();
    this.wake();
  }

  private readonly leave = (): void => this.connection?.abort();

  private async goOn(): Promise<void> {
    for (let wait = FIRST_WAIT; this.open; wait = Math.min(LONGEST_WAIT, wait * 1.5)) {
      try {
        await this.hear();
        wait = FIRST_WAIT;
      } catch (error) {
        // No answer is said by `connected`; anything else is a fault. Both are tried again below.
        if (!(error instanceof Quiet) && !isBroken(error)) unlessExpected('hearing the courier')(error);
      }
      useCourier.setState(({ caughtUp, heardAt }) => ({
        connected: false,
        heardAt: caughtUp ? this.lastHeard : heardAt,
      }));
      if (this.open) await this.pause(wait);
    }
  }

  private pause(wait: number): Promise<void> {
    return new Promise((done) => {
      const timer = setTimeout(done, wait);
      this.wake = () => {
        clearTimeout(timer);
        done();
      };
    });
  }

  private async hear(): Promise<void> {
    // A server started with another attic's ledger may be followed by one with this one's.
    if (useCourier.getState().otherAttic) await beginSession();
    const mine = new AbortController();
    this.connection = mine;
    const response = await ask('/events', {
      headers: { 'last-event-id': this.lastEventId },
      signal: mine.signal,
    });
    if (!response.body) return;
    useCourier.setState({ connected: true });
    if (!this.hasSheets) void this.readSheets().catch(unlessExpected('reading the rules of marketplaces'));
    const parser = createParser({
      onEvent: (event) => {
        if (event.id) this.lastEventId = event.id;
        // A fault of ours in taking one in must not end the hearing of the others.
        try {
          this.take(event.event ?? '', event.data);
        } catch (error) {
          fault('hearing the courier', error);
        }
      },
    });
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    try {
      for (;;) {
        const { done, value } = await unlessQuiet(reader.read());
        if (done) return;
        this.lastHeard = Date.now();
        parser.feed(value);
      }
    } finally {
      mine.abort();
      // The connection is over already: what its reader says to that is nobody's business.
      await reader.cancel().catch(() => undefined);
    }
  }

  /** Those that were kept for a day without a connection may be of yesterday. */
  private async readSheets(): Promise<void> {
    await loadSheets();
    this.hasSheets = true;
  }

  private take(name: string, data: string): void {
    const value: unknown = JSON.parse(data);
    if (name === 'item') {
      const id = takeItem(value);
      if (id !== null) this.told?.add(id);
    } else if (name === 'marketplaces') takeMarkets(value);
    else if (name === 'health') {
      const health = CourierHealth.safeParse(value);
      if (health.success) useCourier.setState({ health: health.data });
      else fault('hearing how the courier is', health.error);
    } else if (name === 'caughtUp') this.caughtUp();
  }

  /** All was told: what was only known from before, and the courier does not know, is no more. */
  private caughtUp(): void {
    const { told } = this;
    this.told = null;
    useCourier.setState(({ items }) => {
      const strange = told ? Object.keys(items).some((id) => !told.has(id)) : false;
      const known = Object.entries(items).filter(([id]) => told?.has(id));
      return { caughtUp: true, ...(strange ? { items: Object.fromEntries(known) } : {}) };
    });
  }
}

/** @throws Quiet where nothing comes for too long */
async function unlessQuiet<T>(read: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const quiet = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new Quiet()), LONGEST_QUIET);
  });
  return Promise.race([read, quiet]).finally(() => clearTimeout(timer));
}

/** @returns of which item it tells; null where that is not even known */
function takeItem(value: unknown): string | null {
  const view = CourierItemView.safeParse(value);
  if (!view.success) {
    // What is not understood is not left out: the person is told that what is shown may be old.
    const { id } = fieldsOf(value);
    const issue = view.error.issues[0];
    const why = `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`;
    useCourier.setState((s) => ({ misfits: { ...s.misfits, [String(id).slice(0, 64)]: why } }));
    fault('hearing of a listing', new Error(why));
    return typeof id === 'string' ? id : null;
  }
  const { id, sale, listings } = view.data;
  useCourier.setState((s) => {
    const { [id]: known, ...misfits } = s.misfits;
    // What was known already is told again at each opening: nothing is to be drawn anew for that.
    const items = dequal(s.items[id], view.data) ? s.items : { ...s.items, [id]: view.data };
    return { items, ...(known === undefined ? {} : { misfits }) };
  });
  if (sale) sales.tell(id, sale.at);
  else {
    const first = min(listings, (l) => l.listedAt);
    if (first !== undefined) listed.tell(id, first);
  }
  return id;
}

function takeMarkets(value: unknown): void {
  const told: unknown[] = Array.isArray(value) ? value : [];
  // One that does not fit must not cost the others.
  const markets = told.flatMap((one) => {
    const view = MarketView.safeParse(one);
    if (!view.success) fault('hearing of a marketplace', view.error);
    return view.success ? [view.data] : [];
  });
  useCourier.setState({ markets });
  // A marketplace that was away when its rules were asked for may be back.
  const { sheets, sheetsMissing } = useCourier.getState();
  const missing = sheetsMissing.some((m) => markets.some((v) => v.id === m.market && v.health === 'well'));
  const outdated = markets.some(
    (v) =>
      v.sheetVersion !== null && sheets.some((x) => x.marketplace === v.id && x.version !== v.sheetVersion),
  );
  if (missing || outdated) void loadSheets().catch(unlessExpected('reading the rules of marketplaces'));
}
