import { createClient } from '@libsql/client';
import { spawnSync } from 'node:child_process';
import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { AtticSort } from '@/core/identity/atticSort';

import { freePort, until } from '../e2e/serverProcess';
import { Ledger } from './courier/ledger';
import { StartTrouble } from './faults/startTrouble';
import { start, type Running } from './start';

const running: Running[] = [];
let data: string;

beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'attic-start-'));
});
afterEach(async () => {
  for (const one of running.splice(0)) await one.stop();
});

async function begin(options: { restore?: boolean; sort?: AtticSort } = {}): Promise<Running> {
  const one = await start({ port: await freePort(), data, dist: data, demo: null, ...options });
  running.push(one);
  return one;
}
const stopAll = async () => {
  for (const one of running.splice(0)) await one.stop();
};
const trouble = (options: { restore?: boolean } = {}) =>
  begin(options).then(
    () => null,
    (error: unknown) => error as StartTrouble,
  );
const session = async ({ address }: Running) =>
  (await (await fetch(`${address}/api/session`)).json()) as {
    attic: string;
    token: string;
    earlierLedger: number | null;
  };
const ledgerFile = () => join(data, 'ledger.db');
/** Puts all that was written into the one file, as it is after a while. */
async function settle(file = ledgerFile()) {
  const db = createClient({ url: `file:${file}` });
  await db.execute('PRAGMA wal_checkpoint(TRUNCATE)');
  db.close();
}

describe('a data folder', () => {
  it('is one server’s: a second one says who has it, and starts once the first is gone', async () => {
    const first = await begin();
    const refused = await trouble();
    expect(refused).toMatchObject({ code: 'folderHeld', exitCode: 3 });
    expect(refused?.message).toContain(`process ${process.pid}, at ${first.address}`);
    await stopAll();
    expect(await trouble()).toBeNull();
  });
});

describe('what an attic is for', () => {
  const goOn = async ({ address }: Running, attic: string) => {
    const { token } = (await (await fetch(`${address}/api/session`)).json()) as { token: string };
    const answer = await fetch(`${address}/api/attic`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-attic-session': token },
      body: JSON.stringify({ attic }),
    });
    return answer.status;
  };
  it.each([
    ['own', 'Yonder Attic', 'demo-1'],
    ['demo', 'Yonder Attic, demo', 'own-1'],
    ['trial', 'Yonder Attic, trial', 'own-1'],
  ] as const)(
    '%s: its name, what a phone calls it, and that no other sort gets in',
    async (sort, name, other) => {
      const one = await begin({ sort });
      expect((await session(one)).attic).toMatch(new RegExp(`^${sort}-`, 'u'));
      const manifest = await fetch(`${one.address}/manifest.webmanifest`);
      expect(manifest.headers.get('content-type')).toContain('application/manifest+json');
      expect(await manifest.json()).toMatchObject({ name, display: 'standalone', start_url: '/' });
      expect(await goOn(one, other)).toBe(409);
      expect(await goOn(one, `${sort}-2`)).toBe(200);
      expect((await session(one)).attic).toBe(`${sort}-2`);
    },
  );
});

it('a folder that is none is told of in words', async () => {
  data = join(data, 'a-file');
  writeFileSync(data, '');
  expect(await trouble()).toMatchObject({
    code: 'cannotOpen',
    message: expect.stringMatching(/it is no folder/u),
  });
});

describe('a ledger that can’t be used', () => {
  it.each<[string, (file: string) => void, StartTrouble['code']]>([
    ['is no database', (file) => writeFileSync(file, 'not a ledger '.repeat(900)), 'damaged'],
    ['is only half there', (file) => truncateSync(file, 20_000), 'damaged'],
    [
      'has bytes in it that nobody wrote',
      (file) => writeFileSync(file, readFileSync(file).fill(0x5a, 8_192, 24_576)),
      'damaged',
    ],
  ])('%s: one message that says what is kept and what to do', async (_, spoil, code) => {
    await begin();
    await stopAll();
    await settle();
    spoil(ledgerFile());
    const before = readFileSync(ledgerFile());
    const told = await trouble();
    expect(told).toBeInstanceOf(StartTrouble);
    expect(told).toMatchObject({ code });
    expect(told?.message).toMatch(/left as it is.*No copy of it is kept.*browser still has all your items/u);
    expect(readFileSync(ledgerFile()).equals(before)).toBe(true);
  });
  it('is locked by another program', async () => {
    await begin();
    await stopAll();
    const db = createClient({ url: `file:${ledgerFile()}` });
    const held = await db.transaction('write');
    expect(await trouble()).toMatchObject({ code: 'locked' });
    await held.rollback();
    db.close();
    expect(await trouble()).toBeNull();
  });
  it('is no file at all', async () => {
    mkdirSync(ledgerFile());
    expect(await trouble()).toMatchObject({ code: 'cannotOpen' });
  });
  it('ends the process with a code and no stack', async () => {
    writeFileSync(ledgerFile(), 'not a ledger '.repeat(900));
    const done = spawnSync(
      process.execPath,
      ['--import', 'tsx', 'server/main.ts', '--port', String(await freePort()), '--data', data],
      { encoding: 'utf8' },
    );
    expect(done.status).toBe(5);
    expect(done.stderr.trim().split('\n')).toHaveLength(1);
    expect(done.stderr).toMatch(/damaged/u);
  });
  it('goes on with the kept copy when told to, looks before it lists, keeps the damaged one', async () => {
    const { attic } = await session(await begin());
    await stopAll();
    // A copy is made at the start of a ledger that has lines.
    await begin();
    await stopAll();
    await settle();
    truncateSync(ledgerFile(), 9_000);
    const told = await trouble();
    expect(told?.message).toMatch(/A good copy from .* is kept beside it.*--restore/u);
    const again = await begin({ restore: true });
    expect((await session(again)).attic).toBe(attic);
    expect(readdirSync(data).some((name) => name.startsWith('ledger.db.aside-'))).toBe(true);
    await stopAll();
    const ledger = await Ledger.open(ledgerFile());
    const lines = (await ledger.newest(1e9, 20, null)).lines.map((l) => l.event);
    ledger.close();
    expect(lines).toContainEqual(expect.objectContaining({ type: 'started', incomplete: true }));
  });
  it('says so where no copy is kept to go on with', async () => {
    expect(await trouble({ restore: true })).toMatchObject({ code: 'nothingKept' });
  });
});

describe('a ledger that was lost', () => {
  it('is begun anew, tells of the copy of the earlier one, and never writes over that', async () => {
    await begin();
    await stopAll();
    await begin();
    const earlier = await session(running[0]!);
    await stopAll();
    for (const name of readdirSync(data)) if (/^ledger\.db/u.test(name)) rmSync(join(data, name));
    writeFileSync(ledgerFile(), '');
    const fresh = await begin();
    const told = await session(fresh);
    expect(told.attic).not.toBe(earlier.attic);
    expect(told.earlierLedger).toBeGreaterThan(1_700_000_000_000);
    await stopAll();
    await begin();
    expect(readdirSync(data).filter((name) => name.includes('.kept.db.of-'))).toHaveLength(1);
  });
  it('works for the attic that a browser still has, once it is told to', async () => {
    const one = await begin();
    const { token } = await session(one);
    const say = (attic: unknown) =>
      fetch(`${one.address}/api/attic`, {
        method: 'POST',
        headers: { 'x-attic-session': token, 'content-type': 'application/json' },
        body: JSON.stringify({ attic }),
      });
    expect((await say('../../etc')).status).toBe(400);
    expect((await say('own-0123456789ab')).status).toBe(200);
    expect((await session(one)).attic).toBe('own-0123456789ab');
    await stopAll();
    expect((await session(await begin())).attic).toBe('own-0123456789ab');
  });
});

it('a stand-in’s damaged database is told of by name; the attic’s own is whole', async () => {
  await begin();
  await stopAll();
  const file = join(data, 'outside', 'threadwick.db');
  await settle(file);
  writeFileSync(file, 'junk '.repeat(2_000));
  const told = await trouble();
  expect(told?.message).toMatch(/“threadwick”.*Your attic and the ledger are whole/u);
});

it('a line of the ledger that can’t be read is left where it is, and told of', async () => {
  const one = await begin();
  const db = createClient({ url: `file:${ledgerFile()}` });
  await db.execute({
    sql: "INSERT INTO ledger (at, type, body, version) VALUES (1, 'news', ?, 1)",
    args: ['{"type":"news","market":7}'],
  });
  await db.execute({
    sql: "INSERT INTO ledger (at, type, body, version) VALUES (1, 'news', ?, 99)",
    args: ['{"type":"tick"}'],
  });
  db.close();
  await until('it runs', () => one.courier.health().unreadLines === 0);
  await stopAll();
  const again = await begin();
  expect(again.courier.health().unreadLines).toBe(2);
});

describe('what is sent to the API', () => {
  const told = async (path: string, body: string, type = 'application/json') => {
    const one = running[0] ?? (await begin());
    const { token } = await session(one);
    const answer = await fetch(`${one.address}/api${path}`, {
      method: 'POST',
      headers: { 'x-attic-session': token, 'content-type': type },
      body,
    });
    return { status: answer.status, body: await answer.json() };
  };
  it.each([
    ['no JSON', '/commands', '{"type":'],
    ['of another sort', '/commands', '{"type":"send"}'],
    ['not said to be JSON', '/commands', '{}'],
    ['nothing', '/labels', ''],
    ['a list', '/talks/nearstile/t1', '[]'],
  ])('%s: is turned away in words', async (_, path, body) => {
    const answer = await told(path, body, body === '{}' ? 'text/plain' : undefined);
    expect(answer).toEqual({ status: 400, body: { error: expect.stringMatching(/^(The|That) .*\.$/u) } });
  });
  it('and every answer has the headers that browsers go by', async () => {
    const one = running[0] ?? (await begin());
    const { headers } = await fetch(`${one.address}/api/session`);
    expect(Object.fromEntries(headers)).toMatchObject({
      'content-security-policy': expect.stringContaining("default-src 'none'"),
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'referrer-policy': 'no-referrer',
      'permissions-policy': 'camera=(self), geolocation=(), microphone=()',
      'cross-origin-opener-policy': 'same-origin',
    });
    const outside = await fetch(`${one.address}/outside/threadwick/`);
    expect(outside.headers.get('content-security-policy')).toContain('sandbox');
  });
});
