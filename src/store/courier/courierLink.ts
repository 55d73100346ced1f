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
import { fieldsOf } from '@/contract/fields';
import { RuleSheet } from '@/contract/ruleSheet';
import { useAttic } from '@/store/attic/attic';
import { Expected } from '@/store/base/faults';

export interface CourierLink {
  session: SessionAnswer | null;
  /** The attic that is open here; null: none yet. */
  attic: string | null;
  /** Whether the page hears the courier. */
  connected: boolean;
  /** All that happened before the page opened has been told. */
  caughtUp: boolean;
  /** When it was last heard, by this page or an earlier one, once it had told all; null: it never had. */
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
  attic: null,
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

/** A server that does not say who it is within this time is as good as away, milliseconds. */
const SESSION_PATIENCE = 20_000;

/** Begins a session with this server. @throws CourierTrouble when there is none */
export async function beginSession(): Promise<SessionAnswer> {
  const patience = new AbortController();
  const timer = setTimeout(() => patience.abort(), SESSION_PATIENCE);
  const response = await fetch('/api/session', { cache: 'no-store', signal: patience.signal })
    .catch(noAnswer)
    .finally(() => clearTimeout(timer));
  if (!response?.ok) throw new CourierTrouble('The courier can’t be reached.');
  const session = SessionAnswer.parse(await response.json());
  useCourier.setState(({ attic }) => ({ session, otherAttic: attic !== null && attic !== session.attic }));
  return session;
}

/** From now on this attic is open here: another one’s courier is neither heard nor asked. */
export function workFor(attic: string): void {
  useCourier.setState(({ session }) => ({
    attic,
    otherAttic: session !== null && session.attic !== attic,
  }));
}

/** Has the courier, whose ledger is new, work for this attic from now on. @throws CourierTrouble */
export async function goOnWith(attic: string): Promise<void> {
  const session = SessionAnswer.parse(await (await askWith('/attic', { attic })).json());
  useCourier.setState({ session, otherAttic: false });
}

/** What is asked of one attic's courier is never told to another's. */
class OtherAttic extends CourierTrouble {
  constructor() {
    super('The courier works for another attic now: nothing was sent. Reload the page to choose.');
  }
}

/** A call that got no answer: whoever called says so in words of its own. */
const noAnswer = (): null => null;

/** Asks the server, in this page's session. @throws CourierTrouble with words for a person */
export async function ask(path: string, init: RequestInit = {}): Promise<Response> {
  for (let again = false; ; again = true) {
    // A page that opened with no connection has no session yet.
    if (useCourier.getState().session === null) await beginSession();
    if (useCourier.getState().otherAttic) throw new OtherAttic();
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
  const { marketplace, name } = fieldsOf(told);
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
