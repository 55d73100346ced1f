import { createClient, type Client, type InStatement } from '@libsql/client';

import type { CommandAnswer } from '@/contract/courier';
import { thingOfRef } from '@/core/courier/refs';
import type { CourierEvent } from '@/core/courier/types';

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
  thing?: string | null;
  answer?: CommandAnswer;
}

/**
 * The append-only record of all that happened, in an embedded SQL database file. Nothing is ever
 * changed or taken out; any state is rebuilt by reading it from the start.
 */
export class Ledger {
  private constructor(private readonly db: Client) {}

  static async open(url: string): Promise<Ledger> {
    const db = createClient({ url });
    await db.execute('PRAGMA journal_mode=WAL');
    await db.execute('PRAGMA synchronous=FULL');
    await db.batch(
      [
        `CREATE TABLE IF NOT EXISTS ledger (
           seq INTEGER PRIMARY KEY AUTOINCREMENT, at INTEGER NOT NULL, type TEXT NOT NULL,
           thing TEXT, market TEXT, command TEXT UNIQUE, answer TEXT, body TEXT NOT NULL)`,
        'CREATE INDEX IF NOT EXISTS ledger_thing ON ledger (thing)',
        'CREATE TABLE IF NOT EXISTS snapshot (seq INTEGER PRIMARY KEY, body TEXT NOT NULL)',
        'CREATE TABLE IF NOT EXISTS sheet (market TEXT PRIMARY KEY, body TEXT NOT NULL)',
        'CREATE TABLE IF NOT EXISTS fact (name TEXT PRIMARY KEY, body TEXT NOT NULL)',
      ],
      'write',
    );
    return new Ledger(db);
  }

  /** Writes events in one transaction, durably. @returns the last line's number */
  async append(entries: readonly Entry[], at: number): Promise<number> {
    const statements: InStatement[] = entries.map(({ event, answer, thing }) => ({
      sql: 'INSERT INTO ledger (at, type, thing, market, command, answer, body) VALUES (?,?,?,?,?,?,?)',
      args: [
        at,
        event.type === 'command' ? event.command.type : event.type,
        thing ?? thingIn(event),
        marketIn(event),
        event.type === 'command' ? event.command.id : null,
        answer ? JSON.stringify(answer) : null,
        JSON.stringify(event),
      ],
    }));
    const results = await this.db.batch(statements, 'write');
    return Number(results.at(-1)?.lastInsertRowid ?? 0);
  }

  /** Every line in order, read in portions. */
  async *read(after = 0): AsyncGenerator<Line> {
    for (let from = after; ;) {
      const { rows } = await this.db.execute({
        sql: 'SELECT seq, at, answer, body FROM ledger WHERE seq > ? ORDER BY seq LIMIT 5000',
        args: [from],
      });
      for (const row of rows) {
        from = Number(row.seq);
        const answer = row.answer ? (JSON.parse(String(row.answer)) as CommandAnswer) : undefined;
        yield {
          seq: from,
          at: Number(row.at),
          event: JSON.parse(String(row.body)) as CourierEvent,
          ...(answer ? { answer } : {}),
        };
      }
      if (rows.length < 5_000) return;
    }
  }

  /** Keeps what came out of all lines up to one, in place of what was kept so before. Nothing is true because of it. */
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

  /** The newest snapshot; null where there is none that can be read. */
  async snapshot(): Promise<{ seq: number; body: unknown } | null> {
    const { rows } = await this.db.execute('SELECT seq, body FROM snapshot ORDER BY seq DESC LIMIT 1');
    try {
      return rows[0] ? { seq: Number(rows[0].seq), body: JSON.parse(String(rows[0].body)) } : null;
    } catch {
      return null;
    }
  }

  /** The newest lines before a number, newest first. */
  async newest(before: number, limit: number, thing: string | null): Promise<Line[]> {
    const { rows } = await this.db.execute({
      sql: `SELECT seq, at, body FROM ledger WHERE seq < ? ${thing ? 'AND thing = ?' : ''} ORDER BY seq DESC LIMIT ?`,
      args: thing ? [before, thing, limit] : [before, limit],
    });
    return rows.map((row) => ({
      seq: Number(row.seq),
      at: Number(row.at),
      event: JSON.parse(String(row.body)) as CourierEvent,
    }));
  }

  /** The answer a command got when it was first given; null: never given. */
  async answerTo(command: string): Promise<CommandAnswer | null> {
    const { rows } = await this.db.execute({
      sql: 'SELECT answer FROM ledger WHERE command=?',
      args: [command],
    });
    return rows[0] ? (JSON.parse(String(rows[0].answer)) as CommandAnswer) : null;
  }

  async keepSheet(market: string, body: unknown): Promise<void> {
    await this.db.execute({
      sql: 'INSERT INTO sheet (market, body) VALUES (?,?) ON CONFLICT (market) DO UPDATE SET body=excluded.body',
      args: [market, JSON.stringify(body)],
    });
  }

  async sheet(market: string): Promise<unknown> {
    const { rows } = await this.db.execute({ sql: 'SELECT body FROM sheet WHERE market=?', args: [market] });
    return rows[0] ? JSON.parse(String(rows[0].body)) : null;
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

  close(): void {
    this.db.close();
  }
}

/**
 * Which thing a line is about; null where it is about none or several.
 *
 * @param behind the thing a reference belongs to
 */
export function thingIn(
  event: CourierEvent,
  behind: (ref: string) => string | null = thingOfRef,
): string | null {
  if (event.type === 'command') return event.command.thing;
  if (event.type === 'strays') {
    const refs = [
      ...event.gone,
      ...[...event.lingering, ...event.edited, ...(event.found ?? []), ...(event.extra ?? [])].map(
        (x) => x.ref,
      ),
    ];
    return refs.length === 1 ? behind(refs[0]!) : null;
  }
  const ref =
    'ref' in event ? event.ref : event.type === 'news' && event.news.length === 1 ? event.news[0]?.ref : null;
  return ref ? behind(ref) : null;
}

export function marketIn(event: CourierEvent): string | null {
  if (event.type === 'command') return 'market' in event.command ? event.command.market : null;
  return 'market' in event ? event.market : null;
}
