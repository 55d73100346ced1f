import { createClient, type Client } from '@libsql/client';

/** A stand-in's own database: documents by sort and id, and a log of happenings. Survives restarts. */
export class Store {
  private constructor(private readonly db: Client) {}

  static async open(file: string): Promise<Store> {
    const db = createClient({ url: `file:${file}` });
    await db.execute('PRAGMA journal_mode=WAL');
    await db.execute('PRAGMA synchronous=FULL');
    const { rows } = await db.execute('PRAGMA quick_check(1)');
    if (rows[0]?.quick_check !== 'ok') throw new Error(`SQLITE_CORRUPT: ${String(rows[0]?.quick_check)}`);
    await db.batch(
      [
        'CREATE TABLE IF NOT EXISTS doc (sort TEXT, id TEXT, body TEXT NOT NULL, PRIMARY KEY (sort, id))',
        'CREATE TABLE IF NOT EXISTS happening (n INTEGER PRIMARY KEY AUTOINCREMENT, body TEXT NOT NULL)',
        'CREATE TABLE IF NOT EXISTS picture (id TEXT PRIMARY KEY, bytes BLOB NOT NULL)',
      ],
      'write',
    );
    return new Store(db);
  }

  async get<T>(sort: string, id: string): Promise<T | null> {
    const found = await this.db.execute({
      sql: 'SELECT body FROM doc WHERE sort=? AND id=?',
      args: [sort, id],
    });
    const row = found.rows[0];
    return row ? bodyAs<T>(row.body) : null;
  }

  async all<T>(sort: string): Promise<T[]> {
    const found = await this.db.execute({
      sql: 'SELECT body FROM doc WHERE sort=? ORDER BY rowid',
      args: [sort],
    });
    return found.rows.map((row) => bodyAs<T>(row.body));
  }

  /** Writes documents, and what happened because of them, in one transaction. */
  async write(
    docs: { sort: string; id: string; body: unknown }[],
    happenings: unknown[] = [],
  ): Promise<void> {
    await this.db.batch(
      [
        ...docs.map((d) => ({
          sql:
            'INSERT INTO doc (sort, id, body) VALUES (?,?,?) ON CONFLICT (sort, id) DO UPDATE SET ' +
            'body=excluded.body',
          args: [d.sort, d.id, JSON.stringify(d.body)],
        })),
        ...happenings.map((h) => ({
          sql: 'INSERT INTO happening (body) VALUES (?)',
          args: [JSON.stringify(h)],
        })),
      ],
      'write',
    );
  }

  async drop(sort: string, id: string): Promise<void> {
    await this.db.execute({ sql: 'DELETE FROM doc WHERE sort=? AND id=?', args: [sort, id] });
  }

  async happeningsAfter<T>(n: number, limit: number): Promise<{ n: number; body: T }[]> {
    const found = await this.db.execute({
      sql: 'SELECT n, body FROM happening WHERE n > ? ORDER BY n LIMIT ?',
      args: [n, limit],
    });
    return found.rows.map((row) => ({ n: Number(row.n), body: bodyAs<T>(row.body) }));
  }

  async putPicture(id: string, bytes: Uint8Array): Promise<void> {
    await this.db.execute({
      sql: 'INSERT OR REPLACE INTO picture (id, bytes) VALUES (?,?)',
      args: [id, bytes],
    });
  }

  async picture(id: string): Promise<Uint8Array<ArrayBuffer> | null> {
    const found = await this.db.execute({ sql: 'SELECT bytes FROM picture WHERE id=?', args: [id] });
    const bytes = found.rows[0]?.bytes;
    return bytes instanceof ArrayBuffer ? new Uint8Array(bytes) : null;
  }

  close(): void {
    this.db.close();
  }
}

function bodyAs<T>(body: unknown): T {
  // Written by this service itself, with the same type: a stand-in's database is nobody else's.
  return JSON.parse(String(body)) as T;
}
