import { createClient, type Client, type InStatement } from '@libsql/client';
import { randomUUID } from 'node:crypto';
import { existsSync, statSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { z } from 'zod';

import { CommandAnswer } from '@/contract/courier';
import { LINE_VERSION, readEvent, Snapshot, type CourierEvent } from '@/contract/courierEvents';
import { readSheet, type RuleSheet } from '@/contract/ruleSheet';
import { itemOfRef } from '@/core/courier/refs';

import { databaseCode, StartTrouble } from '../faults/startTrouble';

export interface Line {
  seq: number;
  at: number;
  event: CourierEvent;
  /** Of a command. */
  answer?: CommandAnswer;
}

/** What goes in: an event, and for a command the answer it got. */
export interface Entry {
  event: CourierEvent;
  /** What it is about, where a reference alone does not tell. */
  item?: string | null;
  answer?: CommandAnswer;
}

/** A line that could not be read. It stays where it is. */
export interface Unread {
  seq: number;
  why: string;
}

/** A snapshot with what the courier keeps beside its state: the line of each item's newest change. */
const KeptSnapshot = Snapshot.extend({ changedAt: z.array(z.tuple([z.string(), z.number().int()])) });
export type KeptSnapshot = z.infer<typeof KeptSnapshot>;

/**
 * The append-only record of all that happened, in an embedded SQL database file. Nothing is ever
 * changed or taken out; any state is rebuilt by reading it from the start.
 */
export class Ledger {
  /** Lines that could not be read so far, each once. */
  readonly unread = new Map<number, Unread>();

  private constructor(
    private readonly db: Client,
    /** The ledger had no line yet when it was opened. */
    readonly isNew: boolean,
  ) {}

  /**
   * @param file where it is; made where there is none
   * @throws StartTrouble in words for a person where it can't be used: damaged, locked, read-only, or not to
   * be opened
   */
  static async open(file: string): Promise<Ledger> {
    try {
      const db = createClient({ url: `file:${file}` });
      try {
        return await Ledger.on(db);
      } catch (error) {
        db.close();
        throw error;
      }
    } catch (error) {
      throw ledgerTrouble(error, file);
    }
  }

  private static async on(db: Client): Promise<Ledger> {
    await db.execute('PRAGMA journal_mode=WAL');
    await db.execute('PRAGMA synchronous=FULL');
    const { rows: found } = await db.execute('PRAGMA quick_check(1)');
    if (found[0]?.quick_check !== 'ok') throw new Error(`SQLITE_CORRUPT: ${String(found[0]?.quick_check)}`);
    await upToDate(db);
    await db.batch(
      [
        `CREATE TABLE IF NOT EXISTS ledger (
           seq INTEGER PRIMARY KEY AUTOINCREMENT, at INTEGER NOT NULL, type TEXT NOT NULL,
           item TEXT, market TEXT, command TEXT UNIQUE, answer TEXT, body TEXT NOT NULL,
           version INTEGER NOT NULL DEFAULT 1)`,
        'CREATE INDEX IF NOT EXISTS ledger_item ON ledger (item)',
        'CREATE TABLE IF NOT EXISTS snapshot (seq INTEGER PRIMARY KEY, body TEXT NOT NULL)',
        'CREATE TABLE IF NOT EXISTS sheet (market TEXT PRIMARY KEY, body TEXT NOT NULL)',
        'CREATE TABLE IF NOT EXISTS fact (name TEXT PRIMARY KEY, body TEXT NOT NULL)',
      ],
      'write',
    );
    const { rows } = await db.execute('SELECT 1 FROM ledger LIMIT 1');
    const ledger = new Ledger(db, rows.length === 0);
    await ledger.keptOnce('ledger', () => randomUUID());
    return ledger;
  }

  /** Writes events in one transaction, durably. @returns the last line's number */
  async append(entries: readonly (Entry & { at?: number })[], now: number): Promise<number> {
    const statements: InStatement[] = entries.map(({ event, answer, item, at = now }) => ({
      sql:
        'INSERT INTO ledger (at, type, item, market, command, answer, body, version) VALUES ' +
        '(?,?,?,?,?,?,?,?)',
      args: [
        at,
        event.type === 'command' ? event.command.type : event.type,
        item ?? itemIn(event),
        marketIn(event),
        event.type === 'command' ? event.command.id : null,
        answer ? JSON.stringify(answer) : null,
        JSON.stringify(event),
        LINE_VERSION,
      ],
    }));
    const results = await this.db.batch(statements, 'write');
    return Number(results.at(-1)?.lastInsertRowid ?? 0);
  }

  /** Whether anything can be written just now. @throws what the database says where not */
  async tryWriting(): Promise<void> {
    await this.keep('triedWriting', String(Date.now()));
  }

  /**
   * Every line in order, read in portions. What can't be read is left where it is, and noted in
   * {@link unread}.
   */
  async *read(after = 0): AsyncGenerator<Line> {
    for (let from = after; ;) {
      const { rows } = await this.db.execute({
        sql: 'SELECT seq, at, answer, body, version FROM ledger WHERE seq > ? ORDER BY seq LIMIT 5000',
        args: [from],
      });
      for (const row of rows) {
        from = Number(row.seq);
        const line = this.line(row);
        if (line) yield line;
      }
      if (rows.length < 5_000) return;
    }
  }

  private line(row: Record<string, unknown>): Line | null {
    const seq = Number(row.seq);
    const read = readEvent(json(row.body), Number(row.version));
    if (!read.ok) {
      this.unread.set(seq, { seq, why: read.why });
      return null;
    }
    const answer = CommandAnswer.safeParse(json(row.answer));
    return { seq, at: Number(row.at), event: read.event, ...(answer.success ? { answer: answer.data } : {}) };
  }

  /**
   * Keeps what came out of all lines up to one, in place of what was kept so before. Nothing is true because
   * of it.
   */
  async keepSnapshot(seq: number, body: unknown): Promise<void> {
    await this.db.batch(
      [
        {
          sql: 'INSERT OR REPLACE INTO snapshot (seq, body) VALUES (?,?)',
          args: [seq, JSON.stringify(body)],
        },
        { sql: 'DELETE FROM snapshot WHERE seq < ?', args: [seq] },
      ],
      'write',
    );
  }

  /** The newest snapshot; null where there is none that can be read: then all lines are. */
  async snapshot(): Promise<{ seq: number; body: KeptSnapshot } | null> {
    const { rows } = await this.db.execute('SELECT seq, body FROM snapshot ORDER BY seq DESC LIMIT 1');
    const body = KeptSnapshot.safeParse(json(rows[0]?.body));
    return rows[0] && body.success ? { seq: Number(rows[0].seq), body: body.data } : null;
  }

  /** The newest lines before a number, newest first, and whether there are older ones. */
  async newest(
    before: number,
    limit: number,
    item: string | null,
  ): Promise<{ lines: Line[]; more: boolean }> {
    const { rows } = await this.db.execute({
      sql:
        `SELECT seq, at, body, version FROM ledger WHERE seq < ? ${item ? 'AND item = ?' : ''} ORDER ` +
        'BY seq DESC LIMIT ?',
      args: item ? [before, item, limit] : [before, limit],
    });
    return { lines: rows.flatMap((row) => this.line(row) ?? []), more: rows.length === limit };
  }

  /** When the newest line was written; 0: there is none. */
  async lastAt(): Promise<number> {
    const { rows } = await this.db.execute('SELECT at FROM ledger ORDER BY seq DESC LIMIT 1');
    return Number(rows[0]?.at ?? 0);
  }

  /** The answer a command got when it was first given; null: never given. */
  async answerTo(command: string): Promise<CommandAnswer | null> {
    const { rows } = await this.db.execute({
      sql: 'SELECT answer FROM ledger WHERE command=?',
      args: [command],
    });
    if (!rows[0]) return null;
    const answer = CommandAnswer.safeParse(json(rows[0].answer));
    // It was given, whatever became of the words: it must not be carried out twice.
    return answer.success ? answer.data : { accepted: true };
  }

  async keepSheet(market: string, body: unknown): Promise<void> {
    await this.db.execute({
      sql:
        'INSERT INTO sheet (market, body) VALUES (?,?) ON CONFLICT (market) DO UPDATE SET ' +
        'body=excluded.body',
      args: [market, JSON.stringify(body)],
    });
  }

  /** The rules of a marketplace as they were kept last; null where there are none that can be read. */
  async sheet(market: string): Promise<RuleSheet | null> {
    const { rows } = await this.db.execute({ sql: 'SELECT body FROM sheet WHERE market=?', args: [market] });
    return readSheet(json(rows[0]?.body));
  }

  /** A value made once and kept: the attic's name, the tokens. */
  async keptOnce(name: string, make: () => string): Promise<string> {
    await this.db.execute({
      sql: 'INSERT OR IGNORE INTO fact (name, body) VALUES (?,?)',
      args: [name, make()],
    });
    const { rows } = await this.db.execute({ sql: 'SELECT body FROM fact WHERE name=?', args: [name] });
    return String(rows[0]?.body);
  }

  async keep(name: string, value: string): Promise<void> {
    await this.db.execute({
      sql: 'INSERT INTO fact (name, body) VALUES (?,?) ON CONFLICT (name) DO UPDATE SET body=excluded.body',
      args: [name, value],
    });
  }

  async fact(name: string): Promise<string | null> {
    const { rows } = await this.db.execute({ sql: 'SELECT body FROM fact WHERE name=?', args: [name] });
    return rows[0] ? String(rows[0].body) : null;
  }

  /**
   * Writes a whole, checked copy of the ledger to a file, in place of the one before. A copy of another
   * ledger is not written over: it is put aside under the time it was made.
   */
  async copyTo(file: string): Promise<void> {
    const draft = `${file}.part`;
    await rm(draft, { force: true });
    await this.db.execute({ sql: 'VACUUM INTO ?', args: [draft] });
    if (existsSync(file) && (await nameOf(file)) !== (await this.fact('ledger')))
      await rename(
        file,
        `${file}.of-${new Date(statSync(file).mtimeMs).toISOString().replace(/[:.]/gu, '-')}`,
      );
    await rename(draft, file);
  }

  close(): void {
    this.db.close();
  }
}

/** What the courier needs of a ledger; a simulated evening has one in memory. */
export type CourierLedger = Pick<
  Ledger,
  | 'append'
  | 'read'
  | 'unread'
  | 'answerTo'
  | 'snapshot'
  | 'keepSnapshot'
  | 'lastAt'
  | 'tryWriting'
  | 'keepSheet'
  | 'sheet'
>;

/**
 * Brings the table of a ledger that was begun earlier up to date; one that is yet to be made is left alone.
 */
async function upToDate(db: Client): Promise<void> {
  const { rows } = await db.execute('PRAGMA table_info(ledger)');
  const columns = new Set(rows.map((row) => row.name));
  const steps: string[] = [];
  // From before lines had a version: theirs is the first.
  if (columns.size > 0 && !columns.has('version'))
    steps.push('ALTER TABLE ledger ADD COLUMN version INTEGER NOT NULL DEFAULT 1');
  // From before what is sold was called an item.
  if (columns.has('thing'))
    steps.push('ALTER TABLE ledger RENAME COLUMN thing TO item', 'DROP INDEX IF EXISTS ledger_thing');
  if (steps.length > 0) await db.batch(steps, 'write');
}

/** Which ledger a copy is of; null where that can't be told. */
async function nameOf(file: string): Promise<string | null> {
  const db = createClient({ url: `file:${file}` });
  try {
    const { rows } = await db.execute("SELECT body FROM fact WHERE name='ledger'");
    return rows[0] ? String(rows[0].body) : null;
  } catch (error) {
    // A copy that can't be read is not worth keeping the name for.
    if (databaseCode(error) === null && !/no such table/u.test(String(error))) throw error;
    return null;
  } finally {
    db.close();
  }
}

/** What is wrong with the ledger's file, in words for the person who started the server. */
function ledgerTrouble(error: unknown, file: string): unknown {
  const what = `The ledger “${file}”`;
  switch (databaseCode(error)) {
    case 'damaged':
      return new StartTrouble('damaged', `${what} is damaged or is no ledger. It was left as it is.`);
    case 'locked':
      return new StartTrouble(
        'locked',
        `${what} is locked by another program. Nothing was changed. Close that program, then start again.`,
      );
    case 'readOnly':
    case 'full':
    case 'unwritable':
      return new StartTrouble(
        'readOnly',
        `${what} can’t be written: the disk is full, or the file or its folder is read-only. ` +
          'Nothing was changed. Put that right, then start again.',
      );
    case 'cannotOpen':
      return new StartTrouble(
        'cannotOpen',
        `${what} can’t be opened. Nothing was changed. See that its folder is there and may be ` +
          'read and written, then start again.',
      );
    default:
      return error;
  }
}

function json(text: unknown): unknown {
  try {
    return typeof text === 'string' ? JSON.parse(text) : null;
  } catch {
    // Whoever asked parses what comes: null fits nothing.
    return null;
  }
}

/**
 * Which item a line is about; null where it is about none or several.
 *
 * @param behind the item a reference belongs to
 */
export function itemIn(
  event: CourierEvent,
  behind: (ref: string) => string | null = itemOfRef,
): string | null {
  if (event.type === 'command') return event.command.item;
  if (event.type === 'strays') {
    const refs = [
      ...event.gone,
      ...[...event.stale, ...event.edited, ...(event.found ?? []), ...(event.duplicates ?? [])].map(
        (x) => x.ref,
      ),
    ];
    const [ref] = refs;
    return ref !== undefined && refs.length === 1 ? behind(ref) : null;
  }
  const ref =
    'ref' in event ? event.ref : event.type === 'news' && event.news.length === 1 ? event.news[0]?.ref : null;
  return ref ? behind(ref) : null;
}

export function marketIn(event: CourierEvent): string | null {
  if (event.type === 'command') return 'market' in event.command ? event.command.market : null;
  return 'market' in event ? event.market : null;
}
