import { serve, type HttpBindings } from '@hono/node-server';
import { Hono } from 'hono';
import type { Server } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';

import type { CourierItemView } from '@/contract/courier';

import { EventStream } from './eventStream';
import { freePort, until } from '../../e2e/serverProcess';
import type { Courier, ItemNews } from '../courier/courier';

const view = (id: string, size = 0): CourierItemView => ({
  id,
  listings: [],
  sale: null,
  laterSales: [],
  pieceSales: [],
  pastSales: [],
  hold: null,
  closing: null,
  ...(size ? { padding: 'x'.repeat(size) } : {}),
});

/** A courier that only tells. */
class Teller {
  known: ItemNews[] = [];
  private readonly pages = new Set<(news: ItemNews) => void>();
  views = () => this.known;
  markets = () => [];
  health = () => ({ cannotWrite: null, since: null, unreadLines: 0 });
  listen(onItem: (news: ItemNews) => void) {
    this.pages.add(onItem);
    return () => this.pages.delete(onItem);
  }
  tell(news: ItemNews) {
    this.pages.forEach((page) => page(news));
  }
  get heardBy() {
    return this.pages.size;
  }
}

let teller: Teller;
let events: EventStream;
let server: Server;
const sockets: Socket[] = [];

beforeEach(async () => {
  teller = new Teller();
  events = new EventStream(teller as unknown as Courier, 300);
  const app = new Hono<{ Bindings: HttpBindings }>();
  app.get('/events', (c) => events.answer(c));
  const port = await freePort();
  server = await new Promise((done) => {
    const made = serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, () =>
      done(made as Server),
    ) as Server;
  });
});
afterEach(async () => {
  events.stop();
  for (const socket of sockets.splice(0)) socket.destroy();
  server.closeAllConnections();
  await new Promise((done) => server.close(done));
});

/** A page that asks, and takes what comes or not. */
function page({ takes = true, since = '0' } = {}): { text: () => string; socket: Socket } {
  const { port } = server.address() as AddressInfo;
  let text = '';
  const socket = connect(port, '127.0.0.1', () =>
    socket.write(`GET /events HTTP/1.1\r\nHost: x\r\nLast-Event-ID: ${since}\r\n\r\n`),
  );
  // A page that was let go.
  socket.on('error', () => undefined);
  if (takes) socket.on('data', (data) => (text += data.toString()));
  else socket.pause();
  sockets.push(socket);
  return { text: () => text, socket };
}

it('tells what changed since, with what could not be written yet, and then that it is all', async () => {
  teller.known = [
    { seq: 3, view: view('old') },
    { seq: 9, view: view('new') },
    { seq: null, view: view('unwritten') },
  ];
  const { text } = page({ since: '5' });
  await until('it has caught up', () => text().includes('event: caughtUp'));
  expect(text()).not.toContain('"old"');
  expect(text().indexOf('"new"')).toBeLessThan(text().indexOf('"unwritten"'));
  expect(text()).toContain('id: 9');
  // What has no line yet moves nothing: after a crash it is told again.
  expect(text().match(/^id: /gmu)).toHaveLength(1);
});

it('lets a page go that takes nothing, and keeps nothing for it', async () => {
  const { socket } = page({ takes: false });
  await until('it listens', () => teller.heardBy === 1);
  const gone = new Promise((done) => socket.once('close', done));
  // More than connections hold by themselves.
  const timer = setInterval(() => teller.tell({ seq: 1, view: view(`t${Math.random()}`, 400_000) }), 5);
  await until('it is let go', () => teller.heardBy === 0, 20_000);
  clearInterval(timer);
  socket.resume();
  await gone;
  expect(events.listeners).toBe(0);
});

it('listens to so many pages and no more: the oldest are let go', async () => {
  const pages = [];
  for (let n = 0; n < 60; n += 1) {
    const one = page();
    pages.push(one);
    await until('it listens', () => one.text().includes('caughtUp'));
  }
  expect(events.listeners).toBe(32);
  const last = pages.at(-1)!;
  teller.tell({ seq: 4, view: view('told') });
  await until('the newest hears', () => last.text().includes('"told"'));
  expect(pages[0]!.text()).not.toContain('"told"');
});

it('a page that leaves is forgotten', async () => {
  const { socket } = page();
  await until('it listens', () => teller.heardBy === 1);
  socket.destroy();
  await until('nobody is listened to', () => teller.heardBy === 0);
});
