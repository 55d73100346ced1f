import { createClient } from '@libsql/client';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { AtticSort } from '@/core/identity/atticSort';

import { COVERAGE, SERVER_COUNTS, serverWrites } from './coverage';
import { patience } from './injectLatency';

/** The real server in a process of its own, so that it can be killed. */
export class ServerProcess {
  private child: ChildProcess | null = null;

  private constructor(
    readonly port: number,
    readonly data: string,
    /** What the app begins with where it is empty; taken in at the next `up`. */
    public world: string | null,
    private readonly sort: AtticSort,
  ) {}

  /** Starts on a free port with data of its own. */
  static async start(
    world: string | null = null,
    sort: AtticSort = 'own',
    port: number | null = null,
  ): Promise<ServerProcess> {
    const data = mkdtempSync(join(tmpdir(), 'attic-data-'));
    const server = new ServerProcess(port ?? (await freePort()), data, world, sort);
    await server.up();
    // What waits for a review, or for a list to be worked through, is not what tests are about.
    for (const market of ['nearstile', 'quirestack']) await server.switchboard(market, { reviewTime: 300 });
    return server;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async up(): Promise<void> {
    this.child = spawn(
      process.execPath,
      [
        ...SERVER_COUNTS,
        ...(process.env.ATTIC_SERVER ? [process.env.ATTIC_SERVER] : ['--import', 'tsx', 'server/main.ts']),
        // Whatever world it begins with, it stays the same attic when that is taken away.
        ...['--port', String(this.port), '--data', this.data, '--pace', '0.3', '--sort', this.sort],
        ...(process.env.ATTIC_APP ? ['--dist', process.env.ATTIC_APP] : []),
        ...(this.world ? ['--demo', this.world] : []),
      ],
      { stdio: ['ignore', 'ignore', 'inherit', ...(COVERAGE ? ['ipc' as const] : [])] },
    );
    // Starting is what a machine that is shared with others does slowest, and no test is about how fast it
    // is.
    const answers = () =>
      fetch(`${this.address}/api/session`).then(
        (r) => r.ok,
        () => false,
      );
    await until('the server answers', answers);
  }

  /** As a power cut would: nothing is said, nothing is finished. */
  async kill(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    await serverWrites(child);
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGKILL');
    await gone;
  }

  /**
   * The files of the server may not grow beyond this any more: to whoever writes a longer one the disk is
   * full.
   *
   * @param bytes null: as long as they like again
   */
  limitFiles(bytes: number | null): void {
    execFileSync('prlimit', ['--pid', String(this.child?.pid), `--fsize=${bytes ?? 'unlimited'}:unlimited`]);
  }

  /** The key by which a marketplace lets the seller in, for doing there what a seller does by hand. */
  async token(market: string): Promise<string> {
    const db = createClient({ url: `file:${join(this.data, 'ledger.db')}` });
    const { rows } = await db.execute({
      sql: 'SELECT body FROM fact WHERE name=?',
      args: [`token.${market}`],
    });
    db.close();
    return String(rows[0]?.body);
  }

  /** Sets a stand-in's switchboard. */
  async switchboard(market: string, switches: Record<string, unknown>): Promise<void> {
    const response = await fetch(`${this.address}/outside/${market}/switchboard`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(switches),
    });
    if (!response.ok) throw new Error(`switchboard of ${market}: ${response.status}`);
  }

  /** What buyers see offered there just now, by their links. */
  async offered(market: string): Promise<string[]> {
    const text = await (await fetch(`${this.address}/outside/${market}/`)).text();
    return [...text.matchAll(new RegExp(`href="(/outside/${market}/(?:item|p|ad)/[^"]+)"`, 'gu'))].map(
      (m) => m[1] ?? '',
    );
  }
}

/**
 * A buyer who needs no browser: buys on a listing's public page.
 *
 * @param piece of something sold in variations, which; its code
 */
export async function buyAt(page: string, piece?: string): Promise<void> {
  const way = /\/outside\/(\w+)\//u.exec(page)?.[1];
  const chosen: Record<string, string> = piece === undefined ? {} : { piece };
  if (way === 'lanternyard') {
    const body = new URLSearchParams({ basket: '', ...chosen });
    const put = await fetch(`${page}/basket`, { method: 'POST', body, redirect: 'manual' });
    await fetch(new URL(`${put.headers.get('location')}/checkout`, page), { method: 'POST' });
    return;
  }
  const verb = way === 'threadwick' ? 'take' : way === 'quirestack' ? 'order' : 'buy';
  const body = new URLSearchParams(chosen);
  await fetch(`${page}/${verb}`, { method: 'POST', body, redirect: 'manual' });
}

/**
 * A buyer who writes to the seller there, or offers.
 *
 * @returns what the buyer does next in that conversation
 */
export async function writeAt(
  page: string,
  says: { who: string; words?: string; euros?: string },
): Promise<(act: 'pay' | 'agree') => Promise<void>> {
  const [base, id] = [page.replace(/\/[^/]+\/[^/]+$/u, ''), page.split('/').at(-1)];
  const body = new URLSearchParams({ words: '', euros: '', ...says });
  const answer = await fetch(`${base}/talk-about/${id}`, { method: 'POST', body, redirect: 'manual' });
  if (answer.status !== 303) throw new Error(`nobody could write there: ${answer.status}`);
  const way = new URL(answer.headers.get('location') ?? '', page);
  return async (act) => {
    await fetch(`${way.origin}${way.pathname}/${act}${way.search}`, { method: 'POST', redirect: 'manual' });
  };
}

/** Waits until something is true; says what it waited for when it never is. */
export async function until(
  what: string,
  check: () => Promise<boolean> | boolean,
  ms = 30_000,
): Promise<void> {
  const end = Date.now() + patience(ms);
  for (;;) {
    if (await check()) return;
    if (Date.now() > end) throw new Error(`waited in vain: ${what}`);
    await new Promise((done) => setTimeout(done, 80));
  }
}

/** A worker's first port: others, of this run or of one beside it, seldom begin with the same. */
const FIRST_PORT = 21_000 + 50 * ((process.ppid * 7 + Number(process.env.JEST_WORKER_ID ?? 0)) % 220);

/**
 * A port that nobody listens on just now: of one worker the same each time, so that browsers know the app
 * from there.
 */
export async function freePort(): Promise<number> {
  for (let port = FIRST_PORT; port < FIRST_PORT + 50; port += 1) if (await isFree(port)) return port;
  throw new Error('no port is free');
}

function isFree(port: number): Promise<boolean> {
  return new Promise((done) => {
    const probe = createServer();
    probe.on('error', () => done(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(true)));
  });
}
