import { createParser } from 'eventsource-parser';
import { nanoid } from 'nanoid';
import { create } from 'zustand';

import {
  CommandAnswer,
  CourierHealth,
  CourierItemView,
  DraftsAnswer,
  ErrorAnswer,
  LedgerAnswer,
  MarketView,
  SessionAnswer,
  SheetsAnswer,
} from '@/contract/courier';
import type { Command, LedgerLine, ListingDraft } from '@/contract/courier';
import { RuleSheet } from '@/contract/ruleSheet';
import { useAttic } from '@/store/attic/attic';
import { Expected, fault, onFault, unlessExpected } from '@/store/base/faults';

export interface CourierLink {
  session: SessionAnswer | null;
  /** Whether the page hears the courier. */
  connected: boolean;
  /** All that happened before the page opened has been told. */
  caughtUp: boolean;
  /** When it was last heard, once it had told all; null: it never had. */
  heardAt: number | null;
  items: Record<string, CourierItemView>;
  markets: MarketView[];
  sheets: RuleSheet[];
  sheetsMissing: SheetsAnswer['missing'];
  /** Whether the courier can do its work; null while it was not told. */
  health: CourierHealth | null;
  /** Items of which it told what this page does not understand: what is shown of them may be old. */
  misfits: Record<string, string>;
  /** The server works for another attic than the one that is open here. */
  otherAttic: boolean;
}

export const useCourier = create<CourierLink>(() => ({
  session: null,
  connected: false,
  caughtUp: false,
  heardAt: null,
  items: {},
  markets: [],
  sheets: [],
  sheetsMissing: [],
  health: null,
  misfits: {},
  otherAttic: false,
}));

/** The name of a marketplace; its id while nothing was heard of it. */
export const marketName = (id: string, markets = useCourier.getState().markets): string =>
  markets.find((m) => m.id === id)?.name ?? id;

/** The courier could not be asked, or said no; the message is for a person. */
export class CourierTrouble extends Expected {
  constructor(
    message: string,
    /** The HTTP status, where there was an answer. */
    readonly status: number | null = null,
    /** The field at fault, where that is known. */
    readonly field = '',
  ) {
    super(message);
  }
}

type SaleListener = (itemId: string, at: number) => void;
let saleListener: SaleListener = () => undefined;

/** Who is told of every sale heard of, old ones when the page opens included. @returns no longer */
export function onSale(listener: SaleListener): () => void {
  saleListener = listener;
  return () => (saleListener = () => undefined);
}

let lastEventId = '0';
let lastHeard = 0;
let hanging: AbortController | null = null;

/** Begins a session with this server. @throws CourierTrouble when there is none */
export async function beginSession(): Promise<SessionAnswer> {
  const response = await fetch('/api/session', { cache: 'no-store' }).catch(noAnswer);
  if (!response?.ok) throw new CourierTrouble('The courier can’t be reached.');
  const session = SessionAnswer.parse(await response.json());
  const before = useCourier.getState().session;
  useCourier.setState({ session, otherAttic: before !== null && before.attic !== session.attic });
  return session;
}

/** Has the courier, whose ledger is new, work for this attic from now on. @throws CourierTrouble */
export async function goOnWith(attic: string): Promise<void> {
  const session = SessionAnswer.parse(await (await askWith('/attic', { attic })).json());
  useCourier.setState({ session, otherAttic: false });
}

/** A call that got no answer: whoever called says so in words of its own. */
const noAnswer = (): null => null;

/** Asks the server, in this page's session. @throws CourierTrouble with words for a person */
export async function ask(path: string, init: RequestInit = {}): Promise<Response> {
  for (let again = false; ; again = true) {
    const token = useCourier.getState().session?.token ?? '';
    const response = await fetch(`/api${path}`, {
      ...init,
      headers: { ...init.headers, 'x-attic-session': token },
    }).catch(noAnswer);
    if (!response) throw new CourierTrouble('The courier can’t be reached. Nothing was sent; try again.');
    // The server was started anew: a new session, then once more.
    if (response.status === 401 && !again) {
      await beginSession();
      continue;
    }
    if (!response.ok) {
      // An answer without words is told by its number.
      const body = ErrorAnswer.safeParse(await response.json().catch(noAnswer));
      throw new CourierTrouble(
        body.success ? body.data.error : `The courier answered with an error (${response.status}).`,
        response.status,
      );
    }
    return response;
  }
}

export type CommandWithoutId = Command extends infer C
  ? C extends { id: string }
    ? Omit<C, 'id'>
    : never
  : never;

/** Asks with a body. @throws CourierTrouble with words for a person */
export function askWith(path: string, body: unknown, method: 'POST' | 'PUT' = 'POST'): Promise<Response> {
  return ask(path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
}

/** Gives the courier a command. A lost answer is asked for again under the same id, so it is done once. */
export async function command(wish: CommandWithoutId): Promise<CommandAnswer & { id: string }> {
  const id = nanoid().replace(/^[-_]+/u, 'x');
  const by = useAttic.getState().settings.author || undefined;
  for (let tries = 1; ; tries += 1)
    try {
      return { ...CommandAnswer.parse(await (await askWith('/commands', { ...wish, by, id })).json()), id };
    } catch (error) {
      if (tries >= 3) throw error;
      await new Promise((done) => setTimeout(done, 400 * tries));
    }
}

/** Reads all rules. One sheet that does not fit costs that marketplace, not the others. */
export async function loadSheets(): Promise<void> {
  const { sheets: told, missing } = SheetsAnswer.parse(await (await ask('/sheets')).json());
  const sheets: RuleSheet[] = [];
  const sheetsMissing = [...missing];
  for (const one of told) {
    const sheet = RuleSheet.safeParse(one);
    if (sheet.success) sheets.push(sheet.data);
    else sheetsMissing.push(misfitSheet(one));
  }
  useCourier.setState({ sheets, sheetsMissing });
}

function misfitSheet(told: unknown): CourierLink['sheetsMissing'][number] {
  const { marketplace, name } = (told ?? {}) as Record<string, unknown>;
  const market = typeof marketplace === 'string' ? marketplace.slice(0, 60) : '';
  return {
    market,
    name: typeof name === 'string' ? name.slice(0, 60) : market,
    why: 'Its rules are written in a way this page does not understand.',
  };
}

/** How long a page that has only just opened waits to hear which marketplaces there are, milliseconds. */
const FIRST_PATIENCE = 10_000;

/** @throws CourierTrouble when nothing is heard of any */
export async function marketsKnown(): Promise<MarketView[]> {
  const heard = () => useCourier.getState().markets;
  if (heard().length === 0)
    await new Promise<void>((done) => {
      const over = setTimeout(finish, FIRST_PATIENCE);
      const stop = useCourier.subscribe(() => heard().length > 0 && finish());
      function finish() {
        clearTimeout(over);
        stop();
        done();
      }
    });
  if (heard().length === 0) throw new CourierTrouble('The courier can’t be reached. Try again in a moment.');
  return heard();
}

/** Brings a picture or clip to the courier's shelf. @returns its SHA-256 */
export async function shelve(sort: 'pictures' | 'clips', blob: Blob): Promise<string> {
  const bytes = await blob.arrayBuffer();
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  const hash = [...digest].map((b) => b.toString(16).padStart(2, '0')).join('');
  await ask(`/${sort}/${hash}`, { method: 'PUT', headers: { 'content-type': blob.type }, body: bytes });
  return hash;
}

/** What was sent last of an item, by marketplace. @throws CourierTrouble */
export async function sentDrafts(item: string): Promise<Record<string, ListingDraft>> {
  return DraftsAnswer.parse(await (await ask(`/drafts/${encodeURIComponent(item)}`)).json()).drafts;
}

export async function ledgerLines(before?: number): Promise<{ lines: LedgerLine[]; more: boolean }> {
  const query = before === undefined ? '' : `?before=${before}`;
  return LedgerAnswer.parse(await (await ask(`/ledger${query}`)).json());
}

/** The whole ledger as a table, to be kept elsewhere. */
export async function ledgerFile(): Promise<Blob> {
  return (await ask('/ledger/file')).blob();
}

/** Listens until it is stopped; after sleep or a restart it goes on where it was. @returns stops */
export function listen(): () => void {
  let open = true;
  let wake: () => void = () => undefined;
  const leave = () => hanging?.abort();
  // A page that the browser keeps aside, for the way back, must not hold a connection: there are only six for
  // all.
  window.addEventListener('pagehide', leave);
  onFault((told) => void askWith('/faults', told).catch(unlessReported));
  void (async () => {
    for (let wait = 500; open; wait = Math.min(5_000, wait * 1.5)) {
      try {
        await hear();
        wait = 500;
      } catch (error) {
        // No answer is said by `connected`; anything else is a fault. Both are tried again below.
        if (!(error instanceof Quiet) && !isBroken(error)) unlessExpected('hearing the courier')(error);
      }
      useCourier.setState({ connected: false, heardAt: useCourier.getState().caughtUp ? lastHeard : null });
      if (!open) return;
      await new Promise<void>((done) => {
        const timer = setTimeout(done, wait);
        wake = () => {
          clearTimeout(timer);
          done();
        };
      });
    }
  })();
  return () => {
    open = false;
    window.removeEventListener('pagehide', leave);
    leave();
    wake();
  };
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

async function hear(): Promise<void> {
  const mine = new AbortController();
  hanging = mine;
  const response = await ask('/events', { headers: { 'last-event-id': lastEventId }, signal: mine.signal });
  if (!response.body) return;
  useCourier.setState({ connected: true });
  const missing = useCourier.getState().sheets.length === 0;
  if (missing) void loadSheets().catch(unlessExpected('reading the rules of marketplaces'));
  const parser = createParser({
    onEvent: (event) => {
      if (event.id) lastEventId = event.id;
      // A fault of ours in taking one in must not end the hearing of the others.
      try {
        take(event.event ?? '', event.data);
      } catch (error) {
        fault('hearing the courier', error);
      }
    },
  });
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let timer: ReturnType<typeof setTimeout> | undefined;
  try {
    for (;;) {
      const quiet = new Promise<never>((_, fail) => {
        timer = setTimeout(() => fail(new Quiet()), LONGEST_QUIET);
      });
      const { done, value } = await Promise.race([reader.read(), quiet]);
      clearTimeout(timer);
      if (done) return;
      lastHeard = Date.now();
      parser.feed(value);
    }
  } finally {
    clearTimeout(timer);
    mine.abort();
    // The connection is over already: what its reader says to that is nobody's business.
    await reader.cancel().catch(noAnswer);
  }
}

function take(name: string, data: string): void {
  let value: unknown;
  try {
    value = JSON.parse(data);
  } catch (error) {
    fault('hearing the courier', error);
    return;
  }
  if (name === 'item') takeItem(value);
  else if (name === 'marketplaces') takeMarkets(value);
  else if (name === 'health') {
    const health = CourierHealth.safeParse(value);
    if (health.success) useCourier.setState({ health: health.data });
    else fault('hearing how the courier is', health.error);
  } else if (name === 'caughtUp') {
    useCourier.setState({ caughtUp: true });
  }
}

function takeItem(value: unknown): void {
  const view = CourierItemView.safeParse(value);
  if (!view.success) {
    // What is not understood is not left out: the person is told that what is shown may be old.
    const { id } = (value ?? {}) as { id?: unknown };
    const issue = view.error.issues[0];
    const why = `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`;
    useCourier.setState((s) => ({ misfits: { ...s.misfits, [String(id).slice(0, 64)]: why } }));
    fault('hearing of a listing', new Error(why));
    return;
  }
  const { id, sale } = view.data;
  useCourier.setState((s) => {
    const { [id]: known, ...misfits } = s.misfits;
    return { items: { ...s.items, [id]: view.data }, ...(known === undefined ? {} : { misfits }) };
  });
  if (sale) saleListener(id, sale.at);
}

function takeMarkets(value: unknown): void {
  const told = Array.isArray(value) ? (value as unknown[]) : [];
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
