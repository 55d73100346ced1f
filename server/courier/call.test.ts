import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';
import { z } from 'zod';

import { CallFailed } from './adapter';
import { call, readAs } from './call';

let server: Server;
let hits: string[];
let answer: (response: ServerResponse, hit: number) => void;

beforeEach(async () => {
  hits = [];
  server = createServer((request: IncomingMessage, response) => {
    hits.push(`${request.method} ${request.headers.authorization}`);
    request.resume();
    request.on('end', () => answer(response, hits.length));
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

const ask = (init: Partial<Parameters<typeof call>[1]> = {}) =>
  call(`http://127.0.0.1:${(server.address() as AddressInfo).port}/x`, {
    token: 'key',
    expected: [200],
    ...init,
  });
const failed = async (init: Partial<Parameters<typeof call>[1]> = {}) => {
  const error = await ask(init).catch((e: unknown) => e);
  expect(error).toBeInstanceOf(CallFailed);
  const { trouble, unclear, retryAfter, locked } = error as CallFailed;
  return { ...trouble, unclear, retryAfter, locked };
};
const says = (status: number, body: string, headers: Record<string, string> = {}) => {
  answer = (response) => response.writeHead(status, headers).end(body);
};

it('asks with the key, and gives back what was expected', async () => {
  says(200, '{"fine":true}');
  expect(await ask()).toEqual({ status: 200, body: { fine: true } });
  expect(hits).toEqual(['GET Bearer key']);
  says(204, '');
  expect(await ask({ expected: [204] })).toEqual({ status: 204, body: null });
});

it('what only asks is asked once more when the connection was closed under it, and no oftener', async () => {
  answer = (response, hit) => (hit === 1 ? response.destroy() : response.end('{}'));
  expect(await ask()).toEqual({ status: 200, body: {} });
  expect(hits).toHaveLength(2);
  answer = (response) => response.destroy();
  expect(await failed()).toMatchObject({ code: 'brokeOff', unclear: false });
  expect(hits).toHaveLength(4);
});

it('what changes something is never told twice: it may have been done', async () => {
  answer = (response) => response.destroy();
  for (const method of ['POST', 'PUT', 'DELETE'])
    expect(await failed({ method })).toMatchObject({ code: 'brokeOff', unclear: true });
  expect(hits).toHaveLength(3);
});

it('no call goes out on a connection that was used before: it may be closed under it', async () => {
  const used = new WeakSet<Socket>();
  answer = (response) => {
    const socket = response.socket!;
    // As where a kept connection's time is over just now.
    if (used.has(socket)) return void response.destroy();
    used.add(socket);
    response.end('{}');
  };
  for (const method of ['GET', 'POST', 'POST', 'PUT'])
    expect(await ask({ method })).toEqual({ status: 200, body: {} });
  expect(hits).toHaveLength(4);
});

it('an answer without end is not read, nor asked for again', async () => {
  answer = (response) => response.end(Buffer.alloc(5_000_000, 'x'));
  await failed();
  expect(hits).toHaveLength(1);
});

it.each([
  [429, { 'retry-after': '7' }, { code: 'slowDown', params: {} }, 7_000],
  [429, { 'retry-after': 'soon' }, { code: 'slowDown', params: {} }, 5_000],
  [429, { 'retry-after': '-4' }, { code: 'slowDown', params: {} }, 5_000],
  // Nobody is left alone for longer than an hour.
  [429, { 'retry-after': '999999' }, { code: 'slowDown', params: {} }, 3_600_000],
  [503, {}, { code: 'closed', params: {} }, null],
  [418, {}, { code: 'status', params: { status: 418 } }, null],
] as const)('%i %o: %o', async (status, headers, trouble, retryAfter) => {
  says(status, '', headers);
  expect(await failed({ method: 'POST' })).toEqual({ ...trouble, unclear: false, retryAfter, locked: false });
});

it('an error after a change leaves it unclear; a key that is not taken is said to be that', async () => {
  says(500, 'oops');
  expect((await failed({ method: 'POST' })).unclear).toBe(true);
  expect((await failed()).unclear).toBe(false);
  for (const status of [401, 403]) {
    says(status, '');
    expect(await failed()).toMatchObject({ locked: true, unclear: false });
  }
});

it('follows nobody elsewhere: a key is for one place', async () => {
  says(302, '', { location: 'http://127.0.0.1:1/' });
  expect(await failed()).toMatchObject({ code: 'status', params: { status: 302 } });
});

it('what was not agreed is no answer', async () => {
  says(200, '<html>');
  expect((await failed()).code).toBe('unreadable');
  expect(readAs(z.object({ a: z.number() }), { a: 1 })).toEqual({ a: 1 });
  expect(() => readAs(z.object({ a: z.number() }), { a: '1' })).toThrow(CallFailed);
});
