import { createParser } from 'eventsource-parser';
import { nanoid } from 'nanoid';
import { create } from 'zustand';

import {
  CommandAnswer,
  CourierThingView,
  DraftsAnswer,
  LedgerAnswer,
  MarketView,
  SessionAnswer,
  SheetsAnswer,
} from '@/contract/courier';
import type { Command, LedgerLine, ListingDraft } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';

import { useAttic } from './attic';

export interface CourierLink {
  session: SessionAnswer | null;
  /** Whether the page hears the courier. */
  connected: boolean;
  /** All that happened before the page opened has been told. */
  caughtUp: boolean;
  things: Record<string, CourierThingView>;
  markets: MarketView[];
  sheets: RuleSheet[];
  sheetsMissing: { market: string; name: string; why: string }[];
}

export const useCourier = create<CourierLink>(() => ({
  session: null,
  connected: false,
  caughtUp: false,
  things: {},
  markets: [],
  sheets: [],
  sheetsMissing: [],
}));

/** The name of a marketplace; its id while nothing was heard of it. */
export const marketName = (id: string, markets = useCourier.getState().markets): string =>
  markets.find((m) => m.id === id)?.name ?? id;

/** The courier could not be asked, or said no; the message is for a person. */
export class CourierTrouble extends Error {
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

type SaleListener = (thingId: string, at: number) => void;
let saleListener: SaleListener = () => undefined;

/** Who is told of every sale heard of, old ones when the page opens included. */
export function onSale(listener: SaleListener): void {
  saleListener = listener;
}

let lastEventId = '0';
let listening = false;
let hanging: AbortController | null = null;

/** Begins a session with this server. @throws CourierTrouble when there is none */
export async function beginSession(): Promise<SessionAnswer> {
  const response = await fetch('/api/session', { cache: 'no-store' }).catch(() => null);
  if (!response?.ok) throw new CourierTrouble('The courier can’t be reached.');
  const session = SessionAnswer.parse(await response.json());
  useCourier.setState({ session });
  return session;
}

/** Asks the server, in this page's session. @throws CourierTrouble with words for a person */
export async function ask(path: string, init: RequestInit = {}): Promise<Response> {
  for (let again = false; ; again = true) {
    const token = useCourier.getState().session?.token ?? '';
    const response = await fetch(`/api${path}`, {
      ...init,
      headers: { ...init.headers, 'x-attic-session': token },
    }).catch(() => null);
    if (!response) throw new CourierTrouble('The courier can’t be reached. Nothing was sent; try again.');
    // The server was started anew: a new session, then once more.
    if (response.status === 401 && !again) {
      await beginSession();
      continue;
    }
    if (!response.ok) {
      const body = (await response.json().catch(() => null)) as { error?: string } | null;
      throw new CourierTrouble(
        body?.error ?? `The courier answered with an error (${response.status}).`,
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

export async function loadSheets(): Promise<void> {
  const { sheets, missing } = SheetsAnswer.parse(await (await ask('/sheets')).json());
  useCourier.setState({ sheets, sheetsMissing: missing });
}

/** Brings a picture or clip to the courier's shelf. @returns its SHA-256 */
export async function shelve(sort: 'pictures' | 'clips', blob: Blob): Promise<string> {
  const bytes = await blob.arrayBuffer();
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  const hash = [...digest].map((b) => b.toString(16).padStart(2, '0')).join('');
  await ask(`/${sort}/${hash}`, { method: 'PUT', headers: { 'content-type': blob.type }, body: bytes });
  return hash;
}

/** What was sent last of a thing, by marketplace. @throws CourierTrouble */
export async function sentDrafts(thing: string): Promise<Record<string, ListingDraft>> {
  return DraftsAnswer.parse(await (await ask(`/drafts/${encodeURIComponent(thing)}`)).json()).drafts;
}

export async function ledgerLines(before?: number): Promise<{ lines: LedgerLine[]; more: boolean }> {
  const query = before === undefined ? '' : `?before=${before}`;
  return LedgerAnswer.parse(await (await ask(`/ledger${query}`)).json());
}

/** The whole ledger as a table, to be kept elsewhere. */
export async function ledgerFile(): Promise<Blob> {
  return (await ask('/ledger/file')).blob();
}

/** Listens for as long as the page lives; after sleep or a restart it goes on where it was. */
export function listen(): void {
  if (listening) return;
  listening = true;
  // A page that the browser keeps aside, for the way back, must not hold a connection: there are only six for all.
  window.addEventListener('pagehide', () => hanging?.abort());
  void (async () => {
    for (let wait = 500; ; wait = Math.min(5_000, wait * 1.5)) {
      try {
        await hear();
        wait = 500;
      } catch {
        // Said by `connected`; tried again below.
      }
      useCourier.setState({ connected: false });
      await new Promise((done) => setTimeout(done, wait));
    }
  })();
}

async function hear(): Promise<void> {
  hanging = new AbortController();
  const response = await ask('/events', {
    headers: { 'last-event-id': lastEventId },
    signal: hanging.signal,
  });
  if (!response.body) return;
  useCourier.setState({ connected: true });
  const missing = useCourier.getState().sheets.length === 0;
  if (missing) void loadSheets().catch(() => undefined);
  const parser = createParser({
    onEvent: (event) => {
      if (event.id) lastEventId = event.id;
      take(event.event ?? '', event.data);
    },
  });
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  // A sleeping machine leaves connections half open: the server says "still" every 15 seconds.
  for (;;) {
    const quiet = new Promise<never>((_, fail) => setTimeout(() => fail(new Error('quiet')), 40_000));
    const { done, value } = await Promise.race([reader.read(), quiet]);
    if (done) return;
    parser.feed(value);
  }
}

function take(name: string, data: string): void {
  const value: unknown = JSON.parse(data);
  if (name === 'thing') {
    const view = CourierThingView.safeParse(value);
    if (!view.success) return;
    const { id, sale } = view.data;
    useCourier.setState((s) => ({ things: { ...s.things, [id]: view.data } }));
    if (sale) saleListener(id, sale.at);
  } else if (name === 'marketplaces') {
    const markets = MarketView.array().safeParse(value);
    if (!markets.success) return;
    useCourier.setState({ markets: markets.data });
    // A marketplace that was away when its rules were asked for may be back.
    const { sheets, sheetsMissing } = useCourier.getState();
    const missing = sheetsMissing.some((m) =>
      markets.data.some((v) => v.id === m.market && v.health === 'well'),
    );
    const outdated = markets.data.some(
      (v) =>
        v.sheetVersion !== null && sheets.some((x) => x.marketplace === v.id && x.version !== v.sheetVersion),
    );
    if (missing || outdated) void loadSheets().catch(() => undefined);
  } else if (name === 'caughtUp') {
    useCourier.setState({ caughtUp: true });
  }
}
