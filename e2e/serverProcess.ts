import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The real server in a process of its own, so that it can be killed. */
export class ServerProcess {
  private child: ChildProcess | null = null;

  private constructor(
    readonly port: number,
    readonly data: string,
    readonly world: string | null,
  ) {}

  /** Starts on a free port with data of its own. */
  static async start(world: string | null = null): Promise<ServerProcess> {
    const server = new ServerProcess(await freePort(), mkdtempSync(join(tmpdir(), 'attic-data-')), world);
    await server.up();
    return server;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async up(): Promise<void> {
    this.child = spawn(
      process.execPath,
      [
        ...['--import', 'tsx', 'server/main.ts', '--port', String(this.port), '--data', this.data],
        ...(this.world ? ['--demo', this.world] : []),
      ],
      { stdio: ['ignore', 'ignore', 'inherit'] },
    );
    await until('the server answers', async () =>
      fetch(`${this.address}/api/session`).then(
        (r) => r.ok,
        () => false,
      ),
    );
  }

  /** As a power cut would: nothing is said, nothing is finished. */
  async kill(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGKILL');
    await gone;
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
    return [...text.matchAll(new RegExp(`href="(/outside/${market}/(?:thing|p|ad)/[^"]+)"`, 'gu'))].map(
      (m) => m[1] ?? '',
    );
  }
}

/** Waits until something is true; says what it waited for when it never is. */
export async function until(
  what: string,
  check: () => Promise<boolean> | boolean,
  ms = 30_000,
): Promise<void> {
  const end = Date.now() + ms;
  for (;;) {
    if (await check()) return;
    if (Date.now() > end) throw new Error(`waited in vain: ${what}`);
    await new Promise((done) => setTimeout(done, 100));
  }
}

function freePort(): Promise<number> {
  return new Promise((done, fail) => {
    const probe = createServer();
    probe.on('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() =>
        typeof address === 'object' && address ? done(address.port) : fail(new Error('no port')),
      );
    });
  });
}
