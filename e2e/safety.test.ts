import { request } from 'node:http';

import { ServerProcess } from './serverProcess';

let server: ServerProcess;
let token: string;

beforeAll(async () => {
  server = await ServerProcess.start();
  token = ((await (await fetch(`${server.address}/api/session`)).json()) as { token: string }).token;
});
afterAll(() => server?.kill());

/** A request with headers that fetch would not let us set. */
function ask(path: string, headers: Record<string, string>, method = 'GET', body = ''): Promise<number> {
  return new Promise((done, fail) => {
    const call = request(
      {
        host: '127.0.0.1',
        // A connection of its own each: the server may close one it answered early.
        agent: false,
        port: server.port,
        path,
        method,
        headers: { ...headers, 'content-length': Buffer.byteLength(body) },
      },
      (r) => {
        r.resume();
        done(r.statusCode ?? 0);
      },
    );
    call.on('error', fail);
    call.end(body);
  });
}

describe('what is turned away', () => {
  it('a name that is not ours, whoever points it here', async () => {
    expect(await ask('/', { host: 'attic.example' })).toBe(421);
    expect(await ask('/', { host: `localhost:${server.port}` })).toBe(200);
  });
  it('the session for another site’s page, or a sandboxed one', async () => {
    expect(await ask('/api/session', { 'sec-fetch-site': 'cross-site' })).toBe(403);
    expect(await ask('/api/session', { origin: 'null' })).toBe(403);
    expect(await ask('/api/session', { origin: server.address, 'sec-fetch-site': 'same-origin' })).toBe(200);
  });
  it('a call without the token, or with a wrong one', async () => {
    expect(await ask('/api/sheets', {})).toBe(401);
    expect(await ask('/api/sheets', { 'x-attic-session': 'x'.repeat(token.length) })).toBe(401);
    expect(await ask('/api/sheets', { 'x-attic-session': token })).toBe(200);
    expect(await ask('/api/sheets', { 'x-attic-session': token, origin: 'http://attic.example' })).toBe(403);
  });
  it('commands that are not commands, or too long', async () => {
    const headers = { 'x-attic-session': token, 'content-type': 'application/json' };
    for (const body of [
      '',
      '{',
      'null',
      '{"type":"send"}',
      '{"type":"withdraw","id":"../x","item":"t","market":"m"}',
    ])
      expect(await ask('/api/commands', headers, 'POST', body)).toBe(400);
    expect(await ask('/api/commands', headers, 'POST', ' '.repeat(300_000))).toBe(413);
  });
  it('pictures that are something else', async () => {
    const headers = { 'x-attic-session': token };
    const hash = 'a'.repeat(64);
    expect(await ask(`/api/pictures/${hash}`, headers, 'PUT', 'hello')).toBe(422);
    expect(await ask('/api/pictures/..%2f..%2fetc', headers, 'PUT', 'x')).toBe(400);
  });
  it('a sale nobody signed', async () => {
    expect(
      await ask('/hooks/brackenmoor', { 'x-brackenmoor-signature': `${Date.now()}:00` }, 'POST', '{}'),
    ).toBe(401);
    expect(await ask('/hooks/threadwick', {}, 'POST', '{}')).toBe(401);
  });
});

it('answers a command given twice once, the same', async () => {
  const give = async () =>
    (
      await fetch(`${server.address}/api/commands`, {
        method: 'POST',
        headers: { 'x-attic-session': token, 'content-type': 'application/json' },
        body: JSON.stringify({ type: 'withdraw', id: 'twice', item: 't', market: 'brackenmoor' }),
      })
    ).json();
  expect(await give()).toEqual({ accepted: false, refusal: 'notListed' });
  expect(await give()).toEqual({ accepted: false, refusal: 'notListed' });
  const { lines } = (await (
    await fetch(`${server.address}/api/ledger`, { headers: { 'x-attic-session': token } })
  ).json()) as { lines: { type: string }[] };
  expect(lines.filter((l) => l.type === 'command')).toHaveLength(1);
});

it('serves the app under a content security policy, and stand-ins’ pages without an origin', async () => {
  const app = await fetch(server.address);
  expect(app.headers.get('content-security-policy')).toContain("script-src 'self' 'wasm-unsafe-eval'");
  const outside = await fetch(`${server.address}/outside/brackenmoor/`);
  const sandbox = outside.headers.get('content-security-policy')?.split(';')[0];
  // Forms, new pages and a mail to save; never a script, never an origin of its own.
  expect(sandbox?.split(' ')).toEqual(['sandbox', 'allow-forms', 'allow-popups', 'allow-downloads']);
  expect((await fetch(`${server.address}/no-such-file.js`)).status).toBe(404);
});
